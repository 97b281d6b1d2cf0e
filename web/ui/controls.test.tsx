import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { chooseFrom, chosenIn } from '../testing/lists.ts'
import { noResizes } from '../testing/noResizes.ts'
import { Asked } from './Asked.tsx'
import { Box } from './Box.tsx'
import { Fold } from './Fold.tsx'
import { Hint } from './Hint.tsx'
import { Select } from './Select.tsx'
import { type Column, Table } from './Table.tsx'
import { Turns } from './Turns.tsx'

beforeAll(noResizes)
afterEach(cleanup)

describe('a list', () => {
  const options = [
    { id: '', name: 'none' },
    { id: 'a', name: 'first' },
    { id: 'b', name: 'second' },
  ]
  it.each([
    ['a', 'first'],
    ['', 'none'],
    ['gone', 'not in stock'],
  ])('shows %j as “%s”', (value, shown) => {
    render(<Select label="Board" value={value} options={options} onChoose={() => {}} />)
    expect(chosenIn(screen.getByRole('combobox', { name: 'Board' }))).toBe(shown)
  })
  it.each([
    ['second', 'b'],
    ['none', ''],
  ])('gives the id of “%s”, an empty one too', (name, id) => {
    const chosen = vi.fn()
    render(<Select label="Board" value="a" options={options} onChoose={chosen} />)
    chooseFrom(screen.getByRole('combobox', { name: 'Board' }), name)
    expect(chosen).toHaveBeenCalledExactlyOnceWith(id)
  })
  it('is left as it was by Escape', () => {
    const chosen = vi.fn()
    render(<Select label="Board" value="a" options={options} onChoose={chosen} />)
    fireEvent.keyDown(screen.getByRole('combobox'), { key: 'Enter' })
    fireEvent.keyDown(screen.getByRole('listbox'), { key: 'Escape' })
    expect([screen.queryByRole('listbox'), chosen.mock.calls]).toEqual([null, []])
  })
})

describe('what is folded away', () => {
  const isShown = () =>
    screen.queryByText('inside') !== null && screen.getByText('inside').closest('[hidden]') === null
  it.each([true, false])('opens and closes by its title; late: %s', (late) => {
    render(
      <Fold title="More" late={late}>
        inside
      </Fold>,
    )
    // What is late is not even made.
    expect([isShown(), screen.queryByText('inside') === null]).toEqual([false, late])
    const title = screen.getByRole('button', { name: 'More' })
    for (const open of [true, false]) {
      fireEvent.click(title)
      expect([isShown(), title.getAttribute('aria-expanded')]).toEqual([open, String(open)])
    }
  })
  it('opens when it is asked to from outside, and may be closed again', () => {
    const { rerender } = render(<Fold title="More">inside</Fold>)
    rerender(
      <Fold title="More" open heading>
        inside
      </Fold>,
    )
    expect(isShown()).toBe(true)
    expect(screen.getByRole('heading', { name: 'More' })).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'More' }))
    expect(isShown()).toBe(false)
  })
})

it.each([true, false])('a box that is %s turns to the other', (on) => {
  const ticked = vi.fn()
  render(
    <>
      <Box id="own" on={on} onTick={ticked} />
      <label htmlFor="own">wax</label>
    </>,
  )
  const box = screen.getByRole('checkbox', { name: 'wax' })
  expect(box.getAttribute('aria-checked')).toBe(String(on))
  fireEvent.click(screen.getByText('wax'))
  expect(ticked).toHaveBeenCalledExactlyOnceWith(!on)
})

it('turns are pressed one at a time, and the one that is on stays on', () => {
  const turned = vi.fn()
  render(
    <Turns
      label="Attitude"
      value="poured"
      ways={[
        { value: 'poured', name: 'as poured' },
        { value: 'placed', name: 'as placed' },
      ]}
      onTurn={turned}
      className="row"
      item={(on) => (on ? 'on' : 'off')}
    />,
  )
  const [poured, placed] = screen.getAllByRole('radio')
  expect([poured!.className, placed!.className]).toEqual(['on', 'off'])
  fireEvent.click(poured!)
  expect(turned).not.toHaveBeenCalled()
  fireEvent.click(placed!)
  expect(turned).toHaveBeenCalledExactlyOnceWith('placed')
})

