import type { Point } from '../../geometry/index.ts'

/** Points evenly along a closed ring, no further apart than `spacing`. */
export function walkRing(ring: readonly Point[], spacing: number): Point[] {
  const sides = ring.map((p, i) => {
    const q = ring[(i + 1) % ring.length]!
    return { p, q, length: Math.hypot(q[0] - p[0], q[1] - p[1]) }
  })
  const around = sides.reduce((sum, s) => sum + s.length, 0)
  const count = Math.max(2, Math.ceil(around / spacing))
  const points: Point[] = []
  let [next, gone] = [around / count / 2, 0]
  for (const { p, q, length } of sides) {
    while (next <= gone + length + 1e-9 && points.length < count) {
      const t = length > 0 ? (next - gone) / length : 0
      points.push([p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t])
      next += around / count
    }
    gone += length
  }
  return points
}
