import {
  dot,
  heightAt,
  type Kernel,
  measureSolid,
  meshSolid,
  offsetRegion,
  outlineFromAbove,
  type Placement,
  placeOnRing,
  queryMesh,
  type Region,
  RINGS,
  type SolidRecipe,
  squareTo,
  type Under,
  unit,
  type Vector,
} from '../../geometry/index.ts'
import { massToForce } from '../../units/convert.ts'
import { UP } from '../bareParts.ts'
import { type CastBody, greatestSection } from '../castBody.ts'
import { bestPulls, ownAxes, spread } from './bestPulls.ts'
import { partingSurface, WITHIN } from './partingSurface.ts'
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
  const surface = partingSurface(kernel, own, z, -FAR * Math.hypot(length, width, height))
  if (!surface) return null
  const origin = [0, 1, 2].map((k) => u[k]! * min[0] + v[k]! * min[1] + way[k]! * min[2]) as unknown as Vector
  const frame: Placement = { x: u, y: v, z: way, origin }
  const edge = surface.heights.at(-1)!
  return {
    way,
    behind: { kind: 'moved', solid: surface, by: frame },
    lockedMm2: lockedBy(kernel, own, surface),
    from: Math.min(...edge),
    to: Math.max(...edge),
    frame,
    surface,
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
 * A curved joint by which both halves leave, up where one does, else along an axis of the surface's own or the best of the ways that a search
 * over the sphere ranks; null where none of them does.
 */
export function jointThatOpens(kernel: Kernel, body: CastBody): CurvedJoint | null {
  const up = curvedJoint(kernel, body, UP)
  if (up && up.lockedMm2 === 0) return up
  const mesh = kernel.withSolids((s) => meshSolid(s.solid(body.recipe)))
  const ways = [
    ...ownAxes(mesh),
    ...bestPulls(mesh, { places: PLACES })
      .pulls.slice(0, TRIED)
      .map((p) => p.way),
  ]
  for (const way of ways) {
    const sign = way[2] < -1e-9 ? -1 : 1
    const upright = unit([way[0] * sign, way[1] * sign, way[2] * sign])
    if (dot(upright, UP) > 1 - 1e-6) continue
    const joint = curvedJoint(kernel, body, upright)
    if (joint && joint.lockedMm2 === 0) return joint
  }
  return null
}
/** Places of the surface a way is ranked by, and how many of the best are tried. */
const [PLACES, TRIED] = [800, 4]

/** A flange along a joint: as far out of the body as `by`, so thick to either side of it along its way. */
export function curvedFlange(joint: CurvedJoint, by: number, half: number, name: string): SolidRecipe {
  const { surface, body, from, to, frame } = joint
  const raised = (mm: number): Under => ({
    ...surface,
    heights: surface.heights.map((ring) => ring.map((z) => z + mm)),
    atMiddle: surface.atMiddle + mm,
  })
  const { low, high } = { low: Math.min(from, surface.atMiddle) - half - 1, high: to + half + 1 }
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
  { body, surface, frame }: CurvedJoint,
  out: number,
  spacing: number,
): Vector[] {
  const rings = offsetRegion(kernel, outlineFromAbove(kernel, body.recipe), out, 'round')
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
  const { surface, frame, way } = joint
  const { middle, radii, heights, atMiddle } = surface
  const n = radii.length
  const centre: Vector = [...middle, atMiddle]
  const at = (i: number, k: number): Vector => [...placeOnRing(surface, i % n, k), heights[k]![i % n]!]
  let moment = 0
  const tri = (a: Vector, b: Vector, c: Vector): void => {
    const area = ((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])) / 2
    const z = [a, b, c].reduce((sum, p) => sum + placed(frame, p)[2], 0) / 3
    moment += area * (levelMm - z)
  }
  for (let i = 0; i < n; i += 1) {
    tri(centre, at(i, 0), at(i + 1, 0))
    for (let k = 0; k + 1 < RINGS; k += 1) {
      tri(at(i, k), at(i, k + 1), at(i + 1, k + 1))
      tri(at(i, k), at(i + 1, k + 1), at(i + 1, k))
    }
  }
  // The surface is told a little within the outline.
  const whole = moment / (1 - WITHIN) ** 2
  return Math.max(0, massToForce((whole - volumeBefore * way[2]) * freshKgPerM3 * 1e-9))
}

const placed = ({ x, y, z, origin }: Placement, [a, b, c]: readonly [number, number, number]): Vector =>
  [0, 1, 2].map((k) => origin[k]! + x[k]! * a + y[k]! * b + z[k]! * c) as unknown as Vector

/** How far off upright a way leads, degrees. */
export const leanOf = ([, , z]: Vector): number => (Math.acos(Math.min(1, Math.abs(z))) * 180) / Math.PI
