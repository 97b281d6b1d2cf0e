import { chromium } from '@playwright/test'
import { CHROMIUM, serveApp } from '../e2e/chromium.ts'
// usage: look.tmp.ts piece/station[@WxH][#act] ...
const server = await serveApp(4399)
const browser = await chromium.launch(CHROMIUM)
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(server.address)
  await page.getByRole('navigation', { name: 'The line' }).waitFor()
  for (const [i, arg] of process.argv.slice(2).entries()) {
    const [path, size] = arg.split('@')
    const [w, h] = (size ?? '1280x800').split('x').map(Number)
    await page.setViewportSize({ width: w!, height: h! })
    await page.goto(`${server.address}${path!.startsWith('/') ? path : `/job/kestrel-rise/${path}`}`)
    await page.waitForTimeout(1500)
    await page.waitForFunction(() => document.querySelectorAll('.stale, .guess').length === 0, null, { timeout: 60000 })
    await page.waitForTimeout(800)
    await page.screenshot({ path: `/tmp/look${i}.png` })
  }
} finally {
  await browser.close()
  server.stop()
}
