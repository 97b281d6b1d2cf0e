import { heldMeasure } from '../kindParts.ts'
import type { PieceKind } from '../kinds.ts'

/** A box over a core, cut through its middle. */
export const boxKind: PieceKind<'box'> = {
  advise(piece) {
    return piece.built ? { down: 'bottom', reason: 'panels-flat' } : { down: 'top', reason: 'upside-down' }
  },
  box(piece) {
    return { length: piece.length, width: piece.width, height: piece.height }
  },
  marks(piece, { length, height }) {
    const t = piece.built ? 0 : piece.taper
    const [low, high] = [Math.max(0, t), Math.max(0, -t)]
    return [
      [
        [low, 0],
        [length - low, 0],
        [length - high, height],
        [high, height],
      ],
      [
        [piece.wall + high, height],
        [piece.wall + low, piece.floor],
        [length - piece.wall - low, piece.floor],
        [length - piece.wall - high, height],
      ],
    ]
  },
  held(piece) {
    return (['height', 'length', 'width', 'wall', 'floor'] as const).map((key) =>
      heldMeasure(piece.id, key, key, piece[key], (mm) => ({ [key]: mm })),
    )
  },
}
