import {
  dot,
  heightAt,
  type Kernel,
  measureRegion,
  measureSolid,
  meshSolid,
  offsetRegion,
  type Placement,
  type Point,
  queryMesh,
  type Region,
  type SolidRecipe,
  squareTo,
  type Under,
  unit,
  type Vector,
} from '../../geometry/index.ts'
import type { Finding, Piece } from '../../job/index.ts'
import { massToForce } from '../../units/convert.ts'
import { UP } from '../bareParts.ts'
import { type CastBody, greatestSection } from '../castBody.ts'
import { finding } from '../checkMould.ts'
import type { MouldFact } from '../types.ts'
import { bestPulls, ownAxes, spread } from './bestPulls.ts'
import { insideAlong, partingSurface } from './partingSurface.ts'
import { type PullWay, wayAt } from './pullWay.ts'
import { walkRing } from './walkRing.ts'

/** A joint of two rigid halves that follows a body where it is widest all round, as it is seen along their way apart. */
export type CurvedJoint = {
  /** Unit, never down: the half before the joint leaves along it, the other against it. */
  readonly way: Vector
  /** All of space that lies behind the joint. */
  readonly behind: SolidRecipe
  /** Of the body's surface that its own half does not leave, mm2: 0 where both halves leave. */
  readonly lockedMm2: number
  /** Lowest and highest along its way at the edge of the body, from the body's own end, mm. */
  readonly from: number
  readonly to: number
  /** In a frame whose z is the way, from the corner of the body's box there. */
  readonly frame: Placement
  readonly surface: Under
  /** The body as it is seen along the way, in that frame. */
  readonly outline: Region
  readonly body: CastBody
}

/** A joint that follows a body along a way; null where none can be drawn: see `partingSurface`. */
export function curvedJoint(kernel: Kernel, body: CastBody, way: Vector): CurvedJoint | null {
  const [u, v]: readonly [Vector, Vector] =
    Math.abs(way[2]) > 1 - 1e-9
      ? [
          [1, 0, 0],
          [0, 1, 0],
        ]
      : squareTo(way)
  const turned = (origin: Vector): SolidRecipe => ({
    kind: 'moved',
    by: { x: [u[0], v[0], way[0]], y: [u[1], v[1], way[1]], z: [u[2], v[2], way[2]], origin },
    solid: body.recipe,
  })
  const { min, max } = kernel.withSolids((s) => measureSolid(s.solid(turned([0, 0, 0])).body))
  const [length, width, height] = [0, 1, 2].map((k) => max[k]! - min[k]!) as [number, number, number]
  const own: CastBody = { ...body, recipe: turned([-min[0], -min[1], -min[2]]), length, width, height }
  const { z } = greatestSection(kernel, own)
  const parting = partingSurface(kernel, own, z, -FAR * Math.hypot(length, width, height))
  if (!parting) return null
  const { surface, outline, from, to } = parting
  const origin = [0, 1, 2].map((k) => u[k]! * min[0] + v[k]! * min[1] + way[k]! * min[2]) as unknown as Vector
  const frame: Placement = { x: u, y: v, z: way, origin }
  return {
    way,
    behind: { kind: 'moved', solid: surface, by: frame },
    lockedMm2: lockedBy(kernel, own, surface),
    from,
    to,
    frame,
    surface,
    outline,
    body: own,
  }
}
/** What of a body's surface does not pass as its halves part along z, each from its side of a joint, mm2. */
function lockedBy(kernel: Kernel, body: CastBody, surface: Under): number {
  const mesh = kernel.withSolids((s) => meshSolid(s.solid(body.recipe)))
  const queries = queryMesh(mesh)
  const places = spread(mesh, LOOKED_AT)
  const locked = places.reduce((sum, { at: [x, y, z], normal, area }) => {
    // Which half covers it: where the place just out of it lies.
    const out: Vector = [x + normal[0] * SCRAPES, y + normal[1] * SCRAPES, z + normal[2] * SCRAPES]
    const sign = out[2] > heightAt(surface, [out[0], out[1]]) ? 1 : -1
    // It may scrape: moved out that far it is free.
    const from: Vector = [out[0], out[1], z + normal[2] * OUT]
    return queries.reach(from, [0, 0, sign]) === null ? sum : sum + area
  }, 0)
  return locked > STRAY * places.reduce((sum, p) => sum + p.area, 0) ? locked : 0
}
/** Places looked at; the share of a surface that chords and rings leave. */
const [LOOKED_AT, STRAY] = [4000, 1e-3]
/** A rigid half may scrape so far; how far out of its own face a place is looked from, mm. */
const [SCRAPES, OUT] = [0.1, 1e-3]

