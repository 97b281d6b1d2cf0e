import type { SolidRecipe } from '../../geometry/index.ts'
import type { SideId } from '../../job/index.ts'
import { pressureAt } from '../../mechanics/index.ts'
import type { PieceStation } from '../../piece/index.ts'
import type { Board, Stock } from '../../stock/index.ts'
import { massOf } from '../../units/convert.ts'
import type { BarePart } from '../bareParts.ts'
import { bowedSides } from '../bowedSides.ts'
import { volumeOf } from '../castBody.ts'
import {
  type BoxMethodId,
  type BuiltMould,
  type MethodInput,
  type MouldMethod,
  NO_STRAPS,
  type StockLengths,
} from '../method.ts'
import { displacedBy, partDensity, partVolume } from '../partMass.ts'
import type { MaterialRow, MouldFact } from '../types.ts'
import { asBoxed, type BoxedSlab, boxMisfit } from './boxedSlab.ts'
import { boxFaces } from './boxFaces.ts'
import { perimeterOf } from './boxFigures.ts'
import { boxOff } from './boxOff.ts'
import { afterWax, boxBuilding } from './boxOrder.ts'
import { boxParts } from './boxParts.ts'
import { chamferLengths } from './chamferLengths.ts'
import { checkBox, checkBoxStock } from './checkBox.ts'
import { fixingHardware, SCHOOLS } from './fixingSchools.ts'
import { holdDownForce, screwRows, screwSpacing, sealantRows } from './fixings.ts'
import { formers } from './formers.ts'
import { knockoutKind, plugFor, tubeFor } from './knockoutChoice.ts'
import { LIFE } from './life.ts'
import { printedFormers } from './printedFormers.ts'

/** Hours to build [own]: one, and a quarter for each strip; a skin with its ribs a half, 0.2 a knockout. */
const HOURS = { box: 1, strip: 0.25, skin: 0.5, knockout: 0.2, former: 0.4 }
export const boardBoxMethod: MouldMethod<'board-box'> = {
  id: 'board-box',
  name: 'board box',
  misfit: boxMisfit,
  reason: 'flat work with upright sides: cheap, quick, accurate to the saw',
  finish: 'smooth from faced board, arrises from the sealant bead',
  guesses: (choice) => choice.formersPrinted,
  build: buildBox,
}

