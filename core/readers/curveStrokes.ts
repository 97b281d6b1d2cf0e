import type { Point } from '../geometry/index.ts'
import type { Stroke } from './chain.ts'

/** A curve of a drawing in its own unit: smooth between its breaks, which rise from its start to its end. */
export type Curve = {
  readonly layer: string
  readonly at: (t: number) => Point
  readonly breaks: readonly number[]
}

/** How far an arc may stray from the curve it stands for: mm where the unit is known, else a share of the drawing. */
const FLAT = { mm: 0.004, share: 1e-6 } as const
/** A curve is halved at most this often between two breaks. */
const DEEPEST = 12
/** Where an arc is held against its curve, in shares of its way. */
const LOOKS = [0.125, 0.25, 0.375, 0.625, 0.75, 0.875]

/** How far arcs may stray from the curves of a drawing of this extent, in its own unit. */
export const flatness = (extent: number, mmPerUnit: number | null): number =>
  mmPerUnit !== null && mmPerUnit > 0 ? FLAT.mm / mmPerUnit : extent * FLAT.share

/** Points of a curve that tell how far it reaches, near enough. */
export const curveReach = ({ at, breaks }: Curve): Point[] =>
  breaks.slice(1).flatMap((end, i) => {
    const start = breaks[i]!
    return [start, (start + end) / 2, end].map(at)
  })

/**
 * A curve as arcs and lines, none further than `within` from it: each through both ends and the middle of its stretch,
 * which is halved until the arc holds. A circle comes back as its arcs.
 */
export function curveStrokes({ layer, at, breaks }: Curve, within: number, most: number): Stroke[] {
  const strokes: Stroke[] = []
  const cut = (t0: number, t1: number, from: Point, to: Point, depth: number): void => {
    if (strokes.length > most) return
    const half = (t0 + t1) / 2
    const middle = at(half)
    const rise = riseThrough(from, middle, to)
    if (rise !== null && (depth >= DEEPEST || holds(t0, t1, from, middle, to, rise))) {
      if (Math.hypot(to[0] - from[0], to[1] - from[1]) > 0) strokes.push({ layer, from, to, rise })
      return
    }
    if (depth >= DEEPEST) {
      strokes.push({ layer, from, to: middle, rise: 0 }, { layer, from: middle, to, rise: 0 })
      return
    }
    cut(t0, half, from, middle, depth + 1)
    cut(half, t1, middle, to, depth + 1)
  }
  const holds = (t0: number, t1: number, from: Point, middle: Point, to: Point, rise: number): boolean => {
    const circle = rise === 0 ? null : circleThrough(from, middle, to)
    return LOOKS.every((share) => {
      const p = at(t0 + (t1 - t0) * share)
      const off = circle
        ? Math.abs(Math.hypot(p[0] - circle.centre[0], p[1] - circle.centre[1]) - circle.radius)
        : offLine(p, from, to)
      return off <= within
    })
  }
  for (let i = 1; i < breaks.length; i += 1) {
    const [t0, t1] = [breaks[i - 1]!, breaks[i]!]
    cut(t0, t1, at(t0), at(t1), 0)
  }
  return strokes
}

/** The rise to the right of from to to of the arc through a middle point; null where it is half a circle and more. */
function riseThrough(from: Point, middle: Point, to: Point): number | null {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const chord = Math.hypot(dx, dy)
  if (chord === 0) return null
  const off = (dx * (middle[1] - from[1]) - dy * (middle[0] - from[0])) / chord
  if (Math.abs(off) < chord * 1e-7) return 0
  const circle = circleThrough(from, middle, to)
  if (!circle || Math.abs(off) > chord * 0.45) return null
  const { radius } = circle
  const sagitta = radius - Math.sqrt(Math.max(0, radius * radius - (chord * chord) / 4))
  return off > 0 ? -sagitta : sagitta
}

function circleThrough(
  [ax, ay]: Point,
  [bx, by]: Point,
  [cx, cy]: Point,
): { centre: Point; radius: number } | null {
  const [ux, uy, vx, vy] = [bx - ax, by - ay, cx - ax, cy - ay]
  const d = 2 * (ux * vy - uy * vx)
  if (d === 0) return null
  const [u2, v2] = [ux * ux + uy * uy, vx * vx + vy * vy]
  const [x, y] = [(vy * u2 - uy * v2) / d, (ux * v2 - vx * u2) / d]
  return { centre: [ax + x, ay + y], radius: Math.hypot(x, y) }
}

function offLine([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const length = Math.hypot(bx - ax, by - ay)
  return Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / length
}

/** The longer side of the box round some points. */
export function across(points: readonly Point[]): number {
  const span = (k: 0 | 1): number => {
    let [low, high] = [Infinity, -Infinity]
    for (const p of points) [low, high] = [Math.min(low, p[k]), Math.max(high, p[k])]
    return high - low
  }
  return Math.max(span(0), span(1), 1e-9)
}
