import type { Point } from '../../core/geometry/index.ts'
import type { Change, SlabPiece } from '../../core/job/index.ts'
import { outlineSize, resizedOutline } from '../../core/piece/index.ts'
import type { ViewSide } from './planFrame.ts'
import type { Line } from './sectionLine.ts'

/** A side pulled outward by `by` px of screen: the new length or width in whole shop steps. */
export function dragSide(
  piece: SlabPiece,
  side: ViewSide,
  by: Point,
  frame: { scale: number; mirrored: boolean },
  step: number,
): { what: 'length' | 'width'; mm: number; changes: Change[] } {
  const along = side === 'left' || side === 'right'
  const rightward = (side === 'right') !== frame.mirrored
  const outward = along ? (rightward ? by[0] : -by[0]) : side === 'back' ? -by[1] : by[1]
  const what = along ? 'length' : 'width'
  const mm = Math.max(
    step,
    Math.round((outlineSize(piece.outline)[what] + outward / frame.scale) / step) * step,
  )
  return {
    what,
    mm,
    changes: [
      { type: 'outlineChanged', pieceId: piece.id, outline: resizedOutline(piece.outline, { [what]: mm }) },
    ],
  }
}

/** The section line moved whole, square to itself, or by one of its ends; `by` in px of screen. */
export function dragLine(line: Line, end: 'from' | 'to' | 'both', by: Point, scale: number): Line {
  const [dx, dy] = [by[0] / scale, -by[1] / scale]
  if (end !== 'both') return { ...line, [end]: [line[end][0] + dx, line[end][1] + dy] }
  const run = Math.hypot(line.to[0] - line.from[0], line.to[1] - line.from[1])
  const normal: Point = [-(line.to[1] - line.from[1]) / run, (line.to[0] - line.from[0]) / run]
  const away = dx * normal[0] + dy * normal[1]
  const shift = ([x, y]: Point): Point => [x + normal[0] * away, y + normal[1] * away]
  return { from: shift(line.from), to: shift(line.to) }
}
