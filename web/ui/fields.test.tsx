// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { act, useState } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyJob } from '../../core/job/index.ts'
import { testStock } from '../../core/testing/testPiece.ts'
import { jobChanged, jobOpened } from '../state/jobSlice.ts'
import { store } from '../state/store.ts'
import { chooseFrom, chosenIn } from '../testing/lists.ts'
import { noResizes } from '../testing/noResizes.ts'
import { Caution, Choice, More, Pick, Row } from './Choice.tsx'
import { FileButton } from './FileButton.tsx'
import { MeasureField } from './MeasureField.tsx'
import { Measures } from './Measures.tsx'
import { NumberField } from './NumberField.tsx'
import { Switch } from './Switch.tsx'
import { Told } from './Told.tsx'

const open = (units: 'mm' | 'inch' = 'mm') => {
  const job = emptyJob('j', 'Job', testStock)
  store.dispatch(
    jobOpened({
      id: 'j',
      name: 'Job',
      job: { ...job, settings: { ...job.settings, units } },
      past: [],
      future: [],
      revision: 0,
      savedAt: 0,
    }),
  )
}
beforeEach(() => {
  open()
  noResizes()
})
afterEach(cleanup)

const field = () => screen.getByRole<HTMLInputElement>('textbox')
const write = (text: string) => fireEvent.change(field(), { target: { value: text } })
const key = (name: string, shift = false) => fireEvent.keyDown(field(), { key: name, shiftKey: shift })
const wrong = () => screen.queryByRole('alert')?.textContent ?? null

/** A field that keeps what it commits, as its page does. */
function Kept({ start, ...rest }: { start: number; min?: number; max?: number; allowNegative?: boolean }) {
  const [value, setValue] = useState(start)
  return (
    <Provider store={store}>
      <MeasureField label="Length" value={value} onCommit={setValue} {...rest} />
      <output>{value}</output>
    </Provider>
  )
}
const committed = () => Number(screen.getByRole('status').textContent)

describe('a field for a measure', () => {
  it.each<[typed: string, mm: number, units: 'mm' | 'inch']>([
    ['1200', 1200, 'mm'],
    ['1200 - 2*18', 1164, 'mm'],
    ['3/4"', 19.05, 'mm'],
    ['1 3/4', 44.45, 'inch'],
    ["4'", 1219.2, 'inch'],
    ['50 mm', 50, 'inch'],
    ['2 * 10 1/2', 533.4, 'inch'],
  ])('takes %s as %s mm where the job is in %s-%s', (typed, mm, units) => {
    open(units)
    render(<Kept start={100} />)
    write(typed)
    key('Enter')
    expect([wrong(), committed()]).toEqual([null, expect.closeTo(mm, 4)])
  })
  it.each([
    ['abc', /not understood/],
    ['12 kg', /not a unit of length/],
    ['1,5', /decimals with a point/],
    ['10 - 20', /less than zero/],
    ['4', /At least 5/],
    ['5000', /At most 2000/],
  ])('says why %s is wrong, where it stands, and changes nothing', (typed, why) => {
    render(<Kept start={100} min={5} max={2000} />)
    write(typed)
    for (const leave of [() => key('Enter'), () => fireEvent.blur(field())]) {
      leave()
      expect([wrong(), committed()]).toEqual([expect.stringMatching(why), 100])
      expect(field().getAttribute('aria-invalid')).toBe('true')
      expect(document.getElementById(field().getAttribute('aria-describedby')!)?.textContent).toMatch(why)
    }
    key('Escape')
    expect([wrong(), field().value]).toEqual([null, '100'])
  })
  it('shows what it understood of a sum before it is left, and commits when it is', () => {
    render(<Kept start={100} />)
    write('38+2')
    expect(document.body.textContent).toContain('= 40 mm')
    expect(committed()).toBe(100)
    fireEvent.blur(field())
    expect([committed(), field().value]).toEqual([40, '40'])
    expect(document.body.textContent).not.toContain('=')
  })
  it.each<[string, boolean, number, 'mm' | 'inch']>([
    ['ArrowUp', false, 101, 'mm'],
    ['ArrowDown', true, 90, 'mm'],
    ['ArrowUp', false, 100 + 25.4 / 16, 'inch'],
    ['ArrowUp', true, 100 + (25.4 / 16) * 10, 'inch'],
  ])('steps by %s, with Shift %s, to %s', (name, shift, mm, units) => {
    open(units)
    render(<Kept start={100} />)
    key(name, shift)
    expect(committed()).toBeCloseTo(mm, 3)
  })
  it('steps no further than its bounds', () => {
    render(<Kept start={6} min={5} max={7} />)
    key('ArrowDown', true)
    expect(committed()).toBe(5)
    key('ArrowUp', true)
    expect(committed()).toBe(7)
  })
  it('takes less than zero only where that has a meaning', () => {
    render(<Kept start={0} allowNegative />)
    write('-12')
    key('Enter')
    expect(committed()).toBe(-12)
  })
})

