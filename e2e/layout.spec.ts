import { expect, type Page } from '@playwright/test'
import { startingStock } from '../core/stock/index.ts'
import { openDemo, station, test, unfold } from './app.ts'
import { layoutFaults } from './layoutFaults.ts'
import { smallTargets } from './smallTargets.ts'
import { wordFaults } from './wordFaults.ts'

/** `npm run layout` walks every piece; the tests take one of each that is drawn in its own way. */
const WHOLE = process.env.LAYOUT === 'whole'
const STATIONS = ['piece', 'mould', 'steel', 'release', 'mix', 'pour', 'finish', 'log', 'sheets']
/** Names by a size of the trade, which keep it in any units; in a sentence they may begin with a capital. */
const TRADE = Object.values(startingStock())
  .flat()
  .flatMap(({ name }) => [name, name.charAt(0).toUpperCase() + name.slice(1)])
const SIZES = [
  [1280, 800],
  [1920, 1080],
  [1024, 768],
] as const

/** Waits until nothing is being worked out and nothing is a guess. */
async function settled(page: Page): Promise<void> {
  await expect(page.locator('.stale, .guess')).toHaveCount(0)
  await expect(page.getByRole('navigation', { name: 'The line' })).not.toContainText('…')
}

/** The faults of one page in every size, with all that is folded away folded and open. */
async function look(
  page: Page,
  where: string,
  sizes: readonly (readonly [number, number])[],
): Promise<[string, string][]> {
  const found: [string, string][] = []
  for (const [width, height] of sizes) {
    await page.setViewportSize({ width, height })
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))
    await page.waitForTimeout(120)
    for (const fault of await page.evaluate(layoutFaults)) found.push([fault, `${where} ${width}`])
    for (const words of await page.evaluate(wordFaults, TRADE)) found.push([words, `${where} ${width}`])
    for (const target of await page.evaluate(smallTargets))
      found.push([`${target}, less than a hand wants`, `${where} ${width}`])
  }
  return found
}

test('nothing is cut, covered, too small, outside the view or over another text', async ({ page }) => {
  test.setTimeout(3_600_000)
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await openDemo(page)
  const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
  const few = ['wash-top', 'pier-drum', 'stargazing-seat', 'egg-finial']
  const only = process.env.LAYOUT_PIECES?.split(',')
  const pieces: string[] =
    only ??
    (WHOLE
      ? await page.evaluate(
          () =>
            new Promise<string[]>((done) => {
              const opening = indexedDB.open('steady-hollow')
              opening.onsuccess = () => {
                const read = opening.result.transaction('jobs').objectStore('jobs').get('kestrel-rise')
                read.onsuccess = () => done(read.result.job.pieces.map((p: { id: string }) => p.id))
              }
            }),
        )
      : few)
  const found = new Map<string, string[]>()
  const add = (faults: readonly (readonly [string, string])[]) => {
    for (const [fault, where] of faults) found.set(fault, [...(found.get(fault) ?? []), where])
  }
  for (const piece of pieces) {
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(`${job}/${piece}/piece`)
    for (const [i, name] of STATIONS.entries()) {
      await page.keyboard.press(String(i + 1))
      await expect(station(page, name)).toHaveAttribute('aria-current', 'page')
      await settled(page)
      add(await look(page, `${piece} ${name}`, WHOLE ? SIZES : [SIZES[(i % 2) * 2]!]))
      // On a phone all of it lies below one another, and nothing runs off the side.
      await page.setViewportSize({ width: 390, height: 844 })
      const off = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
      if (off > 1) add([[`runs ${off} px off the side of a phone`, `${piece} ${name}`]])
      // Inches are longer, and so is what is folded away.
      await page.getByRole('button', { name: /^Units/ }).click()
      await settled(page)
      add(await look(page, `${piece} ${name} in US units`, [SIZES[2]]))
      if (WHOLE) {
        await unfold(page)
        add(await look(page, `${piece} ${name} unfolded`, [SIZES[2]]))
      }
      await page.keyboard.press('Control+z')
    }
  }
  for (const where of ['new', 'stock', 'pieces', 'cutting', 'run/warming-top', '/jobs']) {
    await page.goto(where.startsWith('/') ? where : `${job}/${where}`)
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    add(await look(page, where, SIZES))
  }
  expect(
    [...found].map(
      ([fault, where]) =>
        `${fault}: ${where.slice(0, 6).join(', ')}${where.length > 6 ? ` and ${where.length - 6} more` : ''}`,
    ),
  ).toEqual([])
})
