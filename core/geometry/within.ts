import type { Point } from './outline.ts'

/** Whether a point lies within a ring, by crossings of a ray to the right; on its line either may be told. */
export function isWithin([x, y]: Point, ring: readonly Point[]): boolean {
  let odd = false
  for (let i = 0; i < ring.length; i += 1) {
    const [ax, ay] = ring[i]!
    const [bx, by] = ring[i + 1 === ring.length ? 0 : i + 1]!
    if (ay > y !== by > y && x < ax + ((bx - ax) * (y - ay)) / (by - ay)) odd = !odd
  }
  return odd
}
