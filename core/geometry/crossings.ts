import type { Point } from './outline.ts'

/** Where two edges of a closed ring cross or touch: the edges' indices and the point. */
export type Crossing = { readonly first: number; readonly second: number; readonly at: Point }

/**
 * The first place where a closed ring crosses itself, or null. Edges are swept by their lower x; neighbours that only
 * share a corner do not count. Rings of n edges cost about n log n when they are well spread.
 */
export function findCrossing(given: readonly Point[]): Crossing | null {
  // Rounded corners shrunk to a point, and sides shrunk to nothing, leave points that coincide.
  const ring = given.filter((p, i) => {
    const q = given[(i + given.length - 1) % given.length]!
    return Math.hypot(p[0] - q[0], p[1] - q[1]) > 1e-9
  })
  const n = ring.length
  const edges = ring.map((a, i) => {
    const b = ring[(i + 1) % n]!
    return { i, a, b, low: Math.min(a[0], b[0]), high: Math.max(a[0], b[0]) }
  })
  edges.sort((p, q) => p.low - q.low || p.i - q.i)
  let active: typeof edges = []
  for (const edge of edges) {
    active = active.filter((o) => o.high >= edge.low - 1e-9)
    for (const other of active) {
      const apart = Math.abs(edge.i - other.i)
      if (apart === 0) continue
      const at = meet(edge.a, edge.b, other.a, other.b, apart === 1 || apart === n - 1)
      if (at) return { first: Math.min(edge.i, other.i), second: Math.max(edge.i, other.i), at }
    }
    active.push(edge)
  }
  return null
}

const cross = (o: Point, a: Point, b: Point): number =>
  (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])

/** The point two edges share, or null. Neighbours share a corner by right; for them only folding back counts. */
function meet(a: Point, b: Point, c: Point, d: Point, neighbours: boolean): Point | null {
  if (neighbours) return foldsBack(a, b, c, d)
  const [d1, d2, d3, d4] = [cross(c, d, a), cross(c, d, b), cross(a, b, c), cross(a, b, d)]
  if (((d1 > 0 && d2 < 0) || (d1 < 0 && d2 > 0)) && ((d3 > 0 && d4 < 0) || (d3 < 0 && d4 > 0))) {
    const t = d1 / (d1 - d2)
    return [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
  }
  const on = (p: Point, q: Point, r: Point, area: number) =>
    Math.abs(area) <= 1e-9 * Math.max(1, Math.hypot(q[0] - p[0], q[1] - p[1])) &&
    Math.min(p[0], q[0]) - 1e-9 <= r[0] &&
    r[0] <= Math.max(p[0], q[0]) + 1e-9 &&
    Math.min(p[1], q[1]) - 1e-9 <= r[1] &&
    r[1] <= Math.max(p[1], q[1]) + 1e-9
  if (on(c, d, a, d1)) return a
  if (on(c, d, b, d2)) return b
  if (on(a, b, c, d3)) return c
  if (on(a, b, d, d4)) return d
  return null
}

/** Two neighbouring edges that run back over each other. */
function foldsBack(a: Point, b: Point, c: Point, d: Point): Point | null {
  const [shared, p, q] =
    Math.hypot(b[0] - c[0], b[1] - c[1]) < 1e-12
      ? [b, a, d]
      : [a, b, Math.hypot(a[0] - d[0], a[1] - d[1]) < 1e-12 ? c : d]
  const [u, v] = [
    [p[0] - shared[0], p[1] - shared[1]],
    [q[0] - shared[0], q[1] - shared[1]],
  ] as const
  const [lu, lv] = [Math.hypot(u[0], u[1]), Math.hypot(v[0], v[1])]
  if (lu < 1e-9 || lv < 1e-9) return null
  const sine = (u[0] * v[1] - u[1] * v[0]) / (lu * lv)
  const cosine = (u[0] * v[0] + u[1] * v[1]) / (lu * lv)
  return cosine > 0 && Math.abs(sine) < 1e-7 ? shared : null
}
