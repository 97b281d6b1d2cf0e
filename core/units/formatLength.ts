import { MM_PER_UNIT } from './lengthUnits.ts'
import type { OtherUnits } from './quantities.ts'

/** How a job shows its measures: whole mm, or inches with fractions down to `inchDenominator`. */
export type MeasureStyle = {
  readonly units: 'mm' | 'inch'
  readonly inchDenominator: 8 | 16 | 32 | 64
  /** Units of all else; where nothing is said they go with the lengths. */
  readonly others?: OtherUnits
}

export const METRIC: MeasureStyle = { units: 'mm', inchDenominator: 16 }

const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text)

/** A number with at most `digits` decimals and no trailing zeros; -0 is shown as 0. */
export const showNumber = (n: number, digits: number): string => {
  const shown = trimZeros(n.toFixed(digits))
  return shown === '-0' ? '0' : shown
}

/** A weighed or measured amount: what is there but too small to show is told as less than the least shown, never 0. */
export const showAmount = (n: number, digits: number): string =>
  n > 0 && Number(n.toFixed(digits)) === 0 ? `under ${10 ** -digits}` : showNumber(n, digits)

/** Inches as whole and fraction: `formatInches(600.075, 16)` is `23 5/8"`. */
export function formatInches(mm: number, denominator: number): string {
  const sign = mm < 0 ? '-' : ''
  const steps = Math.round((Math.abs(mm) / MM_PER_UNIT.in) * denominator)
  const whole = Math.floor(steps / denominator)
  let top = steps - whole * denominator
  let bottom = denominator
  while (top > 0 && top % 2 === 0) {
    top /= 2
    bottom /= 2
  }
  if (top === 0) return `${steps === 0 ? '' : sign}${whole}"`
  return `${sign}${whole > 0 ? `${whole} ` : ''}${top}/${bottom}"`
}

/** A measure as a drawing shows it: to 1 mm, or to the job's fraction of an inch. No unit sign in metric. */
export const formatLength = (mm: number, style: MeasureStyle): string =>
  style.units === 'inch' ? formatInches(mm, style.inchDenominator) : showNumber(Math.round(mm), 0)

/** A cut size: to 0.5 mm, or to the job's fraction of an inch. */
export const formatCut = (mm: number, style: MeasureStyle): string =>
  style.units === 'inch' ? formatInches(mm, style.inchDenominator) : showNumber(Math.round(mm * 2) / 2, 1)

/**
 * A typed measure, as exactly as it was typed to 0.01 mm. An inch value off the 64ths is shown by the nearest one, with
 * a sign that it is not that to a hair.
 */
export function formatTyped(mm: number, style: MeasureStyle): string {
  if (style.units === 'mm') return showNumber(mm, 2)
  const grid = (Math.round((mm / MM_PER_UNIT.in) * 64) / 64) * MM_PER_UNIT.in
  return Math.abs(grid - mm) < 0.005 ? formatInches(mm, 64) : `≈${formatInches(mm, 64)}`
}

/** The smallest step the drawings show: 1 mm, or one fraction of an inch, in mm. */
export const shopStep = (style: MeasureStyle): number =>
  style.units === 'inch' ? MM_PER_UNIT.in / style.inchDenominator : 1

/** A length with its unit, for sentences: `22 mm` to half a millimetre, `7/8"`. */
export const lengthWithUnit = (mm: number, style: MeasureStyle): string => {
  const half = Math.round(mm * 2) / 2
  return style.units === 'mm' ? `${showNumber(half, 1)} mm` : formatInches(mm, style.inchDenominator)
}
