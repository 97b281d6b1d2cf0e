import type { MouldPart, MouldStation } from '../../../core/mould/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { isBuilding, isReadying, partIdsOf, spanMinutes } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch } from '../../state/store.ts'
import { useWork } from '../../state/useWork.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { More } from '../../ui/Choice.tsx'
import { MouldThumb } from './MouldThumb.tsx'

/** From bare boards to ready to pour, each step with what stands by then. Pointing at a step lights its parts. */
export function BuildingOrder({ mould }: { mould: MouldStation }) {
  const dispatch = useAppDispatch()
  const lines = useWork(isReadying)
  const stands = new Set<string>()
  // What is sealed before it is built in counts with it.
  const ready = spanMinutes((usePlan().plan?.work ?? []).filter(isBuilding))
  return (
    <More title={`Building order: ready for wax after ${hours(ready || mould.figures.readyMinutes)}`}>
      <ol className="list-none p-0">
        {lines.map(({ text, of: [op] }, i) => {
          const now = partIdsOf(op!)
          const fresh = now.filter((id) => !stands.has(id))
          const placing = op!.station === 'mould' && op!.code !== 'cut-list' && fresh.length > 0
          if (placing) for (const id of now) stands.add(id)
          const parts = mould.parts.filter((p: MouldPart) => stands.has(p.id))
          return (
            <li
              key={op!.id}
              className="flex gap-2 border-b py-[6px]"
              onPointerEnter={() => dispatch(pointedAt(now[0] ?? null))}
              onPointerLeave={() => dispatch(pointedAt(null))}
            >
              <span className="label w-5 flex-none text-right font-bold">{i + 1}</span>
              <span className="min-w-0 flex-1 text-[14px] leading-tight">
                {text}
                {op!.work.waitMinutes > 0 && <strong> Wait {hours(op!.work.waitMinutes)}.</strong>}
              </span>
              {placing && parts.length > 0 && <MouldThumb parts={parts} now={now} />}
            </li>
          )
        })}
      </ol>
    </More>
  )
}

const hours = (minutes: number): string =>
  minutes < 90
    ? `${Math.round(minutes)} min`
    : minutes < 48 * 60
      ? `${showNumber(minutes / 60, 1)} h`
      : `${showNumber(minutes / 1440, 1)} days`
