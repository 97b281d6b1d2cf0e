import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type ReadTemperatures, readTemperatures } from './readTemperatures.ts'

const WATER = '2026-05-30T09:00:00'
const read = (text: string) => readTemperatures(text, WATER)
const pairs = (out: ReturnType<typeof read>) =>
  'why' in out ? out.why : out.readings.map((r) => [r.minutes, Math.round(r.degC * 10) / 10])

describe('a logger’s file', () => {
  it.each<[string, string, unknown, Partial<ReadTemperatures>]>([
    [
      'dates and degrees',
      'time,temp °C\n2026-05-30 09:10,18.5\n2026-05-30 10:00:30,19\n',
      [
        [10, 18.5],
        [60.5, 19],
      ],
      { unit: 'C', unitGuessed: false },
    ],
    [
      'hours without a head',
      '0,18\n1.5,20\n',
      [
        [0, 18],
        [90, 20],
      ],
      { unitGuessed: true, unit: 'C' },
    ],
    [
      'minutes by their head',
      'min;degC\n0;18\n15;18,4\n',
      [
        [0, 18],
        [15, 18.4],
      ],
      {},
    ],
    [
      'hours and minutes',
      '0:00\t18\n1:30\t19\n26:00\t15\n',
      [
        [0, 18],
        [90, 19],
        [1560, 15],
      ],
      { gapMinutes: 1470 },
    ],
    [
      'Fahrenheit by its head',
      'hours,°F\n0,68\n1,77\n',
      [
        [0, 20],
        [60, 25],
      ],
      { unit: 'F', unitGuessed: false },
    ],
    [
      'Fahrenheit by its figures',
      '0,68\n1,77\n2,77\n',
      [
        [0, 20],
        [60, 25],
        [120, 25],
      ],
      { unit: 'F', unitGuessed: true },
    ],
    [
      'out of order',
      '2,20\n0,18\n1,19\n',
      [
        [0, 18],
        [60, 19],
        [120, 20],
      ],
      { outOfOrderCount: 1 },
    ],
    ['before the water', '2026-05-30 08:00,12\n2026-05-30 09:00,18\n', [[0, 18]], { beforeWaterCount: 1 }],
    [
      'a probe that fell off',
      '0,18\n1,-196\n2,19\n',
      [
        [0, 18],
        [120, 19],
      ],
      { wildCount: 1 },
    ],
    [
      'lines that say nothing',
      '0,18\nlost\n1,\n2,19\n',
      [
        [0, 18],
        [120, 19],
      ],
      { unread: [2, 3], unreadCount: 2 },
    ],
    ['nothing', '', 'No line of it is a time and a temperature.', {}],
    ['words', 'hello\nworld\n', 'No line of it is a time and a temperature.', {}],
    [
      'all of it before',
      '2026-05-29 08:00,12\n',
      'No reading of it is of concrete after its first water.',
      {},
    ],
    ['far too large', 'x'.repeat(4_000_001), 'The file is too large for readings of a thermometer.', {}],
  ])('%s', (_, text, wanted, more) => {
    const out = read(text)
    expect(pairs(out)).toEqual(wanted)
    expect(out).toMatchObject(more)
  })

  it('fifty thousand readings are thinned evenly to ten thousand', () => {
    const out = read(Array.from({ length: 50_000 }, (_, i) => `${i / 60},20`).join('\n')) as ReadTemperatures
    expect([out.readings.length, out.thinnedFrom, out.readings[1]!.minutes]).toEqual([
      10_000,
      50_000,
      expect.closeTo(5, 6),
    ])
  })

  it('never throws, and lets nothing in that is not finite, in order and of concrete', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.oneof(fc.string({ maxLength: 12 }), fc.double().map(String), fc.constant('2026-05-30 10:00')),
            fc.oneof(fc.string({ maxLength: 8 }), fc.double({ min: -400, max: 900 }).map(String)),
          ),
          { maxLength: 30 },
        ),
        (rows) => {
          const out = read(rows.map((r) => r.join(',')).join('\n'))
          if ('why' in out) return
          for (const [i, r] of out.readings.entries()) {
            expect(r.minutes >= (out.readings[i - 1]?.minutes ?? 0) && r.degC >= -30 && r.degC <= 60).toBe(
              true,
            )
            expect(Number.isFinite(r.minutes)).toBe(true)
          }
        },
      ),
    ))
})
