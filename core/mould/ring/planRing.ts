import type { SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Finding, Piece } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import { pouredSize } from '../../piece/index.ts'
import { type Board, type SheetStock, type Skin, sheetStock } from '../../stock/index.ts'
import { act, inTurn, type Operation } from '../../work/index.ts'
import { type BarePart, barePart, DOWN, oneLayer, prism, trimmed, UP } from '../bareParts.ts'
import { bendFinding } from '../boardBox/bendFinding.ts'
import { sealantVolume } from '../boardBox/fixings.ts'
import { LIFE } from '../boardBox/life.ts'
import { build, oneByOne, undo, WORK } from '../buildingOrder.ts'
import { boardMissing, finding, rowMissing, TALL, tooLargeFindings, wearFindings } from '../checkMould.ts'
import { type BuiltMould, type MouldedPiece, type MouldMethod, NOTHING_BESIDE } from '../method.ts'
import { type Misfit, misfit } from '../misfit.ts'
import { skinSurface, surfaceOf } from '../surfaces.ts'
import { coreOfTube } from '../tube/coreTube.ts'
import {
  cleats,
  coreParts,
  fittedForm,
  MARGIN,
  type RoundForm,
  ring,
  roundForm,
  square,
  strapSpacing,
} from '../tube/roundParts.ts'
import type { MouldFace, Undoing } from '../types.ts'

/** Hours [own]: a base and its cleats, a length of sheet bent and joined. */
const HOURS = { base: 0.75, strip: 0.4 }
/** Cleats stand no further apart than this round the foot, mm [own]. */
const CLEATS = 200

/** The upright round outside of a piece, of whatever kind it is; null where it has none. */
const formOf = (piece: Piece): RoundForm | null =>
  piece.kind === 'turned' ? roundForm(piece) : piece.kind === 'fitted' ? fittedForm(piece) : null

function ringMisfit(piece: Piece): Misfit | null {
  if (piece.kind !== 'turned' && piece.kind !== 'fitted') return misfit('not-round-column')
  if (!formOf(piece)) return misfit('not-upright-cylinder')
  if (piece.lettering.length > 0) return misfit('letters-need-formers')
  return piece.attitude.down === 'top' || piece.attitude.down === 'bottom' ? null : misfit('lies-in-pour')
}

/** A round upright piece of any size: a sheet bent into a ring on a flat base. */
export const ringMethod: MouldMethod<'ring'> = {
  id: 'ring',
  name: 'bent ring',
  misfit: ringMisfit,
  reason: 'round flat work of any diameter: a strip of sheet, taped round, on a flat base',
  finish: 'smooth from the sheet, a line where it laps',
  build({ piece: any, pieceStation, stock, mix }) {
    const piece = any as Extract<MouldedPiece<'ring'>, { kind: 'turned' | 'fitted' }>
    const form = formOf(piece)!
    const skin = stock.skins.find((s) => s.id === piece.mould.skin)
    const board = stock.boards.find((b) => b.id === piece.mould.baseBoard)
    const sealant = stock.sealants.find((s) => s.id === piece.mould.sealant)
    const first = stock.skins[0]
    const missing: Finding[] = [
      ...(board ? [] : [boardMissing(piece, 'the base', piece.mould.baseBoard)]),
      ...(skin ? [] : [rowMissing(piece, 'skin-missing', piece.mould.skin, first && { skin: first.id })]),
      ...(sealant ? [] : [finding(piece, 'sealant-missing', 'stop', 'choice', { row: piece.mould.sealant })]),
    ]
    if (!skin || !board || !sealant) return { built: null, findings: missing }
    const middle = pouredSize(piece.attitude, pieceStation.geometry)[0] / 2
    const { diameter, height } = form
    const strips = ringStrips(piece, form, skin, sheetStock(stock), middle)
    const base = basePart(board, middle, diameter + 2 * skin.thickness + 2 * MARGIN)
    const blocks = cleatParts(board, middle, diameter + 2 * skin.thickness)
    const core = coreParts(piece, form, middle)
    const hollow = coreOfTube(piece, form, stock.tubes, Math.ceil(piece.plannedCasts / piece.mouldCount))
    const spacing = strapSpacing(height, diameter, mix.freshKgPerM3)
    // A sheet that is only taped to itself is held by one strap at least.
    const straps = Math.max(1, spacing >= height ? 0 : Math.ceil(height / spacing))
    const foot = Math.PI * diameter
    const bead = baseEdge(piece)
    const life = Math.min(skin.casts, LIFE[board.material])
    const parts = [base, ...strips, ...blocks, ...core]
    const built: BuiltMould = {
      ...NOTHING_BESIDE,
      parts,
      materials: hollow.materials,
      lengths: hollow.lengths,
      fixings: hollow.fixings,
      sealant: [
        {
          where: 'base joint',
          lengthMm: foot,
          radiusMm: bead,
          millilitres: sealantVolume(foot, bead),
        },
      ],
      straps: {
        count: straps,
        spacingMm: straps > 1 ? Math.floor(spacing / 5) * 5 : 0,
      },
      tapeLengthMm: strips.length * height,
      hours: HOURS.base + HOURS.strip * strips.length + (form.core ? 0.5 : 0),
      life,
      faceM2: pieceStation.figures.surfaceAreaM2,
      depth: height,
      facts: [
        {
          code: 'ring-length',
          facts: { overlapMm: piece.mould.overlap, strips: strips.length },
          value: strips.reduce((sum, s) => sum + s.lengthMm, 0),
          unit: 'mm',
        },
        { code: 'ring-cleats', facts: {}, value: blocks.length, unit: '' },
      ],
      building: ringBuilding(parts, { straps, overlap: piece.mould.overlap, foot }),
      off: ringOff(parts),
      faces: ringFaces(parts, form, board, skin),
      top: 'rim',
      check: (layouts) => [
        ...tooLargeFindings(piece, layouts),
        ...(diameter / 2 < skin.leastRadius
          ? [
              bendFinding(
                piece,
                stock,
                skin,
                { partId: strips[0]!.id, name: strips[0]!.name, radiusMm: diameter / 2 },
                'any',
              ),
            ]
          : []),
        ...hollow.findings,
        ...eased(piece),
        ...tall(piece, height, mix.freshKgPerM3),
        ...wearFindings(piece, life),
      ],
    }
    return { built, findings: [] }
  },
}

