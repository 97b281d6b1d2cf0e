import fs from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { bench, station } from './app.ts'

export const row = (page: Page, name: string | RegExp) => bench(page).getByRole('row', { name })

/** Another piece of the demo, at its mould. */
export async function mouldOf(page: Page, piece: string): Promise<void> {
  const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
  await page.goto(`${job}/${piece}/mould`)
  await expect(station(page, 'Mould')).toContainText(/\d/)
}

/** A piece from the wall of starts, at its mould. */
export async function startAtMould(page: Page, what: string, name: string): Promise<void> {
  await page.getByRole('link', { name: '+ new piece' }).click()
  await page.getByRole('button', { name: what, exact: true }).click()
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill(name)
  await page.getByRole('button', { name: 'Make this piece' }).click()
  await expect(station(page, 'Piece')).toContainText(/\d/)
  await station(page, 'Mould').click()
}

export async function savedBytes(page: Page, button: string): Promise<Uint8Array> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    bench(page).getByRole('button', { name: button }).click(),
  ])
  return fs.readFileSync(await download.path())
}

/** The same as text. */
export const saved = async (page: Page, button: string): Promise<string> =>
  Buffer.from(await savedBytes(page, button)).toString('utf8')
