import type { Kernel, Point } from '../../geometry/index.ts'
import type { FittedPiece } from '../../job/index.ts'
import { heldMeasure } from '../kindParts.ts'
import type { PieceKind } from '../kinds.ts'
import { buildFitted } from './buildFitted.ts'

/** A part that fits something, cut through its middle. */
export const fittedKind: PieceKind<'fitted'> = {
  advise(piece) {
    return piece.part === 'cap' || piece.part === 'lid'
      ? { down: 'top', reason: 'seat-from-above' }
      : { down: 'top', reason: 'taper-lets-go' }
  },
  box(piece) {
    // A fitted part is built without the solid library.
    const { length, width, height } = buildFitted(null as unknown as Kernel, piece).geometry
    return { length, width, height }
  },
  marks(piece, { length, height }) {
    return fittedMarks(piece, length, height)
  },
  held(piece) {
    return (['thickness', 'overlap', 'seat', 'wall'] as const).map((key) =>
      heldMeasure(piece.id, key, key, piece[key], (mm) => ({ [key]: mm })),
    )
  },
}

/** A fitted part cut through its middle, with what it fits hinted at. */
function fittedMarks(piece: FittedPiece, length: number, height: number): Point[][] {
  const h = Math.max(height, length * 0.16)
  const k = h / height
  const { overlap, clearance, wall } = piece
  const seat = piece.seat * k
  switch (piece.part) {
    case 'lid': {
      const inset = overlap + clearance
      return [
        [
          [inset, 0],
          [length - inset, 0],
          [length - inset, seat],
          [length, seat],
          [length, h],
          [0, h],
          [0, seat],
          [inset, seat],
        ],
      ]
    }
    case 'cap':
      return [
        [
          [0, 0],
          [wall, 0],
          [wall, seat],
          [length - wall, seat],
          [length - wall, 0],
          [length, 0],
          [length, h],
          [0, h],
        ],
      ]
    case 'plug': {
      const lean = length * 0.06
      return [
        [
          [lean, 0],
          [length - lean, 0],
          [length, h],
          [0, h],
        ],
      ]
    }
    case 'sleeve':
      return [0, length - wall].map((x): Point[] => [
        [x, 0],
        [x + wall, 0],
        [x + wall, h],
        [x, h],
      ])
  }
}
