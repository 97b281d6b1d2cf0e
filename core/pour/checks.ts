import { recipeKey } from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import type { Operation } from '../work/index.ts'

/** One thing that is looked at before the pour. */
export type Check<T extends Operation = Operation> = {
  readonly operation: T
  /** Whether the pour waits for it. */
  readonly stops: boolean
  readonly ticked: boolean
}

/** What a check said when it was ticked: what says something else since then is looked at again. */
export const tickOf = ({ code, facts }: Operation): string => recipeKey({ code, facts })

/** The checks of a piece's next pour, in the order of the day. */
export const checksOf = <T extends Operation>(
  work: readonly T[],
  { pour: { ticked } }: Pick<Piece, 'pour'>,
): Check<T>[] =>
  work.flatMap((op) =>
    op.tick === null
      ? []
      : [{ operation: op, stops: op.tick === 'stops', ticked: ticked[op.id] === tickOf(op) }],
  )

/** The ticks with one set or taken back. Those of checks that are not planned now are kept: a mould still being worked out has fewer. */
export function tickedWith(
  { pour: { ticked } }: Pick<Piece, 'pour'>,
  operation: Operation,
  on: boolean,
): Readonly<Record<string, string>> {
  const { [operation.id]: _, ...others } = ticked
  return on ? { ...others, [operation.id]: tickOf(operation) } : others
}
