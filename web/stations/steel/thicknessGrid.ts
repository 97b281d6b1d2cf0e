import { contours } from 'd3-contour'
import type { Point } from '../../../core/geometry/index.ts'
import type { ThicknessMap } from '../../../core/steel/index.ts'

/** What one looks along: down on the plan, or at the front. */
export type Along = 'down' | 'front'

/** A view of a piece that is flattened: where a point lies in it, and its box, mm. */
export type FlatView = {
  readonly of: (p: readonly [number, number, number]) => Point
  readonly min: Point
  readonly max: Point
}

export function flatView({ faces }: ThicknessMap, along: Along): FlatView {
  const of = ([x, y, z]: readonly [number, number, number]): Point => (along === 'down' ? [x, y] : [x, z])
  const corners = [...faces.values()].flatMap(({ min, max }) => [of(min), of(max)])
  const least = (k: 0 | 1) => corners.reduce((m, p) => Math.min(m, p[k]), Infinity)
  const most = (k: 0 | 1) => corners.reduce((m, p) => Math.max(m, p[k]), -Infinity)
  return { of, min: [least(0), least(1)], max: [most(0), most(1)] }
}

/** Cells of the longer way of a grid. */
const CELLS = 150
/** A cell further than so many spacings from every sample lies outside the piece. */
const OUTSIDE = 1.25
/** Of samples as near as the nearest, within this many spacings, the thinnest counts. */
const BESIDE = 0.3

/** A part of the view that is at most so thick: rings in mm of the view. */
export type Band = { readonly upToMm: number; readonly rings: readonly (readonly Point[])[] }

/**
 * The parts of a view that are thinner than each of some levels, as areas one in another, the thickest first: at each
 * cell of a grid the thinnest of the samples nearest to it. The first is the whole piece, at no level. What is
 * `bounded` by an outline of its own is filled to the edge of its box; else it ends where no sample is near.
 */
export function thicknessBands(
  { samples, spacing }: ThicknessMap,
  view: FlatView,
  levels: readonly number[],
  bounded: boolean,
): Band[] {
  const { min, max } = view
  const [w, h] = [max[0] - min[0], max[1] - min[1]]
  const cell = Math.max(w, h) / CELLS
  // A ring of cells outside closes what reaches the edge.
  const [columns, rows] = [Math.ceil(w / cell) + 2, Math.ceil(h / cell) + 2]
  const flat = samples.map((s) => ({ at: view.of(s.at), mm: s.thickness }))
  const square = bySquare(flat, spacing)
  const values = new Float64Array(columns * rows).fill(Number.MAX_VALUE)
  for (let j = 0; j < rows; j += 1)
    for (let i = 0; i < columns; i += 1) {
      const [x, y] = [min[0] + (i - 0.5) * cell, min[1] + (j - 0.5) * cell]
      if (!bounded && (x < min[0] || y < min[1] || x > max[0] || y > max[1])) continue
      values[j * columns + i] = thinnestNear(flat, square, [x, y], spacing, bounded)
    }
  return bandsOf({ values, columns, rows, cell, min }, levels)
}

/** Thicknesses at the middles of square cells, a ring of them outside the box that begins at `min`. */
export type Grid = {
  readonly values: Float64Array
  readonly columns: number
  readonly rows: number
  readonly cell: number
  readonly min: Point
}

/** What of a grid is at most as thick as each level, the thickest first; the first is all of it. */
export function bandsOf({ values, columns, rows, cell, min }: Grid, levels: readonly number[]): Band[] {
  const inMm = ([u, v]: readonly number[]): Point => [min[0] + (u! - 1) * cell, min[1] + (v! - 1) * cell]
  const within = contours().size([columns, rows]).smooth(true)
  return [INSIDE, ...[...levels].sort((a, b) => b - a)].map((level) => ({
    upToMm: level,
    // Higher is thinner: areas above minus the level.
    rings: within
      .contour(
        Array.from(values, (v) => -Math.min(v, MOST * level)),
        -level,
      )
      .coordinates.flatMap((polygon) => polygon.map((ring) => ring.map(inMm))),
  }))
}

/** What is much thicker counts as this many times a level, so that a line lies where the step is. */
const MOST = 2
/** Above every thickness: the whole piece. */
export const INSIDE = 1e9

type FlatSample = { readonly at: Point; readonly mm: number }

/** Samples by squares as wide as their spacing, so that only those near a cell are looked at. */
function bySquare(
  samples: readonly FlatSample[],
  side: number,
): (i: number, j: number) => readonly FlatSample[] {
  const squares = new Map<string, FlatSample[]>()
  for (const s of samples) {
    const key = `${Math.floor(s.at[0] / side)},${Math.floor(s.at[1] / side)}`
    const list = squares.get(key)
    if (list) list.push(s)
    else squares.set(key, [s])
  }
  return (i, j) => squares.get(`${i},${j}`) ?? []
}

/** Squares looked at each way of a cell at most: beyond them all samples are. */
const AROUND = 3

function thinnestNear(
  samples: readonly FlatSample[],
  square: ReturnType<typeof bySquare>,
  [x, y]: Point,
  spacing: number,
  bounded: boolean,
): number {
  const [i, j] = [Math.floor(x / spacing), Math.floor(y / spacing)]
  let close: FlatSample[] = []
  for (let r = 1; r <= AROUND && close.length === 0; r += 1) {
    // One square more: the nearest may lie across a corner.
    const wide = r + 1
    for (let a = -wide; a <= wide; a += 1)
      for (let b = -wide; b <= wide; b += 1) close.push(...square(i + a, j + b))
  }
  if (close.length === 0) {
    if (!bounded) return Number.MAX_VALUE
    close = [...samples]
  }
  let near = Infinity
  for (const { at } of close) near = Math.min(near, Math.hypot(at[0] - x, at[1] - y))
  if (!bounded && near > OUTSIDE * spacing) return Number.MAX_VALUE
  let mm = INSIDE / 2
  for (const s of close)
    if (Math.hypot(s.at[0] - x, s.at[1] - y) <= near + BESIDE * spacing) mm = Math.min(mm, s.mm)
  return mm
}

/** Levels worth a line: what is wanted, two thirds of it, and more, as far as the piece has them. */
export function contourLevels(samples: ThicknessMap['samples'], wanted: number): number[] {
  const all = samples.map((s) => s.thickness)
  const [least, most] = [Math.min(...all), Math.max(...all)]
  return [wanted / 3, (2 * wanted) / 3, wanted, 1.5 * wanted, 2 * wanted, 3 * wanted, 5 * wanted].filter(
    (level) => level > least * 1.02 && level < most * 0.98,
  )
}
