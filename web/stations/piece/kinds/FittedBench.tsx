import type { FittedPiece, Measured } from '../../../../core/job/index.ts'
import { quadrilateral } from '../../../../core/piece/index.ts'
import { showNumber } from '../../../../core/units/index.ts'
import { Choice } from '../../../ui/Choice.tsx'
import { MeasureField } from '../../../ui/MeasureField.tsx'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { Switch } from '../../../ui/Switch.tsx'
import { EdgeField } from '../EdgeField.tsx'
import { ImportOutline } from '../ImportOutline.tsx'
import { useEdit } from '../useEdit.ts'

export function FittedBench({ piece }: { piece: FittedPiece }) {
  const { shape } = useEdit()
  const { measured, part } = piece
  return (
    <>
      <h1>Piece</h1>
      <p>Made to fit something that is there.</p>
      <Choice
        label="What it is"
        hideLabel
        value={part}
        options={[
          { value: 'lid', name: 'lid', note: 'lies over' },
          { value: 'plug', name: 'plug', note: 'goes in' },
          { value: 'cap', name: 'cap', note: 'goes over' },
          { value: 'sleeve', name: 'sleeve', note: 'lines it' },
        ]}
        onChoose={(next) => shape({ part: next }, `a ${next}`)}
      />
      <h2>{part === 'cap' ? 'What it goes over, measured' : 'The opening, measured'}</h2>
      <MeasuredFields measured={measured} onMeasured={(next, label) => shape({ measured: next }, label)} />
      <h2>Fit</h2>
      <Measures
        of={piece}
        rows={[
          { key: 'clearance', label: 'Clearance', note: 'each side' },
          ...(part === 'lid' ? [{ key: 'overlap' as const, label: 'Overlap', note: 'each side' }] : []),
          ...(part === 'lid' || part === 'cap'
            ? [{ key: 'seat' as const, label: part === 'cap' ? 'Reaches down' : 'Seat depth' }]
            : []),
          {
            key: 'thickness',
            label: part === 'lid' || part === 'cap' ? 'Plate thickness' : 'Length',
            min: 1,
          },
          ...(part === 'cap' || part === 'sleeve' ? [{ key: 'wall' as const, label: 'Wall', min: 1 }] : []),
        ]}
        onChange={shape}
      />
      <NumberField
        label="Taper"
        unit="°"
        value={piece.taperDeg}
        min={0}
        max={45}
        onCommit={(taperDeg) => taperDeg !== null && shape({ taperDeg }, `taper ${taperDeg}`)}
      />
      {(part === 'lid' || part === 'cap') && (
        <EdgeField
          label="Upper edge"
          edge={piece.edge}
          onChange={(edge) => shape({ edge }, `edge ${edge.kind}`)}
        />
      )}
    </>
  )
}

function MeasuredFields({
  measured,
  onMeasured,
}: {
  measured: Measured
  onMeasured: (m: Measured, label: string) => void
}) {
  return (
    <>
      <Choice
        label="Shape measured"
        hideLabel
        value={measured.kind}
        options={[
          { value: 'round', name: 'round' },
          { value: 'rectangle', name: 'four sides' },
          { value: 'polygon', name: 'outline' },
        ]}
        onChoose={(kind) => {
          if (kind === measured.kind) return
          if (kind === 'round') onMeasured({ kind, diameter: 600 }, 'round')
          if (kind === 'rectangle')
            onMeasured({ kind, front: 600, right: 450, back: 600, left: 450, diagonal: 750 }, 'four sides')
          if (kind === 'polygon')
            onMeasured(
              {
                kind,
                corners: [
                  [0, 0],
                  [500, 0],
                  [600, 300],
                  [0, 400],
                ].map(([x, y], i) => ({
                  x: x!,
                  y: y!,
                  radius: 0,
                  side: `side-${i + 1}`,
                  run: { kind: 'line' },
                })),
              },
              'an outline',
            )
        }}
      />
      {measured.kind === 'round' && (
        <Measures
          of={measured}
          rows={[{ key: 'diameter', label: 'Diameter', min: 1 }]}
          onChange={(p, l) => onMeasured({ ...measured, ...p }, l)}
        />
      )}
      {measured.kind === 'rectangle' && (
        <>
          <Measures
            of={measured}
            rows={(['front', 'right', 'back', 'left'] as const).map((key) => ({
              key,
              label: key.charAt(0).toUpperCase() + key.slice(1),
              min: 1,
            }))}
            onChange={(p, l) => onMeasured({ ...measured, ...p }, l)}
          />
          <Switch
            label="Diagonal measured"
            on={measured.diagonal !== null}
            onSwitch={(on) =>
              onMeasured(
                { ...measured, diagonal: on ? Math.round(Math.hypot(measured.front, measured.right)) : null },
                on ? 'with a diagonal' : 'taken as square',
              )
            }
          />
          {measured.diagonal !== null && (
            <MeasureField
              label="Front left to back right"
              value={measured.diagonal}
              min={1}
              onCommit={(diagonal) => onMeasured({ ...measured, diagonal }, `diagonal ${diagonal}`)}
            />
          )}
          <OtherDiagonal measured={measured} />
        </>
      )}
      {measured.kind === 'polygon' && (
        <ImportOutline
          label="Import the outline"
          onOutline={(outline, name) =>
            outline.kind === 'polygon' &&
            onMeasured({ kind: 'polygon', corners: outline.corners }, `outline of ${name}`)
          }
        />
      )}
    </>
  )
}

/** The diagonal that was not typed: a check against the tape. */
function OtherDiagonal({ measured }: { measured: Extract<Measured, { kind: 'rectangle' }> }) {
  const corners = quadrilateral(measured)
  if (!corners) return null
  const [, b, , d] = corners
  return (
    <p>
      Front right to back left must then measure {showNumber(Math.hypot(b[0] - d[0], b[1] - d[1]), 1)} mm.
    </p>
  )
}
