import type { CrossSection, Manifold } from 'manifold-3d'
import type { Solid, SolidScope } from './kernel.ts'
import type { SolidRecipe, Vector } from './recipe.ts'
import { sectionOf } from './region.ts'
import { type CutPlane, sectionSolid } from './sectionSolid.ts'
import { stackBands } from './stackBands.ts'
import { turnedChords } from './turnedMesh.ts'

type Turned = Extract<SolidRecipe, { kind: 'turned' }>

/** Bands a body is coated in at most: more is finer and slower. */
const BANDS = 24
/** Chords of a whole turn in a coat. */
const TURN = 48
/** Triangles from which a body is thinned first, by a fiftieth of the coat. */
const DENSE = 40_000

/**
 * A body with a coat round it. Band by band upward: what lies within `by` of the band is seen from above, and that plan
 * is grown by `by`. So the coat is nowhere thinner than `by`, and over slopes it is thicker, in steps a band high.
 */
export function growSolid(scope: SolidScope, dense: Manifold, by: number): Manifold {
  const body = dense.numTri() > DENSE ? scope.keep(dense.simplify(by / 50)) : dense
  const { min, max } = body.boundingBox()
  const [low, high] = [min[2] - by, max[2] + by]
  const count = Math.max(1, Math.min(BANDS, Math.ceil((high - low) / by)))
  const band = (high - low) / count
  const facing = upward(scope, body)
  const bands: { from: number; to: number; plan: CrossSection }[] = []
  for (let i = 0; i < count; i += 1) {
    const [a, b] = [low + i * band, low + (i + 1) * band]
    const near = scope.keep(seen(scope, body, facing, a - by, b + by).simplify(by / 100))
    const plan = scope.keep(scope.keep(near.offset(by, 'Round', 2, TURN)).simplify(by / 50))
    const last = bands[bands.length - 1]
    if (last && alike(last.plan, plan)) last.to = b
    else bands.push({ from: a, to: b, plan })
  }
  return stackBands(
    scope,
    bands.map(({ from, to, plan }) => ({ from, to, plan: plan.toPolygons() })),
  )
}

/** Whether two plans are the same to a hundredth of a mm2 and a hundredth of a mm of their box. */
function alike(a: CrossSection, b: CrossSection): boolean {
  if (Math.abs(a.area() - b.area()) > 0.01) return false
  const [p, q] = [a.bounds(), b.bounds()]
  return [0, 1].every((k) => Math.abs(p.min[k]! - q.min[k]!) < 0.01 && Math.abs(p.max[k]! - q.max[k]!) < 0.01)
}

/** Area of a regular polygon over that of the circle round it. */
const shareOfDisc = (sides: number): number => Math.sin((2 * Math.PI) / sides) / ((2 * Math.PI) / sides)

/** A turned body with a coat of even thickness: its half section is grown, then turned. */
export function growTurned(scope: SolidScope, turned: Turned, by: number): Manifold {
  const half = turned.profile.map(({ radius, z }): [number, number] => [radius, z])
  const mirrored = [...half].reverse().map(([r, z]): [number, number] => [-r, z])
  const full = scope.keep(new scope.kernel.CrossSection([half, mirrored], 'Positive'))
  // Tidied by next to nothing: a flat that tilts by a hundredth of the coat takes a hundredth of the rubber.
  const grown = scope.keep(scope.keep(full.offset(by, 'Round', 2, TURN * 2)).simplify(by / 2000))
  // Turned about the axis, what lies left of it is left out.
  const most = Math.max(...half.map(([r]) => r)) + by
  // Round it is as fine as a fiftieth of the coat asks: no finer than what it stands round.
  const enough = Math.ceil(Math.PI / Math.acos(1 - Math.min(1, by / 50 / most)))
  const own = turnedChords(turned.profile, scope.coarser)
  const chords = Math.max(TURN, Math.min(own, enough))
  const body = scope.keep(grown.revolve(chords))
  // Fewer chords hold less than the body's own: widened, so that what lies between them is as thick as it is told.
  const wider = Math.sqrt(shareOfDisc(own) / shareOfDisc(chords))
  return scope.keep(scope.keep(body.scale([wider, wider, 1])).translate(turned.at[0], turned.at[1], 0))
}

