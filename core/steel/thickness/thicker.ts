import type { Change, Piece, Remedy } from '../../job/index.ts'
import type { PieceGeometry } from '../../piece/index.ts'
import type { Mix } from '../../stock/index.ts'
import { takesMesh } from '../takesMesh.ts'
import type { JudgedPlace } from './judgePlaces.ts'
import { leastThickness } from './leastThickness.ts'

/** A piece made so much thicker where it is thinnest, in whole mm; null where no one measure of it says so. */
function thickened(piece: Piece, { faces, leastMm: thinnest, wantedMm }: JudgedPlace): Change | null {
  const by = wantedMm - thinnest
  const up = (mm: number) => Math.ceil(mm + by - 1e-6)
  const shaped = (patch: Extract<Change, { type: 'shapeChanged' }>['patch']): Change => ({
    type: 'shapeChanged',
    pieceId: piece.id,
    patch,
  })
  switch (piece.kind) {
    case 'slab':
      if (piece.basin && faces.some((f) => f.startsWith('basin/')))
        return shaped({ basin: { ...piece.basin, shell: up(piece.basin.shell) } })
      return faces.some((f) => f === 'top' || f === 'bottom')
        ? { type: 'thicknessChanged', pieceId: piece.id, thickness: up(piece.thickness) }
        : null
    case 'box':
      return faces.includes('inside/floor')
        ? shaped({ floor: up(piece.floor) })
        : shaped({ wall: up(piece.wall), floor: Math.max(piece.floor, Math.ceil(wantedMm - 1e-6)) })
    case 'fitted':
      return shaped({
        wall: Math.max(piece.wall, up(thinnest)),
        thickness: Math.max(piece.thickness, up(thinnest)),
      })
    case 'turned':
      if (piece.turned.form === 'bowl')
        return shaped({ turned: { ...piece.turned, wall: up(piece.turned.wall) } })
      return piece.turned.form === 'tube'
        ? shaped({ turned: { ...piece.turned, inside: Math.floor(piece.turned.inside - 2 * by) } })
        : null
    default:
      return null
  }
}

/** A blind opening made so much shallower; null where nothing of it would be left. */
function shallower(
  piece: Piece,
  openingId: string | null,
  { leastMm, wantedMm }: JudgedPlace,
): Remedy | null {
  const opening = piece.kind === 'slab' ? piece.openings.find((o) => o.id === openingId) : undefined
  if (!opening || opening.depth === null) return null
  const depth = Math.floor(opening.depth - (wantedMm - leastMm) + 1e-6)
  if (depth < 1) return null
  return {
    code: 'shallower',
    facts: { opening: opening.name, depthMm: depth },
    changes: [{ type: 'openingChanged', pieceId: piece.id, openingId: opening.id, patch: { depth } }],
  }
}

/** Mixes offered at most. */
const OFFERED = 2

/** What cures a place that is too thin: mixes that may be that thin, the nearest first; fibre; a shallower recess; more thickness. */
export function thinRemedies(
  piece: Piece,
  size: Pick<PieceGeometry, 'length' | 'width' | 'height' | 'thickness'>,
  place: JudgedPlace,
  openingId: string | null,
  mix: Mix,
  mixes: readonly Mix[],
  inside: 'mesh' | 'fibre' | 'none',
): Remedy[] {
  const { leastMm, wantedMm } = place
  const share = place.judgedAs === 'work' ? 0.5 : 1
  const of = (m: Mix) => share * leastThickness(piece, size, m, inside).mm
  const others = mixes
    .filter((m) => m.id !== mix.id && m.family !== 'structural' && of(m) <= leastMm + 1e-6)
    .sort((a, b) => of(b) - of(a))
    .slice(0, OFFERED)
  const thicker = thickened(piece, place)
  const lessDeep = shallower(piece, openingId, place)
  return [
    ...others.map(
      (m): Remedy => ({
        code: `mix/${m.id}`,
        facts: { mix: m.name },
        changes: [{ type: 'mixChosen', pieceId: piece.id, patch: { mix: m.id } }],
      }),
    ),
    ...(takesMesh(piece, size) && inside !== 'mesh' && mix.leastThickness.mesh * share <= leastMm + 1e-6
      ? [
          {
            code: 'mesh',
            facts: {},
            changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { kind: 'mesh' } } as const],
          },
        ]
      : []),
    ...(mix.family === 'mortar' && inside !== 'fibre'
      ? [
          {
            code: 'fibre',
            facts: {},
            changes: [{ type: 'steelChosen', pieceId: piece.id, patch: { kind: 'fibre' } } as const],
          },
        ]
      : []),
    ...(lessDeep ? [lessDeep] : []),
    ...(thicker
      ? [{ code: 'thicker', facts: { byMm: Math.ceil(wantedMm - leastMm - 1e-6) }, changes: [thicker] }]
      : []),
  ]
}
