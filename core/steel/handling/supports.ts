import { hullOf, type Point, type Region } from '../../geometry/index.ts'
import type { FlatPlate } from './flatPlate.ts'

/** Along the longer way of a plan, from its start, and across it: `at(s, d)` is a point of the plan. */
export type LongWay = {
  readonly length: number
  readonly width: number
  readonly at: (along: number, across: number) => Point
  readonly along: (p: Point) => number
  readonly across: (p: Point) => number
}

/** Hands are this far inside the edge they hold, mm. */
const HAND = 20
/** A node this near the edge it is turned about rests on it, mm. */
const ON = 1.5

/** The way along the longest straight edge that the plan could be turned about: of its hull. */
export function longWay(plan: Region): LongWay {
  const hull = hullOf(plan.flat())
  const edges = hull.map((a, i) => [a, hull[(i + 1) % hull.length]!] as const)
  const [a, b] = edges.reduce((best, e) => (lengthOf(e) > lengthOf(best) + 1e-6 ? e : best))
  const far = lengthOf([a, b])
  const [ux, uy] = [(b[0] - a[0]) / far, (b[1] - a[1]) / far]
  const [alongs, acrosses] = [hull.map((p) => p[0] * ux + p[1] * uy), hull.map((p) => p[1] * ux - p[0] * uy)]
  const [s0, d0] = [Math.min(...alongs), Math.min(...acrosses)]
  return {
    length: Math.max(...alongs) - s0,
    width: Math.max(...acrosses) - d0,
    at: (s, d) => [(s + s0) * ux - (d + d0) * uy, (s + s0) * uy + (d + d0) * ux],
    along: ([x, y]) => x * ux + y * uy - s0,
    across: ([x, y]) => y * ux - x * uy - d0,
  }
}

const lengthOf = ([a, b]: readonly [Point, Point]): number => Math.hypot(b[0] - a[0], b[1] - a[1])

/** Where a line across the plan, so far along it, runs through concrete: from and to, across. */
export function spansAcross(plan: Region, way: LongWay, s: number): [number, number][] {
  const crossings: number[] = []
  for (const ring of plan)
    ring.forEach((p, i) => {
      const q = ring[(i + 1) % ring.length]!
      const [a, b] = [way.along(p), way.along(q)]
      if (a <= s === b <= s) return
      crossings.push(way.across(p) + ((way.across(q) - way.across(p)) * (s - a)) / (b - a))
    })
  crossings.sort((a, b) => a - b)
  return Array.from({ length: Math.floor(crossings.length / 2) }, (_, i) => [
    crossings[2 * i]!,
    crossings[2 * i + 1]!,
  ])
}

/** Points that a bearer across the plan holds up. */
export function bearerPoints({ plan, size }: FlatPlate, way: LongWay, s: number): Point[] {
  return spansAcross(plan, way, Math.min(Math.max(s, 1e-3), way.length - 1e-3)).flatMap(([a, b]) => {
    const inset = Math.min(2, (b - a) / 4)
    const count = Math.max(1, Math.ceil((b - a - 2 * inset) / (2.5 * size)))
    return Array.from({ length: count + 1 }, (_, i) =>
      way.at(s, a + inset + ((b - a - 2 * inset) * i) / count),
    )
  })
}

/** Nodes that the plan is turned about: those on its edge across = 0. */
export function turnEdge({ plate }: FlatPlate, way: LongWay): Point[] {
  const on = plate.mesh.nodes.filter((p) => way.across(p) < ON).sort((a, b) => way.along(a) - way.along(b))
  const step = Math.max(1, Math.floor((on.length - 1) / RESTS))
  return on.filter((_, i) => i % step === 0 || i === on.length - 1)
}
/** Points of an edge that are told apart, about. */
const RESTS = 12

/** Where so many pairs of hands hold the edge that is lifted: along it, just inside. */
export function liftingHands({ plan }: FlatPlate, way: LongWay, people: number): Point[] {
  const shares = [
    [0.35, 0.65],
    [0.2, 0.8],
    [0.15, 0.5, 0.85],
    [0.1, 0.37, 0.63, 0.9],
  ][Math.min(4, people) - 1]!
  return shares.flatMap((share): Point[] => {
    const s = share * way.length
    const last = spansAcross(plan, way, s).at(-1)
    return last ? [way.at(s, Math.max((last[0] + last[1]) / 2, last[1] - HAND))] : []
  })
}

/** Two hands at each end where two carry, four a fifth of its length in where more do. */
export function carryingHands({ plan }: FlatPlate, way: LongWay, people: number): Point[] {
  const share = people <= 2 ? 0 : 0.2
  return [share, 1 - share].flatMap((at): Point[] => {
    const s = Math.min(Math.max(at * way.length, 2 * HAND), way.length - 2 * HAND)
    const spans = spansAcross(plan, way, s)
    const [first, last] = [spans[0], spans.at(-1)]
    if (!first || !last) return []
    const [a, b] = [first[0], last[1]]
    const inset = Math.min(HAND, (b - a) / 4)
    return [way.at(s, a + inset), way.at(s, b - inset)]
  })
}

/**
 * The ways in which four hands may share a weight: a stiff piece held at four corners may rest on two of them. Forces at
 * the hands, N, of both extremes; of three hands the one way; null where the weight lies outside them.
 */
export function shared(hands: readonly Point[], weight: number, [x, y]: Point): number[][] | null {
  const solve3 = (places: readonly number[], right: readonly [number, number, number]): number[] | null => {
    const [a, b, c] = places.map((i) => hands[i]!) as [Point, Point, Point]
    const det = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])
    if (Math.abs(det) < 1) return null
    const [w, mx, my] = right
    const [px, py] = [mx - w * a[0], my - w * a[1]]
    const fb = (px * (c[1] - a[1]) - (c[0] - a[0]) * py) / det
    const fc = ((b[0] - a[0]) * py - px * (b[1] - a[1])) / det
    return [w - fb - fc, fb, fc]
  }
  const load = [weight, weight * x, weight * y] as const
  if (hands.length === 3) {
    const found = solve3([0, 1, 2], [...load])
    return found?.every((f) => f >= -1e-6) ? [found] : null
  }
  if (hands.length !== 4) return null
  // What the fourth carries is free: the others follow, each straight in it.
  const none = solve3([0, 1, 2], [...load])
  const unit = solve3([0, 1, 2], [-1, -hands[3]![0], -hands[3]![1]])
  if (!none || !unit) return null
  let [low, high] = [0, Infinity]
  none.forEach((f, i) => {
    const slope = unit[i]!
    if (slope < -1e-12) high = Math.min(high, f / -slope)
    else if (slope > 1e-12) low = Math.max(low, -f / slope)
    else if (f < 0) high = -1
  })
  if (high < low || !Number.isFinite(high)) return null
  return [low, high].map((t) => [...none.map((f, i) => Math.max(0, f + unit[i]! * t)), t])
}
