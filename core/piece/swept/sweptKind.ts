import { heldMeasure } from '../kindParts.ts'
import type { PieceKind } from '../kinds.ts'
import { sweptProfile } from './buildSwept.ts'

/** What follows a side profile, from its end. */
export const sweptKind: PieceKind<'swept'> = {
  advise() {
    return {
      down: 'end/front',
      reason: 'on-its-end',
    }
  },
  box(piece) {
    const { size } = sweptProfile(piece)
    return { length: Math.max(1e-3, size[0]), width: piece.width, height: Math.max(1e-3, size[1]) }
  },
  marks(piece) {
    const { points } = sweptProfile(piece)
    return [points]
  },
  held(piece) {
    return [heldMeasure(piece.id, 'width', 'width', piece.width, (width) => ({ width }))]
  },
}
