import type { Change, Finding } from '../../job/index.ts'
import { outlinePath, sidesOf, sideWords } from '../../piece/index.ts'
import type { Board, Sealant, Stock } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { boardMissing, finding, TALL, tooLargeFindings } from '../checkMould.ts'
import type { BoardLayout, BowRow } from '../types.ts'
import { bendFinding } from './bendFinding.ts'
import { type BoxedSlab, notFormed } from './boxedSlab.ts'
import { checkKnockouts } from './checkKnockouts.ts'
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
/** The spacing that keeps every bowed side within its limit, in whole 10 mm; null when one of them no brace helps. */
function bracesFor(rows: readonly BowRow[]): number | null {
  const bowed = rows.filter((r) => r.bowMm > r.limitMm)
  if (bowed.length === 0 || bowed.some((r) => r.braceSpacingMm === null)) return null
  return Math.floor(Math.min(...bowed.map((r) => r.braceSpacingMm!)) / 10) * 10 || null
}
const braced = (piece: BoxedSlab, braceSpacing: number): Change[] => [
  { type: 'mouldChosen', pieceId: piece.id, patch: { braceSpacing } },
]

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
  stock: Stock,
): Finding[] {
  const findings: Finding[] = []
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
  else if (!loads.holds && piece.mould.braceSpacing === null)
    findings.push(
      finding(
        piece,
        'hold-the-top',
        'warn',
        'choice',
        { depthMm: piece.poured.full, pressureKPa: loads.pressure },
        braced(piece, bracesFor(loads.bowing) ?? USUAL_BRACES),
      ),
    )
  const bowed = loads.bowing.filter((b) => b.bowMm > b.limitMm)
  if (bowed.length > 0) {
    const worst = bowed.reduce((a, b) => (a.bowMm > b.bowMm ? a : b))
    const spacing = bracesFor(bowed)
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
          braceSpacingMm: spacing ?? 0,
        },
        spacing === null ? undefined : braced(piece, spacing),
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
