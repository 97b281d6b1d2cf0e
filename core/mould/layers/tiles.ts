import { type Point, splitMeasure } from '../../geometry/index.ts'
import type { SheetStock } from '../../stock/index.ts'
import type { CastBody } from '../castBody.ts'
import type { MethodInput } from '../method.ts'

export type Tile = readonly [from: Point, to: Point]
/** Joints of one layer are this far off those of the next, mm [own]. */
const STAGGER = 60

/**
 * How each layer is pieced together where the block is larger than a sheet: as few pieces as go, and the joints of one
 * layer off those of the next.
 */
export function tilesOf(
  [length, width]: readonly [number, number],
  sheet: SheetStock,
  trim: number,
): (layer: number) => readonly Tile[] {
  const room = [sheet.length, sheet.width].map((n) => n - 2 * trim) as [number, number]
  const counts = ([a, b]: readonly [number, number]) => [
    Math.ceil(length / a - 1e-9),
    Math.ceil(width / b - 1e-9),
  ]
  const turned: [number, number] = [room[1], room[0]]
  const product = (n: readonly number[]) => n[0]! * n[1]!
  const use = product(counts(turned)) < product(counts(room)) ? turned : room
  const cuts = (whole: number, most: number, layer: number): number[] => {
    const n = Math.ceil(whole / most - 1e-9)
    const even = whole / n
    const shift = n === 1 ? 0 : Math.min(STAGGER, (most - even) * 0.99, even / 4) * (layer % 2 ? 1 : -1)
    return [0, ...Array.from({ length: n - 1 }, (_, i) => even * (i + 1) + shift), whole]
  }
  return (layer) => {
    const [xs, ys] = [cuts(length, use[0], layer), cuts(width, use[1], layer)]
    return ys.slice(1).flatMap((y, j) =>
      xs.slice(1).map(
        (x, i): Tile => [
          [xs[i]!, ys[j]!],
          [x, y],
        ],
      ),
    )
  }
}

/** A piece of less is dust, mm3. */
export const LEAST = 100

/** How much of the cast stands in each tile of a layer, mm3. */
export function castInTiles(
  { kernel, piece }: MethodInput<'layers'>,
  body: CastBody,
  tiles: readonly Tile[],
  [low, high]: readonly [number, number],
): number[] {
  const margin = piece.mould.blockMargin
  const inner = (k: 0 | 1) => {
    const edges = [...new Set(tiles.map(([from]) => from[k]))].sort((a, b) => a - b)
    return edges.slice(1).map((e) => e - margin)
  }
  const cells = kernel.withSolids((scope) =>
    splitMeasure(scope.solid(body.recipe), [
      { way: [1, 0, 0], offsets: inner(0) },
      { way: [0, 1, 0], offsets: inner(1) },
      { way: [0, 0, 1], offsets: [low, high] },
    ]),
  )
  return tiles.map(([from, to]) =>
    cells.reduce((sum, { volume, middle: [x, y, z] }) => {
      const inside = [x!, y!].every((n, k) => n + margin > from[k]! && n + margin < to[k]!)
      return inside && z! > low && z! < high ? sum + volume : sum
    }, 0),
  )
}
