import { expect, type Page } from '@playwright/test'
import { unzipSync } from 'fflate'
import { prepareMesh, readDxf } from '../core/readers/index.ts'
import { bench, findings, openDemo, station, test, type } from './app.ts'
import { mouldOf, row, saved, savedBytes, startAtMould } from './moulds.ts'

const buildAs = (page: Page, method: string) =>
  bench(page).getByRole('combobox', { name: 'Built as' }).selectOption({ label: method })
const fact = (page: Page, label: string | RegExp) => bench(page).locator('.row').filter({ hasText: label })

test('a drum by layers, by prints, by brushed rubber and by closed shells: each with its list', async ({
  page,
}) => {
  await openDemo(page)
  await startAtMould(page, 'Drum', 'Drum by all means')

  await buildAs(page, 'layered block')
  await expect(fact(page, /^Block/)).toContainText('layers of rigid foam XPS, 50 mm')
  await expect(row(page, /layers/)).toContainText('× ')
  const layers = await fact(page, /^Block/).innerText()
  await bench(page)
    .getByRole('combobox', { name: 'Layers of' })
    .selectOption({ label: 'rigid foam XPS, 20 mm' })
  await expect.poll(() => fact(page, /^Block/).innerText()).not.toBe(layers)
  await bench(page).locator('summary', { hasText: 'Router' }).click()
  await expect(row(page, /^1 6/)).toBeVisible()

  await buildAs(page, 'printed shells')
  await expect(row(page, /^part 1 \d+ ×/)).toContainText('×')
  await type(page, 'Wall', '0.6')
  await expect(findings(page)).toContainText('from a 0.4 mm nozzle')
  await findings(page).getByRole('button', { name: 'Print four beads' }).click()
  await expect(findings(page)).not.toContainText('mm nozzle')
  await expect(bench(page).getByRole('button', { name: 'Prints as STL' })).toBeEnabled()
  const files = unzipSync(await savedBytes(page, 'Prints as STL'))
  const names = Object.keys(files)
  await expect(station(page, 'Mould')).toContainText(`${names.length}parts`.replace('parts', ''))
  for (const name of names) {
    const part = prepareMesh(name, files[name]!)
    expect([name, part.ok && part.mended.closed]).toEqual([name, true])
  }

  await buildAs(page, 'brushed rubber in a jacket')
  await expect(fact(page, /^Coats/)).toContainText('4')
  await type(page, 'Skin of rubber', '12')
  await expect(fact(page, /^Coats/)).toContainText('6')
  await expect(row(page, /^plaster and jute/)).toContainText('kg')

  await buildAs(page, 'closed two-shell')
  await expect(fact(page, /^Lift of the upper shell/)).toContainText('N')
  await expect(findings(page)).toContainText('This piece has a flat top')
})

test('a seat on ribs and in packed earth: the skin, its bends, the line of a rib as a file', async ({
  page,
}) => {
  await openDemo(page)
  await mouldOf(page, 'stargazing-seat')
  await expect(fact(page, /^Ribs\d/).first()).toContainText('closest at the foot')
  await expect(row(page, /^B ribs/)).toBeVisible()
  const drawing = readDxf(await saved(page, 'Outlines as DXF'))
  if (!drawing.ok) throw new Error(drawing.problem.text)
  const [rib] = drawing.outlines
  expect([drawing.mmPerUnit, Math.round(rib!.length), rib!.inner.length]).toEqual([1, 1113, 1])
  await expect(row(page, /separator/)).toContainText('3 mm')
  await bench(page).getByRole('combobox', { name: 'Skin' }).selectOption({ label: '3 mm hardboard, bent' })
  await expect(findings(page)).toContainText('bends to 300 mm')
  await bench(page)
    .getByRole('combobox', { name: 'Skin' })
    .selectOption({ label: '2.5 mm vinyl floor sheet' })
  await buildAs(page, 'liner with packed fill')
  await expect(findings(page)).toContainText('a rammer wants 80 mm')
  await findings(page).getByRole('button', { name: 'Make it 80 mm' }).click()
  await expect(findings(page)).not.toContainText('a rammer wants')
  const earth = await fact(page, /^It weighs/).innerText()
  await bench(page).getByRole('radio', { name: /^sand/ }).click()
  await expect.poll(() => fact(page, /^It weighs/).innerText()).not.toBe(earth)
})

