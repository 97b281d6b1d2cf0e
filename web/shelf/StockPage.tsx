import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { compareStock, type Stock } from '../../core/stock/index.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import { loadShelf, saveShelf } from '../storage/jobStore.ts'
import { FileButton } from '../ui/FileButton.tsx'
import { PageTop } from '../ui/PageTop.tsx'
import { UnitsOneByOne } from '../ui/UnitChoice.tsx'
import { MoneySign } from './MoneySign.tsx'
import { StockRows } from './StockRows.tsx'

/** The job's own stock: boards to hand, bags, prices. What is kept on the shelf is where new jobs start from. */
export function StockPage() {
  const job = useAppSelector((s) => s.job.job)!
  const change = useChange()
  const [read, setRead] = useState<{ good: number; problems: readonly string[] } | null>(null)
  const [kept, setKept] = useState<string | null>(null)
  const [shelf, setShelf] = useState<Stock | null>(null)
  useEffect(() => {
    loadShelf(database)
      .then(setShelf)
      .catch(() => setShelf(null))
  }, [])
  const differences = shelf ? compareStock(job.stock, shelf) : []
  const readList = async (file: File) => {
    const { readStockCsv } = await import('../../core/stock/readStockCsv.ts')
    const { rows, problems } = readStockCsv(await file.text(), job.stock)
    if (rows.length > 0)
      change(
        `read ${rows.length === 1 ? 'a row' : `${rows.length} rows`} of stock`,
        ...rows.map(({ list, row }) => ({ type: 'stockRowKept', list, row }) as const),
      )
    setRead({ good: rows.length, problems })
  }
  const keep = () =>
    saveShelf(database, job.stock)
      .then(() => {
        setShelf(job.stock)
        setKept('Kept: new jobs start with this stock.')
      })
      .catch(() => setKept('The browser could not keep it; this job still has it.'))
  return (
    <main className="h-full overflow-auto bg-sheet">
      <div className="mx-auto max-w-[980px] px-6 py-8">
        <PageTop />
        <h1 className="mt-1">Stock of this job</h1>
        <p className="text-soft">
          The true thickness of the boards to hand, the yield on your bags, your prices: a figure on a
          supplier’s sheet beats ours.
        </p>
        {/* Its room is always there: the rows do not move while they are typed in. */}
        <p className="min-h-8 text-oxide">
          {differences.length > 0 &&
            `It differs from your shelf in ${differences.length === 1 ? 'one place' : `${differences.length} places`}: told below the lists. The job’s own rows are used.`}
        </p>
        <Link className="word p-0!" to={`/job/${job.id}/cutting`}>
          lay out a list of your own on these boards or bars
        </Link>
        <MoneySign />
        <div className="max-w-[340px]">
          <UnitsOneByOne />
        </div>
        <StockRows />
        <h2 className="mt-6">From a list</h2>
        <p className="text-soft">
          Comma-separated text, the first line naming the columns: name, thickness, length, width, price; list
          says tubes, skins or another, boards where it is left out.
        </p>
        <FileButton
          label="Stock list"
          text="Read stock (CSV)"
          accept=".csv,text/csv"
          reading={null}
          wrong={null}
          onFile={(file) => void readList(file)}
          onCancel={() => {}}
        />
        {read && (
          <div role="status">
            <p>
              {read.good === 0
                ? 'Nothing was taken.'
                : `${read.good} ${read.good === 1 ? 'row' : 'rows'} taken.`}
            </p>
            {read.problems.length > 0 && (
              <ul className="text-oxide">
                {read.problems.map((p) => (
                  <li key={p}>{p}</li>
                ))}
              </ul>
            )}
          </div>
        )}
        {differences.length > 0 && (
          <section aria-label="Differences from the shelf" className="caution">
            <strong>This job differs from your shelf; the job’s rows are used.</strong>
            <ul>
              {differences.slice(0, 12).map((d) => (
                <li key={`${d.rowId}${d.field}`}>
                  {d.name}
                  {d.shelf === null
                    ? ': only in this job'
                    : `, ${d.field}: ${d.job}, on the shelf ${d.shelf}`}
                </li>
              ))}
              {differences.length > 12 && <li>and {differences.length - 12} more</li>}
            </ul>
          </section>
        )}
        <div className="mt-6 flex items-center gap-3">
          <button type="button" className="act" onClick={() => void keep()}>
            Keep this stock for new jobs
          </button>
          <span role="status">{kept}</span>
        </div>
      </div>
    </main>
  )
}
