import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { planPiece } from '../../../core/plan.ts'
import { store } from '../../state/store.ts'
import { demo, kernel, show, viewOf } from '../../testing/stillPage.tsx'
import { ThicknessLens } from './ThicknessLens.tsx'
import { ThinPlaces } from './ThinPlaces.tsx'

afterEach(cleanup)
const piece = demo.pieces.find((p) => p.id === 'wash-top')!
const plan = planPiece(kernel, demo, piece, { quick: true })

it('a thin place that is pressed is cut through', async () => {
  const { steel } = planPiece(kernel, demo, piece).stations
  const told = steel!.figures.thinPlaces
  await show(ThinPlaces, viewOf(demo, piece, planPiece(kernel, demo, piece)))
  fireEvent.click(screen.getByRole('button', { name: `${told[1]!.between[0]} to ${told[1]!.between[1]}` }))
  expect(store.getState().view).toMatchObject({ lens: 'thickness', thick: { way: 'cut', place: 1 } })
  cleanup()
  await show(ThicknessLens, viewOf(demo, piece, planPiece(kernel, demo, piece)))
  expect(screen.getByRole('radio', { name: 'cut through' }).getAttribute('aria-checked')).toBe('true')
  expect(screen.getByRole('radio', { name: /^2: / }).getAttribute('aria-checked')).toBe('true')
})

it.each([
  [{ measuring: null, stopped: false }, 'Told once its solid is there.', null],
  [{ measuring: 0.404, stopped: false }, 'Looking for how thick it is: 40%.', 'stop'],
  [{ measuring: null, stopped: true }, 'Stopped: how thick it is, is not told.', 'measure it'],
] as const)('says how far the look for its thickness is, and stops it: %j', async (state, text, press) => {
  const [stopMeasuring, measure] = [vi.fn(), vi.fn()]
  await show(ThicknessLens, { ...viewOf(demo, piece, plan), ...state, stopMeasuring, measure })
  expect(screen.getByRole('status').textContent).toContain(text)
  if (press === null) {
    expect(screen.queryByRole('button', { name: /stop|measure/ })).toBeNull()
    return
  }
  fireEvent.click(screen.getByRole('button', { name: press }))
  expect([stopMeasuring.mock.calls.length, measure.mock.calls.length]).toEqual(
    press === 'stop' ? [1, 0] : [0, 1],
  )
})
