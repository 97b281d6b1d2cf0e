import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, it } from 'vitest'
import type { Run } from '../../core/job/index.ts'
import { store } from '../state/store.ts'
import { bench, openAt, press, says, saysNo, type } from '../testing/livePage.tsx'

const job = () => store.getState().job.job!
const run = (): Run => job().runs.at(-1)!
const told = () => screen.getByRole('region', { name: 'Findings' })
const rows = (label: RegExp) =>
  [...bench().querySelectorAll<HTMLElement>('.row')].filter((r) => label.test(r.textContent ?? ''))
/** A new run, as it begins: an L along two walls. */
async function begin(): Promise<void> {
  await openAt('stair-tread')
  fireEvent.click(await screen.findByRole('link', { name: '+ new piece' }))
  await screen.findByRole('heading', { name: 'New piece' })
  await press('A run of pieces', screen.getByRole('main'))
  await screen.findByRole('heading', { name: 'Run of pieces' })
  await waitFor(() => expect(rows(/person|people|machine/).length).toBeGreaterThan(0))
}
const settled = () => waitFor(() => expect(document.querySelectorAll('.stale').length).toBe(0))

describe('a run of pieces', () => {
  it('follows one, two or three walls, each with its own corner', async () => {
    await begin()
    for (const [name, legs] of [
      ['straight', 1],
      ['U', 3],
      ['L', 2],
    ] as const) {
      await press(name, undefined, 'radio')
      expect([name, run().legs.length]).toEqual([name, legs])
    }
    await press('by diagonal', undefined, 'radio')
    await says(bench, /Corner90°/)
    // 900, 1200 and 1480 between the marks: acos((900^2 + 1200^2 - 1480^2)/(2 900 1200)) = 88.42
    await type('Between the marks', '1480')
    await says(bench, /Corner88\.42°/)
    await type('Between the marks', '2200')
    await says(told, 'The corner at wall 2 cannot have these measures: check the tape')
    await press('by offset', undefined, 'radio')
    await type('This wall leans away', '-50')
    // atan(50/1000) off square
    await says(bench, /Corner(87\.14|92\.86)°/)
    await press('square', undefined, 'radio')
    await saysNo(told, 'cannot have these measures')
    // Without a seam its pieces are more than two people move.
    await says(told, /Piece 1 weighs \d+ kg, \d+ kg a head for 2/)
    await says(told, /one seam more/)
    await press('Propose, clear of openings')
    await saysNo(told, 'kg a head')
  })

  it('weighs its pieces as its sizes change, and says who lifts them', async () => {
    await begin()
    await settled()
    const kg = () =>
      rows(/person|people|machine/).map((r) => Number(/(\d+)kg$/.exec(r.textContent ?? '')?.[1]))
    const before = kg()
    await type('Thickness', String(run().thickness * 2))
    await settled()
    await waitFor(() => expect(kg()[0]).toBeGreaterThan(before[0]! * 1.9))
    expect(kg().length).toBe(before.length)
    expect(rows(/machine/).length).toBeGreaterThan(0)
  })

  it('is parted by seams that are proposed, added, moved and taken away', async () => {
    await begin()
    await press('Propose, clear of openings')
    await waitFor(() => expect(run().seams.length).toBeGreaterThan(0))
    const clear = run().seams.map((s) => s.at)
    await press('add a seam')
    expect(run().seams.length).toBe(clear.length + 1)
    await type(/^Seam 1/, '700')
    expect(run().seams[0]!.at).toBe(700)
    await press(/^Remove seam 1/)
    expect(run().seams.length).toBe(clear.length)
    await type(/^Seam 1/, '99999')
    await says(told, /misses leg \d/)
    await press('Propose, through openings')
    await waitFor(() => expect(run().seams.every((s) => s.at < 99_999)).toBe(true))
    expect(job().runs.length).toBeGreaterThan(0)
  })

  it('has openings and free places along its legs, each changed and removed by itself', async () => {
    await begin()
    const count = run().openings.length
    const [addOpening, addGap] = within(bench()).getAllByRole('button', { name: 'add' })
    fireEvent.click(addOpening!)
    fireEvent.click(addGap!)
    expect([run().openings.length, run().gaps.length]).toEqual([count + 1, expect.any(Number)])
    const more = within(bench()).getAllByRole('button', { name: 'sink' }).at(-1)!.parentElement!
    await type('Length', '600', more)
    await type('Middle, from the front', '310', more)
    fireEvent.click(within(more).getByRole('radio', { name: 'leg 2' }))
    expect(run().openings.at(-1)).toMatchObject({ length: 600, fromFront: 310, leg: 1 })
    fireEvent.click(within(more).getByRole('button', { name: 'remove sink' }))
    expect(run().openings.length).toBe(count)
  })

  it('makes its pieces once and then brings them up to date, each linked to it', async () => {
    await begin()
    const before = job().pieces.length
    await press('Propose, clear of openings')
    await waitFor(() => expect(run().seams.length).toBeGreaterThan(0))
    await settled()
    await waitFor(() =>
      expect(
        within(bench()).getByRole<HTMLButtonElement>('button', { name: /^Make \d+ pieces/ }).disabled,
      ).toBe(false),
    )
    await press(/^Make \d+ pieces/)
    await waitFor(() => expect(job().pieces.length).toBeGreaterThan(before))
    const made = job().pieces.filter((p) => p.run?.run === run().id)
    expect(made.map((p) => p.run!.part)).toEqual(made.map((_, i) => i + 1))
    // One step: undo takes them all away.
    expect(store.getState().job.past.at(-1)!.label).toContain(`${made.length} pieces`)
  })

  it('is named, and removed without its pieces', async () => {
    await begin()
    const name = screen.getByRole('textbox', { name: 'Name of the run' })
    fireEvent.change(name, { target: { value: '  Warm wall ' } })
    fireEvent.blur(name)
    expect(run().name).toBe('Warm wall')
    const pieces = job().pieces.length
    const runs = job().runs.length
    await press('Remove this run, keep its pieces')
    expect([job().runs.length, job().pieces.length]).toEqual([runs - 1, pieces])
  })
})
