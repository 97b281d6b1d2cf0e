import { fireEvent, screen, waitFor } from '@testing-library/react'
import { expect, it } from 'vitest'
import { database } from '../state/useAutosave.ts'
import { openAt, type } from '../testing/livePage.tsx'

const link = async (name: string | RegExp) => fireEvent.click(await screen.findByRole('link', { name }))
const parts = async () => screen.findByLabelText<HTMLTextAreaElement>('Parts, one a line')
const list = async (text: string) => fireEvent.change(await parts(), { target: { value: text } })
const laid = () => document.querySelector<HTMLElement>('section[aria-label="Laid out"]')!
const shows = (what: RegExp) => waitFor(() => expect(laid().textContent).toMatch(what))

it('lays a list of one’s own out on sheets and on bars, says what it did not take, and keeps it on the device', async () => {
  await openAt('wash-top')
  await link('stock')
  await link(/list of your own/)
  await list('4 x 600 x 200 side\nbad 5\n2 x 2000 x 1300 door')
  await screen.findByText(/^Line 2: A size is missing/)
  await shows(/1 sheet of .*no fewer do/)
  await shows(/Larger than a sheet, and not laid out: B/)
  await list('3 x 1300 x 700 top')
  await shows(/3 sheets of 18 mm melamine, no fewer do; 138\.00/)
  fireEvent.click(screen.getByRole('radio', { name: 'Bars' }))
  await list('3 x 3100 rail\n3 x 2890 post')
  await type('Kerf', '10', document.querySelector('main')!)
  await shows(/3 bars, no fewer do/)
  await type('Kerf', '11', document.querySelector('main')!)
  await shows(/5 bars, no fewer do/)
  await waitFor(async () => {
    const kept = await database.settings.get('own-list')
    expect(kept?.value).toMatchObject({ of: 'bars', kerf: 11, sheetsText: '3 x 1300 x 700 top' })
  })
  fireEvent.click(screen.getByText(/^back to /))
  await link('stock')
  await link(/list of your own/)
  expect((await parts()).value).toBe('3 x 3100 rail\n3 x 2890 post')
  await shows(/5 bars/)
})
