import {
  SHOPPING_GROUPS,
  type ShoppingGroup,
  type ShoppingRow,
  type SoldBy,
  shoppingCost,
  soldWords,
  toBuy,
  writeShoppingCsv,
} from '../../core/shopping.ts'
import { moneyOrNone, perUnit, type Quantity, unitOf } from '../../core/units/index.ts'
import { download } from '../state/files.ts'
import { useAppSelector } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { PageTop } from '../ui/PageTop.tsx'
import { useWordsStyle } from '../ui/Quantity.tsx'
import { type OnShelf, useOnShelf } from './useOnShelf.ts'
import { useShopping } from './useShopping.ts'

const GROUPS: Record<ShoppingGroup, string> = {
  boards: 'Boards, cut together',
  mould: 'For the moulds',
  steel: 'Steel',
  mix: 'Concrete',
  faces: 'On the faces',
  finish: 'Finishing',
}

/** One list for the whole job, less what is on the shelf, as it is sold. */
export function ShoppingPage() {
  const job = useAppSelector((s) => s.job.job)!
  const { shopping, failed, stopped, stop } = useShopping(job)
  const [held, keep] = useOnShelf()
  const rows = shopping?.rows
  const money = (n: number | null) => moneyOrNone(n, job.settings.currency)
  const total = rows && held ? shoppingCost(rows, held) : null
  return (
    <main className="h-full overflow-auto bg-sheet">
      <div className="shopping mx-auto max-w-[980px] px-6 py-8">
        <PageTop />
        <h1 className="mt-1">To buy for {job.name}</h1>
        <p className="text-soft">
          For {job.pieces.length} {job.pieces.length === 1 ? 'piece' : 'pieces'}, all their moulds and casts;
          boards of all moulds laid out together. What is on the shelf is kept on this device.
        </p>
        {!rows && !failed && (
          <p role="status" className="label py-3">
            {stopped
              ? 'Stopped. Come back to this page to begin again.'
              : `Worked out: ${shopping?.plannedCount ?? 0} of ${job.pieces.length} pieces.`}
            {!stopped && (
              <button type="button" className="word ml-4" onClick={stop}>
                stop
              </button>
            )}
          </p>
        )}
        {failed && (
          <p role="alert" className="py-3 text-oxide!">
            The list could not be worked out: {failed}
          </p>
        )}
        {shopping && shopping.without.length > 0 && (
          <p className="py-1 text-oxide!">
            Without {shopping.without.join(', ')}: {shopping.without.length === 1 ? 'it stops' : 'they stop'}{' '}
            before the mix.
          </p>
        )}
        {rows && held && total && (
          <>
            <div className="flex items-baseline gap-5 py-2">
              <strong className="label text-[20px]">{money(total.cost)}</strong>
              {total.unpricedCount > 0 && (
                <span className="label text-soft">
                  and {total.unpricedCount} {total.unpricedCount === 1 ? 'row' : 'rows'} with no price
                </span>
              )}
              <span className="flex-1" />
              <button type="button" className="word print:hidden" onClick={() => window.print()}>
                print
              </button>
              <button
                type="button"
                className="word print:hidden"
                onClick={() =>
                  download(`${job.id}-shopping.csv`, writeShoppingCsv(job, rows, held), 'text/csv')
                }
              >
                as CSV
              </button>
              <button
                type="button"
                className="word print:hidden"
                onClick={() =>
                  keep({
                    ...held,
                    ...Object.fromEntries(
                      rows.map((r) => [r.key, (held[r.key] ?? 0) + toBuy(r, held[r.key] ?? 0)]),
                    ),
                  })
                }
              >
                all of it is bought
              </button>
            </div>
            {SHOPPING_GROUPS.map((group) => (
              <Group
                key={group}
                title={GROUPS[group]}
                rows={rows.filter((r) => r.group === group)}
                held={held}
                keep={keep}
              />
            ))}
          </>
        )}
      </div>
    </main>
  )
}

const QUANTITY: Partial<Record<SoldBy, Quantity>> = { kg: 'mass', L: 'liquid', m: 'run' }

function Group({
  title,
  rows,
  held,
  keep,
}: {
  title: string
  rows: readonly ShoppingRow[]
  held: OnShelf
  keep: (next: OnShelf) => void
}) {
  const job = useAppSelector((s) => s.job.job)!
  const words = useWordsStyle()
  const style = useMeasureStyle()
  if (rows.length === 0) return null
  const name = (id: string) => job.pieces.find((p) => p.id === id)?.name
  return (
    <section>
      <h2>{title}</h2>
      <table className="list table-fixed" aria-label={title}>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col" className="w-[150px]">
              Needed
            </th>
            <th scope="col" className="w-[140px]">
              On the shelf
            </th>
            <th scope="col" className="w-[150px]">
              To buy
            </th>
            <th scope="col" className="w-[90px]">
              Cost
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => {
            const there = held[r.key] ?? 0
            const buy = toBuy(r, there)
            const quantity = QUANTITY[r.soldBy]
            const per = quantity ? perUnit(quantity, style) : 1
            return (
              <tr key={r.key} className={buy === 0 ? 'text-soft' : ''}>
                <td title={r.pieceIds.map(name).join(', ')}>{r.name}</td>
                <td>{soldWords(r.needed, r.soldBy, words)}</td>
                <td>
                  <input
                    key={there}
                    className="plain-select w-[70px] text-right"
                    type="number"
                    min="0"
                    step="any"
                    aria-label={`${r.name}, on the shelf`}
                    defaultValue={Math.round(there * per * 1000) / 1000}
                    onBlur={(e) => {
                      const typed = e.target.valueAsNumber
                      // What is no amount leaves what was there.
                      if (!(typed >= 0 && typed <= 1e6)) e.target.value = String(there * per)
                      else if (Math.abs(typed - there * per) > 1e-9) keep({ ...held, [r.key]: typed / per })
                    }}
                  />{' '}
                  {quantity ? unitOf(quantity, style) : ''}
                </td>
                <td>
                  <strong>{buy === 0 ? 'nothing' : soldWords(buy, r.soldBy, words)}</strong>
                </td>
                <td>
                  {buy === 0
                    ? ''
                    : moneyOrNone(r.price === null ? null : r.price * buy, job.settings.currency)}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}
