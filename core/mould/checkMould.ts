import type { Change, Finding, Piece } from '../job/index.ts'
import { SIDES } from '../piece/index.ts'
import type { Board, Sealant, Stock } from '../stock/index.ts'
import { type BoxedSlab, notFormed, whyNoBox } from './boardBox/boxedSlab.ts'
import type { BarePart } from './boardBox/boxParts.ts'
import type { BoardLayout } from './types.ts'

type StockFound = {
  readonly base: Board | undefined
  readonly side: Board | undefined
  readonly sealant: Sealant | undefined
}
type Loads = { readonly holds: boolean; readonly pressure: number; readonly casts: number }

const finding = (
  piece: Pick<Piece, 'id'>,
  code: string,
  level: Finding['level'],
  id: string,
  facts: Finding['facts'],
  changes?: readonly Change[],
): Finding => ({
  code,
  level,
  station: 'mould',
  about: [{ pieceId: piece.id, kind: id === 'choice' ? 'choice' : 'part', id }],
  facts,
  remedies: changes ? [{ code, facts, changes }] : [],
})

/** Rows the mould needs that the stock does not hold. */
function checkStock(piece: Piece, { base, side, sealant }: StockFound): Finding[] {
  const findings: Finding[] = []
  if (!base)
    findings.push(
      finding(piece, 'board-missing', 'stop', 'choice', { for: 'the base', row: piece.mould.baseBoard }),
    )
  if (!side)
    findings.push(
      finding(piece, 'board-missing', 'stop', 'choice', { for: 'the sides', row: piece.mould.sideBoard }),
    )
  if (!sealant)
    findings.push(finding(piece, 'sealant-missing', 'stop', 'choice', { row: piece.mould.sealant }))
  return findings
}

/** A piece that no method forms yet. */
const checkMethod = (piece: Piece): Finding[] => {
  const why = whyNoBox(piece)
  return why === null ? [] : [finding(piece, 'no-method', 'warn', 'choice', { kind: piece.kind, why })]
}

/** Depth from which a free top needs holding, and from which a form is designed by someone qualified. */
const TALL = { deep: 1000, pressure: 25 }

function checkParts(
  piece: BoxedSlab,
  parts: readonly BarePart[],
  layouts: readonly BoardLayout[],
  loads: Loads,
  stock: Stock,
): Finding[] {
  const findings: Finding[] = []
  for (const part of parts) {
    if (part.role !== 'knockout' && part.role !== 'corner') continue
    if (part.laminate?.fits) continue
    const all: Change[] = piece.mould.knockoutBoards
      ? [{ type: 'mouldChosen', pieceId: piece.id, patch: { knockoutBoards: null } }]
      : []
    findings.push(
      finding(
        piece,
        'no-laminate',
        'stop',
        part.id,
        {
          part: part.name,
          wantedMm: part.thicknessMm,
          nearestMm: part.laminate?.thickness ?? 0,
          boards: stock.boards.length,
        },
        all.length > 0 ? all : undefined,
      ),
    )
  }
  for (const opening of piece.openings.filter((o) => o.depth === null)) {
    if (
      parts.some(
        (p) => p.role === 'knockout' && p.id.replace(/^knockout\//, '').replace(/\.\d+$/, '') === opening.id,
      )
    )
      continue
    findings.push(
      finding(
        piece,
        'wrap-fills-opening',
        'stop',
        `knockout/${opening.id}`,
        { opening: opening.name, wrapMm: piece.mould.wrap },
        [{ type: 'mouldChosen', pieceId: piece.id, patch: { wrap: 0 } }],
      ),
    )
  }
  for (const layout of layouts) {
    if (layout.tooLarge.length === 0) continue
    findings.push(
      finding(piece, 'larger-than-sheet', 'stop', 'choice', {
        parts: layout.tooLarge.join(', '),
        board: layout.boardName,
        sheetLengthMm: layout.sheetLengthMm,
        sheetWidthMm: layout.sheetWidthMm,
      }),
    )
  }
  if (piece.thickness > TALL.deep || loads.pressure > TALL.pressure)
    findings.push(
      finding(piece, 'tall-form', 'stop', 'choice', {
        depthMm: piece.thickness,
        pressureKPa: loads.pressure,
      }),
    )
  else if (!loads.holds)
    findings.push(
      finding(piece, 'hold-the-top', 'warn', 'choice', {
        depthMm: piece.thickness,
        pressureKPa: loads.pressure,
      }),
    )
  const up = piece.attitude.down === 'top' ? 'bottom' : 'top'
  const tooled = SIDES.filter((s) => piece.sides[s]![up].kind !== 'square')
  if (tooled.length > 0)
    findings.push({
      ...finding(piece, 'tooled-arris', 'note', 'choice', {
        sides: tooled.join(', '),
        face: up === 'top' ? 'show face' : 'underside',
      }),
      about: tooled.map((id) => ({ pieceId: piece.id, kind: 'side', id, face: `edge/${id}/${up}` })),
    })
  const left = notFormed(piece)
  if (left.length > 0)
    findings.push(
      finding(piece, 'not-in-mould', 'warn', 'choice', {
        features: left.slice(0, 4).join(', '),
        count: left.length,
      }),
    )
  const casts = Math.ceil(piece.plannedCasts / piece.mouldCount)
  if (casts > loads.casts)
    findings.push(finding(piece, 'mould-wears-out', 'note', 'choice', { casts, lasts: loads.casts }))
  return findings
}

export const checkMould = { method: checkMethod, stock: checkStock, parts: checkParts }
