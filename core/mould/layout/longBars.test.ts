import { expect, it } from 'vitest'
import { cutBars } from './cutBars.ts'

/** Numerical Recipes' generator: the same lists everywhere. */
function numbers(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296
    return state / 4294967296
  }
}
const between = (low: number, high: number) => (random: () => number, count: number) =>
  Array.from({ length: count }, () => Math.round(6000 * (low + (high - low) * random())))

const FAMILIES: [string, (random: () => number, count: number) => number[]][] = [
  ['of a tenth to seven', between(0.1, 0.7)],
  ['of a twentieth to half', between(0.05, 0.5)],
  [
    'of six sorts',
    (random, count) => {
      const sorts = between(0.1, 0.5)(random, 6)
      return Array.from({ length: count }, () => sorts[Math.floor(random() * 6)]!)
    },
  ],
  [
    'in threes that fill a bar',
    (random, count) =>
      Array.from({ length: count / 3 }, () => {
        const [a, b] = [0.26 + 0.2 * random(), 0.26 + 0.1 * random()].map((s) => Math.round(6000 * s))
        return [a!, b!, 6000 - 4 - a! - b!]
      }).flat(),
  ],
]

it.each(FAMILIES)('sixty lengths %s are cut from the fewest bars, which is known', (_, family) => {
  for (let seed = 1; seed <= 5; seed += 1) {
    const parts = family(numbers(seed), 60).map((length, i) => ({ id: `${i}`, length }))
    const layout = cutBars(parts, 6000, 2, 4)
    expect([seed, layout.proven]).toEqual([seed, true])
    expect(layout.bars.flat()).toHaveLength(60)
    for (const bar of layout.bars)
      expect(bar.reduce((sum, p) => sum + p.length, 2 * (bar.length - 1))).toBeLessThanOrEqual(6000 + 1e-6)
  }
})
