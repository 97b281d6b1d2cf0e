import {
  type Kernel,
  meshSolid,
  outlineFromAbove,
  type Point,
  queryMesh,
  type Region,
  surfaceOver,
  type Under,
} from '../../geometry/index.ts'
import type { CastBody } from '../castBody.ts'

export type PartingSurface = {
  readonly surface: Under
  /** The body as it is seen from above: the surface meets its edge all round. */
  readonly outline: Region
  /** Lowest and highest at that edge. */
  readonly from: number
  readonly to: number
}

/** Squares of the surface along the body's longer side. */
const SQUARES = 96
/** At its edge a body is looked at so far within the outline, mm: there it has a height. */
const WITHIN = 0.5
/** In the body's middle the surface keeps so far off its faces, mm; at its edge a share of that, for what slopes on beyond it. */
const [OFF, EDGE] = [2, 0.25]
/** So many squares in from the edge it is the middle. */
const INWARD = 4

/**
 * A surface that parts a body where it is widest all round: at each place it lies within the body's own height there, as
 * near a level as it can; beyond the outline, and over holes through it, it goes on level from the nearest edge. Null of
 * a body that is seen as nothing.
 */
export function partingSurface(
  kernel: Kernel,
  { recipe, length, width, height }: CastBody,
  level: number,
  low: number,
): PartingSurface | null {
  const outline = outlineFromAbove(kernel, recipe)
  const queries = queryMesh(kernel.withSolids((s) => meshSolid(s.solid(recipe))))
  /** As near the level as the body is there, `inward` being 1 in its middle and 0 at its edge; null where there is none of it. */
  const nearest = ([x, y]: Point, inward: number): number | null => {
    const up = queries.reach([x, y, -1], [0, 0, 1])
    const down = queries.reach([x, y, height + 1], [0, 0, -1])
    if (up === null || down === null) return null
    const [foot, top] = [up - 1, height + 1 - down]
    // Off the faces themselves, but at the edge: there it is the seam.
    const off = Math.min(OFF, (top - foot) * 0.45) * Math.max(EDGE, inward)
    return Math.min(Math.max(level, foot + off), top - off)
  }
  const size = Math.max(length, width)
  const cell = size / SQUARES
  const edge = outline
    .flatMap((ring) => alongEdge(ring, cell))
    .flatMap(({ at, within }) => {
      const z = nearest(within, 0)
      return z === null ? [] : [{ at, z }]
    })
  if (edge.length === 0) return null
  const nearestTo = nearestAmong(edge)
  let row = { y: Number.NaN, inside: (_: number) => false }
  const surface = surfaceOver(
    [
      [-cell, -cell],
      [length + cell, width + cell],
    ],
    SQUARES + 2,
    (p) => {
      const near = nearestTo(p)
      if (row.y !== p[1]) row = { y: p[1], inside: insideAlong(outline, p[1]) }
      return (row.inside(p[0]) ? nearest(p, Math.min(1, near.away / (INWARD * cell))) : null) ?? near.z
    },
  )
  const heights = edge.map((e) => e.z)
  return {
    surface: { kind: 'under', ...surface, reach: 4 * Math.hypot(length, width), low, name: 'parting' },
    outline,
    from: heights.reduce((a, b) => Math.min(a, b)),
    to: heights.reduce((a, b) => Math.max(a, b)),
  }
}

/** Places along a ring, no further apart than `step`, each with one a little within the body: on its left. */
function alongEdge(ring: readonly Point[], step: number): { at: Point; within: Point }[] {
  return ring.flatMap(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!
    const [dx, dy] = [bx - ax, by - ay]
    const long = Math.hypot(dx, dy)
    if (long < 1e-9) return []
    const count = Math.max(1, Math.ceil(long / step))
    return Array.from({ length: count }, (_, k) => {
      const t = (k + 0.5) / count
      const at: Point = [ax + dx * t, ay + dy * t]
      return { at, within: [at[0] - (dy / long) * WITHIN, at[1] + (dx / long) * WITHIN] as Point }
    })
  })
}

/** Of the places of an edge the nearest to a point: its height, and how far that is. */
function nearestAmong(
  edge: readonly { readonly at: Point; readonly z: number }[],
): (p: Point) => { readonly z: number; readonly away: number } {
  const [xs, ys] = [0, 1].map((k) => Float64Array.from(edge, (e) => e.at[k]!)) as [Float64Array, Float64Array]
  return ([x, y]) => {
    let [best, least] = [0, Number.POSITIVE_INFINITY]
    for (let i = 0; i < xs.length; i += 1) {
      const [dx, dy] = [xs[i]! - x, ys[i]! - y]
      const away = dx * dx + dy * dy
      if (away < least) [best, least] = [i, away]
    }
    return { z: edge[best]!.z, away: Math.sqrt(least) }
  }
}

/** Whether a point of one row lies in a region, inside an outer ring and in no hole: by how many edges lie to its right. */
export function insideAlong(region: Region, y: number): (x: number) => boolean {
  const crossings: number[] = []
  for (const ring of region)
    for (let i = 0; i < ring.length; i += 1) {
      const [ax, ay] = ring[i]!
      const [bx, by] = ring[(i + 1) % ring.length]!
      if (ay > y !== by > y) crossings.push(ax + ((y - ay) / (by - ay)) * (bx - ax))
    }
  return (x) => {
    let inside = false
    for (const at of crossings) if (at > x) inside = !inside
    return inside
  }
}
