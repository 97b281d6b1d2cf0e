import type { ImportedPiece } from '../../../../core/job/index.ts'
import { Choice, Pick, Row } from '../../../ui/Choice.tsx'
import { MeasureField } from '../../../ui/MeasureField.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { ImportMesh } from '../ImportMesh.tsx'
import { useEdit } from '../useEdit.ts'

export function ImportedBench({ piece }: { piece: ImportedPiece }) {
  const { shape } = useEdit()
  const longest = Math.max(...piece.file.extents) * piece.mmPerUnit
  return (
    <>
      <h1>Piece</h1>
      <p>A solid read from {piece.file.name}.</p>
      <Row label="Triangles">{piece.file.triangles.toLocaleString('en')}</Row>
      <h2>Size</h2>
      <MeasureField
        label="Longest extent"
        note="scales all of it"
        value={Math.round(longest * 100) / 100}
        min={0.1}
        onCommit={(mm) => shape({ mmPerUnit: mm / Math.max(...piece.file.extents) }, `longest ${mm}`)}
      />
      <NumberField
        label="Scaled to"
        unit="% of now"
        value={100}
        min={1}
        max={10000}
        onCommit={(n) => n && shape({ mmPerUnit: (piece.mmPerUnit * n) / 100 }, `scaled ${n}%`)}
      />
      <h2>How it stands</h2>
      <Pick
        label="Up in the file"
        value={piece.turn}
        options={[
          { id: 'as-is', name: 'z' },
          { id: 'y-up', name: 'y' },
          { id: 'x-up', name: 'x' },
          { id: 'z-down', name: 'z, upside down' },
        ]}
        onChoose={(turn) => shape({ turn: turn as ImportedPiece['turn'] }, `stands ${turn}`)}
      />
      <MeasureField
        label="Cut flat for a foot"
        note="from its lowest point"
        value={piece.foot}
        min={0}
        onCommit={(foot) => shape({ foot }, `foot ${foot}`)}
      />
      <Choice
        label="What it is for"
        value={piece.use}
        options={[
          { value: 'piece', name: 'the piece', note: 'is cast itself' },
          { value: 'pattern', name: 'a pattern', note: 'moulds are made round it' },
        ]}
        onChoose={(use) => shape({ use }, `kept as a ${use}`)}
      />
      <h2>Another file</h2>
      <ImportMesh onMesh={(file, mmPerUnit) => shape({ file, mmPerUnit, foot: 0 }, `read ${file.name}`)} />
    </>
  )
}
