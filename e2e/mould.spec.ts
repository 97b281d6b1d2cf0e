import { expect } from '@playwright/test'
import { measureLoop, pathLoop } from '../core/geometry/index.ts'
import { readDxf } from '../core/readers/index.ts'
import { bench, findings, newSlab, openDemo, station, test, type } from './app.ts'
import { mouldOf, row, saved, startAtMould } from './moulds.ts'

test('an L in a board box: its strips, another board, both schools of inside corner, list and outline as files', async ({
  page,
}) => {
  await openDemo(page)
  await startAtMould(page, 'L-shaped top', 'L in a box')
  const strips = bench(page).getByRole('row').filter({ hasText: '× 63' })
  await expect(strips).toHaveCount(6)
  const sheets = await station(page, 'Mould').innerText()
  await bench(page).getByRole('combobox', { name: 'Sides' }).selectOption({ label: '12 mm melamine' })
  // Wrapped round a base of 18, a strip of another board is as wide and less long; the layout has a sheet more.
  await expect(strips.first()).toContainText('12 mm melamine')
  await expect.poll(() => station(page, 'Mould').innerText()).not.toBe(sheets)
  await bench(page)
    .getByRole('radio', { name: /one strip short/ })
    .click()
  await expect(findings(page)).toContainText('ends in the concrete')
  await findings(page).getByRole('button', { name: 'Mitre inside corners' }).click()
  await expect(findings(page)).not.toContainText('ends in the concrete')
  await expect(bench(page)).toContainText('45° inside long')
  await bench(page)
    .getByRole('radio', { name: /^mitre stuck on/ })
    .click()
  await expect(bench(page)).toContainText('both ends 45°')
  await bench(page).getByRole('radio', { name: /^wrap/ }).click()

  const lines = (await saved(page, 'Cut list as CSV')).trim().split('\r\n')
  expect(lines[0]).toMatch(/^label,part,board,length mm/)
  expect(lines.filter((l) => l.includes('12 mm melamine')).length).toBe(6)
  const drawing = readDxf(await saved(page, 'Outlines as DXF'))
  if (!drawing.ok) throw new Error(drawing.problem.text)
  const [base] = drawing.outlines
  expect([drawing.mmPerUnit, base!.corners.length]).toEqual([1, 6])
  const area = measureLoop(pathLoop(base!.corners, { side: (id) => id, corner: () => 'corner' })).area
  expect(area).toBeLessThan(base!.length * base!.width * 0.9)
})

test('a split knockout, one side of another board, and the list as the saw is set', async ({ page }) => {
  await openDemo(page)
  await mouldOf(page, 'wash-top')
  await bench(page)
    .getByRole('combobox', { name: 'basin knockout' })
    .selectOption({ label: 'two halves and a wedge' })
  await expect(row(page, /knockout, wedge/).first()).toBeVisible()
  await bench(page).getByText('Another board for single sides').click()
  await bench(page)
    .getByRole('combobox', { name: 'front', exact: true })
    .selectOption({ label: '12 mm melamine' })
  await expect(row(page, /^\S+ front \d/)).toContainText('12 mm melamine')
  await bench(page).getByRole('radio', { name: 'as the saw is set' }).click()
  const rips = bench(page).getByRole('table', { name: /^rip / })
  await expect(rips.filter({ hasText: '12 mm melamine' })).toHaveCount(1)
  const widths = (await rips.allInnerTexts()).map((t) => Number(/rip (\d+)/.exec(t)?.[1]))
  expect(widths.length).toBeGreaterThan(3)
  await station(page, 'Release').click()
  await expect(page.getByText(/Draw the wedges first/)).toBeVisible()
})

test('a round top in a bent ring: too stiff a sheet is told, another goes round', async ({ page }) => {
  await openDemo(page)
  await startAtMould(page, 'Round table', 'Round')
  await expect(row(page, /ring skin/)).toContainText('3 mm hardboard, bent')
  await station(page, 'Piece').click()
  await type(page, /^Length/, '420')
  await station(page, 'Mould').click()
  await expect(findings(page)).toContainText('bends to 300 mm')
  await findings(page)
    .getByRole('button', { name: /^Bend / })
    .click()
  await expect(findings(page)).not.toContainText('bends to')
  await expect(station(page, 'Mould')).not.toContainText('stops the pour')
  await expect(row(page, /rib/)).toContainText('cut to the curve')
})

test('a column in a card tube: the tube is chosen, one of another bore is told', async ({ page }) => {
  await openDemo(page)
  await mouldOf(page, 'pier-drum')
  await expect(bench(page)).toContainText('4turns')
  await expect(row(page, /centring cleats/)).toContainText('40 × 40')
  await bench(page)
    .getByRole('combobox', { name: 'Tube' })
    .selectOption({ label: 'card tube, 250 mm inside' })
  await expect(findings(page)).toContainText('casts 250 mm, not 300 mm')
  await findings(page).getByRole('button', { name: 'Take card tube, 300 mm inside' }).click()
  await expect(station(page, 'Mould')).not.toContainText('stops the pour')
  await bench(page).locator('summary', { hasText: 'other ways to build it' }).click()
  await expect(bench(page).getByRole('list', { name: 'Methods that do not form it' })).toContainText(
    'board box: it is turned',
  )
  await bench(page).getByRole('button', { name: 'rubber block' }).click()
  await expect(findings(page)).toContainText('Mixing and pouring takes about')
})

test('a tile in a rubber block: weighed by parts, a thin wall is told', async ({ page }) => {
  await openDemo(page)
  await mouldOf(page, 'star-tile')
  await expect(row(page, /^polyurethane rubber/)).toContainText('A 1.16 kg')
  await expect(bench(page)).toContainText('240 × 240 × 50')
  await bench(page)
    .getByRole('checkbox', { name: /Wall by the pattern/ })
    .uncheck()
  await type(page, 'Wall round the pattern', '9')
  await expect(findings(page)).toContainText('9 mm of rubber round the pattern; 20 mm is wanted')
  await findings(page).getByRole('button', { name: 'Make the wall 20 mm' }).click()
  await expect(bench(page)).toContainText('240 × 240 × 50')
  await bench(page)
    .getByRole('combobox', { name: 'Rubber' })
    .selectOption({ label: 'tin-cured silicone, Shore A 25' })
  await expect(row(page, /^tin-cured/)).toContainText('B 0.13 kg')
})

test('a tall box bows, and is braced', async ({ page }) => {
  await openDemo(page)
  await newSlab(page, 'Tall', '1000', '400', '300')
  await station(page, 'Mould').click()
  await expect(findings(page)).toContainText(/side bows \d/)
  await findings(page)
    .getByRole('button', { name: /^Brace the tops every/ })
    .click()
  await expect(findings(page)).not.toContainText('side bows')
  await expect(bench(page)).toContainText('Braces across the tops')
  await type(page, 'Braces no further apart', '2000')
  await expect(findings(page)).toContainText(/side bows \d/)
})
