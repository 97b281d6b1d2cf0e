import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyJob, newSlab } from '../../core/job/index.ts'
import { startingStock } from '../../core/stock/index.ts'
import { jobChanged, jobOpened } from '../state/jobSlice.ts'
import { store } from '../state/store.ts'
import { placeTaken } from '../state/viewSlice.ts'
import { BackLink } from './BackLink.tsx'
import { FaultBoundary } from './FaultBoundary.tsx'
import { FieldComplaint } from './FieldComplaint.tsx'
import { PageTop } from './PageTop.tsx'
import { UnitChoice } from './UnitChoice.tsx'

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
  const radio = (name: string) => screen.getByRole('radio', { name })
  expect([radio('millimetres'), radio('inches')].map((r) => r.getAttribute('aria-checked'))).toEqual([
    'true',
    'false',
  ])
  fireEvent.click(radio('inches'))
  expect(store.getState().job.job!.settings.units).toBe('inch')
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
