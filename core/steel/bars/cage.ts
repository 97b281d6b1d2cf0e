import {
  boundSolid,
  isWithin,
  type Kernel,
  measureRegion,
  offsetRegion,
  type Placement,
  type Point,
  pointToRing,
  type Region,
  type SolidRecipe,
  sectionAreas,
  solidThrough,
  type Vector,
} from '../../geometry/index.ts'
import type { Bar } from '../../stock/index.ts'
import { type Axis, longWay, sizeOf } from '../longWay.ts'
import type { PlacedBar } from './types.ts'

/** Levels that are looked at along it; a level counts whose section is so much of the middle one. */
const LEVELS = 32
/** Levels by which a cage that finds no room is made shorter. */
const SHRINK = 2
const SLIM = 0.35
/** A cage shorter than this share of its body is none. */
const SHORT = 0.6
/** Uprights stand no further apart, mm [own]. */
const APART = 150
/** A turn of a ring that is a corner for an upright to stand in. */
const CORNER = (25 * Math.PI) / 180
/** Ties: so many diameters of the uprights apart, the body's lesser way, and 400 mm at most (EN 1992-1-1, 9.5.3). */
const [TIES, MOST_TIES] = [20, 400]
/** The last tie from the uprights' ends, mm [own]. */
const FROM_END = 30
/** Concrete round what else is cast in, mm [own]. */
const CLEAR = 10

export type Cage = {
  readonly bars: readonly PlacedBar[]
  /** Between ties, mm. */
  readonly apart: number
  /** Area of the uprights over that of the section. */
  readonly share: number
}

/** Turns a body so that its long way is up; a point (a, b, c) then stands for the one `back` gives. */
const UPRIGHT: Readonly<Record<Axis, { by: Placement; back: (p: Vector) => Vector }>> = {
  0: {
    by: { x: [0, 0, 1], y: [1, 0, 0], z: [0, 1, 0], origin: [0, 0, 0] },
    back: ([a, b, c]) => [c, a, b],
  },
  1: {
    by: { x: [0, 1, 0], y: [0, 0, 1], z: [1, 0, 0], origin: [0, 0, 0] },
    back: ([a, b, c]) => [b, c, a],
  },
  2: { by: { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [0, 0, 0] }, back: (p) => p },
}

export type CageOptions = {
  readonly id: string
  readonly cover: number
  readonly main: Bar
  readonly tie: Bar
  /** Between ties, mm; null by the bar and the body. */
  readonly apart: number | null
  /** Which way its uprights run; else along what it is longest. */
  readonly axis?: Axis
  /** What else is cast in: no bar comes near it. */
  readonly inserts: readonly SolidRecipe[]
}

/**
 * A cage in a post: straight uprights in the corners of what is concrete all along it, or round it, less the cover, and
 * ties round them; a single bar up the middle where there is room for no more. Null for a body that is no post, and for
 * one in which nothing keeps its cover.
 */
export function planCage(kernel: Kernel, body: SolidRecipe, options: CageOptions): Cage | null {
  const size = sizeOf(kernel, body)
  const axis = options.axis ?? longWay(size)
  if (axis === null) return null
  const { by, back } = UPRIGHT[axis]
  const stood: SolidRecipe = { kind: 'moved', solid: body, by }
  const { min, max } = boundSolid(kernel, stood)
  const [low, step] = [min[2], (max[2] - min[2]) / LEVELS]
  const levels = Array.from({ length: LEVELS }, (_, i) => low + (i + 0.5) * step)
  const areas = kernel.withSolids((s) => sectionAreas(s.solid(stood), [0, 0, 1], levels))
  let [first, last] = [0, LEVELS - 1]
  const middle = areas[LEVELS / 2]!
  while (first < last && areas[first]! < SLIM * middle) first += 1
  while (last > first && areas[last]! < SLIM * middle) last -= 1
  const inserts = options.inserts.map((solid): SolidRecipe => ({ kind: 'moved', solid, by }))
  const lesser = Math.min(...size.filter((_, i) => i !== axis))
  // Where a slim end leaves no room the cage stops below it.
  while (last + 1 - first >= SHORT * LEVELS) {
    const [from, to] = [low + first * step, low + (last + 1) * step]
    const bars = barsWithin(kernel, { ...options, inserts }, { stood, from, to, lesser, middle })
    if (bars) {
      const uprights = bars.list.filter((b) => b.purpose === 'upright').length
      return {
        bars: bars.list.map((b) => ({ ...b, path: b.path.map(back) })),
        apart: bars.apart,
        share: ((Math.PI / 4) * options.main.diameter ** 2 * uprights) / middle,
      }
    }
    if (areas[first]! < areas[last]!) first += SHRINK
    else last -= SHRINK
  }
  return null
}

