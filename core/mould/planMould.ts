import { type Kernel, measureRegion } from '../geometry/index.ts'
import type { Finding, Piece } from '../job/index.ts'
import { pressureAt } from '../mechanics/index.ts'
import type { PieceStation } from '../piece/index.ts'
import { type FreshMix, type Stock, sheetStock } from '../stock/index.ts'
import { massOf } from '../units/convert.ts'
import { orderOperations, spanMinutes } from '../work/index.ts'
import { sealantReady } from './boardBox/fixings.ts'
import { castBody, levelSections } from './castBody.ts'
import { checkMould } from './checkMould.ts'
import { compareMethods } from './compareMethods.ts'
import { cutList } from './cutList.ts'
import { cutOutlines } from './cutOutlines.ts'
import { vesselFits } from './found/vesselFits.ts'
import { hardwareRows } from './hardware.ts'
import { holdRows } from './holdDown.ts'
import { joinLong } from './joinLong.ts'
import { layLengths, sheetMoney } from './laid.ts'
import { layoutBoards, type SheetSearch } from './layoutBoards.ts'
import { tableLevel } from './level.ts'
import type { BuiltMould, MethodInput, MouldMethod } from './method.ts'
import { METHODS, methodOf } from './methods.ts'
import { partDensity, partVolume } from './partMass.ts'
import type { MethodRow, MouldFigures, MouldStation, PartRole } from './types.ts'

/**
 * The second station: the mould round the piece as poured, by the chosen method, every part a solid in place, and the
 * lists that follow from the parts. Null where the method cannot form the piece, where stock is missing or the piece
 * cannot be built; the findings say why.
 */
export function planMouldStation(
  piece: Piece,
  pieceStation: PieceStation,
  stock: Stock,
  mix: FreshMix,
  { kernel, quick = false, ...search }: { kernel: Kernel; quick?: boolean } & SheetSearch,
): { station: MouldStation | null; findings: readonly Finding[] } {
  const method = methodOf(piece.mould.method)
  const misfit = method.misfit(piece)
  if (misfit !== null) {
    const others = METHODS.filter((m) => m.misfit(piece) === null)
    return { station: null, findings: checkMould.method(piece, method, misfit, others) }
  }
  if (!pieceStation.geometry.recipe) return { station: null, findings: [] }
  const input: MethodInput = { piece, pieceStation, stock, mix, kernel, quick }
  const { built, findings } = method.build(input)
  if (!built) return { station: null, findings }
  return assemble(method, built, findings, input, { ...search, quick })
}

/** Parts that are made, neither cut from a sheet nor bought. */
const MADE: readonly PartRole[] = ['shell', 'jacket', 'liner', 'former']

/** Share of the usual count of work for bars while something is dragged: all but hard lists need less. */
const QUICK_BARS = 0.1

/** A top of less than this share of the piece's plan is no face to strike off [own]. */
const LEAST_FACE = 0.02

/** The level face at the top of the fill, m2: told by a section just under it; a slab's back is always one. */
function openFace(input: MethodInput, built: BuiltMould): number | null {
  if (built.top === 'hole') return 0
  const { piece, pieceStation, kernel, quick } = input
  if (piece.kind === 'slab') return pieceStation.figures.showFaceAreaM2
  if (quick) return null
  const body = castBody(input)
  const under = Math.min(0.05, body.height / 100)
  const [region] = levelSections(kernel, body.recipe, [body.height - under])
  const area = Math.abs(measureRegion(region!))
  return area < LEAST_FACE * body.length * body.width ? 0 : area / 1e6
}