/** A body's section by a plane, grown by `by`, as a plate to either side of the plane. */
export function flangeSolid(
  scope: SolidScope,
  solid: Solid,
  { by, plane, half }: { readonly by: number; readonly plane: CutPlane; readonly half: number },
): Manifold {
  const { u, v, origin: o } = plane
  const n: Vector = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const cut = sectionOf(scope, sectionSolid(scope, solid, plane))
  const grown = scope.keep(scope.keep(cut.offset(by, 'Round', 2, TURN)).simplify(by / 100))
  const plate = scope.keep(scope.keep(grown.extrude(2 * half)).translate(0, 0, -half))
  return scope.keep(plate.transform([...u, 0, ...v, 0, ...n, 0, ...o, 1]))
}

/** A body's plan from above, grown by `by` (shrunk when negative), as a plate between two heights. */
export function outsetSolid(
  scope: SolidScope,
  body: Manifold,
  { by, low, high }: { readonly by: number; readonly low: number; readonly high: number },
): Manifold {
  const seen = scope.keep(body.project())
  const grown = by === 0 ? seen : scope.keep(seen.offset(by, 'Round', 2, TURN * 2))
  return scope.keep(scope.keep(grown.extrude(high - low)).translate(0, 0, low))
}

type Triangle = readonly [Vector, Vector, Vector]
/** What of a body is seen from above: sloping triangles, and level ground by its height. */
type Facing = {
  readonly sloping: readonly Triangle[]
  readonly level: readonly { readonly z: number; readonly plan: CrossSection }[]
}

/** From so many triangles on, level ground is told by the section just below it: one ring instead of many. */
const MANY = 24
const BELOW = 1e-4

/** The triangles that are seen from above, upright ones left out: what lies below them is covered by them. */
function upward(scope: SolidScope, body: Manifold): Facing {
  const { vertProperties: v, triVerts, numProp } = body.getMesh()
  const at = (i: number): Vector => [v[i * numProp]!, v[i * numProp + 1]!, v[i * numProp + 2]!]
  const sloping: Triangle[] = []
  const flat = new Map<number, Triangle[]>()
  for (let t = 0; t < triVerts.length; t += 3) {
    const [a, b, c] = [at(triVerts[t]!), at(triVerts[t + 1]!), at(triVerts[t + 2]!)]
    if ((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) <= 1e-9) continue
    if (a[2] !== b[2] || b[2] !== c[2]) sloping.push([a, b, c])
    else {
      const own = flat.get(a[2])
      if (own) own.push([a, b, c])
      else flat.set(a[2], [[a, b, c]])
    }
  }
  const level: { z: number; plan: CrossSection }[] = []
  for (const [z, own] of flat)
    if (own.length < MANY || z - BELOW <= body.boundingBox().min[2]) sloping.push(...own)
    else level.push({ z, plan: scope.keep(body.slice(z - BELOW)) })
  return { sloping, level }
}

/** Plan of what of a body lies between two heights: its section at the upper one and what faces up between them. */
function seen(scope: SolidScope, body: Manifold, facing: Facing, low: number, high: number): CrossSection {
  const rings: [number, number][][] = []
  for (const corners of facing.sloping) {
    const heights = corners.map((p) => p[2])
    if (Math.max(...heights) < low || Math.min(...heights) > high) continue
    const inside = clip(clip([...corners], low, 1), high, -1)
    if (inside.length > 2) rings.push(inside.map(([x, y]) => [x, y]))
  }
  const { min, max } = body.boundingBox()
  const cut = scope.keep(body.slice(Math.min(high, max[2] - 1e-6)))
  if (high < max[2] && high > min[2]) rings.push(...cut.toPolygons())
  const sloping = sectionOf(scope, rings)
  const level = facing.level.filter(({ z }) => z >= low && z <= high).map(({ plan }) => plan)
  return level.length === 0 ? sloping : scope.keep(scope.kernel.CrossSection.union([sloping, ...level]))
}

/** What of a flat polygon lies above a height (`way` 1) or below it (-1). */
function clip(points: readonly Vector[], z: number, way: 1 | -1): Vector[] {
  return points.flatMap((p, i): Vector[] => {
    const q = points[(i + 1) % points.length]!
    const [u, w] = [(p[2] - z) * way, (q[2] - z) * way]
    const t = u / (u - w)
    const crossing: Vector[] =
      u >= 0 !== w >= 0 ? [[p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1]), z]] : []
    return u >= 0 ? [p, ...crossing] : crossing
  })
}
