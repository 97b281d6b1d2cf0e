import type { Point } from '../geometry/index.ts'
import { formatCut, formatLength, lengthWithUnit } from '../units/index.ts'
import { hatchLines } from './hatch.ts'
import { PageWriter } from './pageWriter.ts'
import { MARGIN, PAPER, type ShopSheetInput, titleBlock } from './sheetFrame.ts'
import type { Page } from './types.ts'

/** What the mat and the sheets take of the page, as shares of its width. */
const [MAT, SHEETS] = [0.56, 0.3]
/** Under the title and above the foot, mm on paper. */
const [HEAD, FOOT] = [34, 22]
/** Lines under the mat, and the step from one to the next, mm on paper. */
const [TOLD, STEP] = [9, 6]
/** Sheets drawn; more are told. */
const DRAWN = 6

/** How the mat is cut: as it is laid, seen from above, with its pieces and laps, and the pieces on sheets of the stock; null without one. */
export function meshPage(input: ShopSheetInput): Page | null {
  const { settings, stations } = input
  const { figures, wires } = stations.steel
  const cut = figures.meshCut
  if (!cut || cut.pieces.length === 0 || wires.length === 0) return null
  const [width, height] = PAPER[settings.paper]
  const page = new PageWriter(width, height)
  titleBlock(page, input, 'MESH TO CUT')
  const cutTo = (mm: number) => formatCut(mm, settings)
  const left = Math.min(...wires.flatMap((w) => [w.from[0], w.to[0]]))
  const front = Math.min(...wires.flatMap((w) => [w.from[1], w.to[1]]))
  const lines = [
    `${figures.meshName}: ${figures.crosswaysWires} wires across, ${figures.lengthwaysWires} along, seen from above as it is laid.`,
    'Clip wires that would enter an opening, as drawn; cut ends are sharp: gloves and glasses.',
    ...(figures.second
      ? ['A second mat of this size lies at the other face: clip it to what it meets there.']
      : []),
    ...cut.pieces.map((p, i) => `piece ${i + 1}: ${cutTo(p.lengthMm)} x ${cutTo(p.widthMm)}`),
    ...(cut.pieces.length > 1
      ? [`lapped ${lengthWithUnit(cut.lapMm, settings)}, tied at every second crossing`]
      : []),
  ].slice(0, TOLD)
  const room = [width * MAT - 2 * MARGIN - 14, height - HEAD - FOOT - 32 - STEP * lines.length] as const
  const scale = Math.max(figures.sheetLengthMm / room[0], figures.sheetWidthMm / room[1])
  const top = height - HEAD - 10
  // As it is laid: mirrored where the piece is poured upside down.
  const flip = input.piece.attitude.down === 'top'
  const at = ([x, y]: Point): Point => [
    MARGIN + 14 + (flip ? figures.sheetLengthMm - x : x) / scale,
    top - figures.sheetWidthMm / scale + y / scale,
  ]
  const box = (x: number, y: number, l: number, w: number): Point[] => [
    [x, y],
    [x + l, y],
    [x + l, y + w],
    [x, y + w],
  ]
  for (const { from, to } of wires)
    page.line(
      [from, to].map(([x, y]) => at([x - left, y - front])),
      0.18,
    )
  const ringOf = (p: (typeof cut.pieces)[number]) => box(p.xMm, p.yMm, p.lengthMm, p.widthMm)
  for (const [i, p] of cut.pieces.entries()) {
    page.shape(ringOf(p).map(at), 0.4)
    // Where two lie over each other.
    for (const q of cut.pieces.slice(i + 1)) {
      const [x0, y0] = [Math.max(p.xMm, q.xMm), Math.max(p.yMm, q.yMm)]
      const [x1, y1] = [
        Math.min(p.xMm + p.lengthMm, q.xMm + q.lengthMm),
        Math.min(p.yMm + p.widthMm, q.yMm + q.widthMm),
      ]
      if (x1 - x0 < 1 || y1 - y0 < 1) continue
      for (const [a, b] of hatchLines([box(x0, y0, x1 - x0, y1 - y0).map(at)], 1.4, Math.PI / 4))
        page.line([a, b], 0.08)
    }
    page.label(at([p.xMm + p.lengthMm / 2, p.yMm + p.widthMm / 2]), `${i + 1}`, 4.4)
  }
  const [near, far] = flip ? [figures.sheetLengthMm, 0] : [0, figures.sheetLengthMm]
  page.dimension(at([near, 0]), at([far, 0]), 8, cutTo(figures.sheetLengthMm), 'below')
  page.dimension(at([near, 0]), at([near, figures.sheetWidthMm]), 8, cutTo(figures.sheetWidthMm), 'left')
  const low = Math.min(...cut.pieces.flatMap((p) => ringOf(p).map((q) => at(q)[1]))) - 18
  for (const [i, line] of lines.entries())
    page.fit([MARGIN + 4, low - i * STEP], line, 4, width * MAT - MARGIN)

  const x0 = width * (1 - SHEETS) - MARGIN
  const wide = width * SHEETS
  const k = cut.stockLengthMm / wide
  page.fit(
    [x0, top + 4],
    `SHEETS ${formatLength(cut.stockLengthMm, settings)} x ${formatLength(cut.stockWidthMm, settings)}, ${cut.sheets.length} for ${cut.castCount === 1 ? 'one cast' : `${cut.castCount} casts`}`,
    3.4,
    wide,
    { bold: true },
  )
  let y = top - 2
  for (const [i, sheet] of cut.sheets.entries()) {
    const high = cut.stockWidthMm / k
    if (i >= DRAWN || y - high < FOOT) {
      page.text([x0, y - 4], `and ${cut.sheets.length - i} more`, 3.2)
      break
    }
    const on = ([x, v]: Point): Point => [x0 + x / k, y - high + v / k]
    page.shape(box(0, 0, cut.stockLengthMm, cut.stockWidthMm).map(on), 0.3)
    for (const p of sheet) {
      page.shape(ringOf(p).map(on), 0.18)
      page.label(on([p.xMm + p.lengthMm / 2, p.yMm + p.widthMm / 2]), `${p.number}`, 3)
    }
    y -= high + 6
  }
  return page.page('mesh')
}
