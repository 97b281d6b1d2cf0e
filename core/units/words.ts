import type { MeasureError } from './measureError.ts'

/** Says in one sentence what was not understood in a typed measure, and where it helps, what to write. */
export function explainMeasureError(error: MeasureError): string {
  const what = `“${error.text.trim()}”`
  switch (error.code) {
    case 'empty':
      return 'Type a measure, such as 600, 60 cm or 23 5/8".'
    case 'tooLong':
      return 'That is too long for one measure.'
    case 'notUnderstood':
      return `${what} was not understood.`
    case 'decimalComma':
      return 'Write decimals with a point: 2.5.'
    case 'notALength':
      return `${what} is not a unit of length.`
    case 'joinOrSubtract':
      return 'Feet and inches with a hyphen could mean two things: write 2\' 3" to join them or 2\' - 3" to subtract.'
    case 'unitClash':
      return `The units in ${what} do not go together.`
    case 'lengthTimesLength':
      return `${what} is a length times a length: that is an area.`
    case 'divideByLength':
      return `${what} divides by a length.`
    case 'divideByZero':
      return 'That divides by zero.'
    case 'ratio':
      return `${what} is a length over a length: a ratio, not a measure.`
    case 'negative':
      return 'This cannot be less than zero.'
    case 'tooLarge':
      return 'That is more than 100 m.'
    case 'missing':
      return error.text ? `A measure is missing before ${what}.` : 'A measure is missing at the end.'
    case 'bracket':
      return `${what} has no partner: brackets come in pairs.`
  }
}
