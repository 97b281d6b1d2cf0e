import { useRef } from 'react'
import { showNumber } from '../../../core/units/index.ts'
import type { Timed } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useWork } from '../../state/useWork.ts'

/** Turned over, laid out for, moved and set: each when it may be done first. */
const MOVING: ReadonlySet<Timed['code']> = new Set(['lay-out-bearers', 'move-cast', 'set-in-ground'])
const isMoving = (op: Timed): boolean =>
  MOVING.has(op.code) || (op.attitude?.turned === true && 'massKg' in op.facts)

/** How the cast is moved, step by step. */
export function Moving() {
  const { piece, plan, looks } = usePlan()
  const now = useWork(isMoving)
  // While it is worked out again the last of the same piece stay, dimmed.
  const last = useRef({ id: piece.id, steps: now })
  const known = plan?.stations.steel?.moving.length
  if (known || last.current.id !== piece.id || looks.steel === '') last.current = { id: piece.id, steps: now }
  const { steps } = last.current
  if (steps.length === 0) return null
  return (
    <div className={looks.steel}>
      <h2>Moving it, in order</h2>
      <table className="list" aria-label="Moving it, in order">
        <tbody>
          {steps.map(({ text, of: [op] }) => (
            <tr key={op!.id}>
              <td className="n text-left! pr-2!">
                {op!.startMinutes === null ? 'never' : `${showNumber(op!.startMinutes / 1440, 1)} d`}
              </td>
              <td className="leading-tight">{text}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
