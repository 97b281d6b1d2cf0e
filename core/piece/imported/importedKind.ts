import { heldMeasure } from '../kindParts.ts'
import type { PieceKind } from '../kinds.ts'
import { importedSize } from './buildImported.ts'

/** A mesh: its shape is known once it is read. */
export const importedKind: PieceKind<'imported'> = {
  advise() {
    return { down: 'bottom', reason: 'foot-down' }
  },
  box(piece) {
    const [length, width, height] = importedSize(piece)
    return { length, width, height: Math.max(1e-3, height - piece.foot) }
  },
  marks(_, { length, height }) {
    return [
      [
        [length / 2, 0],
        [length, height / 2],
        [length / 2, height],
        [0, height / 2],
      ],
    ]
  },
  held(piece) {
    return [
      heldMeasure(piece.id, 'scale', 'size (length)', piece.file.extents[0] * piece.mmPerUnit, (mm) => ({
        mmPerUnit: mm / piece.file.extents[0],
      })),
    ]
  },
}
