import { measureLoop, type Point } from '../../core/geometry/index.ts'
import type { Piece } from '../../core/job/index.ts'
import { halfSize, outlineLoop, pieceBox, placeOpenings, resolvePlacing } from '../../core/piece/index.ts'

export type Line = { readonly from: Point; readonly to: Point }

/** How far the line runs past the piece, mm. */
const PAST = 40

/**
 * The line a section follows until someone drags it: across the largest opening of a slab, else through the middle;
 * along or across the plan as it is shown.
 */
export function usualLine(
  piece: Piece,
  mirrored: boolean,
  way: 'along' | 'across',
  plan: { length: number; width: number } = pieceBox(piece),
): Line {
  const { length, width } = plan
  const openings = piece.kind === 'slab' ? placeOpenings(piece, resolvePlacing(piece)) : []
  const area = (o: (typeof openings)[number]) => halfSize(o.shape)[0] * halfSize(o.shape)[1]
  const largest = [...openings].sort((a, b) => area(b) - area(a))[0]
  const basin = piece.kind === 'slab' ? piece.basin : null
  const run = piece.mould.runPast + PAST
  if (way === 'along') {
    const drawn = piece.kind === 'slab' && piece.outline.kind === 'polygon'
    const middle = drawn ? measureLoop(outlineLoop(piece.outline)).centroid[1] : width / 2
    const y = basin?.v ?? largest?.centre[1] ?? middle
    return { from: [-run, y], to: [length + run, y] }
  }
  const x = basin?.u ?? largest?.centre[0] ?? length / 2
  const shown = mirrored ? length - x : x
  return { from: [shown, -run], to: [shown, width + run] }
}
