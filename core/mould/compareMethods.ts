import { type Stock, sheetStock } from '../stock/index.ts'
import type { BarePart } from './bareParts.ts'
import { type BuiltMould, inputFor, type MethodId, type MethodInput } from './method.ts'
import { METHODS } from './methods.ts'
import type { MethodRow } from './types.ts'

/** Cleaning and waxing a mould face for the next cast, hours a m2 [own]. */
const CLEAN_HOURS_PER_M2 = 20 / 60
/** Board that becomes saw dust and useless off-cuts [own]. */
const BOARD_WASTE = 1.15

/** Every method that can form the piece, side by side; the chosen one is not built again, the others from sizes. */
export function compareMethods(input: MethodInput, chosen: MethodId, own: BuiltMould): MethodRow[] {
  return METHODS.filter((m) => m.misfit(input.piece) === null).flatMap((method): MethodRow[] => {
    const other = inputFor(input, method.id)
    const guess = method.id !== chosen && method.estimate ? method.estimate(other) : null
    const built =
      method.id === chosen
        ? own
        : method.estimate
          ? null
          : method.build({ ...other, quick: true, costsOnly: true }).built
    const told =
      guess ??
      (built && { ...built, materialCost: materialCost(built, input.stock), castCost: castCost(built) })
    if (!told) return []
    return [
      {
        id: method.id,
        name: method.name,
        chosen: method.id === chosen,
        materialCost: told.materialCost,
        buildHours: told.hours,
        castCost: 'castCost' in told ? told.castCost : 0,
        castHours: told.faceM2 * CLEAN_HOURS_PER_M2,
        lifeCasts: told.life,
      },
    ]
  })
}

/** What is lost with each cast, at its price. */
const castCost = ({ materials }: BuiltMould): number =>
  materials.reduce((sum, m) => sum + (m.forCasts ? (m.cost ?? 0) / m.forCasts : 0), 0)

/** Boards by the area they take, and what is bought once; null when something has no price. */
function materialCost(built: BuiltMould, stock: Stock): number | null {
  const sheets = sheetStock(stock)
  const boards = built.parts.reduce<number | null>((sum, part) => {
    const cost = boardShare(part, sheets)
    return sum === null || cost === null ? null : sum + cost
  }, 0)
  return built.materials.reduce<number | null>(
    (sum, m) => (sum === null || m.cost === null ? null : sum + (m.forCasts ? 0 : m.cost)),
    boards,
  )
}

function boardShare(part: BarePart, sheets: ReturnType<typeof sheetStock>): number | null {
  return part.layers.reduce<number | null>((sum, layer) => {
    const sheet = sheets.find((s) => s.id === layer.boardId)
    if (!sheet || sum === null) return sum
    if (sheet.price === null) return null
    return sum + (sheet.price * BOARD_WASTE * part.lengthMm * part.widthMm) / (sheet.length * sheet.width)
  }, 0)
}

/**
 * Cost of a cast over n casts: (ceil(n/life) x build + n x cast)/n, hours at the price of one; a cast takes its cleaning
 * and what is lost with it. Null without prices.
 */
export function costOverCasts(row: MethodRow, n: number, hourPrice: number): number | null {
  if (row.materialCost === null) return null
  const build = row.materialCost + row.buildHours * hourPrice
  return (Math.ceil(n / row.lifeCasts - 1e-9) * build + n * (row.castCost + row.castHours * hourPrice)) / n
}
