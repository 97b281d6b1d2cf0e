/** Takes the pictures of docs/screenshots from the demo job: `npm run screenshots` after `npm run build`. */
import { spawn } from 'node:child_process'
import fs from 'node:fs'
import { chromium, type Page } from '@playwright/test'

const PORT = 4327
const ADDRESS = `http://127.0.0.1:${PORT}`
const FOLDER = new URL('../docs/screenshots/', import.meta.url)

const server = spawn('node', ['--import', 'tsx', 'server/main.ts'], {
  env: { ...process.env, PORT: String(PORT) },
  stdio: 'pipe',
})
await new Promise<void>((ready) => server.stdout.once('data', () => ready()))
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--ignore-gpu-blocklist',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(ADDRESS)
  await page.getByRole('navigation', { name: 'The line' }).waitFor()
  const top = new URL(page.url()).pathname.replace(/\/piece$/, '')
  const tread = top.replace('wash-top', 'stair-tread')
  fs.mkdirSync(FOLDER, { recursive: true })
  for (const station of ['piece', 'mould', 'steel', 'release', 'mix', 'pour', 'finish', 'sheets'])
    await shoot(page, station, `${top}/${station}`)
  await shoot(page, 'log', `${tread}/log`)
  await shoot(page, 'placed', `${top}/piece`, async () => {
    await page.getByRole('button', { name: 'as placed' }).click()
    await page.locator('[data-opening="basin"]').press('Enter')
  })
  await shoot(page, 'new-piece', `${top.split('/').slice(0, 3).join('/')}/new`)
  await shoot(page, 'stock', `${top.split('/').slice(0, 3).join('/')}/stock`)
  await shoot(page, 'jobs', '/jobs')
  await shoot(page, 'night', `${top}/mould`, async () => {
    await page.getByRole('button', { name: 'night' }).click()
    await page.getByRole('button', { name: 'parts apart' }).click()
  })
} finally {
  await browser.close()
  server.kill()
}

async function shoot(page: Page, name: string, path: string, then?: () => Promise<void>): Promise<void> {
  await page.goto(`${ADDRESS}${path}`)
  await page.waitForTimeout(1500)
  await then?.()
  await page.waitForTimeout(1800)
  await page.screenshot({ path: new URL(`${name}.png`, FOLDER).pathname })
}
