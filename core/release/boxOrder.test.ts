import { describe, expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import {
  type BoxChoice,
  type MouldPatch,
  newOpening,
  type Opening,
  plainSide,
  type SlabPiece,
  withChoice,
} from '../job/index.ts'
import { planMouldStation } from '../mould/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { METRIC, says } from '../testing/says.ts'
import { testSlab, testStock } from '../testing/testPiece.ts'
import { partIdsOf, tell } from '../work/index.ts'
import { takeOff } from './takeOff.ts'

const kernel = await openKernel({ coarser: 8 })
const plan = (over: Partial<SlabPiece>, patch: MouldPatch = {}) => {
  const piece = testSlab(over)
  const own = { ...piece, mould: withChoice(piece.mould, patch) }
  const station = planPieceStation(kernel, own, 2300, false)
  const mould = planMouldStation(own, station, testStock, testStock.mixes[0]!, { kernel, quick: false })
    .station!
  return {
    mould,
    builds: says(mould.operations),
    strips: tell(takeOff(mould.off, mould.figures.parts, 40).operations, METRIC).map((t) => t.text),
  }
}
const hole = (over: Partial<Opening> = {}, shape: Opening['shape'] = { kind: 'round', diameter: 160 }) => ({
  openings: [{ ...newOpening('hole', 'drain', shape), ...over }],
})
const kind = (k: BoxChoice['knockoutKinds'][string]) => ({ knockoutKinds: { hole: k } })
const sides = (front: Parameters<typeof plainSide>[0], rest: Parameters<typeof plainSide>[0] = {}) => ({
  sides: { front: plainSide(front), right: plainSide(rest), back: plainSide(rest), left: plainSide(rest) },
})
const tube = testStock.tubes.find((t) => t.id === 'tube-150')!
const outside = tube.inside + 2 * tube.wall

/** A piece and its choices, what the building order says of it, and how it comes off. */
const CASES: [string, Partial<SlabPiece>, MouldPatch, RegExp, RegExp][] = [
  ['boards', hole(), {}, /Screw drain knockout down from below/, /Press drain knockout out/],
  [
    'boards, glued',
    hole(),
    { holdBy: 'glue' },
    /Glue drain knockout down on its mark/,
    /Press drain knockout out/,
  ],
  [
    'boards under a weight',
    hole(),
    { holdBy: 'weight' },
    /under a bridge that bears the weight/,
    /Press drain knockout out/,
  ],
  [
    'draft, wide end down',
    hole({ draftDeg: 4 }),
    {},
    /Screw drain knockout down/,
    /out by the wide end, which was down/,
  ],
  [
    'draft, wide end up',
    hole({ draftDeg: 4, on: 'bottom' }),
    {},
    /Screw drain knockout down/,
    /which was up/,
  ],
  [
    'foam',
    hole(),
    kind('foam'),
    /Stick drain foam knockout down.*foam floats/,
    /Dig drain foam knockout out/,
  ],
  [
    'split',
    hole(),
    kind('split'),
    /Stand both halves and the wedge.*never the wedge/,
    /Draw the wedge first/,
  ],
  [
    'tube',
    hole({}, { kind: 'round', diameter: outside + 4 }),
    kind('tube'),
    /slip the slit and taped tube over it/,
    /turn the card in on itself/,
  ],
  ['a leaning side', sides({ taper: 10 }), {}, /blade tilted for the edges first/, /Sides off in this order/],
  ['a lined side', sides({ liner: 6 }), {}, /Stick front liner to its side/, /Roll front liner off/],
  [
    'two lined sides',
    sides({ liner: 6 }, { liner: 6 }),
    {},
    /to their sides.*mitre where two meet/,
    /Roll .*liner/,
  ],
  [
    'an apron, top down',
    sides({ apron: { drop: 40, thickness: 30 } }),
    {},
    /its foot on the strike-off line/,
    /lift off what hangs from the bridges/,
  ],
  [
    'an apron, underside down',
    { ...sides({ apron: { drop: 40, thickness: 30 } }), attitude: { down: 'bottom', turnDeg: 0 } },
    {},
    /Stick built-up floor behind the aprons to the base/,
    /Draw the formers out of the face: built-up floor/,
  ],
]

describe('a board box from bare boards to stripped', () => {
  it.each(CASES)('%s: how it is set, and how it leaves', (_, over, patch, built, stripped) => {
    const { mould, builds, strips } = plan(over, patch)
    expect(builds.some((t) => built.test(t))).toBe(true)
    expect(strips.some((t) => stripped.test(t))).toBe(true)
    // Every part that is set is told of, and no text names what is not there.
    const told = builds.join(' ')
    for (const p of mould.parts.filter((q) => ['strip', 'former'].includes(q.role)))
      expect(told).toContain(p.name)
    for (const text of [...builds, ...strips]) expect(text).not.toMatch(/undefined|NaN|null|\[object/)
    // What is sawn comes before what is fixed, what is fixed before it is sealed round, wax and the last look at the end.
    const codes = mould.operations.map((op) => op.code)
    expect(codes.indexOf('cut-list')).toBe(0)
    const hung = codes.at(-1) === 'hang-formers' ? 1 : 0
    expect(codes.at(-1 - hung)).toBe('check-plan')
  })
  it('a knockout of some size gets its air hole and handles, a small one does not', () => {
    const says = (diameter: number) =>
      plan(hole({}, { kind: 'round', diameter })).builds.some((t) =>
        /air hole right through drain knockout/.test(t),
      )
    expect([says(160), says(40)]).toEqual([true, false])
  })
  it('what hangs from a bridge comes off before the sides, wedges before their halves', () => {
    const { strips } = plan(sides({ apron: { drop: 40, thickness: 30 } }))
    const at = (of: readonly string[], words: RegExp) => of.findIndex((t) => words.test(t))
    expect(at(strips, /hangs from the bridges/)).toBeLessThan(at(strips, /Sides off/))
    const split = plan(hole(), kind('split')).strips
    expect(at(split, /Draw the wedge first/)).toBeLessThan(at(split, /Fold the halves inward/))
  })
  it('the small drawings of the order know every part that they light', () => {
    for (const [, over, patch] of CASES) {
      const { mould } = plan(over, patch)
      const ids = new Set(mould.parts.map((p) => p.id))
      for (const op of mould.operations) for (const id of partIdsOf(op)) expect(ids.has(id)).toBe(true)
    }
  })
})
