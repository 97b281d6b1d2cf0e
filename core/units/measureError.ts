import type { MeasureKind } from './unitTables.ts'

/** Why a measure was refused; `at` and `length` mark the characters that were not understood. */
export type MeasureError = {
  readonly code:
    | 'empty'
    | 'tooLong'
    | 'notUnderstood'
    | 'decimalComma'
    | 'notALength'
    | 'joinOrSubtract'
    | 'unitClash'
    | 'lengthTimesLength'
    | 'divideByLength'
    | 'divideByZero'
    | 'ratio'
    | 'negative'
    | 'tooLarge'
    | 'missing'
    | 'bracket'
  readonly at: number
  readonly length: number
  readonly text: string
  /** What kind of measure was asked for. */
  readonly of: MeasureKind
}
