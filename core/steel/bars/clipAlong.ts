import type { Point, Region } from '../../geometry/index.ts'

/** The stretch of a line within a region that holds, or is nearest to, its point: how far before and behind it, mm; null where the region is missed by more than `near`. */
export function clipAlong(
  region: Region,
  [x, y]: Point,
  [dx, dy]: Point,
  near = 1,
): { readonly from: number; readonly to: number } | null {
  const crossings = region
    .flatMap((ring) =>
      ring.flatMap((p, i): number[] => {
        const q = ring[(i + 1) % ring.length]!
        const side = (o: Point) => (o[0] - x) * -dy + (o[1] - y) * dx
        const [a, b] = [side(p), side(q)]
        if (a > 0 === b > 0) return []
        const t = a / (a - b)
        return [(p[0] + (q[0] - p[0]) * t - x) * dx + (p[1] + (q[1] - p[1]) * t - y) * dy]
      }),
    )
    .sort((a, b) => a - b)
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const [from, to] = [crossings[i]!, crossings[i + 1]!]
    if (from <= near && to >= -near) return { from, to }
  }
  return null
}
