import type { Basin, Finding, SlabPiece } from '../../job/index.ts'
import type { Plug, Stock } from '../../stock/index.ts'
import { PLUG_NEAR } from '../boardBox/knockoutChoice.ts'
import { finding } from '../checkMould.ts'

/** Each degree that walls lean otherwise counts as so many mm [own]. */
const PER_DEG = 4

/** How far a bought core is from a basin, mm over all its sizes; null where the basin has no straight walls. */
export function coreAway(basin: Basin, plug: Plug): number | null {
  if (basin.form !== 'frustum') return null
  const off = (length: number, width: number): number =>
    Math.max(Math.abs(length - basin.length), Math.abs(width - basin.width))
  return (
    Math.max(
      // Laid either way.
      Math.min(off(plug.length, plug.width), off(plug.width, plug.length)),
      Math.abs(plug.radius - basin.radius),
      Math.abs(plug.height - basin.depth),
    ) +
    PER_DEG * Math.max(0, Math.abs(plug.draftDeg - basin.draftDeg) - PLUG_NEAR.deg)
  )
}

/** The basin as a bought core makes it, its longer way as the basin's. */
const asCore = (basin: Basin, plug: Plug): Basin => {
  const [long, short] = [Math.max(plug.length, plug.width), Math.min(plug.length, plug.width)]
  const along = basin.length >= basin.width
  return {
    ...basin,
    form: 'frustum',
    length: along ? long : short,
    width: along ? short : long,
    radius: plug.radius,
    depth: plug.height,
    draftDeg: plug.draftDeg,
  }
}

type Piece = Pick<SlabPiece, 'id'> & { readonly mould: { readonly basinCore: string | null } }

/** The core that is bought, where one is chosen; and what is wrong with it, or which would save making one. */
export function boughtCore(
  piece: Piece,
  basin: Basin,
  { plugs }: Stock,
  hours: number,
): { readonly plug: Plug | null; readonly findings: readonly Finding[] } {
  const { basinCore } = piece.mould
  const choose = (basinCore: string | null) =>
    ({ type: 'mouldChosen', pieceId: piece.id, patch: { basinCore } }) as const
  if (basinCore === null) {
    const [near] = plugs
      .flatMap((plug) => {
        const away = coreAway(basin, plug)
        return away !== null && away <= PLUG_NEAR.mm ? [{ plug, away }] : []
      })
      .sort((a, b) => a.away - b.away)
    if (!near) return { plug: null, findings: [] }
    const { plug } = near
    const facts = { core: plug.name, casts: plug.casts, price: plug.price ?? 0, hours }
    return {
      plug: null,
      findings: [finding(piece, 'buying-beats-core', 'note', 'core/basin', facts, [choose(plug.id)])],
    }
  }
  const plug = plugs.find((p) => p.id === basinCore)
  if (!plug)
    return {
      plug: null,
      findings: [finding(piece, 'core-missing', 'stop', 'choice', { row: basinCore }, [choose(null)])],
    }
  const away = coreAway(basin, plug)
  if (away !== null && away <= PLUG_NEAR.mm) return { plug, findings: [] }
  const { length, width, depth, draftDeg } = asCore(basin, plug)
  return {
    plug,
    findings: [
      finding(
        piece,
        'core-differs',
        'stop',
        'core/basin',
        { core: plug.name, lengthMm: length, widthMm: width, depthMm: depth, draftDeg },
        [{ type: 'shapeChanged', pieceId: piece.id, patch: { basin: asCore(basin, plug) } }],
      ),
    ],
  }
}
