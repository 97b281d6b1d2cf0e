import { explainMeasureError, type LengthUnit, parseLength } from '../units/index.ts'

/** One line of a list of parts to cut. */
export type ListedPart = {
  readonly name: string
  readonly count: number
  readonly lengthMm: number
  /** 0 for what is cut from a bar. */
  readonly widthMm: number
}
export type PartList = {
  readonly parts: readonly ListedPart[]
  /** Lines that were not taken, from 1, and why. */
  readonly problems: readonly { readonly line: number; readonly text: string }[]
}

const MOST_LINES = 400
const MOST_PARTS = 1000
const MOST_TEXT = 100_000
const HOW = {
  sheets: 'Write 4 x 600 x 200 side: how many, length, width, name.',
  bars: 'Write 4 x 1200 rail: how many, length, name.',
} as const

/**
 * Parts typed or pasted, one a line: `4 x 600 x 200 side`, `23 5/8" x 4" shelf`; of bars `4 x 1200 rail`. Lines of a
 * table, between tabs, semicolons or commas, give length, width and count in that order, the name wherever it stands.
 * Lines without a figure are headings. A bare number takes the unit of the shop.
 */
export function readPartList(text: string, of: 'sheets' | 'bars', fieldUnit: LengthUnit): PartList {
  const parts: ListedPart[] = []
  const problems: { line: number; text: string }[] = []
  if (text.length > MOST_TEXT)
    return { parts, problems: [{ line: 1, text: `More than ${MOST_TEXT.toLocaleString('en')} characters.` }] }
  const lines = text.split(/\r?\n/)
  let count = 0
  for (const [i, raw] of lines.entries()) {
    const line = raw.trim()
    if (!/\d/.test(line)) continue
    const refuse = (why: string) => problems.push({ line: i + 1, text: why })
    if (parts.length >= MOST_LINES) {
      refuse(`A list takes ${MOST_LINES} lines: it ends here.`)
      break
    }
    const read = readLine(line, of, fieldUnit)
    if (typeof read === 'string') refuse(read)
    else if (count + read.count > MOST_PARTS) refuse(`A list takes ${MOST_PARTS} parts in all.`)
    else {
      count += read.count
      parts.push(read)
    }
  }
  return { parts, problems }
}

/** The part that a line tells, or why it tells none. */
function readLine(line: string, of: 'sheets' | 'bars', fieldUnit: LengthUnit): ListedPart | string {
  const sizes = of === 'sheets' ? 2 : 1
  const cells = line.split(/[\t;]|,(?!\d{1,2}\s*[x×*])/).map((c) => c.trim())
  const fields = cells.length > 1 ? fromTable(cells, sizes) : fromTyped(line, sizes, fieldUnit)
  if (typeof fields === 'string') return `${fields} ${HOW[of]}`
  if (!/^\d+$/.test(fields.count) || Number(fields.count) < 1)
    return `How many is a whole number, not “${fields.count}”.`
  const lengths: number[] = []
  for (const size of fields.sizes) {
    const read = parseLength(size, { fieldUnit })
    if (!read.ok) return explainMeasureError(read.error)
    if (read.mm <= 0) return 'A size is more than zero.'
    lengths.push(read.mm)
  }
  return {
    name: fields.name.slice(0, 60),
    count: Number(fields.count),
    lengthMm: lengths[0]!,
    widthMm: lengths[1] ?? 0,
  }
}

type Fields = { readonly count: string; readonly sizes: readonly string[]; readonly name: string }

function fromTable(cells: readonly string[], sizes: number): Fields | string {
  const isFigure = (cell: string) => /^[\d(.]/.test(cell)
  const figures = cells.filter(isFigure)
  const name = cells.filter((c) => c !== '' && !isFigure(c)).join(' ')
  if (figures.length < sizes || figures.length > sizes + 1)
    return `${figures.length} figures in a row of a table.`
  return { sizes: figures.slice(0, sizes), count: figures[sizes] ?? '1', name }
}

function fromTyped(line: string, sizes: number, fieldUnit: LengthUnit): Fields | string {
  const fields = line.split(/\s*[×*]\s*|\s+x\s+|(?<=[\d"'”])x(?=[\d(])/i)
  if (fields.length < sizes || fields.length > sizes + 1)
    return fields.length < sizes ? 'A size is missing.' : 'Too many sizes.'
  // What is behind the last size is the name: the longest beginning that is a measure is the size.
  const words = fields.at(-1)!.split(/\s+/)
  let taken = words.length
  while (taken > 1 && !parseLength(words.slice(0, taken).join(' '), { fieldUnit }).ok) taken -= 1
  const all = [...fields.slice(0, -1), words.slice(0, taken).join(' ')]
  const name = words.slice(taken).join(' ')
  return all.length > sizes ? { count: all[0]!, sizes: all.slice(1), name } : { count: '1', sizes: all, name }
}
