import type { Change, Finding, Piece } from '../job/index.ts'
import { outlinePath, sidesOf, sideWords } from '../piece/index.ts'
import type { Board, Sealant, Stock } from '../stock/index.ts'
import type { BarePart } from './bareParts.ts'
import { kerfs } from './boardBox/bentSides.ts'
import { type BoxedSlab, notFormed } from './boardBox/boxedSlab.ts'
import { knockoutKind, MOST_WRAP, openingKeyOf, plugFor, tubeFor } from './boardBox/knockouts.ts'
import { SAW_TILT } from './boardBox/strips.ts'
import type { Level } from './level.ts'
import type { MouldMethod } from './method.ts'
import type { BoardLayout, BowRow } from './types.ts'

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

export const finding = (
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

/** A row that is chosen and not in stock; the first that is, is offered. */
export const rowMissing = (
  piece: Pick<Piece, 'id'>,
  code: string,
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

/** Rows the mould needs that the stock does not hold. */
function checkStock(piece: Piece, { base, side, sealant }: StockFound): Finding[] {
  const findings: Finding[] = []
  if (!base) findings.push(boardMissing(piece, 'the base', piece.mould.baseBoard))
  if (!side) findings.push(boardMissing(piece, 'the sides', piece.mould.sideBoard))
  if (!sealant)
    findings.push(finding(piece, 'sealant-missing', 'stop', 'choice', { row: piece.mould.sealant }))
  return findings
}

/** Other methods offered at most. */
const OFFERED = 3

/** A piece that the chosen method does not form; those that do are offered. */
function checkMethod(
  piece: Piece,
  method: MouldMethod,
  why: string,
  others: readonly MouldMethod[],
): Finding[] {
  const found = finding(piece, 'no-method', 'warn', 'choice', { kind: piece.kind, method: method.name, why })
  const remedies = others.slice(0, OFFERED).map((o): Finding['remedies'][number] => ({
    code: o.id,
    facts: { method: o.name },
    changes: [{ type: 'mouldChosen', pieceId: piece.id, patch: { method: o.id } }],
  }))
  return [{ ...found, remedies }]
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
  const { radiusMm } = worst.bend!
  const wetted = skin.wettedRadius !== null && radiusMm >= skin.wettedRadius
  const cut = kerfs(radiusMm, skin.thickness, piece.mould.kerf)
  const other = stock.skins
    .filter((s) => s.leastRadius <= radiusMm)
    .sort((a, b) => b.leastRadius - a.leastRadius)[0]
  return [
    finding(
      piece,
      'bend-too-tight',
      wetted ? 'warn' : 'stop',
      worst.id,
      {
        part: worst.name,
        radiusMm,
        leastMm: skin.leastRadius,
        wettedMm: wetted ? (skin.wettedRadius ?? 0) : 0,
        skin: skin.name,
        kerfDepthMm: cut?.depth ?? 0,
        kerfSpacingMm: cut?.spacing ?? 0,
        other: other?.name ?? '',
      },
      other && bentAt(other.id),
    ),
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

/** Depth from which a free top needs holding, and from which a form is designed by someone qualified. */
export const TALL = { deep: 1000, pressure: 25 }

/** The opening a knockout fills; those of a pattern are numbered. */
const openingIdOf = (part: BarePart): string => openingKeyOf(part.id).replace(/\.\d+$/, '')

/** Whether a knockout is glued up from boards: foam is not, and a tube only where none fits. */
const isStacked = (piece: BoxedSlab, part: BarePart): boolean => {
  const kind = knockoutKind(piece.mould, openingIdOf(part))
  const isPlug = kind === 'bought' && part.laminate === null && part.layers.length === 0
  return part.displaces === undefined && kind !== 'foam' && !isPlug
}

/** A tube wanted for an opening that none of the stock forms: boards stand in for it. */
function checkTube(piece: BoxedSlab, opening: BoxedSlab['openings'][number], { tubes }: Stock): Finding[] {
  if (knockoutKind(piece.mould, opening.id) !== 'tube') return []
  const { shape } = opening
  const diameter = shape.kind === 'round' && opening.draftDeg === 0 ? shape.diameter : 0
  if (diameter > 0 && tubeFor(diameter, piece.mould.wrap, tubes)) return []
  const outside = tubes.map((t) => t.inside + 2 * t.wall).sort((a, b) => a - b)
  const below = outside.filter((d) => d <= diameter - 2 * piece.mould.wrap).at(-1) ?? 0
  const { [opening.id]: _, ...others } = piece.mould.knockoutKinds
  return [
    finding(
      piece,
      'no-tube-knockout',
      'warn',
      `knockout/${opening.id}`,
      { opening: opening.name, diameterMm: diameter, nearestMm: below, mostWrapMm: MOST_WRAP },
      [{ type: 'mouldChosen', pieceId: piece.id, patch: { knockoutKinds: others } }],
    ),
  ]
}

/** More boards than this in one knockout are no way to make it [own]. */
const MOST_STACKED = 8

/** A knockout glued up from more boards than anyone would: a tube where one fits, else foam, is offered. */
function checkStack(
  piece: BoxedSlab,
  opening: BoxedSlab['openings'][number],
  parts: readonly BarePart[],
  { tubes }: Stock,
): Finding[] {
  const part = parts.find((p) => p.role === 'knockout' && openingIdOf(p) === opening.id)
  const layers = part?.layers.length ?? 0
  if (!part || layers <= MOST_STACKED) return []
  const { shape } = opening
  const tube =
    shape.kind === 'round' && opening.draftDeg === 0 ? tubeFor(shape.diameter, piece.mould.wrap, tubes) : null
  const kind = tube ? 'tube' : 'foam'
  return [
    finding(
      piece,
      'knockout-many-layers',
      'note',
      part.id,
      { part: part.name, layers, instead: tube ? `a ${tube.name}` : 'foam' },
      [
        {
          type: 'mouldChosen',
          pieceId: piece.id,
          patch: { knockoutKinds: { ...piece.mould.knockoutKinds, [opening.id]: kind } },
        },
      ],
    ),
  ]
}

/** Hours that a bought plug saves: marking, gluing, trimming and sealing one of boards [own]. */
const PLUG_SAVES_HOURS = 0.75

/** A plug wanted that none in stock is; or one in stock that would do instead of boards. */
function checkPlug(piece: BoxedSlab, opening: BoxedSlab['openings'][number], { plugs }: Stock): Finding[] {
  const deep = piece.thickness - piece.mould.knockoutBelow
  const { fits, nearest } = plugFor(opening, plugs, deep)
  const kind = knockoutKind(piece.mould, opening.id)
  const about = `knockout/${opening.id}`
  if (kind === 'laminate' && fits)
    return [
      finding(
        piece,
        'buying-beats-making',
        'note',
        about,
        {
          opening: opening.name,
          plug: fits.name,
          hours: PLUG_SAVES_HOURS,
          price: fits.price ?? 0,
          casts: fits.casts,
        },
        [
          {
            type: 'mouldChosen',
            pieceId: piece.id,
            patch: { knockoutKinds: { ...piece.mould.knockoutKinds, [opening.id]: 'bought' } },
          },
        ],
      ),
    ]
  if (kind !== 'bought' || fits) return []
  const shape = opening.shape
  const like: Change[] | undefined = nearest
    ? [
        {
          type: 'openingChanged',
          pieceId: piece.id,
          openingId: opening.id,
          patch: {
            draftDeg: nearest.draftDeg,
            shape:
              shape.kind === 'round'
                ? { kind: 'round', diameter: nearest.length }
                : { kind: 'rectangle', length: nearest.length, width: nearest.width, radius: nearest.radius },
          },
        },
      ]
    : undefined
  return [
    finding(
      piece,
      'no-bought-knockout',
      'warn',
      about,
      { opening: opening.name, nearest: nearest?.name ?? '', draftDeg: nearest?.draftDeg ?? 0, deepMm: deep },
      like,
    ),
  ]
}

function checkParts(
  piece: BoxedSlab,
  parts: readonly BarePart[],
  layouts: readonly BoardLayout[],
  loads: Loads,
  stock: Stock,
): Finding[] {
  const findings: Finding[] = []
  for (const part of parts) {
    const built = part.role === 'knockout' || part.role === 'corner' || part.id === 'apron/floor'
    const stacked = part.boardId === null && (part.role !== 'knockout' || isStacked(piece, part))
    if (!built || !stacked || part.laminate?.fits) continue
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
    findings.push(
      ...checkTube(piece, opening, stock),
      ...checkPlug(piece, opening, stock),
      ...checkStack(piece, opening, parts, stock),
    )
    if (parts.some((p) => p.role === 'knockout' && openingIdOf(p) === opening.id)) continue
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

/** A table this much out of level, or twisted, over the mould is worth a shim, mm [own]. */
const OUT_OF_LEVEL = 1

function checkLevel(piece: Piece, level: Level | null): Finding[] {
  if (!level || Math.max(level.depthError, level.twist) <= OUT_OF_LEVEL) return []
  return [
    finding(piece, 'table-not-level', 'warn', 'choice', {
      fallMm: level.depthError,
      twistMm: level.twist,
      extraKg: Math.round(level.extraKg * 10) / 10,
      shims: level.shims.length,
      mostMm: Math.max(...level.shims),
    }),
  ]
}

export const checkMould = { level: checkLevel, method: checkMethod, stock: checkStock, parts: checkParts }
