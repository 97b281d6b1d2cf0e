/**
 * Dual feasible functions: sizes as shares of the room, changed so that whatever fits the room still does. The sum of
 * what they make of a list is then a bound of how many rooms it takes. Fekete and Schepers (2004), "A general framework
 * for bounds for higher-dimensional orthogonal packing problems", lemmas 3 to 5.
 */
export type DualFeasible = (share: number) => number

/**
 * What a list that fits may miss by rounding, as a share: sizes are taken that much smaller, limits twice, so that no
 * bound is too high by it.
 */
const SAME = 1e-7

/** Rounds down to steps of a k-th: what is a whole number of (k + 1)-ths stays. */
const steps =
  (k: number): DualFeasible =>
  (x) => {
    const n = (k + 1) * x
    return Math.abs(n - Math.round(n)) < 10 * SAME ? x : Math.floor(n) / k
  }

/** What leaves less than `e` free takes the room, what is less than `e` takes nothing. */
const large =
  (e: number): DualFeasible =>
  (x) =>
    x > 1 - e ? 1 : x < e ? 0 : x

/** How many of `e` fit, and how many fit beside what is over half. */
const pieces = (e: number): DualFeasible => {
  const most = Math.floor(1 / e)
  return (x) => (x > 0.5 ? 1 - Math.floor((1 - x) / e) / most : x < e ? 0 : 1 / most)
}

/** The functions worth trying on sizes of these shares, of which at most so many: the bounds change at their own values. */
export function dualFeasible(shares: readonly number[], most: number): DualFeasible[] {
  const byKey = new Map(shares.flatMap((x) => [x, 1 - x]).map((x) => [Math.round(x / SAME / 10), x] as const))
  const limits = [...byKey.values()].filter((x) => x > 10 * SAME && x < 0.5 + SAME).sort((a, b) => b - a)
  const spread = Math.max(1, Math.ceil(limits.length / most))
  const tried = limits.filter((_, i) => i % spread === 0).map((e) => e - 2 * SAME)
  const all: DualFeasible[] = [(x) => x, ...[1, 2, 3, 4, 5, 6].map(steps)]
  for (const e of tried) all.push(large(e), pieces(e))
  return all.map((f) => (x) => f(x - SAME))
}
