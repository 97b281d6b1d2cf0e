import {
  boundLoop,
  type Kernel,
  loopChords,
  outlineFromAbove,
  type Point,
  type Region,
} from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import { type MouldPart, type MouldStation, planOf } from '../mould/index.ts'
import {
  noteValue,
  noteWords,
  type PieceGeometry,
  type PieceStation,
  pouredLoop,
  pouredPlacement,
  pouredSize,
} from '../piece/index.ts'
import { formatLength, wordsStyle } from '../units/index.ts'
import { barPages } from './barPages.ts'
import { cutRowsDrawn, cutTable } from './cutTable.ts'
import { filmPageCount, filmPages } from './filmPages.ts'
import { hatchLines } from './hatch.ts'
import { meshPage } from './meshPage.ts'
import { columnsOf, openingColumn, openingLines, openingTable } from './openingTable.ts'
import { PageWriter } from './pageWriter.ts'
import { sectionDrawing } from './sectionDrawing.ts'
import {
  allOpenings,
  type Drawn,
  MARGIN,
  OPENINGS_DRAWN,
  PAPER,
  type ShopSheetInput,
  TABLES,
  titleBlock,
} from './sheetFrame.ts'
import { textWidth } from './textWidth.ts'
import type { Material, Page, SheetsFigures } from './types.ts'
import { workPages } from './workPages.ts'

export type ShopSheet = { readonly pages: readonly Page[]; readonly figures: SheetsFigures }

const SCALES = [1, 2, 2.5, 4, 5, 8, 10, 15, 20, 25, 50, 100, 200]
const HATCH: Readonly<
  Record<Material, { spacing: number; angle: number; weight: number; grey?: number } | null>
> = {
  concrete: { spacing: 2.2, angle: Math.PI / 4, weight: 0.09, grey: 0.95 },
  board: { spacing: 0.9, angle: 0, weight: 0.07 },
  card: { spacing: 0.7, angle: 0, weight: 0.12 },
  rubber: { spacing: 1.6, angle: Math.PI / 3, weight: 0.12, grey: 0.85 },
  foam: { spacing: 1.2, angle: -Math.PI / 4, weight: 0.07 },
  print: { spacing: 0.6, angle: 0, weight: 0.09 },
  plaster: { spacing: 2.6, angle: -Math.PI / 3, weight: 0.08 },
  earth: { spacing: 1.8, angle: Math.PI / 5, weight: 0.12, grey: 0.9 },
  sealant: { spacing: 0.5, angle: Math.PI / 2, weight: 0.2, grey: 0.3 },
  steel: { spacing: 0.4, angle: 0, weight: 0.2, grey: 0 },
}

/** Where the drawing's section is cut when nobody chose: across the largest opening, else the middle. */
export function sectionLevel({ geometry }: PieceStation): number {
  const largest = [...geometry.openings].sort((a, b) => Math.abs(area(b.loop)) - Math.abs(area(a.loop)))[0]
  return largest?.centre[1] ?? geometry.width / 2
}
const area = (loop: Parameters<typeof boundLoop>[0]): number => {
  const { min, max } = boundLoop(loop)
  return (max[0] - min[0]) * (max[1] - min[1])
}

/** Whether a slab lies shallow between sides: other moulds may be as tall as the piece. */
const isBoxed = (mould: MouldStation | null): boolean =>
  mould?.figures.top === 'sides' && mould.figures.fillLater !== 'upper-form'

const isEnd = ({ source }: MouldPart): boolean =>
  source.of === 'side' && (source.side === 'left' || source.side === 'right')

/** The round scale at which plan and section fit the drawing page. */
function sheetScale(input: ShopSheetInput): number {
  const { piece, settings, stations } = input
  const [width, height] = PAPER[settings.paper]
  const { geometry } = stations.piece
  const margin = (stations.mould?.figures.runPastMm ?? 0) + 30
  const [length, across, high] = pouredSize(piece.attitude, geometry)
  // A tall piece without a box shares the page's height between plan and section.
  const tall = isBoxed(stations.mould) ? 0 : high + 60
  const need = [length + 2 * margin, across + 2 * margin + tall] as const
  const room = [width * 0.62, height - 75] as const
  const fits = (s: number) =>
    need[0] / s <= room[0] && need[1] / s <= room[1] && standsClear(sheetLayout(input, s))
  const standsClear = ({ lowest, right }: ReturnType<typeof sheetLayout>) =>
    lowest >= LOWEST && right <= width * TABLES - 3
  const round = SCALES.find(fits)
  if (round !== undefined) return round
  let scale = Math.ceil(Math.max(need[0] / room[0], need[1] / room[1]))
  while (!fits(scale) && scale < SMALLEST) scale += 1
  return scale
}

/** No sheet is drawn smaller than 1 to this. */
const SMALLEST = 10_000
/** Above the check bar and its words, mm on paper. */
const LOWEST = 20

