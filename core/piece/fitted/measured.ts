import type { PathCorner, Point } from '../../geometry/index.ts'
import type { Measured } from '../../job/index.ts'

const line = { kind: 'line' } as const

/** What was measured as a path, anticlockwise; null where the lengths cannot close. */
export function measuredPath(measured: Measured): PathCorner[] | null {
  switch (measured.kind) {
    case 'round': {
      const r = measured.diameter / 2
      const run = { kind: 'arc', rise: r * (1 - Math.SQRT1_2) } as const
      return [
        [2 * r, r],
        [r, 2 * r],
        [0, r],
        [r, 0],
      ].map(([x, y]) => ({ x: x!, y: y!, radius: 0, side: 'round', run }))
    }
    case 'polygon':
      return measured.corners
    case 'rectangle': {
      const corners = quadrilateral(measured)
      if (!corners) return null
      return corners.map(([x, y], i) => ({
        x,
        y,
        radius: 0,
        side: (['front', 'right', 'back', 'left'] as const)[i]!,
        run: line,
      }))
    }
  }
}

/**
 * Four sides and the diagonal from front left to back right give an opening's corners, square or not: two triangles on
 * the diagonal. Without a diagonal the front left corner is taken as square.
 */
export function quadrilateral({
  front,
  right,
  back,
  left,
  diagonal,
}: Extract<Measured, { kind: 'rectangle' }>): [Point, Point, Point, Point] | null {
  const a: Point = [0, 0]
  const b: Point = [front, 0]
  if (diagonal === null) {
    const d: Point = [0, left]
    const c = meetAbove(d, b, back, right)
    return c && [a, b, c, d]
  }
  const c = apex(front, diagonal, right)
  if (!c) return null
  const d = meetAbove(a, c, left, back)
  return d && [a, b, c, d]
}

/** The third corner of a triangle on (0,0)-(base,0) with the other sides from its ends; above the base. */
function apex(base: number, fromStart: number, fromEnd: number): Point | null {
  const x = (base * base + fromStart * fromStart - fromEnd * fromEnd) / (2 * base)
  const y2 = fromStart * fromStart - x * x
  return y2 > 1e-9 ? [x, Math.sqrt(y2)] : null
}

/** Where circles about p and q meet, to the left of the way from p to q. */
function meetAbove(p: Point, q: Point, fromP: number, fromQ: number): Point | null {
  const base = Math.hypot(q[0] - p[0], q[1] - p[1])
  const at = apex(base, fromP, fromQ)
  if (!at) return null
  const [ux, uy] = [(q[0] - p[0]) / base, (q[1] - p[1]) / base]
  return [p[0] + ux * at[0] - uy * at[1], p[1] + uy * at[0] + ux * at[1]]
}