test('a weight cast in a bucket, and a piece that a bucket in stock would cast', async ({ page }) => {
  await openDemo(page)
  await mouldOf(page, 'rope-weight')
  await expect(fact(page, /^Filled to the piece/)).toContainText('7.86')
  await buildAs(page, 'layered block')
  await expect(findings(page)).toContainText('Bucket, 12 L in stock casts this piece as it is')
  await findings(page).getByRole('button', { name: 'Cast it in the bucket, 12 L' }).click()
  await expect(bench(page).getByRole('combobox', { name: 'Built as' })).toHaveValue('found')
  await expect(findings(page)).not.toContainText('in stock casts this piece')
})

test('a liner, an upper form and formers in board boxes', async ({ page }) => {
  await openDemo(page)
  await mouldOf(page, 'wall-tile')
  await expect(fact(page, /^Strips are wider by/)).toContainText('28')
  await expect(row(page, /^sawn-grain sheet/)).toContainText('1 sheet')
  const liner = bench(page).getByRole('combobox', { name: 'Liner' })
  await liner.selectOption({ label: 'ribbed sheet, polyurethane' })
  await expect(fact(page, /^Strips are wider by/)).toContainText('32')
  await liner.selectOption({ label: 'of own making' })
  await type(page, 'Liner, with its texture', '1')
  await expect(findings(page)).toContainText('has no back to its texture')
  await mouldOf(page, 'plate-trough')
  await expect(fact(page, /^Upper form stands/)).toContainText('112')
  await bench(page).locator('summary', { hasText: 'Building order' }).click()
  await expect(bench(page)).toContainText('it must not rest on fresh concrete')
  await mouldOf(page, 'hearth-panel')
  await expect(fact(page, /^Formers/)).toContainText('2')
  await expect(findings(page)).not.toContainText('No part in this mould forms')
})

test('stock from a list: good rows are taken and used, bad ones named by line', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'stock' }).click()
  await page.getByRole('heading', { name: 'Stock of this job' }).waitFor()
  await page.getByLabel('Stock list').setInputFiles({
    name: 'yard.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'list,name,thickness,inside,length,width,price\nboards,board from the yard,17.6,,2750,1830,52\nboards,too thin,-1,,,,\ntubes,tube from the yard,,302,2000,,17\n',
    ),
  })
  const main = page.getByRole('main')
  await expect(main).toContainText('2 rows taken.')
  await expect(main).toContainText('line 3: thickness')
  await page.locator('summary', { hasText: 'Card tubes, 10' }).click()
  await type(page, /^Price of a tube/, '19', page.getByRole('region', { name: 'tube from the yard' }))
  await mouldOf(page, 'stair-tread')
  await bench(page).getByRole('combobox', { name: 'Sides' }).selectOption({ label: 'board from the yard' })
  await expect(bench(page)).toContainText('board from the yard')
  await bench(page)
    .getByRole('button', { name: /^Sawn: keep/ })
    .click()
  await expect(main).toContainText(/Boards: \d sheets? and \d off-cuts?/)
  await mouldOf(page, 'pier-drum')
  await bench(page).getByRole('combobox', { name: 'Tube' }).selectOption({ label: 'tube from the yard' })
  await expect(findings(page)).toContainText('casts 302 mm, not 300 mm')
})

test('a planter in a bucket to hand: weighed with water, and the piece takes its shape', async ({ page }) => {
  await openDemo(page)
  await startAtMould(page, 'Cone', 'Bucket block')
  await buildAs(page, 'found vessel')
  await expect(findings(page)).toContainText('the vessel is filled to 260 mm at most')
  await findings(page)
    .getByRole('button', { name: /^Take the vessel’s shape/ })
    .click()
  await expect(findings(page)).not.toContainText('is filled to')
  await expect(station(page, 'Mould')).not.toContainText('stops the pour')
  await bench(page).getByRole('checkbox', { name: 'Measured by weighing what it holds' }).check()
  await type(page, /^It held/, '3')
  await expect(findings(page)).toContainText('It held 3 kg of water')
})
