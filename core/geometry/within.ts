import type { Point } from './outline.ts'

/** Whether a ray to the right from a point crosses an edge. */
const crosses = ([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): boolean =>
  ay > y !== by > y && x < ax + ((bx - ax) * (y - ay)) / (by - ay)

/** Whether a point lies within a ring, by crossings of a ray to the right; on its line either may be told. */
export function isWithin(point: Point, ring: readonly Point[]): boolean {
  let odd = false
  for (let i = 0; i < ring.length; i += 1)
    if (crosses(point, ring[i]!, ring[i + 1 === ring.length ? 0 : i + 1]!)) odd = !odd
  return odd
}

/** How far a point is from an edge, mm. */
export function pointToEdge([x, y]: Point, [[ax, ay], [bx, by]]: readonly [Point, Point]): number {
  const [dx, dy] = [bx - ax, by - ay]
  const length2 = dx * dx + dy * dy
  const along = length2 === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / length2))
  return Math.hypot(x - ax - along * dx, y - ay - along * dy)
}

/** How far a point is from the nearest edge of a ring, mm. */
export const pointToRing = (point: Point, ring: readonly Point[]): number =>
  ring.reduce(
    (least, a, i) => Math.min(least, pointToEdge(point, [a, ring[(i + 1) % ring.length]!])),
    Infinity,
  )

/** Edges of a ring, from and to. */
export type Edges = readonly (readonly [Point, Point])[]

/** The edges of a ring that a ray to the right from any of some points may cross: the others need not be looked at. */
export function edgesBeside(points: readonly Point[], ring: readonly Point[]): Edges {
  let [left, low, high] = [Infinity, Infinity, -Infinity]
  for (const [x, y] of points) {
    left = Math.min(left, x)
    low = Math.min(low, y)
    high = Math.max(high, y)
  }
  return ring.flatMap((a, i): (readonly [Point, Point])[] => {
    const b = ring[(i + 1) % ring.length]!
    const clear = Math.max(a[1], b[1]) < low || Math.min(a[1], b[1]) > high || Math.max(a[0], b[0]) < left
    return clear ? [] : [[a, b]]
  })
}

/** Whether a point lies within the ring that some edges are of, as `isWithin`. */
export const isWithinEdges = (point: Point, edges: Edges): boolean =>
  edges.reduce((odd, [a, b]) => (crosses(point, a, b) ? !odd : odd), false)
