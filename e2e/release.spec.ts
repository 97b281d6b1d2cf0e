import { expect, type Page } from '@playwright/test'
import { bench, findings, openDemo, station, test, tickAll } from './app.ts'

const lens = (page: Page) => page.getByTestId('lens')
const film = (page: Page) => page.getByRole('slider', { name: 'Moment of the film' })
const at = async (page: Page, piece: string) => {
  await page.goto(`/job/kestrel-rise/${piece}/release`)
  await expect(page.locator('.stale, .guess')).toHaveCount(0)
}

test('the film of a box of boards, of shells and of a block of foam is stepped through', async ({ page }) => {
  await openDemo(page)
  for (const [piece, first, last] of [
    ['wash-top', /step 1 of \d+: ease the knockouts/, /knockouts out/],
    ['egg-finial', /step 1 of \d+: first shell off/, /shell off/],
    ['rain-basin', /step 1 of \d+/, /off|out/],
  ] as const) {
    await at(page, piece)
    await expect(film(page)).toHaveAttribute('aria-valuetext', 'the mould whole')
    await film(page).focus()
    await page.keyboard.press('ArrowRight')
    await expect(film(page)).toHaveAttribute('aria-valuetext', first)
    const steps = page.getByRole('list', { name: 'Steps' }).getByRole('button')
    const count = await steps.count()
    for (let n = 1; n < count; n += 1) await page.keyboard.press('ArrowRight')
    await expect(film(page)).toHaveAttribute('aria-valuetext', new RegExp(`step ${count} of ${count}`))
    await expect(steps.last()).toHaveAccessibleName(last)
    await expect(lens(page)).toContainText(`step ${count} of ${count}`)
  }
  await page.getByRole('button', { name: 'Again' }).click()
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible()
  await page.getByRole('button', { name: 'Pause' }).click()
})

test('a print that locks is drawn, told, and parted at a press', async ({ page }) => {
  await openDemo(page)
  await at(page, 'door-stop')
  const line = findings(page).getByRole('listitem').filter({ hasText: 'cannot leave the cast' })
  await expect(line).toContainText('locks 3 mm')
  await page.getByRole('radio', { name: 'draft', exact: true }).click()
  await expect(lens(page).getByRole('img')).toHaveAccessibleName(/[1-9]\d* locked/)
  await line.getByRole('button', { name: 'Part it into another number of shells' }).click()
  await expect(findings(page)).not.toContainText('cannot leave the cast')
  await expect(lens(page).getByRole('img')).toHaveAccessibleName(/ 0 locked/)
})

test('one face has an agent of its own; what does not suit it is told and cured', async ({ page }) => {
  await openDemo(page)
  await at(page, 'lamp-bollard')
  await bench(page).getByRole('button', { name: 'One face otherwise than the rest' }).click()
  await bench(page).getByRole('combobox', { name: 'A the inside' }).click()
  await page.getByRole('option', { name: 'petroleum jelly' }).click()
  await expect(bench(page).getByRole('row', { name: /^A the inside/ })).toContainText('petroleum jelly')
  const line = findings(page).getByRole('listitem').filter({ hasText: 'fills what is fine' })
  await line.getByRole('button', { name: /Use silicone-free paste wax there/ }).click()
  await expect(findings(page)).not.toContainText('fills what is fine')
  await expect(bench(page).getByRole('row', { name: /^A the inside/ })).toContainText('paste wax')
  // None on it, with the reason why: concrete bonds to a print, and that stops the pour.
  await bench(page).getByRole('combobox', { name: 'A the inside' }).click()
  await page.getByRole('option', { name: 'none, for a reason' }).click()
  await bench(page).getByRole('textbox', { name: 'Reason for none on the inside' }).fill('a trial')
  await bench(page).getByRole('button', { name: 'Leave it out', exact: true }).first().click()
  const stop = findings(page).getByRole('listitem').filter({ hasText: 'which bond to concrete' })
  await stop.getByRole('button', { name: 'Put the release back on' }).click()
  await expect(findings(page)).not.toContainText('which bond to concrete')
})

test('air under an arm stops the pour until it is vented', async ({ page }) => {
  await openDemo(page)
  await at(page, 'chart-rest')
  await expect(bench(page)).toContainText('Vented under layer 7')
  const vents = bench(page).getByRole('checkbox', { name: 'Vent each pocket at its highest place' })
  await vents.click()
  const line = findings(page).getByRole('listitem').filter({ hasText: 'Air stays under' })
  await expect(line).toContainText('70 mm deep')
  await line.getByRole('button', { name: 'Drill a vent at its highest place' }).click()
  await expect(findings(page)).not.toContainText('Air stays under')
  await expect(vents).toBeChecked()
})

test('what is looked at before the pour is ticked, and asked again when it says something else', async ({
  page,
}) => {
  await openDemo(page)
  await at(page, 'lamp-bollard')
  const waits = bench(page).getByText('The pour waits for it.')
  await expect(waits).not.toHaveCount(0)
  await tickAll(page, 'Checks of the release')
  await expect(waits).toHaveCount(0)
  await station(page, 'Pour').click()
  await expect(bench(page).getByRole('checkbox', { name: /^No bare spot on/ })).toBeChecked()
  await station(page, 'Release').click()
  await bench(page).getByRole('combobox', { name: 'Release agent' }).click()
  await page.getByRole('option', { name: 'vegetable oil' }).click()
  await expect(
    bench(page).getByRole('checkbox', { name: /^No bare spot on.*vegetable oil/ }),
  ).not.toBeChecked()
  await page.getByRole('button', { name: 'undo' }).first().click()
  await expect(bench(page).getByRole('checkbox', { name: /^No bare spot on/ })).toBeChecked()
})

test('rubber on wet clay is told, and its cure takes that away', async ({ page }) => {
  await openDemo(page)
  await at(page, 'vent-arch')
  await expect(bench(page).getByRole('row', { name: /^the half that has cured/ })).toContainText(
    'silicone release',
  )
  await bench(page).getByRole('combobox', { name: 'Bedded in' }).click()
  await page.getByRole('option', { name: 'clay with water' }).click()
  const line = findings(page).getByRole('listitem').filter({ hasText: 'foams on clay with water' })
  await line.getByRole('button', { name: 'Bed it in oil clay without sulphur' }).click()
  await expect(findings(page)).not.toContainText('foams on clay with water')
  await expect(bench(page).getByRole('combobox', { name: 'Bedded in' })).toContainText('no sulphur')
})
