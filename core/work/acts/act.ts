import type { WordsStyle } from '../../job/index.ts'

/** How one kind of act is told: in two or three words, as a sentence, and several of it in a row as one. */
export type Telling<F> = {
  readonly short: string
  readonly say: (facts: F, style: WordsStyle) => string
  readonly sayMany: ((facts: readonly F[], style: WordsStyle) => string) | null
}

export const told = <F>(
  short: string,
  say: Telling<F>['say'],
  sayMany: Telling<F>['sayMany'] = null,
): Telling<F> => ({ short, say, sayMany })

/** `1 screw`, `3 screws`. */
export const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`

/** Names as they are read out: `front, back, left end`. */
export const listed = (names: readonly string[]): string => names.join(', ')

/** Parts an act is done to. */
export type Named = { readonly names: readonly string[] }
export type None = Readonly<Record<string, never>>
