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
