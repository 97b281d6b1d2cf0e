import { measureLoop, type SolidRecipe } from '../../geometry/index.ts'
import type { Piece } from '../../job/index.ts'
import { outlinePath, pouredLoop } from '../../piece/index.ts'
import type { Liner } from '../../stock/index.ts'
import { inText } from '../../units/index.ts'
import { type BarePart, barePart, DOWN, prism } from '../bareParts.ts'
import { whyNoBox } from '../boardBox/boxedSlab.ts'
import { boxOrder } from '../boardBox/boxOrder.ts'
import { boardBoxMethod } from '../boardBox/planBoardBox.ts'
import { step } from '../buildingOrder.ts'
import { finding, rowMissing } from '../checkMould.ts'
import type { BuiltMould, MouldMethod } from '../method.ts'
import type { MouldFact } from '../types.ts'

/** A liner of rubber or moulded plastic, and the foam that backs it, kg/m3; casts it lasts [own]. */
const LINER = { kgPerM3: 1100, casts: 30, foamKgPerM3: 33 }
/** Height of the texture above the liner's own back that is left at least, mm [own]. */
const LEAST = 2

function whyNoLiner(piece: Piece): string | null {
  const why = whyNoBox(piece)
  if (why !== null || piece.kind !== 'slab') return why
  if (piece.openings.length > 0) return 'openings would cut the liner'
  const shaped = Object.values(piece.sides).some((s) => (s.taper !== 0 && !s.seam) || s.apron || s.liner > 0)
  if (shaped) return 'its sides lean, are lined or have an apron'
  return outlinePath(piece.outline).some((c) => c.run.kind !== 'line' || c.radius > 0)
    ? 'its outline is not all straight'
    : null
}

/** A board box on a textured sheet: the sheet lies on its backing, the sides reach down past both. */
export const linedMethod: MouldMethod = {
  id: 'lined',
  name: 'textured liner in a board box',
  why: whyNoLiner,
  reason: 'panels and tiles with a grain or relief all over one face',
  finish: 'the liner’s own texture; sides smooth from board',
  build(input) {
    const { piece, pieceStation } = input
    const plain = boardBoxMethod.build(input)
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
        label: 'Liner',
        value: area / 1e6,
        unit: 'm2',
        note: `cut ${inText(1)} full each way, pressed in; ${inText(liner.thickness)}`,
      },
      { label: 'Liner weighs', value: (area * liner.thickness * LINER.kgPerM3) / 1e9, unit: 'kg' },
      {
        label: 'Strips are wider by',
        value: deep,
        unit: 'mm',
        note: 'they reach down past liner and backing',
      },
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
                name: row.name,
                amount: sheets,
                unit: sheets === 1 ? 'sheet' : 'sheets',
                cost: row.price === null ? null : row.price * sheets,
                note: `bought, ${inText(row.length)} × ${inText(row.width)}, ${row.casts} casts. Measure the one to hand: it sets the depth of the box`,
                isPart: false,
              },
            ]
          : []),
      ],
      facts: [...facts, ...(plain.built.facts ?? [])],
      hours: plain.built.hours + 0.5,
      order: lineOrder(
        input.piece,
        boxOrder({ piece, stock: input.stock, built: { ...plain.built, parts } }),
        liner.backing,
      ),
      comesOff: [
        {
          partIds: parts.filter((p) => p.role === 'strip').map((p) => p.id),
          text: 'Sides off, screws first.',
        },
        {
          partIds: ['base', 'liner-backing'],
          text: 'Turn the panel over with base and liner, and lift the base off the liner.',
        },
        {
          partIds: ['liner'],
          text: 'Roll the liner off from one corner, slowly; never lift the panel out of it.',
        },
      ],
      face: {
        material: 'textured liner',
        note: 'a thin film of release, brushed into the texture, none in pools',
        waxed: false,
      },
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

function lineOrder(piece: Piece, steps: readonly ReturnType<typeof step>[], backing: number) {
  const seal = steps.findIndex((s) => s.code === 'seal')
  const at = seal < 0 ? steps.length - 1 : seal
  const lay = step(
    'fix',
    `${backing > 0 ? 'Lay the foam backing, then' : 'Lay'} the liner, texture up, its run ${piece.attitude.down === 'top' ? 'mirrored: check it against the drawing' : 'as the drawing has it'}; press it home at every side.`,
    [],
    20,
  )
  return [...steps.slice(0, at), lay, ...steps.slice(at)]
}
