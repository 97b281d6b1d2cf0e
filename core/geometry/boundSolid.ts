import type { Box } from './boundRecipe.ts'
import type { Kernel } from './kernel.ts'
import type { SolidRecipe } from './recipe.ts'

/** The box of a solid itself, mm: what is cut away does not count, as it may in `boundRecipe`. */
export const boundSolid = (kernel: Kernel, recipe: SolidRecipe): Box =>
  kernel.withSolids((scope) => {
    const { min, max } = scope.solid(recipe).body.boundingBox()
    return { min: [min[0], min[1], min[2]], max: [max[0], max[1], max[2]] }
  })
