import type { Point } from '../../core/geometry/index.ts'

/** Least size that a hand finds, px. */
const LEAST = 32

/** The ground that what is small on the screen is pressed by; nothing where it is large enough by itself. */
export function SmallTarget({
  rings,
  toScreen,
}: {
  rings: readonly (readonly Point[])[]
  toScreen: (p: Point) => Point
}) {
  const points = rings.flat().map(toScreen)
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const [w, h] = [Math.max(LEAST, x1 - x0), Math.max(LEAST, y1 - y0)]
  if (!(x1 - x0 < LEAST || y1 - y0 < LEAST)) return null
  return <rect x={(x0 + x1 - w) / 2} y={(y0 + y1 - h) / 2} width={w} height={h} fill="transparent" />
}
