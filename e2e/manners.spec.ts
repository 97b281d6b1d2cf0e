import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { bench, newSlab, openDemo, plan, rail, restingMiddle, station, test, type } from './app.ts'

const STATIONS = ['piece', 'mould', 'steel', 'release', 'mix', 'pour', 'finish', 'log', 'sheets']

/**
 * Fails for what the accessibility checker finds on the page once it has settled: what is worked out again is dimmed for
 * that while, and fades back. By night colours change and nothing else.
 */
async function checkAccess(page: Page, where: string, night = false) {
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await expect(page.locator('.stale, .guess')).toHaveCount(0)
  // Only what is wrong is gathered: all that is right takes longer to write down than to check.
  const checker = new AxeBuilder({ page }).options({ resultTypes: ['violations'] })
  if (night) checker.withRules(['color-contrast'])
  const { violations } = await checker.analyze()
  expect(violations.map((v) => `${where}: ${v.id} ${v.nodes[0]?.html.slice(0, 160)}`)).toEqual([])
}

const WAYS: readonly (readonly [string, (page: Page) => Promise<void>])[] = [
  ['by day', async () => {}],
  ['by night', (page) => page.getByRole('button', { name: 'night' }).click()],
  [
    'in the reader’s own colours',
    (page) => page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' }),
  ],
  // Twice as large on the same screen leaves half as many pixels.
  ['at twice the size', (page) => page.setViewportSize({ width: 640, height: 400 })],
]
/** One of each kind that is drawn in its own way. */
const KINDS = ['wash-top', 'egg-finial', 'stargazing-seat', 'terrace-planter', 'star-tile']
/** The slab at every station by day and by night; in the other ways at every second one, so that each is seen in one. */
const slabStations = (way: number) => (way < 2 ? STATIONS : STATIONS.filter((_, i) => i % 2 === way % 2))
for (const [n, [way, enter]] of WAYS.entries())
  test(`five kinds of pieces pass the accessibility checker ${way}`, async ({ page }) => {
    await openDemo(page)
    await enter(page)
    const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
    for (const [i, piece] of KINDS.entries()) {
      await page.goto(`${job}/${piece}/piece`)
      for (const name of i === 0 ? slabStations(n) : way === 'by day' ? ['piece', 'mould'] : ['piece']) {
        await station(page, name).click()
        await expect(station(page, name)).toHaveAttribute('aria-current', 'page')
        await checkAccess(page, `${piece} ${name}`, way === 'by night')
      }
    }
    for (const [where, heading] of [
      ['stock', 'Stock of this job'],
      ['new', 'New piece'],
    ] as const) {
      await page.goto(`${job}/${where}`)
      await page.getByRole('heading', { name: heading, exact: true }).waitFor()
      await checkAccess(page, where, way === 'by night')
    }
  })

test('every other page and kind passes the accessibility checker', async ({ page }) => {
  await openDemo(page)
  await station(page, 'piece').click()
  await plan(page).locator('[data-opening]').first().press('Enter')
  await checkAccess(page, 'an opening')
  await page.keyboard.press('?')
  await checkAccess(page, 'keys')
  await page.keyboard.press('Escape')
  const job = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
  for (const [where, heading] of [
    ['run/warming-top', 'Run of pieces'],
    ['pieces', 'Pieces of Kestrel Rise'],
    ['cutting', 'A list of your own'],
  ] as const) {
    await page.goto(`${job}/${where}`)
    await page.getByRole('heading', { name: heading, exact: true }).waitFor()
    await checkAccess(page, where)
  }
  await page.goto('/jobs')
  await page.getByRole('heading', { name: 'Jobs' }).waitFor()
  await checkAccess(page, 'jobs')
})

// A shop with no job yet measures as its language does.
for (const [units, language, length, width, shown] of [
  ['mm', 'de-AT', '600', '400', /10\.8/],
  ['inches', 'en-US', '24', '16', /0\.39/],
] as const)
  test(`the short route in ${units}: a plain box from nothing to its sheet on paper in six acts`, async ({
    page,
  }) => {
    await page.addInitScript((spoken) => {
      Object.defineProperty(navigator, 'language', { get: () => spoken })
    }, language)
    await page.goto('/jobs')
    const acts: (() => Promise<unknown>)[] = [
      () => page.getByRole('button', { name: 'New job' }).click(),
      () => type(page, /^Length/, length, page.getByRole('main')),
      () => type(page, /^Width/, width, page.getByRole('main')),
      () => page.getByRole('button', { name: 'Make this piece' }).click(),
      () => page.keyboard.press('9'),
      () => page.getByRole('button', { name: 'Keep it as PDF' }).click(),
    ]
    const download = page.waitForEvent('download')
    for (const [i, act] of acts.entries()) {
      await act()
      // The piece is there before its sheet is asked for.
      if (i === 3) await expect(station(page, 'Piece')).toContainText(/\d/)
    }
    expect((await download).suggestedFilename()).toMatch(/\.pdf$/)
    await expect(station(page, 'Piece')).toContainText(shown)
    await expect(rail(page)).not.toContainText('stops the pour')
    await expect(page.getByRole('img', { name: /^Shop sheet, page 2/ })).toBeVisible()
  })