/** Where plan, section and table of openings stand on the drawing page, mm on paper. */
function sheetLayout(input: ShopSheetInput, scale = sheetScale(input)) {
  const { piece, settings, stations } = input
  const { geometry } = stations.piece
  const runPast = stations.mould?.figures.runPastMm ?? 0
  const run = runPast + Math.min(40, 18 * scale)
  const [length, across, high] = pouredSize(piece.attitude, geometry)
  const beside = run / scale + 8
  const out = runPast / scale + Math.min(26 / scale, 8) + 5
  const origin: Point = [MARGIN + beside + 7, PAPER[settings.paper][1] - 42 - (across + runPast) / scale]
  const box = isBoxed(stations.mould)
  const deep = box ? geometry.thickness : high
  const sectionY = origin[1] - out - 20 - deep / scale
  const base = stations.mould?.parts.find((p) => p.role === 'base')
  // What the base is, is told below it.
  const lowest = sectionY - (base?.thicknessMm ?? 0) / scale - (box ? 8 : 2)
  const tableTop = sectionY - 20 - (base?.thicknessMm ?? 0) / scale
  const right = origin[0] + (length + run) / scale
  return {
    scale,
    run,
    length,
    across,
    beside,
    out,
    origin,
    box,
    deep,
    sectionY,
    base,
    lowest,
    tableTop,
    right,
  }
}

/** What stands on the drawing page; the rest goes on. */
function drawn(input: ShopSheetInput): Drawn {
  const openings = allOpenings(input.stations.piece.geometry)
  const lines = openingLines(input)
  const column = openingColumn(sheetLayout(input).tableTop)
  return {
    cutRows: input.stations.mould ? cutRowsDrawn(input, input.stations.mould) : 0,
    openings:
      openings.length <= OPENINGS_DRAWN &&
      lines.every((o) => o.lines.length <= column) &&
      columnsOf(lines, column).length <= 2,
  }
}

/** What the sheet comes to, without drawing it. */
export const sheetFigures = (input: ShopSheetInput): SheetsFigures => ({
  paper: input.settings.paper,
  pages:
    1 +
    (meshPage(input) ? 1 : 0) +
    barPages(input).length +
    workPages(input, drawn(input)).length +
    filmPageCount(input),
  scaleOneTo: sheetScale(input),
})

/**
 * The shop sheet: the plan as poured and a section at one stated scale with dimensions and the cut list, then mix,
 * times and the order of work on as many pages as they need.
 */
export function shopSheet(kernel: Kernel, input: ShopSheetInput): ShopSheet {
  const first = drawn(input)
  const mesh = meshPage(input)
  const pages = [
    drawingPage(kernel, input, first),
    ...(mesh ? [mesh] : []),
    ...barPages(input),
    ...workPages(input, first),
    ...filmPages(kernel, input),
  ]
  return { pages, figures: sheetFigures(input) }
}

