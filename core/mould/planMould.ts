import { measureLoop } from '../geometry/index.ts'
import type { Finding, Piece } from '../job/index.ts'
import { pressureAt } from '../mechanics/index.ts'
import type { PieceStation } from '../piece/index.ts'
import { type Board, type Mix, type Stock, sheetStock } from '../stock/index.ts'
import { massOf } from '../units/convert.ts'
import { asBoxed, type BoxedSlab } from './boardBox/boxedSlab.ts'
import { type BarePart, boxParts, perimeterOf } from './boardBox/boxParts.ts'
import { holdDownForce, screwRows, screwSpacing, sealantReady, sealantRows } from './boardBox/fixings.ts'
import { bowedSides } from './bowedSides.ts'
import { checkMould } from './checkMould.ts'
import { cutList } from './cutList.ts'
import { layoutBoards } from './layoutBoards.ts'
import type { MouldFigures, MouldStation } from './types.ts'

/** Hours to build [own]: one, and a quarter for each strip; 0.2 a knockout. */
const HOURS = { box: 1, strip: 0.25, knockout: 0.2 }
/** Foam sheet wrapped round knockouts, kg/m3. */
const FOAM_KG_PER_M3 = 25
/** Casts a mould face lasts at most [own], by material. */
const LIFE: Readonly<Record<Board['material'], number>> = {
  melamine: 5,
  mdf: 4,
  'birch-ply': 8,
  'spruce-ply': 8,
  'film-faced-ply': 30,
  hardboard: 4,
}

/**
 * The second station: the box round the piece as poured, every part a solid in place, and the lists that follow from
 * the parts. Null where a board is missing or the piece cannot be built; the findings say why.
 */
export function planMouldStation(
  piece: Piece,
  pieceStation: PieceStation,
  stock: Stock,
  mix: Mix,
  shouldStop?: () => boolean,
): { station: MouldStation | null; findings: Finding[] } {
  const boxed = asBoxed(piece)
  if (!boxed) return { station: null, findings: checkMould.method(piece) }
  return planBoardBox(boxed, pieceStation, stock, mix, shouldStop)
}

