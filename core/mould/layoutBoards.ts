import type { MouldChoice } from '../job/index.ts'
import { type SheetStock, type Stock, sheetStock } from '../stock/index.ts'
import { layOut } from './layout/layOut.ts'
import type { LaidSheet, LayoutOptions, LayoutPart } from './layout/types.ts'
import type { BoardLayout, CutRow } from './types.ts'

/** Off-cuts above this are worth keeping, mm. */
const KEPT = { length: 300, width: 100 }

/** Lists longer than this take a second or more: while something is dragged only the sorted orders are tried. */
const LONG = 100

export type SheetSearch = {
  readonly shouldStop?: (() => boolean) | undefined
  readonly quick?: boolean
  /** How often the usual count of work: the same effort gives the same sheets everywhere. */
  readonly effort?: number
  /** Of long lists: how many parts, and how far the search is. */
  readonly onProgress?: ((parts: number, share: number) => void) | undefined
}

/** Lays the cut list out, board by board, for `moulds` equal moulds. */
export function layoutBoards(
  rows: readonly CutRow[],
  stock: Stock,
  choice: MouldChoice,
  moulds: number,
  search: SheetSearch = {},
): BoardLayout[] {
  const boards = sheetStock(stock).filter((b) => rows.some((r) => r.boardId === b.id))
  return boards.map((board) =>
    layOnBoard(
      rows.filter((r) => r.boardId === board.id),
      board,
      choice,
      moulds,
      search,
    ),
  )
}

/** What of a cut list is laid out, and what of the choice of a mould is asked for it. */
export type SheetRow = Pick<CutRow, 'label' | 'count' | 'lengthMm' | 'widthMm'>
export type SawChoice = Pick<MouldChoice, 'kerf' | 'trim' | 'turnParts'>

/** Lays rows out on one board, `moulds` times over. */
export function layOnBoard(
  rows: readonly SheetRow[],
  board: SheetStock,
  choice: SawChoice,
  moulds: number,
  { shouldStop, quick = false, effort = 1, onProgress }: SheetSearch = {},
): BoardLayout {
  const parts = rows.flatMap((row) =>
    Array.from({ length: row.count * moulds }, (_, i) => ({
      id: `${row.label}#${i}`,
      label: row.label,
      length: row.lengthMm,
      width: row.widthMm,
    })),
  )
  const options = {
    kerf: choice.kerf,
    turnParts: choice.turnParts && !board.grain,
    ...(shouldStop && { shouldStop }),
    ...(quick && { tries: parts.length > LONG ? 0 : QUICK_TRIES }),
  }
  const { laid, left } = layOnOffcuts(parts, board, options)
  const layout = layOut(left, board, {
    ...options,
    trim: choice.trim,
    effort,
    ...(onProgress && left.length > LONG && { onProgress: (share) => onProgress(left.length, share) }),
  })
  const sheets = [
    ...laid,
    ...layout.sheets.map((sheet) => ({ sheet, length: board.length, width: board.width, offcut: false })),
  ]
  const used = layout.sheets.reduce((sum, s) => sum + s.usedShare, 0)
  const labels = new Map(parts.map((p) => [p.id, p.label]))
  const labelOf = (id: string): string => labels.get(id)!
  return {
    boardId: board.id,
    boardName: board.name,
    sheetLengthMm: board.length,
    sheetWidthMm: board.width,
    lowerBoundSheets: layout.lowerBound,
    proven: layout.proven,
    wasteShare: layout.sheets.length === 0 ? 0 : 1 - used / layout.sheets.length,
    tooLarge: [...new Set(layout.tooLarge.map(labelOf))],
    sheets: sheets.map(({ sheet, length, width, offcut }) => ({
      lengthMm: length,
      widthMm: width,
      offcut,
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

type Laid = {
  readonly sheet: LaidSheet
  readonly length: number
  readonly width: number
  readonly offcut: boolean
}

/** Orders tried for the first answer, while solids are still being measured: the search goes on with them. */
const QUICK_TRIES = 120
/** How few orders are tried on a piece from the shelf: it holds only a few parts. */
const OFFCUT_TRIES = 60

/**
 * Parts on the pieces to hand, the smallest that holds one first, so that large ones are kept for large parts. Their
 * edges are sawn already: nothing is trimmed off them.
 */
function layOnOffcuts(
  parts: readonly LayoutPart[],
  { offcuts = [] }: SheetStock,
  options: Omit<LayoutOptions, 'trim'>,
): { readonly laid: readonly Laid[]; readonly left: readonly LayoutPart[] } {
  let left = parts
  const laid: Laid[] = []
  for (const { length, width } of [...offcuts].sort((a, b) => a.length * a.width - b.length * b.width)) {
    if (left.length === 0 || options.shouldStop?.()) break
    const { sheets } = layOut(left, { length, width }, { ...options, trim: 0, tries: OFFCUT_TRIES })
    const fullest = [...sheets].sort((a, b) => b.usedShare - a.usedShare)[0]
    if (!fullest) continue
    const placed = new Set(fullest.parts.map((p) => p.id))
    left = left.filter((p) => !placed.has(p.id))
    laid.push({ sheet: fullest, length, width, offcut: true })
  }
  return { laid, left }
}

/**
 * The pieces of a board to hand once a mould is sawn: those that were cut from are gone, the off-cuts worth keeping are
 * there.
 */
export function offcutsAfter(
  offcuts: SheetOffcuts,
  layout: BoardLayout,
): { readonly length: number; readonly width: number }[] {
  const rest = [...offcuts]
  for (const sheet of layout.sheets.filter((s) => s.offcut)) {
    const at = rest.findIndex((o) => o.length === sheet.lengthMm && o.width === sheet.widthMm)
    if (at >= 0) rest.splice(at, 1)
  }
  const kept = layout.sheets.flatMap((s) => s.offcuts.filter((o) => o.kept))
  return [...rest, ...kept.map((o) => ({ length: Math.floor(o.lengthMm), width: Math.floor(o.widthMm) }))]
}
type SheetOffcuts = NonNullable<SheetStock['offcuts']>
