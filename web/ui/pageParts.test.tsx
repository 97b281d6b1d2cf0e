import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyJob, newSlab, startingSettings } from '../../core/job/index.ts'
import { startingStock } from '../../core/stock/index.ts'
import { shopUnits, US_UNITS } from '../../core/units/index.ts'
import { jobChanged, jobOpened } from '../state/jobSlice.ts'
import { store } from '../state/store.ts'
import { placeTaken } from '../state/viewSlice.ts'
import { BackLink } from './BackLink.tsx'
import { FaultBoundary } from './FaultBoundary.tsx'
import { FieldComplaint } from './FieldComplaint.tsx'
import { PageTop } from './PageTop.tsx'
import { type FieldKind, QuantityField } from './Quantity.tsx'
import { UnitChoice, UnitsOneByOne } from './UnitChoice.tsx'

const stock = startingStock()
const job = {
  ...emptyJob('j', 'Kestrel', stock),
  pieces: [
    newSlab(
      {
        id: 'top',
        name: 'Top',
        length: 900,
        width: 500,
        thickness: 45,
        start: '2026-05-30T09:00',
        zone: 'UTC',
      },
      stock,
    ),
  ],
}
beforeEach(() => {
  store.dispatch(
    jobOpened({ id: job.id, name: job.name, job, past: [], future: [], revision: 1, savedAt: 0 }),
  )
})
afterEach(cleanup)
const shown = (part: ReactNode) =>
  render(
    <Provider store={store}>
      <MemoryRouter>{part}</MemoryRouter>
    </Provider>,
  )

describe('the way back', () => {
  it('goes to the piece and station one came from, to the job where there is none', () => {
    store.dispatch(placeTaken({ pieceId: 'gone', station: 'mix' }))
    shown(<BackLink />)
    expect(screen.getByRole('link').getAttribute('href')).toBe('/job/j')
    expect(screen.getByRole('link').textContent).toBe('back to Kestrel')
    cleanup()
    store.dispatch(placeTaken({ pieceId: 'top', station: 'mix' }))
    shown(<BackLink />)
    expect(screen.getByRole('link').getAttribute('href')).toBe('/job/j/top/mix')
    expect(screen.getByRole('link').textContent).toBe('back to Top')
  })
  it('stands beside what was last done, with undo', () => {
    shown(<PageTop />)
    expect(screen.queryByRole('button', { name: 'undo' })).toBeNull()
    cleanup()
    store.dispatch(
      jobChanged({
        label: 'four people',
        changes: [{ type: 'settingsChanged', patch: { people: 4 } }],
      }),
    )
    shown(<PageTop />)
    expect(screen.getByRole('status').textContent).toContain('four people')
    fireEvent.click(screen.getByRole('button', { name: 'undo' }))
    expect(store.getState().job.job!.settings.people).toBe(job.settings.people)
  })
})

it('units are chosen for the whole job', () => {
  shown(<UnitChoice />)
  const radio = (name: RegExp) => screen.getByRole('radio', { name })
  const now = () => store.getState().job.job!
  expect([radio(/^metric/), radio(/^US/)].map((r) => r.getAttribute('aria-checked'))).toEqual([
    'true',
    'false',
  ])
  const { stock } = now()
  fireEvent.click(radio(/^US/))
  expect([now().settings.units, now().settings.others]).toEqual(['inch', US_UNITS])
  // A job with pieces, or with rows of its own, keeps its stock.
  expect(now().stock).toEqual(stock)
})

it('a new job without pieces takes the stock that is sold in its units, and gives it back', () => {
  const empty = { ...emptyJob('new', 'New', startingStock()), runs: [] }
  store.dispatch(
    jobOpened({ id: 'new', name: 'New', job: empty, past: [], future: [], revision: 0, savedAt: 0 }),
  )
  shown(<UnitChoice />)
  const boards = () => store.getState().job.job!.stock.boards.map((b) => b.name)
  fireEvent.click(screen.getByRole('radio', { name: /^US/ }))
  expect(boards()[0]).toBe('3/4 in melamine')
  fireEvent.click(screen.getByRole('radio', { name: /^metric/ }))
  expect(boards()).toEqual(startingStock().boards.map((b) => b.name))
})

it('each unit by itself', () => {
  shown(<UnitsOneByOne />)
  fireEvent.click(screen.getByRole('button', { name: /Units one by one/ }))
  for (const name of ['lb, oz', 'ft³, gal, qt', '°F', 'psi, psf', 'inches'])
    fireEvent.click(screen.getByRole('radio', { name }))
  fireEvent.click(screen.getByRole('radio', { name: '1/32"' }))
  const { units, others, inchDenominator } = store.getState().job.job!.settings
  expect([units, others, inchDenominator]).toEqual(['inch', US_UNITS, 32])
  fireEvent.click(screen.getByRole('radio', { name: 'kg' }))
  expect(store.getState().job.job!.settings.others).toEqual({ ...US_UNITS, mass: 'kg' })
})

