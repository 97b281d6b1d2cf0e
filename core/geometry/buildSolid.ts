import type { Manifold, Mat4 } from 'manifold-3d'
import { extrudeTagged } from './extrudeTagged.ts'
import type { FaceNames, Solid, SolidScope } from './kernel.ts'
import type { Placement, SolidRecipe } from './recipe.ts'
import { cutRim } from './rimCutter.ts'

/** Builds a recipe; what is made on the way belongs to the scope. */
export function buildSolid(scope: SolidScope, recipe: SolidRecipe): Solid {
  switch (recipe.kind) {
    case 'prism':
      return extrudeTagged(scope, recipe)
    case 'rimCutter':
      return cutRim(scope, recipe)
    case 'revolve': {
      const section = scope.keep(
        new scope.kernel.CrossSection(
          recipe.profile.map(([r, z]): [number, number] => [r, z]),
          'EvenOdd',
        ),
      )
      const radius = Math.max(...recipe.profile.map(([r]) => r))
      const chords = 4 * Math.ceil(Math.PI / (2 * Math.acos(1 - 1 / 4000)) / 2)
      const turned = scope.keep(section.revolve(radius > 0 ? chords : 4))
      return named(scope, turned, recipe.name)
    }
    case 'difference': {
      const from = buildSolid(scope, recipe.from)
      if (recipe.minus.length === 0) return from
      return combine(scope, 'difference', [from, ...recipe.minus.map((r) => buildSolid(scope, r))])
    }
    case 'intersection':
    case 'union':
      return combine(
        scope,
        recipe.kind,
        recipe.of.map((r) => buildSolid(scope, r)),
      )
    case 'moved': {
      const solid = buildSolid(scope, recipe.solid)
      return { body: scope.keep(solid.body.transform(toMatrix(recipe.by))), names: solid.names }
    }
  }
}

/** Makes a body an original of its own, with one name for all its faces. */
export function named(scope: SolidScope, body: Manifold, name: FaceNames): Solid {
  const original = scope.keep(body.asOriginal())
  return { body: original, names: new Map([[original.originalID(), name]]) }
}

export function combine(
  scope: SolidScope,
  how: 'difference' | 'union' | 'intersection',
  solids: readonly Solid[],
): Solid {
  const names = new Map<number, FaceNames>()
  for (const solid of solids) for (const [id, name] of solid.names) names.set(id, name)
  const bodies = solids.map((s) => s.body)
  const { Manifold } = scope.kernel
  if (bodies.length === 1) return { body: bodies[0]!, names }
  return { body: scope.keep(Manifold[how](bodies)), names }
}

export const toMatrix = ({ x, y, z, origin }: Placement): Mat4 => [...x, 0, ...y, 0, ...z, 0, ...origin, 1]
