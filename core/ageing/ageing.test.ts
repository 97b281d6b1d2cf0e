import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ageForStrength, dryingRate, equivalentAge, rateAt, strengthAt, timeForAge } from './index.ts'

it.each([
  [5, 0.413],
  [10, 0.56],
  [15, 0.752],
  [20, 1],
  [25, 1.317],
  [30, 1.718],
  [35, 2.223],
])('hydration at %d degC runs %d times as fast as at 20', (degC, rate) =>
  expect(rateAt(degC)).toBeCloseTo(rate, 3),
)

it.each([
  [30, 30, 0.4, 15, 0.91],
  [25, 25, 0.5, 10, 0.424],
  [5, 30, 1, 0, 0],
])(
  'dries at %d/%d degC, humidity %d, wind %d: %d kg/m2 an hour',
  (concreteDegC, airDegC, humidity, windKmPerH, rate) =>
    expect(dryingRate({ concreteDegC, airDegC, humidity, windKmPerH })).toBeCloseTo(rate, 3),
)

describe('strength', () => {
  const law = (f28: number, s: number) => ({ kind: 'law', f28, s, finalSet: 360 }) as const
  it.each([
    [1, 0.342],
    [2, 0.504],
    [3, 0.598],
    [7, 0.779],
    [28, 1],
  ])('after %d days is %d of f28', (days, part) =>
    expect(strengthAt(law(1, 0.25), days * 1440)).toBeCloseTo(part, 3),
  )

  it('is 0 before final set and 4.32 MPa at 12 h', () => {
    expect(strengthAt(law(35, 0.25), 359)).toBe(0)
    expect(strengthAt(law(35, 0.25), 720)).toBeCloseTo(4.32, 2)
  })

  it.each([
    [35, 0.25, 5, 10, 23.3],
    [35, 0.25, 5, 20, 13.1],
    [35, 0.25, 5, 30, 7.6],
    [35, 0.25, 10, 10, 37.3],
    [35, 0.25, 10, 20, 20.9],
    [35, 0.25, 10, 30, 12.2],
    [28, 0.38, 5, 20, 22.3],
    [28, 0.38, 10, 20, 48.8],
  ])('f28 %d, s %d reaches %d MPa at %d degC after %d h', (f28, s, mpa, degC, hours) => {
    const age = ageForStrength(law(f28, s), mpa)!
    expect(timeForAge({ kind: 'constant', degC }, age)! / 60).toBeCloseTo(hours, 1)
  })

  it('passes through the points of a sheet and holds the last', () => {
    const curve = {
      kind: 'points',
      finalSet: 35,
      points: [
        { hours: 1, mpa: 10 },
        { hours: 3, mpa: 20 },
        { hours: 24, mpa: 28 },
      ],
    } as const
    // 0 until final set whatever the points say, then as they say.
    expect(
      [0.5, 34.9 / 60, 36 / 60, 1, Math.sqrt(3), 3, 24, 1000].map((h) => strengthAt(curve, h * 60)),
    ).toEqual([0, 0, 6, 10, 15, 20, 28, 28])
    expect(ageForStrength(curve, 29)).toBeNull()
  })
})

describe('a course of temperatures', () => {
  const warming = {
    kind: 'list',
    points: [
      { hour: 0, degC: 8 },
      { hour: 6, degC: 20 },
      { hour: 12, degC: 10 },
    ],
  } as const
  it('lies between its coldest and warmest, and a list of one value is a constant', () => {
    const age = equivalentAge(warming, 720)
    expect(age).toBeGreaterThan(720 * rateAt(8))
    expect(age).toBeLessThan(720)
    expect(equivalentAge({ kind: 'list', points: [{ hour: 3, degC: 14 }] }, 500)).toBeCloseTo(
      500 * rateAt(14),
      6,
    )
  })
  it('finds the time for an age it has summed, and says never', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6000 }), (minutes) => {
        const found = timeForAge(warming, equivalentAge(warming, minutes))
        return found !== null && Math.abs(found - minutes) < 0.5
      }),
      { seed: 5 },
    )
    expect(timeForAge({ kind: 'constant', degC: 10 }, 1e9)).toBeNull()
  })
})
