import { formatInches, formatTyped, type MeasureStyle, showNumber } from './formatLength.ts'

/** Narrow no-break space: a length in a text is marked by it, so that names of the trade ("18 mm ply") are left alone. */
const MARK = '\u202f'

/** A length within a text, mm: shown in the units of the job by `sayLengths`. */
export const inText = (mm: number): string => `${showNumber(mm, 2)}${MARK}mm`

/** A text with its lengths as the job shows them. */
export const sayLengths = (text: string, style: MeasureStyle): string =>
  text.replace(/(\d+(?:\.\d+)?)\u202fmm/g, (_, digits: string) => {
    if (style.units === 'mm') return `${digits} mm`
    const shown = formatInches(Number(digits), style.inchDenominator)
    // What is less than half a step still has a size.
    return shown === '0"' ? formatTyped(Number(digits), style) : shown
  })
