import type { MouldPart, MouldStation } from '../../../core/mould/index.ts'
import { sayLengths } from '../../../core/units/index.ts'
import { useAppDispatch } from '../../app/store.ts'
import { pointedAt } from '../../app/viewSlice.ts'
import { More } from '../../ui/Choice.tsx'
import { useMeasureStyle } from '../../ui/MeasureField.tsx'
import { MouldThumb } from './MouldThumb.tsx'

/** From bare boards to ready to pour, each step with what stands by then. Pointing at a step lights its parts. */
export function BuildingOrder({ mould }: { mould: MouldStation }) {
  const dispatch = useAppDispatch()
  const style = useMeasureStyle()
  const { steps, readyMinutes } = mould.figures.build
  const stands = new Set<string>()
  return (
    <More title={`Building order: ready to fill after ${hours(readyMinutes)}`}>
      <ol className="list-none p-0">
        {steps.map((step, i) => {
          const now = step.partIds
          const placing = step.code === 'fix' || step.code === 'pour' || step.code === 'mark'
          if (placing) for (const id of now) stands.add(id)
          const parts = mould.parts.filter((p: MouldPart) => stands.has(p.id))
          return (
            <li
              key={`${i} ${step.text}`}
              className="flex gap-2 border-b py-[6px]"
              onPointerEnter={() => dispatch(pointedAt(now[0] ?? null))}
              onPointerLeave={() => dispatch(pointedAt(null))}
            >
              <span className="label w-5 flex-none text-right font-bold">{i + 1}</span>
              <span className="min-w-0 flex-1 text-[14px] leading-tight">
                {sayLengths(step.text, style)}
                {step.waitMinutes > 0 && <strong> Wait {hours(step.waitMinutes)}.</strong>}
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
      ? `${(minutes / 60).toFixed(1)} h`
      : `${(minutes / 1440).toFixed(1)} days`
