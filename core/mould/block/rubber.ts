import type { Rubber } from '../../stock/index.ts'

/** A pattern above this size, mm, has a wall of a tenth of it; below, the rubber's least. */
const SMALL = 120

/** Wall round a pattern of this largest size, mm: at least the rubber's, 10 percent of the size above 120. */
export const rubberWall = (rubber: Rubber, size: number): number =>
  Math.max(rubber.leastWall, size > SMALL ? size * 0.1 : 0)

/** Undercut that hard and soft rubber take, as a share of their wall, by Shore A. */
const HARD = { shore: 60, share: 0.2 }
const SOFT = { shore: 10, share: 1 }

/** Undercut that a rubber takes, as a share of its thickness there: 0.2 from Shore A 60 up, 1 at 10 and below; evenly between [own]. */
export function undercutShare(shore: number): number {
  const soft = Math.min(1, Math.max(0, (HARD.shore - shore) / (HARD.shore - SOFT.shore)))
  return HARD.share + soft * (SOFT.share - HARD.share)
}

export type RubberAmounts = {
  readonly litres: number
  readonly kg: number
  /** Parts A and B by weight, kg, and by volume, litres. */
  readonly a: { readonly kg: number; readonly litres: number }
  readonly b: { readonly kg: number; readonly litres: number }
  readonly potMinutes: number
  readonly cost: number | null
}

/** What is told of two parts to weigh out, beside the row. */
export const potsOf = (rubber: Rubber, need: RubberAmounts) => ({
  row: rubber.name,
  aKg: need.a.kg,
  aLitres: need.a.litres,
  bKg: need.b.kg,
  bLitres: need.b.litres,
  potMinutes: rubber.potMinutes,
  casts: rubber.casts,
})

/** Pot life halves for each 10 degC above 20. */
export const potLife = (rubber: Rubber, degC: number): number => rubber.potMinutes * 2 ** ((20 - degC) / 10)

/**
 * What to weigh or measure for a gap of `volume` mm3, with what stays in the pot and on the stick or brush. A ratio by weight becomes one by volume through
 * the parts' densities: volume ratio = weight ratio x rhoB/rhoA.
 */
export function rubberAmounts(
  rubber: Rubber,
  volume: number,
  wastePercent: number,
  degC = 20,
): RubberAmounts {
  const { a: rhoA, b: rhoB } = rubber.partsKgPerM3
  const poured = volume * (1 + wastePercent / 100)
  const kg = poured * rubber.densityKgPerM3 * 1e-9
  const { by, a, b } = rubber.ratio
  const weightOfA = by === 'weight' ? a : a * rhoA
  const weightOfB = by === 'weight' ? b : b * rhoB
  const [kgA, kgB] = [(kg * weightOfA) / (weightOfA + weightOfB), (kg * weightOfB) / (weightOfA + weightOfB)]
  return {
    litres: poured / 1e6,
    kg,
    a: { kg: kgA, litres: (kgA / rhoA) * 1000 },
    b: { kg: kgB, litres: (kgB / rhoB) * 1000 },
    potMinutes: potLife(rubber, degC),
    cost: rubber.pricePerKg === null ? null : kg * rubber.pricePerKg,
  }
}