type Stretch = {
  readonly stood: SolidRecipe
  readonly from: number
  readonly to: number
  /** The body's lesser way across, and the area of its middle section. */
  readonly lesser: number
  readonly middle: number
}

/** Uprights and ties in one stretch of a body that stands; null where nothing keeps its cover. */
function barsWithin(
  kernel: Kernel,
  { id, cover, main, tie, apart: wanted, inserts }: CageOptions,
  { stood, from, to, lesser, middle }: Stretch,
): { list: PlacedBar[]; apart: number } | null {
  const [foot, head] = [from + cover, to - cover]
  if (head <= foot) return null
  const solid = solidThrough(kernel, stood, from, to)
  // Straight bars do nothing for a body that leans or winds out of their way.
  if (measureRegion(solid) < SLIM * middle) return null
  const away = inserts.map((recipe) => insertSpan(kernel, recipe, from, to))
  const free = (p: Point) =>
    away.every(({ plan }) =>
      plan.every((r) => !isWithin(p, r) && pointToRing(p, r) > main.diameter / 2 + CLEAR),
    )
  const upright = ([x, y]: Point, n: number): PlacedBar => ({
    id: `${id}/upright/${n}`,
    purpose: 'upright',
    bar: main,
    path: [
      [x, y, foot],
      [x, y, head],
    ],
    closed: false,
  })
  const ring = largest(offsetRegion(kernel, solid, -(cover + tie.diameter + main.diameter / 2), 'mitre'))
  const places = ring ? spreadOn(ring, main.diameter).filter(free) : []
  if (!ring || places.length < 3) {
    const p = inMiddle(offsetRegion(kernel, solid, -(cover + main.diameter / 2), 'mitre'))
    return p && free(p) ? { list: [upright(p, 1)], apart: 0 } : null
  }
  const tied = largest(offsetRegion(kernel, [ring], (main.diameter + tie.diameter) / 2, 'mitre'))
  if (!tied) return null
  const apart = wanted ?? Math.min(TIES * main.diameter, lesser, MOST_TIES)
  const levels = levelsOf(foot + FROM_END, head - FROM_END, apart)
  const ties = levels.flatMap((level, i): PlacedBar[] => {
    const z = clearOf(level, tied, away, tie.diameter)
    if (z < foot || z > head) return []
    const path = tied.map(([x, y]): Vector => [x, y, z])
    return [{ id: `${id}/tie/${i + 1}`, purpose: 'tie', bar: tie, path, closed: true }]
  })
  return { list: [...places.map((p, i) => upright(p, i + 1)), ...ties], apart }
}

/** Levels from one to the other, evenly, no further apart than so; the middle where they do not stand apart. */
function levelsOf(from: number, to: number, apart: number): number[] {
  if (to <= from) return [(from + to) / 2]
  const gaps = Math.max(1, Math.ceil((to - from) / apart - 1e-9))
  return Array.from({ length: gaps + 1 }, (_, i) => from + ((to - from) * i) / gaps)
}

type Span = { readonly plan: Region; readonly low: number; readonly high: number }

/** An insert along the post: seen from its end, and between which heights. */
const insertSpan = (kernel: Kernel, recipe: SolidRecipe, from: number, to: number): Span =>
  kernel.withSolids((s) => {
    const { body } = s.solid(recipe)
    const within = s.keep(s.keep(body.trimByPlane([0, 0, 1], from)).trimByPlane([0, 0, -1], -to))
    const { min, max } = within.boundingBox()
    const plan = s
      .keep(within.project())
      .toPolygons()
      .map((ring) => ring.map(([x, y]): Point => [x, y]))
    return { plan, low: min[2]!, high: max[2]! }
  })

