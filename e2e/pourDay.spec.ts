import fs from 'node:fs'
import { expect } from '@playwright/test'
import ICAL from 'ical.js'
import { bench, openDemo, station, test, type } from './app.ts'
import { layoutFaults } from './layoutFaults.ts'
import { smallTargets } from './smallTargets.ts'

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

test('part of a bag is weighed out with its pigment, and a warmer day draws every window in', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await openDemo(page)
  await page.goto('/job/kestrel-rise/wall-tile/mix')
  const batch = page.getByRole('region', { name: 'What goes into batch 1' })
  await expect(batch).toContainText(/red oxide/)
  const kg = async () => Number(/red oxide\D*([\d.]+)/.exec((await batch.textContent()) ?? '')?.[1])
  const before = await kg()
  expect(before).toBeGreaterThan(0)
  // Twice the pigment, twice the weight of it; the powder stays.
  await type(page, /red oxide/, '8')
  await expect.poll(kg).toBeCloseTo(2 * before, 2)
  await page.goto('/job/kestrel-rise/wash-top/pour')
  const closes = async () => {
    await expect(page.locator('.stale, .guess')).toHaveCount(0)
    const text = (await bench(page).getByRole('table', { name: 'The day' }).textContent()) ?? ''
    return [...text.matchAll(/not after \+?(?:(\d+) d )?(\d+):(\d\d)/g)].map(
      ([, d, h, m]) => Number(d ?? 0) * 1440 + Number(h) * 60 + Number(m),
    )
  }
  const cold = await closes()
  expect(cold.length).toBeGreaterThan(2)
  await type(page, /^Air$/, '28')
  await expect(station(page, 'Pour')).toContainText('at 28')
  const warm = await closes()
  expect(warm).toHaveLength(cold.length)
  for (const [i, minutes] of warm.entries()) expect(minutes).toBeLessThan(cold[i]!)
})

test('the pour-day screen is whole on phone and tablet, for a tube, two shells and coats, in both units', async ({
  page,
}) => {
  await openDemo(page)
  const found: string[] = []
  for (const units of ['metric', 'US']) {
    for (const piece of ['pier-drum', 'egg-finial', 'eyepiece-shelf']) {
      await page.goto(`/job/kestrel-rise/${piece}/pour-day`)
      const head = page.getByRole('region', { name: 'Now' }).getByRole('heading')
      // Checks, then what is weighed first.
      for (let n = 0; n < 30; n++) {
        const done = page.getByRole('button', { name: /^(done|weighed)$/ })
        await expect(done).toBeVisible()
        for (const [width, height] of [
          [360, 740],
          [768, 1024],
        ] as const) {
          await page.setViewportSize({ width, height })
          await page.waitForTimeout(60)
          const faults = [...(await page.evaluate(layoutFaults)), ...(await page.evaluate(smallTargets))]
          const off = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
          found.push(
            ...faults.map((f) => `${piece} ${units} ${width}, ${f}`),
            ...(off > 1 ? [`${piece} ${units} ${width}: off the side`] : []),
          )
        }
        if (/water/i.test((await head.textContent()) ?? '')) break
        const said = await page.getByRole('region', { name: 'Now' }).textContent()
        await done.click()
        await expect(page.getByRole('region', { name: 'Now' })).not.toHaveText(said ?? '')
      }
      await expect(head).toContainText(/water/i)
    }
    if (units === 'metric') {
      await page.setViewportSize({ width: 1280, height: 800 })
      await page.goto('/job/kestrel-rise/wash-top/pour')
      await page.getByRole('button', { name: /^Units/ }).click()
      await page.waitForTimeout(600)
    }
  }
  expect([...new Set(found)]).toEqual([])
})
