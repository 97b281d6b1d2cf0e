import { type Bulk, meshBulk } from './bulk.ts'
import { type Cap, emptyMesh, type FacedMesh, loftWalls, ringMesh, stackWalls } from './facedMesh.ts'
import type { SolidRecipe, Vector } from './recipe.ts'
import { turnedMesh } from './turnedMesh.ts'

/** The side of a plane its normal points to: where normal . p is at least the offset. */
export type HalfSpace = { readonly normal: Vector; readonly offset: number }

/**
 * The bulk of what lies of a single body within half-spaces, without the solid library: its closed surface is cut
 * off at each plane, and seen from a point that lies on them all the cut itself spans nothing. Null for a body that only
 * the library can make, and for planes that do not meet in one point.
 */
export function measureWithin(recipe: SolidRecipe, within: readonly HalfSpace[]): Bulk | null {
  if (recipe.kind === 'trimmed') return measureWithin(recipe.solid, [...within, recipe])
  const surface = closedSurface(recipe)
  const planes = tightest(within)
  const apex = pointOn(planes)
  return surface && apex ? meshBulk(planes.reduce(cutSurface, surface), apex) : null
}

/** A body's surface as triangles that may overlap with opposite signs: its flat ends are fans about a corner. */
function closedSurface(recipe: SolidRecipe): FacedMesh | null {
  switch (recipe.kind) {
    case 'loft':
    case 'stack': {
      const { mesh, bottom, top } = recipe.kind === 'loft' ? loftWalls(recipe, 1) : stackWalls(recipe)
      for (const cap of bottom) fan(mesh, cap, true)
      for (const cap of top) fan(mesh, cap, false)
      return mesh
    }
    case 'turned':
      return turnedMesh(recipe, 1)
    case 'ring':
      return ringMesh(recipe, 1)
    // No surface that is known without the solid.
    default:
      return null
  }
}

function fan({ triangles }: FacedMesh, { points, first }: Cap, under: boolean): void {
  for (let i = 1; i + 1 < points.length; i += 1)
    if (under) triangles.push(first, first + i + 1, first + i)
    else triangles.push(first, first + i, first + i + 1)
}

/** The triangles of a surface cut off at a plane. */
function cutSurface({ vertices, triangles }: FacedMesh, { normal, offset }: HalfSpace): FacedMesh {
  const out = emptyMesh()
  const place = (v: number): Vector => [vertices[v * 3]!, vertices[v * 3 + 1]!, vertices[v * 3 + 2]!]
  const height = ([x, y, z]: Vector): number => normal[0] * x + normal[1] * y + normal[2] * z - offset
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = [place(triangles[t]!), place(triangles[t + 1]!), place(triangles[t + 2]!)]
    const first = out.vertices.length / 3
    corners.forEach((p, i) => {
      const q = corners[(i + 1) % 3]!
      const [hp, hq] = [height(p), height(q)]
      if (hp >= 0) out.vertices.push(...p)
      if (hp < 0 === hq < 0) return
      const k = hp / (hp - hq)
      out.vertices.push(p[0] + (q[0] - p[0]) * k, p[1] + (q[1] - p[1]) * k, p[2] + (q[2] - p[2]) * k)
    })
    for (let i = first + 1; i + 1 < out.vertices.length / 3; i += 1) out.triangles.push(first, i, i + 1)
  }
  return out
}

const PARALLEL = 1e-9

/** Unit half-spaces; of two that face the same way only the nearer one cuts. */
function tightest(within: readonly HalfSpace[]): HalfSpace[] {
  const kept: HalfSpace[] = []
  for (const { normal: n, offset } of within) {
    const length = Math.sqrt(dot(n, n))
    const unit: HalfSpace = {
      normal: [n[0] / length, n[1] / length, n[2] / length],
      offset: offset / length,
    }
    const same = kept.findIndex((k) => dot(k.normal, unit.normal) > 1 - PARALLEL)
    if (same < 0) kept.push(unit)
    else if (kept[same]!.offset < unit.offset) kept[same] = unit
  }
  return kept
}

/** A point on up to two planes. */
function pointOn([a, b, more]: readonly HalfSpace[]): Vector | null {
  if (!a) return [0, 0, 0]
  if (more) return null
  if (!b) return [a.normal[0] * a.offset, a.normal[1] * a.offset, a.normal[2] * a.offset]
  const c = dot(a.normal, b.normal)
  const det = 1 - c * c
  if (det < PARALLEL) return null
  const [s, t] = [(a.offset - c * b.offset) / det, (b.offset - c * a.offset) / det]
  return [0, 1, 2].map((k) => s * a.normal[k]! + t * b.normal[k]!) as unknown as Vector
}

const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
