import { waitFor, within } from '@testing-library/react'
import { expect, it } from 'vitest'
import { readDxf } from '../../../core/readers/index.ts'
import {
  bench,
  choose,
  cure,
  fact,
  findings,
  kept,
  openAt,
  press,
  row,
  saved,
  says,
  saysNo,
  settled,
  station,
  type,
} from '../../testing/livePage.tsx'

const factSays = (label: RegExp, what: string | RegExp) =>
  waitFor(() => expect(fact(label).textContent).toMatch(what))

it('a planter in planks: its core drawn out or folded in, battens, other laps, its outlines as a file', async () => {
  await openAt('terrace-planter', 'mould')
  await settled()
  await factSays(/^Core keeps out/, '4 degrees of draft')
  expect(row(/core top/).textContent).toContain('cut to the outline')
  await press(/^folded in/, bench(), 'radio')
  await waitFor(() => expect(row(/wedge/).textContent).toContain('46 ×'))
  await press(/^drawn out whole/, bench(), 'radio')
  await waitFor(() => expect(within(bench()).queryByRole('row', { name: /wedge/ })).toBeNull())
  await press(/^ends/, bench(), 'radio')
  await settled()
  await type('Battens every', '150')
  await waitFor(() => expect(row(/battens/).textContent).toMatch(/1[0-9]$/))
  await press('Battens behind the boards', bench(), 'checkbox')
  await says(findings, /bows \d/)
  await cure(/^Battens every|battens every/)
  await saysNo(findings, /bows \d/)
  await saved('Outlines as DXF')
  const text = new TextDecoder().decode(await kept.at(-1)!.bytes())
  expect(text).toContain('inside face')
  expect(readDxf(text).ok).toBe(true)
})

it('a pad in a bent ring: another sheet, its overlap, a sheet too stiff told and cured', async () => {
  await openAt('tripod-pad', 'mould')
  await factSays(/^Sheet round it/, /1360(.5)? ?mm|1361/)
  await type('Overlap', '100')
  await factSays(/^Sheet round it/, /1420(.5)? ?mm|1421/)
  await choose('Sheet', '3 mm birch ply, grain along the bend’s axis')
  await says(findings, /to a radius of 210 mm|210 mm/)
  await cure(/^Bend /)
  await settled()
  expect(station('mould').textContent).not.toContain('stops the pour')
})

it('a bucket stood rim down, lined with a bag, cut off: what lifts is held, and each is told', async () => {
  await openAt('rope-weight', 'mould')
  await settled()
  await press(/^rim down/, bench(), 'radio')
  await says(findings, /bucket, 12 L/)
  await cure('Take the vessel’s shape')
  await settled()
  expect(row(/^A/).textContent).toContain('base')
  await says(bench, /against \d+ N/)
  await press('Lined with a bag', bench(), 'checkbox')
  await says(findings, 'fold of the bag')
  await press(/^cut off/, bench(), 'radio')
  await says(bench, 'lasts 1 cast')
})
