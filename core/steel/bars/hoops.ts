import {
  boundSolid,
  isWithin,
  type Kernel,
  measureRegion,
  offsetRegion,
  type Point,
  type Region,
  type SolidRecipe,
  solidThrough,
  type Vector,
} from '../../geometry/index.ts'
import type { Bar } from '../../stock/index.ts'
import { largest } from './cage.ts'
import type { PlacedBar } from './types.ts'

/** Between hoops, mm [own]; how many at most. */
const [APART, MOST] = [200, 60]
/** Least concrete over a hoop, mm: where the wall is too thin for its cover it lies in the middle, down to this. */
export const LEAST_HOOP_COVER = 10
/** A hoop is tried so many mm lower where a rim's edge leaves no room for it. */
const [LOWER, TRIES] = [5, 8]
/** Times the room in a thin wall is halved to find the cover it leaves. */
const HALVINGS = 6

export type Hoops = {
  readonly bars: readonly PlacedBar[]
  readonly apart: number
  /** The least that a hoop keeps; less than wanted where the wall is too thin. */
  readonly cover: number
}

/**
 * Rings in the wall of what is hollow and open above: the first under the rim, then evenly down as far as it is hollow.
 * Each keeps its cover from the outside, the inside and the rim, from what is solid that far above and below it. Null
 * where there is no such wall.
 */
export function planHoops(
  kernel: Kernel,
  body: SolidRecipe,
  id: string,
  bar: Bar,
  { cover, apart: wanted }: { readonly cover: number; readonly apart: number | null },
): Hoops | null {
  const { min, max } = boundSolid(kernel, body)
  const [low, high] = [min[2], max[2]]
  const apart = wanted ?? APART
  const r = bar.diameter / 2
  const ringAt = (z: number, c: number): Point[] | null =>
    roundHollow(offsetRegion(kernel, solidThrough(kernel, body, z - r - c, z + r + c), -(c + r), 'mitre'))
  const at = (z: number): { ring: Point[]; cover: number } | null => {
    const whole = ringAt(z, cover)
    if (whole) return { ring: whole, cover }
    // In a wall too thin for it, as much as there is room for.
    let best: { ring: Point[]; cover: number } | null = null
    for (let [least, most, i] = [LEAST_HOOP_COVER, cover, 0]; most > least && i < HALVINGS; i += 1) {
      const c = i === 0 ? least : (least + most) / 2
      const ring = ringAt(z, c)
      if (ring) best = { ring, cover: c }
      else if (i === 0) return null
      if (i > 0) [least, most] = ring ? [c, most] : [least, c]
    }
    return best
  }
  const bars: PlacedBar[] = []
  let least = cover
  for (let z = high - cover - r; z - r > low + cover && bars.length < MOST; z -= apart) {
    let found = at(z)
    for (let i = 1; !found && bars.length === 0 && i <= TRIES; i += 1) {
      z -= LOWER
      found = at(z)
    }
    // Below its floor, and where a hole breaks the wall, there is none.
    if (!found) continue
    least = Math.min(least, found.cover)
    bars.push({
      id: `${id}/hoop/${bars.length + 1}`,
      purpose: 'hoop',
      bar,
      path: found.ring.map(([x, y]): Vector => [x, y, z]),
      closed: true,
    })
  }
  return bars.length > 0 ? { bars, apart, cover: least } : null
}

/** The outer ring of a region that goes round a hole; null where none does. */
function roundHollow(region: Region): Point[] | null {
  const outer = largest(region)
  if (!outer) return null
  const holes = region.filter((ring) => measureRegion([ring]) < -1)
  return holes.some((hole) => isWithin(hole[0]!, outer)) ? outer : null
}
