import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cutBars } from './cutBars.ts'

const of = (lengths: readonly number[]) => lengths.map((length, i) => ({ id: `${i}`, length }))

describe('lengths cut from bars', () => {
  it.each<[string, number[], number, number, number, string[]]>([
    ['nothing', [], 6000, 0, 0, []],
    ['one that fills its bar', [6000], 6000, 1, 1, []],
    ['one too long is told', [6001, 100], 6000, 1, 1, ['0']],
    ['two halves want a kerf between them', [3000, 3000], 6000, 2, 2, []],
    ['and go on one bar when it is there', [2998.5, 2998.5], 6000, 1, 1, []],
    // First fit takes 3 for these; 2 do.
    ['better than first fit', [44, 24, 24, 22, 21, 17, 8, 8, 6, 6].map((l) => l * 10 - 3), 900, 2, 2, []],
    // No two of 2100 and no 2100 with two of 2000 on 6000: the sum alone would say 3.
    ['by pairs, not by their sum', [3100, 3100, 3100, 3100], 6000, 4, 4, []],
  ])('%s', (_, lengths, bar, bars, bound, tooLong) => {
    const layout = cutBars(of(lengths), bar, 3)
    expect([layout.bars.length, layout.lowerBound, layout.proven, layout.tooLong]).toEqual([
      bars,
      bound,
      true,
      tooLong,
    ])
  })
  it('every part once, every kerf kept, as many bars as they were cut from', () => {
    const share = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 5 })
    fc.assert(
      fc.property(
        fc.array(share, { minLength: 1, maxLength: 6 }),
        fc.constantFrom(0, 2, 3.2),
        (sawn, kerf) => {
          // Bars of 3000 sawn without waste into parts of these shares.
          const lengths = sawn.flatMap((shares) => {
            const whole = 3000 - kerf * (shares.length - 1)
            const all = shares.reduce((a, b) => a + b, 0)
            return shares.map((s) => (whole * s) / all)
          })
          const layout = cutBars(of(lengths), 3000, kerf)
          expect(
            layout.bars
              .flat()
              .map((p) => Number(p.id))
              .sort((a, b) => a - b),
          ).toEqual(lengths.map((_, i) => i))
          for (const bar of layout.bars)
            expect(bar.reduce((sum, p) => sum + p.length, 0) + kerf * (bar.length - 1)).toBeLessThanOrEqual(
              3000 + 1e-3,
            )
          expect(layout.lowerBound).toBeLessThanOrEqual(sawn.length)
          if (layout.proven) expect(layout.bars.length).toBeLessThanOrEqual(sawn.length)
          expect(layout.bars.length).toBeLessThanOrEqual(sawn.length + 1)
        },
      ),
      { seed: 9, numRuns: 80 },
    )
  })
})
