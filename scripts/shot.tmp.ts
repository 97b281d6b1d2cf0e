import { chromium } from '@playwright/test'
import { CHROMIUM, serveApp } from '/work/main/e2e/chromium.ts'
const server = await serveApp(4399)
const browser = await chromium.launch(CHROMIUM)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
page.on('pageerror', (e) => console.log('PAGEERROR', e.message)); page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()))
await page.goto(server.address); await page.getByRole('navigation', { name: 'The line' }).waitFor()
const base = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
const steps = (await import(process.argv[2]!)).default as (page: any, address: string, base: string) => Promise<void>
try { await steps(page, server.address, base) } catch (e) { console.log('FAILED', String(e).slice(0, 600)); await page.screenshot({ path: '/tmp/fail.png' }) } finally { await browser.close(); server.stop() }
