import { expect, type Page } from '@playwright/test'
import { bench, openDemo, plan, station, test } from './app.ts'

/** Presses of keys, each counted; letters and figures too. */
function keysOf(page: Page) {
  let count = 0
  const press = async (key: string, times = 1) => {
    for (let i = 0; i < times; i += 1) {
      await page.keyboard.press(key)
      count += 1
    }
  }
  return {
    press,
    type: async (text: string) => {
      for (const c of text) await press(c === ' ' ? 'Space' : c)
    },
    count: () => count,
    /** Walks on until what has the focus is called so. */
    to: async (name: RegExp, key = 'Tab', most = 40) => {
      if (name.test(await focused(page))) return
      for (let i = 0; i < most; i += 1) {
        await press(key)
        if (name.test(await focused(page))) return
      }
      throw new Error(
        `${name} was not reached by ${most} times ${key}; the focus is on ${await focused(page)}`,
      )
    },
  }
}
const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const at = document.activeElement
    if (!at || at === document.body) return '(nothing)'
    const labels = at instanceof HTMLInputElement || at instanceof HTMLSelectElement ? at.labels : null
    return at.getAttribute('aria-label') ?? labels?.[0]?.textContent ?? at.textContent ?? at.tagName
  })
const somewhere = (page: Page) => expect.poll(() => focused(page)).not.toBe('(nothing)')

test('by keys alone: from a new piece to its printed sheet in at most 200 presses', async ({ page }) => {
  await page.addInitScript(() => {
    window.print = () => Object.assign(window, { printed: true })
  })
  await openDemo(page)
  const { press, type, to, count } = keysOf(page)
  await test.step('a new piece by the finder', async () => {
    await press('/')
    await expect(page.getByRole('combobox', { name: 'Find' })).toBeFocused()
    await type('new p')
    await press('Enter')
    await page.getByRole('heading', { name: 'New piece' }).waitFor()
    await somewhere(page)
    await to(/^Name$/)
    await type('Sill')
    await to(/^Length/)
    await type('900')
    await press('Tab')
    await type('38*10')
    await press('Tab')
    await type('2"')
    await to(/Make this piece/)
    await press('Enter')
    await expect(page.getByRole('textbox', { name: 'Name of the piece' })).toHaveValue('Sill')
    await expect(bench(page).getByRole('textbox', { name: /^Length/ })).toHaveValue('900')
    await somewhere(page)
  })
  await test.step('an opening, moved by arrows and placed by its fields', async () => {
    await press('b')
    await to(/^\+ tap hole/)
    await press('Enter')
    await expect(bench(page).getByRole('heading', { name: 'tap hole' })).toBeVisible()
    await somewhere(page)
    await press('p')
    const hole = plan(page).getByRole('button', { name: /^tap hole, d/ })
    await to(/^tap hole, d/)
    await press('Shift+ArrowUp', 3)
    await expect(hole).toHaveAccessibleName(/203|202/)
    await press('Control+z')
    // The three steps are one.
    await expect(hole).toHaveAccessibleName(/17[23]/)
    await press('Control+Shift+z')
    await somewhere(page)
  })
  await test.step('its mould, its steel and its pour', async () => {
    for (const [key, name] of [
      ['2', 'Mould'],
      ['3', 'Steel'],
      ['6', 'Pour'],
    ] as const) {
      await press(key)
      await expect(bench(page).getByRole('heading', { name, level: 1 })).toBeFocused()
    }
    await to(/^Air\b/)
    await type('14')
    await press('Enter')
    await expect(station(page, 'Pour')).toContainText('14')
    // Out of the field, to the keys of the page.
    await press('Escape')
    await expect(bench(page).getByRole('heading', { name: 'Pour', level: 1 })).toBeFocused()
  })
  await test.step('its sheet', async () => {
    await press('9')
    await expect(page.getByRole('button', { name: 'Print the shop sheet' })).toBeEnabled()
    await to(/Print the shop sheet/)
    await press('Enter')
    await expect(station(page, 'Sheets')).toContainText(/printed/)
    await somewhere(page)
  })
  expect(count()).toBeLessThanOrEqual(200)
})

test('the focus never falls to the page itself', async ({ page }) => {
  await openDemo(page)
  const { press, to } = keysOf(page)
  await press('1')
  await somewhere(page)
  await press('p')
  await to(/^cable pass/)
  await press('Delete')
  await somewhere(page)
  await press('Control+z')
  await expect(plan(page).getByRole('button', { name: /^cable pass/ })).toBeVisible()
  await press('8')
  await expect(bench(page).getByRole('heading', { name: 'Log', level: 1 })).toBeFocused()
  // The button leads to what the pour waits for, one check after the other, until all are ticked.
  await expect(bench(page)).not.toContainText('still being worked out')
  const waits = bench(page).getByRole('checkbox', { checked: false, name: /The pour waits for it/ })
  for (let left = await waits.count(); left > 0; left -= 1) {
    await to(/^Log this pour/)
    await press('Enter')
    await somewhere(page)
    await press(' ')
    await expect(waits).toHaveCount(left - 1)
  }
  await to(/^Log this pour/)
  await press('Enter')
  await expect(station(page, 'Log')).toContainText('1')
  await somewhere(page)
  await to(/^remove/)
  await press('Enter')
  await somewhere(page)
  await press('f')
  await somewhere(page)
  await press('?')
  await page.getByRole('heading', { name: 'Keys' }).waitFor()
  await press('Escape')
  await somewhere(page)
})