/** Cut list, sheets, hardware and costs of a mould, from its parts. */
function assemble(
  method: MouldMethod,
  built: BuiltMould,
  early: readonly Finding[],
  input: MethodInput,
  search: SheetSearch,
): { station: MouldStation; findings: readonly Finding[] } {
  const { piece, stock, mix } = input
  const bare = built.parts
  const listed = cutList(bare, stock)
  const { parts } = listed
  const rows = piece.mould.joinLong ? joinLong(listed.rows, sheetStock(stock), piece.mould.trim) : listed.rows
  const layouts = layoutBoards(rows, stock, piece.mould, piece.mouldCount, search)
  const { mould: choice } = piece
  const sealant = 'sealant' in choice ? stock.sealants.find((s) => s.id === choice.sealant) : undefined
  const millilitres = built.sealant.reduce((sum, r) => sum + r.millilitres, 0)
  const usable = sealant ? sealant.millilitres * (1 - sealant.wastePercent / 100) : Infinity
  const materialCost = built.materials.reduce<number | null>(
    // What is lost with each cast counts for the casts that this mould makes.
    (sum, m) =>
      sum === null || m.cost === null
        ? null
        : sum + m.cost * piece.mouldCount * (m.forCasts ? Math.min(1, built.life / m.forCasts) : 1),
    0,
  )
  const casts = Math.min(piece.plannedCasts, piece.mouldCount * built.life)
  const weights = new Map(bare.map((p) => [p.id, massOf(partVolume(p), partDensity(p, stock))]))
  const level =
    piece.mould.table &&
    tableLevel(piece.mould.table, {
      areaMm2: input.pieceStation.figures.showFaceAreaM2 * 1e6,
      freshKgPerM3: mix.freshKgPerM3,
    })
  const { operations } = orderOperations(built.building)
  const glued = bare.filter((p) => p.role === 'knockout' || p.role === 'corner')
  const glueAreaM2 =
    glued.reduce(
      (sum, p) =>
        sum + Math.max(0, p.layers.length - 1) * (partVolume(p) / (p.onEdge?.acrossMm ?? p.thicknessMm)),
      0,
    ) * 1e-6
  const holdDown = holdRows(built.holdDown, piece.mould.holdBy)
  const cartridges = Math.ceil(millilitres / usable - 1e-9)
  const methods = compareMethods(input, method.id, built)
  const figures: MouldFigures = {
    methodId: method.id,
    method: method.name,
    lifeCasts: built.life,
    school: 'school' in choice ? choice.school : null,
    corners: piece.mould.corners,
    runPastMm: piece.mould.runPast,
    partCount:
      rows.reduce((sum, r) => sum + r.count, 0) +
      built.materials.filter((m) => m.isPart).length +
      bare.filter((p) => MADE.includes(p.role) && p.layers.length === 0).length,
    ...sheetMoney(layouts, stock, materialCost, casts),
    parts: parts.map(
      ({ recipe: _, pull: __, leaves: ___, foot: ____, atOutline: _____, drawn: ______, ...p }) => ({
        ...p,
        weightKg: weights.get(p.id)!,
      }),
    ),
    cutList: rows,
    materials: built.materials,
    alternatives: built.alternatives,
    layouts,
    screws: built.screws,
    screwCount:
      built.screws.reduce((sum, s) => sum + s.count, 0) +
      holdDown.reduce((sum, h) => sum + (h.by === 'screws' ? h.screws : 0), 0),
    sealant: {
      rows: built.sealant,
      totalLengthMm: built.sealant.reduce((sum, r) => sum + r.lengthMm, 0),
      totalMillilitres: millilitres,
      cartridges,
      cartridgeShare: millilitres / usable,
      readyMinutes: sealant && built.sealant.length > 0 ? sealantReady(built.sealant, sealant) : 0,
    },
    tapeLengthMm: built.tapeLengthMm,
    glueAreaM2,
    holdDown,
    bowing: built.bowing,
    straps: built.straps,
    level: level && {
      shimsMm: level.shims,
      alongMm: level.along,
      acrossMm: level.across,
      twistMm: level.twist,
      depthErrorMm: level.depthError,
      extraKg: level.extraKg,
    },
    hardware: hardwareRows({
      built,
      holdDown,
      baseThickness: stock.boards.find((b) => b.id === piece.mould.baseBoard)?.thickness ?? 18,
      sealant,
      cartridges,
      glueAreaM2,
    }),
    lengths: (built.lengths ?? []).map((l) =>
      layLengths(l, piece, search.quick ? QUICK_BARS : search.effort),
    ),
    facts: built.facts ?? [],
    router: built.router ?? [],
    prints: built.prints ?? [],
    faces: built.faces,
    making: built.making ?? [],
    top: built.top,
    fillLater: built.fillLater ?? null,
    crownByHand: built.crownByHand ?? false,
    vents: built.vents ?? 0,
    openFaceM2: openFace(input, built),
    footPressureKPa: pressureAt(built.depth, mix.freshKgPerM3),
    materialCost,
    plannedCasts: casts,
    layoutEffort: search.effort ?? 1,
    usedCostPerCast: usedCost(methods, piece.mouldCount, casts),
    buildHours: built.hours,
    readyMinutes: spanMinutes(operations),
    methods,
    weightKg: [...weights.values()].reduce((sum, kg) => sum + kg, 0),
  }
  const findings = [
    ...early,
    ...built.check(layouts),
    ...checkMould.level(piece, level),
    ...vesselFits(input, built.hours),
  ]
  return {
    station: {
      figures,
      findings,
      parts,
      outlines: [...(built.outlines ?? []), ...(input.quick ? [] : cutOutlines(input.kernel, parts))],
      operations,
      afterRelease: built.afterRelease ?? [],
      off: built.off,
    },
    findings,
  }
}

/** What the chosen method takes a cast, boards by the area they take, with what is lost with each. */
function usedCost(methods: readonly MethodRow[], moulds: number, casts: number): number | null {
  const own = methods.find((row) => row.chosen)
  if (!own || own.materialCost === null) return null
  return (own.materialCost * moulds) / casts + own.castCost
}
