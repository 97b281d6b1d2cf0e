export type { WordsStyle } from '../units/index.ts'

/** One finding in words: what is wrong with its figure, why it matters, and what the button does. */
export type Explanation = {
  readonly what: string
  readonly why: string
  /** The text of the only remedy, or of each by its code. */
  readonly remedy?: string
  readonly remedies?: Readonly<Record<string, string>>
}
