import Module, { type CrossSection, type Manifold, type ManifoldToplevel } from 'manifold-3d'
import { buildSolid } from './buildSolid.ts'
import type { SolidRecipe } from './recipe.ts'
import { recipeKey } from './recipeKey.ts'

/** Face names of one original mesh: one name for all its faces, or one by face id. */
export type FaceNames = string | readonly string[]

/** A native solid with the names of the faces it was made from, by original id. Lives only inside a scope. */
export type Solid = { readonly body: Manifold; readonly names: ReadonlyMap<number, FaceNames> }

/** What native handles are made in: `keep` gives a handle to the scope, which releases it when it ends. */
export type SolidScope = {
  readonly kernel: ManifoldToplevel
  keep<T extends Manifold | CrossSection>(handle: T): T
  /** The solid of a recipe, from the cache or built now. */
  solid(recipe: SolidRecipe): Solid
}

export type Kernel = {
  /** Runs `work` with native solids and releases all it made, also when it throws. Nothing native may leave it. */
  withSolids<T>(work: (scope: SolidScope) => T): T
  /** Solids held by the cache now, for tests. */
  cachedSolids(): number
}

/** How many solids the cache owns at most. */
export const CACHE_LIMIT = 64

/**
 * Loads the solids library once for a host. In Node it finds its own wasm; a browser passes where it is served from.
 */
export async function openKernel(options: { readonly wasm?: string } = {}): Promise<Kernel> {
  const { wasm } = options
  const kernel = await (wasm ? Module({ locateFile: () => wasm }) : Module())
  kernel.setup()
  const cache = new Map<string, Solid>()

  function trimCache(): void {
    for (const [key, solid] of cache) {
      if (cache.size <= CACHE_LIMIT) return
      cache.delete(key)
      solid.body.delete()
    }
  }

  let depth = 0
  return {
    cachedSolids: () => cache.size,
    withSolids(work) {
      const kept: (Manifold | CrossSection)[] = []
      const scope: SolidScope = {
        kernel,
        keep: (handle) => {
          kept.push(handle)
          return handle
        },
        solid: (recipe) => {
          const key = recipeKey(recipe)
          const held = cache.get(key)
          if (held) {
            cache.delete(key)
            cache.set(key, held)
            return held
          }
          const built = buildSolid(scope, recipe)
          const owned: Solid = { body: built.body.translate(0, 0, 0), names: built.names }
          cache.set(key, owned)
          return owned
        },
      }
      depth += 1
      try {
        return work(scope)
      } finally {
        depth -= 1
        for (const handle of kept) handle.delete()
        if (depth === 0) trimCache()
      }
    },
  }
}
