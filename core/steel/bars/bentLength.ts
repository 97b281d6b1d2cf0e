import { lengthOf, type Vector } from '../../geometry/index.ts'

/** A bar is bent round a pin of so many diameters (EN 1992-1-1, table 8.1N, up to 16 mm). */
export const PIN = 4
/** Bars lap, and are held by the concrete, over so many diameters. */
export const HELD = 40
/** Straight end behind a hook: so many diameters, and at least so many mm (EN 1992-1-1, 8.5). */
const [TAIL, LEAST_TAIL] = [5, 50]

const turnAt = (a: Vector, b: Vector, c: Vector): number => {
  const [u, v] = [
    [b[0] - a[0], b[1] - a[1], b[2] - a[2]],
    [c[0] - b[0], c[1] - b[1], c[2] - b[2]],
  ] as [Vector, Vector]
  const dot = u[0] * v[0] + u[1] * v[1] + u[2] * v[2]
  return Math.acos(Math.max(-1, Math.min(1, dot / (lengthOf(...u) * lengthOf(...v) || 1))))
}

/** Angles a bar is bent by at the corners of its line, rad; of one that is closed at its first too. */
export const turnsOf = (path: readonly Vector[], closed: boolean): number[] =>
  path.flatMap((p, i) =>
    closed || (i > 0 && i < path.length - 1)
      ? [turnAt(path.at(i - 1)!, p, path[(i + 1) % path.length]!)]
      : [],
  )

/** Lengths between the corners of a line, mm. */
export const stretchesOf = (path: readonly Vector[], closed: boolean): number[] =>
  path.slice(0, closed ? undefined : -1).map((p, i) => {
    const q = path[(i + 1) % path.length]!
    return lengthOf(q[0] - p[0], q[1] - p[1], q[2] - p[2])
  })

/**
 * Length of a bar along its centre line, bent round its pin at each corner: a corner of angle `t` saves
 * (2 tan(t/2) - t) times the radius. Two legs of 200 from corner to corner, 8 mm, square: 391.4.
 */
export function bentLength(path: readonly Vector[], closed: boolean, diameter: number): number {
  const radius = (PIN / 2 + 0.5) * diameter
  const saved = turnsOf(path, closed).reduce((sum, t) => sum + (2 * Math.tan(t / 2) - t) * radius, 0)
  return stretchesOf(path, closed).reduce((sum, s) => sum + s, 0) - saved
}

/** What a closed tie takes over its way round: both ends turned in by 135 degrees instead of one corner, and their tails. */
export const hooksLength = (diameter: number): number =>
  Math.PI * (PIN / 2 + 0.5) * diameter + 2 * Math.max(LEAST_TAIL, TAIL * diameter)

/** How many pieces a length is put together of from bars so long, lapped where they meet, and how long each is. */
export function lappedPieces(
  length: number,
  stock: number,
  diameter: number,
): { count: number; each: number } {
  const lap = HELD * diameter
  if (length <= stock || stock <= lap) return { count: 1, each: length }
  const count = Math.ceil((length - lap) / (stock - lap) - 1e-9)
  return { count, each: (length + (count - 1) * lap) / count }
}
