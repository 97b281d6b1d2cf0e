import type { Board, FreshMix } from '../stock/index.ts'
import type { BarePart } from './bareParts.ts'
import type { BoxedSlab } from './boardBox/boxedSlab.ts'
import { bowLimit, braceCount, bracePlaces, bracesNeeded, type PushedSide, sideBow } from './bowing.ts'
import type { BowRow } from './types.ts'

/** How far each side strip bows under the fill, and the braces that would keep it within its limit. */
export function bowedSides(
  piece: BoxedSlab,
  parts: readonly BarePart[],
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
    const row = known.get(key) ?? bowOf(piece, length, board, mix, footHolds)
    known.set(key, row)
    return [{ partId: part.id, name: part.name, ...row }]
  })
}

function bowOf(
  piece: BoxedSlab,
  length: number,
  board: Board,
  mix: FreshMix,
  footHolds: boolean,
): Omit<BowRow, 'partId' | 'name'> {
  const side: Omit<PushedSide, 'braces'> = {
    length,
    depth: piece.poured.full,
    thickness: board.thickness,
    // Strips are cut along the sheet, which is where the grain runs.
    elasticity: [board.elasticity, board.elasticityAcross],
    freshKgPerM3: mix.freshKgPerM3,
    clampedFoot: footHolds,
  }
  const braces = bracePlaces(length, braceCount(length, piece.mould.braceSpacing))
  const bow = sideBow({ ...side, braces })
  const limit = bowLimit(length)
  const needed = bow.most > limit ? bracesNeeded(side) : null
  return {
    bowMm: bow.most,
    alongMm: bow.at[0],
    aboveBaseMm: bow.at[1],
    limitMm: limit,
    bracesMm: braces,
    topMm: bow.top,
    braceSpacingMm: needed === null || needed === 0 ? null : length / (needed + 1),
  }
}
