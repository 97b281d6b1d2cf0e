import type { Manifold, Mat4 } from 'manifold-3d'
import { bodiesOf } from './bodies.ts'
import { extrudeTagged } from './extrudeTagged.ts'
import { buildWalled, meshToSolid, ringMesh } from './facedMesh.ts'
import { growLoft } from './growLoft.ts'
import { flangeSolid, growSolid, growTurned, outsetSolid } from './growSolid.ts'
import type { FaceNames, Solid, SolidScope } from './kernel.ts'
import type { Placement, SolidRecipe } from './recipe.ts'
import { turnedMesh } from './turnedMesh.ts'
import { underSurface } from './underSurface.ts'

/** Builds a recipe; what is made on the way belongs to the scope. */
export function buildSolid(scope: SolidScope, recipe: SolidRecipe): Solid {
  switch (recipe.kind) {
    case 'prism':
      return extrudeTagged(scope, recipe)
    case 'loft':
    case 'stack':
      return buildWalled(scope, recipe)
    case 'ring':
      return meshToSolid(scope, ringMesh(recipe, scope.coarser))
    case 'turned':
      return meshToSolid(scope, turnedMesh(recipe, scope.coarser))
    case 'plate': {
      const rings = recipe.region.map((ring) => ring.map(([x, y]): [number, number] => [x, y]))
      const section = scope.keep(new scope.kernel.CrossSection(rings, 'Positive'))
      const upright = scope.keep(section.extrude(recipe.high - recipe.low))
      return named(scope, scope.keep(upright.translate(0, 0, recipe.low)), recipe.name)
    }
    case 'under':
      return underSurface(scope, recipe)
    case 'mesh':
      return scope.mesh(recipe.id, recipe.name)
    case 'trimmed': {
      const { body, names } = scope.solid(recipe.solid)
      const cut = scope.keep(body.trimByPlane([...recipe.normal], recipe.offset))
      return { body: cut, names: new Map([...names, [-1, recipe.name]]) }
    }
    case 'tidied': {
      const whole = scope.keep(part(scope, recipe.solid).body.asOriginal())
      const plain = scope.keep(whole.simplify(recipe.within))
      // Taking out slivers has filled hollows before now: what changes the volume is not kept.
      const strays = Math.abs(plain.volume() - whole.volume()) > TIDY * whole.volume()
      return named(scope, strays ? whole : plain, recipe.name)
    }
    case 'body': {
      const whole = scope.solid(recipe.solid)
      const one = bodiesOf(scope, whole)[recipe.at]
      if (!one) throw new Error(`no body ${recipe.at}`)
      return { body: one, names: whole.names }
    }
    case 'grown':
      return named(scope, grow(scope, recipe.solid, recipe.by), recipe.name)
    case 'flange':
      return named(scope, flangeSolid(scope, scope.solid(recipe.solid), recipe), recipe.name)
    case 'outset':
      return named(scope, outsetSolid(scope, scope.solid(recipe.solid).body, recipe), recipe.name)
    case 'difference': {
      const from = part(scope, recipe.from)
      if (recipe.minus.length === 0) return from
      return combine(scope, 'difference', [from, ...recipe.minus.map((r) => part(scope, r))])
    }
    case 'intersection':
    case 'union':
      return combine(
        scope,
        recipe.kind,
        recipe.of.map((r) => part(scope, r)),
      )
    case 'moved': {
      const solid = MADE.has(recipe.solid.kind) ? scope.solid(recipe.solid) : buildSolid(scope, recipe.solid)
      return { body: scope.keep(solid.body.transform(toMatrix(recipe.by))), names: solid.names }
    }
  }
}

/** Share of its volume that tidying may change. */
const TIDY = 1e-3

/** A turned body or a plain loft keeps an even coat however it lies; any other is coated band by band as it lies. */
function grow(scope: SolidScope, recipe: SolidRecipe, by: number): Manifold {
  const inner = recipe.kind === 'moved' ? recipe.solid : recipe
  const even =
    inner.kind === 'turned'
      ? growTurned(scope, inner, by)
      : inner.kind === 'loft'
        ? growLoft(scope, inner, by)
        : inner.kind === 'union'
          ? growUnion(scope, inner.of, by)
          : null
  if (even) return recipe.kind === 'moved' ? scope.keep(even.transform(toMatrix(recipe.by))) : even
  return growSolid(scope, scope.solid(recipe).body, by)
}

/** The coat of a union is the union of the coats; null where one of them has none of its own. */
function growUnion(scope: SolidScope, of: readonly SolidRecipe[], by: number): Manifold | null {
  const coats: Manifold[] = []
  for (const recipe of of) {
    const own = recipe.kind === 'loft' ? growLoft(scope, recipe, by) : null
    if (!own) return null
    coats.push(own)
  }
  return scope.keep(scope.kernel.Manifold.union(coats))
}

/** A solid within another: what is dear and shared by many parts comes from the cache. */
const part = (scope: SolidScope, recipe: SolidRecipe): Solid =>
  SHARED.has(recipe.kind) ? scope.solid(recipe) : buildSolid(scope, recipe)

const SHARED: ReadonlySet<SolidRecipe['kind']> = new Set(['grown', 'moved', 'outset'])
/** What was cut or joined is made once for all the places it stands in. */
const MADE: ReadonlySet<SolidRecipe['kind']> = new Set([...SHARED, 'difference', 'intersection', 'union'])

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
