import { unhandled } from '../unhandled.ts'
import type { Loop } from './outline.ts'
import type { LoftLoop, SolidRecipe } from './recipe.ts'

const ofLoop = (loop: Loop): string[] => loop.map((s) => s.name)
const ofLoft = (loop: LoftLoop): string[] => loop.flatMap((s) => [s.corner, ...s.profile.map((p) => p.name)])

/** The names of the faces that a body can give to what it is part of or cut from. An imported mesh has its one. */
export function facesIn(recipe: SolidRecipe): string[] {
  switch (recipe.kind) {
    case 'prism':
      return [...[recipe.outline, ...recipe.holes].flatMap(ofLoop), recipe.lowName, recipe.highName]
    case 'loft':
      return [...[recipe.outline, ...recipe.holes].flatMap(ofLoft), recipe.lowName, recipe.highName]
    case 'ring':
      return recipe.section.map((s) => s.name)
    case 'turned':
      return recipe.profile.map((p) => p.name)
    case 'stack':
      return [recipe.name, recipe.lowName, recipe.highName]
    case 'plate':
    case 'mesh':
    case 'under':
      return [recipe.name]
    case 'trimmed':
      return [...facesIn(recipe.solid), recipe.name]
    case 'grown':
    case 'tidied':
    case 'body':
    case 'flange':
    case 'outset':
      return [recipe.name]
    case 'difference':
      return [recipe.from, ...recipe.minus].flatMap(facesIn)
    case 'intersection':
    case 'union':
      return recipe.of.flatMap(facesIn)
    case 'moved':
      return facesIn(recipe.solid)
    default:
      return unhandled(recipe)
  }
}