function KeptNumber(rest: {
  min?: number
  max?: number
  whole?: boolean
  optional?: boolean
  step?: number
}) {
  const [value, setValue] = useState<number | null>(3)
  return (
    <>
      <NumberField label="Count" value={value} onCommit={setValue} unit="bags" {...rest} />
      <output>{String(value)}</output>
    </>
  )
}
const number = () => screen.getByRole('status').textContent

describe('a field for a number', () => {
  it.each<[string, object, string | RegExp, string]>([
    ['4.5', {}, '', '4.5'],
    [' 7 ', {}, '', '7'],
    ['4.5', { whole: true }, /whole number/, '3'],
    ['x', {}, /not a number/, '3'],
    ['1e999', {}, /not a number/, '3'],
    ['', {}, /number is needed/, '3'],
    ['', { optional: true }, '', 'null'],
    ['0', { min: 1 }, /At least 1/, '3'],
    ['21', { max: 20 }, /At most 20/, '3'],
  ])('takes “%s” with %o: %s, and holds %s', (typed, rules, why, held) => {
    render(<KeptNumber {...rules} />)
    write(typed)
    key('Enter')
    if (why === '') expect(wrong()).toBeNull()
    else expect(wrong()).toMatch(why)
    expect(number()).toBe(held)
  })
  it('steps within its bounds, and gives its last value back', () => {
    render(<KeptNumber min={2} max={4} step={2} />)
    key('ArrowUp')
    expect(number()).toBe('3')
    write('9')
    key('Escape')
    expect([field().value, number()]).toEqual(['3', '3'])
    cleanup()
    render(<KeptNumber step={0.1} />)
    key('ArrowUp')
    key('ArrowUp')
    expect(number()).toBe('3.2')
  })
})

describe('choices', () => {
  it('are radios with what follows from them, by press', () => {
    const chosen = vi.fn()
    render(
      <Choice
        label="Corners"
        value="wrap"
        options={[
          { value: 'wrap', name: 'wrap', note: 'round the base' },
          { value: 'stand', name: 'stand', note: 'on the base' },
        ]}
        onChoose={chosen}
      />,
    )
    const radios = screen.getAllByRole('radio')
    expect(radios.map((r) => r.getAttribute('aria-checked'))).toEqual(['true', 'false'])
    expect(screen.getByRole('radiogroup', { name: 'Corners' })).toBeTruthy()
    fireEvent.click(radios[1]!)
    expect(chosen).toHaveBeenCalledExactlyOnceWith('stand')
  })
  it('from a list say when the one that is chosen is not there any more', () => {
    const chosen = vi.fn()
    const rows = [{ id: 'a', name: 'first board' }]
    render(<Pick label="Board" value="gone" options={rows} onChoose={chosen} />)
    const list = screen.getByRole('combobox', { name: 'Board' })
    expect(chosenIn(list)).toBe('not in stock')
    chooseFrom(list, 'first board')
    expect(chosen).toHaveBeenCalledExactlyOnceWith('a')
  })
  it('on and off, by their words too', () => {
    const switched = vi.fn()
    render(<Switch label="Turn parts" on={false} onSwitch={switched} />)
    fireEvent.click(screen.getByText('Turn parts'))
    expect(switched).toHaveBeenCalledExactlyOnceWith(true)
  })
})