/** The strip round it, cut (D + s) pi and its overlap long; in as few equal lengths as the sheet gives, each lapped. */
function ringStrips(
  piece: Piece,
  { diameter, height }: RoundForm,
  skin: Skin,
  sheets: readonly SheetStock[],
  middle: number,
): BarePart[] {
  const { trim } = piece.mould
  const overlap = 'overlap' in piece.mould ? piece.mould.overlap : 0
  const sheet = sheets.find((s) => s.id === skin.id)!
  const round = Math.PI * (diameter + skin.thickness)
  const most = Math.max(sheet.length, sheet.width) - 2 * trim - overlap
  const count = most > 0 ? Math.max(1, Math.ceil(round / most - 1e-9)) : 1
  const whole = ring('ring', middle, diameter / 2, diameter / 2 + skin.thickness, 0, height)
  return Array.from({ length: count }, (_, i): BarePart => {
    const id = count === 1 ? 'ring' : `ring/${i + 1}`
    const turn = (2 * Math.PI * (i + 0.5)) / count
    return barePart({
      id,
      role: 'skin',
      source: { of: 'cast' },
      name: count === 1 ? 'ring' : `ring, length ${i + 1}`,
      together: 'lengths of the ring',
      boardId: skin.id,
      lengthMm: round / count + overlap,
      widthMm: height,
      thicknessMm: skin.thickness,
      layers: [{ boardId: skin.id, name: skin.name, thicknessMm: skin.thickness }],
      pull: count === 1 ? UP : [Math.cos(turn), Math.sin(turn), 0],
      bend: { radiusMm: diameter / 2, angleDeg: 360 / count },
      mass: { volume: (round / count + overlap) * height * skin.thickness, kgPerM3: sheet.densityKgPerM3 },
      recipe: sector(whole, middle, count, i),
    })
  })
}

/** One of equal parts of what is turned about an axis. */
function sector(whole: SolidRecipe, middle: number, count: number, i: number): SolidRecipe {
  if (count === 1) return whole
  const side = (turn: number, way: 1 | -1, solid: SolidRecipe): SolidRecipe => {
    const normal: Vector = [-Math.sin(turn) * way, Math.cos(turn) * way, 0]
    return trimmed(solid, normal, (normal[0] + normal[1]) * middle, 'ring/end')
  }
  const [from, to] = [(2 * Math.PI * i) / count, (2 * Math.PI * (i + 1)) / count]
  return count === 2 ? side(from, 1, whole) : side(to, -1, side(from, 1, whole))
}

const basePart = (board: Board, middle: number, across: number): BarePart =>
  barePart({
    id: 'base',
    role: 'base',
    source: { of: 'cast' },
    name: 'base',
    boardId: board.id,
    lengthMm: across,
    widthMm: across,
    thicknessMm: board.thickness,
    layers: oneLayer(board),
    pull: DOWN,
    recipe: prism(square(middle, middle, across, across), -board.thickness, 0, 'base'),
  })

function cleatParts(board: Board, middle: number, outside: number): BarePart[] {
  const count = Math.max(4, Math.ceil((Math.PI * outside) / CLEATS))
  return cleats(middle, outside, board.thickness, count).map((recipe, i): BarePart => {
    const turn = (2 * Math.PI * i) / count
    return barePart({
      id: `cleat/${i + 1}`,
      role: 'cleat',
      source: { of: 'cast' },
      name: `cleat ${i + 1}`,
      together: 'cleats',
      boardId: board.id,
      lengthMm: MARGIN,
      widthMm: MARGIN,
      thicknessMm: board.thickness,
      layers: oneLayer(board),
      pull: [Math.cos(turn), Math.sin(turn), 0],
      recipe,
    })
  })
}

