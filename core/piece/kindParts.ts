import type { Point } from '../geometry/index.ts'
import type { HeldDimension } from './kinds.ts'

/** A measure of a piece's own shape that can be solved for. */
export const heldMeasure = (
  pieceId: string,
  key: string,
  label: string,
  value: number,
  patch: (mm: number) => Record<string, unknown>,
): HeldDimension => ({
  key,
  label,
  value,
  changes: (mm) => [{ type: 'shapeChanged', pieceId, patch: patch(mm) as never }],
})

/** A rectangle that stands on the ground. */
export const upright = (length: number, height: number): Point[] => [
  [0, 0],
  [length, 0],
  [length, height],
  [0, height],
]
