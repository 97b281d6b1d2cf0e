import { type Loop, mirrorLoop, type Placement, type Point } from '../geometry/index.ts'
import type { Piece, SideId } from '../job/index.ts'

type Slab = { readonly length: number; readonly thickness: number }
type Attitude = Piece['attitude']

/**
 * As placed to as poured, the one place where it is written. Show face down is a half turn about the line x = L/2 at
 * mid height: (x, y, z) -> (L - x, y, T - z); the front stays at the front. It is its own inverse.
 */
export const pouredPlacement = (attitude: Attitude, { length, thickness }: Slab): Placement =>
  attitude.down === 'top'
    ? { x: [-1, 0, 0], y: [0, 1, 0], z: [0, 0, -1], origin: [length, 0, thickness] }
    : { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [0, 0, 0] }

/** A plan outline as it lies in the mould. */
export const pouredLoop = (loop: Loop, attitude: Attitude, { length }: Slab): Loop =>
  attitude.down === 'top' ? mirrorLoop(loop, length / 2) : loop

/** A plan point as it lies in the mould. */
export const pouredPoint = ([x, y]: Point, attitude: Attitude, { length }: Slab): Point =>
  attitude.down === 'top' ? [length - x, y] : [x, y]

/** The side of the piece that stands at the left, right, front or back of the mould. */
export function sideAt(where: SideId, attitude: Attitude): SideId {
  if (attitude.down !== 'top') return where
  return where === 'left' ? 'right' : where === 'right' ? 'left' : where
}
