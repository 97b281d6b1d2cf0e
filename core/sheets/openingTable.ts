import { formatLength } from '../units/index.ts'
import type { PageWriter } from './pageWriter.ts'
import { allOpenings, MARGIN, openingSize, type ShopSheetInput } from './sheetFrame.ts'
import { textWidth, wrapText } from './textWidth.ts'

/** A column of the table, mm: its pitch, what it is filled to, a line of it, and its type. */
const [PITCH, WIDE, STEP, TEXT, VALUE] = [90, 84, 4.6, 3, 3.2] as const
/** Above the check bar, mm. */
const LOWEST = 17

export type OpeningLine = { readonly lines: readonly string[]; readonly value: string }

/** Each opening with its middle from the left and front of the mould as it lies, as it is measured in the box. */
export function openingLines({ piece, settings, stations }: ShopSheetInput): OpeningLine[] {
  const { geometry } = stations.piece
  const size = (mm: number) => formatLength(mm, settings)
  return allOpenings(geometry).map((opening) => {
    const x = piece.attitude.down === 'top' ? geometry.length - opening.centre[0] : opening.centre[0]
    const label =
      stations.mould?.parts.find(
        (p) => p.role === 'knockout' && p.source.of === 'opening' && p.source.key === opening.key,
      )?.label ?? ''
    const value = `${size(x)}, ${size(opening.centre[1])}`
    return {
      value,
      lines: wrapText(
        `${label}  ${opening.name}, ${openingSize(opening, size)}`.trim(),
        WIDE - textWidth(value, VALUE, true) - 3,
        TEXT,
      ),
    }
  })
}

/** Lines that a column has room for below its heading at `top`. */
export const openingColumn = (top: number): number => Math.max(0, Math.floor((top - 5 - LOWEST) / STEP) + 1)

/** The lines of openings in columns of at most so many lines; none is parted. */
export function columnsOf(list: readonly OpeningLine[], lines: number): OpeningLine[][] {
  const columns: OpeningLine[][] = []
  let left = 0
  for (const opening of list) {
    if (opening.lines.length > left) {
      columns.push([])
      left = lines
    }
    columns.at(-1)!.push(opening)
    left -= opening.lines.length
  }
  return columns
}

export function openingTable(page: PageWriter, input: ShopSheetInput, top: number): void {
  const list = openingLines(input)
  if (list.length === 0) return
  page.text([MARGIN, top], 'OPENINGS, MIDDLES FROM THE LEFT AND FRONT OF THE MOULD', 3.2, { bold: true })
  columnsOf(list, openingColumn(top)).forEach((column, i) => {
    const x = MARGIN + i * PITCH
    let y = top - 5
    for (const { lines, value } of column) {
      page.text([x + WIDE, y], value, VALUE, { bold: true, align: 'right' })
      for (const line of lines) {
        page.text([x, y], line, TEXT)
        y -= STEP
      }
    }
  })
}
