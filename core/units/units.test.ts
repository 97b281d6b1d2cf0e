import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { closeRounding } from './closeRounding.ts'
import {
  KG_PER_M3_PER_LB_PER_FT3,
  KG_PER_POUND,
  LITRES_PER_CUBIC_FOOT,
  MPA_PER_PSI,
  massOf,
} from './convert.ts'
import { formatCut, formatInches, formatLength, formatTyped, METRIC, shopStep } from './formatLength.ts'
import type { MeasureError } from './measureError.ts'
import { parseLength } from './parseLength.ts'
import { explainMeasureError } from './words.ts'

const inch = { units: 'inch', inchDenominator: 16 } as const

describe('parseLength', () => {
  const read: [string, number, 'mm' | 'in'][] = [
    ['600', 600, 'mm'],
    ['600', 15240, 'in'],
    ['600mm', 600, 'in'],
    ['60 cm', 600, 'mm'],
    ['0.6 m', 600, 'mm'],
    ['.5m', 500, 'mm'],
    ['23 5/8"', 600.075, 'mm'],
    ['23-5/8 in', 600.075, 'mm'],
    ['23 - 5/8 in', 23 - 15.875, 'mm'],
    ['23⅝"', 600.075, 'mm'],
    ['2\' 3 1/2"', 698.5, 'mm'],
    ['2ft 3', 685.8, 'mm'],
    ["2 feet 3 in + 1'", 990.6, 'mm'],
    ['5/8"', 15.875, 'mm'],
    ['1 3/4"', 44.45, 'mm'],
    ['1200 - 2*18', 1164, 'mm'],
    ['1200-36/2', 1182, 'mm'],
    ['(4\' 2" + 1/2")/2', 641.35, 'mm'],
    ['4 2/4', 4.5, 'mm'],
    ["600 * (2'/3')", 400, 'mm'],
    ['2 × (18 + 3) ÷ 3', 14, 'mm'],
    ['10 - -5', 15, 'mm'],
    ['3" + 1', 101.6, 'in'],
  ]
  it.each(read)('reads %s as %d mm', (text, mm, fieldUnit) => {
    const parsed = parseLength(text, { fieldUnit })
    expect(parsed.ok && parsed.mm).toBeCloseTo(mm, 6)
  })

  const refused: [string, MeasureError['code'], string][] = [
    ['', 'empty', ''],
    ['  ', 'empty', '  '],
    ['abc', 'notUnderstood', 'abc'],
    ['600 x 400', 'notUnderstood', 'x'],
    ['12 kg', 'notALength', 'kg'],
    ['1,5', 'decimalComma', ','],
    ['2\'-3"', 'joinOrSubtract', "2'-3"],
    ["2' 3 mm", 'unitClash', "2' 3 mm"],
    ['3 mm 4 cm', 'unitClash', '4 cm'],
    ['12 13', 'notUnderstood', '13'],
    ['3 mm * 4 mm', 'lengthTimesLength', '3 mm * 4 mm'],
    ['3 / 4 mm + 100 / (2 mm)', 'divideByLength', '100 / (2 mm'],
    ['10 / 0', 'divideByZero', '0'],
    ['10 mm / 5 mm', 'ratio', '10 mm / 5 mm'],
    ['18 - 20', 'negative', '18 - 20'],
    ['101 m', 'tooLarge', '101 m'],
    ['12 +', 'missing', ''],
    ['* 12', 'missing', '*'],
    ['(12 + 3', 'bracket', '('],
    ['12)', 'bracket', ')'],
    ['1e9', 'notUnderstood', 'e'],
    [`1${'+1'.repeat(150)}`, 'tooLong', '+1'.repeat(51).slice(1, 102)],
  ]
  it.each(refused)('refuses %s as %s and marks the place', (text, code, marked) => {
    const parsed = parseLength(text, { fieldUnit: 'mm' })
    if (parsed.ok) throw new Error(`read as ${parsed.mm}`)
    expect([parsed.error.code, parsed.error.text]).toEqual([code, marked])
    expect(text.slice(parsed.error.at, parsed.error.at + parsed.error.length)).toBe(parsed.error.text)
    expect(explainMeasureError(parsed.error)).toMatch(/\.$/)
  })

  it('allows a negative offset where one is legal', () => {
    expect(parseLength('18 - 20', { fieldUnit: 'mm', allowNegative: true })).toEqual({ ok: true, mm: -2 })
  })

  it('never throws and never gives NaN, whatever is typed', () => {
    const typed = fc.string({ unit: fc.constantFrom(...'0123456789 ./-+*()\'"mcinft½,'), maxLength: 24 })
    fc.assert(
      fc.property(typed, (text) => {
        const parsed = parseLength(text, { fieldUnit: 'mm', allowNegative: true })
        return !parsed.ok || Number.isFinite(parsed.mm)
      }),
      { seed: 7, numRuns: 2000 },
    )
  })
})

