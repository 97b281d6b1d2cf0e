import type { Manifold } from 'manifold-3d'
import type { SolidScope } from './kernel.ts'
import type { Point } from './outline.ts'
import { sectionOf } from './region.ts'
import type { Region } from './sectionSolid.ts'

/** A plan that stands upright between two heights. */
export type Band = { readonly from: number; readonly to: number; readonly plan: Region }

/** Points lie on a grid this fine, and a point this near a side lies on it, mm. */
const GRID = 1e-4
const ON = 2.5 * GRID

/**
 * Bands that stand on one another, as one body: walls round every plan, and at each height between two bands the part of
 * the one that the other does not cover. Each side is broken where the plans above and below it cross, so that all
 * triangles meet edge to edge; a stack that does not close that way is joined by the library, which takes much longer.
 */
export function stackBands(scope: SolidScope, bands: readonly Band[]): Manifold {
  const snapped = bands.map(({ from, to, plan }) => ({ from, to, plan: snap(plan) }))
  return meshBands(scope, snapped) ?? joinBands(scope, snapped)
}

/** The same by the library: each band a body of its own. */
export function joinBands(scope: SolidScope, bands: readonly Band[]): Manifold {
  const bodies = bands.map(({ from, to, plan }) =>
    scope.keep(scope.keep(sectionOf(scope, plan).extrude(to - from)).translate(0, 0, from)),
  )
  return scope.keep(scope.kernel.Manifold.union(bodies))
}

function snap(plan: Region): Region {
  const on = (v: number) => Math.round(v / GRID) * GRID
  return plan
    .map((ring) =>
      ring
        .map(([x, y]): Point => [on(x), on(y)])
        .filter(([x, y], i, all) => {
          const [px, py] = all[(i + all.length - 1) % all.length]!
          return x !== px || y !== py
        }),
    )
    .filter((ring) => ring.length > 2)
}

/** The stack's own mesh, or null where it does not close or its volume is not that of its bands. */
function meshBands(scope: SolidScope, bands: readonly Band[]): Manifold | null {
  const mesh = meshOfPoints()
  // Between the last band and nothing, and before the first, lies its whole plan.
  const joints = [...bands, null].map((above, i) =>
    jointOf(scope, bands[i - 1] ?? null, above, above?.from ?? bands[i - 1]!.to),
  )
  joints.forEach(({ z, up, down }) => {
    for (const [flat, faces] of [
      [up, 1],
      [down, -1],
    ] as const) {
      const points = flat.flat()
      const at = points.map(([x, y]) => mesh.point(x, y, z))
      for (const [a, b, c] of triangles(scope, flat))
        if (faces === 1) mesh.triangle(at[a]!, at[b]!, at[c]!)
        else mesh.triangle(at[a]!, at[c]!, at[b]!)
    }
  })
  bands.forEach((band, i) => {
    for (const ring of band.plan)
      ring.forEach((p, k) => {
        const q = ring[(k + 1) % ring.length]!
        const low = joints[i]!.broken(p, q).map(([x, y]) => mesh.point(x, y, band.from))
        const high = joints[i + 1]!.broken(p, q).map(([x, y]) => mesh.point(x, y, band.to))
        wall(low, high, mesh.triangle)
      })
  })
  const { Manifold, Mesh } = scope.kernel
  try {
    const body = scope.keep(
      new Manifold(
        new Mesh({
          numProp: 3,
          vertProperties: new Float32Array(mesh.vertices),
          triVerts: new Uint32Array(mesh.triangles),
        }),
      ),
    )
    const volume = bands.reduce(
      (sum, { from, to, plan }) => sum + (to - from) * sectionOf(scope, plan).area(),
      0,
    )
    return Math.abs(body.volume() - volume) < VOLUME * volume ? body : null
  } catch {
    return null
  }
}

/** Share of its volume by which a mesh may differ from its bands: single precision and the grid. */
const VOLUME = 1e-5

