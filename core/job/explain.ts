/** What words need to know of the reader: how measures are shown. */
export type WordsStyle = {
  /** A length with its unit where the style has one: `22 mm`, `7/8"`. */
  readonly mm: (value: number | string | undefined) => string
  /** A small length that a whole step of the tape would hide: 0.8 mm, 0.03". */
  readonly fine: (value: number | string | undefined) => string
}

/** One finding in words: what is wrong with its figure, why it matters, and what the button does. */
export type Explanation = {
  readonly what: string
  readonly why: string
  /** The text of the only remedy, or of each by its code. */
  readonly remedy?: string
  readonly remedies?: Readonly<Record<string, string>>
}
