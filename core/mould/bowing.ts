import { grainStiffness, type PlateSupport, rectangleMesh, solvePlate } from '../mechanics/index.ts'
import { massToForce } from '../units/convert.ts'

/** A side under the push of the fill, its inside from end to end and from base to top. */
export type PushedSide = {
  readonly length: number
  readonly depth: number
  readonly thickness: number
  /** MPa, along the side and up it. */
  readonly elasticity: readonly [along: number, up: number]
  readonly freshKgPerM3: number
  /** Whether the base edge is held against turning: its screws pass the prying check. */
  readonly clampedFoot: boolean
  /** Places along the side that are held, mm from its start. */
  readonly braces: readonly number[]
  /** At its top alone, or at its top and at mid height. */
  readonly rows: 1 | 2
}

export type Bow = {
  /** Largest, mm, outward. */
  readonly most: number
  /** Where: along the side from its start, and above the base. */
  readonly at: readonly [along: number, up: number]
  /** Along the top, evenly spaced from end to end, mm. */
  readonly top: readonly number[]
}

const POISSON = 0.3
/** Below this, mm, a clamped side does not bow to speak of. */
const NO_BOW = 0.05
/** A side bows no further than this, mm, nor than this share of its length. */
const LIMIT = { mm: 1, share: 1 / 360 } as const
/** More braces than this along one side are no answer. */
const MOST_BRACES = 24

export const bowLimit = (length: number): number => Math.min(LIMIT.mm, length * LIMIT.share)

/** Places of `count` braces with equal gaps. */
export const bracePlaces = (length: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => (length * (i + 1)) / (count + 1))

/** How many braces keep them no further apart than `spacing`; none without one. */
export const braceCount = (length: number, spacing: number | null): number =>
  spacing === null ? 0 : Math.max(0, Math.ceil(length / spacing - 1e-9) - 1)

/**
 * Bow of a long side that is clamped at its foot and held nowhere else, w L^4/(30 D) a mm of width: what holds its ends
 * or top can only lessen it.
 */
const cantileverBow = ({
  depth,
  thickness,
  elasticity,
  freshKgPerM3,
}: Omit<PushedSide, 'braces' | 'rows'>): number => {
  const stiffness = (elasticity[1] * thickness ** 3) / (12 * (1 - POISSON ** 2))
  return (massToForce(freshKgPerM3 * depth * 1e-9) * depth ** 4) / (30 * stiffness)
}

/**
 * How far a side bows: a plate held along its base and at its two ends, free but for what braces hold. A clamped side too
 * shallow to bow is given that bound instead.
 */
export function sideBow(side: PushedSide): Bow {
  const { length, depth, thickness, braces } = side
  const most = cantileverBow(side)
  if (side.clampedFoot && most < NO_BOW) return { most, at: [length / 2, depth], top: [0, 0] }
  const gaps = braces.length + 1
  const wanted = Math.max(12, Math.min(48, Math.round((length / depth) * 8)))
  const columns = gaps * Math.ceil(wanted / gaps)
  const rows = 2 * Math.max(4, Math.min(12, Math.round((depth / length) * columns * 0.5)))
  const mesh = rectangleMesh(length, depth, columns, rows)
  const isBrace = (column: number) => braces.some((b) => Math.abs((b * columns) / length - column) < 0.5)
  const isHeld = (row: number) => row === rows || (side.rows === 2 && row === rows / 2)
  const supports = mesh.nodes.flatMap((_, node): PlateSupport[] => {
    const [column, row] = [Math.floor(node / (rows + 1)), node % (rows + 1)]
    const [foot, end, held] = [row === 0, column === 0 || column === columns, isHeld(row) && isBrace(column)]
    if (!foot && !end && !held) return []
    return [{ node, deflection: true, slopeX: foot, slopeY: end || (foot && side.clampedFoot) }]
  })
  const { deflection } = solvePlate(
    mesh,
    grainStiffness(side.elasticity[0], side.elasticity[1], thickness, POISSON),
    supports,
    ([, y]) => massToForce(side.freshKgPerM3 * (depth - y) * 1e-9),
  )
  let worst = 0
  deflection.forEach((w, n) => {
    if (w > deflection[worst]!) worst = n
  })
  const top = Array.from({ length: columns + 1 }, (_, i) => deflection[i * (rows + 1) + rows]!)
  return { most: deflection[worst]!, at: mesh.nodes[worst]!, top }
}

/** The fewest equally spaced braces that keep a side's bow within its limit; null when no number does. */
export function bracesNeeded(side: Omit<PushedSide, 'braces'>): number | null {
  const bow = (count: number) => sideBow({ ...side, braces: bracePlaces(side.length, count) }).most
  const limit = bowLimit(side.length)
  // What bows between base and top stays, however many braces there are.
  if (bow(MOST_BRACES) > limit) return null
  for (let count = 0; count < MOST_BRACES; count += 1) if (bow(count) <= limit) return count
  return MOST_BRACES
}