/** Radius of the bead at the edge on the base, mm; 0 where it is square or no bead. */
function baseEdge(piece: Piece): number {
  if (piece.kind !== 'turned') return 0
  const edge = piece.rim[piece.attitude.down === 'top' ? 'top' : 'bottom']
  return edge.kind === 'bead' ? edge.size : 0
}

/** Edges that no bead forms, and the one at the open top; plugs and sleeves have none. */
function eased(piece: Piece): Finding[] {
  if (piece.kind !== 'turned') return []
  const onBase = piece.attitude.down === 'top' ? piece.rim.top : piece.rim.bottom
  const open = piece.attitude.down === 'top' ? piece.rim.bottom : piece.rim.top
  return open.kind !== 'square' || (onBase.kind !== 'square' && onBase.kind !== 'bead')
    ? [finding(piece, 'ring-edges', 'note', 'ring', {})]
    : []
}

function tall(piece: Piece, depth: number, freshKgPerM3: number): Finding[] {
  const pressure = pressureAt(depth, freshKgPerM3)
  return depth > TALL.deep || pressure > TALL.pressure
    ? [finding(piece, 'tall-form', 'stop', 'choice', { depthMm: depth, pressureKPa: pressure })]
    : []
}

function ringFaces(
  parts: readonly BarePart[],
  { diameter, height, core }: RoundForm,
  board: Board,
  skin: Skin,
): MouldFace[] {
  const of = (role: BarePart['role']) => parts.filter((p) => p.role === role).map((p) => p.id)
  return [
    { face: 'base', partIds: of('base'), areaM2: (Math.PI * diameter ** 2) / 4e6, ...surfaceOf(board) },
    {
      face: 'ring',
      partIds: of('skin'),
      areaM2: (Math.PI * diameter * height) / 1e6,
      ...skinSurface(skin),
    },
    ...(core
      ? [
          {
            face: 'core',
            partIds: of('core'),
            areaM2: (Math.PI * core.diameter * (height - core.from)) / 1e6,
            material: 'card',
            surface: 'card',
          } as const,
        ]
      : []),
  ]
}

const of = (parts: readonly BarePart[], ...roles: BarePart['role'][]) =>
  parts.filter((p) => roles.includes(p.role))
/** Whether the core's top stands free; else a floor is cast over it. */
const isOpen = (core: readonly BarePart[]): boolean => core.some((p) => p.pull[2] > 0)

function ringBuilding(
  parts: readonly BarePart[],
  { straps, overlap, foot }: { readonly straps: number; readonly overlap: number; readonly foot: number },
): Operation[] {
  const [strips, blocks, core] = [of(parts, 'skin'), of(parts, 'cleat'), of(parts, 'core')]
  return inTurn([
    build('cut/ring', act('cut-ring', { strips: strips.length, overlapMm: overlap }), parts, {
      work: 10 + WORK.cut * parts.length,
    }),
    build('mark/circle', act('mark-circle', {}), of(parts, 'base'), { work: 6 }),
    ...(core.length > 0
      ? [build('fix/core', act('fix-tube-core', { bridged: isOpen(core) }), core, { work: 25 })]
      : []),
    build('bend/ring', act('bend-ring', { strips: strips.length, overlapMm: overlap }), strips, {
      work: 15 * strips.length,
    }),
    build('fix/cleats', act('fix-ring-cleats', { cleats: blocks.length }), blocks, {
      work: 3 * blocks.length,
    }),
    build('bead/foot', act('run-bead', { lengthM: foot / 1000, waxFirst: false }), strips, {
      work: WORK.beadPerM * (foot / 1000),
      wait: 180,
    }),
    build('strap/ring', act('strap-tube', { turns: straps }), strips, { work: straps * 3 }),
  ])
}

function ringOff(parts: readonly BarePart[]): Undoing[] {
  const core = of(parts, 'core')
  const slit = undo('ease/core', act('slit-core', {}), [], {
    at: core.map((p) => p.id),
    ...(isOpen(core) && { from: 'set' as const, whileItMoves: true }),
  })
  const coreOff = core.length === 0 ? [] : [slit, undo('out/core', act('core-out', {}), core)]
  return oneByOne([
    ...(isOpen(core) ? coreOff : []),
    undo('off/ring', act('ring-peeled', {}), of(parts, 'cleat', 'skin'), { from: 'sides' }),
    undo('off/base', act('column-off-base', {}), of(parts, 'base'), { from: 'turn' }),
    ...(isOpen(core) ? [] : coreOff),
  ])
}
