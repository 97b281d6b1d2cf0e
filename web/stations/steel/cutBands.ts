import type { Point } from '../../../core/geometry/index.ts'
import type { ThicknessMap, ThinCut } from '../../../core/steel/index.ts'
import { spanOf } from './fitted.ts'
import { type Band, bandsOf } from './thicknessGrid.ts'

/** Cells of the longer way of a cut. */
const CELLS = 160

/**
 * How thick it is everywhere in a cut: at each point the largest of the balls that hold it, beside an edge that of the ball
 * nearest to it (Hildebrand and Rüegsegger, 1997). Bands, the thickest first.
 */
export function cutBands(
  { samples }: ThicknessMap,
  { seenFrom, at, region }: ThinCut,
  levels: readonly number[],
): Band[] {
  if (region.length === 0) return []
  const { min, max } = spanOf(region.flat())
  const [w, h] = [max[0] - min[0], max[1] - min[1]]
  const cell = Math.max(w, h) / CELLS
  const balls = samples.flatMap(({ at: p, normal, thickness }) => {
    const r = thickness / 2
    const [x, y, z] = [0, 1, 2].map((k) => p[k]! - normal[k]! * r) as [number, number, number]
    const [across, off] = seenFrom === 'front' ? [x, y - at] : [y, x - at]
    return [{ across, z, off: off ** 2, r, mm: thickness }]
  })
  const met = balls.filter((b) => b.off < b.r ** 2)
  const near = met.length > 0 ? met : balls
  const [columns, rows] = [Math.ceil(w / cell) + 2, Math.ceil(h / cell) + 2]
  const values = new Float64Array(columns * rows)
  for (let j = 0; j < rows; j += 1)
    for (let i = 0; i < columns; i += 1) {
      const [u, v]: Point = [min[0] + (i - 0.5) * cell, min[1] + (j - 0.5) * cell]
      let [held, gap, beside] = [0, Infinity, 0]
      for (const b of near) {
        const away = Math.sqrt((b.across - u) ** 2 + (b.z - v) ** 2 + b.off) - b.r
        if (away <= 0) held = Math.max(held, b.mm)
        else if (away < gap) [gap, beside] = [away, b.mm]
      }
      values[j * columns + i] = held > 0 ? held : beside
    }
  return bandsOf({ values, columns, rows, cell, min }, levels)
}
