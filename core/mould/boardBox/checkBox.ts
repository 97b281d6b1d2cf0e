import type { Change, Finding } from '../../job/index.ts'
import { outlinePath, sidesOf, sideWords } from '../../piece/index.ts'
import type { Board, Sealant, Stock } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { boardMissing, finding, TALL, tooLargeFindings } from '../checkMould.ts'
import type { BoardLayout, BowCure, BowRow } from '../types.ts'
import { bendFinding } from './bendFinding.ts'
import { type BoxedSlab, notFormed } from './boxedSlab.ts'
import { checkKnockouts } from './checkKnockouts.ts'
import { type FixingId, isScrewed, SCHOOLS } from './fixingSchools.ts'
import { SAW_TILT } from './strips.ts'

type StockFound = {
  readonly base: Board | undefined
  readonly side: Board | undefined
  readonly sealant: Sealant | undefined
}
type Loads = {
  readonly holds: boolean
  readonly pressure: number
  readonly casts: number
  readonly bowing: readonly BowRow[]
}

/** Rows the mould needs that the stock does not hold. */
export function checkBoxStock(piece: BoxedSlab, { base, side, sealant }: StockFound): Finding[] {
  const findings: Finding[] = []
  if (!base) findings.push(boardMissing(piece, 'the base', piece.mould.baseBoard))
  if (!side) findings.push(boardMissing(piece, 'the sides', piece.mould.sideBoard))
  if (!sealant)
    findings.push(finding(piece, 'sealant-missing', 'stop', 'choice', { row: piece.mould.sealant }))
  return findings
}

/** Skins that are missing, or bent tighter than they go, with what would do. */
function checkBends(piece: BoxedSlab, parts: readonly BarePart[], stock: Stock): Finding[] {
  const bentAt = (choice: string): Change[] => [
    { type: 'mouldChosen', pieceId: piece.id, patch: { skin: choice } },
  ]
  const skin = stock.skins.find((s) => s.id === piece.mould.skin)
  if (!skin) {
    const curved = outlinePath(piece.outline).some((c) => c.run.kind === 'arc')
    const other = stock.skins[0]
    return curved
      ? [
          finding(
            piece,
            'skin-missing',
            'stop',
            'choice',
            { row: piece.mould.skin },
            other && bentAt(other.id),
          ),
        ]
      : []
  }
  const tight = parts.filter((p) => p.role === 'skin' && p.bend && p.bend.radiusMm < skin.leastRadius)
  if (tight.length === 0) return []
  const worst = tight.reduce((a, b) => (a.bend!.radiusMm < b.bend!.radiusMm ? a : b))
  return [
    bendFinding(piece, stock, skin, {
      partId: worst.id,
      name: worst.name,
      radiusMm: worst.bend!.radiusMm,
    }),
  ]
}

/** Braces this far apart hold a top that no bow asks to be held, mm [own]. */
const USUAL_BRACES = 600
/** What keeps every bowed side within its limit, spaced in whole 10 mm; null when one of them nothing here helps. */
function cureOf(rows: readonly BowRow[]): BowCure | null {
  const cures = rows.filter((r) => r.bowMm > r.limitMm).map((r) => r.cure)
  if (cures.length === 0 || cures.some((c) => c === null)) return null
  const all = cures as BowCure[]
  const spacingMm = Math.floor(Math.min(...all.map((c) => c.spacingMm)) / 10) * 10
  if (spacingMm === 0) return null
  return {
    spacingMm,
    rows: Math.max(...all.map((c) => c.rows)) as 1 | 2,
    boardId: all.find((c) => c.boardId !== null)?.boardId ?? null,
  }
}
const braced = (piece: BoxedSlab, { spacingMm, rows, boardId }: BowCure): Change[] => [
  {
    type: 'mouldChosen',
    pieceId: piece.id,
    patch: {
      braceSpacing: spacingMm,
      braceRows: rows,
      ...(boardId !== null && { sideBoard: boardId, sideBoards: {} }),
    },
  },
]

/** Whether the sides can be fixed as chosen: what counts for nothing on a deep form, screws that split a thin edge. */
function checkFixing(piece: BoxedSlab, { base, side }: { base: Board; side: Board }): Finding[] {
  const { fixing, school } = piece.mould
  const { deepest, name } = SCHOOLS[fixing]
  const by = (other: FixingId): Change[] => [
    { type: 'mouldChosen', pieceId: piece.id, patch: { fixing: other } },
  ]
  const edge = school === 'wrap' ? base : side
  const thin = edge.thickness < THIN_EDGE
  if (deepest !== null && piece.poured.full > deepest)
    return [
      finding(
        piece,
        'fixing-holds-little',
        'warn',
        'choice',
        { fixing: name, depthMm: piece.poured.full, deepestMm: deepest, instead: thin ? 'angled' : 'screws' },
        by(thin ? 'angled-screws' : 'screws'),
      ),
    ]
  if (fixing === 'screws' && thin)
    return [
      finding(
        piece,
        'edge-splits',
        'warn',
        'choice',
        { board: edge.name, thicknessMm: edge.thickness, leastMm: THIN_EDGE },
        by('angled-screws'),
      ),
    ]
  return []
}
/** A board thinner than this splits at a screw along the middle of its edge, mm [own]. */
const THIN_EDGE = 12

