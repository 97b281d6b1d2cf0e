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

/** `1 screw`, `3 screws`, `no screws`, `half a bag`. */
export const count = (n: number, one: string, many = `${one}s`): string =>
  n === 0.5 ? `half a ${one}` : `${n === 0 ? 'no' : n} ${n === 1 ? one : many}`

/** Names as they are read out: `front, back and left end`. */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join() : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`

/** Parts an act is done to. */
export type Named = { readonly names: readonly string[] }
export type None = Readonly<Record<string, never>>
