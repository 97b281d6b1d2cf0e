import { isWithin, type Loop, type Point, type Region, type Vector } from '../../geometry/index.ts'
import type { Bar } from '../../stock/index.ts'
import { HELD } from './bentLength.ts'
import { clipAlong } from './clipAlong.ts'
import type { PlacedBar } from './types.ts'

/** A turn of a plan that is a corner, rad; a corner rounded further than this is a curve, mm [own]. */
const [TURN, ROUNDED] = [Math.PI / 6, 100]
/** A bar across a corner reaches at least so far to either side, mm; shorter than this in all it is none. */
const [REACH, NONE] = [250, 120]
/** A hook's leg in diameters, from the bend's corner (EN 1992-1-1, figure 8.1). */
const HOOK = 12

export type InsideCorner = { readonly at: Point; readonly into: Point }

/**
 * The inside corners of concrete along a loop, anticlockwise: where an opening sticks out (`opening`), or where an outline turns
 * in. `at` is the corner's nearest point to the concrete, `into` a unit vector into it. A 100 x 50 hole with corners of radius 10 has four, each 4.14
 * inside the corner of its sides.
 */
export function insideCorners(loop: Loop, opening: boolean): InsideCorner[] {
  const lines = loop.filter((s) => !s.arc)
  return lines.flatMap((line, i): InsideCorner[] => {
    const next = lines[(i + 1) % lines.length]!
    const between = loop.slice(loop.indexOf(line) + 1).concat(loop)[0]!
    const arc = between.arc
    if (arc && arc.radius > ROUNDED) return []
    const [a, b] = [wayOf(line.from, line.to), wayOf(next.from, next.to)]
    const turn = Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1])
    if ((opening ? turn : -turn) < TURN) return []
    const raw: Point = [a[0] - b[0], a[1] - b[1]]
    const size = Math.hypot(...raw)
    const into: Point = [raw[0] / size, raw[1] / size]
    const apex = crossing(line.to, a, next.from, b)
    // A rounded corner stands back from where its sides would meet.
    const back = arc ? arc.radius * (1 / Math.cos(turn / 2) - 1) : 0
    return [{ at: [apex[0] - into[0] * back, apex[1] - into[1] * back], into }]
  })
}

/** The four corners of what hangs below a slab with straight sides, from its plan: where it reaches farthest to each. */
export function rimCorners(plan: readonly Point[]): InsideCorner[] {
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([x, y]): InsideCorner => {
    const into: Point = [x! * Math.SQRT1_2, y! * Math.SQRT1_2]
    const reach = (p: Point) => p[0] * into[0] + p[1] * into[1]
    return { at: plan.reduce((best, p) => (reach(p) > reach(best) ? p : best)), into }
  })
}

const wayOf = ([x, y]: Point, [u, v]: Point): Point => {
  const length = Math.hypot(u - x, v - y)
  return [(u - x) / length, (v - y) / length]
}

const crossing = (p: Point, a: Point, q: Point, b: Point): Point => {
  const det = a[0] * b[1] - a[1] * b[0]
  const t = ((q[0] - p[0]) * b[1] - (q[1] - p[1]) * b[0]) / det
  return [p[0] + a[0] * t, p[1] + a[1] * t]
}

export type CornerBars = {
  readonly bars: readonly PlacedBar[]
  /** Corners that none fits at. */
  readonly bare: number
  /** Bars that end before they are held, hooks and all. */
  readonly short: number
}

/**
 * A bar across each inside corner, square to its bisector, 40 diameters and 250 mm to either side; where the slab ends before
 * that it ends in a hook, turned away from the corner. `region` is where their middles may run.
 */
export function planCornerBars(
  corners: readonly InsideCorner[],
  region: Region,
  bar: Bar,
  { cover, height }: { readonly cover: number; readonly height: number },
): CornerBars {
  const reach = Math.max(HELD * bar.diameter, REACH)
  const hook = HOOK * bar.diameter
  let [bare, short] = [0, 0]
  const bars = corners.flatMap(({ at, into }, n): PlacedBar[] => {
    const off = cover + bar.diameter / 2 + 0.1
    const middle: Point = [at[0] + into[0] * off, at[1] + into[1] * off]
    const way: Point = [-into[1], into[0]]
    const span = clipAlong(region, middle, way)
    const [from, to] = [Math.max(-reach, span?.from ?? 0), Math.min(reach, span?.to ?? 0)]
    if (to - from < NONE) {
      bare += 1
      return []
    }
    const point = (s: number, h = 0): Vector => [
      middle[0] + way[0] * s + into[0] * h,
      middle[1] + way[1] * s + into[1] * h,
      height,
    ]
    const hooked = (s: number): Vector[] => {
      const end = point(s)
      if (Math.abs(s) >= reach - 1e-6) return [end]
      for (const h of [hook, -hook]) {
        const tip = point(s, h)
        const inside = [0.25, 0.5, 0.75, 1].every((k) => {
          const p = point(s * (1 - 1e-3), h * k)
          return within(region, [p[0], p[1]])
        })
        if (inside) return [end, tip]
      }
      short += 1
      return [end]
    }
    const path = [...hooked(from).reverse(), ...hooked(to)]
    return [{ id: `corner/${n + 1}`, purpose: 'corner', bar, path, closed: false }]
  })
  return { bars, bare, short }
}

const within = (region: Region, p: Point): boolean =>
  region.reduce((odd, ring) => (isWithin(p, ring) ? !odd : odd), false)