/** Strips that no saw cuts, that stand in each other's place, or whose raw end faces the concrete. */
function checkStrips(piece: BoxedSlab, parts: readonly BarePart[]): Finding[] {
  const findings: Finding[] = []
  const strips = parts.filter((p) => p.role === 'strip')
  for (const strip of strips) {
    const { bevels } = strip
    if (!bevels) continue
    const steep = [bevels.startBevelDeg, bevels.endBevelDeg, bevels.edgeDeg].filter(
      (deg) => Math.abs(deg) > SAW_TILT,
    )
    if (steep.length > 0)
      findings.push(
        finding(piece, 'bevel-too-steep', 'warn', strip.id, {
          strip: strip.name,
          bevelDeg: Math.max(...steep.map(Math.abs)),
          sawDeg: SAW_TILT,
        }),
      )
    if (bevels.insideLengthMm <= 0)
      findings.push(
        finding(piece, 'strip-too-short', 'stop', strip.id, {
          strip: strip.name,
          thicknessMm: strip.thicknessMm,
        }),
      )
    const raw = [bevels.startKind, bevels.endKind].includes('through')
    if (raw)
      findings.push(
        finding(
          piece,
          'raw-end-in-concrete',
          'warn',
          strip.id,
          { strip: strip.name, wideMm: strip.thicknessMm },
          [{ type: 'mouldChosen', pieceId: piece.id, patch: { insideCorners: 'mitre' } }],
        ),
      )
  }
  for (const [i, a] of strips.entries())
    for (const b of strips.slice(i + 1))
      if (stripsMeet(a, b))
        findings.push(
          finding(piece, 'strips-meet', 'stop', a.id, {
            strip: a.name,
            other: b.name,
            thicknessMm: a.thicknessMm,
          }),
        )
  return findings
}

/** Whether two strips' plans overlap: convex outlines do when no side of either parts them. */
function stripsMeet(a: BarePart, b: BarePart): boolean {
  if (a.recipe.kind !== 'prism' || b.recipe.kind !== 'prism') return false
  const [p, q] = [a.recipe.outline, b.recipe.outline]
  const parts = (own: typeof p, other: typeof p) =>
    own.some(({ from, to }) => {
      const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
      const length = Math.hypot(dx, dy)
      return other.every(({ from: c }) => dx * (c[1] - from[1]) - dy * (c[0] - from[0]) <= OVERLAP * length)
    })
  return !parts(p, q) && !parts(q, p)
}
/** Strips that share less than this are touching, mm. */
const OVERLAP = 0.01

/** What is wrong with a box, once its boards are laid out. */
export function checkBox(
  piece: BoxedSlab,
  parts: readonly BarePart[],
  layouts: readonly BoardLayout[],
  loads: Loads,
  { base, side, stock }: { readonly base: Board; readonly side: Board; readonly stock: Stock },
): Finding[] {
  const findings: Finding[] = parts.some((p) => p.role === 'strip') ? checkFixing(piece, { base, side }) : []
  findings.push(...checkKnockouts(piece, parts, stock))
  findings.push(...checkStrips(piece, parts), ...checkBends(piece, parts, stock))
  findings.push(...tooLargeFindings(piece, layouts))
  if (piece.poured.full > TALL.deep || loads.pressure > TALL.pressure)
    findings.push(
      finding(piece, 'tall-form', 'stop', 'choice', {
        depthMm: piece.poured.full,
        pressureKPa: loads.pressure,
      }),
    )
  else if (!loads.holds && piece.mould.braceSpacing === null && SCHOOLS[piece.mould.fixing].deepest === null)
    findings.push(
      finding(
        piece,
        'hold-the-top',
        'warn',
        'choice',
        {
          depthMm: piece.poured.full,
          pressureKPa: loads.pressure,
          by: isScrewed(piece.mould.fixing) ? 'screws' : 'glue',
        },
        braced(piece, cureOf(loads.bowing) ?? { spacingMm: USUAL_BRACES, rows: 1, boardId: null }),
      ),
    )
  const bowed = loads.bowing.filter((b) => b.bowMm > b.limitMm)
  if (bowed.length > 0) {
    const worst = bowed.reduce((a, b) => (a.bowMm > b.bowMm ? a : b))
    const cure = cureOf(bowed)
    const board = stock.boards.find((b) => b.id === cure?.boardId)
    findings.push(
      finding(
        piece,
        'side-bows',
        'warn',
        worst.partId,
        {
          side: worst.name,
          bowMm: worst.bowMm,
          limitMm: worst.limitMm,
          alongMm: worst.alongMm,
          aboveBaseMm: worst.aboveBaseMm,
          sides: bowed.length,
          braceSpacingMm: cure?.spacingMm ?? 0,
          rows: cure?.rows ?? 0,
          board: board?.name ?? '',
        },
        cure === null ? undefined : braced(piece, cure),
      ),
    )
  }
  const up = piece.attitude.down === 'top' ? 'bottom' : 'top'
  const tooled = sidesOf(piece).filter((s) => piece.sides[s]![up].kind !== 'square')
  if (tooled.length > 0)
    findings.push({
      ...finding(piece, 'tooled-arris', 'note', 'choice', {
        sides: tooled.map(sideWords).join(', '),
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
