import { type Change, type Finding, findingList, type Piece, type Remedy } from '../job/index.ts'
import { inTimeCures } from './inTime.ts'
import type { Rehearsal } from './rehearse.ts'
import type { PourInput } from './types.ts'
import type { PourFindings } from './words.ts'

/** Odds from which something is told, percent [own]. */
const TOLD = { coldJoint: 5, outOfMix: 5, outOfTime: 20 } as const
/** So much more is mixed where it may run out, percent. */
const MORE = 5

/** What goes wrong too often when the pour is rehearsed, each with what is tried against it. */
export function rehearsalFindings(
  { piece, people, mix, stock, stations }: PourInput,
  { coldJoint, outOfMix, outOfTime }: Rehearsal,
  /** What the plan tells already: the odds of what is planned so are no news. */
  told: readonly Finding[],
): Finding[] {
  const { findings, raise } = findingList<PourFindings>('pour', piece.id, 'choice', 'pour')
  const cures = () => inTimeCures(piece, people, mix, stock)
  const planned = (code: string) => told.some((f) => f.code === code)
  const late = planned('sets-before-placed')
  if (!late && coldJoint.percent >= TOLD.coldJoint) raise('cold-joint-likely', 'warn', coldJoint, cures())
  else if (!late && !planned('longer-than-working-time') && outOfTime.percent >= TOLD.outOfTime)
    raise('time-likely-short', 'note', outOfTime, cures())
  if (outOfMix.percent >= TOLD.outOfMix)
    raise('mix-likely-short', 'warn', outOfMix, moreMixed(piece, stations.mix.figures.wastePercent))
  return findings
}

const moreMixed = (piece: Piece, wastePercent: number): Remedy[] =>
  [1, 2, 3].map((times) => {
    const more = Math.min(100, Math.round(wastePercent) + times * MORE)
    const changes: Change[] = [{ type: 'mixChosen', pieceId: piece.id, patch: { wastePercent: more } }]
    return { code: `waste-${more}`, facts: { wastePercent: more }, changes }
  })
