import type { Point } from './outline.ts'

/** A ring cut by a half plane (what its normal points to is kept), after Sutherland and Hodgman. */
export function clipRing(ring: readonly Point[], normal: Point, offset: number): Point[] {
  const side = (p: Point) => p[0] * normal[0] + p[1] * normal[1] - offset
  return ring.flatMap((a, i): Point[] => {
    const b = ring[(i + 1) % ring.length]!
    const [sa, sb] = [side(a), side(b)]
    const out: Point[] = sa >= 0 ? [a] : []
    if (sa >= 0 !== sb >= 0) {
      const t = sa / (sa - sb)
      out.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t])
    }
    return out
  })
}
