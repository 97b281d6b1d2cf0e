import { describe, expect, it } from 'vitest'
import {
  type EdgeShape,
  edgeDeep,
  edgeIntegrals,
  edgeShape,
  edgeSize,
  openKernel,
} from '../geometry/index.ts'
import { newOpening } from '../job/index.ts'
import { testSlab } from '../testing/testPiece.ts'
import { planPieceStation } from './index.ts'

const kernel = await openKernel()
const Q = Math.PI / 4

// Areas off a square edge of c in and h down: chamfer c h/2, cove pi/4 c h, ovolo (1 - pi/4) c h, ogee c h/2.
describe.each<[string, EdgeShape, number, number, number]>([
  ['bead', { kind: 'bead', size: 8 }, 8, 8, (1 - Q) * 64],
  ['chamfer', { kind: 'chamfer', size: 8 }, 8, 8, 32],
  ['chamfer of two legs', { kind: 'chamfer', size: 20, rise: 6 }, 20, 6, 60],
  ['cove', { kind: 'cove', size: 12, rise: 9 }, 12, 9, Q * 108],
  ['ovolo', { kind: 'ovolo', size: 12, rise: 9 }, 12, 9, (1 - Q) * 108],
  ['ogee', { kind: 'ogee', size: 16, rise: 10 }, 16, 10, 80],
])('an edge as a %s', (_, edge, across, deep, area) => {
  it('reaches as far as it says and takes its area', () => {
    expect([edgeSize(edge), edgeDeep(edge)]).toEqual([across, deep])
    expect(edgeIntegrals(edge).area).toBeCloseTo(area, 9)
  })
  it('runs from face to side without turning back', () => {
    if (edge.kind === 'square' || edge.kind === 'bead') return
    const points = edgeShape(edge)
    expect([points[0], points.at(-1)!.map((n) => Math.abs(Math.round(n * 1e9) / 1e9))]).toEqual([
      [1, 0],
      [0, 1],
    ])
    for (const [i, [x, y]] of points.slice(1).entries()) {
      expect(x).toBeLessThanOrEqual(points[i]![0] + 1e-12)
      expect(y).toBeGreaterThan(points[i]![1] - 1e-12)
    }
  })
  it('takes that much off a slab: four sides mitred, quick and by its solid; with a lean the same', () => {
    const plain = testSlab({ thickness: 40 })
    const [l, w] = [900, 500]
    const on = (taper: number) => {
      const side = { ...plain.sides.front!, top: edge, bottom: { kind: 'square' } as const, taper }
      const sides = Object.fromEntries(Object.keys(plain.sides).map((s) => [s, side]))
      return testSlab({
        thickness: 40,
        outline: { kind: 'rectangle', length: l, width: w, radii: [0, 0, 0, 0] },
        sides,
      })
    }
    const { area: a, second } = edgeIntegrals(edge)
    // Perimeter times the section, less what the corners have in common: 4 times the second integral.
    const whole = l * w * 40 - (2 * (l + w) * a - 4 * second)
    for (const quick of [true, false])
      expect((planPieceStation(kernel, on(0), 2300, quick).figures.volumeLitres * 1e6) / whole).toBeCloseTo(
        1,
        5,
      )
    const leaning = [true, false].map(
      (quick) => planPieceStation(kernel, on(6), 2300, quick).figures.volumeLitres,
    )
    expect(leaning[0]! / leaning[1]!).toBeCloseTo(1, 4)
  })
  it('goes round an opening’s rim, and is refused where it is deeper than the slab', () => {
    const rim = { top: edge, bottom: { kind: 'square' } as const }
    const opening = { ...newOpening('hole', 'hole', { kind: 'round', diameter: 120 }), rim }
    const codes = (thickness: number) =>
      planPieceStation(kernel, testSlab({ thickness, openings: [opening] }), 2300, true).findings.map(
        (f) => f.code,
      )
    expect(codes(40)).not.toContain('edge-too-deep')
    expect(codes(Math.max(3, deep - 2)).some((c) => /edge|rim|too-deep/.test(c))).toBe(true)
  })
})
