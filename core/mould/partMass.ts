import { measureLoop } from '../geometry/index.ts'
import { type Stock, sheetStock } from '../stock/index.ts'
import type { BarePart } from './bareParts.ts'

/** Foam sheet wrapped round knockouts, kg/m3. */
const FOAM_KG_PER_M3 = 25

/** What a part keeps the fill out of, mm3: its volume, or all of what is hollow. */
export const displacedBy = (part: BarePart): number => part.displaces ?? partVolume(part)

/** Exact volume of a part, mm3; 0 for beads, whose weight does not matter. */
export function partVolume({ recipe, mass }: BarePart): number {
  if (mass) return mass.volume
  if (recipe.kind !== 'prism') return 0
  const area =
    measureLoop(recipe.outline).area - recipe.holes.reduce((sum, h) => sum + measureLoop(h).area, 0)
  return area * (recipe.high - recipe.low)
}

/** Density of a part, kg/m3: of its layers by their thickness; what is no board is foam. */
export function partDensity(part: BarePart, stock: Stock): number {
  if (part.mass) return part.mass.kgPerM3
  const sheets = sheetStock(stock)
  const boards = part.layers.flatMap((layer) => {
    const board = sheets.find((b) => b.id === layer.boardId)
    return board ? [{ thickness: layer.thicknessMm, of: board.densityKgPerM3 }] : []
  })
  const thick = boards.reduce((sum, b) => sum + b.thickness, 0)
  return thick === 0 ? FOAM_KG_PER_M3 : boards.reduce((sum, b) => sum + b.of * b.thickness, 0) / thick
}
