import type { SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Finding, SweptPiece } from '../../job/index.ts'
import { pouredPlacement } from '../../piece/index.ts'
import { type SheetStock, sheetStock } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { barePart, UP } from '../bareParts.ts'
import { step } from '../buildingOrder.ts'
import { type CastBody, castBody, volumeOf } from '../castBody.ts'
import { finding } from '../checkMould.ts'
import type { MethodInput } from '../method.ts'
import type { MouldFact } from '../types.ts'

/** A sheet is as thick as the gap within this, mm [own]. */
const SAME = 0.25
/** Density of what is in no stock: a plastic sheet, kg/m3. */
const KG_PER_M3 = 1000
/** A separator in place, min [own]. */
const SET_MINUTES = 15

/** The piece as it lies in the pour before separators part it: its skin runs past them. */
export function wholeBody(input: MethodInput): CastBody {
  const body = castBody(input)
  const { geometry } = input.pieceStation
  if (!geometry.parted) return body
  const by = pouredPlacement(input.piece.attitude, geometry)
  return { ...body, recipe: { kind: 'moved', solid: geometry.parted.whole, by } }
}

type Separation = {
  readonly parts: readonly BarePart[]
  readonly facts: readonly MouldFact[]
  readonly order: ReturnType<typeof step>[]
  readonly comesOff: { readonly partIds: readonly string[]; readonly text: string }[]
  check(): Finding[]
}

/** The sheets that part the blocks of one pour, each from base to top. */
export function separatorParts(input: MethodInput): Separation {
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
  const ids = parts.map((p) => p.id)
  const several = parts.length > 1
  return {
    parts,
    facts:
      parts.length > 0
        ? [
            {
              label: 'Separators',
              value: parts.length,
              unit: '',
              note: 'waxed on both faces, from base to top; fill both sides level',
            },
          ]
        : [],
    order:
      parts.length > 0
        ? [
            step(
              'fix',
              `Stand the ${several ? 'separators' : 'separator'} between cleats outside the skin, bead ${several ? 'their' : 'its'} foot and both upright edges, and wax both faces.`,
              parts,
              SET_MINUTES * parts.length,
            ),
          ]
        : [],
    comesOff:
      parts.length > 0
        ? [
            {
              partIds: ids,
              text: `Ease the blocks apart with wedges at the top and draw the ${several ? 'separators' : 'separator'} up.`,
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
