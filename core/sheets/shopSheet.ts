import {
  boundLoop,
  type Kernel,
  loopChords,
  outlineFromAbove,
  type Point,
  type Region,
} from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import {
  amountWords,
  type MouldPart,
  type MouldStation,
  planOf,
  sawnWords,
  sayItem,
  shapeWords,
} from '../mould/index.ts'
import {
  noteWords,
  type PieceGeometry,
  type PieceStation,
  pouredLoop,
  pouredPlacement,
  pouredSize,
} from '../piece/index.ts'
import { closeRounding, formatCut, formatLength, wordsStyle } from '../units/index.ts'
import { hatchLines } from './hatch.ts'
import { PageWriter } from './pageWriter.ts'
import { sectionDrawing } from './sectionDrawing.ts'
import {
  type Drawn,
  MARGIN,
  OPENINGS_DRAWN,
  openingSize,
  PAPER,
  type ShopSheetInput,
  titleBlock,
} from './sheetFrame.ts'
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
    need[0] / s <= room[0] && need[1] / s <= room[1] && sheetLayout(input, s).lowest >= LOWEST
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
  return { scale, run, length, across, beside, out, origin, box, deep, sectionY, base, lowest, tableTop }
}

/** Rows of a column of the table of openings, above the check bar; two columns stand beside one another. */
const openingRows = (input: ShopSheetInput): number =>
  Math.max(0, Math.floor((sheetLayout(input).tableTop - 5 - 17) / 4.6) + 1)

/** What stands on the drawing page; the rest goes on. */
function drawn(input: ShopSheetInput): Drawn {
  const openings = input.stations.piece.geometry.openings.length
  return {
    cutRows: Math.floor((PAPER[input.settings.paper][1] - 30 - 6 - 34) / 10),
    openings: openings <= Math.min(OPENINGS_DRAWN, 2 * openingRows(input)),
  }
}

/** What the sheet comes to, without drawing it. */
export const sheetFigures = (input: ShopSheetInput): SheetsFigures => ({
  paper: input.settings.paper,
  pages: 1 + workPages(input, drawn(input)).length,
  scaleOneTo: sheetScale(input),
})

/**
 * The shop sheet: the plan as poured and a section at one stated scale with dimensions and the cut list, then mix,
 * times and the order of work on as many pages as they need.
 */
export function shopSheet(kernel: Kernel, input: ShopSheetInput): ShopSheet {
  const first = drawn(input)
  const pages = [drawingPage(kernel, input, first), ...workPages(input, first)]
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
  page.text([MARGIN, oy + geometry.width / scale + 9], 'PLAN', 3.4, { bold: true })
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
      page.label(at([(min[0] + max[0]) / 2, (min[1] + max[1]) / 2]), part.label, 3.4)
    }
  }
  for (const ring of pouredPlan(kernel, piece, geometry)) page.shape(ring.map(at), 0.5)
  for (const wire of stations.steel.wires) {
    const flip = piece.attitude.down === 'top'
    const ends = [wire.from, wire.to].map(([x, y]): Point => at([flip ? geometry.length - x : x, y]))
    page.line(ends, 0.06, [1.2, 0.8])
  }
  page.dimension(at([0, 0]), at([length, 0]), out, size(length), 'below')
  page.dimension(at([0, 0]), at([0, across]), beside, size(across), 'left')
  for (const opening of geometry.openings) {
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

  const level = box ? sectionLevel(stations.piece) : across / 2
  const section = sectionDrawing(
    kernel,
    { piece, pieceStation: stations.piece, mould: stations.mould, steel: stations.steel, attitude: 'poured' },
    [-run, level],
    [length + run, level],
  )
  const sy = sectionY
  page.line([at([-run, level]), at([length + run, level])], 0.18, [6, 1.4])
  page.text([at([-run, level])[0], at([0, level])[1] + 1.2], 'A', 3.8, { bold: true })
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
      page.text(
        [ox, sy - base.thicknessMm / scale - 5],
        `base ${base.layers[0]?.name ?? ''}; sides ${stations.mould.parts.find((p) => p.role === 'strip')?.layers[0]?.name ?? ''}; ${stations.mould.figures.school}`,
        3,
      )
  }
  if (openings) openingTable(page, input, size, tableTop)
  page.checkBar([MARGIN, MARGIN + 2])
  if (stations.mould) cutTable(page, input, stations.mould, width * 0.69, height - 30, cutRows)
  else figureTable(page, input, width * 0.69, height - 30)
  return page.page()
}

