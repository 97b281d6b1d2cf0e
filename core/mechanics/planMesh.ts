import Delaunator from 'delaunator'
import type { PlateMesh } from './plate.ts'

type Point = readonly [x: number, y: number]
type Ring = readonly Point[]

/** A ring turns by more than this at a corner, and by no more than this along one chord of a curve, rad. */
const [CORNER, CHORD] = [Math.PI / 9, Math.PI / 8]
/** Points keep so far from a boundary, in spacings of it: then its chords are edges of triangles. */
const CLEAR = 0.6
/** Times that chords which a point comes too near are halved: beyond that two boundaries all but touch. */
const HALVED = 5

/**
 * Triangles over a plan with holes, about `size` mm, finer where concrete is narrow: points along the boundaries, where
 * one is near another closer together, and a lattice between them, joined by Delaunay's rule. Nodes are numbered along
 * the longer way. Rings are as even-odd: outlines and holes.
 */
export function planMesh(rings: readonly Ring[], size: number): PlateMesh {
  let chains = rings.map((ring) => alongRing(ring, size))
  for (let round = 0; round < HALVED; round += 1) {
    const points = chains.flat()
    let split = false
    chains = chains.map((chain) =>
      chain.flatMap((a, i): Point[] => {
        const b = chain[(i + 1) % chain.length]!
        const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
        const reach = (Math.hypot(b[0] - a[0], b[1] - a[1]) / 2) * 1.05
        if (!points.some((p) => p !== a && p !== b && Math.hypot(p[0] - middle[0], p[1] - middle[1]) < reach))
          return [a]
        split = true
        return [a, middle]
      }),
    )
    if (!split) break
  }
  const boundary = chains.flat()
  const edges = chains.flatMap((chain) => chain.map((a, i) => [a, chain[(i + 1) % chain.length]!] as const))
  const [xs, ys] = [boundary.map((p) => p[0]), boundary.map((p) => p[1])]
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const inner: Point[] = []
  const rows = Math.max(1, Math.ceil((y1 - y0) / (size * ROW)))
  const columns = Math.max(1, Math.ceil((x1 - x0) / size))
  for (let j = 0; j <= rows; j += 1)
    for (let i = 0; i <= columns; i += 1) {
      const at: Point = [x0 + ((i + (j % 2) / 2) * (x1 - x0)) / columns, y0 + (j * (y1 - y0)) / rows]
      if (
        isInside(at, edges) &&
        edges.every(([a, b]) => toEdge(at, a, b) > CLEAR * Math.min(size, 2 * length(a, b)))
      )
        inner.push(at)
    }
  const wide = x1 - x0 >= y1 - y0
  const nodes = [...boundary, ...inner].sort((a, b) =>
    wide ? a[0] - b[0] || a[1] - b[1] : a[1] - b[1] || a[0] - b[0],
  )
  const { triangles: found } = Delaunator.from(nodes.map(([x, y]) => [x, y]))
  const triangles: [number, number, number][] = []
  for (let t = 0; t < found.length; t += 3) {
    const [a, b, c] = [found[t]!, found[t + 1]!, found[t + 2]!]
    const [p, q, r] = [nodes[a]!, nodes[b]!, nodes[c]!]
    const twice = (q[0] - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (q[1] - p[1])
    // Slivers along a straight boundary have no area to bend.
    const longest = Math.max(length(p, q), length(q, r), length(r, p))
    if (Math.abs(twice) < SLIVER * longest ** 2) continue
    const middle: Point = [(p[0] + q[0] + r[0]) / 3, (p[1] + q[1] + r[1]) / 3]
    if (isInside(middle, edges)) triangles.push(twice > 0 ? [a, b, c] : [a, c, b])
  }
  return onlyUsed(nodes, triangles)
}
/** Rows of a lattice of equal triangles, by their side; and what of a triangle's longest side squared is none. */
const [ROW, SLIVER] = [Math.sqrt(3) / 2, 1e-4]

/** Points along a ring: its corners, and between them as even as `size` and its curves ask. */
function alongRing(ring: Ring, size: number): Point[] {
  const n = ring.length
  const turns = ring.map((p, i) => {
    const [a, b] = [ring[(i + n - 1) % n]!, ring[(i + 1) % n]!]
    const [ux, uy, vx, vy] = [p[0] - a[0], p[1] - a[1], b[0] - p[0], b[1] - p[1]]
    return Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy))
  })
  const corners = ring.map((_, i) => i).filter((i) => turns[i]! > CORNER)
  const starts = corners.length > 0 ? corners : [0]
  return starts.flatMap((start, k) => {
    const end = k + 1 < starts.length ? starts[k + 1]! : starts[0]! + n
    const run = Array.from({ length: end - start + 1 }, (_, i) => ring[(start + i) % n]!)
    const bend = Array.from({ length: end - start - 1 }, (_, i) => turns[(start + 1 + i) % n]!).reduce(
      (s, t) => s + t,
      0,
    )
    const total = run.slice(1).reduce((sum, p, i) => sum + length(run[i]!, p), 0)
    const count = Math.max(1, Math.ceil(total / size - 1e-9), Math.ceil(bend / CHORD - 1e-9))
    return Array.from({ length: count }, (_, i) => alongRun(run, (total * i) / count))
  })
}

function alongRun(run: Ring, far: number): Point {
  let left = far
  for (let i = 1; i < run.length; i += 1) {
    const step = length(run[i - 1]!, run[i]!)
    if (left <= step) {
      const t = step === 0 ? 0 : left / step
      return [
        run[i - 1]![0] + (run[i]![0] - run[i - 1]![0]) * t,
        run[i - 1]![1] + (run[i]![1] - run[i - 1]![1]) * t,
      ]
    }
    left -= step
  }
  return run.at(-1)!
}

const length = (a: Point, b: Point): number => Math.hypot(b[0] - a[0], b[1] - a[1])

function toEdge([x, y]: Point, a: Point, b: Point): number {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  const t = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy || 1)))
  return Math.hypot(x - a[0] - t * dx, y - a[1] - t * dy)
}

function isInside([x, y]: Point, edges: readonly (readonly [Point, Point])[]): boolean {
  let odd = false
  for (const [a, b] of edges)
    if (a[1] > y !== b[1] > y && x < a[0] + ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1])) odd = !odd
  return odd
}

/** Without nodes that no triangle has. */
function onlyUsed(nodes: readonly Point[], triangles: readonly [number, number, number][]): PlateMesh {
  const used = new Set(triangles.flat())
  const place = new Map<number, number>()
  const kept = nodes.filter((_, i) => {
    if (!used.has(i)) return false
    place.set(i, place.size)
    return true
  })
  return {
    nodes: kept,
    triangles: triangles.map((t) => t.map((i) => place.get(i)!) as [number, number, number]),
  }
}
