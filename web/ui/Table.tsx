import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { type HTMLAttributes, type ReactNode, useMemo, useRef } from 'react'

export type Column<R> = {
  readonly id: string
  readonly head: string
  readonly cell: (row: R) => ReactNode
  /** What the rows are put in order by when its head is pressed; a column without it keeps its order. */
  readonly sortBy?: (row: R) => number | string
  /** Figures stand at the right. */
  readonly figures?: boolean
  /** The head is only for readers. */
  readonly quiet?: boolean
}

const FEATURES = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric },
})
/** More rows than this are drawn only where they are seen. */
const LONG = 80
/** About how high a row is, px, before it was drawn. */
const ROW = 46

/** Rows under heads that put them in order, first one way, then the other, then as they came. */
export function Table<R extends object>({
  label,
  columns,
  rows,
  keyOf,
  rowProps,
}: {
  label: string
  columns: readonly Column<R>[]
  rows: readonly R[]
  keyOf: (row: R) => string
  rowProps?: (row: R) => HTMLAttributes<HTMLTableRowElement>
}) {
  const own = useRef<HTMLTableElement>(null)
  const defs = useMemo(
    () =>
      columns.map((c) => ({
        id: c.id,
        header: c.head,
        accessorFn: c.sortBy ?? (() => ''),
        enableSorting: c.sortBy !== undefined,
        sortDescFirst: false,
        sortFn: 'alphanumeric' as const,
      })),
    [columns],
  )
  const table = useTable({ features: FEATURES, columns: defs, data: rows as R[] }, (state) => state.sorting)
  const sorted = table.getRowModel().rows
  const long = sorted.length > LONG
  const seen = useVirtualizer({
    count: long ? sorted.length : 0,
    getScrollElement: () => own.current?.closest('.bench') ?? null,
    estimateSize: () => ROW,
    overscan: 16,
  })
  const drawn = long ? seen.getVirtualItems().map((v) => sorted[v.index]!) : sorted
  const items = seen.getVirtualItems()
  const above = long ? (items[0]?.start ?? 0) : 0
  const below = long ? seen.getTotalSize() - (items.at(-1)?.end ?? 0) : 0
  return (
    <table ref={own} className="list" aria-label={label} aria-rowcount={long ? sorted.length + 1 : undefined}>
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map((header) => {
              const column = columns.find((c) => c.id === header.column.id)!
              const way = header.column.getIsSorted()
              return (
                <th
                  key={header.id}
                  className={column.figures ? 'n' : ''}
                  aria-sort={way === 'asc' ? 'ascending' : way === 'desc' ? 'descending' : undefined}
                >
                  {column.sortBy ? (
                    <button
                      type="button"
                      className="sort"
                      onClick={() => header.column.toggleSorting(undefined)}
                    >
                      {column.head}
                      {way === 'asc' && <ArrowUp aria-hidden size={13} />}
                      {way === 'desc' && <ArrowDown aria-hidden size={13} />}
                    </button>
                  ) : (
                    <span className={column.quiet ? 'sr-only' : ''}>{column.head}</span>
                  )}
                </th>
              )
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {above > 0 && <Space high={above} wide={columns.length} />}
        {drawn.map(({ original }) => (
          <tr key={keyOf(original)} {...rowProps?.(original)}>
            {columns.map((c) => (
              <td key={c.id} className={c.figures ? 'n' : ''}>
                {c.cell(original)}
              </td>
            ))}
          </tr>
        ))}
        {below > 0 && <Space high={below} wide={columns.length} />}
      </tbody>
    </table>
  )
}

/** The room of rows that are not drawn. */
const Space = ({ high, wide }: { high: number; wide: number }) => (
  <tr aria-hidden>
    <td colSpan={wide} style={{ height: high, padding: 0, border: 0 }} />
  </tr>
)
