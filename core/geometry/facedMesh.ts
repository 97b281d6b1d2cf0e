import type { Solid, SolidScope } from './kernel.ts'
import { loftBands, loftCounts, loftHeights, loftPoints } from './loft.ts'
import type { Point } from './outline.ts'
import type { LoftLoop, SolidRecipe, Vector } from './recipe.ts'

/** A mesh in the making: flat lists of coordinates, of triangle corners, and the face each triangle belongs to. */
export type FacedMesh = {
  readonly vertices: number[]
  readonly triangles: number[]
  readonly faces: number[]
  readonly names: string[]
}

export const emptyMesh = (): FacedMesh => ({ vertices: [], triangles: [], faces: [], names: [] })

/** The index of a face name in a mesh, added when new. */
export function faceIndex(mesh: FacedMesh, name: string): number {
  const known = mesh.names.indexOf(name)
  return known >= 0 ? known : mesh.names.push(name) - 1
}

/** Hands a mesh to the library with its face ids, which it keeps through booleans. */
export function meshToSolid(scope: SolidScope, { vertices, triangles, faces, names }: FacedMesh): Solid {
  const { Mesh, Manifold } = scope.kernel
  const id = Manifold.reserveIDs(1)
  const mesh = new Mesh({
    numProp: 3,
    vertProperties: Float32Array.from(vertices),
    triVerts: Uint32Array.from(triangles),
    runIndex: Uint32Array.from([0, triangles.length]),
    runOriginalID: Uint32Array.from([id]),
    faceID: Uint32Array.from(faces),
  })
  return { body: scope.keep(new Manifold(mesh)), names: new Map([[id, names]]) }
}

type Loft = Extract<SolidRecipe, { kind: 'loft' }>

/** One loop's walls; gives the loops at its two ends as points and vertex indices. */
function addWalls(mesh: FacedMesh, loop: LoftLoop, low: number, high: number, coarser: number) {
  const heights = loftHeights(loop, low, high)
  const each = loftCounts(loop, coarser)
  const levels = heights.map((z) => loftPoints(loop, z, coarser, each))
  const n = levels[0]!.length
  const first = mesh.vertices.length / 3
  levels.forEach((points, j) => {
    const z = heights[j]!
    for (const p of points) mesh.vertices.push(p[0], p[1], z)
  })
  for (let j = 0; j + 1 < heights.length; j += 1) {
    let i = 0
    for (const { name, count } of loftBands(loop, (heights[j]! + heights[j + 1]!) / 2, each)) {
      if (count === 0) continue
      const face = faceIndex(mesh, name)
      for (const end = i + count; i < end; i += 1) {
        const a = first + j * n + i
        const b = i + 1 === n ? first + j * n : a + 1
        mesh.triangles.push(a, b, b + n, a, b + n, a + n)
        mesh.faces.push(face, face)
      }
    }
  }
  const last = first + (heights.length - 1) * n
  return { bottom: { points: levels[0]!, first }, top: { points: levels.at(-1)!, first: last } }
}

export type Cap = { readonly points: readonly Point[]; readonly first: number }
export type LoftWalls = {
  readonly mesh: FacedMesh
  readonly bottom: readonly Cap[]
  readonly top: readonly Cap[]
}

/** The walls of a loft without its two flat ends. */
export function loftWalls({ outline, holes, low, high }: Loft, coarser: number): LoftWalls {
  const mesh = emptyMesh()
  const ends = [outline, ...holes].map((loop) => addWalls(mesh, loop, low, high, coarser))
  return { mesh, bottom: ends.map((e) => e.bottom), top: ends.map((e) => e.top) }
}

/** Triangles over an end; facing down when `under`. */
export function closeCap(
  scope: SolidScope,
  mesh: FacedMesh,
  caps: readonly Cap[],
  name: string,
  under: boolean,
): void {
  const face = faceIndex(mesh, name)
  const index = caps.flatMap(({ points, first }) => points.map((_, i) => first + i))
  // Points that coincide (a rounded corner shrunk to nothing) are kept: each has its own wall.
  const flat = caps.map(({ points }) => points.map(([x, y]): [number, number] => [x, y]))
  for (const [a, b, c] of scope.kernel.triangulate(flat)) {
    if (under) mesh.triangles.push(index[a]!, index[c]!, index[b]!)
    else mesh.triangles.push(index[a]!, index[b]!, index[c]!)
    mesh.faces.push(face)
  }
}

type Ring = Extract<SolidRecipe, { kind: 'ring' }>

/** A section swept round a loop: a mitred loop for each of its points, joined in turn. */
export function ringMesh({ loop, section }: Ring, coarser: number): FacedMesh {
  const mesh = emptyMesh()
  const flat = (inset: number): LoftLoop =>
    loop.map((s) => ({ ...s, profile: [{ z: 0, inset, name: s.name }] }))
  const rings = section.map(({ inset, z }) =>
    loftPoints(flat(inset), 0, coarser).map(([x, y]): Vector => [x, y, z]),
  )
  const n = rings[0]!.length
  for (const ring of rings) for (const p of ring) mesh.vertices.push(...p)
  // Seen along the loop (its left is the section's +inset), an anticlockwise section faces outward.
  let area = 0
  section.forEach((p, j) => {
    const q = section[(j + 1) % section.length]!
    area += p.inset * q.z - q.inset * p.z
  })
  section.forEach(({ name }, j) => {
    const face = faceIndex(mesh, name)
    const [lo, hi] = [j * n, ((j + 1) % section.length) * n]
    for (let i = 0; i < n; i += 1) {
      const k = (i + 1) % n
      if (area > 0) mesh.triangles.push(lo + i, hi + k, lo + k, lo + i, hi + i, hi + k)
      else mesh.triangles.push(lo + i, lo + k, hi + k, lo + i, hi + k, hi + i)
      mesh.faces.push(face, face)
    }
  })
  return mesh
}

type Stack = Extract<SolidRecipe, { kind: 'stack' }>

/** The walls of a stack without its two flat ends. */
export function stackWalls({ levels, name }: Stack): LoftWalls {
  const mesh = emptyMesh()
  const face = faceIndex(mesh, name)
  const n = levels[0]!.points.length
  for (const { z, points } of levels) for (const [x, y] of points) mesh.vertices.push(x, y, z)
  for (let j = 0; j + 1 < levels.length; j += 1)
    for (let i = 0; i < n; i += 1) {
      const [a, b] = [j * n + i, j * n + ((i + 1) % n)]
      mesh.triangles.push(a, b, b + n, a, b + n, a + n)
      mesh.faces.push(face, face)
    }
  return {
    mesh,
    bottom: [{ points: levels[0]!.points, first: 0 }],
    top: [{ points: levels.at(-1)!.points, first: (levels.length - 1) * n }],
  }
}

/** A loft or stack as a solid: its walls, closed at both ends. */
export function buildWalled(scope: SolidScope, recipe: Loft | Stack): Solid {
  const { mesh, bottom, top } = recipe.kind === 'loft' ? loftWalls(recipe, scope.coarser) : stackWalls(recipe)
  closeCap(scope, mesh, bottom, recipe.lowName, true)
  closeCap(scope, mesh, top, recipe.highName, false)
  return meshToSolid(scope, mesh)
}
