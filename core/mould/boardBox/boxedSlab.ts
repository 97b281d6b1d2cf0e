import type { Piece, SlabPiece } from '../../job/index.ts'
import { isPlainSide, outlinePath, sideWords } from '../../piece/index.ts'
import { interiorAngle } from './interiorAngle.ts'

/** A slab that a straight board box forms: straight sides, square, beaded or chamfered, top or underside down. */
export type BoxedSlab = Omit<SlabPiece, 'attitude'> & {
  readonly attitude: { readonly down: 'top' | 'bottom'; readonly turnDeg: 0 }
}

/** Why a piece has no mould method yet, in a few words; null when the board box forms it. */
export function whyNoBox(piece: Piece): string | null {
  if (piece.kind !== 'slab') return KIND_WORDS[piece.kind]
  if (outlinePath(piece.outline).some((c) => c.run.kind !== 'line')) return 'its plan has a curved side'
  if (piece.attitude.down !== 'top' && piece.attitude.down !== 'bottom') return 'it is poured on its side'
  if (piece.basin) return 'its basin hangs below'
  const raised =
    piece.panels.some((p) => (p.kind === 'frame' ? !p.sunk : p.rise > 0)) ||
    piece.lettering.some((l) => l.depth > 0)
  if (raised) return 'work stands out of its face'
  const odd = Object.entries(piece.sides).find(([, side]) => !isPlainSide(side))
  return odd ? `its ${sideWords(odd[0])} side is not a plain one` : null
}

const KIND_WORDS: Readonly<Record<Exclude<Piece['kind'], 'slab'>, string>> = {
  turned: 'it is turned',
  swept: 'it follows a side profile',
  box: 'it is a box over a core',
  imported: 'it was read from a file',
  fitted: 'it has a seat or a skirt',
}

/** Whether the plan turns inward somewhere, so that two strips meet at an inside corner. */
export function hasInsideCorner(piece: Piece): boolean {
  if (piece.kind !== 'slab') return false
  const path = outlinePath(piece.outline)
  const at = (i: number) => path[(i + path.length) % path.length]!
  return path.some(
    (c, i) => interiorAngle([at(i - 1).x, at(i - 1).y], [c.x, c.y], [at(i + 1).x, at(i + 1).y]) > 180.05,
  )
}

/** The piece as the board box takes it, or null. */
export const asBoxed = (piece: Piece): BoxedSlab | null =>
  whyNoBox(piece) === null ? (piece as BoxedSlab) : null

/** Features that the box does not form yet: they are cast only if the maker fixes something in it by hand. */
export function notFormed(piece: BoxedSlab): string[] {
  return [
    ...piece.openings.filter((o) => o.depth !== null || o.draftDeg !== 0).map((o) => o.name),
    ...piece.drainers.map((d) => d.name),
    ...piece.panels.map((p) => p.name),
    ...piece.lettering.map((l) => `lettering “${l.text.split('\n')[0]!.slice(0, 20)}”`),
    ...piece.inserts.map((i) => i.name),
  ]
}
