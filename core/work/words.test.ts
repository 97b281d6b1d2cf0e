import { describe, expect, it } from 'vitest'
import { INCH, METRIC } from '../testing/says.ts'
import { ACTS } from './acts.ts'
import { type Act, act, sayAct, shortAct, tell } from './index.ts'

const side = (name: string, runPast = true) => act('side-off', { name, runPast })

describe('words of acts', () => {
  it('tells several of a kind in a row in one line, where they may stand together', () => {
    const list = [side('front'), side('back'), act('peel-base', {}), side('left end')]
    expect(tell(list, METRIC).map((t) => [t.of.length, t.text])).toEqual([
      [
        2,
        'Sides off in this order: front, back; lever at the ends that run past, never against the concrete.',
      ],
      [1, sayAct(list[2]!, METRIC)],
      [1, 'Side off: left end; lever at the ends that run past, never against the concrete.'],
    ])
    expect(tell(list, METRIC, () => false).length).toBe(4)
    // One after the other where there is no sentence for both.
    expect(tell([act('peel-base', {}), act('peel-base', {})], METRIC).length).toBe(2)
    expect(tell([], METRIC)).toEqual([])
  })
  it.each<[Act, RegExp, RegExp]>([
    [
      act('lay-mesh', { fillMm: 25.4, coverMm: 15, bars: 0 }),
      /25 mm deep, wires 15 mm/,
      /1" deep, wires 9\/16"/,
    ],
    [act('join-lift', { number: 2, rodMm: 25 }), /rod 25 mm/, /rod 1"/],
    [act('wrap-knockout', { name: 'basin knockout', wrapMm: 3 }), /with 3 mm/, /with 1\/8"/],
    [act('drill-floor', { holeMm: 3 }), /a 3 mm hole/, /a 1\/8" hole/],
    [act('trowel', { dentMm: 1 }), /less than 1 mm/, /less than 3\/64"/],
  ])('says lengths in the units of the reader: %o', (told, metric, inch) => {
    expect(sayAct(told, METRIC)).toMatch(metric)
    expect(sayAct(told, INCH)).toMatch(inch)
    expect(sayAct(told, INCH)).not.toMatch(/\d ?mm/)
  })
  it('counts one as one', () => {
    const texts = [
      act('jackets-off', { pieces: 1 }),
      act('print', { parts: 1 }),
      act('ribs-off', { ribs: 1 }),
      act('peel-skin', { strips: 1 }),
      act('separators-out', { separators: 1 }),
      act('smooth-seam', { seams: 1 }),
      act('cut-list', { pieces: 1 }),
    ].map((a) => sayAct(a, METRIC))
    expect(texts.filter((t) => /\b1 \w+s\b|piece by piece|one by one/.test(t))).toEqual([])
  })
  it('has a short name for each, that fits under a number', () => {
    for (const code of Object.keys(ACTS) as (keyof typeof ACTS)[]) {
      expect(shortAct(code).length).toBeGreaterThan(2)
      expect([code, shortAct(code).length <= 24]).toEqual([code, true])
    }
  })
})
