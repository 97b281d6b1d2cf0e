import { formatInches, lengthWithUnit, type MeasureStyle, showNumber } from './formatLength.ts'
import { type Currency, formatMoney } from './money.ts'
import { type Quantity, quantityText, showTemperature } from './quantities.ts'

/** How a job's reader writes measures and money. */
export type ReaderStyle = MeasureStyle & { readonly currency?: Currency }

type Told = number | string | undefined
type Amount = (value: Told, digits?: number) => string

/** What words need to know of the reader: how measures are shown, each with its unit. */
export type WordsStyle = {
  /** A length with its unit where the style has one: `22 mm`, `7/8"`. */
  readonly mm: (value: Told) => string
  /** What the trade sells by sizes of its own: `50 mm` here, `2"` there. */
  readonly sold: (metric: string, us: string) => string
  /** A small length that a whole step of the tape would hide: 0.8 mm, 1/32". */
  readonly fine: (value: Told) => string
  readonly kg: Amount
  /** A volume of concrete, or of a hollow, litres. */
  readonly litres: Amount
  /** What is poured from a jug, litres. */
  readonly liquid: Amount
  readonly degC: (value: Told) => string
  readonly mpa: Amount
  readonly kpa: Amount
  readonly newtons: Amount
  readonly m2: Amount
  readonly metres: Amount
  /** Any other quantity by its base unit. */
  readonly of: (kind: Quantity, value: Told, digits: number) => string
  /** An amount of money, with the job's sign where it has one. */
  readonly money: (amount: number) => string
}

/** How words show a measure to this reader. */
export function wordsStyle(style: ReaderStyle): WordsStyle {
  const amount =
    (kind: Quantity, usual: number): Amount =>
    (value, digits = usual) =>
      quantityText(kind, Number(value), digits, style)
  return {
    mm: (value) => lengthWithUnit(Number(value), style),
    sold: (metric, us) => (style.units === 'mm' ? metric : us),
    fine: (value) =>
      style.units === 'mm' ? `${showNumber(Number(value), 1)} mm` : fineInches(Number(value)),
    kg: amount('mass', 0),
    litres: amount('volume', 1),
    liquid: amount('liquid', 2),
    degC: (value) => {
      const { figure, unit } = showTemperature(Number(value), style)
      return `${figure} ${unit}`
    },
    mpa: amount('stress', 0),
    kpa: amount('pressure', 1),
    newtons: amount('force', 0),
    m2: amount('area', 2),
    metres: amount('run', 1),
    of: (kind, value, digits) => quantityText(kind, Number(value), digits, style),
    money: (sum) => formatMoney(sum, style.currency ?? null),
  }
}

/** To a 64th; what is less than half of one is told as less than one. */
const fineInches = (mm: number): string =>
  mm > 0 && mm < 25.4 / 128 ? `under ${formatInches(25.4 / 64, 64)}` : formatInches(mm, 64)
