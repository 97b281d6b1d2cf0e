import { describe, expect, it } from 'vitest'
import {
  forceToMass,
  KG_PER_M3_PER_LB_PER_FT3,
  KG_PER_POUND,
  LITRES_PER_CUBIC_FOOT,
  MPA_PER_PSI,
  massOf,
  massToForce,
  mm3ToLitres,
} from './convert.ts'

describe('what people buy and read in', () => {
  it.each<[label: string, value: number, expected: number, digits: number]>([
    // International yard and pound, 1959: an inch is 25.4 mm, a pound 0.45359237 kg
    ['a cubic foot in litres', LITRES_PER_CUBIC_FOOT, (12 * 25.4) ** 3 / 1e6, 9],
    ['an 80 lb bag in kg', 80 * KG_PER_POUND, 36.2873896, 9],
    ['0.60 ft3, what it makes, in litres', 0.6 * LITRES_PER_CUBIC_FOOT, 16.99, 2],
    ['150 lb/ft3 in kg/m3', 150 * KG_PER_M3_PER_LB_PER_FT3, 2402.77, 2],
    // A pound weighs 4.4482216 N; over a square inch of 645.16 mm2
    ['1 psi in MPa', MPA_PER_PSI, (KG_PER_POUND * 9.80665) / 645.16, 8],
    ['4000 psi in MPa', 4000 * MPA_PER_PSI, 27.579, 3],
  ])('%s', (_, value, expected, digits) => {
    expect(value).toBeCloseTo(expected, digits)
  })
  it.each<[mm3: number, litres: number]>([
    [0, 0],
    [1e6, 1],
    [900 * 500 * 45, 20.25],
  ])('%s mm3 are %s L', (mm3, litres) => {
    expect(mm3ToLitres(mm3)).toBeCloseTo(litres, 12)
  })
  it.each<[mm3: number, kgPerM3: number, kg: number]>([
    [1e6, 2300, 2.3],
    [900 * 500 * 45, 2300, 46.575],
    [1e9, 33, 33],
    [0, 2300, 0],
  ])('%s mm3 at %s kg/m3 are %s kg', (mm3, density, kg) => {
    expect(massOf(mm3, density)).toBeCloseTo(kg, 12)
  })
  it.each<[kg: number, newtons: number]>([
    [0, 0],
    [1, 9.81],
    [10, 98.1],
    // The net lift of a pattern of 3.2 L, 650 kg/m3, in rubber of 1040: 12.24 N
    [3.2e-3 * (1040 - 650), 12.24],
  ])('%s kg weigh %s N, and back', (kg, newtons) => {
    expect(massToForce(kg)).toBeCloseTo(newtons, 2)
    expect(forceToMass(massToForce(kg))).toBeCloseTo(kg, 12)
  })
})
