import { describe, expect, it } from 'vitest'
import { planPiece } from '../../../core/plan.ts'
import { filledAt } from '../../state/filledAt.ts'
import { demo, kernel } from '../../testing/stillPage.tsx'
import { nightsOf, rowsOf, SPANS, stretchOf, ticksOf, windowsOf } from './dayRows.ts'
import { movedStart } from './dayTime.ts'

const planOf = (id: string) =>
  planPiece(kernel, demo, demo.pieces.find((p) => p.id === id)!, { light: true, quick: true })

describe('the day on its axis', () => {
  it.each([
    // From and to, px wide, the minute of the day at 0: the first ticks and the step between them.
    [{ from: -30, to: 210 }, 700, 540, -30, 30],
    [{ from: -20, to: 60 }, 700, 547, -17, 10],
    [{ from: -60, to: 8 * 1440 }, 700, 540, 15 * 60, 1440],
  ] as const)('%o over %d px', (stretch, width, water, first, step) => {
    const ticks = ticksOf(stretch, width, water)
    expect([ticks[0], ticks[1]! - ticks[0]!]).toEqual([first, step])
    for (const t of ticks) expect((t + water) % step).toBe(0)
    expect(ticks.at(-1)!).toBeLessThanOrEqual(stretch.to)
  })
  it('nights are those in which the shop is shut', () => {
    const hours = { fromMinute: 420, toMinute: 1200, waterMinute: 540 }
    expect(nightsOf({ from: -60, to: 1440 }, hours)).toEqual([{ from: 660, to: 1320 }])
    expect(nightsOf({ from: -600, to: 0 }, hours)).toEqual([{ from: -600, to: -120 }])
    expect(nightsOf({ from: -60, to: 1440 }, null)).toEqual([])
  })
  it.each([
    ['2026-05-30T09:00', 65, '2026-05-30T10:05'],
    ['2026-12-31T23:50', 20, '2027-01-01T00:10'],
    ['2026-05-30T00:00', -5, '2026-05-29T23:55'],
  ])('%s and %d min', (start, by, want) => expect(movedStart(start, by)).toBe(want))
})

describe.each(['wash-top', 'egg-finial', 'stargazing-seat', 'chart-table', 'pier-drum', 'rain-basin'])(
  'of %s',
  (id) => {
    it('each act stands once, in the row of who does it, and none over another of its row', () => {
      const plan = planOf(id)
      const rows = rowsOf(plan.work)
      expect(rows.map((r) => r.who)).toEqual(['mixer', 'left', 'hands'])
      const hands = rows.find((r) => r.who === 'hands')!.busy
      const worked = plan.work
        .filter((op) => op.per === 'cast' && op.code !== 'mix-batch' && !op.until && op.endMinutes !== null)
        .reduce((sum, op) => sum + op.work.workMinutes, 0)
      expect(hands.reduce((sum, b) => sum + b.to - b.from, 0)).toBeCloseTo(worked, 6)
      for (const row of rows.filter((r) => r.who !== 'left'))
        row.busy.forEach((b, i) => {
          expect(b.to).toBeGreaterThan(b.from)
          if (i > 0) expect(b.from).toBeGreaterThanOrEqual(row.busy[i - 1]!.to - 1e-6)
        })
      const [pour, day, all] = SPANS.map((s) => stretchOf(s, plan.work))
      expect([pour!.to < day!.to, day!.to <= all!.to + 1440]).toEqual([true, true])
      expect(hands.every((b) => b.to <= all!.to)).toBe(true)
    })
    it('fills from nothing to all, never less than before', () => {
      const { work } = planOf(id)
      let before = 0
      for (let m = -60; m < 600; m += 3) {
        const now = filledAt(work, m)
        expect(now).toBeGreaterThanOrEqual(before)
        if (m <= 0) expect(now).toBe(0)
        before = now
      }
      expect(before).toBeCloseTo(1, 9)
    })
    it('tells only windows that something is done in', () => {
      const plan = planOf(id)
      const names = windowsOf(plan.stations.pour!.figures, plan.work).map((w) => w.name)
      expect(names[0]).toBe('it works')
      expect(names.includes('sheen gone, not yet set')).toBe(
        plan.work.some((op) =>
          ['float', 'trowel', 'tool-edges', 'fill-upper', 'fill-aprons'].includes(op.code),
        ),
      )
      expect(names.some((n) => n.startsWith('turned over'))).toBe(
        plan.work.some((op) => op.station === 'release' && op.attitude?.turned),
      )
    })
  },
)