describe('a field for a weight, a volume or a temperature', () => {
  const field = (of: FieldKind, value: number | null, us: boolean) => {
    store.dispatch(
      jobOpened({
        id: 'f',
        name: 'F',
        job: {
          ...emptyJob('f', 'F', startingStock()),
          settings: { ...startingSettings(), ...shopUnits(us ? 'inch' : 'mm') },
        },
        past: [],
        future: [],
        revision: 0,
        savedAt: 0,
      }),
    )
    const got: (number | null)[] = []
    shown(<QuantityField label="It" of={of} value={value} min={0} onCommit={(n) => got.push(n)} />)
    const input = screen.getByRole<HTMLInputElement>('textbox', { name: 'It' })
    return {
      input,
      got,
      type: (text: string) => {
        fireEvent.change(input, { target: { value: text } })
        fireEvent.keyDown(input, { key: 'Enter' })
      },
    }
  }
  it.each<[FieldKind, number, boolean, string, string, number]>([
    ['mass', 25, false, '25', '2 x 80 lb', 72.5748],
    ['mass', 25, true, '55.116', '60', 27.2155],
    ['mass', 25, true, '55.116', '12 kg', 12],
    ['liquid', 3, true, '3.17', '1 gal - 1 pt', 3.3122],
    ['volume', 17, true, '0.6', '0.45', 12.7426],
    ['small', 300, true, '10.144', '10.1', 298.69],
    ['small', 300, false, '300', '310', 310],
    ['temperature', 20, true, '68', '77', 25],
    ['temperature', 20, true, '68', '25 C', 25],
    ['temperature', 20, false, '20', '50 °F', 10],
    ['speed', 16.09344, true, '10', '20', 32.1869],
    ['density', 2350, true, '146.71', '150', 2402.8],
    ['stress', 24, true, '3481', '4000', 27.579],
    ['area', 9, true, '96.88', '100', 9.2903],
  ])('%s %d, US %s: shows %s, takes %s as %d', (of, value, us, shows, typed, is) => {
    const { input, got, type } = field(of, value, us)
    expect(input.value).toBe(shows)
    type(typed)
    expect(got.at(-1)! / is).toBeCloseTo(1, 3)
  })
  it.each<[FieldKind, string, RegExp]>([
    ['mass', '12 mm', /not/],
    ['mass', '3 lb * 2 lb', /a mass times a mass/],
    ['temperature', 'warm', /not a temperature/],
    ['density', 'heavy', /not a number/],
    ['mass', '-3 lb', /At least 0/],
  ])('%s refuses %s in words, and holds what it had', (of, typed, why) => {
    const { got, type } = field(of, 1, true)
    type(typed)
    expect(screen.getByRole('alert').textContent).toMatch(why)
    expect(got).toEqual([])
  })
  it('steps by one of the shop’s unit', () => {
    const { input, got } = field('mass', 10 * 0.45359237, true)
    fireEvent.keyDown(input, { key: 'ArrowUp' })
    expect(got.at(-1)).toBeCloseTo(11 * 0.45359237, 3)
  })
})

describe('why what was typed is not taken', () => {
  it('is told over the labels below; left alone, the field says that it was not taken', () => {
    shown(<FieldComplaint id="why" text="At least 5." />)
    expect(screen.getByRole('alert').id).toBe('why')
    expect(screen.getByText('not taken').getAttribute('aria-hidden')).toBe('true')
  })
  it('stays in sight where it was typed elsewhere', () => {
    shown(<FieldComplaint stays text="At most 60." />)
    expect(screen.getByRole('alert').className).toContain('complaint-stays')
    expect(screen.queryByText('not taken')).toBeNull()
  })
})

let broken = false
function Part() {
  if (broken) throw new Error('no such edge')
  return <p>all well</p>
}
describe('a fault of ours', () => {
  beforeEach(() => {
    vi.spyOn(console, 'error').mockImplementation(() => {})
  })
  afterEach(() => {
    vi.restoreAllMocks()
  })
  it('stays in its part of the page, can be tried again, and is forgotten when another piece is shown', () => {
    broken = true
    const page = (of: string) => (
      <Provider store={store}>
        <FaultBoundary what="The stage" of={of}>
          <Part />
        </FaultBoundary>
      </Provider>
    )
    const { rerender } = render(page('top'))
    expect(screen.getByRole('alert').textContent).toMatch(/The stage could not be shown.*no such edge/)
    expect(screen.getByRole('button', { name: 'Save the job as a file' })).toBeTruthy()
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }))
    expect(screen.getByRole('alert')).toBeTruthy()
    broken = false
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }))
    expect(screen.getByText('all well')).toBeTruthy()
    broken = true
    rerender(page('top'))
    expect(screen.getByRole('alert')).toBeTruthy()
    broken = false
    rerender(page('sill'))
    expect(screen.getByText('all well')).toBeTruthy()
  })
})
