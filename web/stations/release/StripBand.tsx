import { isStripping, partIdsOf } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch } from '../../state/store.ts'
import { useWork } from '../../state/useWork.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** The order of stripping as one thread; hover a step to light its parts. */
export function StripBand() {
  const { looks } = usePlan()
  const dispatch = useAppDispatch()
  const words = useWordsStyle()
  const steps = useWork(isStripping)
  return (
    <div className={`min-h-0 overflow-auto border-t px-4 pt-1 ${looks.release}`}>
      <span className="view-name">How it comes apart</span>
      <ol className="mt-3 flex">
        {steps.map(({ short, of }, i) => {
          const parts = [...new Set(of.flatMap(partIdsOf))]
          // What is turned is told with all that turns with it.
          const turned = of.find((op) => 'massKg' in op.facts)?.attitude?.massKg ?? null
          return (
            <li
              key={of[0]!.id}
              className="relative min-w-0 flex-1 pr-2 pt-9"
              onPointerEnter={() => dispatch(pointedAt(parts[0] ?? null))}
              onPointerLeave={() => dispatch(pointedAt(null))}
            >
              <span
                aria-hidden
                className="absolute left-[14px] right-0 top-[14px] h-px bg-ink"
                style={i === steps.length - 1 ? { display: 'none' } : undefined}
              />
              <span
                aria-hidden
                className="label absolute left-0 top-0 flex size-[29px] items-center justify-center border-[1.5px] border-ink bg-sheet text-[17px] font-bold"
              >
                {i + 1}
              </span>
              <span className="label block text-[16px] font-semibold leading-tight">{short}</span>
              <span className="label block text-[13px] leading-tight text-soft">
                {turned !== null
                  ? words.kg(turned)
                  : parts.length > 0
                    ? `${parts.length} ${parts.length === 1 ? 'part' : 'parts'}`
                    : ''}
              </span>
            </li>
          )
        })}
      </ol>
    </div>
  )
}
