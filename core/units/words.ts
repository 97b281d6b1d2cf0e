import type { MeasureError } from './measureError.ts'

const SUCH = {
  length: { typed: '600, 60 cm or 23 5/8"', most: '100 m' },
  mass: { typed: '25, 25 kg, 2 x 80 lb or 3 lb 4 oz', most: '10,000 t' },
  volume: { typed: '12, 12 L, 1 gal - 1 pt or 0.6 ft3', most: '10,000 m3' },
} as const

/** Says in one sentence what was not understood in a typed measure, and where it helps, what to write. */
export function explainMeasureError(error: MeasureError): string {
  const what = `“${error.text.trim()}”`
  switch (error.code) {
    case 'empty':
      return `Type a measure, such as ${SUCH[error.of].typed}.`
    case 'tooLong':
      return 'That is too long for one measure.'
    case 'notUnderstood':
      return `${what} was not understood.`
    case 'decimalComma':
      return 'Write decimals with a point: 2.5.'
    case 'notALength':
      return `${what} is not a unit of ${error.of}.`
    case 'joinOrSubtract':
      return 'Feet and inches with a hyphen could mean two things: write 2\' 3" to join them or 2\' - 3" to subtract.'
    case 'unitClash':
      return `The units in ${what} do not go together.`
    case 'lengthTimesLength':
      return error.of === 'length'
        ? `${what} is a length times a length: that is an area.`
        : `${what} is a ${error.of} times a ${error.of}.`
    case 'divideByLength':
      return `${what} divides by a ${error.of}.`
    case 'divideByZero':
      return 'That divides by zero.'
    case 'ratio':
      return `${what} is a ${error.of} over a ${error.of}: a ratio, not a measure.`
    case 'negative':
      return 'This cannot be less than zero.'
    case 'tooLarge':
      return `That is more than ${SUCH[error.of].most}.`
    case 'missing':
      return error.text ? `A measure is missing before ${what}.` : 'A measure is missing at the end.'
    case 'bracket':
      return `${what} has no partner: brackets come in pairs.`
  }
}
