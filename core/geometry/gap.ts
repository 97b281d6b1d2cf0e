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

/** Edges packed five numbers each: start x, y, direction x, y, and length squared; and boxes round runs of them. */
type Edges = { readonly packed: Float64Array; readonly boxes: Float64Array }
/** Edges in one box: one whose box is further than what is found already need not be looked at. */
const RUN = 16

function packEdges(region: Region): Edges {
  const count = region.reduce((sum, ring) => sum + ring.length, 0)
  const packed = new Float64Array(count * 5)
  let at = 0
  for (const ring of region) {
    ring.forEach(([x, y], i) => {
      const [nx, ny] = ring[(i + 1) % ring.length]!
      const [dx, dy] = [nx - x, ny - y]
      packed.set([x, y, dx, dy, dx * dx + dy * dy], at)
      at += 5
    })
  }
  const boxes = new Float64Array(Math.ceil(count / RUN) * 4)
  for (let b = 0; b < boxes.length; b += 4) {
    let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
    const end = Math.min(packed.length, (b / 4 + 1) * RUN * 5)
    for (let e = (b / 4) * RUN * 5; e < end; e += 5) {
      const [x, y] = [packed[e]!, packed[e + 1]!]
      const [u, v] = [x + packed[e + 2]!, y + packed[e + 3]!]
      x0 = Math.min(x0, x, u)
      x1 = Math.max(x1, x, u)
      y0 = Math.min(y0, y, v)
      y1 = Math.max(y1, y, v)
    }
    boxes.set([x0, y0, x1, y1], b)
  }
  return { packed, boxes }
}

/** Where along edge `e` (0 to 1) the point nearest to (x, y) lies. */
function alongEdge(edges: Float64Array, e: number, x: number, y: number): number {
  const length2 = edges[e + 4]!
  if (length2 === 0) return 0
  const t = ((x - edges[e]!) * edges[e + 2]! + (y - edges[e + 1]!) * edges[e + 3]!) / length2
  return t < 0 ? 0 : Math.min(t, 1)
}

/** The edge nearest to (x, y) of those nearer than `within` (squared), and how near; -1 where there is none. */
function nearestEdge(
  { packed, boxes }: Edges,
  x: number,
  y: number,
  within: number,
): { squared: number; edge: number } {
  let squared = within
  let edge = -1
  for (let b = 0; b < boxes.length; b += 4) {
    const bx = Math.max(0, boxes[b]! - x, x - boxes[b + 2]!)
    const by = Math.max(0, boxes[b + 1]! - y, y - boxes[b + 3]!)
    if (bx * bx + by * by >= squared) continue
    const end = Math.min(packed.length, (b / 4 + 1) * RUN * 5)
    for (let e = (b / 4) * RUN * 5; e < end; e += 5) {
      const t = alongEdge(packed, e, x, y)
      const dx = packed[e]! + t * packed[e + 2]! - x
      const dy = packed[e + 1]! + t * packed[e + 3]! - y
      const d = dx * dx + dy * dy
      if (d < squared) {
        squared = d
        edge = e
      }
    }
  }
  return { squared, edge }
}

/** A circle of the plan. */
export type Circle = { readonly centre: Point; readonly radius: number }

/**
 * The gap between two circles that lie beside one another, exact: d - r - R, narrow along the first where a point of it at
 * the angle a from the line of centres is within 1.25 of the least, d^2 + r^2 - 2 d r cos a < (R + 1.25 least)^2.
 */
export function gapOfCircles(of: Circle, against: Circle): Gap {
  const [dx, dy] = [against.centre[0] - of.centre[0], against.centre[1] - of.centre[1]]
  const d = Math.hypot(dx, dy) || 1e-9
  const least = Math.max(0, d - of.radius - against.radius)
  const at = ({ centre, radius }: Circle, way: 1 | -1): Point => [
    centre[0] + (way * dx * radius) / d,
    centre[1] + (way * dy * radius) / d,
  ]
  const cos = (d * d + of.radius ** 2 - (against.radius + 1.25 * least) ** 2) / (2 * d * of.radius || 1e-9)
  return {
    least,
    from: at(of, 1),
    to: at(against, -1),
    narrowLength: 2 * of.radius * Math.acos(Math.min(1, Math.max(-1, cos))),
  }
}

/** How many pieces a straight edge is stepped into when its narrow length is measured. */
const STEPS = 64

/**
 * The gap between two boundaries that do not cross. `of` should be the smaller one: its edges are stepped along to
 * find how long the gap stays narrow. Exact for straight edges; within the chord error for arcs.
 */
export function measureGap(of: Region, against: Region): Gap {
  const [ofEdges, againstEdges] = [packEdges(of), packEdges(against)]
  const own = ofEdges.packed
  let least = Number.POSITIVE_INFINITY
  let from: Point = [0, 0]
  let to: Point = [0, 0]
  const corner = ({ packed: edges }: Edges, others: Edges, swap: boolean) => {
    const facing = others.packed
    for (let e = 0; e < edges.length; e += 5) {
      const [x, y] = [edges[e]!, edges[e + 1]!]
      const near = nearestEdge(others, x, y, least)
      if (near.edge < 0) continue
      least = near.squared
      const t = alongEdge(facing, near.edge, x, y)
      const foot: Point = [
        facing[near.edge]! + t * facing[near.edge + 2]!,
        facing[near.edge + 1]! + t * facing[near.edge + 3]!,
      ]
      ;[from, to] = swap ? [foot, [x, y]] : [[x, y], foot]
    }
  }
  corner(ofEdges, againstEdges, false)
  corner(againstEdges, ofEdges, true)
  least = Math.sqrt(least)

  const narrow = least * 1.25
  let narrowLength = 0
  for (let e = 0; e < own.length; e += 5) {
    const length = Math.sqrt(own[e + 4]!)
    const isWithin = (t: number, reach: number) =>
      nearestEdge(againstEdges, own[e]! + t * own[e + 2]!, own[e + 1]! + t * own[e + 3]!, reach * reach)
        .edge >= 0
    if (!isWithin(0.5, narrow + length / 2 + 1e-9)) continue
    const steps = length < least / 8 ? 1 : STEPS
    for (let i = 0; i < steps; i += 1) if (isWithin((i + 0.5) / steps, narrow)) narrowLength += length / steps
  }
  return { least, from, to, narrowLength }
}
