import type { Settings } from '../job/index.ts'
import {
  amountWords,
  type CutRow,
  type MouldStation,
  sawnWords,
  sayItem,
  shapeWords,
} from '../mould/index.ts'
import { closeRounding, formatCut, wordsStyle } from '../units/index.ts'
import type { PageWriter } from './pageWriter.ts'
import { MARGIN, PAPER, type ShopSheetInput, TABLES } from './sheetFrame.ts'
import { textWidth, wrapText } from './textWidth.ts'

/** Types and steps of a row, mm. */
const [NAME, SIZE, NOTE, NAME_STEP, LINE, FOOT] = [3, 3.4, 2.6, 3.8, 4.2, 5] as const
/** The letter stands before the row's words. */
const INDENT = 6

type Laid = {
  readonly name: readonly string[]
  readonly size: readonly string[]
  readonly note: string | null
  /** Whether the note has a line of its own. */
  readonly below: boolean
  readonly height: number
}

/** A row of the cut list as it is set in a column of `width` mm. */
function layRow(row: CutRow, settings: Settings, width: number): Laid {
  const name = wrapText(row.name, width - INDENT - textWidth(`${row.count} x`, SIZE, true) - 2, NAME)
  const size = wrapText(
    `${formatCut(row.lengthMm, settings)} x ${formatCut(row.widthMm, settings)}   ${row.boardName}`,
    width - INDENT,
    SIZE,
    true,
  )
  const sawn = sawnWords(row)
  const rounded = row.shape === 'rounded corners' ? ` r ${formatCut(row.radiusMm, settings)}` : ''
  const note = row.shape === 'rectangle' && !sawn ? null : (sawn ?? `${shapeWords(row.shape)}${rounded}`)
  const last = textWidth(size.at(-1)!, SIZE, true)
  const below = note !== null && last + textWidth(note, NOTE) + INDENT + 2 > width
  const height = 10 + NAME_STEP * (name.length - 1) + LINE * (size.length - 1 + (below ? 1 : 0))
  return { name, size, note, below, height }
}

/** What stands below the rows: materials, how a side's width comes about, screws, sealant, tape. */
function footLines({ settings, stations }: ShopSheetInput, { figures, parts }: MouldStation): string[] {
  const style = wordsStyle(settings)
  const lines = figures.materials.map(
    (m) => `${sayItem(m, style).name}: ${amountWords(m.amount, m.unit, style)}`,
  )
  const base = parts.find((p) => p.role === 'base')
  const { thickness } = stations.piece.geometry
  const wrapped = thickness + (base?.thicknessMm ?? 0)
  const side = figures.cutList.find((r) => r.role === 'strip' && Math.abs(r.widthMm - wrapped) < 1e-6)
  if (side && base && figures.school === 'wrap') {
    const step = settings.units === 'inch' ? 25.4 / settings.inchDenominator : 0.5
    const closed = closeRounding([thickness, base.thicknessMm], step)
    lines.push(
      `side ${formatCut(closed.total, settings)} = ${closed.shown.map((s) => formatCut(s, settings)).join(' + ')}`,
    )
  }
  const hardware = [
    figures.screwCount > 0 ? `screws ${figures.screwCount}` : '',
    figures.sealant.cartridges > 0
      ? `sealant ${style.metres(figures.sealant.totalLengthMm / 1000)}, ${figures.sealant.cartridges} cartridge${figures.sealant.cartridges === 1 ? '' : 's'}`
      : '',
    figures.tapeLengthMm > 0 ? `tape ${style.metres(figures.tapeLengthMm / 1000)}` : '',
  ].filter((t) => t !== '')
  return hardware.length > 0 ? [...lines, hardware.join('; ')] : lines
}

const columnWidth = (pageWidth: number): number => pageWidth * (1 - TABLES) - MARGIN

/** How many rows of the cut list the drawing page has room for, with what stands below them. */
export function cutRowsDrawn(input: ShopSheetInput, mould: MouldStation): number {
  const [width, height] = PAPER[input.settings.paper]
  const wide = columnWidth(width)
  const foot = footLines(input, mould).reduce((sum, t) => sum + wrapText(t, wide, NAME).length, 1)
  let left = height - 30 - 6 - MARGIN - foot * FOOT
  const rows = mould.figures.cutList
  const fits = rows.findIndex((row) => {
    left -= layRow(row, input.settings, wide).height
    return left < 0
  })
  return fits < 0 ? rows.length : fits
}

export function cutTable(page: PageWriter, input: ShopSheetInput, mould: MouldStation, drawn: number): void {
  const { cutList } = mould.figures
  const x = page.width * TABLES
  const right = page.width - MARGIN
  const wide = columnWidth(page.width)
  let y = page.height - 30
  page.text([x, y], cutList.length > 0 ? 'CUT LIST' : 'TO GET', 3.8, { bold: true })
  y -= 6
  for (const row of cutList.slice(0, drawn)) {
    const { name, size, note, below, height } = layRow(row, input.settings, wide)
    page.text([x, y], row.label, 3.8, { bold: true })
    page.text([right, y], `${row.count} x`, SIZE, { align: 'right', bold: true })
    name.forEach((line, i) => {
      page.text([x + INDENT, y - i * NAME_STEP], line, NAME)
    })
    let at = y - NAME_STEP * (name.length - 1) - LINE
    for (const line of size) {
      page.text([x + INDENT, at], line, SIZE, { bold: true })
      at -= LINE
    }
    if (note) page.fit([right, below ? at : at + LINE], note, NOTE, wide - INDENT, { align: 'right' })
    y -= height
    page.line(
      [
        [x, y + 3.6],
        [right, y + 3.6],
      ],
      0.1,
    )
  }
  if (cutList.length > drawn) {
    page.text([x, y], `${cutList.length - drawn} more rows on the next page`, 2.8)
    y -= FOOT
  }
  for (const line of footLines(input, mould)) y -= FOOT * page.lines([x, y], line, NAME, wide, FOOT)
}
