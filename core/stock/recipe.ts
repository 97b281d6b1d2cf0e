import type { Mix, Recipe, Stock } from './schema.ts'

/** Bulk densities, kg/L as it lies in a vessel; damp sand lies looser and holds a twentieth of its dry mass as water. */
const BULK = { cement: 1.35, sand: 1.55, stone: 1.5, dampSand: 1.4 } as const
const DAMP_SHARE = 0.05
/** Densities of the grains themselves, kg/L. */
const SOLID = { cement: 3.1, sand: 2.65, stone: 2.65 } as const
/** Polymer comes as a dispersion: half of it is water; kg/L [own]. */
const POLYMER = { solids: 0.5, density: 1.03, solidDensity: 1.05 } as const
/** Air that stays in, by volume: of concrete with stone, and of mortar. */
const AIR = { concrete: 0.02, mortar: 0.05 } as const
/** Cement binds so much water, of its mass; of what it does not, half is gone when it is dry [own]. */
const BOUND = 0.25
const DRIES = 0.5

/** What a recipe is made of, parts by volume. */
type Parts = {
  readonly cement: number
  readonly sand: number
  readonly stone: number
  readonly damp: boolean
  readonly polymerPercent: number
}

export type IngredientKind = 'cement' | 'sand' | 'stone' | 'polymer'
/** So much of one thing: by volume as it lies in a vessel, and by mass as it lies on a scale. */
export type Ingredient = {
  readonly kind: IngredientKind
  readonly litres: number
  readonly kg: number
  /** Of it, kg: the water that damp sand or a dispersion brings. */
  readonly waterKg: number
}

/**
 * What one litre a part is made of. 1:2:3 is 1.35 kg of cement, 3.10 of dry sand and 4.50 of stone; of damp sand two
 * litres are 2.80 kg, 0.133 of it water.
 */
export function ingredientsOf({ cement, sand, stone, damp, polymerPercent }: Parts): Ingredient[] {
  const cementKg = cement * BULK.cement
  const sandKg = sand * (damp ? BULK.dampSand : BULK.sand)
  const polymerKg = ((polymerPercent / 100) * cementKg) / POLYMER.solids
  const all: Ingredient[] = [
    { kind: 'stone', litres: stone, kg: stone * BULK.stone, waterKg: 0 },
    {
      kind: 'sand',
      litres: sand,
      kg: sandKg,
      waterKg: damp ? sandKg - sandKg / (1 + DAMP_SHARE) : 0,
    },
    {
      kind: 'polymer',
      litres: polymerKg / POLYMER.density,
      kg: polymerKg,
      waterKg: polymerKg * (1 - POLYMER.solids),
    },
    { kind: 'cement', litres: cement, kg: cementKg, waterKg: 0 },
  ]
  return all.filter((i) => i.kg > 0)
}

/** Mean strength at 28 days, MPa, for so much water on so much cement by mass: 33 at 0.5. Source: Bolomey's line, 22 (c/w - 0.5). */
export const strengthOf = (waterCement: number): number => Math.max(0, 22 * (1 / waterCement - 0.5))

/**
 * Litres that one litre a part yields. 1:2:3 at 0.5 yields 4.06, 1:3 of mortar 3.02: the grains, the water and the air.
 */
export function yieldOf(recipe: Recipe, waterCement: number): number {
  const list = ingredientsOf(recipe)
  const solids = list.reduce((sum, i) => {
    const dry = i.kg - i.waterKg
    return sum + dry / (i.kind === 'polymer' ? POLYMER.solidDensity : SOLID[i.kind])
  }, 0)
  const cementKg = recipe.cement * BULK.cement
  return (solids + waterCement * cementKg) / (1 - airOf(recipe))
}

const airOf = ({ airPercent, stone }: Recipe): number =>
  airPercent === null ? (stone > 0 ? AIR.concrete : AIR.mortar) : airPercent / 100

/** Water to add to one litre a part, litres: what damp sand and polymer bring is taken off. Below 0 they bring too much. */
export const waterToAdd = (recipe: Parts, waterCement: number): number =>
  waterCement * recipe.cement * BULK.cement - ingredientsOf(recipe).reduce((sum, i) => sum + i.waterKg, 0)

/** Ingredients of a mix of which so much goes in, kg of all of them as they are weighed. */
export function ingredientsIn(recipe: Recipe, kg: number): Ingredient[] {
  const list = ingredientsOf(recipe)
  const share = kg / list.reduce((sum, i) => sum + i.kg, 0)
  return list.map((i) => ({ ...i, litres: i.litres * share, kg: i.kg * share, waterKg: i.waterKg * share }))
}

/** Least thickness against the largest stone, plain and with mesh; what is thinner than sand lets be, mm [own]. */
const THIN = { stones: 4, plain: 25, mesh: 30, sand: 4 } as const

/** A recipe as a mix of the stock: its bag is what goes with one bag of cement. */
export function mixOfRecipe(recipe: Recipe): Mix {
  const { id, name, stone, waterCement, largestStone, prices, source } = recipe
  const list = ingredientsOf(recipe)
  const share = recipe.cementBagKg / (recipe.cement * BULK.cement)
  const kg = list.reduce((sum, i) => sum + i.kg, 0)
  const perWater = (of: (wc: number) => number) => ({
    stiff: of(waterCement.stiff),
    medium: of(waterCement.medium),
    limit: of(waterCement.limit),
  })
  const litres = yieldOf(recipe, waterCement.medium)
  const water = waterToAdd(recipe, waterCement.medium)
  const cementKg = recipe.cement * BULK.cement
  const loose = Math.max(0, waterCement.medium - BOUND) * cementKg
  const largest = stone > 0 ? Math.max(largestStone, THIN.sand) : THIN.sand
  const cost = list.reduce<number | null>((sum, i) => {
    const price = prices[i.kind]
    return sum === null || price === null ? null : sum + i.kg * price
  }, 0)
  return {
    id,
    name,
    family: stone > 0 ? 'structural' : 'mortar',
    bagKg: kg * share,
    yieldLitres: litres * share,
    waterLitres: perWater((wc) => Math.max(0.001, waterToAdd(recipe, wc) * share)),
    f28: perWater((wc) => Math.max(0.1, strengthOf(wc))),
    strength: { kind: 'law', s: recipe.slow ? 0.38 : 0.25 },
    freshKgPerM3: ((kg + water) / litres) * 1000,
    hardenedKgPerM3: ((kg + water - loose * DRIES) / litres) * 1000,
    cementPercent: (cementKg / kg) * 100,
    initialSet: 240,
    finalSet: 360,
    largestStone: largest,
    leastThickness: {
      plain: Math.max(THIN.plain, THIN.stones * largest),
      mesh: Math.max(THIN.mesh, THIN.stones * largest),
    },
    price: cost === null ? null : cost * share,
    source,
  }
}

const known = new WeakMap<Stock, Stock>()

/** The stock with its recipes among its mixes: what is planned from may be either. */
export function withRecipes(stock: Stock): Stock {
  if (stock.recipes.length === 0) return stock
  const had = known.get(stock)
  if (had) return had
  const all = { ...stock, mixes: [...stock.mixes, ...stock.recipes.map(mixOfRecipe)] }
  known.set(stock, all)
  return all
}
