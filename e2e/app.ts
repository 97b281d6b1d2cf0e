import { test as base, expect, type Locator, type Page } from '@playwright/test'

/** The stage as a person finds its parts. */
export const plan = (page: Page): Locator => page.getByTestId('plan')
export const bench = (page: Page): Locator => page.getByRole('complementary', { name: 'Bench' })
export const rail = (page: Page): Locator => page.getByRole('navigation', { name: 'The line' })
export const findings = (page: Page): Locator => page.getByRole('region', { name: 'Findings' })
export const station = (page: Page, name: string): Locator =>
  rail(page).getByRole('link', { name: new RegExp(`^${name}`, 'i') })

export const test = base.extend<{ quiet: undefined }>({
  /** Any error on the page's console fails the test. */
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = []
      page.on('pageerror', (error) => errors.push(error.message))
      page.on('console', (message) => {
        if (message.type() === 'error') errors.push(message.text())
      })
      await use(undefined)
      expect(errors).toEqual([])
    },
    { auto: true },
  ],
})

/** Opens the app at its first visit: the demo job. */
export async function openDemo(page: Page): Promise<void> {
  await page.goto('/')
  // The first visit makes the database, the demo job and three workers.
  await expect(station(page, 'Piece')).toContainText(/\d/)
}

/** The middle of something on the page, once nothing is being worked out and it has stopped moving. */
export async function restingMiddle(page: Page, of: Locator): Promise<[number, number]> {
  await expect(page.locator('.stale')).toHaveCount(0)
  let last = ''
  await expect
    .poll(async () => {
      const box = JSON.stringify(await of.boundingBox())
      const rests = box === last && box !== 'null'
      last = box
      return rests
    })
    .toBe(true)
  const { x, y, width, height } = JSON.parse(last) as { x: number; y: number; width: number; height: number }
  return [x + width / 2, y + height / 2]
}

/** Types a measure into a field and leaves it. */
export async function type(
  page: Page,
  field: string | RegExp,
  text: string,
  within: Locator = bench(page),
): Promise<void> {
  const input = within.getByRole('textbox', { name: field })
  await input.fill(text)
  await input.press('Enter')
}

/** Chooses from a list by the name of the choice. */
export async function pick(page: Page, list: Locator, option: string): Promise<void> {
  await list.click()
  await page.getByRole('option', { name: option, exact: true }).click()
}

/** A new piece by the short route. */
export async function newSlab(
  page: Page,
  name: string,
  length: string,
  width: string,
  thickness: string,
): Promise<void> {
  await page.getByRole('link', { name: '+ new piece' }).click()
  const main = page.getByRole('main')
  await main.getByRole('textbox', { name: 'Name', exact: true }).fill(name)
  await type(page, /^Length/, length, main)
  await type(page, /^Width/, width, main)
  await type(page, 'Thickness', thickness, main)
  await page.getByRole('button', { name: 'Make this piece' }).click()
  await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue(name)
}

/** Drags an opening from the palette to a place on the plan, given as shares of its width and height. */
export async function dragIn(page: Page, what: string, x: number, y: number): Promise<void> {
  const from = (await bench(page)
    .getByRole('button', { name: `+ ${what}`, exact: true })
    .boundingBox())!
  const to = (await plan(page).boundingBox())!
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(to.x + to.width * 0.6, to.y + to.height * 0.5, { steps: 4 })
  await page.mouse.move(to.x + to.width * x, to.y + to.height * y, { steps: 4 })
  await page.mouse.up()
}

/** Opens all that is folded away on the bench. */
export const unfold = (page: Page): Promise<void> =>
  page.evaluate(() => {
    for (const fold of document.querySelectorAll<HTMLElement>('aside button.fold[aria-expanded="false"]'))
      fold.click()
  })

/** Ticks what is open in a list of checks. */
export async function tickAll(page: Page, list: string): Promise<void> {
  const open = page.getByRole('list', { name: list }).getByRole('checkbox', { checked: false })
  for (let left = await open.count(); left > 0; left -= 1) {
    await open.first().click()
    await expect(open).toHaveCount(left - 1)
  }
}
