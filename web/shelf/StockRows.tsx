import { useEffect, useRef } from 'react'
import { useLocation } from 'react-router'
import { startingStock } from '../../core/stock/index.ts'
import { newId } from '../state/files.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { Fold } from '../ui/Fold.tsx'
import { RowForm } from './RowForm.tsx'
import { LISTS, type StockListFields, type StockRow } from './stockLists.ts'

/** Lists that most shops change stand open; the others open when they are asked for. */
const OPEN: ReadonlySet<string> = new Set(['boards', 'mixes'])

/** Every list of the stock, each row a form. An address that ends in a row's id opens its list there. */
export function StockRows() {
  const { hash } = useLocation()
  return LISTS.map((fields) => <List key={fields.list} fields={fields} wanted={hash.slice(1)} />)
}

function List({
  fields: { list, heading, one, fields },
  wanted,
}: {
  fields: StockListFields
  wanted: string
}) {
  const rows: readonly StockRow[] = useAppSelector((s) => s.job.job!.stock[list])
  const change = useChange()
  const own = useRef<HTMLDivElement>(null)
  const here = wanted !== '' && rows.some((r) => r.id === wanted)
  useEffect(() => {
    if (!here) return
    const row = own.current?.querySelector(`[data-row="${CSS.escape(wanted)}"]`)
    row?.scrollIntoView?.({ block: 'center' })
    row?.querySelector('input')?.focus({ preventScroll: true })
  }, [here, wanted])
  const add = () =>
    change(`add a ${one}`, {
      type: 'stockRowKept',
      list,
      row: {
        ...(rows[0] ?? startingStock()[list][0]!),
        id: newId(one),
        name: `my ${one}`,
        source: 'typed here',
        ...(list === 'boards' && { offcuts: [], price: null }),
      } as StockRow,
    })
  return (
    <div ref={own}>
      <Fold heading late title={`${heading}, ${rows.length}`} open={OPEN.has(list) || here}>
        <div className="grid grid-cols-[repeat(auto-fill,minmax(min(340px,100%),1fr))] gap-x-8">
          {rows.map((row) => (
            <RowForm key={row.id} list={list} row={row} one={one} fields={fields} />
          ))}
        </div>
        <button type="button" className="act mt-3" onClick={add}>
          Add a {one}
        </button>
      </Fold>
    </div>
  )
}
