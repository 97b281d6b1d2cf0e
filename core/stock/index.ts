export * from './catalogue.ts'
export * from './compareStock.ts'
export {
  type Ingredient,
  type IngredientKind,
  ingredientsIn,
  ingredientsOf,
  mixOfRecipe,
  strengthOf,
  waterToAdd,
  withRecipes,
  yieldOf,
} from './recipe.ts'
export * from './schema.ts'
export * from './sheets.ts'
