import { type Finding, findingList } from '../job/index.ts'
import { isStripping, shortAct, type Timed } from '../work/index.ts'
import { inTimeCures } from './inTime.ts'
import { SET_PARTS } from './pourDay.ts'
import type { PourInput } from './types.ts'
import type { PourFindings } from './words.ts'

/** Findings that say of the whole pour that it is too slow: no single act is told beside them. */
const OF_ALL: ReadonlySet<string> = new Set(['sets-before-placed', 'longer-than-working-time'])
/** What is behind by less is not told, minutes. */
const NEAR = 1 / 60

/**
 * What of the day is planned after its own window has closed, though the pour as a whole is in time: a batch that covers a
 * lift which no longer joins, an edge that is tooled too late. The one that is latest.
 */
export function doneLate(
  { piece, people, mix, stock }: PourInput,
  work: readonly Timed[],
  found: readonly Finding[],
): Finding[] {
  const { findings, raise } = findingList<PourFindings>('pour', piece.id, 'choice', 'pour')
  if (found.some((f) => OF_ALL.has(f.code))) return findings
  const over = (op: Timed) => op.startMinutes! - op.latestMinutes!
  const late = work.filter(
    (op) => !isStripping(op) && op.startMinutes !== null && op.latestMinutes !== null && over(op) > NEAR,
  )
  const worst = late.reduce<Timed | null>((most, op) => (most && over(most) >= over(op) ? most : op), null)
  if (!worst) return findings
  const joint = late.some((op) => op.notAfter.some((c) => c.kind === 'set' && c.setShare === SET_PARTS.joins))
  raise(
    'done-late',
    'warn',
    {
      step: shortAct(worst.code),
      stepCount: late.length,
      lateMinutes: over(worst),
      joint: joint ? 'yes' : 'no',
      mix: mix.name,
    },
    inTimeCures(piece, people, mix, stock),
  )
  return findings
}
