import type { Piece } from '../../job/index.ts'
import { isPlainSide, isSweptEnd, sideWords } from '../../piece/index.ts'

/** Why a piece is not of one section all the way up as poured, in a few words; null when it is. */
export function whyNoProfile(piece: Piece): string | null {
  if (piece.kind === 'swept')
    return isSweptEnd(piece.attitude.down) ? null : 'its profile does not lie flat in the pour'
  if (piece.kind !== 'slab') return 'it does not follow one profile'
  if (piece.attitude.down !== 'top' && piece.attitude.down !== 'bottom') return 'it is poured on its side'
  if (piece.openings.length + piece.drainers.length + piece.panels.length > 0 || piece.basin)
    return 'more is formed in it than its outline'
  const odd = Object.entries(piece.sides).find(([, side]) => !isPlainSide(side))
  if (odd) return `its ${sideWords(odd[0])} side is not a plain one`
  const edged = Object.values(piece.sides).some((s) => s.top.kind !== 'square' || s.bottom.kind !== 'square')
  return edged ? 'its edges are shaped' : null
}
