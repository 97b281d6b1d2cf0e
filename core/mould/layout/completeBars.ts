import { dualFeasible } from './dualFeasible.ts'

/** Equal lengths, how many; longest first. */
export type BarKind = { readonly size: number; readonly count: number }
/** How many of each kind are cut from one bar. */
export type Pattern = readonly number[]

const SLACK = 1e-6
/** Failed rests that are remembered. */
const MOST_SEEN = 60_000

/**
 * Whether all kinds can be cut from `bars` bars of `room`, and how; null when they cannot, `steps` when the count of
 * steps ran out first. Bar by bar: each takes the longest part left and what completes it, and only completions that no
 * other is better than are tried, the fullest first. Korf (2003), "An improved algorithm for optimal bin packing".
 */
export function completeBars(
  kinds: readonly BarKind[],
  room: number,
  bars: number,
  most: number,
): { readonly patterns: readonly Pattern[] | null; readonly whole: boolean; readonly steps: number } {
  const sizes = kinds.map((k) => k.size)
  const left = kinds.map((k) => k.count)
  const total = kinds.reduce((sum, k) => sum + k.size * k.count, 0)
  const patterns: Pattern[] = []
  const seen = new Set<string>()
  let steps = 0
  const spent = () => steps > most

  const search = (count: number, waste: number): boolean => {
    const first = left.findIndex((n) => n > 0)
    if (first < 0) return true
    if (count === 0 || spent()) return false
    const key = left.join()
    if (seen.has(key)) return false
    if (boundBars(sizes, left, room) > count) return false
    for (const { pattern, rest } of completions(first, waste)) {
      pattern.forEach((n, k) => {
        left[k] = left[k]! - n
      })
      patterns.push(pattern)
      if (search(count - 1, waste - rest)) return true
      patterns.pop()
      pattern.forEach((n, k) => {
        left[k] = left[k]! + n
      })
      if (spent()) return false
    }
    if (seen.size < MOST_SEEN) seen.add(key)
    return false
  }

  /** What one of the longest kind left can be completed to with no more than `waste` over, the fullest first. */
  function completions(first: number, waste: number): { pattern: number[]; rest: number }[] {
    const found: { pattern: number[]; rest: number }[] = []
    const pattern = sizes.map(() => 0)
    pattern[first] = 1
    const after = sizes.map((_, k) => left.slice(k).reduce((sum, n, i) => sum + n * sizes[k + i]!, 0))
    const walk = (k: number, rest: number): void => {
      steps += 1
      if (spent() || (k < sizes.length && rest - after[k]! > waste + SLACK)) return
      if (k === sizes.length) {
        if (rest <= waste + SLACK && !dominated(pattern, rest)) found.push({ pattern: [...pattern], rest })
        return
      }
      const own = pattern[k]!
      const fit = Math.min(left[k]! - own, Math.floor((rest + SLACK) / sizes[k]!))
      for (let n = fit; n >= 0; n -= 1) {
        pattern[k] = own + n
        walk(k + 1, rest - n * sizes[k]!)
      }
      pattern[k] = own
    }
    walk(first, room - sizes[first]!)
    return found.sort((a, b) => a.rest - b.rest)
  }

  /** Whether something left out would fit as it is, or in place of one or of two that are in. */
  function dominated(pattern: readonly number[], rest: number): boolean {
    const first = pattern.findIndex((n) => n > 0)
    const inside = sizes.flatMap((_, k) =>
      Array.from({ length: pattern[k]! - (k === first ? 1 : 0) }, () => k),
    )
    return sizes.some((size, k) => {
      if (left[k]! - pattern[k]! <= 0) return false
      if (size <= rest + SLACK) return true
      return inside.some((a, i) => {
        if (size > sizes[a]! + SLACK && size <= sizes[a]! + rest + SLACK) return true
        return inside.slice(i + 1).some((b) => {
          const two = sizes[a]! + sizes[b]!
          return size >= two - SLACK && size <= two + rest + SLACK
        })
      })
    })
  }

  const done = search(bars, bars * room - total)
  return { patterns: done ? patterns : null, whole: done || !spent(), steps }
}

/** No cutting of these uses fewer bars: the best of the dual feasible functions of their own sizes. */
export function boundBars(sizes: readonly number[], counts: readonly number[], room: number): number {
  const kinds = sizes.flatMap((size, k) =>
    counts[k]! > 0 ? [{ share: size / room, count: counts[k]! }] : [],
  )
  const most = dualFeasible(
    kinds.map((k) => k.share),
    24,
  ).reduce(
    (best, f) =>
      Math.max(
        best,
        kinds.reduce((sum, k) => sum + f(k.share) * k.count, 0),
      ),
    0,
  )
  return Math.ceil(most - 1e-6)
}
