import type { Solid, SolidScope } from './kernel.ts'
import type { Point } from './outline.ts'

/** A cutting plane: `u` and `v` are unit vectors in it, at right angles, and span the drawing's x and y. */
export type CutPlane = {
  readonly origin: readonly [number, number, number]
  readonly u: readonly [number, number, number]
  readonly v: readonly [number, number, number]
}

/** Closed contours in the plane's own x and y, mm: outer ones anticlockwise, holes clockwise. */
export type Region = readonly (readonly Point[])[]

/** An upright plane along a line of the plan: x runs from `a` to `b`, y is height. */
export function uprightPlane(a: Point, b: Point): CutPlane {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  return { origin: [a[0], a[1], 0], u: [(b[0] - a[0]) / length, (b[1] - a[1]) / length, 0], v: [0, 0, 1] }
}

/** The section of a solid by any plane. */
export const sectionSolid = (scope: SolidScope, solid: Solid, plane: CutPlane): Region =>
  sectionsAlong(scope, solid, plane, [0])[0]!

/** Sections by parallel planes, each `offset` further along u x v than the plane: the solid is turned only once. */
export function sectionsAlong(
  scope: SolidScope,
  { body }: Solid,
  { origin, u, v }: CutPlane,
  offsets: readonly number[],
): Region[] {
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const
  const dot = (a: readonly [number, number, number]) => a[0] * origin[0] + a[1] * origin[1] + a[2] * origin[2]
  const level = u[0] === 1 && v[1] === 1 && origin[0] === 0 && origin[1] === 0
  const turned = level
    ? body
    : scope.keep(
        body.transform([
          u[0],
          v[0],
          n[0],
          0,
          u[1],
          v[1],
          n[1],
          0,
          u[2],
          v[2],
          n[2],
          0,
          -dot(u),
          -dot(v),
          0,
          1,
        ]),
      )
  return offsets.map((offset) => {
    const cut = scope.keep(turned.slice(dot(n) + offset))
    return cut.toPolygons().map((ring) => ring.map(([x, y]): Point => [x, y]))
  })
}
