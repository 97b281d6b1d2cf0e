import { describe, expect, it } from 'vitest'
import { openKernel } from './geometry/index.ts'
import { plainSide, type SlabPiece, withChoice } from './job/index.ts'
import { planPiece } from './plan.ts'
import { METRIC } from './testing/says.ts'
import { testJob, testSlab } from './testing/testPiece.ts'
import { sayAct } from './work/index.ts'

const kernel = await openKernel({ coarser: 4 })

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
