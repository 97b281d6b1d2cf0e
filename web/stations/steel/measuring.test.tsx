import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, expect, it, vi } from 'vitest'
import { planPiece } from '../../../core/plan.ts'
import { demo, kernel, show, viewOf } from '../../testing/stillPage.tsx'
import { ThicknessLens } from './ThicknessLens.tsx'

afterEach(cleanup)
const piece = demo.pieces.find((p) => p.id === 'wash-top')!
const plan = planPiece(kernel, demo, piece, { quick: true })

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
