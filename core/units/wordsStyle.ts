import { lengthWithUnit, type MeasureStyle, showNumber } from './formatLength.ts'
import { type Currency, formatMoney } from './money.ts'

/** How a job's reader writes lengths and money. */
export type ReaderStyle = MeasureStyle & { readonly currency?: Currency }

/** What words need to know of the reader: how measures are shown. */
export type WordsStyle = {
  /** A length with its unit where the style has one: `22 mm`, `7/8"`. */
  readonly mm: (value: number | string | undefined) => string
  /** A small length that a whole step of the tape would hide: 0.8 mm, 0.03". */
  readonly fine: (value: number | string | undefined) => string
  /** An amount of money, with the job's sign where it has one. */
  readonly money: (amount: number) => string
}

/** How words show a length to this reader. */
export const wordsStyle = (style: ReaderStyle): WordsStyle => ({
  mm: (value) => lengthWithUnit(Number(value), style),
  fine: (value) =>
    style.units === 'mm' ? `${showNumber(Number(value), 1)} mm` : `${showNumber(Number(value) / 25.4, 2)}"`,
  money: (amount) => formatMoney(amount, style.currency ?? null),
})