/** Each opening's middle from the left and front of the mould as it lies, as the maker measures it in the box. */
function openingTable(
  page: PageWriter,
  { piece, stations }: ShopSheetInput,
  size: (mm: number) => string,
  top: number,
): void {
  const { geometry } = stations.piece
  if (geometry.openings.length === 0) return
  page.text([MARGIN, top], 'OPENINGS, MIDDLES FROM THE LEFT AND FRONT OF THE MOULD', 3.2, { bold: true })
  const rows = Math.max(1, Math.floor((top - 5 - 17) / 4.6) + 1)
  geometry.openings.forEach((opening, i) => {
    const [column, row] = [Math.floor(i / rows), i % rows]
    const at = top - 5 - row * 4.6
    const x = piece.attitude.down === 'top' ? geometry.length - opening.centre[0] : opening.centre[0]
    const label =
      stations.mould?.parts.find(
        (p) => p.role === 'knockout' && p.source.of === 'opening' && p.source.key === opening.key,
      )?.label ?? ''
    const of = openingSize(opening, size)
    page.text([MARGIN + column * 90, at], `${label}  ${opening.name}, ${of}`, 3)
    page.text([MARGIN + column * 90 + 84, at], `${size(x)}, ${size(opening.centre[1])}`, 3.2, {
      bold: true,
      align: 'right',
    })
  })
}

function cutTable(
  page: PageWriter,
  { settings, stations }: ShopSheetInput,
  { figures, parts }: MouldStation,
  x: number,
  top: number,
  drawn: number,
): void {
  page.text([x, top], figures.cutList.length > 0 ? 'CUT LIST' : 'TO GET', 3.8, { bold: true })
  let y = top - 6
  for (const row of figures.cutList.slice(0, drawn)) {
    page.text([x, y], row.label, 3.8, { bold: true })
    page.text([x + 6, y], row.name, 3)
    page.text([page.width - MARGIN, y], `${row.count} x`, 3.4, { align: 'right', bold: true })
    page.text(
      [x + 6, y - 4.2],
      `${formatCut(row.lengthMm, settings)} x ${formatCut(row.widthMm, settings)}   ${row.boardName}`,
      3.4,
      { bold: true },
    )
    const sawn = sawnWords(row)
    if (row.shape !== 'rectangle' || sawn)
      page.text(
        [page.width - MARGIN, y - 4.2],
        sawn ??
          `${shapeWords(row.shape)}${row.shape === 'rounded corners' ? ` r ${formatCut(row.radiusMm, settings)}` : ''}`,
        2.6,
        { align: 'right' },
      )
    y -= 10
    page.line(
      [
        [x, y + 3.6],
        [page.width - MARGIN, y + 3.6],
      ],
      0.1,
    )
  }
  if (figures.cutList.length > drawn) {
    page.text([x, y], `${figures.cutList.length - drawn} more rows on the next page`, 2.8)
    y -= 5
  }
  const style = wordsStyle(settings)
  for (const m of figures.materials) {
    page.text([x, y], `${sayItem(m, style).name}: ${amountWords(m.amount, m.unit)}`, 3.2)
    y -= 5
  }
  const base = parts.find((p) => p.role === 'base')
  const wrapped = stations.piece.geometry.thickness + (base?.thicknessMm ?? 0)
  const side = figures.cutList.find((r) => r.role === 'strip' && Math.abs(r.widthMm - wrapped) < 1e-6)
  if (side && base && figures.school === 'wrap') {
    const closed = closeRounding(
      [stations.piece.geometry.thickness, base.thicknessMm],
      settings.units === 'inch' ? 25.4 / settings.inchDenominator : 0.5,
    )
    page.text(
      [x, y],
      `side ${formatCut(closed.total, settings)} = ${closed.shown.map((s) => formatCut(s, settings)).join(' + ')}`,
      2.8,
    )
    y -= 5
  }
  const hardware = [
    figures.screwCount > 0 ? `screws ${figures.screwCount}` : '',
    figures.sealant.cartridges > 0
      ? `sealant ${(figures.sealant.totalLengthMm / 1000).toFixed(1)} m, ${figures.sealant.cartridges} cartridge${figures.sealant.cartridges === 1 ? '' : 's'}`
      : '',
    figures.tapeLengthMm > 0 ? `tape ${(figures.tapeLengthMm / 1000).toFixed(1)} m` : '',
  ].filter((t) => t !== '')
  if (hardware.length > 0) page.text([x, y], hardware.join('; '), 2.8)
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
  const size = (mm: number) => formatLength(mm, settings)
  const rows: [string, string][] = [
    ['volume', `${figures.volumeLitres.toFixed(2)} L`],
    ['weight', `${figures.concreteKg.toFixed(1)} kg`],
    ['bags', String(stations.mix.figures.bags)],
    ['length', size(figures.lengthMm)],
    ['width', size(figures.widthMm)],
    ['height', size(figures.heightMm)],
    ...(figures.thinnestMm === null ? [] : [['thinnest', size(figures.thinnestMm)] as [string, string]]),
    ...figures.notes.map((n): [string, string] => [noteWords(n, wordsStyle(settings)), size(n.valueMm)]),
  ]
  page.text([x, top], 'FIGURES', 3.8, { bold: true })
  rows.forEach(([label, value], i) => {
    page.text([x, top - 7 - i * 6], label, 3.2)
    page.text([page.width - MARGIN, top - 7 - i * 6], value, 3.6, { align: 'right', bold: true })
  })
  page.text([x, top - 12 - rows.length * 6], 'No mould method yet: form it as you know.', 2.8)
}
