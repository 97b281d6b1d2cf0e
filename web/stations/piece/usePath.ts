import { type CornerOfPath, storedPath } from '../../../core/job/index.ts'
import { asPolygon, outlinePath } from '../../../core/piece/index.ts'
import { useEdit } from './useEdit.ts'

/** The drawn path of the piece, if it has one: a slab's outline, a side profile, a half section. */
export function usePath() {
  const { piece, pieceId, change, shape } = useEdit()
  if (piece.kind === 'slab') {
    const polygon = piece.outline.kind === 'polygon'
    return {
      drawn: polygon,
      corners: storedPath(outlinePath(polygon ? piece.outline : asPolygon(piece.outline))),
      words: { x: 'From the left', y: 'From the front' },
      commit: (corners: CornerOfPath[], label: string) =>
        change(label, { type: 'outlineChanged', pieceId, outline: { kind: 'polygon', corners } }),
    }
  }
  if (piece.kind === 'swept')
    return {
      drawn: true,
      corners: piece.corners,
      words: { x: 'Along', y: 'Up' },
      commit: (corners: CornerOfPath[], label: string) => shape({ corners }, label),
    }
  if (piece.kind === 'turned' && piece.turned.form === 'profile')
    return {
      drawn: true,
      corners: piece.turned.corners,
      words: { x: 'Radius', y: 'Height' },
      commit: (corners: CornerOfPath[], label: string) =>
        shape({ turned: { form: 'profile', corners } }, label),
    }
  return null
}
