import { expect, type Page } from '@playwright/test'
import { openDemo, station, test, unfold } from './app.ts'

/**
 * What is wrong and then arithmetic is typed into every measure field, then what lies below it is pressed: the press must arrive, and what is
 * pressed must not have moved between the press and its release. What the press would do is kept from happening.
 */
const PAGES: readonly (readonly [piece: string, station: string])[] = [
  ['wash-top', 'piece'],
  ['wash-top', 'mould'],
  ['wash-top', 'steel'],
  ['stargazing-seat', 'piece'],
  ['egg-finial', 'mould'],
]

/** From now on presses are noted and go no further. */
const catchPresses = (page: Page) =>
  page.evaluate(() => {
    const noted: string[] = []
    Object.assign(window, { noted })
    for (const kind of ['click', 'pointerup'] as const)
      document.addEventListener(
        kind,
        (event) => {
          if (kind === 'click') {
            const at = event.target as Element
            noted.push(at.closest('[data-below]') ? 'hit' : (at.textContent?.slice(0, 40) ?? at.tagName))
            event.stopImmediatePropagation()
            event.preventDefault()
          }
        },
        true,
      )
  })

/** Marks the first control below a field and tells where its middle is; null where there is none in view. */
const markBelow = (page: Page, index: number) =>
  page.evaluate((n) => {
    for (const old of document.querySelectorAll('[data-below]')) old.removeAttribute('data-below')
    const fields = [...document.querySelectorAll<HTMLElement>('input.field-input[data-measure]')].filter(
      (f) => f.checkVisibility(),
    )
    const field = fields[n]!
    field.scrollIntoView({ block: 'center' })
    const own = field.getBoundingClientRect()
    const controls = [...document.querySelectorAll<HTMLElement>('button, input, a[href]')]
      .filter((c) => !c.closest('[hidden]') && !(c as HTMLButtonElement).disabled)
      .map((control) => ({ control, box: control.getBoundingClientRect() }))
      .filter(
        ({ box }) =>
          box.height > 4 &&
          box.top >= own.bottom - 2 &&
          box.left < own.right + 60 &&
          box.right > own.left - 240 &&
          box.bottom < innerHeight,
      )
      .sort((a, b) => a.box.top - b.box.top || b.box.left - a.box.left)
    const below = controls[0]
    if (!below) return null
    below.control.setAttribute('data-below', '')
    return { x: below.box.left + below.box.width / 2, y: below.box.top + below.box.height / 2 }
  }, index)
const placeOf = (page: Page) =>
  page.evaluate(() => {
    const { left, top } = document.querySelector('[data-below]')!.getBoundingClientRect()
    return [Math.round(left), Math.round(top)]
  })

async function pressBelowEach(page: Page, where: string): Promise<{ pressed: number; lost: string[] }> {
  await catchPresses(page)
  const fields = page.locator('input.field-input[data-measure]:visible')
  const lost: string[] = []
  let pressed = 0
  for (let i = 0; i < (await fields.count()); i += 1) {
    const field = fields.nth(i)
    const below = await markBelow(page, i)
    if (!below) continue
    const name = await field.evaluate((f: HTMLInputElement) => f.labels?.[0]?.textContent ?? '')
    const before = await field.inputValue()
    const free = await placeOf(page)
    await field.fill('two planks')
    if (String(await placeOf(page)) !== String(free))
      lost.push(`${where}, below “${name}”: it moved when a wrong entry was complained of`)
    await field.fill(`${before} + 2`)
    const at = await placeOf(page)
    const box = (await page.locator('[data-below]').boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.waitForTimeout(80)
    const held = await placeOf(page)
    await page.mouse.up()
    pressed += 1
    const got = await page.evaluate(() => (window as unknown as { noted: string[] }).noted.splice(0))
    // A list opens when it is pressed, before any click.
    const isList = (await page.locator('[data-below][role="combobox"]').count()) > 0
    if (isList) {
      await page.getByRole('listbox').waitFor()
      await page.keyboard.press('Escape')
      await page.getByRole('listbox').waitFor({ state: 'detached' })
    }
    if (!isList && got.join() !== 'hit')
      lost.push(`${where}, below “${name}”: the press ${got.length ? `went to “${got.join()}”` : 'was lost'}`)
    if (String(held) !== String(at))
      lost.push(`${where}, below “${name}”: it moved from ${at} to ${held} while it was pressed`)
  }
  return { pressed, lost }
}

test('a press below a field with a sum in it is never lost, and nothing moves under it', async ({ page }) => {
  await openDemo(page)
  const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
  const lost: string[] = []
  let pressed = 0
  const add = (found: { pressed: number; lost: string[] }) => {
    pressed += found.pressed
    lost.push(...found.lost)
  }
  for (const [piece, name] of PAGES) {
    await page.goto(`${job}/${piece}/${name}`)
    await expect(station(page, name)).toHaveAttribute('aria-current', 'page')
    await expect(page.locator('.stale, .guess')).toHaveCount(0)
    await unfold(page)
    add(await pressBelowEach(page, `${piece} ${name}`))
  }
  for (const where of ['new', 'run/warming-top', 'stock']) {
    await page.goto(`${job}/${where}`)
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    add(await pressBelowEach(page, where))
  }
  expect(lost).toEqual([])
  expect(pressed).toBeGreaterThan(60)
})
