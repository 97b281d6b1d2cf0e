import { describe, expect, it } from 'vitest'
import { openKernel, type SolidRecipe, type Vector } from '../geometry/index.ts'
import { plainSide, type SlabPiece, withChoice } from '../job/index.ts'
import { planPiece } from '../plan.ts'
import { METRIC } from '../testing/says.ts'
import { testJob, testSlab } from '../testing/testPiece.ts'
import { sayAct } from '../work/index.ts'
import { wayOut } from './wayOut.ts'

const kernel = await openKernel({ coarser: 4 })

/** An upright body over a rectangle, its upper end `wider` on each side. */
const block = ([x0, y0, z0]: Vector, [x1, y1, z1]: Vector, wider = 0): SolidRecipe => ({
  kind: 'stack',
  levels: [
    [z0, 0],
    [z1, wider],
  ].map(([z, w]) => ({
    z: z!,
    points: [
      [x0 - w!, y0],
      [x1 + w!, y0],
      [x1 + w!, y1],
      [x0 - w!, y1],
    ],
  })),
  name: 'b',
  lowName: 'b',
  highName: 'b',
})
const own = block([0, 0, 0], [40, 20, 30])
const floor = block([-100, -100, -10], [140, 120, 0])
const left = block([-20, -100, 0], [0, 120, 60])
const right = block([40, -100, 0], [60, 120, 60])
const front = block([0, -20, 0], [40, 0, 60])
const back = block([0, 20, 0], [40, 40, 60])
const lid = block([-100, -100, 30], [140, 120, 40])

describe('a way out, by moving the solid', () => {
  it.each<[string, SolidRecipe, Vector, readonly SolidRecipe[], Vector | null]>([
    ['nothing round it: its own pull', own, [0, -1, 0], [floor], [0, -1, 0]],
    ['a channel along its pull', own, [0, -1, 0], [floor, left, right], [0, -1, 0]],
    ['a channel across its pull: up', own, [-1, 0, 0], [floor, left, right], [0, 0, 1]],
    ['shut in all round, open above', own, [0, -1, 0], [floor, left, right, front, back], [0, 0, 1]],
    ['shut in all round and above', own, [0, -1, 0], [floor, left, right, front, back, lid], null],
    [
      'a dovetail shut at one end: along its channel',
      block([-5, 0, 0], [45, 20, 30], -5),
      [0, 1, 0],
      [floor, block([-40, -100, 0], [-5, 120, 60], 5), block([45, -100, 0], [80, 120, 60], 5), back],
      [0, -1, 0],
    ],
    [
      'a dovetail shut at both ends',
      block([-5, 0, 0], [45, 20, 30], -5),
      [0, 1, 0],
      [floor, block([-40, -100, 0], [-5, 120, 60], 5), block([45, -100, 0], [80, 120, 60], 5), front, back],
      null,
    ],
    ['something that only touches it', own, [0, -1, 0], [floor, left, right, back], [0, -1, 0]],
    ['drawn up, a lid in its way', own, [0, 0, 1], [lid], null],
  ])('%s', (_, recipe, pull, standing, way) => {
    const found = wayOut(kernel, { recipe, pull }, standing)
    if (way === null) expect(found).toBeNull()
    else expect(found).toEqual(way.map((n) => expect.closeTo(n, 9)))
  })
})

const V = (deg: number, depth = 150): SlabPiece['outline'] => {
  const half = Math.tan((deg * Math.PI) / 360) * depth
  const corners: [number, number, string][] = [
    [0, 0, 'a'],
    [900, 0, 'b'],
    [900, 500, 'c'],
    [450 + half, 500, 'd'],
    [450, 500 - depth, 'e'],
    [450 - half, 500, 'f'],
    [0, 500, 'g'],
  ]
  return {
    kind: 'polygon',
    corners: corners.map(([x, y, side]) => ({ x, y, side, radius: 0, run: { kind: 'line' } })),
  }
}
describe('what can leave is not said to be held', () => {
  const schools = ['wrap', 'stand', 'mitre'] as const
  const attitudes = ['top', 'bottom'] as const
  it.each(schools.flatMap((school) => attitudes.map((down) => [school, down] as const)))(
    '%s, %s down: sides that lean either way, notches of 60, 90 and 120 degrees',
    (school, down) => {
      const base = testSlab({ thickness: 60, attitude: { down, turnDeg: 0 } })
      const mould = withChoice(base.mould, { school })
      const plan = (piece: SlabPiece) => planPiece(kernel, testJob(piece), piece)
      for (const taper of [-20, 20]) {
        const sides = Object.fromEntries(Object.keys(base.sides).map((s) => [s, plainSide({ taper })]))
        expect([taper, plan({ ...base, mould, sides }).stations.release!.figures.partsTrapped]).toEqual([
          taper,
          0,
        ])
      }
      for (const deg of [60, 90, 120]) {
        const outline = V(deg)
        const sides = Object.fromEntries(
          (outline.kind === 'polygon' ? outline.corners : []).map((c) => [c.side, plainSide()]),
        )
        const { stations, work } = plan({ ...base, mould, outline, sides })
        expect([deg, stations.release!.figures.partsTrapped]).toEqual([deg, 0])
        // Every side is told off once, outward or up.
        const off = work.filter((op) => op.code === 'side-off' || op.code === 'side-lifted')
        expect(new Set(off.flatMap((op) => op.about.map((r) => r.id))).size).toBeGreaterThanOrEqual(7)
        for (const op of off.filter((o) => o.code === 'side-lifted'))
          expect(sayAct(op, METRIC)).toMatch(/^Slide notch .* straight up/)
      }
    },
  )
})
