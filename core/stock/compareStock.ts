import type { Stock, StockList } from './schema.ts'

/** One figure of a row that differs between a job's stock and the shelf; null where the row is only on one side. */
export type StockDifference = {
  readonly list: StockList
  readonly rowId: string
  readonly name: string
  readonly field: string
  readonly job: string | null
  readonly shelf: string | null
}

/** What a job carries otherwise than the shelf holds. The job's rows win; this is only told. */
export function compareStock(job: Stock, shelf: Stock): StockDifference[] {
  return (Object.keys(job) as StockList[]).flatMap((list) => {
    const own: readonly { id: string; name: string }[] = job[list]
    const kept: readonly { id: string; name: string }[] = shelf[list]
    return own.flatMap((row): StockDifference[] => {
      const other = kept.find((k) => k.id === row.id)
      const base = { list, rowId: row.id, name: row.name }
      if (!other) return [{ ...base, field: 'row', job: 'in this job', shelf: null }]
      return Object.entries(row).flatMap(([field, value]): StockDifference[] => {
        const held = (other as Record<string, unknown>)[field]
        const [a, b] = [JSON.stringify(value), JSON.stringify(held)]
        return a === b ? [] : [{ ...base, field, job: show(value), shelf: show(held) }]
      })
    })
  })
}

const show = (value: unknown): string =>
  value === null || value === undefined
    ? 'none'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value)
