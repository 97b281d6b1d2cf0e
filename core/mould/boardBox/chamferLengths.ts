import type { BarePart } from '../bareParts.ts'
import type { StockLengths } from '../method.ts'

/** Chamfer strip is sold in this length, mm [own]; each length is cut long enough for its mitres. */
const CHAMFER = { length: 2400, mitre: 2 }

/** Strips of eased edges, by sort, in the lengths they are sold in. */
export function chamferLengths(parts: readonly BarePart[]): StockLengths[] {
  const strips = parts.filter((p) => p.role === 'chamfer')
  const sortOf = (p: BarePart): string => {
    const size = p.widthMm === p.thicknessMm ? `${p.widthMm} mm` : `${p.widthMm} × ${p.thicknessMm} mm`
    return p.shapedAs === undefined || p.shapedAs === 'chamfer'
      ? `chamfer fillet, ${size}`
      : `${p.shapedAs} strip, ${size}`
  }
  return [...new Set(strips.map(sortOf))].map((name) => ({
    name,
    stockLengthMm: CHAMFER.length,
    each: 'mould',
    // What is longer than a strip is joined, end to end.
    parts: strips
      .filter((p) => sortOf(p) === name)
      .flatMap((p) =>
        inLengths(p.lengthMm + CHAMFER.mitre * p.widthMm).map((lengthMm) => ({ name: p.name, lengthMm })),
      ),
  }))
}

const inLengths = (whole: number): number[] => {
  const count = Math.ceil(whole / CHAMFER.length)
  return Array.from({ length: count }, () => whole / count)
}