type Joint = {
  readonly z: number
  /** What of the band below looks up here, what of the one above looks down. */
  readonly up: Region
  readonly down: Region
  /** A side of either plan from p to q with every point on it. */
  broken(p: Point, q: Point): Point[]
}

function jointOf(scope: SolidScope, below: Band | null, above: Band | null, z: number): Joint {
  const [a, b] = [below?.plan ?? [], above?.plan ?? []]
  const less = (one: Region, other: Region): Region => {
    if (one.length === 0 || other.length === 0) return one
    const left = scope.keep(sectionOf(scope, one).subtract(sectionOf(scope, other)))
    return snap(left.toPolygons())
  }
  const [up, down] = [less(a, b), less(b, a)]
  const seen = new Set<string>()
  const points = [a, b, up, down].flat(2).filter(([x, y]) => {
    const key = `${Math.round(x / GRID)} ${Math.round(y / GRID)}`
    return seen.size < seen.add(key).size
  })
  points.sort((p, q) => p[0] - q[0])
  const broken = (p: Point, q: Point): Point[] => [p, ...pointsOn(points, p, q), q]
  const breakAll = (plan: Region): Region =>
    plan.map((ring) => ring.flatMap((p, i) => broken(p, ring[(i + 1) % ring.length]!).slice(0, -1)))
  return { z, up: breakAll(up), down: breakAll(down), broken }
}

/** Those of some points, sorted by x, that lie on the side between p and q, in order from p. */
function pointsOn(sorted: readonly Point[], p: Point, q: Point): Point[] {
  const [least, most] = [Math.min(p[0], q[0]) - ON, Math.max(p[0], q[0]) + ON]
  let [low, high] = [0, sorted.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (sorted[middle]![0] < least) low = middle + 1
    else high = middle
  }
  const [dx, dy] = [q[0] - p[0], q[1] - p[1]]
  const length = Math.hypot(dx, dy)
  const found: { t: number; at: Point }[] = []
  for (let i = low; i < sorted.length && sorted[i]![0] <= most; i += 1) {
    const at = sorted[i]!
    const [ex, ey] = [at[0] - p[0], at[1] - p[1]]
    const t = (ex * dx + ey * dy) / length
    if (t > ON && t < length - ON && Math.abs(ex * dy - ey * dx) / length < ON) found.push({ t, at })
  }
  return found.sort((a, b) => a.t - b.t).map(({ at }) => at)
}

/** Triangles over a region, as places in the list of all its points. */
const triangles = (scope: SolidScope, region: Region): readonly (readonly [number, number, number])[] =>
  region.length === 0
    ? []
    : scope.kernel.triangulate(
        region.map((ring) => ring.map(([x, y]) => [x, y] as [number, number])),
        GRID,
      )

/** A wall between two chains of points from the same side, its outside to the right of the way. */
function wall(
  low: readonly number[],
  high: readonly number[],
  triangle: (a: number, b: number, c: number) => void,
): void {
  let [i, k] = [0, 0]
  while (i < low.length - 1 || k < high.length - 1) {
    const onLow = k === high.length - 1 || (i < low.length - 1 && i / low.length <= k / high.length)
    if (onLow) triangle(low[i]!, low[i + 1]!, high[k]!)
    else triangle(low[i]!, high[k + 1]!, high[k]!)
    if (onLow) i += 1
    else k += 1
  }
}

/** A mesh that makes points at the same place one. */
function meshOfPoints() {
  const vertices: number[] = []
  const list: number[] = []
  const known = new Map<string, number>()
  return {
    vertices,
    triangles: list,
    point(x: number, y: number, z: number): number {
      const key = `${Math.round(x / GRID)} ${Math.round(y / GRID)} ${z}`
      const at = known.get(key)
      if (at !== undefined) return at
      known.set(key, vertices.length / 3)
      vertices.push(x, y, z)
      return vertices.length / 3 - 1
    },
    triangle(a: number, b: number, c: number): void {
      if (a !== b && b !== c && c !== a) list.push(a, b, c)
    },
  }
}
