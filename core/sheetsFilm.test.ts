import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { newTurned, type Piece, withChoice } from './job/index.ts'
import { planPiece } from './plan.ts'
import { filmPageCount, filmPages } from './sheets/filmPages.ts'
import { type Page, shopSheet } from './sheets/index.ts'
import type { ShopSheetInput } from './sheets/sheetFrame.ts'
import { METRIC } from './testing/says.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testStock, testTop } from './testing/testPiece.ts'
import { isStripping, tell } from './work/index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const inputOf = (piece: Piece, quick = false): ShopSheetInput => {
  const job = testJob(piece)
  const plan = planPiece(kernel, job, piece, { quick })
  return {
    jobName: job.name,
    piece,
    settings: job.settings,
    work: plan.work,
    stations: plan.stations as ShopSheetInput['stations'],
  }
}
const texts = (page: Page): string[] => page.marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []))
const drum = (): Piece => {
  const piece = newTurned({ id: 'd', name: 'Drum', start: '2026-05-30T09:00', zone: 'UTC' }, testStock)
  return { ...piece, mould: withChoice(piece.mould, { method: 'tube' }) }
}

describe('the film on paper', () => {
  it.each<[string, () => Piece]>([
    ['a box of boards', testTop],
    ['a tube', drum],
  ])('of %s draws every step once, in its cell, at one scale', (_, make) => {
    const input = inputOf(make())
    const pages = filmPages(kernel, input)
    expect(pages).toHaveLength(filmPageCount(input))
    const steps = tell(input.work.filter(isStripping), METRIC)
    const told = pages.flatMap(texts).filter((t) => /^\d+ {2}/.test(t))
    expect(told).toEqual(steps.map((s, i) => `${i + 1}  ${s.short}`))
    for (const page of pages)
      for (const mark of page.marks)
        for (const [x, y] of mark.kind === 'line' ? mark.points : [mark.at]) {
          expect(x).toBeGreaterThanOrEqual(0)
          expect(x).toBeLessThanOrEqual(page.width)
          expect(y).toBeGreaterThanOrEqual(0)
          expect(y).toBeLessThanOrEqual(page.height)
        }
    // What leaves is drawn heavier than what stands.
    const weights = new Set(
      pages.flatMap((p) => p.marks.flatMap((m) => (m.kind === 'line' ? [m.weight] : []))),
    )
    expect(weights.has(0.4)).toBe(true)
  })
  it('is part of the shop sheet, and counted in its figures', () => {
    const input = inputOf(testTop())
    const { pages, figures } = shopSheet(kernel, input)
    expect(pages.filter((p) => p.of === 'film')).toHaveLength(1)
    expect(figures.pages).toBe(pages.length)
  })
  it('without the solids of the mould there is none', () => {
    const input = inputOf(testTop(), true)
    expect([filmPages(kernel, input), filmPageCount(input)]).toEqual([[], 0])
  })
})
