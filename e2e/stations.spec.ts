import fs from 'node:fs'
import { expect } from '@playwright/test'
import { bench, findings, openDemo, plan, station, test, type } from './app.ts'

test('the section follows its line: dragged, turned across, and by keyboard', async ({ page }) => {
  await openDemo(page)
  const section = page.getByRole('img', { name: /^Section of Wash top/ })
  await expect(section).toBeVisible()
  const knockouts = () => section.locator('path[fill="url(#hatch-board)"]').count()
  await page.getByRole('button', { name: 'whole' }).click()
  await expect.poll(knockouts).toBeGreaterThanOrEqual(3)
  const line = (await plan(page).locator('[data-section-line]').boundingBox())!
  await page.mouse.move(line.x + line.width * 0.12, line.y + line.height / 2)
  await page.mouse.down()
  await page.mouse.move(line.x + line.width * 0.12, line.y + line.height / 2 + 70, { steps: 5 })
  await page.mouse.up()
  await expect.poll(knockouts).toBe(1)
  await page.getByRole('button', { name: 'cut across' }).click()
  await expect(page.getByRole('button', { name: 'cut along' })).toBeVisible()
  await expect.poll(knockouts).toBeGreaterThanOrEqual(2)
  await page.getByRole('button', { name: 'cut along' }).click()
  const end = plan(page).getByRole('slider', { name: /first end/ })
  const before = await end.getAttribute('aria-valuenow')
  await end.press('ArrowUp')
  await expect(end).toHaveAttribute('aria-valuenow', String(Number(before) + 5))
  await page.getByRole('button', { name: 'heights × 3' }).click()
  await expect(page.getByText('Section A, heights × 3')).toBeVisible()
})

test('what is pointed at in one view is lit in the others', async ({ page }) => {
  await openDemo(page)
  await station(page, 'Mould').click()
  const row = bench(page).getByRole('row', { name: /basin knockout.*18 mm/ })
  await row.hover()
  await expect(row).toHaveClass(/lit/)
  await expect(plan(page).locator('[data-opening="basin"] path')).toHaveAttribute('stroke', 'var(--oxide)')
  await findings(page).getByRole('listitem').filter({ hasText: '21 mm from the basin' }).hover()
  await expect(plan(page).locator('[data-opening="tap"] path').first()).toHaveAttribute(
    'stroke',
    'var(--oxide)',
  )
})

test('temperatures by the hour: read line by line, refused with the line, and the day moves', async ({
  page,
}) => {
  await openDemo(page)
  await station(page, 'Pour').click()
  const steady = await station(page, 'Pour').innerText()
  await bench(page).getByRole('radio', { name: 'hour by hour' }).click()
  const list = bench(page).getByRole('textbox', { name: /^Hours from first water/ })
  await list.fill('0 14\n6 24\n5 20')
  await expect(bench(page).getByRole('alert')).toContainText('Line 3: hours must rise')
  await list.fill('0 14\nsix 24')
  await expect(bench(page).getByRole('alert')).toContainText('Line 2')
  await list.fill('0 14\n6 24\n12 22')
  await list.blur()
  await expect.poll(() => station(page, 'Pour').innerText()).not.toBe(steady)
  await list.fill('0 14\n10 1')
  await list.blur()
  await expect(findings(page)).toContainText('It falls to 1 degC')
  await expect(station(page, 'Pour')).toContainText('stops the pour')
})

test('the job’s own stock overrides: a true thickness, a price, a missing board', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: 'stock', exact: true }).click()
  const board = page.getByRole('region', { name: '18 mm melamine' })
  await type(page, 'True thickness', '17.6', board)
  await board.getByRole('textbox', { name: 'Price of a sheet' }).fill('')
  await board.getByRole('textbox', { name: 'Price of a sheet' }).press('Enter')
  await expect(page.getByRole('region', { name: 'Differences from the shelf' })).toContainText(
    '18 mm melamine, thickness: 17.6, on the shelf 18',
  )
  await page.getByRole('button', { name: 'Keep this stock for new jobs' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Kept' })).toBeVisible()
  await page.getByRole('link', { name: 'back to Kestrel Rise' }).click()
  await station(page, 'Mould').click()
  await expect(bench(page).getByRole('row', { name: /B front/ })).toContainText('1295 × 62.5')
  await expect(bench(page)).toContainText('No price for these boards')
  await page.getByRole('link', { name: 'stock', exact: true }).click()
  await page.getByRole('region', { name: '18 mm melamine' }).getByRole('button', { name: 'remove' }).click()
  await page.getByRole('link', { name: 'back to Kestrel Rise' }).click()
  await expect(findings(page)).toContainText('No board melamine-18 in the stock')
  await page.getByRole('button', { name: 'undo' }).first().click()
  await expect(findings(page)).not.toContainText('No board')
})