function drawingPage(kernel: Kernel, input: ShopSheetInput, { cutRows, openings }: Drawn): Page {
  const [width, height] = PAPER[input.settings.paper]
  const { scale, run, length, across, beside, out, origin, box, deep, sectionY, base, tableTop } =
    sheetLayout(input)
  const { piece, settings, stations } = input
  const { geometry } = stations.piece
  const page = new PageWriter(width, height)
  titleBlock(page, input, `1 : ${scale}`)
  const size = (mm: number) => formatLength(mm, settings)
  const [ox, oy] = origin
  const at = ([x, y]: Point): Point => [ox + x / scale, oy + y / scale]
  page.text([MARGIN, Math.min(oy + across / scale + 9, height - 28)], 'PLAN', 3.4, { bold: true })
  // Dimensions first: letters keep clear of them.
  page.dimension(at([0, 0]), at([length, 0]), out, size(length), 'below')
  page.dimension(at([0, 0]), at([0, across]), beside, size(across), 'left')
  const level = box ? sectionLevel(stations.piece) : across / 2
  page.label(at([-run, level]), 'A', 3.8)
  const lettered: { at: readonly Point[]; label: string }[] = []
  for (const part of stations.mould?.parts ?? []) {
    const outline = planOf(part)
    if (!outline || part.role === 'base') continue
    const points = loopChords(outline).points.map(at)
    if (part.role !== 'wrap')
      for (const [a, b] of hatchLines([points], 1.1, part.role === 'strip' && !isEnd(part) ? 0 : Math.PI / 2))
        page.line([a, b], 0.06)
    page.shape(points, 0.25)
    if (part.label) {
      const { min, max } = boundLoop(outline)
      const between = (k: number): Point =>
        max[0] - min[0] > max[1] - min[1]
          ? [min[0] + (max[0] - min[0]) * k, (min[1] + max[1]) / 2]
          : [(min[0] + max[0]) / 2, min[1] + (max[1] - min[1]) * k]
      lettered.push({ at: [0.5, 0.3, 0.7, 0.15, 0.85].map((k) => at(between(k))), label: part.label })
    }
  }
  for (const ring of pouredPlan(kernel, piece, geometry)) page.shape(ring.map(at), 0.5)
  for (const wire of stations.steel.wires) {
    const flip = piece.attitude.down === 'top'
    const ends = [wire.from, wire.to].map(([x, y]): Point => at([flip ? geometry.length - x : x, y]))
    page.line(ends, 0.06, [1.2, 0.8])
  }
  if (piece.kind === 'slab')
    for (const bar of stations.steel.bars) {
      const flip = piece.attitude.down === 'top'
      page.line(
        bar.path.map(([x, y]): Point => at([flip ? geometry.length - x : x, y])),
        0.3,
        [3, 1],
      )
    }
  for (const { at: places, label } of lettered) page.labelAmong(places, label, 3.4)
  for (const opening of allOpenings(geometry)) {
    const [cx, cy] = at([
      piece.attitude.down === 'top' ? geometry.length - opening.centre[0] : opening.centre[0],
      opening.centre[1],
    ])
    page.line(
      [
        [cx - 3, cy],
        [cx + 3, cy],
      ],
      0.12,
    )
    page.line(
      [
        [cx, cy - 3],
        [cx, cy + 3],
      ],
      0.12,
    )
  }

  const section = sectionDrawing(
    kernel,
    { piece, pieceStation: stations.piece, mould: stations.mould, steel: stations.steel, attitude: 'poured' },
    [-run, level],
    [length + run, level],
  )
  const sy = sectionY
  page.line([at([-run, level]), at([length + run, level])], 0.18, [6, 1.4])
  if (section) {
    page.text([MARGIN, sy + deep / scale + 5], 'SECTION A', 3.4, { bold: true })
    const cut = ([x, y]: Point): Point => [ox + (x - run) / scale, sy + y / scale]
    for (const part of section.parts) {
      const region = part.region.map((ring) => ring.map(cut))
      const hatch = HATCH[part.material]
      if (hatch?.grey !== undefined && region.length === 1) page.fill(region[0]!, hatch.grey)
      if (hatch)
        for (const [a, b] of hatchLines(region, hatch.spacing, hatch.angle)) page.line([a, b], hatch.weight)
      for (const ring of region) page.shape(ring, 0.3)
    }
    page.dimension(cut([run, 0]), cut([run, deep]), 12, size(deep), 'left')
    if (base && stations.mould && box)
      page.fit(
        [ox, sy - base.thicknessMm / scale - 5],
        `base ${base.layers[0]?.name ?? ''}; sides ${stations.mould.parts.find((p) => p.role === 'strip')?.layers[0]?.name ?? ''}; ${stations.mould.figures.school}`,
        3,
        width * TABLES - ox - 4,
      )
  }
  if (openings) openingTable(page, input, tableTop)
  page.checkBar([MARGIN, MARGIN + 2], settings.units === 'inch')
  if (stations.mould) cutTable(page, input, stations.mould, cutRows)
  else figureTable(page, input, width * TABLES, height - 30)
  return page.page('drawing')
}

/** The plan as it lies in the pour: a slab's own outline, for other kinds what is seen of the solid from above. */
function pouredPlan(kernel: Kernel, piece: Piece, geometry: PieceGeometry): Region {
  if (piece.kind === 'slab' && (piece.attitude.down === 'top' || piece.attitude.down === 'bottom'))
    return [loopChords(pouredLoop(geometry.outline, piece.attitude, geometry)).points]
  return geometry.recipe
    ? outlineFromAbove(kernel, {
        kind: 'moved',
        solid: geometry.recipe,
        by: pouredPlacement(piece.attitude, geometry),
      })
    : []
}

/** The figures that matter where there is no cut list. */
function figureTable(page: PageWriter, { settings, stations }: ShopSheetInput, x: number, top: number): void {
  const { figures } = stations.piece
  const style = wordsStyle(settings)
  const size = (mm: number) => formatLength(mm, settings)
  const rows: [string, string][] = [
    ['volume', style.litres(figures.volumeLitres, 2)],
    ['weight', style.kg(figures.concreteKg, 1)],
    ['bags', String(stations.mix.figures.bags)],
    ['length', size(figures.lengthMm)],
    ['width', size(figures.widthMm)],
    ['height', size(figures.heightMm)],
    ...(figures.thinnestMm === null ? [] : [['thinnest', size(figures.thinnestMm)] as [string, string]]),
    ...figures.notes.map((n): [string, string] => [
      noteWords(n, style),
      'valueMm' in n ? size(n.valueMm) : noteValue(n, style),
    ]),
  ]
  page.text([x, top], 'FIGURES', 3.8, { bold: true })
  rows.forEach(([label, value], i) => {
    page.fit([x, top - 7 - i * 6], label, 3.2, page.width - MARGIN - x - textWidth(value, 3.6, true) - 2)
    page.text([page.width - MARGIN, top - 7 - i * 6], value, 3.6, { align: 'right', bold: true })
  })
  page.fit(
    [x, top - 12 - rows.length * 6],
    'No mould method yet: form it as you know.',
    2.8,
    page.width - MARGIN - x,
  )
}
