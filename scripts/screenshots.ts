/** Takes the pictures of docs/screenshots from the demo job: `npm run screenshots` after `npm run build`. */
import fs from 'node:fs'
import { chromium, type Page } from '@playwright/test'
import { CHROMIUM, serveApp } from '../e2e/chromium.ts'

const PORT = 4327
const FOLDER = new URL('../docs/screenshots/', import.meta.url)

const server = await serveApp(PORT)
const browser = await chromium.launch(CHROMIUM)
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(server.address)
  await page.getByRole('navigation', { name: 'The line' }).waitFor()
  const top = new URL(page.url()).pathname.replace(/\/piece$/, '')
  const job = top.split('/').slice(0, 3).join('/')
  const tread = top.replace('wash-top', 'stair-tread')
  fs.mkdirSync(FOLDER, { recursive: true })
  for (const station of ['piece', 'steel', 'pour', 'finish', 'sheets'])
    await shoot(page, station, `${top}/${station}`)
  // Part of a bag, with pigment.
  await shoot(page, 'mix', `${job}/wall-tile/mix`)
  await shoot(page, 'log', `${tread}/log`)
  await shoot(page, 'thickness', `${job}/stargazing-seat/steel`, async () => {
    await page.getByRole('radio', { name: 'thickness' }).click()
  })
  await shoot(page, 'handling', `${top}/steel`, async () => {
    await page.getByRole('radio', { name: 'handling' }).click()
    await page.getByRole('radio', { name: 'carried flat' }).click()
  })
  // Bent skins on ribs, the cut list and its sheets.
  await shoot(page, 'mould', `${job}/pier-cap/mould`)
  // The core on its way out, what goes on the faces of a form on a form, and a print that locks.
  await shoot(page, 'release', `${job}/terrace-planter/release`, async () => {
    await page.getByRole('slider', { name: 'Moment of the film' }).fill('4.5')
  })
  await shoot(page, 'faces', `${job}/plate-trough/release`, async () => {
    await page.getByRole('radio', { name: 'on the faces' }).click()
  })
  await shoot(page, 'draft', `${job}/door-stop/release`, async () => {
    await page.getByRole('radio', { name: 'draft', exact: true }).click()
  })
  await shoot(page, 'upper-form', `${job}/plate-trough/mould`)
  await shoot(page, 'lettering', `${job}/hearth-panel/piece`, async () => {
    await page.getByRole('radio', { name: 'as placed' }).click()
  })
  await shoot(page, 'run', `${job}/run/warming-top`)
  await shoot(page, 'import', `${job}/new`, async () => {
    // The star tile as it might come: two facets short.
    const bytes = fs.readFileSync(new URL('../demo/star-tile.stl', import.meta.url))
    const short = bytes.subarray(0, bytes.length - 2 * 50)
    short.writeUInt32LE(short.readUInt32LE(80) - 2, 80)
    await page
      .getByLabel('Mesh file')
      .setInputFiles({ name: 'star-tile.stl', mimeType: 'model/stl', buffer: short })
    await page.getByRole('region', { name: 'Health of the mesh' }).scrollIntoViewIfNeeded()
  })
  // A cage in a post, from the front and from above.
  await shoot(page, 'cage', `${job}/lamp-bollard/steel`)
  // The pour itself, in a hand.
  await page.setViewportSize({ width: 390, height: 844 })
  await shoot(page, 'pour-day', `${job}/wash-top/pour-day`, async () => {
    // Up to the first thing that is weighed, on the stand-in's scale.
    await page.getByRole('button', { name: 'readings' }).click()
    await page.getByRole('checkbox', { name: /Listen/ }).click()
    await page.getByRole('button', { name: 'close' }).click()
    while (await page.getByRole('button', { name: 'done', exact: true }).isVisible()) {
      await page.getByRole('button', { name: 'done', exact: true }).click()
      await page.waitForTimeout(300)
    }
    await page.waitForTimeout(4000)
  })
} finally {
  await browser.close()
  server.stop()
}

async function shoot(page: Page, name: string, path: string, then?: () => Promise<void>): Promise<void> {
  await page.goto(`${server.address}${path}`)
  await settled(page)
  await then?.()
  await settled(page)
  await page.screenshot({ path: new URL(`${name}.png`, FOLDER).pathname })
}

/** Until all is worked out, drawn and proven; a page without the line rests for a moment. */
async function settled(page: Page): Promise<void> {
  await page.waitForTimeout(1500)
  await page.waitForFunction(
    () =>
      document.querySelectorAll('.stale, .guess').length === 0 &&
      !document.querySelector('nav[aria-label="The line"]')?.textContent?.includes('…') &&
      document.querySelectorAll('section[aria-label="Findings"] li button:disabled').length === 0,
  )
  // The solid is drawn a frame or two after it has come.
  await page.waitForTimeout(1500)
}
