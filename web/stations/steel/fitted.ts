import type { Point } from '../../../core/geometry/index.ts'

/** A drawing fitted into a view: px a mm, and the ways between mm (y up) and px. */
export type Fitted = {
  readonly scale: number
  readonly to: (p: Point) => Point
  readonly from: (px: Point) => Point
}

/** The box round points, mm. */
export const spanOf = (points: readonly Point[]): { readonly min: Point; readonly max: Point } => ({
  min: [Math.min(...points.map((p) => p[0])), Math.min(...points.map((p) => p[1]))],
  max: [Math.max(...points.map((p) => p[0])), Math.max(...points.map((p) => p[1]))],
})

/** Fits a box of mm into a view of `size` px less its `room`, in the middle. */
export function fitted(
  min: Point,
  max: Point,
  size: { readonly width: number; readonly height: number },
  room: { readonly x: number; readonly top: number; readonly bottom: number },
): Fitted {
  const [w, h] = [Math.max(1e-6, max[0] - min[0]), Math.max(1e-6, max[1] - min[1])]
  const [wide, high] = [size.width - 2 * room.x, size.height - room.top - room.bottom]
  const scale = Math.max(1e-6, Math.min(wide / w, high / h))
  const [ox, oy] = [room.x + (wide - w * scale) / 2, room.top + (high + h * scale) / 2]
  return {
    scale,
    to: ([x, y]) => [ox + (x - min[0]) * scale, oy - (y - min[1]) * scale],
    from: ([px, py]) => [min[0] + (px - ox) / scale, min[1] + (oy - py) / scale],
  }
}
