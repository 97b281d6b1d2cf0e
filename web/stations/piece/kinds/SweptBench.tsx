import type { SweptPiece } from '../../../../core/job/index.ts'
import { sweptProfile } from '../../../../core/piece/index.ts'
import { formatLength } from '../../../../core/units/index.ts'
import { newId } from '../../../state/files.ts'
import { useMeasureStyle } from '../../../state/useMeasureStyle.ts'
import { Measures } from '../../../ui/Measures.tsx'
import { NumberField } from '../../../ui/NumberField.tsx'
import { BackTo, RemoveButton } from '../BackTo.tsx'
import { ImportOutline } from '../ImportOutline.tsx'
import { FeatureRow } from '../SharedBench.tsx'
import { useEdit } from '../useEdit.ts'

export function SweptBench({ piece }: { piece: SweptPiece }) {
  const { shape, keep, select } = useEdit()
  const style = useMeasureStyle()
  return (
    <>
      <h1>Piece</h1>
      <p>A side profile, carried straight to a width.</p>
      <Measures
        of={piece}
        rows={[{ key: 'width', label: 'Width', note: 'square to the profile', min: 1 }]}
        onChange={shape}
      />
      <p>Drag the profile’s corners on the stage; press a side to make it an arc or a spline.</p>
      <ImportOutline
        label="Import a profile"
        onOutline={(outline, name) =>
          outline.kind === 'polygon' && shape({ corners: outline.corners }, `profile of ${name}`)
        }
      />
      <h2>Cut into blocks</h2>
      {piece.separators.map((s, i) => (
        <FeatureRow
          key={s.id}
          name={`separator ${i + 1}`}
          value={formatLength(s.at, style)}
          onOpen={() => select('separators', s.id)}
        />
      ))}
      <button
        type="button"
        className="act mt-2"
        onClick={() => {
          const item = {
            id: newId('separator'),
            at: Math.round(sweptProfile(piece).size[0] / 2),
            leanDeg: 0,
            gap: 0,
          }
          keep({ list: 'separators', item }, 'add a separator')
          select('separators', item.id)
        }}
      >
        + separator
      </button>
    </>
  )
}

export function SeparatorBench({
  separator,
  onBack,
}: {
  separator: SweptPiece['separators'][number]
  onBack: () => void
}) {
  const { keep, remove } = useEdit()
  const set = (patch: Partial<typeof separator>, label: string) =>
    keep({ list: 'separators', item: { ...separator, ...patch } }, `separator: ${label}`)
  return (
    <>
      <BackTo title="Separator" onBack={onBack} />
      <p>A plane that parts the pour into blocks of their own.</p>
      <Measures
        of={separator}
        rows={[
          { key: 'at', label: 'Along, at mid height', signed: true },
          { key: 'gap', label: 'Thickness of the separator' },
        ]}
        onChange={set}
      />
      <NumberField
        label="Leans"
        unit="°"
        value={separator.leanDeg}
        min={-80}
        max={80}
        onCommit={(leanDeg) => leanDeg !== null && set({ leanDeg }, `leans ${leanDeg}`)}
      />
      <RemoveButton
        name="this separator"
        onRemove={() => remove('separators', separator.id, 'remove a separator')}
      />
    </>
  )
}
