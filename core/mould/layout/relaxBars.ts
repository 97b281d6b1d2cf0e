import type { BarKind, Pattern } from './completeBars.ts'

const SLACK = 1e-6
/** Patterns taken in before the bound so far is kept. */
const MOST_ROUNDS = 600
/** Steps of one search for a better pattern when one is found already. */
const ENOUGH_STEPS = 2_000

export type Relaxed = {
  /** No cutting uses fewer bars. */
  readonly bound: number
  /** How often each pattern is cut when it need not be a whole number of times. */
  readonly patterns: readonly { readonly pattern: Pattern; readonly times: number }[]
  readonly steps: number
}

/**
 * The cutting that may cut a pattern half a time, by the simplex method over patterns that are made as they are wanted:
 * the best pattern at the prices of the lengths comes in until none is worth more than a bar (Gilmore and Gomory 1961,
 * "A linear programming approach to the cutting-stock problem"). The bound is Farley's (1990), which holds at any
 * prices. Rounded up it is almost always the fewest bars there are.
 */
export function relaxBars(kinds: readonly BarKind[], room: number, budget: number): Relaxed {
  const n = kinds.length
  const patterns = kinds.map(({ size, count }, k) =>
    kinds.map((_, j) => (j === k ? Math.min(count, Math.floor((room + SLACK) / size)) : 0)),
  )
  const inverse = patterns.map((p, k) => kinds.map((_, j) => (j === k ? 1 / p[k]! : 0)))
  const times = kinds.map(({ count }, k) => count / patterns[k]![k]!)
  let [bound, used] = [0, 0]
  for (let round = 0; round < MOST_ROUNDS && used < budget; round += 1) {
    const prices = kinds.map((_, j) =>
      Math.max(
        0,
        inverse.reduce((sum, row) => sum + row[j]!, 0),
      ),
    )
    const { pattern, most, steps } = bestPattern(kinds, prices, room, budget - used)
    used += steps
    const worth = kinds.reduce((sum, { count }, j) => sum + count * prices[j]!, 0)
    bound = Math.max(bound, Math.ceil(worth / most - SLACK))
    if (!pattern || bound >= sum(times) - SLACK) break
    const rate = inverse.map((row) => row.reduce((total, v, j) => total + v * pattern[j]!, 0))
    let out = -1
    for (let i = 0; i < n; i += 1)
      if (rate[i]! > 1e-9 && (out < 0 || times[i]! / rate[i]! < times[out]! / rate[out]!)) out = i
    if (out < 0) break
    const step = times[out]! / rate[out]!
    const pivot = inverse[out]!.map((v) => v / rate[out]!)
    for (let i = 0; i < n; i += 1) {
      if (i === out) continue
      times[i] = Math.max(0, times[i]! - rate[i]! * step)
      const own = inverse[i]!
      for (let j = 0; j < n; j += 1) own[j] = own[j]! - rate[i]! * pivot[j]!
    }
    inverse[out] = pivot
    times[out] = step
    patterns[out] = pattern
  }
  return { bound, patterns: patterns.map((pattern, i) => ({ pattern, times: times[i]! })), steps: used }
}

const sum = (list: readonly number[]): number => list.reduce((total, v) => total + v, 0)

/**
 * A pattern worth more than a bar at these prices, and a value that none exceeds: infinite while the search stopped at
 * one that will do, a hair over 1 where none is worth more.
 */
function bestPattern(
  kinds: readonly BarKind[],
  prices: readonly number[],
  room: number,
  budget: number,
): { readonly pattern: number[] | null; readonly most: number; readonly steps: number } {
  const order = kinds
    .map((_, k) => k)
    .filter((k) => prices[k]! > 1e-12)
    .sort((a, b) => prices[b]! / kinds[b]!.size - prices[a]! / kinds[a]!.size)
  const taken = kinds.map(() => 0)
  let best: number[] | null = null
  let [most, steps] = [1 + SLACK, 0]
  const stopped = () => steps > (best ? ENOUGH_STEPS : budget)
  const walk = (i: number, rest: number, value: number): void => {
    if (value > most) [best, most] = [[...taken], value]
    if (i === order.length) return
    const k = order[i]!
    const { size, count } = kinds[k]!
    if (value + rest * (prices[k]! / size) <= most + 1e-9) return
    steps += 1
    for (let n = Math.min(count, Math.floor((rest + SLACK) / size)); n >= 0 && !stopped(); n -= 1) {
      taken[k] = n
      walk(i + 1, rest - n * size, value + n * prices[k]!)
    }
    taken[k] = 0
  }
  walk(0, room, 0)
  return { pattern: best, most: stopped() ? Number.POSITIVE_INFINITY : most, steps }
}
