import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { type Board, compareStock, type Mix, type Stock } from '../../core/stock/index.ts'
import { newId } from '../state/files.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import { loadShelf, saveShelf } from '../storage/jobStore.ts'
import { FileButton } from '../ui/FileButton.tsx'
import { MeasureField } from '../ui/MeasureField.tsx'
import { NumberField } from '../ui/NumberField.tsx'
import { NameField } from './NameField.tsx'
import { Offcuts } from './Offcuts.tsx'
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
  const board = (row: Board, patch: Partial<Board>) =>
    change(`${row.name}`, { type: 'stockRowKept', list: 'boards', row: { ...row, ...patch } })
  const mix = (row: Mix, patch: Partial<Mix>) =>
    change(`${row.name}`, { type: 'stockRowKept', list: 'mixes', row: { ...row, ...patch } })
  const addBoard = () => {
    const like = job.stock.boards[0]
    change('add a board', {
      type: 'stockRowKept',
      list: 'boards',
      row: {
        id: newId('board'),
        name: 'my board',
        material: 'melamine',
        thickness: 18,
        length: 2440,
        width: 1220,
        grain: false,
        densityKgPerM3: 680,
        elasticity: 2000,
        elasticityAcross: 2000,
        screwHold: 250,
        offcuts: [],
        price: null,
        source: 'typed here',
        ...(like && { material: like.material }),
      },
    })
  }
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
        <p className="label">
          <Link to={`/job/${job.id}`} className="word p-0!">
            back to {job.name}
          </Link>
        </p>
        <h1 className="mt-1">Stock of this job</h1>
        <p className="text-soft">
          The true thickness of the boards to hand, the yield on your bags, your prices: a figure on a
          supplier’s sheet beats ours.
        </p>
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
        <h2 className="mt-5">Boards</h2>
        <div className="grid grid-cols-2 gap-x-8">
          {job.stock.boards.map((b) => (
            <section key={b.id} aria-label={b.name} className="border-b py-2">
              <NameField value={b.name} label="Name of the board" onName={(name) => board(b, { name })} />
              <MeasureField
                label="True thickness"
                value={b.thickness}
                min={0.5}
                max={200}
                onCommit={(thickness) => board(b, { thickness })}
              />
              <MeasureField
                label="Sheet length"
                value={b.length}
                min={10}
                onCommit={(length) => board(b, { length })}
              />
              <MeasureField
                label="Sheet width"
                value={b.width}
                min={10}
                onCommit={(width) => board(b, { width })}
              />
              <NumberField
                label="Price of a sheet"
                value={b.price}
                optional
                min={0}
                placeholder="no price"
                onCommit={(price) => board(b, { price })}
              />
              <Offcuts rows={b.offcuts} onRows={(offcuts) => board(b, { offcuts })} />
              <label className="row">
                <span>Parts keep the grain</span>
                <input
                  type="checkbox"
                  className="size-5"
                  checked={b.grain}
                  onChange={(e) => board(b, { grain: e.target.checked })}
                />
              </label>
              <button
                type="button"
                className="word text-oxide"
                onClick={() =>
                  change(`remove ${b.name}`, { type: 'stockRowRemoved', list: 'boards', rowId: b.id })
                }
              >
                remove
              </button>
              <span className="text-[13px] text-soft">{b.source}</span>
            </section>
          ))}
        </div>
        <button type="button" className="act mt-3" onClick={addBoard}>
          Add a board
        </button>
        <h2 className="mt-6">Bagged mixes</h2>
        <div className="grid grid-cols-2 gap-x-8">
          {job.stock.mixes.map((m) => (
            <section key={m.id} aria-label={m.name} className="border-b py-2">
              <NameField value={m.name} label="Name of the mix" onName={(name) => mix(m, { name })} />
              <NumberField
                label="Bag"
                unit="kg"
                value={m.bagKg}
                min={0.1}
                onCommit={(n) => n && mix(m, { bagKg: n })}
              />
              <NumberField
                label="Yield of a bag"
                unit="L"
                value={m.yieldLitres}
                min={0.1}
                onCommit={(n) => n && mix(m, { yieldLitres: n })}
              />
              <NumberField
                label="Usual water"
                unit="L"
                value={m.waterLitres.medium}
                min={0.1}
                onCommit={(n) => n && mix(m, { waterLitres: { ...m.waterLitres, medium: n } })}
              />
              <NumberField
                label="Strength at 28 days"
                unit="MPa"
                value={m.f28.medium}
                min={1}
                onCommit={(n) => n && mix(m, { f28: { ...m.f28, medium: n } })}
              />
              <NumberField
                label="Price of a bag"
                value={m.price}
                optional
                min={0}
                placeholder="no price"
                onCommit={(price) => mix(m, { price })}
              />
              <span className="text-[13px] text-soft">{m.source}</span>
            </section>
          ))}
        </div>
        <h2 className="mt-6">What moulds are made of beside boards</h2>
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
