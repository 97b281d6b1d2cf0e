import type { WordsStyle } from '../job/index.ts'
import { showNumber } from '../units/index.ts'
import type { Telling } from './acts/act.ts'
import { ACTS, type Act } from './acts.ts'
import type { Quantity } from './operation.ts'

/** The compiler holds code and facts together where an act is made; here they are only read. */
const tellingOf = (code: Act['code']): Telling<unknown> => ACTS[code] as unknown as Telling<unknown>

/** An act as a sentence, in the units of the reader. */
export const sayAct = ({ code, facts }: Act, style: WordsStyle): string =>
  begun(tellingOf(code).say(facts, style))

/** Some begin with the name of a part, written as its maker wrote it. */
const begun = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** An act in two or three words. */
export const shortAct = (code: Act['code']): string => tellingOf(code).short

export type Told<T extends Act> = {
  readonly code: Act['code']
  readonly short: string
  readonly text: string
  /** What is told in this line, in order. */
  readonly of: readonly T[]
}

/** What an operation takes of one thing, in what it is measured out by: `0.3 kg`, `4 discs`. */
export function takenWords({ amount, unit }: Quantity, style: WordsStyle): string {
  switch (unit) {
    case 'kg':
      return style.kg(amount, 2)
    case 'litre':
      return style.liquid(amount)
    case 'metre':
      return style.metres(amount)
    default:
      return `${showNumber(amount, 2)} ${unit}`
  }
}

/**
 * A list of acts as lines: several of a kind in a row that have a sentence together are told in one, where `together`
 * allows it. Sides off front, back, left end: one line.
 */
export function tell<T extends Act>(
  list: readonly T[],
  style: WordsStyle,
  together: (a: T, b: T) => boolean = () => true,
): Told<T>[] {
  const groups: T[][] = []
  for (const item of list) {
    const open = groups.at(-1)
    const last = open?.at(-1)
    if (open && last && last.code === item.code && tellingOf(item.code).sayMany && together(last, item))
      open.push(item)
    else groups.push([item])
  }
  return groups.map((of) => {
    const { short, say, sayMany } = tellingOf(of[0]!.code)
    const facts = of.map((item) => item.facts)
    return {
      code: of[0]!.code,
      short,
      text: begun(sayMany && of.length > 1 ? sayMany(facts, style) : say(facts[0], style)),
      of,
    }
  })
}
