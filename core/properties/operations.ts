import { expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import { choiceFor, type MouldChoice, type Piece } from '../job/index.ts'
import { METHODS } from '../mould/index.ts'
import { planPiece } from '../plan.ts'
import { withRecipes } from '../stock/index.ts'
import { seeded } from '../testing/anyPiece.ts'
import { brokenRules } from '../testing/operationRules.ts'
import { rounds } from '../testing/rounds.ts'
import { testJob, testStock } from '../testing/testPiece.ts'
import { someOf } from './someOf.ts'

const kernel = await openKernel({ coarser: 12 })

/** A choice with its bead run first or last, where it has one. */
const withBead = (choice: MouldChoice, bead: 'bead-first' | 'wax-first'): MouldChoice =>
  'bead' in choice ? { ...choice, bead } : choice

/** The rules of operations for random pieces of a kind, each by every method, with any mix at any temperature. */
export function holdOperations(kind: Piece['kind'], seed: number): void {
  it(`keeps the rules of operations for any ${kind} by every method: seed ${seed}`, () => {
    const random = seeded(seed)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
    const pieces = someOf(kind, random, rounds(4, 60))
    let planned = 0
    for (const [n, base] of pieces.entries())
      for (const method of METHODS.filter((m) => m.misfit(base) === null)) {
        const piece: Piece = {
          ...base,
          mould: withBead(choiceFor(base.mould, method.id), pick(['bead-first', 'wax-first'] as const)),
          mix: {
            ...base.mix,
            mix: pick(withRecipes(testStock).mixes).id,
            portion: pick([null, 'bags', 'weighed'] as const),
            slurryMm: pick([0, 0, 0.5]),
          },
          release: {
            ...base.release,
            edgeSeal: pick(['packing-tape', 'lacquer']),
            leftOut: pick([null, null, null, 'a trial']),
          },
          pour: {
            ...base.pour,
            temperature: { kind: 'constant', degC: 6 + 28 * random() },
            concreteDegC: pick([null, null, 12, 30]),
            carryM: pick([0, 12, 80]),
          },
        }
        const quick = random() < 0.7
        const plan = planPiece(kernel, testJob(piece), piece, { quick })
        expect([n, method.id, plan.failed]).toEqual([n, method.id, []])
        if (plan.stations.mould) planned += 1
        expect([n, kind, method.id, quick, brokenRules(plan)]).toEqual([n, kind, method.id, quick, []])
      }
    expect(planned).toBeGreaterThan(pieces.length)
  }, 600_000)
}
