import { measureLoop, type SolidRecipe } from '../../geometry/index.ts'
import type { Piece } from '../../job/index.ts'
import { outlinePath, pouredLoop } from '../../piece/index.ts'
import type { Liner } from '../../stock/index.ts'
import { act, type Operation } from '../../work/index.ts'
import { type BarePart, barePart, DOWN, prism } from '../bareParts.ts'
import { boxMisfit } from '../boardBox/boxedSlab.ts'
import { buildBox } from '../boardBox/planBoardBox.ts'
import { build, undo } from '../buildingOrder.ts'
import { finding, rowMissing } from '../checkMould.ts'
import type { BuiltMould, MouldMethod } from '../method.ts'
import { type Misfit, misfit } from '../misfit.ts'
import type { MouldFace, MouldFact, Undoing } from '../types.ts'

/** A liner is cut this much full each way, so that it is held by its sides, mm [own]. */
const LINER_OVER = 1
/** A liner of rubber or moulded plastic, and the foam that backs it, kg/m3; casts it lasts [own]. */
const LINER = { kgPerM3: 1100, casts: 30, foamKgPerM3: 33 }
/** Height of the texture above the liner's own back that is left at least, mm [own]. */
const LEAST = 2

function linerMisfit(piece: Piece): Misfit | null {
  const unboxed = boxMisfit(piece)
  if (unboxed !== null || piece.kind !== 'slab') return unboxed
  if (piece.openings.length > 0) return misfit('openings-cut-liner')
  const shaped = Object.values(piece.sides).some((s) => (s.taper !== 0 && !s.seam) || s.apron || s.liner > 0)
  if (shaped) return misfit('sides-not-plain')
  return outlinePath(piece.outline).some((c) => c.run.kind !== 'line' || c.radius > 0)
    ? misfit('outline-not-straight')
    : null
}

/** A board box on a textured sheet: the sheet lies on its backing, the sides reach down past both. */
export const linedMethod: MouldMethod<'lined'> = {
  id: 'lined',
  name: 'textured liner in a board box',
  misfit: linerMisfit,
  reason: 'panels and tiles with a grain or relief all over one face',
  finish: 'the liner’s own texture; sides smooth from board',
  build(input) {
    const { piece, pieceStation } = input
    const plain = buildBox(input)
    if (!plain.built) return plain
    const bought = piece.mould.linerSheet
    const row = input.stock.liners.find((l) => l.id === bought)
    if (bought !== null && !row) {
      const first = input.stock.liners[0]
      const instead = first ? { linerSheet: first.id } : { linerSheet: null }
      return { built: null, findings: [rowMissing(piece, 'liner-missing', bought, instead)] }
    }
    const liner = { ...piece.mould.liner, ...(row && { thickness: row.thickness }) }
    const deep = liner.thickness + liner.backing
    const outline = pouredLoop(pieceStation.geometry.outline, piece.attitude, pieceStation.geometry)
    const area = measureLoop(outline).area
    const { length, width } = pieceStation.geometry
    const sheet = (
      id: string,
      role: BarePart['role'],
      name: string,
      [low, high]: readonly [number, number],
      kgPerM3: number,
    ) =>
      barePart({
        id,
        role,
        source: { of: role === 'liner' ? 'cast' : 'backing' },
        name,
        lengthMm: length,
        widthMm: width,
        thicknessMm: high - low,
        pull: DOWN,
        mass: { volume: area * (high - low), kgPerM3 },
        recipe: prism(outline, low, high, id),
      })
    const parts = [
      ...plain.built.parts.map((p) => lowered(p, deep)),
      sheet('liner', 'liner', 'textured liner', [-liner.thickness, 0], LINER.kgPerM3),
      ...(liner.backing > 0
        ? [sheet('liner-backing', 'wrap', 'foam backing', [-deep, -liner.thickness], LINER.foamKgPerM3)]
        : []),
    ]
    const sheets = row ? sheetsOver([length, width], row) : 1
    const facts: MouldFact[] = [
      {
        code: 'liner-sheet',
        facts: { thicknessMm: liner.thickness, overMm: LINER_OVER },
        value: area / 1e6,
        unit: 'm2',
      },
      {
        code: 'liner-weighs',
        facts: {},
        value: (area * liner.thickness * LINER.kgPerM3) / 1e9,
        unit: 'kg',
      },
      { code: 'sides-wider', facts: {}, value: deep, unit: 'mm' },
    ]
    const built: BuiltMould = {
      ...plain.built,
      parts,
      life: Math.min(plain.built.life, row?.casts ?? LINER.casts),
      materials: [
        ...plain.built.materials,
        ...(row
          ? [
              {
                code: 'liner-bought' as const,
                facts: { row: row.name, lengthMm: row.length, widthMm: row.width, casts: row.casts },
                amount: sheets,
                unit: 'sheet' as const,
                cost: row.price === null ? null : row.price * sheets,
                isPart: false,
              },
            ]
          : []),
      ],
      facts: [...facts, ...(plain.built.facts ?? [])],
      hours: plain.built.hours + 0.5,
      building: lineBuilding(input.piece, plain.built.building, parts, liner.backing > 0),
      off: linedOff(plain.built.off, parts),
      faces: linedFaces(plain.built.faces, area),
      check: (layouts) => [
        ...plain.built!.check(layouts),
        ...(row && sheets > 1
          ? [
              finding(piece, 'liner-pieced', 'note', 'liner', {
                sheets,
                liner: row.name,
                lengthMm: row.length,
                widthMm: row.width,
              }),
            ]
          : []),
        ...(liner.thickness < LEAST
          ? [
              finding(
                piece,
                'liner-thin',
                'warn',
                'liner',
                { thicknessMm: liner.thickness, wantedMm: LEAST },
                [{ type: 'mouldChosen', pieceId: piece.id, patch: { liner: { ...liner, thickness: 6 } } }],
              ),
            ]
          : []),
      ],
    }
    return { built, findings: plain.findings }
  },
}

