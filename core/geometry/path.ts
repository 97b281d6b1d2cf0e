import type { Arc, Loop, Point, Segment } from './outline.ts'

/** How a side of a path runs from its corner to the next. */
export type Run =
  | { readonly kind: 'line' }
  /** `rise` is how far the arc's middle stands to the right of the straight side, mm; negative to the left. */
  | { readonly kind: 'arc'; readonly rise: number }
  /** A natural cubic spline through these points between the corners. */
  | { readonly kind: 'spline'; readonly through: readonly Point[] }

/** A corner of a closed path, and the side that starts there. Anticlockwise; material on the left. */
export type PathCorner = {
  readonly x: number
  readonly y: number
  /** Fillet radius, mm, between two straight sides. */
  readonly radius: number
  /** Id of the side from this corner to the next. */
  readonly side: string
  readonly run: Run
}

export type PathNames = {
  readonly side: (id: string) => string
  /** A rounded corner, by the id of the side that ends there and the one that starts there. */
  readonly corner: (before: string, after: string) => string
}

/**
 * Chords of one span of a spline side: none further from it than 0.05 mm, by |f''| d^2 / 8 over a chord of length d, and
 * none that turns by more than an arc's would, 0.045 rad. At most so many, at least two.
 */
const SPLINE = { flat: 0.05, turn: 0.045, least: 2, most: 400 } as const

/**
 * The arc between two points with a signed rise (sagitta): r = (c^2/4 + s^2)/(2 s), c the chord. Null when straight.
 */
export function arcByRise(from: Point, to: Point, rise: number): Arc | null {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const chord = Math.hypot(dx, dy)
  if (chord < 1e-9 || Math.abs(rise) < 1e-6) return null
  const radius = (chord * chord) / (8 * Math.abs(rise)) + Math.abs(rise) / 2
  const sweep = 4 * Math.atan2(2 * Math.abs(rise), chord)
  // An arc that stands to the right of its chord has its centre on the left and turns anticlockwise.
  const toCentre = (radius - Math.abs(rise)) * Math.sign(rise)
  const [nx, ny] = [-dy / chord, dx / chord]
  return {
    centre: [(from[0] + to[0]) / 2 + nx * toCentre, (from[1] + to[1]) / 2 + ny * toCentre],
    radius,
    sweepRad: sweep * Math.sign(rise),
  }
}

/** The rise of an arc segment, the inverse of `arcByRise`. */
export const riseOf = ({ radius, sweepRad }: Arc): number =>
  Math.sign(sweepRad) * radius * (1 - Math.cos(Math.abs(sweepRad) / 2))

/** The two unit directions in which a corner's sides meet, and the turn from one to the other, positive to the left. */
function cornerTurn(before: Point, at: Point, after: Point): { u: Point; v: Point; turn: number } {
  const unit = (a: Point, b: Point): Point => {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    return [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
  }
  const [u, v] = [unit(before, at), unit(at, after)]
  return { u, v, turn: Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1]) }
}

/** How much of each side a corner's fillet takes: r tan(turn/2). 0 where there is none or a side is curved. */
export function filletReach(path: readonly PathCorner[], i: number): number {
  const n = path.length
  const [before, own, after] = [path[(i + n - 1) % n]!, path[i]!, path[(i + 1) % n]!]
  if (own.radius <= 1e-4 || before.run.kind !== 'line' || own.run.kind !== 'line') return 0
  const { turn } = cornerTurn([before.x, before.y], [own.x, own.y], [after.x, after.y])
  return own.radius * Math.abs(Math.tan(turn / 2))
}

/** A path as a loop of named lines and arcs: fillets are arcs of their own, splines chains of short lines. */
export function pathLoop(path: readonly PathCorner[], names: PathNames): Loop {
  const n = path.length
  const loop: Segment[] = []
  const reach = path.map((_, i) => filletReach(path, i))
  path.forEach((corner, i) => {
    const next = path[(i + 1) % n]!
    const [a, b]: [Point, Point] = [
      [corner.x, corner.y],
      [next.x, next.y],
    ]
    const name = names.side(corner.side)
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    const along = (t: number): Point =>
      length === 0 ? a : [a[0] + ((b[0] - a[0]) * t) / length, a[1] + ((b[1] - a[1]) * t) / length]
    const [start, end] = [along(reach[i]!), along(length - reach[(i + 1) % n]!)]
    if (corner.run.kind === 'spline') loop.push(...splineSegments([a, ...corner.run.through, b], name))
    else {
      const arc = corner.run.kind === 'arc' ? arcByRise(a, b, corner.run.rise) : null
      if (arc || Math.hypot(end[0] - start[0], end[1] - start[1]) > 1e-7)
        loop.push({ name, from: start, to: end, arc })
    }
    const r = reach[(i + 1) % n]!
    if (r > 0) {
      const beyond = path[(i + 2) % n]!
      const { v, turn } = cornerTurn(a, b, [beyond.x, beyond.y])
      const radius = next.radius
      const side = Math.sign(turn)
      const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
      loop.push({
        name: names.corner(corner.side, next.side),
        from: end,
        to: [b[0] + v[0] * r, b[1] + v[1] * r],
        arc: {
          centre: [end[0] - uy * radius * side, end[1] + ux * radius * side],
          radius,
          sweepRad: turn,
        },
      })
    }
  })
  return loop
}