describe('showing measures', () => {
  it.each([
    [600.075, 16, '23 5/8"'],
    [12.7, 16, '1/2"'],
    [25.4, 8, '1"'],
    [0, 16, '0"'],
    [-12.7, 16, '-1/2"'],
    [0.1, 16, '0"'],
    [25.2, 16, '1"'],
    [1.5, 64, '1/16"'],
  ])('%d mm to 1/%d" is %s', (mm, denominator, shown) => expect(formatInches(mm, denominator)).toBe(shown))

  it('shows drawings to 1 mm, cuts to 0.5 mm, typed values as typed', () => {
    expect([formatLength(44.45, METRIC), formatCut(44.45, METRIC), formatTyped(44.45, METRIC)]).toEqual([
      '44',
      '44.5',
      '44.45',
    ])
    expect([formatLength(44.45, inch), formatTyped(44.45, inch), formatTyped(45, inch)]).toEqual([
      '1 3/4"',
      '1 3/4"',
      '≈1 49/64"',
    ])
    expect([shopStep(METRIC), shopStep(inch)]).toEqual([1, 1.5875])
  })

  it('reads back every inch value it shows as typed, or to half a 64th where it says that it is near', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3000, noNaN: true }), (mm) => {
        const text = formatTyped(mm, inch)
        const parsed = parseLength(text, { fieldUnit: 'in' })
        return parsed.ok && Math.abs(parsed.mm - mm) < (text.startsWith('≈') ? 25.4 / 127 : 0.006)
      }),
      { seed: 11 },
    )
  })
})

describe('closeRounding', () => {
  it.each([
    [[33.3, 66.4], 1, [33, 67], 0],
    [[100.4, 100.4], 1, [100, 100], 1],
    [[100.4, 50.4, 100.4], 1, [100, 51, 100], 0],
    [[18.25, 463.5, 18.25], 0.5, [18.5, 463, 18.5], 0],
    [[12, 13], 1, [12, 13], 0],
    [[], 1, [], 0],
  ])('%j to %d shows %j, off by %d', (sizes, step, shown, offBy) => {
    const closed = closeRounding(sizes, step)
    expect([closed.shown, closed.offBy]).toEqual([shown, offBy])
  })
  it('always adds up once the stated difference is counted, and moves no size by more than a step', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 900, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (sizes) => {
          const { shown, total, offBy } = closeRounding(sizes, 0.5)
          const sum = shown.reduce((a, b) => a + b, 0)
          return (
            Math.abs(sum + offBy - total) < 1e-6 &&
            shown.every((s, i) => Math.abs(s - (sizes[i] ?? 0)) <= 0.75)
          )
        },
      ),
      { seed: 3 },
    )
  })
})

it('converts by the published factors', () => {
  expect(LITRES_PER_CUBIC_FOOT).toBeCloseTo(28.3168, 4)
  expect(KG_PER_POUND).toBeCloseTo(0.453592, 6)
  expect(MPA_PER_PSI).toBeCloseTo(0.00689476, 8)
  expect(KG_PER_M3_PER_LB_PER_FT3).toBeCloseTo(16.0185, 4)
  expect(massOf(600 * 400 * 40, 2300)).toBeCloseTo(22.08, 9)
})
