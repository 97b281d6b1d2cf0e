import { seeded } from '../geometry/index.ts'

/** Draws of one seed. */
export type Chance = {
  /** From 0 to 1. */
  readonly even: () => number
  /** Of mean 0 and deviation 1. */
  readonly normal: () => number
  /** Times as long: of mean 1 and this coefficient of variation, never below 0. */
  readonly factor: (spread: number) => number
}

/** Source of the normal draws: Box and Muller (1958). */
export function chanceOf(seed: number): Chance {
  const even = seeded(seed)
  let spare: number | null = null
  const normal = (): number => {
    if (spare !== null) {
      const kept = spare
      spare = null
      return kept
    }
    // 1 - u is never 0.
    const radius = Math.sqrt(-2 * Math.log(1 - even()))
    const angle = 2 * Math.PI * even()
    spare = radius * Math.sin(angle)
    return radius * Math.cos(angle)
  }
  return {
    even,
    normal,
    factor: (spread) => {
      const variance = Math.log(1 + spread * spread)
      return Math.exp(Math.sqrt(variance) * normal() - variance / 2)
    },
  }
}

/** How often something came, percent, with the limits that hold it in 95 of 100 such rehearsals. */
export type Odds = { readonly percent: number; readonly lowPercent: number; readonly highPercent: number }

/**
 * Odds from so many of so many runs. Source: the score interval of Wilson (1927).
 * `oddsOf(1000, 2000)` is 50, from 47.8 to 52.2; `oddsOf(0, 2000)` is 0, up to 0.2.
 */
export function oddsOf(came: number, runs: number): Odds {
  const z = 1.96
  const p = came / runs
  const middle = (p + (z * z) / (2 * runs)) / (1 + (z * z) / runs)
  const half = (z * Math.sqrt((p * (1 - p)) / runs + (z * z) / (4 * runs * runs))) / (1 + (z * z) / runs)
  return {
    percent: 100 * p,
    lowPercent: 100 * Math.max(0, came === 0 ? 0 : middle - half),
    highPercent: 100 * Math.min(1, came === runs ? 1 : middle + half),
  }
}
