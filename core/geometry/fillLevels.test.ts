import { beforeAll, describe, expect, it } from 'vitest'
import { block, less, turnedBody, union } from '../testing/bodies.ts'
import { testKernel } from '../testing/testKernel.ts'
import { fillLevels, heightOfFill, type Kernel, meshSolid, type SolidRecipe } from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const levelsOf = (recipe: SolidRecipe): Float64Array => {
  const { positions, triangles } = kernel.withSolids((scope) => meshSolid(scope.solid(recipe)))
  return fillLevels(positions, triangles)
}

describe('how full it is at each height, against closed forms', () => {
  it.each<[string, () => SolidRecipe, (x: number) => number, number]>([
    ['a block', () => block(0, 0, 60, 40, 0, 20), (x) => x, 1e-5],
    [
      'a cone on its foot',
      () =>
        turnedBody([
          [0, 0],
          [50, 0],
          [0, 90],
        ]),
      (x) => 1 - (1 - x) ** 3,
      1e-4,
    ],
    [
      'a cone on its tip',
      () =>
        turnedBody([
          [0, 0],
          [50, 90],
          [0, 90],
        ]),
      (x) => x ** 3,
      1e-4,
    ],
    [
      'a ball',
      () =>
        turnedBody(
          Array.from(
            { length: 181 },
            (_, i) =>
              [
                Math.max(0.001, 50 * Math.sin((i * Math.PI) / 180)),
                50 - 50 * Math.cos((i * Math.PI) / 180),
              ] as [number, number],
          ),
        ),
      (x) => 3 * x * x - 2 * x ** 3,
      3e-4,
    ],
    [
      'a block with a hollow from above, 30 of 40 wide and half as deep',
      () => less(block(0, 0, 40, 40, 0, 20), block(5, 5, 30, 30, 10, 21)),
      (x) => (x <= 0.5 ? 1600 * x : 800 + 700 * (x - 0.5)) / 1150,
      1e-5,
    ],
    [
      'two steps',
      () => union(block(0, 0, 40, 40, 0, 10), block(0, 0, 10, 40, 0, 30)),
      (x) => (x <= 1 / 3 ? 48000 * x : 16000 + 12000 * (x - 1 / 3)) / 24000,
      2e-3,
    ],
  ])('%s', (_, recipe, want, near) => {
    const levels = levelsOf(recipe())
    levels.forEach((share, k) => {
      expect(Math.abs(share - want(k / 128))).toBeLessThan(near)
    })
    for (const x of [0, 0.1, 0.5, 0.77, 1])
      expect(Math.abs(want(heightOfFill(levels, want(x))) - want(x))).toBeLessThan(near + 1e-3)
  })
  it('nothing is full of nothing', () => {
    expect(Math.max(...fillLevels([], []))).toBe(0)
    expect(heightOfFill([0, 0.5, 1], 2)).toBe(1)
  })
})
