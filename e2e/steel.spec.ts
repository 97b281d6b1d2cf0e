import { expect } from '@playwright/test'
import { bench, findings, openDemo, station, test } from './app.ts'

test.beforeEach(async ({ page }) => {
  await openDemo(page)
  await station(page, 'Steel').click()
})
const lens = (page: import('@playwright/test').Page) => page.getByTestId('lens')

test('three lenses: inside, how thick, how held', async ({ page }) => {
  await expect(page.getByTestId('plan')).toBeVisible()
  await page.getByRole('radio', { name: 'thickness' }).click()
  await expect(lens(page)).toContainText('wanted 38 mm')
  await expect(lens(page).getByRole('img')).toHaveAccessibleName(/1, 21/)
  await page.getByRole('radio', { name: 'from the front' }).click()
  await expect(lens(page)).toContainText('from the front')
  await page.getByRole('radio', { name: 'handling' }).click()
  await expect(lens(page)).toContainText(/margin [\d.]+/)
})

test('what it cannot stand is told, and its cure takes that away', async ({ page }) => {
  await page.getByRole('radio', { name: 'handling' }).click()
  await page.getByRole('radio', { name: 'carried flat' }).click()
  await expect(lens(page)).toContainText('do not')
  await expect(lens(page)).toContainText('margin 0.')
  await findings(page).getByRole('button', { name: 'Hold it a fifth of its length in' }).click()
  await expect(lens(page)).toContainText(/margin [1-9]/)
  await expect(findings(page)).not.toContainText('Carried flat it cracks')
})

test('a bearer is moved by hand and by key: margin and hour follow', async ({ page }) => {
  await page.getByRole('radio', { name: 'handling' }).click()
  await page.getByRole('radio', { name: 'on two bearers' }).click()
  const bearer = page.getByRole('slider', { name: 'Bearer 1' })
  const before = await lens(page).locator('strong').textContent()
  await bearer.focus()
  await page.keyboard.press('Home')
  await expect(bearer).toHaveAttribute('aria-valuenow', '0')
  await expect(lens(page).locator('strong')).not.toHaveText(before!)
  const moved = await lens(page).locator('strong').textContent()
  const box = (await bearer.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 120, box.y + box.height / 2, { steps: 6 })
  await page.mouse.up()
  await expect(bearer).not.toHaveAttribute('aria-valuenow', '0')
  await expect(lens(page).locator('strong')).not.toHaveText(moved!)
  await bench(page).getByRole('button', { name: 'hold it where it bends least', exact: true }).click()
  await expect(lens(page).locator('strong')).toHaveText(before!)
})

test('another mesh: cover and level follow', async ({ page }) => {
  await expect(bench(page)).toContainText('Lay it at a fill of')
  const before = await bench(page).textContent()
  await bench(page).getByRole('radio', { name: /^low/ }).click()
  await expect.poll(() => bench(page).textContent()).not.toBe(before)
})

test('bars across the inside corners: listed, drawn and lit, and a hand is moved by key', async ({
  page,
}) => {
  const list = bench(page).getByRole('table', { name: 'Bending list' })
  await expect(list).toHaveCount(0)
  await bench(page).getByLabel('Across inside corners').click()
  await expect(list).toContainText('across a corner')
  await expect(bench(page)).toContainText('6 mm bar')
  await page.getByRole('radio', { name: 'handling' }).click()
  await page.getByRole('radio', { name: 'carried flat' }).click()
  const hand = page.getByRole('button', { name: /^Hand 1, / })
  const before = await hand.getAttribute('aria-label')
  await hand.focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('button', { name: /^Hand 1, / })).not.toHaveAccessibleName(before!)
})

test('a cage in a post and a void former in a block: drawn, listed, and gone again', async ({ page }) => {
  await page.goto('/job/kestrel-rise/lamp-bollard/steel')
  const list = bench(page).getByRole('table', { name: 'Bending list' })
  await expect(list).toContainText('6 × upright')
  await expect(lens(page).getByRole('img', { name: /^What goes inside/ })).toBeVisible()
  await bench(page).getByLabel('A cage, tied').click()
  await expect(list).toHaveCount(0)
  await page.goto('/job/kestrel-rise/stepping-plinth/steel')
  await expect(bench(page)).toContainText('Held down by')
  const weight = () => bench(page).getByText('As placed').locator('..').textContent()
  await expect(bench(page)).toContainText('Saves')
  const before = await weight()
  await bench(page).getByLabel('Void former inside').click()
  await expect.poll(weight).not.toBe(before)
  await expect(bench(page)).not.toContainText('Held down by')
})

test('a bar laid by hand: dragged by its end, moved by key, taken out again', async ({ page }) => {
  const list = bench(page).getByRole('table', { name: 'Bending list' })
  await bench(page).getByRole('button', { name: 'lay a bar by hand' }).click()
  await expect(list).toContainText('laid by hand')
  const end = page.getByRole('button', { name: /^Bar 1 laid by hand, other end/ })
  const length = () => list.getByRole('row').nth(1).textContent()
  await expect(list.getByRole('row')).toHaveCount(2)
  const before = await length()
  const box = (await end.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 - 40, box.y + box.height / 2, { steps: 5 })
  await page.mouse.up()
  await expect.poll(length).not.toBe(before)
  const dragged = await end.getAttribute('aria-label')
  await end.focus()
  await page.keyboard.press('ArrowRight')
  await expect(end).not.toHaveAccessibleName(dragged!)
  await end.focus()
  await page.keyboard.press('Delete')
  await expect(list).toHaveCount(0)
})

test('ribs follow the profile of a seat; how a piece is moved stands in order', async ({ page }) => {
  await expect(bench(page).getByRole('table', { name: 'Moving it, in order' })).toContainText(
    /Lay two softwood bearers.*Turn the slab over.*Move it on edge/,
  )
  await page.goto('/job/kestrel-rise/stargazing-seat/steel')
  await bench(page).getByLabel('Ribs along the profile').click()
  await expect(bench(page).getByRole('table', { name: 'Bending list' })).toContainText('× rib')
  await expect(bench(page)).toContainText('soft wire')
})