/** The box, by itself or as what another way begins with. */
export function buildBox(input: MethodInput<BoxMethodId>): ReturnType<MouldMethod['build']> {
  const { pieceStation, stock, mix } = input
  const piece = asBoxed(input.piece)!
  const base = stock.boards.find((b) => b.id === piece.mould.baseBoard)
  const side = stock.boards.find((b) => b.id === piece.mould.sideBoard)
  const sideBoard = (id: SideId): Board =>
    stock.boards.find((b) => b.id === piece.mould.sideBoards[id]) ?? side!
  const sealant = stock.sealants.find((s) => s.id === piece.mould.sealant)
  const { knockoutBoards } = piece.mould
  const findings = checkBoxStock(piece, { base, side, sealant })
  if (!base || !side || !sealant) return { built: null, findings }
  const cutFrom = new Set([base, side, ...Object.keys(piece.mould.sideBoards).map(sideBoard)])
  const laminate = stock.boards
    .filter((b) => knockoutBoards === null || knockoutBoards.includes(b.id))
    .map((b) => ({ ...b, opened: cutFrom.has(b) || b.offcuts.length > 0 }))
  const { geometry, figures } = pieceStation
  const skin = stock.skins.find((s) => s.id === piece.mould.skin)
  const stood = boxParts(piece, geometry, {
    base,
    sideBoard,
    laminate,
    skin,
    tubes: stock.tubes,
    foams: stock.foams,
    plugs: stock.plugs,
    freshKgPerM3: mix.freshKgPerM3,
  })
  const box = stood.map((p) => measuredPart(input, p))
  const inUse = new Set(box.flatMap((p) => p.layers.map((l) => l.boardId)))
  const bare = formers(
    input,
    piece,
    geometry,
    box.filter((p) => p.role === 'knockout' || p.role === 'wrap'),
    // No board is opened for a former alone: what none that lies open comes to is made by hand.
    piece.mould.formersPrinted ? [] : laminate.filter((b) => b.opened || inUse.has(b.id)),
  )
  const printed = piece.mould.formersPrinted && bare.length > 0 ? printedFormers(input, bare) : null
  const formed = printed?.parts ?? bare
  const parts = [...box, ...formed]
  const { spacing, holds } = screwSpacing(piece, base, side, mix)
  const bowing = input.costsOnly ? [] : bowedSides(piece, parts, stock, sideBoard, mix, holds)
  const raw = parts.filter((p) => (p.role === 'knockout' && p.layers.length > 0) || p.role === 'corner')
  const count = (role: BarePart['role']) => parts.filter((p) => p.role === role).length
  const life = Math.min(
    LIFE[base.material],
    LIFE[side.material],
    count('skin') > 0 ? (skin?.casts ?? 1) : Infinity,
    (count('strip') > 0 && SCHOOLS[piece.mould.fixing].casts) || Infinity,
  )
  const screws = screwRows(piece, parts, base, side, spacing)
  const sealing = sealantRows(piece, geometry)
  const built: BuiltMould = {
    parts,
    building: boxBuilding({ piece, parts, screws, sealing, bowing, sealant }),
    afterRelease: afterWax(piece),
    off: boxOff(piece, parts, screws),
    faces: boxFaces(pieceStation, parts, piece.poured.full, { base, side, skin }),
    top: 'sides',
    fillLater: parts.some((p) => p.source.of === 'apron' && p.source.side !== null) ? 'aprons' : null,
    materials: [...knockoutMaterials(piece, parts, stock), ...(printed?.materials ?? [])],
    prints: printed?.prints ?? [],
    lengths: [...chamferLengths(parts), ...tubeLengths(piece, parts, stock)],
    alternatives: [],
    screws,
    fixings: fixingHardware(
      piece,
      base,
      side,
      parts.filter((p) => p.role === 'strip'),
    ),
    sealant: sealing,
    facts: formed.length > 0 ? formerFacts(formed) : [],
    holdDown: parts
      .filter((p) => p.role === 'knockout' || (p.role === 'former' && p.pull[2] > 0))
      .filter((p) => displacedBy(p) > 0)
      .map((p) => {
        const weight = massOf(partVolume(p), partDensity(p, stock))
        const force = holdDownForce(displacedBy(p), weight, mix.freshKgPerM3)
        return {
          partId: p.id,
          name: p.name,
          holdForceN: force,
          screws: Math.max(Math.min(p.lengthMm, p.widthMm) < 60 ? 1 : 2, Math.ceil(force / base.screwHold)),
        }
      }),
    bowing,
    straps: NO_STRAPS,
    tapeLengthMm: raw.reduce(
      (sum, p) => sum + rawEdgeLength(p, geometry.openings) * Math.ceil(p.thicknessMm / 50),
      0,
    ),
    hours:
      HOURS.former * formed.length +
      HOURS.box +
      HOURS.strip * count('strip') +
      HOURS.skin * count('skin') +
      HOURS.knockout * raw.length,
    life,
    faceM2: figures.surfaceAreaM2,
    depth: piece.poured.full,
    check: (layouts) => [
      ...checkBox(
        piece,
        parts,
        layouts,
        { holds, pressure: pressureAt(piece.poured.full, mix.freshKgPerM3), casts: life, bowing },
        { base, side, stock },
      ),
      ...(printed?.findings ?? []),
    ],
  }
  return { built, findings }
}

/** A part that is cut from several bodies weighs what its solid does. */
const measuredPart = (input: MethodInput, part: BarePart): BarePart =>
  part.mass && CUT.includes(part.recipe.kind)
    ? { ...part, mass: { ...part.mass, volume: volumeOf(input, part.recipe, part.mass.volume) } }
    : part
const CUT: readonly SolidRecipe['kind'][] = ['trimmed', 'intersection', 'difference']

