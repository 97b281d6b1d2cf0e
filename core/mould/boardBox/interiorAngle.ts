import type { Point } from '../../geometry/index.ts'

/** The interior angle at a corner of an anticlockwise path, degrees. */
export function interiorAngle(before: Point, at: Point, after: Point): number {
  const [ux, uy, vx, vy] = [at[0] - before[0], at[1] - before[1], after[0] - at[0], after[1] - at[1]]
  return 180 - (Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy) * 180) / Math.PI
}
