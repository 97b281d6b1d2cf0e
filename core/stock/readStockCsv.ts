import Papa from 'papaparse'
import { z } from 'zod'
import { startingStock } from './catalogue.ts'
import { type Stock, type StockList, stockSchema } from './schema.ts'

export type StockRow = Stock[StockList][number]
export type ReadRow = { readonly list: StockList; readonly row: StockRow }

/** Rows that were read, and what is wrong with those that were not, by their line in the file. */
export type ReadStock = { readonly rows: readonly ReadRow[]; readonly problems: readonly string[] }

/** Larger files are no list of stock, bytes; problems told at most. */
const MOST_BYTES = 2_000_000
const MOST_PROBLEMS = 50

/**
 * Stock from comma- or semicolon-separated text. The first line names the columns: `name`, and any figure of the list
 * by its own name; `list` says which (boards where it is left out). What a row leaves out is as in the first row of the
 * starting stock; prices stay empty. A row of the name of a known one takes its place. Bad rows are named by line.
 */
export function readStockCsv(text: string, known: Stock): ReadStock {
  if (text.length > MOST_BYTES) return { rows: [], problems: ['The file is too large for a list of stock.'] }
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (h) => h.trim(),
  })
  const columns = meta.fields ?? []
  if (!columns.includes('name'))
    return { rows: [], problems: ['line 1: there is no column “name”; the first line names the columns.'] }
  const usual = startingStock()
  const rows: ReadRow[] = []
  const problems: string[] = []
  const lines = lineOf(text)
  data.forEach((fields, i) => {
    const at = `line ${lines[i + 1] ?? i + 2}`
    const list = (fields.list?.trim() || 'boards') as StockList
    if (!(list in usual)) {
      problems.push(`${at}: there is no list “${list}”: ${Object.keys(usual).join(', ')}.`)
      return
    }
    const read = readRow(list, fields, columns, usual, known)
    if (typeof read === 'string') problems.push(`${at}: ${read}`)
    else rows.push({ list, row: read })
  })
  const told = problems.slice(0, MOST_PROBLEMS)
  if (problems.length > told.length) told.push(`and ${problems.length - told.length} more.`)
  return { rows, problems: told }
}

/** Numbers of the lines that are not empty, from 1. A quoted field may hold line breaks; such rows count by their first. */
function lineOf(text: string): number[] {
  const found: number[] = []
  let [line, quoted, fresh, filled] = [1, false, 1, false]
  for (const c of text) {
    if (c === '"') quoted = !quoted
    if (c === '\n') {
      if (!quoted && filled) found.push(fresh)
      line += 1
      if (!quoted) [fresh, filled] = [line, false]
    } else if (c.trim() !== '' && c !== ',' && c !== ';') filled = true
  }
  if (filled) found.push(fresh)
  return found
}

/** One row of a list, or what is wrong with it. */
function readRow(
  list: StockList,
  fields: Readonly<Record<string, string>>,
  columns: readonly string[],
  usual: Stock,
  known: Stock,
): StockRow | string {
  const template = usual[list][0] as Record<string, unknown>
  const name = fields.name?.trim() ?? ''
  if (name === '') return 'it has no name.'
  const same = (known[list] as StockRow[]).find((r) => r.name === name)
  const row: Record<string, unknown> = {
    ...template,
    ...('price' in template && { price: null }),
    ...same,
    name,
    id: same?.id ?? `${list}-${name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '-')}`.slice(0, 80),
    source: 'read from a file',
  }
  for (const column of columns) {
    if (column === 'name' || column === 'list' || column === 'id') continue
    const typed = fields[column]?.trim() ?? ''
    if (typed === '') continue
    if (!(column in template)) {
      if (Object.keys(usual).some((l) => column in ((usual[l as StockList][0] as object) ?? {}))) continue
      return `the column “${column}” is not one of a stock list.`
    }
    const value = readValue(typed, template[column])
    if (value === undefined) return `${column} “${typed}” is not ${kindOf(template[column])}.`
    row[column] = value
  }
  const read = stockSchema.shape[list].safeParse([row])
  if (read.success) return read.data[0] as StockRow
  const issue = read.error.issues[0]!
  return `${issue.path.slice(1).join('.') || 'it'}: ${z
    .prettifyError({ issues: [issue] } as never)
    .split('\n')[0]!
    .replace(/^✖ /, '')}.`
}

function readValue(typed: string, like: unknown): unknown {
  if (typeof like === 'boolean')
    return /^(yes|true|1)$/i.test(typed) ? true : /^(no|false|0)$/i.test(typed) ? false : undefined
  if (typeof like === 'number' || like === null) {
    const number = Number(typed.replace(/^(-?\d+),(\d+)$/, '$1.$2'))
    return Number.isFinite(number) ? number : undefined
  }
  return typeof like === 'string' ? typed : undefined
}

const kindOf = (like: unknown): string =>
  typeof like === 'boolean' ? 'yes or no' : typeof like === 'string' ? 'a word' : 'a number'
