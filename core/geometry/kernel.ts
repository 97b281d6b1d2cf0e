import Module, { type CrossSection, type Manifold, type ManifoldToplevel } from 'manifold-3d'
import { buildSolid } from './buildSolid.ts'
import type { SolidRecipe } from './recipe.ts'
import { solidKey } from './recipeKey.ts'

/** Face names of one original mesh: one name for all its faces, or one by face id. */
export type FaceNames = string | readonly string[]

/** A native solid with the names of the faces it was made from, by original id. Lives only inside a scope. */
export type Solid = { readonly body: Manifold; readonly names: ReadonlyMap<number, FaceNames> }

/** A mesh read from a file, mm: coordinates and triangle corners. */
export type RawMesh = { readonly positions: Float32Array; readonly triangles: Uint32Array }

/** What native handles are made in: `keep` gives a handle to the scope, which releases it when it ends. */
export type SolidScope = {
  readonly kernel: ManifoldToplevel
  /** Multiplies the chords' sagitta; 1 but in tests. */
  readonly coarser: number
  keep<T extends Manifold | CrossSection>(handle: T): T
  /** The solid of a recipe, from the cache or built now. */
  solid(recipe: SolidRecipe): Solid
  /** The solid of a mesh the kernel holds. */
  mesh(id: string, name: string): Solid
}

export type Kernel = {
  /** Runs `work` with native solids and releases all it made, also when it throws. Nothing native may leave it. */
  withSolids<T>(work: (scope: SolidScope) => T): T
  /** Gives the kernel an imported mesh to build from; false when it does not close. */
  holdMesh(id: string, mesh: RawMesh): boolean
  hasMesh(id: string): boolean
  /** Solids held by the cache now, for tests. */
  cachedSolids(): number
}

/** How many solids the cache owns at most. */
export const CACHE_LIMIT = 64
/** How many imported meshes are held at most. */
const MESH_LIMIT = 12

/** Thrown when a recipe needs a mesh that the host has not given: the plan turns it into a finding. */
export class MeshMissing extends Error {}

/**
 * Loads the solids library once for a host. In Node it finds its own wasm; a browser passes where it is served from.
 * `coarser` multiplies the chords' sagitta, so that tests over many solids are quick.
 */
export async function openKernel(
  options: { readonly wasm?: string; readonly coarser?: number } = {},
): Promise<Kernel> {
  const { wasm, coarser = 1 } = options
  const kernel = await (wasm ? Module({ locateFile: () => wasm }) : Module())
  kernel.setup()
  const cache = new Map<string, Solid>()
  const meshes = new Map<string, Manifold>()

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
    hasMesh: (id) => meshes.has(id),
    holdMesh(id, { positions, triangles }) {
      if (meshes.has(id)) return true
      try {
        const mesh = new kernel.Mesh({ numProp: 3, vertProperties: positions, triVerts: triangles })
        mesh.merge()
        meshes.set(id, new kernel.Manifold(mesh))
      } catch {
        return false
      }
      for (const [old, body] of meshes) {
        if (meshes.size <= MESH_LIMIT) break
        meshes.delete(old)
        body.delete()
      }
      return true
    },
    withSolids(work) {
      const kept: (Manifold | CrossSection)[] = []
      const scope: SolidScope = {
        kernel,
        coarser,
        keep: (handle) => {
          kept.push(handle)
          return handle
        },
        solid: (recipe) => {
          const key = solidKey(recipe)
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
        mesh: (id, name) => {
          const body = meshes.get(id)
          if (!body) throw new MeshMissing(`the mesh ${id} is not here`)
          const original = body.asOriginal()
          kept.push(original)
          return { body: original, names: new Map([[original.originalID(), name]]) }
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
