import {
  boundSolid,
  type Kernel,
  measureRegion,
  offsetRegion,
  type Point,
  type Region,
  type SolidRecipe,
  solidThrough,
  type Vector,
} from '../../geometry/index.ts'
import type { VoidFormer } from '../../job/index.ts'
import { massOf } from '../../units/convert.ts'

/** Foams, kg/m3. */
const FOAM: Readonly<Record<VoidFormer['material'], number>> = { xps: 33, eps: 18 }
/** Shares of a body's height that a former is tried in, and where between its foot and its head. */
const SHARES = [1, 0.85, 0.7, 0.55, 0.4] as const
/** A former smaller than this is not worth holding down, mm and mm2 [own]. */
const LEAST = { height: 30, area: 1600 } as const

export type PlacedVoid = {
  readonly recipe: SolidRecipe
  readonly low: number
  readonly high: number
  /** Its plan, the same all the way up. */
  readonly region: Region
  readonly volume: number
  readonly massKg: number
  readonly centroid: Vector
}

/**
 * A void former: an upright block of foam as large as leaves its cover of concrete on every side, of what is concrete
 * all through its height and its cover above and below. Of a domed or tapering body the heights that give the largest
 * are taken. Null where none fits.
 */
export function planVoid(
  kernel: Kernel,
  body: SolidRecipe,
  { material, cover }: VoidFormer,
): PlacedVoid | null {
  const { min, max } = boundSolid(kernel, body)
  const [foot, head] = [min[2], max[2]]
  // More than any plan of it has.
  const most = Math.max(0, max[0] - min[0] - 2 * cover) * Math.max(0, max[1] - min[1] - 2 * cover)
  let best: { region: Region; low: number; high: number; volume: number } | null = null
  for (const share of SHARES)
    for (const at of share === 1 ? [0] : [0, 0.5, 1]) {
      const tall = (head - foot) * share
      const from = foot + (head - foot - tall) * at
      const [low, high] = [from + cover, from + tall - cover]
      if (high - low < LEAST.height) continue
      if (best && (high - low) * most <= best.volume) continue
      const region = offsetRegion(kernel, solidThrough(kernel, body, from, from + tall), -cover, 'mitre')
      const area = measureRegion(region)
      if (area < LEAST.area) continue
      const volume = area * (high - low)
      if (!best || volume > best.volume) best = { region, low, high, volume }
    }
  if (!best) return null
  const [x, y] = middleOf(best.region)
  return {
    ...best,
    recipe: { kind: 'plate', region: best.region, low: best.low, high: best.high, name: 'void-former' },
    massKg: massOf(best.volume, FOAM[material]),
    centroid: [x, y, (best.low + best.high) / 2],
  }
}

/** Middle of gravity of a region. */
function middleOf(region: Region): Point {
  let [area, mx, my] = [0, 0, 0]
  for (const ring of region)
    ring.forEach(([x, y], i) => {
      const [u, v] = ring[(i + 1) % ring.length]!
      const twice = x * v - u * y
      area += twice / 2
      mx += (twice * (x + u)) / 6
      my += (twice * (y + v)) / 6
    })
  return [mx / area, my / area]
}
