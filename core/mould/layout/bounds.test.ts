import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boundSheets } from './boundSheets.ts'
import { boundBars, completeBars } from './completeBars.ts'
import { cutBars } from './cutBars.ts'
import { dualFeasible } from './dualFeasible.ts'
import { relaxBars } from './relaxBars.ts'

/** Lengths that fill a room: its shares by cuts at random. */
const filled = (cuts: readonly number[], room: number): number[] => {
  const at = [0, ...[...new Set(cuts)].sort((a, b) => a - b), 1]
  return at.slice(1).map((x, i) => (x - at[i]!) * room)
}
const cuts = fc.array(
  fc.integer({ min: 1, max: 23 }).map((n) => n / 24),
  { minLength: 1, maxLength: 6 },
)
const kindsOf = (sizes: readonly number[]) => {
  const sorted = [...sizes].sort((a, b) => b - a)
  return [...new Set(sorted)].map((size) => ({ size, count: sorted.filter((s) => s === size).length }))
}

/** The fewest bars, by every way of putting each length on each bar. */
function fewestByAll(sizes: readonly number[], room: number): number {
  let best = sizes.length
  const left: number[] = []
  const put = (i: number): void => {
    if (left.length >= best) return
    if (i === sizes.length) {
      best = left.length
      return
    }
    for (let b = 0; b < left.length; b += 1) {
      if (sizes[i]! > left[b]! + 1e-9) continue
      left[b] = left[b]! - sizes[i]!
      put(i + 1)
      left[b] = left[b]! + sizes[i]!
    }
    left.push(room - sizes[i]!)
    put(i + 1)
    left.pop()
  }
  put(0)
  return best
}

describe('bounds', () => {
  it('whatever fits a room still does in each dual feasible function', () => {
    fc.assert(
      fc.property(cuts, cuts, (own, other) => {
        const shares = filled(own, 1)
        for (const f of dualFeasible([...shares, ...filled(other, 1)], 30))
          expect(shares.reduce((sum, x) => sum + f(x), 0)).toBeLessThanOrEqual(1 + 1e-6)
      }),
      { seed: 3, numRuns: 300 },
    )
  })

  // Worked out by hand: how many of each no sheet or bar takes two of.
  it.each<[string, [number, number, number][], boolean, number]>([
    ['nothing', [], true, 0],
    ['one that fills it', [[2400, 1200, 1]], true, 1],
    ['three of more than half each way', [[1300, 700, 3]], true, 3],
    ['of more than half its width, laid along only', [[900, 700, 4]], false, 2],
    ['nine of a third and a bit each way: four to a sheet', [[810, 410, 9]], false, 3],
    ['the same, which may be turned: less is known', [[810, 410, 9]], true, 2],
    [
      'two long ones and what fits beside neither',
      [
        [2300, 700, 2],
        [600, 600, 4],
      ],
      false,
      3,
    ],
  ])('sheets of 2400 x 1200: %s', (_, sizes, turn, bound) => {
    const items = sizes.flatMap(([w, h, n]) => Array.from({ length: n }, () => ({ w, h })))
    expect(boundSheets(items, 2400, 1200, turn)).toBe(bound)
  })

  it('bars: no bound is over the fewest, and the search finds them, as every way tried does', () => {
    const length = fc.integer({ min: 4, max: 24 }).map((n) => n * 41)
    fc.assert(
      fc.property(fc.array(length, { minLength: 1, maxLength: 8 }), (sizes) => {
        const fewest = fewestByAll(sizes, 1000)
        const kinds = kindsOf(sizes)
        const counts = kinds.map((k) => k.count)
        expect(
          boundBars(
            kinds.map((k) => k.size),
            counts,
            1000,
          ),
        ).toBeLessThanOrEqual(fewest)
        expect(relaxBars(kinds, 1000, 100_000).bound).toBeLessThanOrEqual(fewest)
        expect(completeBars(kinds, 1000, fewest, 100_000).patterns).not.toBeNull()
        if (fewest > 1)
          expect(completeBars(kinds, 1000, fewest - 1, 100_000)).toMatchObject({
            patterns: null,
            whole: true,
          })
        const layout = cutBars(
          sizes.map((l, i) => ({ id: `${i}`, length: l })),
          1000,
          0,
        )
        expect([layout.bars.length, layout.proven]).toEqual([fewest, true])
      }),
      { seed: 5, numRuns: 120 },
    )
  })

  it('the relaxed cutting makes every length as often as it is wanted', () => {
    const kinds = [
      { size: 47, count: 9 },
      { size: 36, count: 11 },
      { size: 25, count: 8 },
      { size: 14, count: 20 },
    ]
    const { patterns, bound } = relaxBars(kinds, 100, 100_000)
    kinds.forEach(({ count }, k) => {
      expect(patterns.reduce((sum, p) => sum + p.times * p.pattern[k]!, 0)).toBeCloseTo(count, 6)
    })
    for (const { pattern } of patterns)
      expect(pattern.reduce((sum, n, k) => sum + n * kinds[k]!.size, 0)).toBeLessThanOrEqual(100)
    // Worth 13.125 bars at 1/2, 3/8, 1/4 and 1/8 for each; completing bars shows 13 impossible too.
    expect(bound).toBe(14)
    expect(completeBars(kinds, 100, 13, 100_000)).toMatchObject({ patterns: null, whole: true })
  })
})
