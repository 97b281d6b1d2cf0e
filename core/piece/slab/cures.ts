import type { Point } from '../../geometry/index.ts'
import type { Change, FeatureItem, FeatureList, Side, SideId, SlabPiece } from '../../job/index.ts'
import type { Footprint } from './footprints.ts'
import { freePlace, moveToFree } from './freePlace.ts'
import { outlineSize } from './outlineLoop.ts'
import { removeOpening } from './placing.ts'
import type { Cure } from './raise.ts'

/** The change that puts a feature in place of the one with its id. */
export const kept = <L extends FeatureList>(
  { id: pieceId }: SlabPiece,
  list: L,
  item: Extract<FeatureItem, { list: L }>['item'],
): Change => ({ type: 'featureKept', pieceId, list, item }) as Change

export const takenOut = ({ id: pieceId }: SlabPiece, list: FeatureList, featureId: string): Cure => ({
  code: 'take-out',
  changes: [{ type: 'featureRemoved', pieceId, list, featureId }],
})

/** Ways to get an opening out of the way: into the largest free room, or out of the piece. */
export function openingCures(piece: SlabPiece, openingId: string): Cure[] {
  const move = moveToFree(piece, openingId)
  return [
    ...(move ? [{ code: 'move-free', changes: [move] }] : []),
    { code: 'take-out', changes: removeOpening(piece, openingId) },
  ]
}

/** The same of a drainer or a panel that takes up twice `half`. Panels are placed from the plan's middle. */
export function clearing(
  piece: SlabPiece,
  list: 'drainers' | 'panels',
  item: SlabPiece['drainers'][number] | SlabPiece['panels'][number],
  half: Point,
): Cure[] {
  const at = freePlace(piece, half, { list, id: item.id })
  const { length, width } = outlineSize(piece.outline)
  const [u, v] = list === 'panels' ? [length / 2, width / 2] : [0, 0]
  const moved = at && { ...item, u: at[0] - u, v: at[1] - v }
  return [
    ...(moved ? [{ code: 'move-free', changes: [kept(piece, list, moved as never)] }] : []),
    takenOut(piece, list, item.id),
  ]
}

/** Half of what a ring takes up along each axis. */
export function halfOf(ring: readonly Point[]): Point {
  const span = (k: 0 | 1) => {
    const along = ring.map((p) => p[k])
    return (Math.max(...along) - Math.min(...along)) / 2
  }
  return [span(0), span(1)]
}

export const basinWith = (piece: SlabPiece, patch: Partial<NonNullable<SlabPiece['basin']>>): Change => ({
  type: 'shapeChanged',
  pieceId: piece.id,
  patch: { basin: { ...piece.basin!, ...patch } },
})

export function basinCures(piece: SlabPiece, half: Point): Cure[] {
  const at = freePlace(piece, half, { list: 'basin', id: 'basin' })
  return [
    ...(at ? [{ code: 'move-free', changes: [basinWith(piece, { u: at[0], v: at[1] })] }] : []),
    { code: 'take-out', changes: [{ type: 'shapeChanged', pieceId: piece.id, patch: { basin: null } }] },
  ]
}

export const sideOf = ({ id: pieceId }: SlabPiece, side: SideId, drip: Side['drip']): Change => ({
  type: 'sideChanged',
  pieceId,
  side,
  patch: { drip },
})

/** Ways to get a feature out of another's way: into the largest free room, or out of the piece. */
export function footprintCures(piece: SlabPiece, { list, id, region, room = region }: Footprint): Cure[] {
  const half = halfOf(room.flat())
  const { length, width } = outlineSize(piece.outline)
  switch (list) {
    case 'openings':
      return openingCures(piece, id)
    case 'basin':
      return basinCures(piece, half)
    case 'drainers':
    case 'panels':
      return clearing(piece, list, piece[list].find((item) => item.id === id)!, half)
    case 'lettering':
    case 'inserts': {
      const item = piece[list].find((of) => of.id === id)!
      const at = freePlace(piece, half, { list, id })
      // From the middle of its face; seen from below, left is right.
      const moved = at && {
        ...item,
        u: (item.on === 'bottom' ? -1 : 1) * (at[0] - length / 2),
        v: at[1] - width / 2,
      }
      return [
        ...(moved ? [{ code: 'move-free', changes: [kept(piece, list, moved as never)] }] : []),
        takenOut(piece, list, id),
      ]
    }
  }
}
