import type { Edge, Piece } from '../../job/index.ts'
import { isPlainSide, nameOfSide, outlinePath } from '../../piece/index.ts'
import { type Misfit, misfit } from '../misfit.ts'

const SQUARE: Edge = { kind: 'square' }

/** Why flat boards do not form a piece; null where they do. */
export function planksMisfit(piece: Piece): Misfit | null {
  if (piece.lettering.length > 0) return misfit('letters-need-formers')
  switch (piece.kind) {
    case 'imported':
      return misfit('kind/imported')
    case 'turned':
      return misfit('kind/turned')
    case 'swept':
      if (piece.separators.length > 0) return misfit('cut-into-blocks')
      return straight(piece.corners) ? null : misfit('profile-not-straight')
    case 'box':
      if (piece.radiusOutside > 0 || piece.radiusInside > 0) return misfit('corners-rounded')
      return piece.attitude.down === 'top' || piece.attitude.down === 'bottom' ? null : misfit('on-its-side')
    case 'fitted':
      if (piece.measured.kind === 'round') return misfit('round-fit')
      if (piece.measured.kind === 'polygon' && !straight(piece.measured.corners))
        return misfit('outline-not-straight')
      return piece.attitude.down === 'top' || piece.attitude.down === 'bottom' ? null : misfit('on-its-side')
    case 'slab': {
      if (piece.attitude.down === 'top' || piece.attitude.down === 'bottom') return misfit('lies-flat')
      const path = outlinePath(piece.outline)
      if (!straight(path)) return misfit('outline-not-straight')
      if (piece.openings.length + piece.drainers.length + piece.panels.length > 0 || piece.basin)
        return misfit('more-than-outline')
      const sides = Object.entries(piece.sides)
      const odd = sides.find(([, side]) => !isPlainSide(side))
      if (odd) return misfit('side-not-plain', nameOfSide(piece.outline, odd[0]))
      const eased = sides.some(([, s]) => s.top.kind !== 'square' || s.bottom.kind !== 'square')
      return eased ? misfit('edges-shaped') : null
    }
  }
}

const straight = (path: readonly { readonly radius: number; readonly run: { readonly kind: string } }[]) =>
  path.every((c) => c.radius === 0 && c.run.kind === 'line')

/** The piece without what no plank forms: its eased edges, drains and holes, which are filled or tooled beside them. */
export function plainPiece(piece: Piece): Piece {
  switch (piece.kind) {
    case 'box':
      return {
        ...piece,
        rim: SQUARE,
        foot: SQUARE,
        drains: { ...piece.drains, count: 0 },
        sideHoles: [],
        inserts: [],
      }
    case 'fitted':
      return { ...piece, edge: SQUARE, inserts: [] }
    default:
      return piece
  }
}

/** The edge that lies on the base in the pour, and the one at its open top. */
export function edgesOf(piece: Piece): { readonly base: Edge; readonly top: Edge } {
  const upright = (low: Edge, high: Edge) =>
    piece.attitude.down === 'top' ? { base: high, top: low } : { base: low, top: high }
  if (piece.kind === 'box') return upright(piece.foot, piece.rim)
  if (piece.kind === 'fitted') return upright(SQUARE, piece.edge)
  return { base: SQUARE, top: SQUARE }
}
