import { type Board, type FreshMix, type Stock, sheetStock } from '../stock/index.ts'
import type { BarePart } from './bareParts.ts'
import type { BoxedSlab } from './boardBox/boxedSlab.ts'
import { bowLimit, braceCount, bracePlaces, bracesNeeded, type PushedSide, sideBow } from './bowing.ts'
import type { BowCure, BowRow } from './types.ts'

/** How far each side strip bows under the fill, and what would keep it within its limit. */
export function bowedSides(
  piece: BoxedSlab,
  parts: readonly BarePart[],
  stock: Stock,
  boardOf: (side: string) => Board,
  mix: FreshMix,
  footHolds: boolean,
): BowRow[] {
  const known = new Map<string, Omit<BowRow, 'partId' | 'name'>>()
  return parts.flatMap((part): BowRow[] => {
    const length = part.bevels?.insideLengthMm ?? 0
    if (part.role !== 'strip' || part.source.of !== 'side' || length <= 0) return []
    const board = boardOf(part.source.side)
    const key = `${length.toFixed(3)} ${board.id}`
    const row = known.get(key) ?? bowOf(piece, length, { board, stock }, mix, footHolds)
    known.set(key, row)
    return [{ partId: part.id, name: part.name, ...row }]
  })
}

function bowOf(
  piece: BoxedSlab,
  length: number,
  { board, stock }: { board: Board; stock: Stock },
  mix: FreshMix,
  footHolds: boolean,
): Omit<BowRow, 'partId' | 'name'> {
  const { braceSpacing, braceRows } = piece.mould
  const of = (own: Board): Omit<PushedSide, 'braces' | 'rows'> => ({
    length,
    depth: piece.poured.full,
    thickness: own.thickness,
    // Strips are cut along the sheet, which is where the grain runs.
    elasticity: [own.elasticity, own.elasticityAcross],
    freshKgPerM3: mix.freshKgPerM3,
    clampedFoot: footHolds,
  })
  const braces = bracePlaces(length, braceCount(length, braceSpacing))
  const bow = sideBow({ ...of(board), braces, rows: braceRows })
  const limit = bowLimit(length)
  const cureBy = (own: Board): BowCure | null => {
    for (const rows of [1, 2] as const) {
      const count = bracesNeeded({ ...of(own), rows })
      if (count !== null)
        return {
          spacingMm: length / (Math.max(1, count) + 1),
          rows,
          boardId: own.id === board.id ? null : own.id,
        }
    }
    return null
  }
  const stiffer = () =>
    stock.boards
      .filter((b) => stiffness(b) > stiffness(board) && fits(b, length, stock))
      .sort((a, b) => stiffness(a) - stiffness(b))
  const cure = bow.most > limit ? (cureBy(board) ?? first(stiffer(), cureBy)) : null
  return {
    bowMm: bow.most,
    alongMm: bow.at[0],
    aboveBaseMm: bow.at[1],
    limitMm: limit,
    bracesMm: braces,
    topMm: bow.top,
    cure,
  }
}

/** Of a board bent up the side, whose strips lie across its grain. */
const stiffness = ({ elasticityAcross, thickness }: Board): number => elasticityAcross * thickness ** 3

const fits = (board: Board, length: number, stock: Stock): boolean =>
  sheetStock(stock).some((s) => s.id === board.id && Math.max(s.length, s.width) >= length)

function first<T, R>(list: readonly T[], of: (item: T) => R | null): R | null {
  for (const item of list) {
    const found = of(item)
    if (found !== null) return found
  }
  return null
}
