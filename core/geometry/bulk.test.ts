import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { testKernel } from '../testing/testKernel.ts'
import {
  type HalfSpace,
  measureGap,
  measureSolid,
  measureWithin,
  type Point,
  type SolidRecipe,
  type Vector,
} from './index.ts'

const kernel = await testKernel()

const square = (half: number, lean: number): Extract<SolidRecipe, { kind: 'loft' }> => {
  const corners: Point[] = [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ]
  const profile = [
    { z: 0, inset: lean, name: 'wall' },
    { z: 80, inset: 0, name: 'wall' },
  ]
  return {
    kind: 'loft',
    outline: corners.map((from, i) => ({
      name: 'wall',
      from,
      to: corners[(i + 1) % 4]!,
      arc: null,
      radius: 9,
      corner: 'wall',
      profile,
    })),
    holes: [],
    low: 0,
    high: 80,
    lowName: 'foot',
    highName: 'top',
  }
}
const star = (r: number): Point[] =>
  Array.from({ length: 10 }, (_, i): Point => {
    const [a, s] = [(Math.PI * i) / 5, i % 2 === 0 ? r : r * 0.5]
    return [s * Math.cos(a), s * Math.sin(a)]
  })
const BODIES: Readonly<Record<string, SolidRecipe>> = {
  'leaning box with rounded corners': square(60, 14),
  'stack of stars': {
    kind: 'stack',
    levels: [
      { z: 0, points: star(40) },
      { z: 30, points: star(70) },
      { z: 80, points: star(55) },
    ],
    name: 'wall',
    lowName: 'foot',
    highName: 'top',
  },
  cone: {
    kind: 'turned',
    at: [5, -8],
    profile: [
      { radius: 0, z: 0, name: 'foot' },
      { radius: 60, z: 0, name: 'wall' },
      { radius: 25, z: 80, name: 'top' },
      { radius: 0, z: 80, name: 'axis' },
    ],
  },
}

describe('what lies of a body within half-spaces', () => {
  it.each(Object.keys(BODIES))('%s: as the solid library cuts it', (name) => {
    const body = BODIES[name]!
    const one = fc.record({
      x: fc.double({ min: -1, max: 1, noNaN: true }),
      y: fc.double({ min: -1, max: 1, noNaN: true }),
      z: fc.constantFrom(-1, 1),
      offset: fc.integer({ min: -60, max: 60 }),
    })
    fc.assert(
      fc.property(fc.array(one, { maxLength: 2 }), (planes) => {
        const within = planes.map(
          ({ x, y, z, offset }): HalfSpace => ({ normal: [x, y, z] as Vector, offset: offset + 20 * z }),
        )
        const own = measureWithin(body, within)
        const recipe = within.reduce<SolidRecipe>((solid, { normal, offset }) => {
          const length = Math.hypot(...normal)
          return {
            kind: 'trimmed',
            solid,
            normal: normal.map((n) => n / length) as unknown as Vector,
            offset: offset / length,
            name: 'cut',
          }
        }, body)
        const { volume, centroid } = kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
        // Two planes that face each other squarely have no point in common: then it says that it cannot.
        if (!own) {
          expect(within.length).toBe(2)
          return
        }
        expect(own.volume).toBeCloseTo(volume, -1.5)
        expect(measureWithin(recipe, [])?.volume ?? 0).toBeCloseTo(volume, -1.5)
        if (centroid && volume > 1000)
          for (const k of [0, 1, 2] as const) expect(own.moment[k] / own.volume).toBeCloseTo(centroid[k], 1)
      }),
      { numRuns: 60 },
    )
  })
  it('takes the nearer of two planes that face one way, and says so when planes face each other', () => {
    const up = (offset: number): HalfSpace => ({ normal: [0, 0, 2], offset: 2 * offset })
    const box = BODIES.cone!
    expect(measureWithin(box, [up(20), up(50)])?.volume).toBeCloseTo(measureWithin(box, [up(50)])!.volume, 6)
    expect(measureWithin(box, [up(20), { normal: [0, 0, -1], offset: -50 }])).toBe(null)
    expect(measureWithin({ kind: 'mesh', id: 'none', name: 'x' }, [])).toBe(null)
  })
})

it('finds the least gap between boundaries that no point of either undercuts', () => {
  const ring = (n: number, r: number, [cx, cy]: Point): Point[] =>
    Array.from({ length: n }, (_, i): Point => {
      const a = (2 * Math.PI * i) / n
      return [cx + r * Math.cos(a), cy + r * Math.sin(a)]
    })
  fc.assert(
    fc.property(
      fc.integer({ min: 3, max: 80 }),
      fc.integer({ min: 3, max: 80 }),
      fc.double({ min: -30, max: 30, noNaN: true }),
      fc.double({ min: -30, max: 30, noNaN: true }),
      (n, m, x, y) => {
        const [inner, outer] = [ring(n, 10, [x, y]), ring(m, 200, [0, 0])]
        const { least, from, to } = measureGap([inner], [outer])
        let sampled = Infinity
        const dense = (points: Point[]) =>
          points.flatMap((p, i) => {
            const q = points[(i + 1) % points.length]!
            return [0, 0.25, 0.5, 0.75].map(
              (t): Point => [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t],
            )
          })
        for (const p of dense(inner))
          for (const q of dense(outer)) sampled = Math.min(sampled, Math.hypot(p[0] - q[0], p[1] - q[1]))
        expect(least).toBeLessThanOrEqual(sampled + 1e-9)
        expect(Math.hypot(from[0] - to[0], from[1] - to[1])).toBeCloseTo(least, 9)
      },
    ),
    { numRuns: 40 },
  )
})
