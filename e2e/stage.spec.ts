import { expect, type Page } from '@playwright/test'
import { bench, findings, openDemo, plan, restingMiddle, station, test } from './app.ts'

/** Starts a piece from the wall of silhouettes. */
async function start(page: Page, what: string, name: string): Promise<void> {
  await page.getByRole('link', { name: '+ new piece' }).click()
  const main = page.getByRole('main')
  await main.getByRole('radio', { name: what, exact: true }).click()
  await main.getByRole('textbox', { name: 'Name', exact: true }).fill(name)
  await page.getByRole('button', { name: 'Make this piece' }).click()
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(name)
}

test('the section follows its line: dragged, turned across, and by keyboard', async ({ page }) => {
  await openDemo(page)
  const section = page.getByRole('img', { name: /^Section of Wash top/ })
  await expect(section).toBeVisible()
  const knockouts = () => section.locator('path[fill="url(#hatch-board)"]').count()
  await page.getByRole('radio', { name: 'whole' }).click()
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
  await page.getByRole('radio', { name: 'heights × 3' }).click()
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

test('a corner of a drawn plan follows the hand, also past the plan’s own left', async ({ page }) => {
  await openDemo(page)
  await start(page, 'L-shaped top', 'L by hand')
  await page.getByRole('radio', { name: 'as placed' }).click()
  const [x, y] = await restingMiddle(page, page.locator('[data-corner="1"]'))
  const before = await station(page, 'Piece').innerText()
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x - 20, y, { steps: 4 })
  await page.mouse.move(x - 40, y, { steps: 4 })
  // While it is held the drawn plan reaches to where the hand is.
  const drawnFromHand = async () => {
    const drawn = await page.getByTestId('plan-body').boundingBox()
    return Math.abs((drawn?.x ?? 0) - (x - 40))
  }
  await expect.poll(drawnFromHand).toBeLessThan(12)
  await page.mouse.up()
  await expect.poll(() => station(page, 'Piece').innerText()).not.toBe(before)
  await page.getByRole('button', { name: 'undo' }).first().click()
  await expect.poll(() => station(page, 'Piece').innerText()).toBe(before)
})

const tetrahedron = (size: number): string => {
  const corners = [
    [0, 0, 0],
    [size, 0, 0],
    [0, size, 0],
    [0, 0, size],
  ].map((c) => `vertex ${c.join(' ')}`)
  const facets = [
    [0, 2, 1],
    [0, 1, 3],
    [1, 2, 3],
    [0, 3, 2],
  ].map(
    (abc) => `facet normal 0 0 0\nouter loop\n${abc.map((i) => corners[i]).join('\n')}\nendloop\nendfacet`,
  )
  return `solid t\n${facets.join('\n')}\nendsolid\n`
}

test('a mesh is read beside the page and becomes a piece', async ({ page }) => {
  await openDemo(page)
  await page.getByRole('link', { name: '+ new piece' }).click()
  const main = page.getByRole('main')
  await main
    .getByLabel('Mesh file')
    .setInputFiles({ name: 'wedge.stl', mimeType: 'model/stl', buffer: Buffer.from(tetrahedron(300)) })
  await main.getByRole('button', { name: 'Use this mesh' }).click()
  // 0.3^3 / 6
  await expect(station(page, 'Piece')).toContainText('4.5')
})
