import { cross, type Vector } from '../geometry/index.ts'

/** A part turned about a level edge until it is free, and drawn off from there. */
export type Tilt = {
  /** A place on the edge, as poured, mm, and its direction, unit; turned by the right hand. */
  readonly at: Vector
  readonly axis: Vector
  readonly deg: number
  /** The way it is drawn from there, unit. */
  readonly draw: Vector
}

/** Where a point comes to lie as a part is tilted, by a share of its angle: Rodrigues' rotation about the edge. */
export function tiltedPoint([x, y, z]: Vector, { at, axis, deg }: Tilt, share = 1): Vector {
  const a = (deg * share * Math.PI) / 180
  const [c, s] = [Math.cos(a), Math.sin(a)]
  const r: Vector = [x - at[0], y - at[1], z - at[2]]
  const k = cross(axis, r)
  const d = (axis[0] * r[0] + axis[1] * r[1] + axis[2] * r[2]) * (1 - c)
  return [0, 1, 2].map((i) => at[i]! + r[i]! * c + k[i]! * s + axis[i]! * d) as unknown as Vector
}
