import type { SheetStock } from '../stock/index.ts'
import { letter } from './cutList.ts'
import type { CutRow } from './types.ts'

/** Board behind a joint, screwed to both sides of it, mm wide [own]. */
const SPLICE = 120
/** What may be joined: its face is sealed over the joint. */
const JOINED: readonly CutRow['role'][] = ['base', 'strip', 'skin', 'rib', 'form', 'core', 'former', 'cleat']

/**
 * Rows that no sheet of their board holds, cut in as few equal pieces as go, with a splice behind each joint; every
 * other row as it is.
 */
export function joinLong(rows: readonly CutRow[], sheets: readonly SheetStock[], trim: number): CutRow[] {
  const splices: CutRow[] = []
  const joined = rows.map((row): CutRow => {
    const sheet = sheets.find((s) => s.id === row.boardId)
    if (!sheet || !JOINED.includes(row.role)) return row
    const [l, w] = pieces(row, [sheet.length - 2 * trim, sheet.width - 2 * trim])
    if (l * w === 1) return row
    const [lengthMm, widthMm] = [row.lengthMm / l, row.widthMm / w]
    const { outlineBevelsDeg: _, ...plain } = row
    const across = { count: row.count * (l - 1) * w, lengthMm: widthMm }
    const along = { count: row.count * (w - 1) * l, lengthMm }
    for (const { count, lengthMm: length } of [across, along])
      if (count > 0)
        splices.push({
          ...plain,
          name: `splices behind ${row.name}`,
          role: 'cleat',
          lengthMm: length,
          widthMm: SPLICE,
          count,
          shape: 'rectangle',
          radiusMm: 0,
          bevelsDeg: null,
          mitresDeg: null,
          edgeDeg: 0,
          notes: [],
        })
    return {
      ...row,
      lengthMm,
      widthMm,
      count: row.count * l * w,
      notes: [...row.notes, 'joined'],
    }
  })
  return [...joined, ...splices.map((s, i) => ({ ...s, label: letter(rows.length + i) }))]
}

/** Into how many pieces a row is cut along and across, the fewest of the two ways it may lie. */
function pieces(
  { lengthMm, widthMm }: CutRow,
  [a, b]: readonly [number, number],
): readonly [along: number, across: number] {
  const by = (x: number, y: number) =>
    [Math.ceil(lengthMm / x - 1e-9), Math.ceil(widthMm / y - 1e-9)] as const
  const [straight, turned] = [by(a, b), by(b, a)]
  return turned[0] * turned[1] < straight[0] * straight[1] ? turned : straight
}
