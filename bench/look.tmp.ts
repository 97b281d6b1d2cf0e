import { chromium } from '@playwright/test'
import fs from 'node:fs'
import { CHROMIUM, serveApp } from '../e2e/chromium.ts'
const server = await serveApp(4334)
const browser = await chromium.launch(CHROMIUM)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.goto(server.address)
await page.waitForFunction(() => /\d/.test(document.querySelector('nav[aria-label="The line"]')?.textContent ?? ''))
const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
for (const [piece, ...stations] of process.argv.slice(2).map((a) => a.split(':'))) {
  for (const s of stations) {
    await page.goto(`${server.address}${job}/${piece}/${s}`)
    await page.waitForFunction(() => document.querySelector('.frame') && /\d/.test(document.querySelector('nav[aria-label="The line"]')?.textContent ?? '') && document.querySelectorAll('.stale, .guess').length === 0, null, { timeout: 60000 })
    await page.waitForTimeout(1200)
    await page.screenshot({ path: `/tmp/look/${piece}-${s}.png` })
    fs.writeFileSync(`/tmp/look/${piece}-${s}.txt`, await page.evaluate(() => document.body.innerText))
  }
}
await browser.close(); server.stop(); process.exit(0)
