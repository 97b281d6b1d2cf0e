import { lengthOf, type Point, type Vector } from '../geometry/index.ts'
import type { BarFigures, MarkedBar } from '../steel/index.ts'
import { formatCut, lengthWithUnit } from '../units/index.ts'
import { PageWriter } from './pageWriter.ts'
import { MARGIN, PAPER, type ShopSheetInput, titleBlock } from './sheetFrame.ts'
import type { Page } from './types.ts'

/** Cells of a page each way at most; under the title, above the foot, and under a drawing for what it is called, mm on paper. */
const [COLUMNS, ROWS] = [3, 3]
const [HEAD, FOOT, TOLD] = [34, 16, 15]
/** Legs shorter than this on paper are not lettered, mm. */
const LETTERED = 9

/** That a rule reads off. */
const SCALES = [1, 2, 2.5, 5, 10, 15, 20, 25, 50] as const

type Bend = BarFigures['bends'][number]

/** How every bar is bent, each mark once: its line in its own plane, with the outside of each leg; empty of no bars. */
export function barPages(input: ShopSheetInput): Page[] {
  const told = input.stations.steel.figures.bars
  const bends = told?.bends ?? []
  const [width, height] = PAPER[input.settings.paper]
  const pages: Page[] = []
  for (let from = 0; from < bends.length; from += COLUMNS * ROWS) {
    const page = new PageWriter(width, height)
    titleBlock(page, input, 'BARS TO BEND')
    const here = bends.slice(from, from + COLUMNS * ROWS)
    const columns = Math.min(COLUMNS, here.length)
    const rows = Math.ceil(here.length / columns)
    const [w, h] = [(width - 2 * MARGIN) / columns, (height - HEAD - FOOT - MARGIN) / rows]
    here.forEach((bend, i) => {
      const bar = input.stations.steel.bars.find((b) => b.mark === bend.mark)
      if (!bar) return
      const x = MARGIN + (i % columns) * w
      const y = height - HEAD - (Math.floor(i / columns) + 1) * h
      drawBend(page, input, bend, bar, { x, y, w, h })
    })
    pages.push(page.page('bars'))
  }
  return pages
}

type Cell = { readonly x: number; readonly y: number; readonly w: number; readonly h: number }

function drawBend(
  page: PageWriter,
  { settings }: ShopSheetInput,
  bend: Bend,
  bar: MarkedBar,
  cell: Cell,
): void {
  const line = inOwnPlane(bar.path)
  const [xs, ys] = [line.map((p) => p[0]), line.map((p) => p[1])]
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const room = [cell.w - 22, cell.h - TOLD - 16] as const
  const least = Math.max((x1 - x0) / room[0], (y1 - y0) / room[1])
  const scale = SCALES.find((s) => s >= least) ?? least
  const at = ([x, y]: Point): Point => [
    cell.x + cell.w / 2 + (x - (x0 + x1) / 2) / scale,
    cell.y + TOLD + 6 + room[1] / 2 + (y - (y0 + y1) / 2) / scale,
  ]
  const points = line.map(at)
  if (bar.closed) page.shape(points, 0.5)
  else page.line(points, 0.5)
  const ends = bar.closed ? [...points, points[0]!] : points
  const middle: Point = at([(x0 + x1) / 2, (y0 + y1) / 2])
  if (bend.legsMm.length === ends.length - 1)
    ends.slice(1).forEach((b, i) => {
      const a = ends[i]!
      if (lengthOf(b[0] - a[0], b[1] - a[1], 0) < LETTERED) return
      page.label(beside(a, b, middle), formatCut(bend.legsMm[i]!, settings), 3)
    })
  else {
    const { diameter } = bar.bar
    page.label(
      bend.shape === 'ring' ? middle : at([(x0 + x1) / 2, y0 - 5 * scale]),
      bend.shape === 'ring'
        ? `d ${formatCut(bend.legsMm[0]!, settings)}`
        : `${formatCut(x1 - x0 + diameter, settings)} x ${formatCut(y1 - y0 + diameter, settings)}`,
      3,
    )
  }
  page.fit([cell.x + 3, cell.y + 8], `${bend.mark}   ${bend.count} x ${bend.barName}`, 3.6, cell.w - 6)
  page.fit(
    [cell.x + 3, cell.y + 3.5],
    `cut ${lengthWithUnit(bend.cutMm, settings)}${bend.pieces > 1 ? `, of ${bend.pieces} lapped` : ''}, drawn 1 : ${Math.round(scale * 10) / 10}`,
    3.2,
    cell.w - 6,
  )
}

/** Outside a leg, away from the middle of its bar. */
function beside(a: Point, b: Point, [mx, my]: Point): Point {
  const [cx, cy] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]
  const length = lengthOf(b[0] - a[0], b[1] - a[1], 0)
  const [nx, ny] = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length]
  const out = (cx - mx) * nx + (cy - my) * ny >= 0 ? 1 : -1
  return [cx + nx * out * 4, cy + ny * out * 4]
}

/**
 * A bent line laid flat: its first leg and what is square to it. A bar is straight or bent in one plane.
 * `[[0, 0, 5], [0, 100, 5], [0, 100, 45]]` is `[[0, 0], [100, 0], [100, 40]]`, or its mirror image.
 */
export function inOwnPlane(path: readonly Vector[]): Point[] {
  const [origin] = path
  const minus = (p: Vector): Vector => [p[0] - origin![0], p[1] - origin![1], p[2] - origin![2]]
  const dot = (u: Vector, v: Vector) => u[0] * v[0] + u[1] * v[1] + u[2] * v[2]
  const unit = (u: Vector): Vector => {
    const l = lengthOf(...u) || 1
    return [u[0] / l, u[1] / l, u[2] / l]
  }
  const along = unit(minus(path[1] ?? origin!))
  const off = path
    .map(minus)
    .map((p): Vector => {
      const d = dot(p, along)
      return [p[0] - along[0] * d, p[1] - along[1] * d, p[2] - along[2] * d]
    })
    .reduce((best, p) => (dot(p, p) > dot(best, best) ? p : best), [0, 0, 0])
  // Of a straight one there is none.
  const across: Vector = lengthOf(...off) < 1e-6 ? [0, 0, 0] : unit(off)
  // What stands is drawn standing: the way that is more upright goes up.
  const turn = Math.abs(along[2]) > Math.abs(across[2])
  return path.map((p) => {
    const [a, b] = [dot(minus(p), along), dot(minus(p), across)]
    return turn && path.length > 2 ? [b, a * Math.sign(along[2])] : [a, across[2] < 0 ? -b : b]
  })
}
