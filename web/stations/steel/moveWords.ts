import type { Move, ToldMove } from '../../../core/steel/index.ts'
import type { WordsStyle } from '../../../core/units/index.ts'

/** How each way of holding a piece is called. */
export const MOVE_NAMES: Readonly<Record<Move, string>> = {
  turn: 'turned on its edge',
  bearers: 'on two bearers',
  carry: 'carried flat',
  use: 'in use',
  lay: 'laid on two bearers',
  ends: 'carried by its ends',
}

/** What a margin means for who stands there. */
export const marginWords = (margin: number): string =>
  margin < 0.6
    ? 'it will probably crack'
    : margin < 1
      ? 'do not'
      : margin < 1.3
        ? 'with care'
        : 'it bears that'

/** When it may be done first. */
export function whenWords(
  { move, neededMpa, earliestMinutes }: ToldMove,
  { mpa }: Pick<WordsStyle, 'mpa'>,
): string {
  if (move === 'use') return 'At 28 days, with someone on it at the worst place.'
  if (earliestMinutes === null) return 'This mix never gets strong enough for it.'
  const hours = earliestMinutes / 60
  return `From ${mpa(Math.ceil(neededMpa - 0.05), 0)}: ${hours < 72 ? `${Math.ceil(hours)} h` : `${Math.ceil(hours / 24)} days`} after the first water.`
}
