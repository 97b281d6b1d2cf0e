import type { SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Finding, SweptPiece } from '../../job/index.ts'
import { pouredPlacement } from '../../piece/index.ts'
import { type SheetStock, type Stock, sheetStock } from '../../stock/index.ts'
import { act, type Operation } from '../../work/index.ts'
import type { BarePart } from '../bareParts.ts'
import { barePart, UP } from '../bareParts.ts'
import { build, undo } from '../buildingOrder.ts'
import { type CastBody, castBody, volumeOf } from '../castBody.ts'
import { finding } from '../checkMould.ts'
import type { MethodInput } from '../method.ts'
import { skinSurface, surfaceOf } from '../surfaces.ts'
import type { MouldFace, MouldFact, Undoing } from '../types.ts'

/** A sheet is as thick as the gap within this, mm [own]. */
const SAME = 0.25
/** Density of what is in no stock: a plastic sheet, kg/m3. */
const KG_PER_M3 = 1000
/** A separator in place, min [own]. */
const SET_MINUTES = 15
/** A block tipped off its base, min [own]. */
const LIFT_MINUTES = 15

/** The piece as it lies in the pour before separators part it: its skin runs past them. */
export function wholeBody(input: MethodInput<'ribs' | 'packed'>): CastBody {
  const body = castBody(input)
  const { geometry } = input.pieceStation
  if (!geometry.parted) return body
  const by = pouredPlacement(input.piece.attitude, geometry)
  return { ...body, recipe: { kind: 'moved', solid: geometry.parted.whole, by } }
}

type Separation = {
  readonly parts: readonly BarePart[]
  readonly facts: readonly MouldFact[]
  readonly building: readonly Operation[]
  /** The sheets drawn, then the blocks lifted one by one; empty where nothing parts them. */
  readonly off: readonly Undoing[]
  readonly faces: readonly MouldFace[]
  check(): Finding[]
}

/** The sheets that part the blocks of one pour, each from base to top. */
export function separatorParts(input: MethodInput<'ribs' | 'packed'>): Separation {
  const { piece, pieceStation, stock, kernel, quick } = input
  const { geometry } = pieceStation
  const separators = geometry.parted?.separators ?? []
  const by = pouredPlacement(piece.attitude, geometry)
  const { height } = castBody(input)
  const sheets = sheetStock(stock)
  const parts = separators.map(({ id, gap, normal, recipe: solid }, i): BarePart => {
    const recipe: SolidRecipe = { kind: 'moved', solid, by }
    const volume = volumeOf(input, recipe, gap * height * geometry.height)
    const across = turned(normal, by)
    const lengthMm = quick
      ? geometry.height
      : kernel.withSolids((s) => spanAlong(s.solid(recipe).body.getMesh(), [-across[1], across[0], 0]))
    const sheet = sheetOf(sheets, gap)
    return barePart({
      id: `separator/${id}`,
      role: 'separator',
      source: { of: 'separator', separatorId: id },
      name: separators.length > 1 ? `separator ${i + 1}` : 'separator',
      boardId: sheet?.id ?? null,
      lengthMm,
      widthMm: height,
      thicknessMm: gap,
      layers: sheet ? [{ boardId: sheet.id, name: sheet.name, thicknessMm: sheet.thickness }] : [],
      pull: UP,
      mass: { volume, kgPerM3: sheet?.densityKgPerM3 ?? KG_PER_M3 },
      recipe,
    })
  })
  const { blocks } = pieceStation.figures
  return {
    parts,
    facts: parts.length > 0 ? [{ code: 'separators', facts: {}, value: parts.length, unit: '' }] : [],
    building:
      parts.length > 0
        ? [
            build('set/separators', act('set-separators', { separators: parts.length }), parts, {
              work: SET_MINUTES * parts.length,
            }),
          ]
        : [],
    off:
      parts.length > 0
        ? [
            undo('out/separators', act('separators-out', { separators: parts.length }), parts, {
              from: 'sides',
            }),
            ...blocks.map(({ id, name, volumeLitres }) =>
              undo(
                `lift/block/${id}`,
                act('lift-block', { name, massKg: (volumeLitres * input.mix.freshKgPerM3) / 1000 }),
                [],
                { from: 'turn', minutes: LIFT_MINUTES },
              ),
            ),
          ]
        : [],
    faces:
      parts.length > 0
        ? [
            {
              face: 'separators',
              partIds: parts.map((p) => p.id),
              areaM2: parts.reduce((sum, p) => sum + 2 * p.lengthMm * p.widthMm, 0) / 1e6,
              ...separatorSurface(stock, parts[0]!.boardId),
            },
          ]
        : [],
    check: () =>
      separators.flatMap(({ id, gap }) => {
        if (sheetOf(sheets, gap)) return []
        const near = [...sheets].sort((a, b) => Math.abs(a.thickness - gap) - Math.abs(b.thickness - gap))[0]
        const own = (piece as SweptPiece).separators.find((s) => s.id === id)
        return [
          finding(
            piece,
            'separator-no-sheet',
            'note',
            `separator/${id}`,
            { gapMm: gap, sheet: near?.name ?? '', sheetMm: near?.thickness ?? 0 },
            near &&
              own && [
                {
                  type: 'featureKept',
                  pieceId: piece.id,
                  list: 'separators',
                  item: { ...own, gap: near.thickness },
                },
              ],
          ),
        ]
      }),
  }
}

const sheetOf = (sheets: readonly SheetStock[], gap: number): SheetStock | undefined =>
  sheets.find((s) => Math.abs(s.thickness - gap) <= SAME)

/** A sheet of the stock as its board or skin is; another is taken for a smooth plastic. */
function separatorSurface(stock: Stock, id: string | null): Pick<MouldFace, 'material' | 'surface'> {
  const board = stock.boards.find((b) => b.id === id)
  const skin = stock.skins.find((s) => s.id === id)
  if (board) return surfaceOf(board)
  return skin ? skinSurface(skin) : { material: 'plastic sheet', surface: 'smooth' }
}

const turned = (p: Vector, { x, y, z }: ReturnType<typeof pouredPlacement>): Vector =>
  [0, 1, 2].map((k) => x[k as 0]! * p[0] + y[k as 0]! * p[1] + z[k as 0]! * p[2]) as unknown as Vector

function spanAlong(
  { vertProperties: v, numProp }: { vertProperties: Float32Array; numProp: number },
  [x, y]: Vector,
): number {
  let [least, most] = [Infinity, -Infinity]
  for (let i = 0; i < v.length; i += numProp) {
    const at = v[i]! * x + v[i + 1]! * y
    least = Math.min(least, at)
    most = Math.max(most, at)
  }
  return Math.max(0, most - least)
}
