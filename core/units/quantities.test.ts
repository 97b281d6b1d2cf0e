import { describe, expect, it } from 'vitest'
import {
  explainMeasureError,
  formatInches,
  MASSES,
  METRIC,
  type MeasureStyle,
  parseMeasure,
  perUnit,
  type Quantity,
  quantityText,
  showTemperature,
  unitOf,
  VOLUMES,
  wordsStyle,
} from './index.ts'

const US: MeasureStyle = { units: 'inch', inchDenominator: 16 }

describe('quantities as a shop reads them', () => {
  it.each<[Quantity, number, number, string, string]>([
    ['mass', 25, 0, '25 kg', '55 lb'],
    ['mass', 36.287, 1, '36.3 kg', '80 lb'],
    ['mass', 0.3, 2, '0.3 kg', '11 oz'],
    ['volume', 16.99, 2, '16.99 L', '0.6 ft³'],
    ['volume', 20.5, 1, '20.5 L', '0.72 ft³'],
    ['volume', 1.7, 1, '1.7 L', '1.8 qt'],
    ['liquid', 6, 2, '6 L', '1.585 gal'],
    ['liquid', 3, 2, '3 L', '3.17 qt'],
    ['liquid', 0.2, 2, '0.2 L', '7 fl oz'],
    ['area', 2, 2, '2 m²', '21.5 ft²'],
    ['run', 5.5, 1, '5.5 m', '18 ft'],
    ['stress', 10, 0, '10 MPa', '1450 psi'],
    ['pressure', 13.83, 1, '13.8 kPa', '289 psf'],
    ['force', 182, 0, '182 N', '40.9 lbf'],
    ['density', 2350, 0, '2350 kg/m³', '146.7 lb/ft³'],
    ['massPerArea', 115, 0, '115 kg/m²', '23.6 lb/ft²'],
    ['speed', 16.09344, 0, '16 km/h', '10 mph'],
    ['grams', 963, 0, '963 g', '2.123 lb'],
  ])('%s of %d', (kind, value, digits, metric, us) => {
    expect([quantityText(kind, value, digits, METRIC), quantityText(kind, value, digits, US)]).toEqual([
      metric,
      us,
    ])
    expect(unitOf(kind, METRIC)).toBe(metric.replace(/^[\d.]+ /, ''))
    expect(perUnit(kind, METRIC)).toBe(1)
  })
  it('tells what is there but too small to show as less than the least shown', () => {
    expect([quantityText('mass', 0.0001, 2, METRIC), quantityText('liquid', 0.00001, 2, US)]).toEqual([
      'under 0.01 kg',
      'under 1 fl oz',
    ])
  })
  it.each([
    [20, '20 °C', '68 °F'],
    [0, '0 °C', '32 °F'],
    [-40, '-40 °C', '-40 °F'],
    [50, '50 °C', '122 °F'],
  ])('%d degC', (degC, c, f) => {
    const text = (style: MeasureStyle) => {
      const { figure, unit } = showTemperature(degC, style)
      return `${figure} ${unit}`
    }
    expect([text(METRIC), text(US)]).toEqual([c, f])
  })
  it('small lengths in inches are 64ths, never decimals', () => {
    const { fine } = wordsStyle(US)
    expect([0.8, 1, 3, 0.1, 0, 0.5].map(fine)).toEqual([
      '1/32"',
      '3/64"',
      '1/8"',
      'under 1/64"',
      '0"',
      formatInches(0.5, 64),
    ])
  })
})

describe('masses and volumes as they are typed', () => {
  it.each([
    ['25', 'kg', 25],
    ['2 x 80 lb', 'kg', 72.5748],
    ['2x80 lb', 'kg', 72.5748],
    ['3 lb 4 oz', 'lb', 1.47418],
    ['60', 'lb', 27.21554],
    ['500 g + 1 kg', 'lb', 1.5],
    ['(50 lb + 10 lb) / 2', 'kg', 13.60777],
    ['1/2 lb', 'kg', 0.226796],
  ])('%s in a field of %s', (text, fieldUnit, kg) => {
    const read = parseMeasure(text, { table: MASSES, fieldUnit })
    expect(read.ok && read.n).toBeCloseTo(kg, 4)
  })
  it.each([
    ['1 gal - 1 pt', 'qt', 3.312235],
    ['12', 'l', 12],
    ['0.6 ft3', 'qt', 16.990108],
    ['0.6 cu ft', 'qt', 16.990108],
    ['1 gal 2 qt', 'l', 5.678118],
    ['8 fl oz', 'l', 0.236588],
    ['250 ml', 'qt', 0.25],
    ['7.7 pints', 'qt', 3.643459],
  ])('%s in a field of %s', (text, fieldUnit, litres) => {
    const read = parseMeasure(text, { table: VOLUMES, fieldUnit })
    expect(read.ok && read.n).toBeCloseTo(litres, 4)
  })
  it.each([
    ['12 mm', MASSES, 'kg', /not (understood|a unit of mass)/],
    ['3 lb * 2 lb', MASSES, 'kg', /a mass times a mass/],
    ['1 gal / 1 qt', VOLUMES, 'l', /a volume over a volume: a ratio/],
    ['', VOLUMES, 'l', /such as 12/],
    ['-3 lb', MASSES, 'lb', /less than zero/],
    ['1e9', MASSES, 'kg', /not understood/],
    ['99999999 t', MASSES, 'kg', /more than 10,000 t/],
    ['3 / 0', MASSES, 'kg', /by zero/],
  ])('%s is refused in words', (text, table, fieldUnit, why) => {
    const read = parseMeasure(text, { table, fieldUnit })
    if (read.ok) throw new Error(`read as ${read.n}`)
    expect(explainMeasureError(read.error)).toMatch(why)
  })
})
