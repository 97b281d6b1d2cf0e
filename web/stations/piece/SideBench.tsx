import type { Side, SlabPiece } from '../../../core/job/index.ts'
import { nameOfSide } from '../../../core/piece/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Measures } from '../../ui/Measures.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { BackTo } from './BackTo.tsx'
import { EdgeField } from './EdgeField.tsx'
import { RunFields } from './RunFields.tsx'
import { LeanFields } from './SlopeFields.tsx'
import { useEdit } from './useEdit.ts'

/** One side of a slab: its edges, how it leans, a liner, a drip groove, an apron, whether it is a seam. */
export function SideBench({ piece, id, onBack }: { piece: SlabPiece; id: string; onBack: () => void }) {
  const { change, pieceId } = useEdit()
  const side = piece.sides[id]!
  const style = useMeasureStyle()
  const words = nameOfSide(piece.outline, id)
  const set = (patch: Partial<Side>, label: string) =>
    change(`${words}: ${label}`, { type: 'sideChanged', pieceId, side: id, patch })
  return (
    <>
      <BackTo title={`Side ${words}`} onBack={onBack} />
      {piece.outline.kind === 'polygon' && <RunFields id={id} />}
      <h2>Edges</h2>
      <EdgeField
        label="Show edge"
        edge={side.top}
        onChange={(top) => set({ top }, `show edge ${top.kind}`)}
      />
      <EdgeField
        label="Under edge"
        edge={side.bottom}
        onChange={(bottom) => set({ bottom }, `under edge ${bottom.kind}`)}
      />
      <h2>Face</h2>
      <LeanFields
        label="Taper"
        note="underside further in"
        run={side.taper}
        over={piece.thickness}
        onRun={(taper) => set({ taper }, `taper ${formatLength(taper, style)}`)}
      />
      <Measures
        of={side}
        rows={[{ key: 'liner', label: 'Textured liner', note: 'the cast loses it' }]}
        onChange={(patch, label) => set(patch, label)}
      />
      <Switch
        label="Seam with another piece"
        on={side.seam}
        onSwitch={(seam) => set({ seam }, seam ? 'is a seam: square' : 'is no seam')}
      />
      <h2>Below</h2>
      <Switch
        label="Apron, a deeper edge"
        on={side.apron !== null}
        onSwitch={(on) =>
          set({ apron: on ? { drop: 40, thickness: 40 } : null }, on ? 'an apron' : 'no apron')
        }
      />
      {side.apron && (
        <Measures
          of={side.apron}
          rows={[
            { key: 'drop', label: 'Drop', note: 'below the slab', min: 1 },
            { key: 'thickness', label: 'Thickness', min: 1 },
          ]}
          onChange={(patch, label) =>
            side.apron && set({ apron: { ...side.apron, ...patch } }, `apron ${label}`)
          }
        />
      )}
      <Switch
        label="Drip groove"
        on={side.drip !== null}
        onSwitch={(on) =>
          set(
            { drip: on ? { inset: 20, width: 10, depth: 8 } : null },
            on ? 'a drip groove' : 'no drip groove',
          )
        }
      />
      {side.drip && (
        <Measures
          of={side.drip}
          rows={[
            { key: 'inset', label: 'In from the face', min: 1 },
            { key: 'width', label: 'Width', min: 1 },
            { key: 'depth', label: 'Depth', min: 1 },
          ]}
          onChange={(patch, label) =>
            side.drip && set({ drip: { ...side.drip, ...patch } }, `drip groove ${label}`)
          }
        />
      )}
    </>
  )
}
