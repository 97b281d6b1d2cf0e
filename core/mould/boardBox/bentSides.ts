import {
  type Arc,
  arcByRise,
  boundLoop,
  filletReach,
  type Loop,
  type PathCorner,
  type Point,
  type Segment,
  type Vector,
} from '../../geometry/index.ts'
import type { SideId } from '../../job/index.ts'
import { outlineEdges } from '../../piece/index.ts'
import type { Skin } from '../../stock/index.ts'
import { interiorAngle } from './interiorAngle.ts'

/** How deep backing ribs are behind the skin, mm [own]. */
export const RIB_DEPTH = 50
/** Sides that meet within this of straight on make one smooth curve, degrees. */
const TANGENT = 0.5

/** A skin bent along an arc of the plan, as poured. */
export type BentSide = {
  /** The side's id, or `corner-<n>` for a rounded corner. */
  readonly id: string
  readonly words: string
  readonly arc: Arc
  readonly from: Point
  readonly to: Point
  /** Convex: the concrete bulges into the skin. */
  readonly convex: boolean
  /** Along the neutral line, mm: r + s/2 outside a convex corner, r - s/2 inside a concave one. */
  readonly developed: number
  readonly skin: Loop
  /** Cut to the face away from the concrete: r + s convex, r - s concave. */
  readonly rib: Loop
  readonly ribRadius: number
  readonly pull: Vector
}

/** Cut length of a strip of thickness `s` bent through `angle` at the plan's radius `r`. r 60, s 3, quarter: 96.60 and 91.89. */
export const developedLength = (radius: number, angle: number, s: number, convex: boolean): number =>
  angle * (convex ? radius + s / 2 : radius - s / 2)

/** Ring round a disc, lapped on itself: pi (D + s) + overlap. D 400, s 0.3, overlap 30: 1287.6. */
export const ringLength = (diameter: number, s: number, overlap: number): number =>
  Math.PI * (diameter + s) + overlap

/** Skins along the curved sides of a path and, where wanted, round its rounded outside corners. */
export function bentSides(
  path: readonly PathCorner[],
  outline: Loop,
  s: number,
  roundsBent: boolean,
  names: ReadonlyMap<SideId, string>,
): BentSide[] {
  const n = path.length
  const edges = outlineEdges(path, names)
  const sides = path.flatMap((corner, i): BentSide[] => {
    const next = path[(i + 1) % n]!
    if (corner.run.kind !== 'arc') return []
    const [from, to]: [Point, Point] = [
      [corner.x, corner.y],
      [next.x, next.y],
    ]
    const arc = arcByRise(from, to, corner.run.rise)
    return arc ? [bent(corner.side, names.get(corner.side)!, { name: corner.side, from, to, arc }, s)] : []
  })
  if (!roundsBent) return sides
  const rounds = path.flatMap((_, i): BentSide[] => {
    if (!bentRound(path, i)) return []
    const segment = outline.find((o) => edges.get(o.name)?.of === 'corner' && o.arc && tangentAt(o, path, i))
    return segment ? [bent(`corner-${i + 1}`, `${edges.get(segment.name)!.words} corner`, segment, s)] : []
  })
  return [...sides, ...rounds]
}

/** The first sheet in stock that goes round every curved side of a plan, or the first of all. */
export function skinFor(path: readonly PathCorner[], skins: readonly Skin[]): string | undefined {
  const radii = path.flatMap((corner, i): number[] => {
    const next = path[(i + 1) % path.length]!
    const arc =
      corner.run.kind === 'arc' ? arcByRise([corner.x, corner.y], [next.x, next.y], corner.run.rise) : null
    return arc ? [arc.radius] : []
  })
  const least = Math.min(...radii)
  return (skins.find((s) => s.leastRadius <= least) ?? skins[0])?.id
}

/** Whether a corner is a rounded outside one, as a skin can be bent round. */
export function bentRound(path: readonly PathCorner[], i: number): boolean {
  const n = path.length
  const at = (k: number): Point => [path[(k + n) % n]!.x, path[(k + n) % n]!.y]
  return filletReach(path, i) > 0 && interiorAngle(at(i - 1), at(i), at(i + 1)) < 180
}

/** A fillet starts on the side before its corner, as far from it as its radius asks. */
function tangentAt({ from }: Segment, path: readonly PathCorner[], i: number): boolean {
  const { x, y } = path[i]!
  return Math.abs(Math.hypot(from[0] - x, from[1] - y) - filletReach(path, i)) < 1e-6
}

function bent(id: string, words: string, { from, to, arc }: Segment, s: number): BentSide {
  const own = arc!
  const convex = own.sweepRad > 0
  const sign = convex ? 1 : -1
  const ribRadius = own.radius + sign * s
  const middle = Math.atan2(from[1] - own.centre[1], from[0] - own.centre[0]) + own.sweepRad / 2
  return {
    id,
    words,
    arc: own,
    from,
    to,
    convex,
    developed: developedLength(own.radius, Math.abs(own.sweepRad), s, convex),
    skin: band(`skin/${id}`, from, to, own, own.radius, ribRadius),
    rib: band(`rib/${id}`, from, to, own, ribRadius, Math.max(0.5, ribRadius + sign * RIB_DEPTH)),
    ribRadius,
    pull: [sign * Math.cos(middle), sign * Math.sin(middle), 0],
  }
}

