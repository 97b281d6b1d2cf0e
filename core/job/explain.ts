import type { WordsStyle } from '../units/index.ts'
import type { Finding, Remedy } from './finding.ts'

export type { WordsStyle } from '../units/index.ts'

/** One finding in words: what is wrong with its figure, why it matters, and what the button does. */
export type Explanation = {
  readonly what: string
  readonly why: string
  /** The text of the only remedy, or of each by its code. */
  readonly remedy?: string
  readonly remedies?: Readonly<Record<string, string>>
}

/**
 * A station's sentences, by the code of what it finds: each says in its first parameter which facts it is made of, and
 * with that which facts a finding of its code must carry. There is no finding without words.
 */
export type Words = Readonly<
  Record<string, (facts: never, style: WordsStyle, remedies: readonly Remedy[]) => Explanation>
>
export type NoFacts = Readonly<Record<string, never>>

/** A finding in the words of its station, or null where that has none for its code. */
export function explainBy(
  words: Words,
  { code, facts, remedies }: Pick<Finding, 'code' | 'facts' | 'remedies'>,
  style: WordsStyle,
): Explanation | null {
  // The code tells which facts there are: whoever raises it is held to its sentence.
  return words[code]?.(facts as never, style, remedies) ?? null
}

/** What a station finds, from its words: the facts of each code. */
export type FindingsIn<W extends Words> = {
  readonly [C in keyof W & string]: Parameters<W[C]> extends [infer F, ...unknown[]] ? F : NoFacts
}
