import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { expect, it } from 'vitest'
import { measureLoop, pathLoop } from '../../../core/geometry/index.ts'
import { readDxf } from '../../../core/readers/index.ts'
import {
  bench,
  choose,
  cure,
  findings,
  go,
  openAt,
  press,
  row,
  saved,
  says,
  saysNo,
  settled,
  start,
  station,
  type,
} from '../../testing/livePage.tsx'

const rows = (text: RegExp) =>
  within(bench())
    .getAllByRole('row')
    .filter((r) => text.test(r.textContent ?? ''))

it('an L in a board box: its strips, another board, both schools of inside corner, list and outline as files', async () => {
  await openAt('stair-tread')
  await start('L-shaped top', 'L in a box')
  await go('Mould')
  await settled()
  expect(rows(/× 63/).length).toBe(6)
  const sheets = station('mould').textContent
  await choose('Sides', '12 mm melamine')
  // Wrapped round a base of 18, a strip of another board is as wide and less long; the layout has a sheet more.
  await waitFor(() => expect(rows(/× 63/)[0]!.textContent).toContain('12 mm melamine'))
  await settled()
  expect(station('mould').textContent).not.toBe(sheets)
  await press(/^butted/, bench(), 'radio')
  await says(findings, 'ends in the concrete')
  await cure('Mitre inside corners')
  await saysNo(findings, 'ends in the concrete')
  await says(bench, '45° inside long')
  await press(/^mitre ?stuck on/, bench(), 'radio')
  await says(bench, 'both ends 45°')
  await press(/^wrap/, bench(), 'radio')
  await saysNo(bench, 'both ends 45°')
  await settled()

  const lines = (await saved('Cut list as CSV')).trim().split('\r\n')
  expect(lines[0]).toMatch(/^label,part,board,length mm/)
  expect(lines.filter((l) => l.includes('12 mm melamine')).length).toBe(6)
  const drawing = readDxf(await saved('Outlines as DXF'))
  if (!drawing.ok) throw new Error(drawing.problem.text)
  const [base] = drawing.outlines
  expect([drawing.mmPerUnit, base!.corners.length]).toEqual([1, 6])
  const area = measureLoop(pathLoop(base!.corners, { side: (id) => id, corner: () => 'corner' })).area
  expect(area).toBeLessThan(base!.length * base!.width * 0.9)
})

it('a split knockout, one side of another board, and the list as the saw is set', async () => {
  await openAt('wash-top', 'mould')
  await choose('basin knockout', 'two halves and a wedge')
  await waitFor(() => expect(rows(/knockout, wedge/).length).toBeGreaterThan(0))
  await choose('front', '12 mm melamine')
  await waitFor(() => expect(rows(/^\S+ ?front \d|^\S+front/)[0]!.textContent).toContain('12 mm melamine'))
  await press('as the saw is set', bench(), 'radio')
  const rips = within(bench()).getAllByRole('table', { name: /^rip / })
  expect(rips.filter((t) => t.textContent?.includes('12 mm melamine')).length).toBe(1)
  const widths = rips.map((t) => Number(/rip (\d+)/.exec(t.textContent ?? '')?.[1]))
  expect(widths.length).toBeGreaterThan(3)
  await settled()
  fireEvent.click(screen.getAllByRole('button', { name: /^Enlarge sheet 1, / })[0]!)
  const large = await screen.findByRole('dialog', { name: /^Sheet 1 of / })
  expect(large.textContent).toContain('cuts in the order of their numbers')
  expect(within(large).getByRole('img').textContent).toMatch(/[A-Z]\s*\d+(\.5)? ×\s*\d+/)
  fireEvent.keyDown(large, { key: 'Escape' })
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull())
  await go('Release')
  await screen.findByRole('button', { name: /^Show step \d+: wedges out$/ })
})

it('a round top in a bent ring: too stiff a sheet is told, another goes round', async () => {
  await openAt('stair-tread')
  await start('Round table', 'Round')
  await go('Mould')
  expect(row(/ring skin/).textContent).toContain('3 mm hardboard, bent')
  await go('Piece')
  await type(/^Length/, '420')
  await go('Mould')
  await says(findings, 'bends to 300 mm')
  await cure(/^Bend /)
  await saysNo(findings, 'bends to')
  await settled()
  expect(station('mould').textContent).not.toContain('stops the pour')
  expect(
    rows(/rib/)
      .map((r) => r.textContent)
      .join(),
  ).toContain('cut to the curve')
})

it('a column in a card tube: the tube is chosen, one of another bore is told', async () => {
  await openAt('pier-drum', 'mould')
  await says(bench, '4turns')
  expect(row(/centring cleats/).textContent).toContain('40 × 40')
  await choose('Tube', 'card tube, 250 mm inside')
  await says(findings, 'casts 250 mm, not 300 mm')
  await cure('Take card tube, 300 mm inside')
  await saysNo(findings, 'casts 250 mm')
  await settled()
  expect(station('mould').textContent).not.toContain('stops the pour')
  expect(within(bench()).getByRole('list', { name: 'Methods that do not form it' }).textContent).toContain(
    'board box: it is turned',
  )
  await press('rubber block')
  await says(findings, 'Mixing and pouring takes about')
})

it('a tall box bows, and is braced', async () => {
  await openAt('stair-tread')
  await start('Top', 'Tall', ['1000', '400', '300'])
  await go('Mould')
  await says(findings, /side bows \d/)
  await cure(/^Brace the tops every/)
  await saysNo(findings, 'side bows')
  await says(bench, 'Braces across the tops')
  await type('Braces no further apart', '2000')
  await says(findings, /side bows \d/)
})

it('joints held by tape on a side too deep for it are told, and screwed at a press', async () => {
  await openAt('stair-tread', 'mould')
  const screws = within(bench())
    .getByText(/^Screws, \d+/)
    .closest('.row')!.textContent
  await choose('Joints held by', 'tape')
  await says(findings, /Tape alone on sides \d+ mm deep/)
  await waitFor(() => expect(within(bench()).queryByText(/^Screws, \d+/)).toBeNull())
  await cure('Screw the sides')
  await saysNo(findings, 'Tape alone')
  await waitFor(() =>
    expect(
      within(bench())
        .getByText(/^Screws, \d+/)
        .closest('.row')!.textContent,
    ).toBe(screws),
  )
})