/** The ground between two radii of an arc, anticlockwise, its ends square to the arc. */
function band(name: string, from: Point, to: Point, arc: Arc, near: number, far: number): Loop {
  const { centre, radius, sweepRad } = arc
  const at = ([x, y]: Point, r: number): Point => [
    centre[0] + ((x - centre[0]) * r) / radius,
    centre[1] + ((y - centre[1]) * r) / radius,
  ]
  const [a, b, c, d] = [at(from, near), at(to, near), at(to, far), at(from, far)]
  const curve = (part: string, p: Point, q: Point, r: number, sweep: number): Segment => ({
    name: `${name}/${part}`,
    from: p,
    to: q,
    arc: { centre, radius: r, sweepRad: sweep },
  })
  const line = (p: Point, q: Point): Segment => ({ name: `${name}/end`, from: p, to: q, arc: null })
  // It stands to the right of its side: walked against it along the concrete, it is on the left.
  return [curve('face', b, a, near, -sweepRad), line(a, d), curve('back', d, c, far, sweepRad), line(c, b)]
}

/** The board a rib is cut from: along its chord, and as deep as its curve rises. */
export function ribBlank({ rib }: BentSide): [length: number, width: number] {
  const [face] = rib
  const [a, b] = [face!.from, face!.to]
  const chord = Math.hypot(b[0] - a[0], b[1] - a[1])
  const along: Point = chord < 1e-6 ? [1, 0] : [(b[0] - a[0]) / chord, (b[1] - a[1]) / chord]
  const { min, max } = boundLoop(rib.map((s) => turnedSegment(s, along)))
  return [max[0] - min[0], max[1] - min[1]]
}

/** A segment in axes along `x` and to its left. */
function turnedSegment(segment: Segment, [cx, cy]: Point): Segment {
  const turn = ([x, y]: Point): Point => [x * cx + y * cy, y * cx - x * cy]
  const { name, from, to, arc } = segment
  return { name, from: turn(from), to: turn(to), arc: arc && { ...arc, centre: turn(arc.centre) } }
}

/** Whether the plan is one smooth ring of arcs, which a single skin goes round. */
export function isRing(path: readonly PathCorner[]): boolean {
  const n = path.length
  if (!path.every((c) => c.run.kind === 'arc')) return false
  return path.every((corner, i) => {
    const before = path[(i + n - 1) % n]!
    const after = path[(i + 1) % n]!
    const at: Point = [corner.x, corner.y]
    const [a, b] = [
      arcByRise([before.x, before.y], at, riseOfRun(before)),
      arcByRise(at, [after.x, after.y], riseOfRun(corner)),
    ]
    if (!a || !b || a.sweepRad * b.sweepRad < 0) return false
    const way = (arc: Arc) => Math.atan2(at[1] - arc.centre[1], at[0] - arc.centre[0])
    const turn = ((((way(a) - way(b)) * 180) / Math.PI + 540) % 360) - 180
    return Math.abs(turn) < TANGENT
  })
}

const riseOfRun = ({ run }: PathCorner): number => (run.kind === 'arc' ? run.rise : 0)

/**
 * How far apart ribs may stand behind a skin: (384 E I w/(5 q))^(1/4) a mm of width, I = s^3/12.
 * Hardboard 3 mm, 10 kPa, w 1 mm: 91 mm.
 */
export const ribSpacing = (elasticity: number, thickness: number, pressureKPa: number, bow = 1): number =>
  ((384 * elasticity * (thickness ** 3 / 12) * bow) / (5 * Math.max(1e-6, pressureKPa / 1000))) ** 0.25

/** Heights of the undersides of ribs of thickness `t` between `low` and `high`, none further apart than `spacing`. */
export function ribHeights(low: number, high: number, t: number, spacing: number): number[] {
  const room = high - low - t
  if (room <= 0) return [low]
  if (room < t) return [low + room / 2]
  const gaps = Math.max(1, Math.ceil(room / Math.max(t, spacing) - 1e-9))
  return Array.from({ length: gaps + 1 }, (_, i) => low + (room * i) / gaps)
}

/** What a kerf leaves of a sheet, mm; how far the face may stray from its curve between two, mm [own]. */
const WEB = 1.5
const FLAT = 0.2

/**
 * Saw kerfs across the back that let a stiff sheet bend tighter: the web left in each bends no tighter than a sheet so
 * thin may (least radius by thickness), which is its share of the turn; and the flats between them stray little from the
 * curve, chord^2/(8 r). Null where they would come closer than two kerfs: no saw cuts that.
 */
export function kerfs(
  radius: number,
  { thickness, leastRadius }: { readonly thickness: number; readonly leastRadius: number },
  kerf: number,
): { depth: number; spacing: number } | null {
  if (kerf <= 0 || thickness < 2 * WEB) return null
  const turn = kerf / (leastRadius * (WEB / thickness))
  const spacing = Math.min(turn * radius, Math.sqrt(8 * radius * FLAT) + kerf)
  return spacing < 2 * kerf ? null : { depth: thickness - WEB, spacing }
}
