import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe } from '../geometry/index.ts'
import type { MouldPart } from '../mould/index.ts'
import { block, less, union } from '../testing/bodies.ts'
import { testKernel } from '../testing/testKernel.ts'
import { fitsTwoWays, markOperations } from './fitsTwoWays.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const part = (recipe: SolidRecipe, role: MouldPart['role'] = 'knockout'): MouldPart =>
  ({ id: 'k', name: 'knockout', role, recipe }) as unknown as MouldPart
/** A knockout 200 by 100 and 60 high that narrows by so much a side upward. */
const narrowing = (by: number): SolidRecipe => {
  const ring = (inset: number) =>
    [
      [inset, inset],
      [200 - inset, inset],
      [200 - inset, 100 - inset],
      [inset, 100 - inset],
    ] as const
  return {
    kind: 'stack',
    levels: [
      { z: 0, points: ring(0) },
      { z: 60, points: ring(by) },
    ],
    name: 'side',
    lowName: 'low',
    highName: 'high',
  }
}
const plain = block(0, 0, 200, 100, 0, 60)

describe('a part that fits two ways', () => {
  it.each<[string, SolidRecipe, string | null]>([
    ['a plain block is the same whichever way', plain, null],
    ['one that narrows by 1 mm goes in upside down', narrowing(1), 'upside down'],
    ['one that narrows by 10 does not', narrowing(10), null],
    ['a cube is square: a quarter makes no odds', block(0, 0, 100, 100, 0, 100), null],
    ['one 1 mm off square goes in a quarter round', block(0, 0, 100, 101, 0, 50), 'a quarter round'],
    [
      'a step of 1 mm at one end goes in upside down',
      union(plain, block(0, 0, 199, 100, 60, 60.4), block(150, 0, 50, 100, 60, 61)),
      'upside down',
    ],
    ['a notch of 5 mm off the middle keys it', less(narrowing(1), block(30, -1, 20, 6, -1, 61)), null],
    ['one in the middle does not', less(narrowing(1), block(90, -1, 20, 6, -1, 61)), 'upside down'],
  ])('%s', (_, recipe, way) => {
    const found = fitsTwoWays(kernel, [part(recipe)], new Set(['k']))
    expect(found.map((f) => f.way)).toEqual(way === null ? [] : [way])
  })
  it('is asked only of what is rigid and put in loose', () => {
    const odd = narrowing(1)
    expect(fitsTwoWays(kernel, [part(odd)], new Set())).toEqual([])
    expect(fitsTwoWays(kernel, [part(odd, 'base')], new Set(['k']))).toEqual([])
  })
  it('is marked once it stands right', () => {
    const at = { built: ['cut/boards'], waxed: ['wax/faces'] }
    expect(markOperations([], at)).toEqual([])
    const [op] = markOperations(fitsTwoWays(kernel, [part(narrowing(1))], new Set(['k'])), at)
    expect([op!.per, op!.needs, op!.leads]).toEqual(['mould', ['cut/boards'], ['wax/faces']])
  })
})
