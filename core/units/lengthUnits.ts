/** Length units a maker types, in mm. The inch is 25.4 mm exactly; each other unit is built from an earlier one. */
const MM = 1
const INCH = 25.4 * MM

export type LengthUnit = 'mm' | 'cm' | 'm' | 'in' | 'ft'

export const MM_PER_UNIT: Readonly<Record<LengthUnit, number>> = {
  mm: MM,
  cm: 10 * MM,
  m: 1000 * MM,
  in: INCH,
  ft: 12 * INCH,
}

/** Every spelling that is read, longest first so that `mm` is not taken for `m`. */
export const UNIT_SPELLINGS: readonly (readonly [string, LengthUnit])[] = [
  ['inches', 'in'],
  ['inch', 'in'],
  ['feet', 'ft'],
  ['foot', 'ft'],
  ['mm', 'mm'],
  ['cm', 'cm'],
  ['in', 'in'],
  ['ft', 'ft'],
  ['m', 'm'],
  ["''", 'in'],
  ['"', 'in'],
  ['″', 'in'],
  ['”', 'in'],
  ["'", 'ft'],
  ['′', 'ft'],
  ['’', 'ft'],
]