test('by keyboard alone: stations, an opening moved and removed, the finder', async ({ page }) => {
  await openDemo(page)
  await page.keyboard.press('2')
  await expect(page.getByRole('heading', { name: 'Mould' })).toBeVisible()
  await page.keyboard.press('1')
  const cable = plan(page).getByRole('button', { name: /^cable pass/ })
  await cable.focus()
  await page.keyboard.press('ArrowLeft')
  await expect(plan(page).getByRole('button', { name: /^cable pass.*131 from the left/ })).toBeVisible()
  await page.keyboard.press('Shift+ArrowUp')
  await expect(plan(page).getByRole('button', { name: /^cable pass.*240 from the front/ })).toBeVisible()
  await page.keyboard.press('Delete')
  await expect(cable).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(cable).toBeVisible()
  await page.keyboard.press('/')
  await page.getByRole('combobox', { name: 'Find' }).fill('station pour')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Pour' })).toBeVisible()
})

test('a side and a dimension of the plan are edited in place', async ({ page }) => {
  await openDemo(page)
  await newSlab(page, 'Plain top', '1180', '520', '45')
  await plan(page)
    .getByRole('button', { name: /^length 1180/ })
    .click()
  await type(page, 'length', '1000', plan(page))
  await expect(plan(page).getByRole('button', { name: /^length 1000/ })).toBeVisible()
  const [x, y] = await restingMiddle(page, plan(page).locator('[data-side="back"]'))
  await page.mouse.move(x - 40, y)
  await page.mouse.down()
  await page.mouse.move(x - 40, y - 20, { steps: 5 })
  await page.mouse.up()
  await expect(bench(page).getByRole('textbox', { name: /^Width/ })).not.toHaveValue('520')
})

test('two tabs: the other follows a save, and unsaved work is never overwritten', async ({
  page,
  context,
}) => {
  await openDemo(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(station(other, 'Piece')).toContainText('20.5')
  await type(page, 'Thickness', '50')
  await expect(bench(other).getByRole('textbox', { name: 'Thickness' })).toHaveValue('50')
  await type(other, 'Thickness', '60')
  await expect(bench(page).getByRole('textbox', { name: 'Thickness' })).toHaveValue('60')
})

test('a newer save by another tab is not overwritten: reload it, or keep mine as a copy', async ({
  page,
}) => {
  await openDemo(page)
  await expect(page.getByRole('status').filter({ hasText: /^saved/ })).toBeVisible()
  await page.evaluate(
    () =>
      new Promise<void>((done, fail) => {
        const opening = indexedDB.open('steady-hollow')
        opening.onerror = () => fail(opening.error)
        opening.onsuccess = () => {
          const jobs = opening.result.transaction('jobs', 'readwrite').objectStore('jobs')
          const read = jobs.get('kestrel-rise')
          read.onsuccess = () => {
            const row = read.result
            row.job.pieces[0].thickness = 70
            jobs.put({ ...row, revision: row.revision + 5 }).onsuccess = () => {
              opening.result.close()
              done()
            }
          }
        }
      }),
  )
  await type(page, 'Thickness', '50')
  await expect(page.getByRole('alert').filter({ hasText: 'another tab saved this job' })).toBeVisible()
  await expect(bench(page).getByRole('textbox', { name: 'Thickness' })).toHaveValue('50')
  await page.getByRole('button', { name: 'Keep mine as a copy' }).click()
  await expect(page.getByRole('link', { name: /Kestrel Rise \(copy\)/ })).toBeVisible()
  await expect(bench(page).getByRole('textbox', { name: 'Thickness' })).toHaveValue('50')
  await page.getByRole('link', { name: /all jobs/ }).click()
  await page.getByRole('button', { name: 'Kestrel Rise', exact: true }).click()
  await expect(bench(page).getByRole('textbox', { name: 'Thickness' })).toHaveValue('70')
})

test('storage that is blocked: the work stays, the page says so and offers a download', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('blocked', 'SecurityError')
    }
  })
  await page.goto('/')
  await expect(page.getByRole('alert')).toContainText('not saved')
  await type(page, 'Thickness', '50')
  await expect(station(page, 'Piece')).toContainText('22.7')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Download the job' }).click()
  expect((await download).suggestedFilename()).toBe('kestrel-rise.hollow.json')
})

test('without a network after the first visit', async ({ page, context }) => {
  await openDemo(page)
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await page.reload()
  await expect(station(page, 'Piece')).toContainText('20.5')
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true)
  await context.setOffline(true)
  await page.reload()
  await expect(station(page, 'Piece')).toContainText('20.5')
  await type(page, 'Thickness', '50')
  await expect(station(page, 'Piece')).toContainText('22.7')
  await context.setOffline(false)
})
