import { arcPoints, chordCount } from './chords.ts'
import type { Point } from './outline.ts'
import type { LoftLoop, LoftSide, SideProfile } from './recipe.ts'

/** Points of a loft's loop at one height, and for each the name of the face that starts there. */
export type LoftLevel = { readonly z: number; readonly points: readonly Point[] }

/** How far in the side stands at height z: straight between the steps of its profile. */
export function insetAt(profile: SideProfile, z: number): number {
  const first = profile[0]!
  if (z <= first.z) return first.inset
  for (let i = 1; i < profile.length; i += 1) {
    const [a, b] = [profile[i - 1]!, profile[i]!]
    if (z > b.z) continue
    return b.z === a.z ? b.inset : a.inset + ((b.inset - a.inset) * (z - a.z)) / (b.z - a.z)
  }
  return profile.at(-1)!.inset
}

/** The step of a side's profile between two heights: the one its middle lies on. */
function bandAt(profile: SideProfile, z: number): SideProfile[number] {
  for (let i = 1; i < profile.length; i += 1) if (z <= profile[i]!.z) return profile[i - 1]!
  return profile.at(-1)!
}

/** Every height at which some side bends, from `low` to `high`. */
export function loftHeights(loop: LoftLoop, low: number, high: number): number[] {
  const heights = [low, high]
  for (const { profile } of loop)
    for (const { z } of profile) if (z > low + 1e-7 && z < high - 1e-7) heights.push(z)
  heights.sort((a, b) => a - b)
  return heights.filter((z, i) => i === 0 || z - heights[i - 1]! > 1e-7)
}

type Count = { readonly corner: number; readonly side: number }

/** How many points each corner and each side gives, the same at every height. */
export function loftCounts(loop: LoftLoop, coarser: number): Count[] {
  return loop.map((own, i) => {
    const before = loop[(i + loop.length - 1) % loop.length]!
    const turn = own.radius > 0 ? Math.abs(turnAt(before, own)) : 0
    return {
      corner: turn > 0 ? chordCount(own.radius, turn, 1 / coarser) + 1 : 1,
      side: own.arc ? chordCount(own.arc.radius, own.arc.sweepRad, 1 / coarser) - 1 : 0,
    }
  })
}

/** The faces between two heights, as runs of points: eased edges win over a rounded corner's own. */
export function loftBands(
  loop: LoftLoop,
  z: number,
  each: readonly Count[],
): { readonly name: string; readonly count: number }[] {
  const bands = loop.map((s) => bandAt(s.profile, z))
  return loop.flatMap((own, i) => {
    const [mine, theirs] = [bands[i]!, bands[(i + loop.length - 1) % loop.length]!]
    const { corner, side } = each[i]!
    const half = Math.ceil((corner - 1) / 2)
    const nearer = (band: SideProfile[number]) => (band.eased ? band.name : own.corner)
    const rounded =
      corner > 1
        ? [
            { name: nearer(theirs), count: half },
            { name: nearer(mine), count: corner - 1 - half },
          ]
        : []
    return [...rounded, { name: mine.name, count: side + 1 }]
  })
}

const direction = ({ from, to }: LoftSide): Point => {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1
  return [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
}

/** The tangent of a side at its start or end. */
function tangent(side: LoftSide, end: 'start' | 'end'): Point {
  if (!side.arc) return direction(side)
  const { centre, sweepRad } = side.arc
  const at = end === 'start' ? side.from : side.to
  const [x, y] = [at[0] - centre[0], at[1] - centre[1]]
  const length = Math.hypot(x, y) || 1
  return sweepRad > 0 ? [-y / length, x / length] : [y / length, -x / length]
}

/** The turn from one side into the next, positive to the left, radians. */
function turnAt(before: LoftSide, after: LoftSide): number {
  const [u, v] = [tangent(before, 'end'), tangent(after, 'start')]
  return Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1])
}

/** A side moved to its left by `d`: an arc that turns left shrinks about its centre. */
function moved(side: LoftSide, d: number): LoftSide {
  if (side.arc) {
    const radius = Math.max(1e-6, side.arc.radius - Math.sign(side.arc.sweepRad) * d)
    const { centre } = side.arc
    const k = radius / side.arc.radius
    const scale = ([x, y]: Point): Point => [centre[0] + (x - centre[0]) * k, centre[1] + (y - centre[1]) * k]
    return { ...side, from: scale(side.from), to: scale(side.to), arc: { ...side.arc, radius } }
  }
  const [x, y] = direction(side)
  const shift = (p: Point): Point => [p[0] - y * d, p[1] + x * d]
  return { ...side, from: shift(side.from), to: shift(side.to) }
}

/** Sides that turn by less than this, radians, run on smoothly. */
const SMOOTH = 1e-4

/** Where two moved sides meet, near the corner they came from. */
function meeting(before: LoftSide, after: LoftSide, d0: number, d1: number, corner: Point): Point {
  const turn = turnAt(before, after)
  if (Math.abs(turn) < SMOOTH || Math.abs(Math.abs(turn) - Math.PI) < SMOOTH) {
    const [tx, ty] = tangent(before, 'end')
    const d = (d0 + d1) / 2
    return [corner[0] - ty * d, corner[1] + tx * d]
  }
  if (d0 === 0 && d1 === 0) return corner
  const [a, b] = [moved(before, d0), moved(after, d1)]
  const near = (candidates: readonly Point[], wanted: Point): Point | null =>
    candidates.reduce<Point | null>(
      (best, p) =>
        !best ||
        Math.hypot(p[0] - wanted[0], p[1] - wanted[1]) < Math.hypot(best[0] - wanted[0], best[1] - wanted[1])
          ? p
          : best,
      null,
    )
  if (!a.arc && !b.arc) return lineMeeting(a, b) ?? a.to
  if (a.arc && b.arc) return near(circleMeetings(a.arc, b.arc), corner) ?? middle(a.to, b.from)
  const [line, arc] = a.arc ? [b, a.arc] : [a, b.arc!]
  return near(lineCircleMeetings(line, arc), corner) ?? middle(a.to, b.from)
}

