import { type Kernel, sectionAreas, type Vector } from '../../geometry/index.ts'
import type { CastBody } from '../castBody.ts'
import type { Parting } from '../shells/flangedShells.ts'

export type Bed = { readonly x: number; readonly y: number; readonly z: number }
type Told = {
  readonly body: CastBody
  readonly shells: 1 | 2 | 4
  /** Wall and flange together: how far a part stands outside the cast, mm. */
  readonly beyond: number
  /** Floor below the cast, mm. */
  readonly below: number
  readonly bed: Bed
}

const X: Vector = [1, 0, 0]
const Y: Vector = [0, 1, 0]
const UP: Vector = [0, 0, 1]
/** Directions looked at for the first parting, over half a turn. */
const TURNS = 24
/** A direction must beat the straight one by this share to be taken. */
const BETTER = 0.995
/** How far a seam may be moved for a valley, as a share of the length between seams. */
const MOVE = 0.15
/** Odd, so that the even place is one of them. */
const TRIES = 9

/** Area of the cast where a plane cuts it: small in a valley of its relief. */
const cutArea = (kernel: Kernel, body: CastBody, { normal, offset }: Parting): number =>
  kernel.withSolids((scope) => sectionAreas(scope.solid(body.recipe), normal, [offset])[0]!)

/** A plane through the middle of the cast, its normal turned by `rad` from the x axis. */
const throughMiddle = ({ length, width }: CastBody, rad: number): Parting => {
  const exact = (n: number) =>
    Math.abs(n) < 1e-12 ? 0 : Math.abs(Math.abs(n) - 1) < 1e-12 ? Math.sign(n) : n
  const normal: Vector = [exact(Math.cos(rad)), exact(Math.sin(rad)), 0]
  return { normal, offset: (normal[0] * length + normal[1] * width) / 2 }
}

/**
 * Which way the shells part: across the narrow side of the plan, turned into the valleys of the relief where a turn
 * makes the cut smaller, as it does on a fluted shaft. Quick: straight.
 */
export function firstParting(kernel: Kernel | null, body: CastBody): Parting {
  const straight = throughMiddle(body, body.width <= body.length ? Math.PI / 2 : 0)
  // A plan that is far from round has its parting along it.
  const far = Math.abs(body.length - body.width) > 0.05 * Math.max(body.length, body.width)
  if (!kernel || far || !body.relief) return straight
  let [best, least] = [straight, cutArea(kernel, body, straight) * BETTER]
  for (let i = 1; i < TURNS; i += 1) {
    const parting = throughMiddle(body, (Math.PI * i) / TURNS)
    const area = cutArea(kernel, body, parting)
    if (area < least) [best, least] = [parting, area]
  }
  return best
}

/** Every plane a printed mould is split by: its shells, then what does not fit the bed, in valleys where there are any. */
export function splitPlanes(kernel: Kernel | null, told: Told): Parting[] {
  const { body, shells, beyond, below, bed } = told
  const first = shells > 1 ? firstParting(kernel, body) : null
  const across: Vector = first ? [first.normal[1], 0 - first.normal[0], 0] : X
  const other: Vector = first ? first.normal : Y
  const second: Parting[] =
    shells === 4 ? [{ normal: across, offset: (across[0] * body.length + across[1] * body.width) / 2 }] : []
  const planes = [...(first ? [first] : []), ...second]
  for (const [normal, room] of [
    [across, Math.max(bed.x, bed.y)],
    [other, Math.min(bed.x, bed.y)],
    [UP, bed.z],
  ] as const)
    planes.push(...fitted(kernel, body, normal, room, planes, beyond, below))
  return planes
}

/** Planes square to a direction that leave no piece longer than `room` along it. */
function fitted(
  kernel: Kernel | null,
  body: CastBody,
  normal: Vector,
  room: number,
  planes: readonly Parting[],
  beyond: number,
  below: number,
): Parting[] {
  const corners = [0, 1].map((i) => normal[0] * body.length * i)
  const ends = [0, 1].map((i) => normal[1] * body.width * i)
  const up = Math.abs(normal[2]) > 0.5
  const low = up ? -below : Math.min(...corners) + Math.min(...ends) - beyond
  const high = up ? body.height : Math.max(...corners) + Math.max(...ends) + beyond
  const same = planes
    .filter((p) => Math.abs(dot(p.normal, normal)) > 1 - 1e-9)
    .map((p) => p.offset * dot(p.normal, normal))
  const stops = [low, ...same.sort((a, b) => a - b), high]
  return stops.slice(1).flatMap((end, i) => {
    const start = stops[i]!
    const count = Math.ceil((end - start) / room - 1e-9)
    const span = (end - start) / count
    return Array.from({ length: count - 1 }, (_, k): Parting => {
      const even = start + span * (k + 1)
      return {
        normal,
        offset:
          kernel && !up ? valley(kernel, body, normal, even, Math.min(span * MOVE, (room - span) / 2)) : even,
      }
    })
  })
}

const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

/** The offset near `even` where the cast is cut least; `even` itself where all are alike. */
function valley(kernel: Kernel, body: CastBody, normal: Vector, even: number, reach: number): number {
  if (reach <= 0.5) return even
  const offsets = Array.from({ length: TRIES }, (_, i) => even - reach + (2 * reach * i) / (TRIES - 1))
  const areas = kernel.withSolids((scope) => sectionAreas(scope.solid(body.recipe), normal, offsets))
  let [best, least] = [even, areas[(TRIES - 1) / 2]! * BETTER]
  areas.forEach((area, i) => {
    if (area < least) [best, least] = [offsets[i]!, area]
  })
  return best
}
