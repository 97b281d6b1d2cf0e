import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import { Provider } from 'react-redux'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import { emptyJob } from '../../core/job/index.ts'
import { ROW_SCHEMAS, type StockList, startingStock } from '../../core/stock/index.ts'
import { jobOpened } from '../state/jobSlice.ts'
import { store, useAppSelector } from '../state/store.ts'
import { chooseFrom } from '../testing/lists.ts'
import { noResizes } from '../testing/noResizes.ts'
import { RowForm } from './RowForm.tsx'
import { LISTS } from './stockLists.ts'

beforeAll(noResizes)
afterEach(cleanup)

const stock = startingStock()
function Rows({ list }: { list: StockList }) {
  const rows = useAppSelector((s) => s.job.job!.stock[list])
  const { one, fields } = LISTS.find((l) => l.list === list)!
  return rows
    .slice(0, 1)
    .map((row) => <RowForm key={row.id} list={list} row={row} one={one} fields={fields} />)
}
function shown(list: StockList) {
  const job = emptyJob('j', 'Job', stock)
  store.dispatch(
    jobOpened({ id: job.id, name: job.name, job, past: [], future: [], revision: 1, savedAt: 0 }),
  )
  render(
    <Provider store={store}>
      <Rows list={list} />
    </Provider>,
  )
  const row = () => store.getState().job.job!.stock[list][0] as Record<string, unknown>
  const type = (field: string, text: string) => {
    const input = screen.getByRole('textbox', { name: field })
    fireEvent.change(input, { target: { value: text } })
    fireEvent.keyDown(input, { key: 'Enter' })
  }
  return { row, type }
}

describe('a row of stock', () => {
  it('every list has a form, and every field of it stands in the row', () => {
    expect(LISTS.map((l) => l.list).sort()).toEqual(Object.keys(ROW_SCHEMAS).sort())
    for (const { list, fields } of LISTS)
      for (const { key } of fields) {
        const value = key
          .split('.')
          .reduce<unknown>((of, k) => (of as Record<string, unknown>)?.[k], stock[list][0])
        expect([list, key, value !== undefined]).toEqual([list, key, true])
      }
  })
  it.each<[StockList, string, string, string, unknown]>([
    ['boards', 'True thickness', '17.6', 'thickness', 17.6],
    ['boards', 'Price of a sheet', '', 'price', null],
    ['mixers', 'Holds', '30', 'litres', 30],
    ['agents', 'Coats', '3', 'coats', 3],
    ['sealants', 'Wasted', '20', 'wastePercent', 20],
    ['meshes', 'Wires apart', '4"', 'spacing', 101.6],
  ])('%s: %s %j is kept', async (list, field, text, key, value) => {
    const { row, type } = shown(list)
    type(field, text)
    await waitFor(() => expect(row()[key]).toEqual(value))
  })
  it.each<[StockList, string, string, RegExp]>([
    ['boards', 'Sheet length', '0', /more than 0/],
    ['mixes', 'Usual water', '9', /less than for a usual mix/],
    ['mixes', 'Has set, at 20 °C', '1', /before it begins to set/],
    ['mixes', 'Strength at 28 days, most water', '80', /more than with the usual water/],
  ])('%s: %s %j is refused in words and changes nothing', async (list, field, text, why) => {
    const { row, type } = shown(list)
    const before = row()
    type(field, text)
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(why))
    expect(row()).toBe(before)
  })
  it('a bag that is larger takes more water and yields more, in proportion', async () => {
    const { row, type } = shown('mixes')
    const before = stock.mixes[0]!
    type('Bag', String(before.bagKg * 2))
    await waitFor(() => expect(row().bagKg).toBe(before.bagKg * 2))
    const { stiff, medium, limit } = before.waterLitres
    expect(row().waterLitres).toEqual({ stiff: stiff * 2, medium: medium * 2, limit: limit * 2 })
    expect(row().yieldLitres).toBeCloseTo(before.yieldLitres * 2, 3)
  })
  it('takes a choice from its list, a name, a box, and goes', async () => {
    const { row } = shown('boards')
    chooseFrom(screen.getByRole('combobox', { name: 'Material' }), 'MDF')
    await waitFor(() => expect(row().material).toBe('mdf'))
    fireEvent.click(screen.getByRole('checkbox', { name: 'Parts keep the grain' }))
    await waitFor(() => expect(row().grain).toBe(true))
    const name = screen.getByRole('textbox', { name: 'Name of the board' })
    fireEvent.change(name, { target: { value: 'from the yard' } })
    fireEvent.blur(name)
    await waitFor(() => expect(row().name).toBe('from the yard'))
    const count = store.getState().job.job!.stock.boards.length
    const section = screen.getByRole('region', { name: 'from the yard' })
    fireEvent.click(within(section).getByRole('button', { name: /^remove/ }))
    expect(store.getState().job.job!.stock.boards.length).toBe(count - 1)
  })
})
