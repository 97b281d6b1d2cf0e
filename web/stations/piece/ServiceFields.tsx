import type { BoxPiece, Service, TurnedPiece } from '../../../core/job/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { Pick } from '../../ui/Choice.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { useEdit } from './useEdit.ts'

const FILLS = [
  { id: '', name: 'not asked' },
  { id: 'soil', name: 'soil' },
  { id: 'gravel', name: 'gravel' },
  { id: 'water', name: 'water' },
] as const

/** What a hollow piece holds when it is used, and what follows: its weight then, on each foot, its push on the walls. */
export function ServiceFields({ piece }: { piece: BoxPiece | TurnedPiece }) {
  const { plan, looks } = usePlan()
  const { shape } = useEdit()
  const figures = plan?.stations.piece?.figures
  const { service } = piece
  if (!service && !figures?.holds) return null
  const set = (patch: Partial<Service>, label: string) =>
    service && shape({ service: { ...service, ...patch } }, label)
  const own = figures?.service
  return (
    <>
      <h2>In use</h2>
      <Pick
        label="Filled with"
        value={service?.fill ?? ''}
        options={FILLS}
        onChoose={(id) => {
          const fill = FILLS.find((f) => f.id === id)!
          shape(
            { service: fill.id === '' ? null : { feet: 0, lined: false, ...service, fill: fill.id } },
            `filled with ${fill.name}`,
          )
        }}
      />
      {service && (
        <>
          <NumberField
            label="Feet under it"
            value={service.feet}
            min={0}
            max={12}
            whole
            onCommit={(feet) => feet !== null && set({ feet }, `${feet} feet`)}
          />
          <Switch
            label="Lined with soft board"
            on={service.lined}
            onSwitch={(lined) => set({ lined }, lined ? 'lined' : 'not lined')}
          />
        </>
      )}
      {own && (
        <div className={looks.piece}>
          <QuantityRow label="Filled it weighs" of="mass" value={own.filledKg} digits={0} />
          {own.footKg !== null && (
            <QuantityRow label="On each foot" of="mass" value={own.footKg} digits={0} />
          )}
          {own.groundKPa !== null && (
            <QuantityRow
              label="On the ground under its foot"
              of="pressure"
              value={own.groundKPa}
              digits={1}
            />
          )}
          <QuantityRow label="Push on its walls, at the floor" of="pressure" value={own.pushKPa} digits={1} />
        </div>
      )}
    </>
  )
}
