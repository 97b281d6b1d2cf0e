import { type Region, sectionSolid, type Vector } from '../../geometry/index.ts'
import { massToForce } from '../../units/convert.ts'
import { UP } from '../bareParts.ts'
import { type CastBody, lockOf } from '../castBody.ts'
import type { MethodInput } from '../method.ts'
import { firstParting } from '../printed/split.ts'
import { type CurvedJoint, curvedJoint, jointThatOpens } from '../shells/curvedJoint.ts'
import { type Parting, planeOf } from '../shells/flangedShells.ts'
import { wayAt } from '../shells/pullWay.ts'

/**
 * The joint: level at the greatest section; upright through the middle where a level one would lock and this does not;
 * along a curve where both would and one can be drawn by which both shells leave, or where the way is chosen.
 */
export function jointOf(input: MethodInput<'closed'>, body: CastBody, z: number): Parting | CurvedJoint {
  const level: Parting = { normal: UP, offset: z }
  const { pull } = input.piece.mould
  if (pull && !input.quick) return curvedJoint(input.kernel, body, wayAt(pull)) ?? level
  if (input.quick || locksAt(input, body, level).length === 0) return level
  const upright = firstParting(input.kernel, body)
  if (locksAt(input, body, upright).length === 0) return upright
  return jointThatOpens(input.kernel, body) ?? level
}

/** The sides of a joint on which the shell would lock, 1 before it and -1 behind, and how far from the joint, mm. */
export function locksAt(
  { kernel }: MethodInput<'closed'>,
  body: CastBody,
  { normal, offset }: Parting,
): { readonly side: 1 | -1; readonly away: number }[] {
  const reach = Math.abs(normal[0]) * body.length + Math.abs(normal[1]) * body.width
  return ([1, -1] as const).flatMap((side) => {
    const way: Vector = [normal[0] * side, normal[1] * side, normal[2] * side]
    const far = normal[2] > 0.5 ? (side === 1 ? body.height : 0) : offset * side + reach / 2
    const lock = lockOf(kernel, body.recipe, way, offset * side, far)
    return lock ? [{ side, away: lock.at - offset * side }] : []
  })
}

export const jointSection = ({ kernel }: MethodInput<'closed'>, body: CastBody, parting: Parting): Region =>
  kernel.withSolids((scope) => sectionSolid(scope, scope.solid(body.recipe), planeOf(parting)))

/** Degrees from the front to an upright joint, seen from above. */
export const jointAngle = ({ normal }: Parting): number =>
  ((((Math.atan2(normal[1], normal[0]) * 180) / Math.PI + 90) % 180) + 180) % 180

/**
 * What lifts the upper shell, N: the fill presses up on it as if concrete stood over all its plan to the level in the
 * funnel, less what of the cast truly stands above the joint: F = rho g (A (h + head) - V above).
 */
export const shellUplift = (
  { area, above, volumeAbove, head }: { area: number; above: number; volumeAbove: number; head: number },
  freshKgPerM3: number,
): number => Math.max(0, massToForce(freshKgPerM3 * (area * (above + head) - volumeAbove) * 1e-9))

/**
 * What pushes two shells apart across an upright joint, N: the pressure over its section, rho g (A H - moment of A),
 * its y being height and H the level in the funnel.
 */
export function shellSpread(section: Region, level: number, freshKgPerM3: number): number {
  let [area, moment] = [0, 0]
  for (const ring of section)
    ring.forEach(([x, y], i) => {
      const [nx, ny] = ring[(i + 1) % ring.length]!
      const cross = x * ny - nx * y
      area += cross / 2
      moment += ((y + ny) * cross) / 6
    })
  return massToForce(freshKgPerM3 * 1e-9 * (area * level - moment))
}