/** A tie's height, moved to the nearer side of what passes through its line. */
function clearOf(z: number, ring: readonly Point[], away: readonly Span[], diameter: number): number {
  const gap = diameter / 2 + CLEAR
  const met = away.find(
    ({ plan, low, high }) =>
      z > low - gap &&
      z < high + gap &&
      plan.some(
        (r) =>
          r.some((p) => pointToRing(p, ring) < gap) ||
          ring.some((p) => isWithin(p, r) || pointToRing(p, r) < gap),
      ),
  )
  if (!met) return z
  return z - met.low < met.high - z ? met.low - gap : met.high + gap
}

/** The largest of a region's outer rings, without points on a straight; null where it is empty. */
export function largest(region: Region): Point[] | null {
  const best = region.reduce<readonly Point[] | null>(
    (a, r) => (measureRegion([r]) > (a ? measureRegion([a]) : 1) ? r : a),
    null,
  )
  if (!best) return null
  const bent = best.filter((p, i) => {
    const [q, r] = [best.at(i - 1)!, best[(i + 1) % best.length]!]
    return Math.abs((p[0] - q[0]) * (r[1] - p[1]) - (p[1] - q[1]) * (r[0] - p[0])) > 1e-3
  })
  return bent.length < 3 ? null : bent
}

const turnAt = (ring: readonly Point[], i: number): number => {
  const [q, p, r] = [ring.at(i - 1)!, ring[i]!, ring[(i + 1) % ring.length]!]
  const [ax, ay, bx, by] = [p[0] - q[0], p[1] - q[1], r[0] - p[0], r[1] - p[1]]
  return Math.atan2(ax * by - ay * bx, ax * bx + ay * by)
}

/** Places round a ring: in each corner that sticks out, and between them no further apart than so; of a round, evenly, four at least. */
export function spreadOn(ring: readonly Point[], diameter: number): Point[] {
  const corners = ring.flatMap((_, i) => (turnAt(ring, i) > CORNER ? [i] : []))
  const lengths = ring.map((p, i) => {
    const q = ring[(i + 1) % ring.length]!
    return Math.hypot(q[0] - p[0], q[1] - p[1])
  })
  const all = lengths.reduce((sum, l) => sum + l, 0)
  const at = (from: number, along: number): Point => {
    let left = along
    for (let i = from; ; i += 1) {
      const [p, q] = [ring[i % ring.length]!, ring[(i + 1) % ring.length]!]
      const l = lengths[i % ring.length]!
      if (left <= l || l === all)
        return [p[0] + ((q[0] - p[0]) * left) / l, p[1] + ((q[1] - p[1]) * left) / l]
      left -= l
    }
  }
  // Stones pass between bars that stand two and a half diameters and 20 mm apart.
  const room = 2.5 * diameter + 20
  if (corners.length < 3) {
    const count = Math.min(Math.max(4, Math.ceil(all / APART)), Math.floor(all / room))
    return count < 3 ? [] : Array.from({ length: count }, (_, i) => at(0, (all * i) / count))
  }
  const places = corners.flatMap((c, k) => {
    const next = corners[(k + 1) % corners.length]!
    let length = 0
    for (let i = c; i % ring.length !== next; i += 1) length += lengths[i % ring.length]!
    const parts = Math.max(1, Math.ceil(length / APART - 1e-9))
    return Array.from({ length: parts }, (_, i) => (i === 0 ? ring[c]! : at(c, (length * i) / parts)))
  })
  const kept: Point[] = []
  for (const p of places) if (kept.every((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) >= room)) kept.push(p)
  return kept
}

/** A point well inside a region: the one of a coarse grid that is farthest from its edges. */
function inMiddle(region: Region): Point | null {
  const xs = region.flat().map((p) => p[0])
  const ys = region.flat().map((p) => p[1])
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  let best: { p: Point; d: number } | null = null
  for (let i = 1; i < GRID; i += 1)
    for (let j = 1; j < GRID; j += 1) {
      const p: Point = [x0 + ((x1 - x0) * i) / GRID, y0 + ((y1 - y0) * j) / GRID]
      if (!region.reduce((odd, ring) => (isWithin(p, ring) ? !odd : odd), false)) continue
      const d = Math.min(...region.map((ring) => pointToRing(p, ring)))
      if (!best || d > best.d) best = { p, d }
    }
  return best?.p ?? null
}
const GRID = 24
