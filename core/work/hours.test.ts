import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayMinute, type Hours, isInHours, lastInHours, minuteOfDay, nextInHours } from './hours.ts'
import { type Ageing, act, atNight, type Operation, operation, scheduleOperations } from './index.ts'

/** From seven to eight in the evening, the water at nine. */
const shop: Hours = { fromMinute: 420, toMinute: 1200, waterMinute: 540 }
const hour = (h: number) => h * 60

describe('hours of work', () => {
  it.each([
    // Minutes from the water, minutes of work, and the next start and last end that keep to them.
    ['at nine', 0, 30, 0, 0],
    ['a minute before it closes', hour(10.5), 60, hour(22), hour(10.5)],
    ['at midnight', hour(15), 60, hour(22), hour(11)],
    ['before it opens', hour(-3), 30, hour(-2), hour(-13)],
    ['a day and a half later', hour(36), 30, hour(46), hour(35)],
    ['longer than the day', hour(15), hour(20), hour(22), hour(11)],
  ])('%s', (_, at, work, next, last) => {
    expect(nextInHours(at, work, shop)).toBeCloseTo(next, 6)
    expect(lastInHours(at, work, shop)).toBeCloseTo(last, 6)
  })
  it('moves no more than it must, whatever the hours', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -20_000, max: 20_000 }),
        fc.integer({ min: 1, max: 300 }),
        fc.integer({ min: 0, max: 1000 }),
        fc.integer({ min: 300, max: 430 }),
        fc.integer({ min: 0, max: 1439 }),
        (at, work, fromMinute, length, waterMinute) => {
          const hours = { fromMinute, toMinute: fromMinute + length, waterMinute }
          const [next, last] = [nextInHours(at, work, hours), lastInHours(at, work, hours)]
          const fits = (start: number) => isInHours(start, work, hours)
          return (
            next >= at &&
            last <= at &&
            next - at <= 1440 &&
            at - last <= 1440 &&
            fits(next) &&
            fits(last - work) &&
            (!fits(at) || next === at) &&
            (!fits(at - work) || last === at)
          )
        },
      ),
      { seed: 11 },
    )
  })
  it('reads the minute of the day', () => {
    expect(minuteOfDay('2026-05-30T09:30')).toBe(570)
    expect(dayMinute(-600, shop)).toBe(hour(23))
  })
})

const concrete: Ageing = {
  initialSet: 240,
  finalSet: 360,
  f28: 30,
  curve: { kind: 'law', f28: 30, s: 0.25, finalSet: 360 },
  course: { kind: 'constant', degC: 20 },
  lastWater: 0,
}
const op = (
  id: string,
  minutes: number,
  over: Partial<Operation> & { waitMinutes?: number } = {},
): Operation =>
  operation({
    ...act('cover', { open: true }),
    id,
    station: 'release',
    per: 'cast',
    minutes,
    ...over,
  } as never)
const mixing = (needs: string[]): Operation => op('mix', 10, { station: 'mix', needs })

describe('a schedule that keeps to them', () => {
  const at = (ops: Operation[], hours: Hours = shop) => {
    const work = scheduleOperations(ops, concrete, 'mix', hours)
    return { work, of: (id: string) => work.find((o) => o.id === id)! }
  }
  it('a bead that cures overnight is laid the evening before, not at night', () => {
    const { of, work } = at([
      op('screw', 120),
      op('bead', 30, { needs: ['screw'], waitMinutes: hour(8) }),
      op('wax', 20, { needs: ['bead'] }),
      mixing(['wax']),
    ])
    // Eight hours before the wax at 8:40 is past midnight: it ends at eight in the evening.
    expect([of('wax').startMinutes, of('bead').endMinutes, of('screw').endMinutes]).toEqual([
      -20,
      hour(-13),
      hour(-13) - 30,
    ])
    expect(atNight(work, shop)).toEqual([])
  })
  it('what has no window waits for the morning; what has one, or is placed, does not', () => {
    const late: Hours = { ...shop, waterMinute: hour(17) }
    const { of, work } = at(
      [
        mixing([]),
        op('float', 5, {
          station: 'pour',
          needs: ['mix'],
          notBefore: [{ kind: 'set', of: 'initial', setShare: 1 }],
        }),
        op('ease', 5, {
          needs: ['mix'],
          notBefore: [{ kind: 'set', of: 'final', setShare: 1 }],
          notAfter: [{ kind: 'set', of: 'final', setShare: 2 }],
        }),
        op('strip', 30, { needs: ['mix'], notBefore: [{ kind: 'strength', mpa: 5 }] }),
        op('lift', 30, { needs: ['strip'] }),
      ],
      late,
    )
    expect(of('float').startMinutes).toBeCloseTo(240, 6)
    expect(of('ease').startMinutes).toBeCloseTo(360, 6)
    expect(of('strip').startMinutes).toBeGreaterThanOrEqual(hour(14))
    expect(of('lift').startMinutes).toBe(of('strip').endMinutes)
    expect(atNight(work, late).map((o) => o.id)).toEqual(['float', 'ease'])
  })
})
