import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Piece } from '../../../core/job/index.ts'
import { type PiecePlan, planPiece } from '../../../core/plan.ts'
import { store } from '../../state/store.ts'
import { releaseLensTurned } from '../../state/viewSlice.ts'
import { demo, kernel, show, viewOf } from '../../testing/stillPage.tsx'
import { leanWords } from '../leanWords.ts'
import { ClosedBench } from '../mould/ShapedBenches.tsx'
import { faceLetters, letterOfPart } from './faceLetters.ts'
import { settled } from './PullDial.tsx'
import { ReleaseHero } from './ReleaseHero.tsx'
import { wayWords } from './wayWords.ts'

const pieceOf = (id: string): Piece => demo.pieces.find((p) => p.id === id)!
const planOf = (id: string, units: 'mm' | 'inch' = 'mm') => {
  const job = { ...demo, settings: { ...demo.settings, units } }
  return { job, piece: pieceOf(id), plan: planPiece(kernel, job, pieceOf(id)) }
}
const showHero = (id: string, units: 'mm' | 'inch' = 'mm') => {
  const { job, piece, plan } = planOf(id, units)
  return show(ReleaseHero, viewOf(job, piece, plan))
}
/** What other files of this worker have: they share the document. */
const { matchMedia } = globalThis
beforeEach(() => {
  globalThis.matchMedia = (() => ({
    matches: true,
    addEventListener() {},
    removeEventListener() {},
  })) as unknown as typeof matchMedia
  store.dispatch(releaseLensTurned('film'))
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  globalThis.matchMedia = matchMedia
})

describe('the film', () => {
  it('goes step by step with the arrows, and a pressed step is shown', async () => {
    await showHero('terrace-planter')
    const slider = screen.getByRole('slider', { name: 'Moment of the film' })
    const at = () => slider.getAttribute('aria-valuetext')
    expect(at()).toBe('the mould whole')
    fireEvent.keyDown(slider, { key: 'ArrowRight' })
    expect(at()).toMatch(/^step 1 of 6: side screws out/)
    fireEvent.keyDown(slider, { key: 'ArrowLeft' })
    expect(at()).toBe('the mould whole')
    fireEvent.change(slider, { target: { value: '2.5' } })
    expect(at()).toMatch(/^step 3 of 6: turn it over/)
    expect(screen.getByTestId('lens').textContent).toMatch(/Agree who calls the turn/)
    fireEvent.click(screen.getByRole('button', { name: /^Show step 5: core drawn/ }))
    expect(at()).toMatch(/^step 5 of 6: core drawn/)
    // Turned over by then: what was poured up comes out upward.
    expect(screen.getByTestId('lens').textContent).toMatch(/clear after27\d mm up/)
  })
  it('is played a step at a time where less motion is wanted, and ends', async () => {
    await showHero('chart-table')
    vi.useFakeTimers()
    fireEvent.click(screen.getByRole('button', { name: 'Play' }))
    const { act } = await import('@testing-library/react')
    act(() => {
      vi.advanceTimersByTime(1900)
    })
    expect(screen.getByRole('slider').getAttribute('aria-valuetext')).toMatch(/^step 1 of/)
    act(() => {
      vi.advanceTimersByTime(60_000)
    })
    expect(screen.getByRole('button', { name: 'Again' })).toBeTruthy()
  })
  it.each(['pier-drum', 'hour-dial', 'egg-finial', 'hatch-cover'])(
    'of %s names only what is there, in inches',
    async (id) => {
      await showHero(id, 'inch')
      const steps = within(screen.getByRole('list', { name: 'Steps' })).getAllByRole('button')
      for (const step of steps) {
        fireEvent.click(step)
        const text = screen.getByTestId('lens').textContent ?? ''
        expect(text).not.toMatch(/undefined|NaN|Infinity| mm\b/)
      }
    },
  )
})

describe('the other lenses say what their fills mean', () => {
  it.each([
    ['draft', 'runs into the cast', /\d+ rigid parts, 0 locked, \d+ with less/],
    ['faces', 'open in the pour', /A, the base/],
  ] as const)('%s', async (lens, legend, label) => {
    store.dispatch(releaseLensTurned(lens))
    await showHero('wash-top')
    expect(screen.getByTestId('lens').textContent).toContain(legend)
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(label)
  })
})

describe('while it is looked for how it comes out', () => {
  it('tells how far that is, and is stopped and begun again by hand', async () => {
    store.dispatch(releaseLensTurned('draft'))
    const { job, piece, plan } = planOf('wash-top')
    const none = { ...plan, stations: { ...plan.stations, release: null } } as PiecePlan
    const [stop, begin] = [vi.fn(), vi.fn()]
    const view = { ...viewOf(job, piece, none), stopMeasuring: stop, measure: begin }
    await show(ReleaseHero, { ...view, examining: 0.42 })
    expect(screen.getByRole('status').textContent).toContain('Looking for how it comes out: 42%')
    fireEvent.click(screen.getByRole('button', { name: 'stop' }))
    expect(stop).toHaveBeenCalledOnce()
    cleanup()
    await show(ReleaseHero, { ...view, stopped: true })
    fireEvent.click(screen.getByRole('button', { name: 'look at it' }))
    expect(begin).toHaveBeenCalledOnce()
  })
})

