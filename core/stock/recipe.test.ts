import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  ingredientsIn,
  ingredientsOf,
  mixOfRecipe,
  mixSchema,
  type Recipe,
  recipeSchema,
  startingStock,
  strengthOf,
  waterToAdd,
  withRecipes,
  yieldOf,
} from './index.ts'

const usual = startingStock().recipes[0]!
const recipe = (over: Partial<Recipe> = {}): Recipe => ({ ...usual, ...over })

it.each([
  [0.45, 37.9],
  [0.5, 33],
  [0.55, 29],
])('water on cement %d gives %d MPa', (wc, mpa) => expect(strengthOf(wc)).toBeCloseTo(mpa, 1))

describe('parts by volume, one litre a part', () => {
  it.each<[string, Partial<Recipe>, Record<string, number>, number, number, number]>([
    ['1:2:3', {}, { cement: 1.35, sand: 3.1, stone: 4.5 }, 0.675, 4.06, 2371],
    ['1:3', { sand: 3, stone: 0 }, { cement: 1.35, sand: 4.65 }, 0.675, 3.02, 2213],
    // Two litres of damp sand: 2.8 kg, 0.133 of it water.
    ['1:2:3 of damp sand', { damp: true }, { cement: 1.35, sand: 2.8, stone: 4.5 }, 0.542, 3.893, 2361],
  ])('%s at 0.5', (_, over, kg, water, litres, density) => {
    const own = recipe(over)
    const list = ingredientsOf(own)
    expect(Object.fromEntries(list.map((i) => [i.kind, i.kg]))).toEqual(
      Object.fromEntries(Object.entries(kg).map(([k, n]) => [k, expect.closeTo(n, 2)])),
    )
    expect(waterToAdd(own, 0.5)).toBeCloseTo(water, 3)
    expect(yieldOf(own, 0.5)).toBeCloseTo(litres, 1)
    const mix = mixOfRecipe(own)
    expect(mix.freshKgPerM3).toBeCloseTo(density, -1)
    // A bag of it is what goes with one of cement.
    expect((mix.bagKg * mix.cementPercent) / 100).toBeCloseTo(25, 9)
    expect(mix.f28.medium).toBeCloseTo(33, 9)
    expect(((mix.bagKg + mix.waterLitres.medium) / mix.yieldLitres) * 1000).toBeCloseTo(mix.freshKgPerM3, 6)
  })

  it('333 kg of cement are in a cubic metre of 1:2:3', () =>
    expect((1.35 / yieldOf(recipe(), 0.5)) * 1000).toBeCloseTo(333, 0))

  it('any recipe the schema takes is a mix the schema takes; its parts are all of it, with the water it wants', () =>
    fc.assert(
      fc.property(
        fc.record({
          cement: fc.double({ min: 0.2, max: 5, noNaN: true }),
          sand: fc.double({ min: 0, max: 12, noNaN: true }),
          stone: fc.oneof(fc.constant(0), fc.double({ min: 0.1, max: 12, noNaN: true })),
          damp: fc.boolean(),
          polymerPercent: fc.double({ min: 0, max: 20, noNaN: true }),
          cementBagKg: fc.constantFrom(25, 42.6),
          slow: fc.boolean(),
        }),
        (over) => {
          const read = recipeSchema.safeParse(recipe(over))
          if (!read.success) return
          const own = read.data
          const mix = mixOfRecipe(own)
          expect(mixSchema.safeParse(mix).error?.issues ?? []).toEqual([])
          const parts = ingredientsIn(own, mix.bagKg)
          expect(parts.reduce((a, i) => a + i.kg, 0)).toBeCloseTo(mix.bagKg, 6)
          const cement = parts.find((i) => i.kind === 'cement')!.kg
          const brought = parts.reduce((a, i) => a + i.waterKg, 0)
          for (const water of ['stiff', 'medium', 'limit'] as const)
            expect((mix.waterLitres[water] + brought) / cement).toBeCloseTo(own.waterCement[water], 6)
          expect(mix.hardenedKgPerM3).toBeLessThanOrEqual(mix.freshKgPerM3)
        },
      ),
    ))

  it.each<[string, Partial<Recipe>, string]>([
    ['without cement', { cement: 0 }, 'cement'],
    ['of cement alone', { sand: 0, stone: 0 }, 'sand'],
    ['whose damp sand brings all the water', { sand: 12, stone: 0, damp: true }, 'damp'],
    ['with waters that fall', { waterCement: { stiff: 0.5, medium: 0.4, limit: 0.6 } }, 'waterCement'],
    ['drowned', { waterCement: { stiff: 0.5, medium: 0.6, limit: 1.4 } }, 'waterCement'],
  ])('a recipe %s is refused at its field', (_, over, field) => {
    const read = recipeSchema.safeParse(recipe(over))
    expect(read.error?.issues[0]?.path[0]).toBe(field)
  })

  it('what has no price makes a mix without one; recipes stand among the mixes', () => {
    expect(mixOfRecipe(recipe({ prices: { ...usual.prices, sand: null } })).price).toBeNull()
    // 25 kg of cement at 0.34, 57.4 of sand at 0.09, 83.3 of stone at 0.08.
    expect(mixOfRecipe(recipe()).price).toBeCloseTo(8.5 + 57.41 * 0.09 + 83.33 * 0.08, 2)
    const stock = startingStock()
    expect(withRecipes(stock).mixes.map((m) => m.id)).toEqual(
      [...stock.mixes, ...stock.recipes].map((r) => r.id),
    )
    expect(withRecipes(stock)).toBe(withRecipes(stock))
    expect(withRecipes({ ...stock, recipes: [] }).mixes).toBe(stock.mixes)
  })
})
