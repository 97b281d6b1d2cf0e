import fc from 'fast-check'
import { expect, it } from 'vitest'
import { tableLevel } from './level.ts'

const cast = { areaMm2: 900 * 500, freshKgPerM3: 2350 }

it.each<[string, number[], number[], number, number, number, number]>([
  ['level', [5, 5, 5, 5], [0, 0, 0, 0], 0, 0, 0, 0],
  ['falls to the left', [0, 4, 4, 0], [4, 0, 0, 4], 4, 0, 0, 4],
  ['falls to the front', [0, 0, 3, 3], [3, 3, 0, 0], 0, 3, 0, 3],
  ['three corners', [0, 2, 3], [3, 1, 0], 2, 1, 0, 3],
  ['twisted', [0, 2, 0, 2], [2, 0, 2, 0], 0, 0, 1, 0],
])('%s', (_, heights, shims, along, across, twist, error) => {
  const level = tableLevel(heights, cast)
  expect([level.shims, level.along, level.across, level.twist, level.depthError]).toEqual([
    shims,
    along,
    across,
    twist,
    error,
  ])
  // Half the fall over the whole plan, beside what is wanted.
  expect(level.extraKg).toBeCloseTo((900 * 500 * error * 2350 * 1e-9) / 2, 9)
})
it('is level once shimmed, whatever it was, and a plane has no twist', () => {
  const h = fc.double({ min: -30, max: 30, noNaN: true })
  fc.assert(
    fc.property(h, h, h, h, (a, b, c, d) => {
      const { shims } = tableLevel([a, b, c, d], cast)
      const after = tableLevel(
        [a, b, c, d].map((x, i) => x + shims[i]!),
        cast,
      )
      expect(after.depthError + after.twist + Math.max(...after.shims)).toBeCloseTo(0, 9)
      expect(Math.min(...shims)).toBe(0)
      expect(tableLevel([a, b, c, a - b + c], cast).twist).toBeCloseTo(0, 9)
      const three = tableLevel([a, b, c], cast)
      expect(three.along).toBeCloseTo(b - a, 9)
      expect(three.across).toBeCloseTo(c - b, 9)
    }),
  )
})
