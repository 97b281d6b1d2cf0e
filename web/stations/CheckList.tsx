import { useMemo } from 'react'
import { type Check, checksOf, tickedWith } from '../../core/pour/index.ts'
import { sayAct, shortAct, type Timed } from '../../core/work/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useChange } from '../state/store.ts'
import { Box } from '../ui/Box.tsx'
import { useWordsStyle } from '../ui/Quantity.tsx'

const NONE: readonly Timed[] = []

/** The checks of the next pour, in the order of the day. */
export function useChecks(): readonly Check<Timed>[] {
  const { plan, piece } = usePlan()
  const work = plan?.work ?? NONE
  return useMemo(() => checksOf(work, piece), [work, piece])
}

/** Checks to be ticked; those the pour waits for are marked until they are. */
export function CheckList({ checks, label }: { checks: readonly Check<Timed>[]; label: string }) {
  const { piece, whole } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  return (
    <ul aria-label={label} className={`list-none pl-0 ${whole ? '' : 'stale'}`}>
      {checks.map(({ operation: op, stops, ticked }) => (
        <li key={op.id} className="flex items-start gap-2 border-b py-1">
          <Box
            id={`check-${op.id}`}
            on={ticked}
            onTick={(on) =>
              change(`${on ? 'ticked' : 'unticked'}: ${shortAct(op.code)}`, {
                type: 'pourPlanned',
                pieceId: piece.id,
                patch: { ticked: { ...tickedWith(piece, op, on) } },
              })
            }
          />
          <label htmlFor={`check-${op.id}`} className="label min-h-8 flex-1 text-[15px]">
            {sayAct(op, words)}
            {stops && !ticked && (
              <strong className="block text-[13px] text-oxide">The pour waits for it.</strong>
            )}
          </label>
        </li>
      ))}
    </ul>
  )
}
