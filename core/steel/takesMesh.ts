import type { Piece } from '../job/index.ts'
import type { PieceGeometry } from '../piece/index.ts'

/** A slab thicker than this share of its lesser way is a post or a block: one flat sheet does nothing for it [own]. */
const POST = 0.75

/** Whether a sheet of mesh serves a piece: a slab that is flat enough. */
export const takesMesh = (
  piece: Piece,
  { length, width, thickness }: Pick<PieceGeometry, 'length' | 'width' | 'thickness'>,
): boolean => piece.kind === 'slab' && thickness <= POST * Math.min(length, width)

/** Below this a slab has no room for two mats with concrete between them, mm [own]. */
export const TWO = 80
