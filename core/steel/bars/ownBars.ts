import { lengthOf, type Point, type Region, type Vector } from '../../geometry/index.ts'
import type { SteelChoice } from '../../job/index.ts'
import type { Bar } from '../../stock/index.ts'
import { clipAlong } from './clipAlong.ts'
import type { PlacedBar } from './types.ts'

/** What of a bar is left is worth laying, mm [own]. */
const SHORT = 100

export type OwnBars = {
  readonly bars: readonly PlacedBar[]
  /** How many of them lie where none may, and how many are cut short by what they run into. */
  readonly bare: number
  readonly short: number
}

/** Bars laid by hand in a slab: each as far either way from its middle as concrete with its cover goes on. */
export function ownBars(own: SteelChoice['bars']['own'], region: Region, bar: Bar, height: number): OwnBars {
  const bars: PlacedBar[] = []
  let short = 0
  for (const { id, from, to } of own) {
    const length = lengthOf(to[0] - from[0], to[1] - from[1], 0)
    const way: Point = [(to[0] - from[0]) / (length || 1), (to[1] - from[1]) / (length || 1)]
    const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]
    const span = length > 0 ? clipAlong(region, middle, way, 0) : null
    if (!span) continue
    const [a, b] = [Math.max(-length / 2, span.from), Math.min(length / 2, span.to)]
    if (b - a < SHORT) continue
    if (b - a < length - 1) short += 1
    const at = (s: number): Vector => [middle[0] + way[0] * s, middle[1] + way[1] * s, height]
    bars.push({ id: `own/${id}`, purpose: 'own', bar, path: [at(a), at(b)], closed: false })
  }
  return { bars, bare: own.length - bars.length, short }
}
