import { describe, expect, it } from 'vitest'
import { testKernel } from '../../testing/testKernel.ts'
import {
  meshSolid,
  rectangleLoop,
  type SolidRecipe,
  sampleThickness,
  type ThicknessSample,
} from '../index.ts'

const kernel = await testKernel()
const box = (x: number, y: number, l: number, w: number, low: number, high: number): SolidRecipe => ({
  kind: 'prism',
  outline: rectangleLoop([x, y], l, w, [0, 0, 0, 0], {
    sides: ['front', 'right', 'back', 'left'],
    corners: ['c', 'c', 'c', 'c'],
  }),
  holes: [],
  low,
  high,
  lowName: 'low',
  highName: 'high',
})
const turned = (points: readonly (readonly [number, number])[]): SolidRecipe => ({
  kind: 'turned',
  at: [0, 0],
  profile: points.map(([radius, z]) => ({ radius, z, name: 'wall' })),
})
const less = (from: SolidRecipe, ...minus: SolidRecipe[]): SolidRecipe => ({
  kind: 'difference',
  from,
  minus,
})
const round = (r: number, steps: number) =>
  Array.from({ length: steps + 1 }, (_, i) => {
    const a = (Math.PI * i) / steps
    return [Math.max(0, r * Math.sin(a)), r - r * Math.cos(a)] as const
  })
const samples = (recipe: SolidRecipe, spacing: number): ThicknessSample[] =>
  kernel.withSolids((s) => sampleThickness(meshSolid(s.solid(recipe)), { spacing }))
/** A slab 600 x 400 x 50 with a recess of 200 x 150, so deep. */
const recessed = (deep: number) => less(box(0, 0, 600, 400, 0, 50), box(200, 120, 200, 150, 50 - deep, 51))

describe('thickness by the largest ball', () => {
  it.each<[string, SolidRecipe, number, number, number]>([
    ['a square-edged slab of 40', box(0, 0, 600, 400, 0, 40), 20, 40, 40],
    ['a cube, between samples of its largest ball', box(0, 0, 100, 100, 0, 100), 2, 100, 100],
    ['a recess of 49 in a slab of 50', recessed(49), 15, 1, 50],
    ['a step of 20 on 60', less(box(0, 0, 300, 200, 0, 60), box(150, -1, 160, 202, 20, 61)), 12, 20, 60],
    ['a ball of 150', turned(round(75, 64)), 10, 150, 150],
    [
      'a tube with walls of 10',
      turned([
        [140, 0],
        [150, 0],
        [150, 400],
        [140, 400],
      ]),
      15,
      10,
      10,
    ],
    [
      'a drum',
      turned([
        [0, 0],
        [150, 0],
        [150, 620],
        [0, 620],
      ]),
      25,
      300,
      300,
    ],
  ])('%s', (_, recipe, spacing, least, most) => {
    const told = samples(recipe, spacing)
    expect(told.length).toBeGreaterThan(50)
    const all = told.map((s) => s.thickness)
    expect(Math.min(...all) / least).toBeGreaterThan(0.99)
    expect(Math.min(...all) / least).toBeLessThan(1.01)
    expect(Math.max(...all) / most).toBeLessThan(1.01)
  })

  it('grows along a wedge by twice the tangent of half its angle', () => {
    const wedge: SolidRecipe = {
      kind: 'trimmed',
      solid: box(0, 0, 400, 100, 0, 200),
      normal: [Math.sin(0.3), 0, -Math.cos(0.3)],
      offset: 0,
      name: 'slope',
    }
    for (const s of samples(wedge, 12).filter(
      (s) => s.counted && s.face === 'low' && s.at[0] > 20 && s.at[0] < 200 && Math.abs(s.at[1] - 50) < 15,
    )) {
      // The ball that touches the base at x: x tan(a/2) is its radius.
      expect(s.thickness / (2 * s.at[0] * Math.tan(0.15))).toBeCloseTo(1, 2)
    }
  })

  it('tells how far it is, always further, and stops when it is told to', () => {
    const told: number[] = []
    const way = { spacing: 12, onProgress: (share: number) => told.push(share) }
    const mesh = kernel.withSolids((s) => meshSolid(s.solid(box(0, 0, 400, 300, 0, 200))))
    const all = sampleThickness(mesh, way)
    expect(told.length).toBeGreaterThan(all.length / 64)
    expect(told[0]).toBe(0)
    for (const [i, share] of told.slice(1).entries()) expect(share).toBeGreaterThan(told[i]!)
    expect(told.at(-1)).toBeLessThan(1)
    expect(sampleThickness(mesh, { spacing: 12, shouldStop: () => true })).toEqual([])
  })

  it('says between which faces a wall is', () => {
    const thin = samples(recessed(49), 15).filter((s) => s.counted && s.thickness < 2)
    expect(thin.length).toBeGreaterThan(10)
    for (const s of thin) expect([s.face, s.across]).toContain('low')
  })
})
