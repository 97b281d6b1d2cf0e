import { chromium, type Page } from '@playwright/test'
import { CHROMIUM, serveApp } from '../e2e/chromium.ts'

const PORT = 4331

/** In the built page: first useful screen, and from a pointer's move to the figure's text, over a drag of the demo's basin. */
export async function measureBrowser(): Promise<void> {
  const server = await serveApp(PORT)
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    const firsts: number[] = []
    for (let i = 0; i < 5; i += 1) {
      await page.goto('about:blank')
      const start = performance.now()
      await page.goto(server.address)
      await page.waitForFunction(() =>
        /\d/.test(document.querySelector('nav[aria-label="The line"]')?.textContent ?? ''),
      )
      firsts.push(performance.now() - start)
    }
    console.log('in the browser')
    console.log(
      `  first useful screen ${firsts[0]!.toFixed(0)} ms at first visit, ${median(firsts.slice(1)).toFixed(0)} ms after; goal 1500 ms`,
    )
    await page.waitForTimeout(2000)
    const moves = await dragMoves(page)
    console.log(
      `  pointer move to the figure's text, median ${median(moves).toFixed(0)} ms, 95% ${moves.sort((a, b) => a - b)[Math.floor(moves.length * 0.95)]?.toFixed(0)} ms over ${moves.length} moves; goal 50 ms`,
    )
  } finally {
    await browser.close()
    server.stop()
  }
}

const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? Number.NaN

/** Drags the back side of the slab outward, 1 px a move, and waits at each for the volume to change. */
async function dragMoves(page: Page): Promise<number[]> {
  const box = (await page.locator('[data-side="back"]').boundingBox())!
  const x = box.x + box.width * 0.15
  const y = box.y + box.height / 2
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x, y - 8, { steps: 4 })
  await page.waitForTimeout(500)
  await page.evaluate(() => {
    const rail = document.querySelector('nav[aria-label="The line"] li span.font-bold')!
    const state = { moved: 0, times: [] as number[] }
    Object.assign(window, { hollowBench: state })
    window.addEventListener(
      'pointermove',
      () => {
        state.moved = performance.now()
      },
      true,
    )
    new MutationObserver(() => {
      if (state.moved === 0) return
      state.times.push(performance.now() - state.moved)
      state.moved = 0
    }).observe(rail, { characterData: true, subtree: true, childList: true })
  })
  for (let i = 1; i <= 25; i += 1) {
    await page.mouse.move(x, y - 8 - i * 2)
    await page.waitForTimeout(250)
  }
  await page.mouse.up()
  return page.evaluate(() => (window as unknown as { hollowBench: { times: number[] } }).hollowBench.times)
}