/** How many sheets cover a face side by side, laid the better way round. */
export const sheetsOver = (
  [length, width]: readonly [number, number],
  sheet: Pick<Liner, 'length' | 'width'>,
): number => {
  const laid = (l: number, w: number) => Math.ceil(length / l - 1e-9) * Math.ceil(width / w - 1e-9)
  return Math.min(laid(sheet.length, sheet.width), laid(sheet.width, sheet.length))
}

/** A part of the box with the base lowered under a liner; strips keep their tops and grow downward. */
function lowered(part: BarePart, by: number): BarePart {
  const { recipe } = part
  if (recipe.kind !== 'prism') return part
  if (part.role === 'base')
    return { ...part, recipe: { ...recipe, low: recipe.low - by, high: recipe.high - by } }
  if (part.role !== 'strip') return part
  const grown: SolidRecipe = { ...recipe, low: recipe.low - by }
  return { ...part, widthMm: part.widthMm + by, recipe: grown }
}

/** The sheet the face is cast on, not one on a side. */
const isLiner = ({ role, source }: BarePart): boolean => role === 'liner' && source.of === 'cast'

const lyingUnder = (parts: readonly BarePart[]) =>
  parts.filter((p) => isLiner(p) || p.source.of === 'backing')

/** The box's own order, the liner laid once the sides stand and before its edges are sealed. */
function lineBuilding(
  piece: Piece,
  steps: readonly Operation[],
  parts: readonly BarePart[],
  backed: boolean,
): Operation[] {
  const at = steps.findIndex((s) => s.id === 'run/bead')
  const sides = steps.filter((s) => s.code === 'fix-side').map((s) => s.id)
  const mirrored = piece.attitude.down === 'top'
  const lay = build(
    'lay/liner',
    act('lay-liner', { backed, mirrored }),
    lyingUnder(parts),
    { work: 20 },
    sides,
  )
  return [
    ...steps.slice(0, at < 0 ? steps.length : at),
    lay,
    ...steps.slice(at < 0 ? steps.length : at).map((s) => ({ ...s, needs: [...s.needs, lay.id] })),
  ]
}

/** As the box comes off, but the base is lifted off the liner, and the liner rolled off the panel. */
function linedOff(plain: readonly Undoing[], parts: readonly BarePart[]): Undoing[] {
  const standing = plain.filter((u) => u.id !== 'turn')
  const at = standing.findIndex((u) => u.id === 'off/base')
  const under = parts.filter((p) => ['base', 'sealant'].includes(p.role) || p.source.of === 'backing')
  return [
    ...standing.slice(0, at),
    undo('turn', act('lift-base-off-liner', { massKg: 0 }), under, {
      from: 'turn',
      turns: 'padded board',
      after: standing.slice(0, at).map((u) => u.id),
    }),
    undo('off/liner', act('liner-off', {}), parts.filter(isLiner), { after: ['turn'] }),
    ...standing.slice(at + 1).map((u) => ({ ...u, after: ['off/liner'] })),
  ]
}

const linedFaces = (plain: readonly MouldFace[], area: number): MouldFace[] => [
  {
    face: 'liner',
    partIds: ['liner'],
    areaM2: area / 1e6,
    material: 'textured liner',
    surface: 'texture',
  },
  ...plain.filter((f) => f.face !== 'base'),
]
