import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hullOf, isWithinHull } from './hull.ts'
import { isWithin, pointToRing } from './within.ts'

const across = fc.integer({ min: -700, max: 700 }).map((n) => n / 7)
const point = fc.tuple(across, across)

describe('convex hulls', () => {
  it('of a square with points in it is the square', () =>
    expect(
      hullOf([
        [5, 5],
        [0, 0],
        [10, 0],
        [3, 7],
        [10, 10],
        [0, 10],
      ]),
    ).toEqual([
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ]))
  it('holds what a ray tells, wherever a point is not on its edge', () =>
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 3, maxLength: 40 }),
        fc.array(point, { minLength: 10, maxLength: 10 }),
        (points, places) => {
          const hull = hullOf(points)
          for (const p of places)
            if (hull.length > 2 && pointToRing(p, hull) > 1e-6)
              expect([p, isWithinHull(p, hull)]).toEqual([p, isWithin(p, hull)])
          for (const p of points)
            expect(hull.length < 3 || isWithinHull(p, hull) || pointToRing(p, hull) < 1e-6).toBe(true)
        },
      ),
      { seed: 7, numRuns: 300 },
    ))
  it('of two points holds nothing', () =>
    expect(
      isWithinHull(
        [0, 0],
        hullOf([
          [-1, 0],
          [1, 0],
        ]),
      ),
    ).toBe(false))
})
