import type { Change, Finding, Piece } from '../job/index.ts'
import type { Level } from './level.ts'
import type { MouldMethod } from './method.ts'
import type { Misfit } from './misfit.ts'
import type { BoardLayout } from './types.ts'
import type { MouldFindings } from './words.ts'

/** A finding of the mould, about its choice or a part; the change that may cure it. */
export const finding = <C extends keyof MouldFindings & string>(
  piece: Pick<Piece, 'id'>,
  code: C,
  level: Finding['level'],
  id: string,
  facts: MouldFindings[C],
  changes?: readonly Change[],
): Finding => ({
  code,
  level,
  station: 'mould',
  about: [{ pieceId: piece.id, kind: id === 'choice' ? 'choice' : 'part', id }],
  facts,
  remedies: changes ? [{ code, facts, changes }] : [],
})

/** Codes of rows that are chosen and not in stock. */
type RowMissing = {
  [C in keyof MouldFindings]: { row: string } extends MouldFindings[C] ? C : never
}[keyof MouldFindings]

/** A row that is chosen and not in stock; the first that is, is offered. */
export const rowMissing = (
  piece: Pick<Piece, 'id'>,
  code: RowMissing,
  row: string,
  first: Partial<Piece['mould']> | undefined,
): Finding =>
  finding(
    piece,
    code,
    'stop',
    'choice',
    { row },
    first && [{ type: 'mouldChosen', pieceId: piece.id, patch: first }],
  )

/** More casts of one mould than its faces last. */
export function wearFindings(
  piece: Pick<Piece, 'id' | 'plannedCasts' | 'mouldCount'>,
  lasts: number,
): Finding[] {
  const casts = Math.ceil(piece.plannedCasts / piece.mouldCount)
  return casts > lasts ? [finding(piece, 'mould-wears-out', 'note', 'choice', { casts, lasts })] : []
}

/** Parts that no sheet of their stock holds. */
export const tooLargeFindings = (piece: Pick<Piece, 'id'>, layouts: readonly BoardLayout[]): Finding[] =>
  layouts
    .filter((l) => l.tooLarge.length > 0)
    .map((l) =>
      finding(
        piece,
        'larger-than-sheet',
        'stop',
        'choice',
        {
          parts: l.tooLarge.join(', '),
          board: l.boardName,
          sheetLengthMm: l.sheetLengthMm,
          sheetWidthMm: l.sheetWidthMm,
        },
        [{ type: 'mouldChosen', pieceId: piece.id, patch: { joinLong: true } }],
      ),
    )

/** A board that is chosen and not in stock. */
export const boardMissing = (piece: Pick<Piece, 'id'>, what: string, row: string): Finding =>
  finding(piece, 'board-missing', 'stop', 'choice', { for: what, row })

/** Other methods offered at most. */
const OFFERED = 3

/** A piece that the chosen method does not form; those that do are offered. */
function checkMethod(
  piece: Piece,
  method: MouldMethod,
  misfit: Misfit,
  others: readonly MouldMethod[],
): Finding[] {
  const found = finding(piece, 'no-method', 'warn', 'choice', {
    kind: piece.kind,
    method: method.name,
    ...misfit,
  })
  const remedies = others.slice(0, OFFERED).map((o): Finding['remedies'][number] => ({
    code: o.id,
    facts: { method: o.name },
    changes: [{ type: 'mouldChosen', pieceId: piece.id, patch: { method: o.id } }],
  }))
  return [{ ...found, remedies }]
}

/** Depth from which a free top needs holding, and from which a form is designed by someone qualified. */
export const TALL = { deep: 1000, pressure: 25 }

/** A table this much out of level, or twisted, over the mould is worth a shim, mm [own]. */
const OUT_OF_LEVEL = 1

function checkLevel(piece: Piece, level: Level | null): Finding[] {
  if (!level || Math.max(level.depthError, level.twist) <= OUT_OF_LEVEL) return []
  return [
    finding(piece, 'table-not-level', 'warn', 'choice', {
      fallMm: level.depthError,
      twistMm: level.twist,
      extraKg: Math.round(level.extraKg * 10) / 10,
      mostMm: Math.max(...level.shims),
    }),
  ]
}

export const checkMould = { level: checkLevel, method: checkMethod }