function planBoardBox(
  piece: BoxedSlab,
  pieceStation: PieceStation,
  stock: Stock,
  mix: Mix,
  shouldStop?: () => boolean,
): { station: MouldStation | null; findings: Finding[] } {
  const base = stock.boards.find((b) => b.id === piece.mould.baseBoard)
  const side = stock.boards.find((b) => b.id === piece.mould.sideBoard)
  const sealant = stock.sealants.find((s) => s.id === piece.mould.sealant)
  const { knockoutBoards } = piece.mould
  const laminate = stock.boards.filter((b) => knockoutBoards === null || knockoutBoards.includes(b.id))
  const early = checkMould.stock(piece as Piece, { base, side, sealant })
  if (!base || !side || !sealant || !pieceStation.geometry.recipe) return { station: null, findings: early }

  const { geometry } = pieceStation
  const skin = stock.skins.find((s) => s.id === piece.mould.skin)
  const bare = boxParts(piece, geometry, { base, side, laminate, skin, freshKgPerM3: mix.freshKgPerM3 })
  const { rows, parts } = cutList(bare, stock)
  const layouts = layoutBoards(rows, stock, piece.mould, piece.mouldCount, shouldStop)
  const { spacing, holds } = screwSpacing(piece, base, side, mix)
  const bowing = bowedSides(piece, bare, side, mix, holds)
  const screws = screwRows(piece, geometry, bare, base, side, spacing)
  const sealantList = sealantRows(piece, geometry)
  const millilitres = sealantList.reduce((sum, r) => sum + r.millilitres, 0)
  const usable = sealant.millilitres * (1 - sealant.wastePercent / 100)
  const raw = bare.filter((p) => p.role === 'knockout' || p.role === 'corner')
  const holdDown = bare
    .filter((p) => p.role === 'knockout')
    .map((p) => {
      const volume = solidVolume(p)
      const force = holdDownForce(volume, massOf(volume, density(p, stock)), mix.freshKgPerM3)
      return {
        partId: p.id,
        name: p.name,
        holdForceN: force,
        screws: Math.max(Math.min(p.lengthMm, p.widthMm) < 60 ? 1 : 2, Math.ceil(force / base.screwHold)),
      }
    })
  const sheets = sheetStock(stock)
  const sheetCount = layouts.reduce((sum, l) => sum + l.sheets.length, 0)
  const boardCost = layouts.reduce<number | null>((sum, l) => {
    const price = sheets.find((b) => b.id === l.boardId)!.price
    return sum === null || price === null ? null : sum + price * l.sheets.length
  }, 0)
  const casts = Math.min(
    piece.plannedCasts,
    piece.mouldCount * Math.min(LIFE[base.material], LIFE[side.material]),
  )
  const weights = new Map(
    parts.map((p, i) => [p.id, massOf(solidVolume(bare[i]!), density(bare[i]!, stock))]),
  )
  const figures: MouldFigures = {
    method: 'board box',
    school: piece.mould.school,
    corners: piece.mould.corners,
    runPastMm: piece.mould.runPast,
    partCount: rows.reduce((sum, r) => sum + r.count, 0),
    sheetCount,
    parts: parts.map(({ recipe: _, pull: __, leaves: ___, ...p }) => ({
      ...p,
      weightKg: weights.get(p.id)!,
    })),
    cutList: rows,
    layouts,
    screws,
    screwCount: screws.reduce((sum, s) => sum + s.count, 0) + holdDown.reduce((sum, h) => sum + h.screws, 0),
    sealant: {
      rows: sealantList,
      totalLengthMm: sealantList.reduce((sum, r) => sum + r.lengthMm, 0),
      totalMillilitres: millilitres,
      cartridges: Math.ceil(millilitres / usable - 1e-9),
      cartridgeShare: millilitres / usable,
      readyMinutes: sealantReady(sealantList, sealant),
    },
    tapeLengthMm: raw.reduce(
      (sum, p) => sum + rawEdgeLength(p, geometry.openings) * Math.ceil(p.thicknessMm / 50),
      0,
    ),
    glueAreaM2:
      raw.reduce((sum, p) => sum + Math.max(0, p.layers.length - 1) * (solidVolume(p) / p.thicknessMm), 0) *
      1e-6,
    holdDown,
    bowing,
    footPressureKPa: pressureAt(piece.thickness, mix.freshKgPerM3),
    boardCost,
    costPerCast: boardCost === null ? null : boardCost / casts,
    buildHours:
      HOURS.box + HOURS.strip * bare.filter((p) => p.role === 'strip').length + HOURS.knockout * raw.length,
    weightKg: [...weights.values()].reduce((sum, kg) => sum + kg, 0),
  }
  const findings = [
    ...early,
    ...checkMould.parts(
      piece,
      bare,
      layouts,
      { holds, pressure: figures.footPressureKPa, casts: LIFE[base.material], bowing },
      stock,
    ),
  ]
  return { station: { figures, findings, parts }, findings }
}

/** Exact volume of a straight part, mm3; 0 for beads, whose weight does not matter. */
function solidVolume({ recipe }: BarePart): number {
  if (recipe.kind !== 'prism') return 0
  const area =
    measureLoop(recipe.outline).area - recipe.holes.reduce((sum, h) => sum + measureLoop(h).area, 0)
  return area * (recipe.high - recipe.low)
}

/** Density of a part, kg/m3: of its layers by their thickness; what is no board is foam. */
function density(part: BarePart, stock: Stock): number {
  const sheets = sheetStock(stock)
  const boards = part.layers.flatMap((layer) => {
    const board = sheets.find((b) => b.id === layer.boardId)
    return board ? [{ thickness: layer.thicknessMm, of: board.densityKgPerM3 }] : []
  })
  const thick = boards.reduce((sum, b) => sum + b.thickness, 0)
  return thick === 0 ? FOAM_KG_PER_M3 : boards.reduce((sum, b) => sum + b.of * b.thickness, 0) / thick
}

const rawEdgeLength = (part: BarePart, openings: PieceStation['geometry']['openings']): number => {
  if (part.role === 'corner') return (Math.PI / 2) * part.lengthMm
  const opening = openings.find((o) => `knockout/${o.key}` === part.id)
  return opening ? perimeterOf(opening) : 0
}