/** How far the space behind a joint reaches, in sizes of the body: past any flange. */
const FAR = 4

/**
 * A curved joint by which both halves leave, up where one does, else along an axis of the surface's own or the best of the ways
 * that a search over the sphere ranks; null where none of them does. `level` tries level ways alone.
 */
export function jointThatOpens(kernel: Kernel, body: CastBody, level = false): CurvedJoint | null {
  const mesh = kernel.withSolids((s) => meshSolid(s.solid(body.recipe)))
  const tried: Vector[] = []
  const attempt = (way: Vector): CurvedJoint | null => {
    const upright = level ? flattened(way) : upward(way)
    if (!upright || tried.some((t) => Math.abs(dot(t, upright)) > 1 - 1e-6)) return null
    tried.push(upright)
    const joint = curvedJoint(kernel, body, upright)
    return joint && opens(kernel, body, joint) ? joint : null
  }
  for (const way of [UP, ...ownAxes(mesh)]) {
    const joint = attempt(way)
    if (joint) return joint
  }
  for (const { way } of bestPulls(mesh, { places: PLACES }).pulls.slice(0, TRIED)) {
    const joint = attempt(way)
    if (joint) return joint
  }
  return null
}
/** Places of the surface a way is ranked by, and how many of the best are tried. */
const [PLACES, TRIED] = [800, 4]

const upward = ([x, y, z]: Vector): Vector => (z < -1e-9 ? unit([-x, -y, -z]) : unit([x, y, z]))
/** A way laid level; null of one that stands upright. */
const flattened = ([x, y]: Vector): Vector | null => (Math.hypot(x, y) < 0.2 ? null : unit([x, y, 0]))

/** The joint along the way that was chosen, whether or not it opens; along the best that is found where none was. */
export const jointAlong = (
  kernel: Kernel,
  body: CastBody,
  chosen: PullWay | null,
  level = false,
): CurvedJoint | null =>
  chosen ? curvedJoint(kernel, body, wayAt(chosen)) : jointThatOpens(kernel, body, level)

/** Whether both halves leave, and each has something of the body in it. */
function opens(kernel: Kernel, body: CastBody, joint: CurvedJoint): boolean {
  if (joint.lockedMm2 > 0) return false
  const [all, behind] = kernel.withSolids((s) => {
    const { body: whole } = s.solid(body.recipe)
    return [whole.volume(), s.solid({ kind: 'intersection', of: [body.recipe, joint.behind] }).body.volume()]
  }) as [number, number]
  return behind > LEAST_HALF * all && behind < (1 - LEAST_HALF) * all
}
const LEAST_HALF = 0.002

/** A flange along a joint: as far out of the body as `by`, so thick to either side of it along its way. */
export function curvedFlange(joint: CurvedJoint, by: number, half: number, name: string): SolidRecipe {
  const { surface, body, frame } = joint
  const raised = (mm: number): Under => ({
    ...surface,
    heights: surface.heights.map((row) => row.map((z) => z + mm)),
  })
  const all = surface.heights.flat()
  const [low, high] = [
    all.reduce((a, b) => Math.min(a, b)) - half - 1,
    all.reduce((a, b) => Math.max(a, b)) + half + 1,
  ]
  return {
    kind: 'moved',
    by: frame,
    solid: {
      kind: 'difference',
      from: {
        kind: 'intersection',
        of: [{ kind: 'outset', solid: body.recipe, by, low, high, name }, raised(half)],
      },
      minus: [raised(-half)],
    },
  }
}

