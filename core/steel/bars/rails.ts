import { loopChords, type Point, type Region, type Vector } from '../../geometry/index.ts'
import type { PlacedOpening } from '../../piece/index.ts'
import type { Bar } from '../../stock/index.ts'
import type { JudgedLand } from '../lands.ts'
import { HELD } from './bentLength.ts'
import { clipAlong } from './clipAlong.ts'
import type { PlacedBar } from './types.ts'

/** A land up to so wide is a rail, mm; two bars side by side want so much between them. */
const [RAIL, BETWEEN] = [150, 25]
/** A bar runs on beyond its opening at least so far, mm. */
const BEYOND = 250

export type Rails = {
  readonly bars: readonly PlacedBar[]
  /** Places of lands, in their list, that have bars. */
  readonly barred: readonly number[]
  /** Long narrow lands that none fits into. */
  readonly bare: number
}

/**
 * Two bars along each long land that is a rail, one where there is no room for two, held at either end beyond the
 * opening as far as the slab goes. `region` is where their middles may run.
 */
export function planRails(
  lands: readonly JudgedLand[],
  openings: readonly PlacedOpening[],
  region: Region,
  bar: Bar,
  { cover, height }: { readonly cover: number; readonly height: number },
): Rails {
  const bars: PlacedBar[] = []
  const barred: number[] = []
  let bare = 0
  lands.forEach((land, n) => {
    if (!land.long || land.leastMm >= RAIL || land.leastMm < 1) return
    const from: Point = [land.fromXMm, land.fromYMm]
    const out: Point = [(land.toXMm - from[0]) / land.leastMm, (land.toYMm - from[1]) / land.leastMm]
    const way: Point = [-out[1], out[0]]
    const edge = cover + bar.diameter / 2
    const two = land.leastMm - 2 * edge >= bar.diameter + BETWEEN
    const offsets = two ? [edge + 0.01, land.leastMm - edge - 0.01] : [land.leastMm / 2]
    // As long as the openings beside it, and held beyond them.
    const along = openings
      .filter((o) => land.openingIds.includes(o.openingId))
      .flatMap((o) => loopChords(o.loop).points)
      .map((p) => (p[0] - from[0]) * way[0] + (p[1] - from[1]) * way[1])
    const reach = Math.max(HELD * bar.diameter, BEYOND)
    const [first, last] = [Math.min(...along) - reach, Math.max(...along) + reach]
    const fitted = offsets.flatMap((offset, i): PlacedBar[] => {
      const at: Point = [from[0] + out[0] * offset, from[1] + out[1] * offset]
      const span = clipAlong(region, at, way)
      if (!span) return []
      const [a, b] = [Math.max(first, span.from), Math.min(last, span.to)]
      if (b - a < land.narrowLengthMm) return []
      const point = (s: number): Vector => [at[0] + way[0] * s, at[1] + way[1] * s, height]
      return [
        { id: `rail/${n + 1}/${i + 1}`, purpose: 'rail', bar, path: [point(a), point(b)], closed: false },
      ]
    })
    if (fitted.length > 0) barred.push(n)
    else bare += 1
    bars.push(...fitted.filter((f) => !bars.some((b) => same(b, f))))
  })
  return { bars, barred, bare }
}

/** Of two lands beside one rail only one lays its bars. */
const same = (a: PlacedBar, b: PlacedBar): boolean => {
  const apart = (p: Vector, q: Vector) => Math.hypot(p[0] - q[0], p[1] - q[1])
  const [p, q] = [a.path, b.path]
  return (
    Math.min(
      apart(p[0]!, q[0]!) + apart(p.at(-1)!, q.at(-1)!),
      apart(p[0]!, q.at(-1)!) + apart(p.at(-1)!, q[0]!),
    ) < 20
  )
}
