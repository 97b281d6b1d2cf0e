import { dualFeasible } from './dualFeasible.ts'

type Size = { readonly w: number; readonly h: number }

/** Values of each way that are tried: their pairs grow by the square. */
const MOST = 10
const SLACK = 1e-6

/**
 * No layout of these uses fewer sheets of w by h: the best pair of dual feasible functions, one a way (Fekete and
 * Schepers 2004); the area is one of them, the count of parts of which no two fit one sheet another. Of a part that may
 * be turned, the way that counts less.
 */
export function boundSheets(items: readonly Size[], w: number, h: number, turn: boolean): number {
  if (items.length === 0) return 0
  const fits = (a: number, b: number) => a <= w + SLACK && b <= h + SLACK
  const ways = items.map((i) =>
    [
      [i.w, i.h],
      [i.h, i.w],
    ]
      .filter(([a, b], n) => fits(a!, b!) && (n === 0 || turn))
      .map(([a, b]) => [a! / w, b! / h] as const),
  )
  const along = dualFeasible(
    ways.flat().map(([a]) => a),
    MOST,
  )
  const across = dualFeasible(
    ways.flat().map(([, b]) => b),
    MOST,
  )
  let most = 1
  for (const f of along)
    for (const g of across)
      most = Math.max(
        most,
        ways.reduce((sum, own) => sum + Math.min(...own.map(([a, b]) => f(a) * g(b))), 0),
      )
  return Math.ceil(most - SLACK)
}