test('each station’s choice shows its consequence beside it', async ({ page }) => {
  await openDemo(page)
  await test.step('steel: no mesh wants more thickness', async () => {
    await station(page, 'Steel').click()
    await bench(page).getByRole('radio', { name: /^none/ }).click()
    await expect(findings(page)).toContainText('with no mesh wants 50 mm')
    await page.getByRole('button', { name: 'undo' }).first().click()
    await type(page, /^Cover/, '60')
    await expect(findings(page)).toContainText(/wants 128 mm/)
    await bench(page).getByRole('button', { name: 'take it from the exposure' }).click()
    await expect(findings(page)).not.toContainText('wants 128 mm')
  })
  await test.step('release: left out only with a reason', async () => {
    await station(page, 'Release').click()
    await bench(page).getByText('Leave the release out').click()
    await expect(bench(page).getByRole('button', { name: 'Leave it out' })).toBeDisabled()
    await bench(page).getByRole('textbox', { name: 'Reason' }).fill('new film face')
    await bench(page).getByRole('button', { name: 'Leave it out' }).click()
    await findings(page).getByRole('button', { name: /more$/ }).click()
    await expect(findings(page)).toContainText('No release on the faces')
    await page.getByRole('button', { name: 'undo' }).first().click()
  })
  await test.step('mix: a smaller mixer makes more batches, water at the limit is noted', async () => {
    await station(page, 'Mix').click()
    await bench(page)
      .getByRole('combobox', { name: 'Mixed in' })
      .selectOption({ label: '12 L bucket and drill' })
    await expect(page.getByRole('listitem').filter({ hasText: 'Batch 2' })).toContainText('1 bag')
    await bench(page)
      .getByRole('radio', { name: /limit, 20 MPa/ })
      .click()
    await expect(findings(page)).toContainText('Water at the bag’s limit')
    await type(page, 'Waste', '25')
    await expect(bench(page)).toContainText('25.6 L with waste')
  })
  await test.step('finish: sanding and sealer change the days', async () => {
    await station(page, 'Finish').click()
    const before = await bench(page).innerText()
    await bench(page).getByRole('combobox', { name: 'Sealer' }).selectOption({ label: 'penetrating oil' })
    await expect(bench(page)).toContainText('coat 1 of 2')
    await bench(page).getByRole('radio', { name: 'as cast' }).click()
    await expect(bench(page)).not.toContainText('pore paste')
    expect(await bench(page).innerText()).not.toBe(before)
  })
})

test('a job of many pieces: neighbours in the row, the rest by name; a piece removed comes back by undo', async ({
  page,
}, info) => {
  const job = JSON.parse(fs.readFileSync('demo/kestrel-rise.hollow.json', 'utf8'))
  const [top] = job.pieces
  job.id = 'many'
  job.name = 'Many'
  job.pieces = Array.from({ length: 22 }, (_, i) => ({ ...top, id: `piece-${i}`, name: `Slab ${i + 1}` }))
  const file = info.outputPath('many.json')
  fs.writeFileSync(file, JSON.stringify(job))
  await page.goto('/jobs')
  await page.getByLabel('Import a job file').setInputFiles(file)
  await page.getByRole('button', { name: 'all 22 pieces' }).click()
  await page.getByRole('menuitem', { name: 'Slab 20' }).click()
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue('Slab 20')
  await expect(
    page.getByRole('navigation', { name: 'Pieces' }).getByRole('link', { name: 'Slab 20' }),
  ).toBeVisible()
  await bench(page).getByText('How many, balance').click()
  await bench(page).getByRole('button', { name: 'Remove this piece' }).click()
  await page.getByRole('button', { name: 'undo' }).first().click()
  await page.getByRole('button', { name: 'all 22 pieces' }).click()
  await expect(page.getByRole('menuitem', { name: 'Slab 20' })).toBeVisible()
})

test('an opening drawn round a fixture, its rim, and a row front to back', async ({ page }) => {
  await openDemo(page)
  await plan(page).locator('[data-opening="basin"]').press('Enter')
  await type(page, /^Clearance/, '8')
  await expect(plan(page).getByRole('button', { name: /^basin, 426 × 306 r 48/ })).toBeVisible()
  await bench(page).getByRole('button', { name: 'give the opening’s own size' }).click()
  await expect(bench(page).getByRole('textbox', { name: 'Length' })).toHaveValue('426')
  await bench(page).getByText('Rim of the opening').click()
  const volume = await station(page, 'Piece').innerText()
  await bench(page).getByRole('combobox', { name: 'Top rim' }).selectOption('chamfer')
  await type(page, 'Top rim chamfer size', '20')
  await expect.poll(() => station(page, 'Piece').innerText()).not.toBe(volume)
  await bench(page).getByRole('button', { name: 'back to the piece' }).click()
  await plan(page).locator('[data-opening="waste"]').press('Enter')
  await bench(page).getByRole('radio', { name: 'row' }).click()
  await type(page, 'How many', '2')
  await bench(page).getByRole('radio', { name: 'front to back' }).click()
  await expect(plan(page).locator('[data-opening="waste"] path')).toHaveCount(2)
})
