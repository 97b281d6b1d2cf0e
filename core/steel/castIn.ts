import type { SolidRecipe } from '../geometry/index.ts'
import type { PieceGeometry } from '../piece/index.ts'

/** All that is cast in besides steel: no wire or bar may run through it. */
export const castIn = ({
  inserts,
  voidFormer,
}: Pick<PieceGeometry, 'inserts' | 'voidFormer'>): SolidRecipe[] => [
  ...inserts.map((i) => i.recipe),
  ...(voidFormer ? [voidFormer.recipe] : []),
]
