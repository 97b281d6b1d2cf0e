import type { Change, Piece, Remedy } from '../job/index.ts'
import type { Mix } from '../stock/index.ts'

/** What is thinnest in a piece made so much thicker, mm, in whole mm; null where no one measure of it says so. */
function thickened(piece: Piece, by: number, thinnest: number): Change | null {
  const up = (mm: number) => Math.ceil(mm + by - 1e-6)
  const shaped = (patch: Extract<Change, { type: 'shapeChanged' }>['patch']): Change => ({
    type: 'shapeChanged',
    pieceId: piece.id,
    patch,
  })
  switch (piece.kind) {
    case 'slab':
      return piece.basin ? shaped({ basin: { ...piece.basin, shell: up(piece.basin.shell) } }) : null
    case 'box':
      return Math.abs(piece.floor - thinnest) < 1e-6
        ? shaped({ floor: up(piece.floor) })
        : shaped({ wall: up(piece.wall), floor: Math.max(piece.floor, up(thinnest)) })
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

/** Mixes offered at most. */
const OFFERED = 2

/** What cures a piece that is too thin for its mix: mixes that may be that thin, the nearest first, then more thickness. */
export function thinRemedies(
  piece: Piece,
  { thinnest, least, plain }: { readonly thinnest: number; readonly least: number; readonly plain: boolean },
  mix: Mix,
  mixes: readonly Mix[],
  change: Change | null,
): Remedy[] {
  const of = (m: Mix) => Math.max(m.leastThickness[plain ? 'plain' : 'mesh'], 3 * m.largestStone)
  const others = mixes
    .filter((m) => m.id !== mix.id && m.family !== 'structural' && of(m) <= thinnest + 1e-6)
    .sort((a, b) => of(b) - of(a))
    .slice(0, OFFERED)
  const thicker = change ?? thickened(piece, least - thinnest, thinnest)
  return [
    ...others.map(
      (m): Remedy => ({
        code: `mix/${m.id}`,
        facts: { mix: m.name },
        changes: [{ type: 'mixChosen', pieceId: piece.id, patch: { mix: m.id } }],
      }),
    ),
    ...(thicker ? [{ code: 'too-thin', facts: { leastMm: least }, changes: [thicker] }] : []),
  ]
}