/** A natural cubic spline through points, chord-length parameter, as short lines of one name. */
function splineSegments(points: readonly Point[], name: string): Segment[] {
  const sampled = sampleSpline(points)
  return sampled.slice(0, -1).map((from, i) => ({ name, from, to: sampled[i + 1]!, arc: null }))
}

/** Points on the natural cubic spline through `points`, ends included, close enough that chords stand for it. */
export function sampleSpline(points: readonly Point[]): Point[] {
  const kept = points.filter(
    (p, i) => i === 0 || Math.hypot(p[0] - points[i - 1]![0], p[1] - points[i - 1]![1]) > 1e-9,
  )
  const n = kept.length - 1
  if (n < 1) return [...kept]
  const t = [0]
  for (let i = 0; i < n; i += 1)
    t.push(t[i]! + Math.hypot(kept[i + 1]![0] - kept[i]![0], kept[i + 1]![1] - kept[i]![1]))
  const [mx, my] = [
    secondDerivatives(
      t,
      kept.map((p) => p[0]),
    ),
    secondDerivatives(
      t,
      kept.map((p) => p[1]),
    ),
  ]
  const out: Point[] = [kept[0]!]
  for (let i = 0; i < n; i += 1) {
    const h = t[i + 1]! - t[i]!
    // The second derivative runs straight from knot to knot: it is largest at one of them.
    const bend = Math.max(Math.hypot(mx[i]!, my[i]!), Math.hypot(mx[i + 1]!, my[i + 1]!))
    const wanted = Math.max(h * Math.sqrt(bend / (8 * SPLINE.flat)), (h * bend) / SPLINE.turn)
    const steps = Math.max(SPLINE.least, Math.min(SPLINE.most, Math.ceil(wanted)))
    for (let k = 1; k <= steps; k += 1) {
      const [b, a] = [k / steps, 1 - k / steps]
      const at = (m: readonly number[], axis: 0 | 1) =>
        a * kept[i]![axis] +
        b * kept[i + 1]![axis] +
        (((a ** 3 - a) * m[i]! + (b ** 3 - b) * m[i + 1]!) * h * h) / 6
      out.push([at(mx, 0), at(my, 1)])
    }
  }
  return out
}

/** Second derivatives of the natural spline at its knots: the tridiagonal system solved by elimination. */
function secondDerivatives(t: readonly number[], y: readonly number[]): number[] {
  const n = t.length
  const m = new Array<number>(n).fill(0)
  const c = new Array<number>(n).fill(0)
  for (let i = 1; i < n - 1; i += 1) {
    const [h0, h1] = [t[i]! - t[i - 1]!, t[i + 1]! - t[i]!]
    const p = 2 * (h0 + h1) - h0 * c[i - 1]!
    c[i] = h1 / p
    m[i] = (6 * ((y[i + 1]! - y[i]!) / h1 - (y[i]! - y[i - 1]!) / h0) - h0 * m[i - 1]!) / p
  }
  for (let i = n - 2; i > 0; i -= 1) m[i] = m[i]! - c[i]! * m[i + 1]!
  return m
}

/** A path seen from below, x taken from `lineX` the other way: it runs anticlockwise again, each side keeps its name. */
export function mirrorPath(path: readonly PathCorner[], lineX: number): PathCorner[] {
  const n = path.length
  const flip = (x: number): number => 2 * lineX - x
  return path.map((_, k): PathCorner => {
    // The side that ran from corner i to the next now runs from there back to i.
    const i = n - 1 - k
    const [own, start] = [path[i]!, path[(i + 1) % n]!]
    const run: Run =
      own.run.kind === 'spline'
        ? {
            kind: 'spline',
            through: [...own.run.through].reverse().map(([x, y]): Point => [flip(x), y]),
          }
        : own.run
    return { x: flip(start.x), y: start.y, radius: start.radius, side: own.side, run }
  })
}

/** A path moved by a vector. */
export const shiftPath = (path: readonly PathCorner[], dx: number, dy: number): PathCorner[] =>
  path.map((c) => ({
    ...c,
    x: c.x + dx,
    y: c.y + dy,
    run:
      c.run.kind === 'spline'
        ? { kind: 'spline', through: c.run.through.map(([x, y]): Point => [x + dx, y + dy]) }
        : c.run,
  }))

/** A path with each straight side moved in by its own distance; corners at curved sides stay where they are. */
export function insetPath(path: readonly PathCorner[], insetOf: (side: string) => number): PathCorner[] {
  const n = path.length
  return path.map((corner, i) => {
    const [before, next] = [path[(i + n - 1) % n]!, path[(i + 1) % n]!]
    if (before.run.kind !== 'line' || corner.run.kind !== 'line') return corner
    const [a, b] = [insetOf(before.side), insetOf(corner.side)]
    if (a === 0 && b === 0) return corner
    const [u, v] = [wayBetween(before, corner), wayBetween(corner, next)]
    const turn = u[0] * v[1] - u[1] * v[0]
    // Sides that run on in one line move together.
    if (Math.abs(turn) < 1e-9) return { ...corner, x: corner.x - v[1] * b, y: corner.y + v[0] * b }
    // Inward of a side is to its left: the corner moves along both sides until it stands a and b inside them.
    const [s, t] = [-b / turn, a / turn]
    return { ...corner, x: corner.x + u[0] * s + v[0] * t, y: corner.y + u[1] * s + v[1] * t }
  })
}

const wayBetween = (a: { x: number; y: number }, b: { x: number; y: number }): Point => {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1
  return [(b.x - a.x) / length, (b.y - a.y) / length]
}