describe('a pull that is tried on the draft lens', () => {
  it('turned by keys it says what it would lock, and is taken for shells', async () => {
    store.dispatch(releaseLensTurned('draft'))
    await showHero('egg-finial')
    const lens = screen.getByTestId('lens')
    const dial = within(lens).getByRole('slider')
    expect(within(lens).queryByRole('button', { name: 'part it this way' })).toBeNull()
    fireEvent.keyDown(dial, { key: 'ArrowUp' })
    expect(lens.textContent).toContain('looking')
    await waitFor(() => expect(lens.textContent).toMatch(/off upright.*: (nothing|about [\d.]+ cm²) locked/))
    fireEvent.click(within(lens).getByRole('button', { name: 'part it this way' }))
    const { mould } = store.getState().job.job!.pieces.find((p) => p.id === 'egg-finial')!
    expect(mould.method === 'closed' && `${mould.pull?.leanDeg}`).toBe(dial.getAttribute('aria-valuenow'))
    fireEvent.click(within(lens).getByRole('button', { name: 'as the mould stands' }))
    expect(lens.textContent).toContain('Turn the dial')
  })
  it('is no question for a box of boards', async () => {
    store.dispatch(releaseLensTurned('draft'))
    await showHero('wash-top')
    expect(screen.queryByRole('slider', { name: /drawn apart/ })).toBeNull()
  })
  it.each([
    [
      { leanDeg: 1.2, roundDeg: 77 },
      { leanDeg: 0, roundDeg: 0 },
    ],
    [
      { leanDeg: 93, roundDeg: -90.4 },
      { leanDeg: 90, roundDeg: 270 },
    ],
    [
      { leanDeg: 44.6, roundDeg: 359.7 },
      { leanDeg: 45, roundDeg: 0 },
    ],
  ])('the hand at %j is taken for %j', (hand, taken) => {
    expect(settled(hand)).toEqual(taken)
  })
})

describe('how a way is said', () => {
  const move = (right: number, back: number, up: number, rigid = true) => ({
    rightMm: right,
    backMm: back,
    upMm: up,
    rigid,
  })
  it.each([
    [[move(0, 0, 50)], false, '50 up'],
    [[move(0, 0, 50)], true, '50 down'],
    [[move(0, -10, 0)], true, '10 outward'],
    [[move(30, 0, 30)], false, '42 outward and up'],
    [[move(0, 0, 20), move(0, 0, -60)], false, '60 down'],
    [[move(0, 0, 20, false)], false, ''],
    [[], false, ''],
  ] as const)('%j, turned %s: %s', (moves, turned, said) => {
    expect(wayWords(moves, turned, (n) => String(n))).toBe(said)
  })
})

describe('how halves are drawn apart', () => {
  it.each([
    [0, 0, 'Up and down'],
    [90, 0, 'Level, to the right and against it'],
    [90, 350, 'Level, to the right and against it'],
    [90, 315, 'Level, to the front right and against it'],
    [30, 90, '30° off upright to the back'],
  ])('%d off upright, %d round: %s', (leanDeg, roundDeg, said) => {
    expect(leanWords({ leanDeg, roundDeg })).toBe(said)
  })
})

describe('letters of faces', () => {
  const { plan } = planOf('wash-top')
  const letters = faceLetters(plan.stations.release!.figures.agents)
  it('every row has one, and a part is lettered by its broad face', () => {
    expect(letters.flatMap((l) => l.rows)).toHaveLength(plan.stations.release!.figures.agents.length)
    expect(new Set(letters.map((l) => l.letter)).size).toBe(letters.length)
    expect(letterOfPart(letters, 'strip/front')?.rows[0]?.face).toBe('sides')
    expect(letterOfPart(letters, 'nothing')).toBeNull()
  })
})

describe('a way that was chosen for the shells', () => {
  it('is where the dial stands, is shown on the mould’s bench, and left to be found at a press', async () => {
    const { job } = planOf('egg-finial')
    const own = pieceOf('egg-finial')
    const piece = { ...own, mould: { ...own.mould, pull: { leanDeg: 90, roundDeg: 90 } } } as Piece
    const whole = { ...job, pieces: job.pieces.map((p) => (p.id === piece.id ? piece : p)) }
    const plan = planPiece(kernel, whole, piece)
    store.dispatch(releaseLensTurned('draft'))
    await show(ReleaseHero, viewOf(whole, piece, plan))
    expect(screen.getByRole('slider', { name: /drawn apart/ }).getAttribute('aria-valuetext')).toBe(
      'Level, to the back and against it',
    )
    cleanup()
    await show(ClosedBench, viewOf(whole, piece, plan))
    expect(document.body.textContent).toContain('Level, to the back')
    fireEvent.click(screen.getByRole('button', { name: 'have it found' }))
    const { mould } = store.getState().job.job!.pieces.find((p) => p.id === piece.id)!
    expect(mould.method === 'closed' && mould.pull).toBeNull()
  })
})