describe('rows of measures', () => {
  it('each commit their own key, said with its measure', () => {
    const changed = vi.fn()
    render(
      <Provider store={store}>
        <Measures
          of={{ length: 100, lean: 0 }}
          rows={[
            { key: 'length', label: 'Length', note: 'along', min: 1 },
            { key: 'lean', label: 'Lean', signed: true },
          ]}
          onChange={changed}
        />
      </Provider>,
    )
    const type = (name: RegExp, text: string) => {
      const input = screen.getByRole('textbox', { name })
      fireEvent.change(input, { target: { value: text } })
      fireEvent.keyDown(input, { key: 'Enter' })
    }
    type(/^Length/, '0.5')
    expect(changed).not.toHaveBeenCalled()
    type(/^Length/, '120')
    type(/^Lean/, '-3')
    expect(changed.mock.calls).toEqual([
      [{ length: 120 }, 'length 120'],
      [{ lean: -3 }, 'lean -3'],
    ])
  })
})

describe('a file', () => {
  const shown = (over: Partial<Parameters<typeof FileButton>[0]> = {}) => {
    const on = { file: vi.fn(), cancel: vi.fn() }
    render(
      <FileButton
        label="A mesh"
        text="Read a mesh"
        accept=".stl"
        reading={null}
        wrong={null}
        onFile={on.file}
        onCancel={on.cancel}
        {...over}
      />,
    )
    return on
  }
  it('is handed over, and the same one can be given again', () => {
    const { file } = shown()
    const input = screen.getByLabelText<HTMLInputElement>('A mesh')
    const star = new File(['x'], 'star.stl')
    for (let i = 0; i < 2; i += 1) fireEvent.change(input, { target: { files: [star] } })
    expect(file.mock.calls).toEqual([[star], [star]])
    fireEvent.change(input, { target: { files: [] } })
    expect(file).toHaveBeenCalledTimes(2)
  })
  it('that is being read can be given up; one that was refused says why', () => {
    const { cancel } = shown({ reading: 'star.stl', wrong: 'It was cut short.' })
    expect(screen.getByRole('status').textContent).toContain('Reading star.stl')
    expect(screen.getByRole('alert').textContent).toBe('It was cut short.')
    fireEvent.click(screen.getByRole('button', { name: 'cancel' }))
    expect(cancel).toHaveBeenCalledOnce()
  })
})

describe('what was done', () => {
  it('is told for a while with undo beside it, and undo is told without', () => {
    vi.useFakeTimers()
    const { container } = render(
      <Provider store={store}>
        <MemoryRouter>
          <Told />
        </MemoryRouter>
      </Provider>,
    )
    const said = () => container.textContent
    const rename = (name: string) =>
      act(() =>
        store.dispatch(jobChanged({ label: `name ${name}`, changes: [{ type: 'jobRenamed', name }] })),
      )
    expect(said()).toBe('')
    rename('One')
    expect(said()).toBe('name Oneundo')
    act(() => vi.advanceTimersByTime(4000))
    rename('Two')
    act(() => vi.advanceTimersByTime(4000))
    // Each step is told for its own six seconds.
    expect(said()).toBe('name Twoundo')
    fireEvent.click(screen.getByRole('button', { name: 'undo' }))
    expect([said(), store.getState().job.job!.name]).toEqual(['undone: name Two; One again', 'One'])
    act(() => vi.advanceTimersByTime(6001))
    expect(said()).toBe('')
    vi.useRealTimers()
  })
})

it('shows figures, cautions and what is folded away as they are given', () => {
  const { container } = render(
    <>
      <Row label="Weight" unit="kg">
        12.5
      </Row>
      <Caution>Wax and solvents: fresh air.</Caution>
      <More title="Router">
        <p>passes</p>
      </More>
    </>,
  )
  expect(container.textContent).toBe('Weight12.5kgMind: Wax and solvents: fresh air.Routerpasses')
  const folded = () => screen.getByText('passes').closest('[hidden]') !== null
  expect(folded()).toBe(true)
  fireEvent.click(screen.getByRole('button', { name: 'Router' }))
  expect(folded()).toBe(false)
})
