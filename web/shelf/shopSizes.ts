import type { Piece } from '../../core/job/index.ts'
import type { MeasureStyle } from '../../core/units/index.ts'

const INCH = 25.4
const to = (step: number) => (mm: number) => Math.max(step, Math.round(mm / step) * step)
const [quarter, half] = [to(INCH / 4), to(INCH / 2)]

/** A start in the round sizes of its shop: where inches are read a slab is as thick as boards make it up. */
export function inShopSizes(piece: Piece, units: MeasureStyle['units']): Piece {
  if (units === 'mm' || piece.kind !== 'slab') return piece
  const { outline } = piece
  return {
    ...piece,
    thickness: quarter(piece.thickness),
    outline:
      outline.kind === 'rectangle'
        ? { ...outline, length: half(outline.length), width: half(outline.width) }
        : outline,
  }
}
