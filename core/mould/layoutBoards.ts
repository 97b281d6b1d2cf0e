import type { MouldChoice } from '../job/index.ts'
import { type SheetStock, type Stock, sheetStock } from '../stock/index.ts'
import { layOut } from './layout/layOut.ts'
import type { BoardLayout, CutRow } from './types.ts'

/** Off-cuts above this are worth keeping, mm. */
const KEPT = { length: 300, width: 100 }

/** Lays the cut list out, board by board, for `moulds` equal moulds. */
export function layoutBoards(
  rows: readonly CutRow[],
  stock: Stock,
  choice: MouldChoice,
  moulds: number,
  shouldStop?: () => boolean,
): BoardLayout[] {
  const boards = sheetStock(stock).filter((b) => rows.some((r) => r.boardId === b.id))
  return boards.map((board) =>
    layoutOne(
      rows.filter((r) => r.boardId === board.id),
      board,
      choice,
      moulds,
      shouldStop,
    ),
  )
}

function layoutOne(
  rows: readonly CutRow[],
  board: SheetStock,
  choice: MouldChoice,
  moulds: number,
  shouldStop?: () => boolean,
): BoardLayout {
  const parts = rows.flatMap((row) =>
    Array.from({ length: row.count * moulds }, (_, i) => ({
      id: `${row.label}#${i}`,
      length: row.lengthMm,
      width: row.widthMm,
    })),
  )
  const layout = layOut(parts, board, {
    kerf: choice.kerf,
    trim: choice.trim,
    turnParts: choice.turnParts && !board.grain,
    ...(shouldStop && { shouldStop }),
  })
  const used = layout.sheets.reduce((sum, s) => sum + s.usedShare, 0)
  const labelOf = (id: string) => id.slice(0, id.indexOf('#'))
  return {
    boardId: board.id,
    boardName: board.name,
    sheetLengthMm: board.length,
    sheetWidthMm: board.width,
    lowerBoundSheets: layout.lowerBound,
    wasteShare: layout.sheets.length === 0 ? 0 : 1 - used / layout.sheets.length,
    tooLarge: [...new Set(layout.tooLarge.map(labelOf))],
    sheets: layout.sheets.map((sheet) => ({
      usedShare: sheet.usedShare,
      parts: sheet.parts.map((p) => ({
        label: labelOf(p.id),
        xMm: p.x,
        yMm: p.y,
        lengthMm: p.length,
        widthMm: p.width,
        turned: p.turned,
      })),
      cuts: sheet.cuts.map((c, i) => ({ order: i + 1, way: c.way, atMm: c.at, fromMm: c.from, toMm: c.to })),
      offcuts: sheet.offcuts.map((o) => ({
        xMm: o.x,
        yMm: o.y,
        lengthMm: o.length,
        widthMm: o.width,
        kept: Math.max(o.length, o.width) >= KEPT.length && Math.min(o.length, o.width) >= KEPT.width,
      })),
    })),
  }
}