const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]

function lineMeeting(a: LoftSide, b: LoftSide): Point | null {
  const [u, v] = [direction(a), direction(b)]
  const det = u[0] * v[1] - u[1] * v[0]
  if (Math.abs(det) < 1e-12) return null
  const t = ((b.from[0] - a.to[0]) * v[1] - (b.from[1] - a.to[1]) * v[0]) / det
  return [a.to[0] + u[0] * t, a.to[1] + u[1] * t]
}

type Circle = { readonly centre: Point; readonly radius: number }

function lineCircleMeetings(line: LoftSide, { centre, radius }: Circle): Point[] {
  const [x, y] = direction(line)
  const [fx, fy] = [line.from[0] - centre[0], line.from[1] - centre[1]]
  const b = fx * x + fy * y
  const h = b * b - (fx * fx + fy * fy - radius * radius)
  if (h < 0) return []
  return [-b - Math.sqrt(h), -b + Math.sqrt(h)].map(
    (t): Point => [line.from[0] + x * t, line.from[1] + y * t],
  )
}

function circleMeetings(a: Circle, b: Circle): Point[] {
  const [dx, dy] = [b.centre[0] - a.centre[0], b.centre[1] - a.centre[1]]
  const d = Math.hypot(dx, dy)
  if (d < 1e-9) return []
  const along = (a.radius * a.radius - b.radius * b.radius + d * d) / (2 * d)
  const h = a.radius * a.radius - along * along
  if (h < 0) return []
  const [mx, my] = [a.centre[0] + (dx * along) / d, a.centre[1] + (dy * along) / d]
  const k = Math.sqrt(h) / d
  return [
    [mx + dy * k, my - dx * k],
    [mx - dy * k, my + dx * k],
  ]
}

/**
 * The loop at height z: each side moved in by its inset, mitred where two meet. A rounded corner keeps touching both
 * sides: its radius shrinks by the mean of their insets at an outside corner and grows at an inside one.
 */
export function loftPoints(
  loop: LoftLoop,
  z: number,
  coarser = 1,
  each: readonly Count[] = loftCounts(loop, coarser),
): Point[] {
  const n = loop.length
  const insets = loop.map((s) => insetAt(s.profile, z))
  const sharp = loop.map((own, i) => {
    const j = (i + n - 1) % n
    return meeting(loop[j]!, own, insets[j]!, insets[i]!, own.from)
  })
  const points: Point[] = []
  loop.forEach((own, i) => {
    const j = (i + n - 1) % n
    const { corner, side } = each[i]!
    if (corner > 1)
      points.push(...filletPoints(loop[j]!, own, sharp[i]!, (insets[j]! + insets[i]!) / 2, corner))
    else points.push(sharp[i]!)
    if (own.arc) {
      const { arc } = moved(own, insets[i]!)
      const chords = arcPoints(arc!, sharp[i]!, sharp[(i + 1) % n]!, side + 1)
      for (let k = 1; k < chords.length; k += 1) points.push(chords[k]!)
    }
  })
  return points
}

function filletPoints(before: LoftSide, own: LoftSide, at: Point, inset: number, count: number): Point[] {
  const [u, v] = [direction(before), direction(own)]
  const turn = Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1])
  const left = Math.sign(turn)
  const radius = Math.max(0, own.radius - left * inset)
  const reach = radius * Math.abs(Math.tan(turn / 2))
  const start: Point = [at[0] - u[0] * reach, at[1] - u[1] * reach]
  const centre: Point = [start[0] - u[1] * radius * left, start[1] + u[0] * radius * left]
  const first = Math.atan2(start[1] - centre[1], start[0] - centre[0])
  return Array.from({ length: count }, (_, k): Point => {
    if (radius === 0) return at
    const a = first + (turn * k) / (count - 1)
    return [centre[0] + radius * Math.cos(a), centre[1] + radius * Math.sin(a)]
  })
}

/** Sides whose direction turned round at this height: their insets have eaten them. */
export function lostSides(loop: LoftLoop, z: number): string[] {
  const n = loop.length
  const insets = loop.map((s) => insetAt(s.profile, z))
  const sharp = loop.map((own, i) => {
    const j = (i + n - 1) % n
    return meeting(loop[j]!, own, insets[j]!, insets[i]!, own.from)
  })
  return loop.flatMap((own, i) => {
    const [a, b] = [sharp[i]!, sharp[(i + 1) % n]!]
    if (own.arc) {
      const left = own.arc.radius - Math.sign(own.arc.sweepRad) * insets[i]!
      return left <= 0 ? [own.name] : []
    }
    const [x, y] = direction(own)
    const run = (b[0] - a[0]) * x + (b[1] - a[1]) * y
    const was = Math.hypot(own.to[0] - own.from[0], own.to[1] - own.from[1])
    return run <= 0 && was > 1e-9 ? [own.name] : []
  })
}
