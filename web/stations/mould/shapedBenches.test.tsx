import { fireEvent, waitFor, within } from '@testing-library/react'
import { unzipSync } from 'fflate'
import { expect, it } from 'vitest'
import { prepareMesh, readDxf } from '../../../core/readers/index.ts'
import {
  bench,
  choose,
  cure,
  fact,
  findings,
  go,
  kept,
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

const buildAs = (method: string) => choose('Built as', method)
const factSays = (label: RegExp, what: string | RegExp) =>
  waitFor(() => expect(fact(label).textContent).toMatch(what))

it('a drum by layers, by prints, by brushed rubber and by closed shells: each with its list', async () => {
  await openAt('stair-tread')
  await start('Drum', 'Drum by all means')
  await go('Mould')

  await buildAs('layered block')
  await factSays(/^Block/, 'layers of rigid foam XPS, 50 mm')
  expect(row(/layers/).textContent).toContain('× ')
  await choose('Layers of', 'rigid foam XPS, 20 mm')
  await factSays(/^Block/, 'layers of rigid foam XPS, 20 mm')
  await waitFor(() =>
    expect(within(bench()).getAllByRole('row', { name: /^1 ?6/ }).length).toBeGreaterThan(0),
  )

  await buildAs('printed shells')
  await waitFor(() => expect(row(/^part 1 ?\d+ ×/).textContent).toContain('×'))
  await type('Wall', '0.6')
  await says(findings, 'from a 0.4 mm nozzle')
  await cure('Print four beads')
  await saysNo(findings, 'mm nozzle')
  await settled()
  await saved('Prints as STL')
  const files = unzipSync(await kept.at(-1)!.bytes())
  const names = Object.keys(files)
  expect(station('mould').textContent).toContain(`${names.length}parts`.replace('parts', ''))
  for (const name of names) {
    const part = prepareMesh(name, files[name]!)
    expect([name, part.ok && part.mended.closed]).toEqual([name, true])
  }

  await buildAs('brushed rubber in a jacket')
  await factSays(/^Coats/, '4')
  await type('Skin of rubber', '12')
  await factSays(/^Coats/, '6')
  expect(row(/^plaster and jute/).textContent).toContain('kg')

  await buildAs('closed two-shell')
  await factSays(/^Lift of the upper shell/, 'N')
  // Below what wants a look it is one of the rest.
  fireEvent.click(await within(findings()).findByRole('button', { name: /more$/ }))
  await says(findings, 'This piece has a flat top')
})

it('a seat on ribs and in packed earth: the skin, its bends, the line of a rib as a file', async () => {
  await openAt('stargazing-seat', 'mould')
  await factSays(/^Ribs\d/, 'closest at the foot')
  expect(row(/^B ?ribs/)).toBeTruthy()
  const drawing = readDxf(await saved('Outlines as DXF'))
  if (!drawing.ok) throw new Error(drawing.problem.text)
  const [rib] = drawing.outlines
  expect([drawing.mmPerUnit, Math.round(rib!.length), rib!.inner.length]).toEqual([1, 1113, 1])
  expect(row(/separator/).textContent).toContain('3 mm')
  await choose('Skin', '3 mm hardboard, bent')
  await says(findings, 'bends to 300 mm')
  await choose('Skin', '2.5 mm vinyl floor sheet')
  await buildAs('liner with packed fill')
  await says(findings, 'a rammer wants 80 mm')
  await cure('Make it 80 mm')
  await saysNo(findings, 'a rammer wants')
  await settled()
  const earth = fact(/^It weighs/).textContent
  await press(/^sand/, bench(), 'radio')
  await waitFor(() => expect(fact(/^It weighs/).textContent).not.toBe(earth))
})

it('a weight cast in a bucket, and a piece that a bucket in stock would cast', async () => {
  await openAt('rope-weight', 'mould')
  await factSays(/^Filled to the piece/, '7.86')
  await buildAs('layered block')
  await says(findings, 'Bucket, 12 L in stock casts this piece as it is')
  await cure('Cast it in the bucket, 12 L')
  await saysNo(findings, 'in stock casts this piece')
  await waitFor(() => expect(fact(/^Filled to the piece/).textContent).toContain('7.86'))
})

it('a planter in a bucket to hand: weighed with water, and the piece takes its shape', async () => {
  await openAt('stair-tread')
  await start('Cone', 'Bucket block')
  await go('Mould')
  await buildAs('found vessel')
  await says(findings, 'the vessel is filled to 260 mm at most')
  await cure(/^Take the vessel’s shape/)
  await saysNo(findings, 'is filled to')
  await settled()
  expect(station('mould').textContent).not.toContain('stops the pour')
  await press('Measured by weighing what it holds', bench(), 'checkbox')
  await type(/^It held/, '3')
  await says(findings, 'It held 3 kg of water')
})

it('a liner, an upper form and formers in board boxes', async () => {
  await openAt('wall-tile', 'mould')
  await factSays(/^Side boards are wider by/, '28')
  expect(row(/^sawn-grain sheet/).textContent).toContain('1 sheet')
  await choose('Liner', 'ribbed sheet, polyurethane')
  await factSays(/^Side boards are wider by/, '32')
  await choose('Liner', 'of own making')
  await type('Liner, with its texture', '1')
  await says(findings, 'has no back to its texture')
  await openAt('plate-trough', 'mould')
  await factSays(/^Upper form stands/, '112')
  await says(bench, 'it must not rest on fresh concrete')
  await openAt('hearth-panel', 'mould')
  await factSays(/^Formers/, '2')
  expect(findings().textContent).not.toContain('No part in this mould forms')
})

it('a tile in a rubber block: weighed by parts, a thin wall is told', async () => {
  await openAt('star-tile', 'mould')
  await waitFor(() => expect(row(/^polyurethane rubber/).textContent).toContain('A 1.16 kg'))
  await says(bench, '240 × 240 × 50')
  await press(/Wall by the pattern/, bench(), 'checkbox')
  await type('Wall round the pattern', '9')
  await says(findings, '9 mm of rubber round the pattern; 20 mm is wanted')
  await cure('Make the wall 20 mm')
  await says(bench, '240 × 240 × 50')
  await choose('Rubber', 'tin-cured silicone, Shore A 25')
  await waitFor(() => expect(row(/^tin-cured/).textContent).toContain('B 0.13 kg'))
})
