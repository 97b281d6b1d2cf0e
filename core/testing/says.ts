/** Acts and lines of lists in words, for tests of what is told. */
import { type Item, sayItem } from '../mould/index.ts'
import { wordsStyle } from '../units/index.ts'
import { type Act, sayAct } from '../work/index.ts'

export const METRIC = wordsStyle({ units: 'mm', inchDenominator: 16 })
export const INCH = wordsStyle({ units: 'inch', inchDenominator: 16 })

export const says = (acts: readonly Act[], style = METRIC): string[] => acts.map((a) => sayAct(a, style))

/** What a line of a mould's lists is called. */
export const itemName = (item: Item): string => sayItem(item, METRIC).name
