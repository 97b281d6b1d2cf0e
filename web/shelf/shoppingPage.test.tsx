import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { expect, it } from 'vitest'
import { database } from '../state/useAutosave.ts'
import { bench, demo, kept, openAt } from '../testing/livePage.tsx'

const two = {
  ...demo,
  id: 'two',
  name: 'Two',
  pieces: demo.pieces.filter((p) => p.id === 'window-sill' || p.id === 'wall-tile'),
}

it('the whole job’s shopping: less what is on the shelf, kept, as CSV, and nothing once it is bought', async () => {
  await openAt('wall-tile', 'mix', two)
  fireEvent.click(within(bench()).getByRole('link', { name: 'what the whole job buys' }))
  const concrete = await screen.findByRole('table', { name: 'Concrete' })
  const bags = within(concrete).getByText('25 kg structural mix').closest('tr')!
  const [, needed, , buy] = [...bags.querySelectorAll('td')].map((td) => td.textContent!)
  const exact = Number(/[\d.]+/.exec(needed!)![0])
  expect(buy).toBe(`${Math.ceil(exact)} bags`)
  const field = () =>
    screen.getByRole<HTMLInputElement>('spinbutton', { name: '25 kg structural mix, on the shelf' })
  fireEvent.change(field(), { target: { value: '1' } })
  fireEvent.blur(field())
  await waitFor(() => expect(bags.textContent).toContain(`${Math.ceil(exact - 1)} bag`))
  await waitFor(async () => {
    const shelf = await database.settings.get('on-shelf')
    expect(Object.values(shelf?.value as object)).toContain(1)
  })
  fireEvent.click(screen.getByText('as CSV'))
  const csv = await kept.at(-1)!.text()
  expect(csv).toMatch(/^for,what,needed/)
  expect(csv).toMatch(/mix,25 kg structural mix,[\d.]+,1,/)
  fireEvent.click(screen.getByText('all of it is bought'))
  await waitFor(() => expect(bags.textContent).toContain('nothing'))
  expect(screen.getByRole('main').querySelector('strong')!.textContent).toMatch(/^0/)
  // The shelf is this device's: other tests begin with an empty one.
  await database.settings.delete('on-shelf')
})
