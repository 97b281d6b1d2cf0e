import type { Point } from '../../core/geometry/index.ts'
import { boxChoiceOf, type Piece } from '../../core/job/index.ts'
import { curvesOf, RIB_DEPTH } from '../../core/mould/index.ts'
import { pieceBox } from '../../core/piece/index.ts'

/** The four sides of a view, and of a rectangle. */
export type ViewSide = 'front' | 'right' | 'back' | 'left'

/** Room round the drawing for dimensions, px. */
const ROOM = { x: 58, top: 46, bottom: 26 }

/** How the plan of a piece lies on the screen: px a mm, and the ways between plan and screen. */
export type PlanFrame = {
  readonly scale: number
  readonly mirrored: boolean
  /** What the mould takes beside the piece, mm. */
  readonly margin: number
  /** From the plan as shown (mirrored when poured face down) to px. */
  readonly onScreen: (p: Point) => Point
  /** From as placed to the plan as shown; it is its own inverse. */
  readonly shown: (p: Point) => Point
  readonly toScreen: (p: Point) => Point
  readonly fromScreen: (p: Point) => Point
}

/**
 * Fits a piece and, as poured, its mould into a view of `size` px. Front at the bottom in either attitude. `plan` is the
 * box of the plan as shown, where it is not the piece's own; `beyond` is how far its mould stands outside it, mm.
 */
export function planFrame(
  piece: Piece,
  attitude: 'poured' | 'placed',
  size: { width: number; height: number },
  plan: { length: number; width: number } = pieceBox(piece),
  beyond = 0,
): PlanFrame {
  const poured = attitude === 'poured'
  const mirrored = poured && piece.kind === 'slab' && piece.attitude.down === 'top'
  const { length, width } = plan
  const { sides, corners } = curvesOf(piece)
  const box = boxChoiceOf(piece.mould)
  const ribs = sides || (corners && box.rounds === 'bent') ? RIB_DEPTH : 0
  const margin = poured
    ? 24 + Math.max(ribs, piece.mould.runPast, beyond) + (box.school === 'wrap' ? 0 : box.baseMargin)
    : 0
  // The section line runs this far past the piece in either attitude, and dimensions stand beyond it.
  const beside = Math.max(margin, piece.mould.runPast + 40)
  const across = (size.width - 2 * ROOM.x) / (length + 2 * beside)
  const up = (size.height - ROOM.top - ROOM.bottom) / (width + 2 * margin)
  const scale = Math.max(0.01, Math.min(across, up))
  const ox = (size.width - length * scale) / 2
  const oy = ROOM.top + (size.height - ROOM.top - ROOM.bottom + width * scale) / 2
  const onScreen = ([x, y]: Point): Point => [ox + x * scale, oy - y * scale]
  const shown = ([x, y]: Point): Point => (mirrored ? [length - x, y] : [x, y])
  return {
    scale,
    mirrored,
    margin,
    onScreen,
    shown,
    toScreen: (p) => onScreen(shown(p)),
    fromScreen: ([px, py]) => shown([(px - ox) / scale, (oy - py) / scale]),
  }
}

/** The side of the piece that stands where `where` is on the screen. */
export const sideShown = (where: ViewSide, mirrored: boolean): ViewSide =>
  mirrored && where === 'left' ? 'right' : mirrored && where === 'right' ? 'left' : where

/** The two ends of a side of the rectangle, as placed. */
export const sideEnds = (side: ViewSide, length: number, width: number): [Point, Point] => {
  const corners: Record<ViewSide, [Point, Point]> = {
    front: [
      [0, 0],
      [length, 0],
    ],
    right: [
      [length, 0],
      [length, width],
    ],
    back: [
      [length, width],
      [0, width],
    ],
    left: [
      [0, width],
      [0, 0],
    ],
  }
  return corners[side]
}
