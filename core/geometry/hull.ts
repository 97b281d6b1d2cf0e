import type { Point } from './outline.ts'

/** The convex hull of points by Andrew's monotone chain, anticlockwise. */
export function hullOf(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const half = (list: readonly Point[]) => {
    const chain: Point[] = []
    for (const p of list) {
      while (chain.length > 1) {
        const [a, b] = [chain.at(-2)!, chain.at(-1)!]
        if ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 1e-9) break
        chain.pop()
      }
      chain.push(p)
    }
    return chain.slice(0, -1)
  }
  return [...half(sorted), ...half(sorted.reverse())]
}

/** Whether a point lies in a convex hull that runs anticlockwise: of the fan from its first corner the wedge it is in, by halving. */
export function isWithinHull([x, y]: Point, hull: readonly Point[]): boolean {
  if (hull.length < 3) return false
  const [x0, y0] = hull[0]!
  const left = ([bx, by]: Point) => (bx - x0) * (y - y0) - (by - y0) * (x - x0) >= 0
  let [low, high] = [1, hull.length - 1]
  if (!left(hull[low]!) || left(hull[high]!)) return false
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (left(hull[middle]!)) low = middle
    else high = middle
  }
  const [[ax, ay], [bx, by]] = [hull[low]!, hull[high]!]
  return (bx - ax) * (y - ay) - (by - ay) * (x - ax) >= 0
}
