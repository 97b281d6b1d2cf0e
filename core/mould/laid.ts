import type { MouldChoice, Piece } from '../job/index.ts'
import { type Stock, sheetStock } from '../stock/index.ts'
import { cutBars } from './layout/cutBars.ts'
import { layoutBoards } from './layoutBoards.ts'
import type { StockLengths } from './method.ts'
import type { BoardLayout, LengthLayout, MouldFigures } from './types.ts'

/** A tube or strip saw, mm [own]. */
const BAR_KERF = 2

/** Boards that are bought; pieces from the shelf are paid for. */
const wholeSheets = (l: BoardLayout): number => l.sheets.filter((s) => !s.offcut).length

/** What follows from the sheets: how many are bought, and what they make a cast cost with all else that is bought. */
export function sheetMoney(
  layouts: readonly BoardLayout[],
  stock: Stock,
  materialCost: number | null,
  casts: number,
): Pick<MouldFigures, 'sheetCount' | 'boardCost' | 'costPerCast'> {
  const sheets = sheetStock(stock)
  const boardCost = layouts.reduce<number | null>((sum, l) => {
    const price = sheets.find((b) => b.id === l.boardId)!.price
    return sum === null || price === null ? null : sum + price * wholeSheets(l)
  }, 0)
  return {
    sheetCount: layouts.reduce((sum, l) => sum + wholeSheets(l), 0),
    boardCost,
    costPerCast: boardCost === null || materialCost === null ? null : (boardCost + materialCost) / casts,
  }
}

/** What is cut from tubes or strips, for every mould or every cast that is planned. */
export function layLengths(
  { name, stockLengthMm, each, parts }: StockLengths,
  piece: Piece,
  effort = 1,
): LengthLayout {
  const times = each === 'mould' ? piece.mouldCount : Math.max(piece.plannedCasts, piece.mouldCount)
  const wanted = Array.from({ length: times }, () =>
    parts.map((p) => ({ name: p.name, lengthMm: p.lengthMm })),
  )
  return cutLengths(name, stockLengthMm, wanted.flat(), effort)
}

/** Lengths, each told by its name, cut from stock of one length. */
export function cutLengths(
  name: string,
  stockLengthMm: number,
  wanted: readonly { readonly name: string; readonly lengthMm: number }[],
  effort: number,
  kerf = BAR_KERF,
): LengthLayout {
  const parts = wanted.map((p, i) => ({ id: `${i}`, length: p.lengthMm }))
  const { bars, tooLong, lowerBound, proven } = cutBars(parts, stockLengthMm, kerf, effort)
  const named = (id: string) => wanted[Number(id)]!.name
  return {
    name,
    stockLengthMm,
    bars: bars.map((bar) => ({
      parts: bar.map((p) => ({ name: named(p.id), lengthMm: p.length })),
      restMm: Math.max(0, stockLengthMm - bar.reduce((sum, p) => sum + p.length + kerf, 0)),
    })),
    lowerBound,
    proven,
    tooLong: [...new Set(tooLong.map(named))],
  }
}

/** Efforts by which a page goes on looking for fewer sheets, each that many times the count of work of the first answer. */
export const EFFORTS = [1, 4, 16] as const

/** Whether fewer sheets or bars are not ruled out. */
export const isOpen = ({ layouts, lengths }: Pick<MouldFigures, 'layouts' | 'lengths'>): boolean =>
  layouts.some((l) => !l.proven) || lengths.some((l) => !l.proven)

type Laid = Pick<
  MouldFigures,
  'layouts' | 'lengths' | 'sheetCount' | 'boardCost' | 'costPerCast' | 'layoutEffort'
>

/**
 * The sheets and bars of a mould looked for again with so many times the work: what is proven stays, what is found
 * better takes its place, and what it costs follows.
 */
export function layAgain(
  figures: MouldFigures,
  { stock, mould, mouldCount }: { stock: Stock; mould: MouldChoice; mouldCount: number },
  effort: number,
): Laid {
  const layouts = figures.layouts.map((old) => {
    if (old.proven) return old
    const rows = figures.cutList.filter((r) => r.boardId === old.boardId)
    const found = layoutBoards(rows, stock, mould, mouldCount, { effort })[0]
    return found && found.sheets.length <= old.sheets.length ? found : old
  })
  const lengths = figures.lengths.map((old) => {
    if (old.proven) return old
    const parts = old.bars.flatMap((b) => b.parts)
    const found = cutLengths(old.name, old.stockLengthMm, parts, effort)
    return found.bars.length <= old.bars.length ? { ...found, tooLong: old.tooLong } : old
  })
  return {
    layouts,
    lengths,
    ...sheetMoney(layouts, stock, figures.materialCost, figures.plannedCasts),
    layoutEffort: effort,
  }
}