/** The opening a part fills; those of a row share one. */
const openingOf = (piece: BoxedSlab, { source }: BarePart) =>
  source.of === 'opening' ? piece.openings.find((o) => o.id === source.openingId) : undefined

/** Of the pieces of one knockout, the one that stands for it. */
const isFirst = ({ source }: BarePart): boolean =>
  source.of === 'opening' && ['boards', 'foam', 'tube', 'plug'].includes(source.is)

/** Plugs by the piece; tube and foam for every cast that one mould is planned for: both are lost with it. */
function knockoutMaterials(piece: BoxedSlab, parts: readonly BarePart[], stock: Stock): MaterialRow[] {
  const casts = Math.ceil(piece.plannedCasts / piece.mouldCount)
  return parts.flatMap((part): MaterialRow[] => {
    const opening = openingOf(piece, part)
    if (part.role !== 'knockout' || !isFirst(part) || !opening) return []
    const kind = knockoutKind(piece.mould, opening)
    const shape = opening.shape
    const tube =
      kind === 'tube' && shape.kind === 'round'
        ? tubeFor(shape.diameter, piece.mould.wrap, stock.tubes)
        : null
    const foam = kind === 'foam' ? stock.foams[0] : undefined
    const plug = kind === 'bought' ? plugFor(opening, stock.plugs, part.thicknessMm).fits : null
    if (plug)
      return [
        {
          code: 'plug',
          facts: { row: plug.name, casts: plug.casts },
          amount: 1,
          unit: 'piece',
          cost: plug.price,
          isPart: true,
        },
      ]
    if (tube)
      return [
        {
          code: 'tube-knockout',
          facts: { row: tube.name },
          amount: (part.thicknessMm * casts) / 1000,
          unit: 'm',
          cost: tube.price === null ? null : (tube.price * part.thicknessMm * casts) / tube.length,
          forCasts: casts,
          isPart: true,
        },
      ]
    return foam
      ? [
          {
            code: 'foam-knockout',
            facts: { row: foam.name, opening: opening.name },
            amount: (part.mass!.volume * casts) / 1e6,
            unit: 'L',
            cost:
              foam.price === null
                ? null
                : (foam.price * part.mass!.volume * casts) / (foam.length * foam.width * foam.thickness),
            forCasts: casts,
            isPart: true,
          },
        ]
      : []
  })
}

/** Card tube under knockouts, cut anew for each cast. */
function tubeLengths(piece: BoxedSlab, parts: readonly BarePart[], { tubes }: Stock): StockLengths[] {
  const cut = parts.flatMap((part) => {
    const opening = openingOf(piece, part)
    const tubed = part.role === 'knockout' && part.displaces !== undefined && part.displaces > 0
    const shape = opening?.shape
    const tube = tubed && shape?.kind === 'round' ? tubeFor(shape.diameter, piece.mould.wrap, tubes) : null
    return tube ? [{ tube, name: part.name, lengthMm: part.thicknessMm }] : []
  })
  return [...new Set(cut.map((c) => c.tube))].map((tube) => ({
    name: tube.name,
    stockLengthMm: tube.length,
    each: 'cast',
    parts: cut.filter((c) => c.tube === tube).map(({ name, lengthMm }) => ({ name, lengthMm })),
  }))
}

/** What is fixed in the box beside its boards. */
const formerFacts = (formed: readonly BarePart[]): MouldFact[] => [
  { code: 'formers', facts: {}, value: formed.length, unit: '' },
  {
    code: 'formers-fill',
    facts: {},
    value: formed.reduce((sum, p) => sum + p.mass!.volume, 0) / 1e6,
    unit: 'L',
  },
]

const rawEdgeLength = (part: BarePart, openings: PieceStation['geometry']['openings']): number => {
  if (part.role === 'corner') return (Math.PI / 2) * part.lengthMm
  // A split one is taped round as one; a centring disc stands dry in its tube.
  const { source } = part
  const taped = isFirst(part) || (source.of === 'opening' && source.is === 'first half')
  const opening = taped && source.of === 'opening' ? openings.find((o) => o.key === source.key) : undefined
  return opening ? perimeterOf(opening) : 0
}
