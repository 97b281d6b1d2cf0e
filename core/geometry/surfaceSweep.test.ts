import { describe, expect, it } from 'vitest'
import { testKernel } from '../testing/testKernel.ts'
import { measureRegion, rectangleLoop, type SolidRecipe, sectionSolid } from './index.ts'
import { growthAlong, sectionAreas, surfaceTops } from './surfaceSweep.ts'

const kernel = await testKernel()
const box = (x: number, y: number, l: number, w: number, low: number, high: number): SolidRecipe => ({
  kind: 'prism',
  outline: rectangleLoop([x, y], l, w, [0, 0, 0, 0], {
    sides: ['a', 'b', 'c', 'd'],
    corners: ['e', 'e', 'e', 'e'],
  }),
  holes: [],
  low,
  high,
  lowName: 'low',
  highName: 'high',
})
const turned = (
  points: readonly (readonly [number, number])[],
  at: readonly [number, number] = [0, 0],
): SolidRecipe => ({
  kind: 'turned',
  at,
  profile: points.map(([radius, z]) => ({ radius, z, name: 'wall' })),
})
const union = (...of: SolidRecipe[]): SolidRecipe => ({ kind: 'union', of })
const less = (from: SolidRecipe, ...minus: SolidRecipe[]): SolidRecipe => ({
  kind: 'difference',
  from,
  minus,
})
const ball = (r: number, at: readonly [number, number], z: number) =>
  turned(
    Array.from(
      { length: 25 },
      (_, i) =>
        [Math.max(0, r * Math.sin((Math.PI * i) / 24)), z - r * Math.cos((Math.PI * i) / 24)] as const,
    ),
    at,
  )
const tube = turned([
  [20, 0],
  [30, 0],
  [30, 40],
  [20, 40],
])

describe('a solid swept from top to bottom', () => {
  it.each<[string, SolidRecipe, number, number]>([
    ['a box', box(0, 0, 100, 50, 0, 40), 1, 40],
    ['a ball', ball(30, [5, 7], 30), 1, 60],
    [
      'two posts on a plate',
      union(box(0, 0, 100, 50, 0, 10), box(10, 10, 10, 10, 10, 40), box(70, 10, 10, 10, 10, 30)),
      2,
      40,
    ],
    [
      'posts that stand a hair over the plate',
      union(box(0, 0, 100, 50, 0, 10), box(10, 10, 10, 10, 10, 10.3)),
      1,
      10.3,
    ],
    ['a tube, its top a ring', tube, 1, 40],
    ['a box with a recess in it', less(box(0, 0, 100, 50, 0, 40), box(20, 10, 30, 20, 25, 50)), 1, 40],
    ['a void inside is no top', less(box(0, 0, 100, 50, 0, 40), box(20, 10, 30, 20, 10, 20)), 1, 40],
    ['a hole in a side is none either', less(box(0, 0, 100, 50, 0, 40), box(-5, 10, 30, 20, 10, 20)), 1, 40],
    [
      'a groove right across parts a top in two',
      less(box(0, 0, 100, 50, 0, 40), box(40, -5, 10, 60, 20, 50)),
      2,
      40,
    ],
    ['two solids', union(box(0, 0, 10, 10, 0, 5), ball(8, [50, 50], 8)), 2, 16],
  ])('tops: %s', (_, recipe, count, highest) => {
    kernel.withSolids((scope) => {
      const solid = scope.solid(recipe)
      const tops = surfaceTops(solid, 0.5)
      expect(tops.length).toBe(count)
      expect(tops[0]![2]).toBeCloseTo(highest, 3)
      // Each stands on the solid, not over a hole of it.
      for (const [x, y, z] of tops) {
        const under: SolidRecipe = {
          kind: 'intersection',
          of: [recipe, box(x - 0.05, y - 0.05, 0.1, 0.1, z - 0.1, z + 1)],
        }
        expect(scope.solid(under).body.volume()).toBeGreaterThan(1e-6)
      }
    })
  })
  it.each<[string, SolidRecipe]>([
    ['a box', box(3, 4, 100, 50, 0, 40)],
    ['a ball', ball(30, [5, 7], 30)],
    ['a tube', tube],
    [
      'posts and a hollow',
      less(union(box(0, 0, 100, 50, 0, 10), box(10, 10, 20, 20, 5, 40)), box(15, 15, 5, 5, -5, 60)),
    ],
  ])('areas of levels as their sections have them: %s', (_, recipe) => {
    kernel.withSolids((scope) => {
      const solid = scope.solid(recipe)
      const heights = [-1, 0.5, 3.3, 9.99, 12, 25, 39.5, 61]
      const areas = sectionAreas(solid, [0, 0, 1], heights)
      heights.forEach((z, i) => {
        const section = sectionSolid(scope, solid, { origin: [0, 0, z], u: [1, 0, 0], v: [0, 1, 0] })
        expect(areas[i]).toBeCloseTo(measureRegion(section), 2)
      })
      // Square to any way: the solid turned so that the way is up.
      const [c, s] = [Math.cos(0.7), Math.sin(0.7)]
      const aside = sectionAreas(solid, [c, s, 0], [1, 10, 20])
      for (const [i, offset] of [1, 10, 20].entries()) {
        const section = sectionSolid(scope, solid, {
          origin: [c * offset, s * offset, 0],
          u: [-s, c, 0],
          v: [0, 0, 1],
        })
        expect(aside[i]).toBeCloseTo(measureRegion(section), 2)
      }
    })
  })

  const lip = turned([
    [0, 0],
    [30, 0],
    [30, 20],
    [32, 20],
    [32, 20.3],
    [30, 20.3],
    [30, 40],
    [0, 40],
  ])
  const cone = turned([
    [0, 0],
    [30, 0],
    [10, 40],
    [0, 40],
  ])
  const ring = (r: number, q: number) => Math.PI * (r * r - q * q)
  it.each<[string, SolidRecipe, 1 | -1, number]>([
    ['a cone upward', cone, 1, 0],
    ['a cone downward, from its top', cone, -1, ring(30, 10)],
    ['a lip thinner than any band', lip, 1, ring(32, 30)],
    ['the same from the other side', lip, -1, ring(32, 30)],
    ['straight sides', box(0, 0, 50, 50, 0, 40), 1, 0],
    ['a blind hole from above', less(box(0, 0, 50, 50, 0, 40), box(10, 10, 20, 20, 25, 60)), -1, 400],
  ])('widening along a way out: %s', (_, recipe, up, area) => {
    kernel.withSolids((scope) => {
      const [from, to] = up === 1 ? [0.01, 39.99] : [-39.99, -0.01]
      const { back, around } = growthAlong(scope.solid(recipe), [0, 0, up], from, to, 24)
      expect(back.reduce((a, b) => a + b, 0)).toBeGreaterThan(area * 0.99 - 0.01)
      expect(back.reduce((a, b) => a + b, 0)).toBeLessThan(area * 1.01 + 0.01)
      expect(Math.min(...around)).toBeGreaterThan(50)
    })
  })
})
