import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, describe, expect, it } from 'vitest'
import type { Job, Piece } from '../../../core/job/index.ts'
import type { Batch } from '../../../core/mix/index.ts'
import { planPiece } from '../../../core/plan.ts'
import { exactDecimals } from '../../../core/units/index.ts'
import { store } from '../../state/store.ts'
import { demo, kernel, show, viewOf } from '../../testing/stillPage.tsx'
import { alike, layersOf, numbersSaid } from './layers.ts'
import { MixBench } from './MixBench.tsx'
import { MixHero } from './MixHero.tsx'

afterEach(cleanup)
const batch = (over: Partial<Batch> = {}): Batch => ({
  number: 1,
  bags: 2,
  litres: 24,
  dryKg: 50,
  waterLitres: 6,
  heldBackLitres: 0.6,
  fibreKg: 0.3,
  ingredients: [],
  doses: [{ doseId: 'red', name: 'red', kind: 'pigment', cementPercent: 3, amountKg: 0.255 }],
  coat: 'all',
  ...over,
})
const US = { mass: 'lb', volume: 'us', temperature: 'F', pressure: 'us' } as const
const showMix = (id: string, mix: Partial<Piece['mix']> = {}, units: 'mm' | 'inch' = 'mm') => {
  const job: Job = {
    ...demo,
    settings: units === 'inch' ? { ...demo.settings, units, others: US } : demo.settings,
  }
  const own = job.pieces.find((p) => p.id === id)!
  const piece = { ...own, mix: { ...own.mix, ...mix } } as Piece
  const whole = { ...job, pieces: job.pieces.map((p) => (p.id === id ? piece : p)) }
  return { job: whole, piece, view: viewOf(whole, piece, planPiece(kernel, whole, piece, { quick: true })) }
}

describe('what goes into a vessel', () => {
  it('goes in in its order, and the scale reads all that is in', () => {
    const layers = layersOf(batch(), 'mix')
    expect(layers.map((l) => [l.what, Math.round(l.readsKg * 1000) / 1000])).toEqual([
      ['water', 5.4],
      ['dose', 5.655],
      ['powder', 55.655],
      ['water', 56.255],
      ['fibre', 56.555],
    ])
    const { dryKg, waterLitres, fibreKg, doses } = batch()
    expect(layers.at(-1)!.readsKg).toBeCloseTo(dryKg + waterLitres + fibreKg + doses[0]!.amountKg, 9)
  })
  it.each<[Batch[], number[][]]>([
    [[batch(), batch({ number: 2 })], [[1, 2]]],
    [
      [batch(), batch({ number: 2, dryKg: 37.5 }), batch({ number: 3 })],
      [[1, 3], [2]],
    ],
    [
      [batch({ coat: 'face' }), batch({ number: 2, coat: 'back' })],
      [[1], [2]],
    ],
  ])('%#: batches that hold the same are told together', (batches, groups) => {
    expect(alike(batches).map((g) => g.numbers)).toEqual(groups)
  })
  it.each([
    [[4], '4'],
    [[1, 2], '1 and 2'],
    [[1, 2, 3], '1 to 3'],
    [[1, 3, 4], '1, 3 and 4'],
  ])('%j are said as %s', (numbers, said) => expect(numbersSaid(numbers)).toBe(said))
})

describe('the mixing row', () => {
  it('draws a vessel a batch, and tells what goes into the one that is pressed', async () => {
    const { view } = showMix('wash-top', {
      portion: 'bags',
      mixer: 'bucket-12',
      doses: [{ dose: 'red-oxide', percent: 3 }],
    })
    await show(MixHero, view)
    const vessels = within(screen.getByRole('list', { name: 'Batches' })).getAllByRole('button')
    expect(vessels.length).toBe(view.plan!.stations.mix!.figures.batches.length)
    fireEvent.click(vessels.at(-1)!)
    expect(vessels.at(-1)!.getAttribute('aria-pressed')).toBe('true')
    const rows = within(screen.getByRole('table'))
      .getAllByRole('row')
      .map((r) => r.textContent ?? '')
    expect(rows.slice(1).map((r) => r.replace(/[\d.].*/, '').trim())).toEqual([
      'water',
      'red oxide pigment',
      '',
      'water held back, in small steps',
    ])
  })
  it('counts what is more than it draws, and is in pounds where the shop is', async () => {
    const { view } = showMix('stargazing-seat', { mixer: 'bucket-12' }, 'inch')
    await show(MixHero, view)
    const batches = view.plan!.stations.mix!.figures.batches.length
    expect(batches).toBeGreaterThan(16)
    expect(screen.getByText(`and ${batches - 16} more`)).toBeTruthy()
    const told = [...screen.getByRole('table').querySelectorAll('td.n')].map((c) => c.textContent).join(' ')
    expect(told).toMatch(/ lb/)
    expect(told).not.toMatch(/ kg| L\b/)
  })
})

it.each([
  [12.3456, 3],
  [0.255, 3],
  [0.0207, 4],
  [0.00346, 5],
  [0, 3],
])('%d kg is weighed to %d decimals', (kg, decimals) => expect(exactDecimals(kg)).toBe(decimals))

describe('the bench', () => {
  it('tells what is weighed and what stays in the bag; a dose is left out at a press', async () => {
    const { view } = showMix('rope-weight', { doses: [{ dose: 'black-oxide', percent: 4 }] })
    await show(MixBench, view)
    expect(document.body.textContent).toMatch(/Left in the bag\s*6\.2/)
    fireEvent.click(screen.getByRole('button', { name: 'leave out black oxide pigment' }))
    const { mix } = store.getState().job.job!.pieces.find((p) => p.id === 'rope-weight')!
    expect(mix.doses).toEqual([])
  })
})