/** Places along the middle of such a flange, so far out of the body, evenly and no further apart than `spacing`; in space. */
export function curvedFlangePoints(
  kernel: Kernel,
  { outline, surface, frame }: CurvedJoint,
  out: number,
  spacing: number,
): Vector[] {
  const rings = offsetRegion(kernel, outline, out, 'round')
  return outer(rings).flatMap((ring) =>
    walkRing(ring, spacing).map((p) => placed(frame, [...p, heightAt(surface, p)])),
  )
}
const outer = (region: Region): Region =>
  region.filter(
    (ring) =>
      ring.reduce((sum, [x, y], i) => {
        const [nx, ny] = ring[(i + 1) % ring.length]!
        return sum + x * ny - nx * y
      }, 0) > 0,
  )

/** What of a shell lies behind a joint, and what before it. */
export const halvesOf = (
  shell: SolidRecipe,
  { behind }: CurvedJoint,
): readonly [SolidRecipe, SolidRecipe] => [
  { kind: 'intersection', of: [shell, behind] },
  { kind: 'difference', from: shell, minus: [behind] },
]

/** The way a half leaves by: before its joint (1) along it, behind it (-1) against it. */
export const alongWay = ({ way }: Pick<CurvedJoint, 'way'>, side: 1 | -1): Vector =>
  side === 1 ? way : [0 - way[0], 0 - way[1], 0 - way[2]]

/**
 * What pushes two halves apart along their way when the fill stands to a level, N: the pressure over
 * the joint as it is seen along its way, less the weight of what is filled before it where that way leads up:
 * F = rho g (sum over the joint of (H - z) dA - V before . way_z), by Gauss's theorem of p = rho g (H - z).
 * Example: a ball of radius r parted level, filled to its top: rho g (pi r^3 - 2/3 pi r^3).
 */
export function pushApart(
  joint: CurvedJoint,
  levelMm: number,
  volumeBefore: number,
  freshKgPerM3: number,
): number {
  const { surface, frame, way, outline } = joint
  const { origin, cell, heights } = surface
  // The middles of small squares within the outline stand for all of it.
  const step = cell / FINE
  const [columns, rows] = [heights[0]!.length - 1, heights.length - 1].map((n) => n * FINE) as [
    number,
    number,
  ]
  let [count, sum] = [0, 0]
  for (let j = 0; j < rows; j += 1) {
    const y = origin[1] + (j + 0.5) * step
    const inside = insideAlong(outline, y)
    for (let i = 0; i < columns; i += 1) {
      const p: Point = [origin[0] + (i + 0.5) * step, y]
      if (!inside(p[0])) continue
      count += 1
      sum += levelMm - placed(frame, [...p, heightAt(surface, p)])[2]
    }
  }
  const moment = count === 0 ? 0 : (sum / count) * measureRegion(outline)
  return Math.max(0, massToForce((moment - volumeBefore * way[2]) * freshKgPerM3 * 1e-9))
}
/** Squares looked at along one of the surface's. */
const FINE = 2

const placed = ({ x, y, z, origin }: Placement, [a, b, c]: readonly [number, number, number]): Vector =>
  [0, 1, 2].map((k) => origin[k]! + x[k]! * a + y[k]! * b + z[k]! * c) as unknown as Vector

/** Where a mould is parted by such a joint, to set it out by. */
export const jointFacts = ({ way, from, to }: CurvedJoint): MouldFact[] => [
  { code: 'curved-joint', facts: { leanDeg: leanOf(way) }, value: from, unit: 'mm' },
  { code: 'curved-joint-to', facts: { leanDeg: leanOf(way) }, value: to, unit: 'mm' },
]

/** Two halves along a chosen way that hold the cast, told with what lets it go. */
export const heldAlong = (
  piece: Piece,
  joint: CurvedJoint | null,
  about: string,
  level: Finding['level'],
): Finding[] =>
  joint && joint.lockedMm2 > 0
    ? [
        finding(
          piece,
          'pull-locks',
          level,
          about,
          { leanDeg: Math.round(leanOf(joint.way)), lockedCm2: joint.lockedMm2 / 100 },
          [{ type: 'mouldChosen', pieceId: piece.id, patch: { pull: null } }],
        ),
      ]
    : []

/** How far off upright a way leads, degrees. */
export const leanOf = ([, , z]: Vector): number => (Math.acos(Math.min(1, Math.abs(z))) * 180) / Math.PI
