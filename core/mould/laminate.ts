import type { Board } from '../stock/index.ts'
import type { LaminateLayer } from './types.ts'

/** A board to laminate from; whether it is opened anyway: parts of the mould are cut from it, or a piece of it lies there. */
export type LaminateBoard = Board & { readonly opened?: boolean }

export type Laminate = {
  /** Thickest first, shims last. */
  readonly layers: readonly LaminateLayer[]
  readonly thickness: number
  /** Thickness less target; within 0.25 mm when `fits`. */
  readonly error: number
  readonly fits: boolean
}

/** How near a laminate must come to its target, mm. */
export const LAMINATE_TOLERANCE = 0.25
/** Card shims, mm; at most this many in one laminate. Our own starting value. */
const SHIMS = [1, 0.5] as const
const MOST_SHIMS = 2
/** What a layer of a board that must be opened for it counts beside: less than a layer, however many [own]. */
const UNOPENED = 0.01
/** Grid of the search, mm. */
const GRID = 0.05

/**
 * The fewest layers, from boards to hand and card shims, that come within 0.25 mm of a thickness; of equal counts those
 * of boards that are opened anyway, then the nearest. Where none does, the nearest below it, so that what is missing can be said.
 */
export function chooseLaminate(target: number, boards: readonly LaminateBoard[]): Laminate | null {
  const known = chosen.get(boards) ?? new Map<number, Laminate | null>()
  chosen.set(boards, known)
  const found = known.get(target)
  if (found !== undefined) return found
  const laminate = fewestBoards(target, boards)
  known.set(target, laminate)
  return laminate
}
/** Knockouts are mostly of one height: what was chosen from a list of boards is kept as long as the list lives. */
const chosen = new WeakMap<readonly LaminateBoard[], Map<number, Laminate | null>>()

function fewestBoards(target: number, boards: readonly LaminateBoard[]): Laminate | null {
  const choices = new Map<number, LaminateBoard>()
  for (const board of [...boards.filter((b) => b.opened), ...boards])
    if (!choices.has(board.thickness)) choices.set(board.thickness, board)
  const sizes = [...choices.keys()].sort((a, b) => b - a)
  if (sizes.length === 0 || target <= 0) return null
  const steps = Math.round((target + LAMINATE_TOLERANCE) / GRID)
  const costs = sizes.map((size) => 1 + (choices.get(size)!.opened ? 0 : UNOPENED))
  const { fewest, last } = fewestLayers(sizes, costs, steps)

  let best: { base: number; shims: readonly number[]; cost: number; error: number; fits: boolean } | null =
    null
  for (const shims of shimChoices()) {
    const shim = shims.reduce((sum, s) => sum + s, 0)
    for (let i = 0; i <= steps; i += 1) {
      const layers = fewest[i]!
      if (!Number.isFinite(layers) || i === 0) continue
      const error = i * GRID + shim - target
      if (error > LAMINATE_TOLERANCE + 1e-9) continue
      const fits = error >= -LAMINATE_TOLERANCE - 1e-9
      const cost = layers + shims.length
      const better =
        !best ||
        (fits && !best.fits) ||
        (fits === best.fits &&
          (fits
            ? cost < best.cost - 1e-9 ||
              (Math.abs(cost - best.cost) < 1e-9 && Math.abs(error) < Math.abs(best.error) - 1e-9)
            : Math.abs(error) < Math.abs(best.error) - 1e-9))
      if (better) best = { base: i, shims, cost, error, fits }
    }
  }
  if (!best) return null
  const layers: LaminateLayer[] = []
  for (let i = best.base; i > 0; ) {
    const size = last[i]!
    const board = choices.get(size)!
    layers.push({ boardId: board.id, name: board.name, thicknessMm: size })
    i -= Math.round(size / GRID)
  }
  layers.sort((a, b) => b.thicknessMm - a.thicknessMm)
  for (const size of best.shims)
    layers.push({ boardId: 'card-shim', name: `${size} mm card`, thicknessMm: size })
  const thickness = layers.reduce((sum, l) => sum + l.thicknessMm, 0)
  const error = thickness - target
  return { layers, thickness, error, fits: Math.abs(error) <= LAMINATE_TOLERANCE + 1e-6 }
}

/** Fewest boards that make each thickness on the grid, and the last board used for it. */
function fewestLayers(
  sizes: readonly number[],
  costs: readonly number[],
  steps: number,
): { fewest: Float64Array; last: Float64Array } {
  const fewest = new Float64Array(steps + 1).fill(Number.POSITIVE_INFINITY)
  const last = new Float64Array(steps + 1)
  fewest[0] = 0
  for (let i = 1; i <= steps; i += 1) {
    for (const [k, size] of sizes.entries()) {
      const before = i - Math.round(size / GRID)
      const cost = before < 0 ? Number.POSITIVE_INFINITY : fewest[before]! + costs[k]!
      if (cost >= fewest[i]! - 1e-9) continue
      fewest[i] = cost
      last[i] = size
    }
  }
  return { fewest, last }
}

function shimChoices(): (readonly number[])[] {
  const choices: number[][] = [[]]
  for (let n = 1; n <= MOST_SHIMS; n += 1)
    for (const prior of choices.filter((c) => c.length === n - 1))
      for (const size of SHIMS) if (size <= (prior.at(-1) ?? size)) choices.push([...prior, size])
  return choices
}
