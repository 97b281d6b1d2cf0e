import fs from 'node:fs'
import { expect } from '@playwright/test'
import ICAL from 'ical.js'
import { bench, openDemo, test } from './app.ts'

test.use({ viewport: { width: 390, height: 844 } })

test('a pour is run on the pour-day screen with the stand-in instruments, goes on after a reload, and stands in the log', async ({
  page,
}) => {
  // The clock of the page alone is moved on: its timers and its workers run as they do.
  await page.addInitScript(() => {
    const real = Date.now
    Date.now = () => real() + Number(sessionStorage.getItem('ahead') ?? 0)
  })
  const later = (minutes: number) =>
    page.evaluate((m) => {
      sessionStorage.setItem('ahead', String(Number(sessionStorage.getItem('ahead') ?? 0) + m * 60_000))
    }, minutes)
  await openDemo(page)
  await page.goto('/job/kestrel-rise/star-tile/pour-day')
  const now = page.getByRole('region', { name: 'Now' })
  const head = now.getByRole('heading')
  const button = (name: string | RegExp) =>
    page.getByRole('button', { name, exact: typeof name === 'string' })
  await expect(button('done')).toBeVisible()
  // Checks first, one at a time.
  for (let n = 0; n < 20 && (await button('done').isVisible()); n++) {
    const said = await now.textContent()
    await button('done').click()
    await expect(now).not.toHaveText(said ?? '')
  }
  await expect(head).toContainText(/water/i)
  await button(/readings/).click()
  await page.getByRole('checkbox', { name: /Listen/ }).click()
  await button(/close/).click()
  await expect(now).toContainText(/on the scale/)
  const all = await now.textContent()
  expect(all).toMatch(/kg/)
  // Each thing that goes in, until the powder does.
  const reached: string[] = []
  for (let n = 0; n < 12; n++) {
    const said = (await now.textContent()) ?? ''
    reached.push((await head.textContent()) ?? '')
    if (await button('it goes in').isVisible()) break
    await expect(now).toContainText(/on the scale \d/)
    await expect(now).not.toContainText('...', { timeout: 60_000 })
    await button('weighed').click()
    await expect(now).not.toHaveText(said)
  }
  await button('it goes in').click()
  await expect(head).toContainText(/mix/i)
  await later(4)
  await expect(now).toContainText(/more|long enough/)
  // A reload in the middle loses nothing, and nothing is asked twice.
  await page.waitForTimeout(500)
  await page.reload()
  await expect(head).toContainText(/mix/i)
  const seen: string[] = []
  for (let n = 0; n < 80; n++) {
    const text = (await now.textContent()) ?? ''
    if (await button('log this pour').isVisible()) break
    seen.push((await head.textContent()) ?? '')
    if (await button('done').isVisible()) {
      await button('done').click()
      await expect(now).not.toHaveText(text)
    } else await later(720)
    await page.waitForTimeout(120)
  }
  expect(seen.some((s) => /place/i.test(s))).toBe(true)
  await button('log this pour').click()
  await expect(head).toContainText(/logged/i)
  await page.goto('/job/kestrel-rise/star-tile/log')
  await bench(page).getByText('The day as it went').first().click()
  await expect(bench(page)).toContainText(/weighed, .* off at most/)
  await expect(bench(page)).toContainText(/Concrete read \d+ times/)
})

test('all windows are exported as a calendar that a parser reads, at the hours of the day', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await openDemo(page)
  await page.goto('/job/kestrel-rise/wash-top/pour')
  const keep = bench(page).getByRole('button', { name: 'windows as a calendar file' })
  await expect(keep).toBeEnabled()
  const [file] = await Promise.all([page.waitForEvent('download'), keep.click()])
  const events = new ICAL.Component(ICAL.parse(fs.readFileSync(await file.path(), 'utf8')))
    .getAllSubcomponents('vevent')
    .map((c) => new ICAL.Event(c))
  expect(events.length).toBeGreaterThan(4)
  expect(events[0]!.summary).toBe('Wash top: mix and place')
  const start = await bench(page).getByLabel('First water').inputValue()
  const local = events[0]!.startDate.toJSDate()
  // The job has a zone of its own: its clock stands at the hour that was chosen.
  expect(Math.abs(local.getTime() - new Date(`${start}Z`).getTime())).toBeLessThanOrEqual(14 * 3600_000)
  for (const event of events) expect(event.endDate.compare(event.startDate)).toBe(1)
})
