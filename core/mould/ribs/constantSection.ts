import type { Piece } from '../../job/index.ts'
import { isPlainSide, isSweptEnd, nameOfSide } from '../../piece/index.ts'
import { type Misfit, misfit } from '../misfit.ts'

/** Why a piece is not of one section all the way up as poured; null when it is. */
export function profileMisfit(piece: Piece): Misfit | null {
  if (piece.kind === 'swept') return isSweptEnd(piece.attitude.down) ? null : misfit('profile-not-flat')
  if (piece.kind !== 'slab') return misfit('no-profile')
  if (piece.attitude.down !== 'top' && piece.attitude.down !== 'bottom') return misfit('on-its-side')
  if (piece.openings.length + piece.drainers.length + piece.panels.length > 0 || piece.basin)
    return misfit('more-than-outline')
  const odd = Object.entries(piece.sides).find(([, side]) => !isPlainSide(side))
  if (odd) return misfit('side-not-plain', nameOfSide(piece.outline, odd[0]))
  const edged = Object.values(piece.sides).some((s) => s.top.kind !== 'square' || s.bottom.kind !== 'square')
  return edged ? misfit('edges-shaped') : null
}
