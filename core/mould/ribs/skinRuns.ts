import {
  type Kernel,
  outlineFromAbove,
  type Point,
  type Region,
  type SolidRecipe,
} from '../../geometry/index.ts'

/** A turn at one point of the outline that no sheet bends round, rad. */
const SHARP = 0.22

/** A strip of skin along one stretch of the profile, between sharp corners. */
export type SkinRun = {
  /** Along the face of the piece, the piece on the left; the first point again at the end of a closed run. */
  readonly points: readonly Point[]
  readonly closed: boolean
  /** On the neutral line, half the thickness out, mm. */
  readonly developed: number
  /** Tightest bend, mm; infinite for a flat strip. */
  readonly leastRadius: number
  /** The strip seen from above. */
  readonly region: Region
}

/** The face of a piece of one section all the way up, as strips of a skin of thickness t. */
export function skinRuns(kernel: Kernel, recipe: SolidRecipe, t: number): SkinRun[] {
  return outlineFromAbove(kernel, recipe).flatMap((ring) => runsOf(thinned(ring), t))
}

/** Points that lie on one another, left out. */
const thinned = (ring: readonly Point[]): Point[] =>
  ring.filter((p, i) => {
    const q = ring[(i + 1) % ring.length]!
    return Math.hypot(q[0] - p[0], q[1] - p[1]) > 1e-3
  })

function runsOf(ring: readonly Point[], t: number): SkinRun[] {
  const n = ring.length
  if (n < 3) return []
  const at = (i: number): Point => ring[((i % n) + n) % n]!
  const turn = (i: number): number => turnAt(at(i - 1), at(i), at(i + 1))
  const sharp = ring.map((_, i) => i).filter((i) => Math.abs(turn(i)) > SHARP)
  if (sharp.length === 0) return [run([...ring, ring[0]!], true, t)]
  return sharp.map((from, k) => {
    const to = sharp[(k + 1) % sharp.length]! + (k + 1 < sharp.length ? 0 : n)
    return run(
      Array.from({ length: to - from + 1 }, (_, i) => at(from + i)),
      false,
      t,
    )
  })
}

const turnAt = (a: Point, b: Point, c: Point): number => {
  const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]]
  return Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)
}

function run(points: readonly Point[], closed: boolean, t: number): SkinRun {
  const last = points.length - 1
  const turns = points.map((p, i) => {
    if (closed) return turnAt(points[i === 0 ? last - 1 : i - 1]!, p, points[i === last ? 1 : i + 1]!)
    return i === 0 || i === last ? 0 : turnAt(points[i - 1]!, p, points[i + 1]!)
  })
  const chords = points.slice(1).map((q, i) => Math.hypot(q[0] - points[i]![0], q[1] - points[i]![1]))
  const along = chords.reduce((sum, c) => sum + c, 0)
  const bent = turns.slice(0, closed ? last : undefined).reduce((sum, a) => sum + a, 0)
  return {
    points,
    closed,
    developed: along + (bent * t) / 2,
    leastRadius: leastBend(points, closed),
    region: stripOf(points, turns, closed, t),
  }
}

/**
 * The tightest bend of a way along chords, mm; infinite where it is straight: the least circle through three corners that
 * follow one another, which is the arc's own where all three lie on it and wider where a straight begins. At the end of
 * an open way the chord may be cut short: there the longer of the two stands for both.
 */
export function leastBend(points: readonly Point[], closed: boolean): number {
  const ring = closed ? points.slice(0, -1) : points
  const around = (of: readonly Point[], i: number): readonly [Point, Point, Point] | null => {
    const n = of.length
    if (!closed && (i === 0 || i === n - 1)) return null
    return [of[(i + n - 1) % n]!, of[i]!, of[(i + 1) % n]!]
  }
  const corners = ring.filter((_, i) => {
    const three = around(ring, i)
    return !three || Math.abs(turnAt(...three)) > 1e-4
  })
  let least = Infinity
  corners.forEach((_, i) => {
    const three = around(corners, i)
    if (!three) return
    const [a, b, c] = three
    const [before, after] = [Math.hypot(b[0] - a[0], b[1] - a[1]), Math.hypot(c[0] - b[0], c[1] - b[1])]
    const end = !closed && (i === 1 || i === corners.length - 2)
    const across = end
      ? 2 * Math.max(before, after) * Math.cos(turnAt(a, b, c) / 2)
      : Math.hypot(c[0] - a[0], c[1] - a[1])
    least = Math.min(least, across / (2 * Math.sin(Math.abs(turnAt(a, b, c)))))
  })
  return least
}

/** The points and the same points t further out, mitred, the piece on the left of the way. */
function stripOf(points: readonly Point[], turns: readonly number[], closed: boolean, t: number): Region {
  const last = points.length - 1
  const outer = points.map((p, i): Point => {
    const before = i > 0 ? points[i - 1]! : closed ? points[last - 1]! : null
    const after = i < last ? points[i + 1]! : closed ? points[1]! : null
    const [a, b] = [before ?? p, after ?? p]
    const along = [b[0] - a[0], b[1] - a[1]] as const
    const [dx, dy] = before && after ? mean(before, p, after) : along
    const size = Math.hypot(dx, dy) || 1
    const out = t / Math.cos(Math.min(1, Math.abs(turns[i]!) / 2))
    return [p[0] + (dy / size) * out, p[1] - (dx / size) * out]
  })
  return closed
    ? [outer.slice(0, -1), points.slice(0, -1).toReversed()]
    : [[...points].toReversed().concat(outer)]
}

const mean = (a: Point, p: Point, b: Point): Point => {
  const [u, v] = [
    [p[0] - a[0], p[1] - a[1]],
    [b[0] - p[0], b[1] - p[1]],
  ] as const
  const [m, n] = [Math.hypot(...u) || 1, Math.hypot(...v) || 1]
  return [u[0] / m + v[0] / n, u[1] / m + v[1] / n]
}
