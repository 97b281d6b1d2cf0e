import type { Vector } from './recipe.ts'

/** Length of a vector. Not Math.hypot, which is twenty times slower where it is taken for every triangle of a mesh. */
export const lengthOf = (x: number, y: number, z: number): number => Math.sqrt(x * x + y * y + z * z)

export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
/** The same way, of length 1; nothing stays nothing. */
export function unit(a: Vector): Vector {
  const l = lengthOf(a[0], a[1], a[2]) || 1
  return [a[0] / l, a[1] / l, a[2] / l]
}
/** Square to a triangle, anticlockwise corners seen from its end, as long as twice its area. */
export const crossOf = (a: Vector, b: Vector, c: Vector): Vector => cross(minus(b, a), minus(c, a))
/** A place so far from one point to another, 0 to 1. */
export const between = (a: Vector, b: Vector, t: number): Vector => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
]
/** Two unit vectors square to one another and to a third. */
export function squareTo(way: Vector): [Vector, Vector] {
  const u = unit(cross(way, Math.abs(way[0]) < 0.6 ? [1, 0, 0] : [0, 1, 0]))
  return [u, cross(way, u)]
}
/** The box of points given as a flat list. */
export function boundsOf(p: ArrayLike<number>): { readonly min: Vector; readonly max: Vector } {
  const [min, max] = [
    [Infinity, Infinity, Infinity] as [number, number, number],
    [-Infinity, -Infinity, -Infinity] as [number, number, number],
  ]
  for (let i = 0; i < p.length; i += 3)
    for (let k = 0; k < 3; k += 1) {
      const x = p[i + k]!
      if (x < min[k]!) min[k] = x
      if (x > max[k]!) max[k] = x
    }
  return { min, max }
}
