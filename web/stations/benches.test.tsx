import { fireEvent, waitFor, within } from '@testing-library/react'
import { expect, it } from 'vitest'
import {
  bench,
  choose,
  findings,
  openAt,
  press,
  says,
  saysNo,
  settled,
  station,
  type,
  undo,
} from '../testing/livePage.tsx'

const unticked = () => [
  ...within(bench())
    .getByRole('list', { name: 'What the pour waited for' })
    .querySelectorAll<HTMLElement>('button[aria-checked=false]'),
]
const more = () => fireEvent.click(within(findings()).getByRole('button', { name: /more$/ }))

it('steel: no mesh wants more thickness, and more cover than there is room for is told', async () => {
  await openAt('wash-top', 'steel')
  await press(/^none/, bench(), 'radio')
  await says(findings, 'with no mesh wants 50 mm')
  await undo()
  await type(/^Cover/, '60')
  await says(findings, /60 mm is wanted/)
  await press('take it from the exposure')
  await saysNo(findings, '60 mm is wanted')
})

it('release: left out only with a reason', async () => {
  await openAt('wash-top', 'release')
  const leave = await within(bench()).findByRole<HTMLButtonElement>('button', { name: 'Leave it out' })
  expect(leave.disabled).toBe(true)
  fireEvent.change(within(bench()).getByRole('textbox', { name: 'Reason' }), {
    target: { value: 'new film face' },
  })
  await press('Leave it out')
  await settled()
  more()
  await says(findings, 'No release on the faces')
  await undo()
  await saysNo(findings, 'No release on the faces')
})

it('mix: a smaller mixer makes more batches, water at the limit is noted', async () => {
  await openAt('wash-top', 'mix')
  await choose('Mixed in', '12 L bucket and drill')
  await says(() => document.body, /Batches 1 and 2, each.*1 bag/)
  await press(/limit, 20 MPa/, bench(), 'radio')
  await says(findings, 'Water at the bag’s limit')
  await type('Waste', '25')
  await says(bench, '25.6 L with waste')
})

it('finish: sanding and sealer change the days', async () => {
  await openAt('wash-top', 'finish')
  const before = bench().textContent
  await choose('Sealer', 'penetrating oil')
  await says(bench, 'coat 1 of 2')
  await press('as cast', bench(), 'radio')
  await saysNo(bench, 'pore paste')
  expect(bench().textContent).not.toBe(before)
})

it('temperatures by the hour: read line by line, refused with the line, and the day moves', async () => {
  await openAt('wash-top', 'pour')
  const steady = station('pour').textContent
  await press('hour by hour', bench(), 'radio')
  const list = () => within(bench()).getByRole('textbox', { name: /^Hours from first water/ })
  const write = (text: string) => fireEvent.change(list(), { target: { value: text } })
  await settled()
  write('0 14\n6 24\n5 20')
  expect(within(bench()).getByRole('alert').textContent).toContain('Line 3: hours must rise')
  write('0 14\nsix 24')
  expect(within(bench()).getByRole('alert').textContent).toContain('Line 2')
  write('0 14\n6 24\n12 22')
  fireEvent.blur(list())
  await waitFor(() => expect(station('pour').textContent).not.toBe(steady))
  write('0 14\n10 1')
  fireEvent.blur(list())
  await says(findings, 'It falls to 1 °C')
  await says(() => station('pour'), 'stops the pour')
})

it('log: what was used is held against what was planned, and its lesson is told next time', async () => {
  await openAt('wash-top', 'log')
  await type('Bags used', '1.5')
  await type('Water a bag', '3.1')
  await press('bug holes', bench(), 'checkbox')
  fireEvent.change(within(bench()).getByRole('textbox', { name: 'Next time' }), {
    target: { value: 'vibrate longer' },
  })
  // Enter takes what is typed; only the button logs. What the record cannot hold is told, and nothing is logged.
  fireEvent.change(within(bench()).getByRole('textbox', { name: 'Temperature' }), { target: { value: '80' } })
  fireEvent.keyDown(within(bench()).getByRole('textbox', { name: 'Temperature' }), { key: 'Enter' })
  await says(bench, 'At most 60.')
  await press('Log this pour')
  await says(bench, 'None yet')
  await type('Temperature', '14')
  const wet = within(bench()).getByRole('textbox', { name: 'Weighed' })
  fireEvent.change(wet, { target: { value: 'heavy' } })
  fireEvent.click(within(bench()).getByRole('button', { name: 'Log this pour' }))
  expect([document.activeElement === wet, bench().textContent?.includes('None yet')]).toEqual([true, true])
  fireEvent.keyDown(wet, { key: 'Escape' })
  // What the pour waits for is ticked first: the button leads to it.
  await settled()
  await press('Log this pour')
  await says(bench, 'None yet')
  for (let left = unticked().length; left > 0; left -= 1) {
    expect(document.activeElement).toBe(unticked()[0])
    fireEvent.click(unticked()[0]!)
    await waitFor(() => expect(unticked()).toHaveLength(left - 1))
    if (left > 1) await press('Log this pour')
  }
  await says(bench, 'Looked over before it was poured')
  await press('Log this pour')
  await says(() => station('log'), /fewer bags/)
  await settled()
  more()
  await says(findings, 'vibrate longer')
})
