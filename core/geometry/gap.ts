import type { Point } from './outline.ts'
import type { Region } from './sectionSolid.ts'

/** The least distance between two boundaries, and where it is: the nearest points and the length of the narrow part. */
export type Gap = {
  readonly least: number
  readonly from: Point
  readonly to: Point
  /** Length of the first boundary along which the distance stays under 1.25 x the least, mm. */
  readonly narrowLength: number
}

type Edge = readonly [Point, Point]

const edgesOf = (region: Region): Edge[] =>
  region.flatMap((ring) => ring.map((p, i): Edge => [p, ring[(i + 1) % ring.length]!]))

/** The nearest point of a straight edge to `p`. */
function nearestOn([a, b]: Edge, p: Point): Point {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]]
  const length2 = dx * dx + dy * dy
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / length2))
  return [a[0] + t * dx, a[1] + t * dy]
}

function nearestOf(edges: readonly Edge[], p: Point): { distance: number; at: Point } {
  let best = { distance: Number.POSITIVE_INFINITY, at: p }
  for (const edge of edges) {
    const at = nearestOn(edge, p)
    const distance = Math.hypot(at[0] - p[0], at[1] - p[1])
    if (distance < best.distance) best = { distance, at }
  }
  return best
}

/** How many pieces a straight edge is stepped into when its narrow length is measured. */
const STEPS = 64

/**
 * The gap between two boundaries that do not cross. `of` should be the smaller one: its edges are stepped along to
 * find how long the gap stays narrow. Exact for straight edges; within the chord error for arcs.
 */
export function measureGap(of: Region, against: Region): Gap {
  const own = edgesOf(of)
  const other = edgesOf(against)
  let least = Number.POSITIVE_INFINITY
  let from: Point = [0, 0]
  let to: Point = [0, 0]
  const take = (a: Point, b: Point) => {
    const d = Math.hypot(a[0] - b[0], a[1] - b[1])
    if (d < least) [least, from, to] = [d, a, b]
  }
  for (const [a] of own) take(a, nearestOf(other, a).at)
  for (const [b] of other) take(nearestOf(own, b).at, b)

  let narrowLength = 0
  for (const [a, b] of own) {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
    if (nearestOf(other, middle).distance - length / 2 > least * 1.25) continue
    const steps = length < least / 8 ? 1 : STEPS
    for (let i = 0; i < steps; i += 1) {
      const t = (i + 0.5) / steps
      const p: Point = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]
      if (nearestOf(other, p).distance < least * 1.25) narrowLength += length / steps
    }
  }
  return { least, from, to, narrowLength }
}
