import type { Piece } from '../job/index.ts'
import { anyPiece } from '../testing/anyPiece.ts'

/** The next so many pieces of a kind that a run of random numbers makes. */
export function someOf(kind: Piece['kind'], random: () => number, count: number): Piece[] {
  const pieces: Piece[] = []
  while (pieces.length < count) {
    const piece = anyPiece(random)
    if (piece.kind === kind) pieces.push(piece)
  }
  return pieces
}