describe('what is hard to take back', () => {
  const asked = () => {
    const done = vi.fn()
    render(
      <Asked name="Delete Hill" word="delete" act="Delete the job" keep="Keep it" onAct={done}>
        All of it goes.
      </Asked>,
    )
    fireEvent.click(screen.getByRole('button', { name: 'Delete Hill' }))
    return done
  }
  it.each([
    ['Keep it', 0],
    ['Delete the job', 1],
  ])('is done after “%s” %d times', (answer, times) => {
    const done = asked()
    const dialog = screen.getByRole('alertdialog', { name: 'Delete Hill' })
    expect(dialog.textContent).toContain('All of it goes.')
    fireEvent.click(within(dialog).getByRole('button', { name: answer }))
    expect([done.mock.calls.length, screen.queryByRole('alertdialog')]).toEqual([times, null])
  })
  it('is not done by Escape', () => {
    const done = asked()
    fireEvent.keyDown(screen.getByRole('alertdialog'), { key: 'Escape' })
    expect([done.mock.calls.length, screen.queryByRole('alertdialog')]).toEqual([0, null])
  })
})

it('a hint leaves its control as it is, with a text and without', async () => {
  const pressed = vi.fn()
  const { rerender } = render(
    <Hint text={undefined}>
      <button type="button" onClick={pressed}>
        undo
      </button>
    </Hint>,
  )
  fireEvent.click(screen.getByRole('button', { name: 'undo' }))
  rerender(
    <Hint text="thickness 60">
      <button type="button" onClick={pressed}>
        undo
      </button>
    </Hint>,
  )
  fireEvent.click(await screen.findByRole('button', { name: 'undo' }))
  expect(pressed).toHaveBeenCalledTimes(2)
})

describe('a table', () => {
  type Part = { readonly letter: string; readonly mm: number }
  const columns: readonly Column<Part>[] = [
    { id: 'letter', head: 'Letter', cell: (p) => p.letter },
    { id: 'mm', head: 'Length', figures: true, cell: (p) => `${p.mm} mm`, sortBy: (p) => p.mm },
  ]
  const rows: readonly Part[] = [
    { letter: 'A', mm: 900 },
    { letter: 'B', mm: 1200 },
    { letter: 'C', mm: 80 },
  ]
  const letters = () =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((r) => r.firstElementChild!.textContent)
      .join('')
  beforeEach(() => {
    render(<Table label="Parts" columns={columns} rows={rows} keyOf={(p) => p.letter} />)
  })
  it('is in the order it came in, then up, then down, then as it came', () => {
    const head = screen.getByRole('button', { name: 'Length' })
    const seen = [letters()]
    for (let i = 0; i < 3; i += 1) {
      fireEvent.click(head)
      seen.push(`${letters()} ${head.closest('th')!.getAttribute('aria-sort')}`)
    }
    // By size, not as text: 80 is less than 900.
    expect(seen).toEqual(['ABC', 'CAB ascending', 'BAC descending', 'ABC null'])
  })
  it('has no button over a column that keeps its order', () => {
    expect(screen.queryByRole('button', { name: 'Letter' })).toBeNull()
    expect(screen.getByRole('columnheader', { name: 'Letter' })).toBeTruthy()
  })
})

it('a long table draws only what is seen, and says how many rows there are', () => {
  const rows = Array.from({ length: 500 }, (_, i) => ({ id: String(i) }))
  const columns: readonly Column<{ id: string }>[] = [{ id: 'id', head: 'Row', cell: (r) => r.id }]
  render(
    <div className="bench">
      <Table label="Many" columns={columns} rows={rows} keyOf={(r) => r.id} />
    </div>,
  )
  const table = screen.getByRole('table', { name: 'Many' })
  expect(table.getAttribute('aria-rowcount')).toBe('501')
  expect(within(table).getAllByRole('row').length).toBeLessThan(80)
})

function Held() {
  const [value, setValue] = useState('a')
  return (
    <Select
      label="Board"
      value={value}
      options={[
        { id: 'a', name: 'first' },
        { id: 'b', name: 'second' },
      ]}
      onChoose={setValue}
    />
  )
}
it('keeps what was chosen where the value is held outside', () => {
  render(<Held />)
  const list = screen.getByRole('combobox', { name: 'Board' })
  chooseFrom(list, 'second')
  expect(chosenIn(list)).toBe('second')
})
