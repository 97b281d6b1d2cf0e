import type { PullWay } from '../../core/mould/index.ts'

const WAYS = [
  'the right',
  'the back right',
  'the back',
  'the back left',
  'the left',
  'the front left',
  'the front',
  'the front right',
]

/** How a pair of halves is drawn apart, as it is poured. */
export function leanWords({ leanDeg, roundDeg }: PullWay): string {
  if (leanDeg < 1) return 'Up and down'
  const way = WAYS[Math.round(roundDeg / 45) % 8]!
  return leanDeg > 89 ? `Level, to ${way} and against it` : `${Math.round(leanDeg)}° off upright to ${way}`
}
