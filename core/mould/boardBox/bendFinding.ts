import type { Finding, Piece } from '../../job/index.ts'
import type { Skin, Stock } from '../../stock/index.ts'
import { finding } from '../checkMould.ts'
import { kerfs } from './bentSides.ts'

/** Sheets whose back a saw can kerf; plastics and metal are bent whole. */
const SAWN: readonly Skin['material'][] = ['hardboard', 'flexible-ply', 'birch-ply']

/** Between ribs or before a packed fill a thinner sheet, as flashing is, has no stiffness of its own, mm [own]. */
const STIFF = 1

/** A sheet bent tighter than it goes, with what would do: a night in water, kerfs, or the next sheet in stock. */
export function bendFinding(
  piece: Pick<Piece, 'id' | 'mould'>,
  stock: Stock,
  skin: Skin,
  bent: { readonly partId: string; readonly name: string; readonly radiusMm: number },
  /** A ring is rounded by its own fill: any sheet does. */
  sheets: 'stiff' | 'any' = 'stiff',
): Finding {
  const { radiusMm } = bent
  const boxed = 'rounds' in piece.mould
  const wetted = skin.wettedRadius !== null && radiusMm >= skin.wettedRadius
  const cut = SAWN.includes(skin.material) ? kerfs(radiusMm, skin, piece.mould.kerf) : null
  const other = stock.skins
    .filter((s) => s.leastRadius <= radiusMm && (boxed || sheets === 'any' || s.thickness >= STIFF))
    .sort((a, b) => b.leastRadius - a.leastRadius)[0]
  return finding(
    piece,
    'bend-too-tight',
    wetted ? 'warn' : 'stop',
    bent.partId,
    {
      part: bent.name,
      radiusMm,
      leastMm: skin.leastRadius,
      wettedMm: wetted ? (skin.wettedRadius ?? 0) : 0,
      skin: skin.name,
      kerfDepthMm: cut?.depth ?? 0,
      kerfSpacingMm: cut?.spacing ?? 0,
      other: other?.name ?? '',
      instead: other ? '' : boxed ? 'block' : 'layers',
    },
    [
      {
        type: 'mouldChosen',
        pieceId: piece.id,
        patch: other ? { skin: other.id } : boxed ? { rounds: 'block' } : { method: 'layers' },
      },
    ],
  )
}
