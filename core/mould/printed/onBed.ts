import type { Placement, Solid, Vector } from '../../geometry/index.ts'
import type { Printer } from '../../stock/index.ts'
import { DOWN } from '../bareParts.ts'
import type { Bed } from './split.ts'

/** What is kept free at each side of the bed for the brim, mm [own]. */
export const BRIM = 5

/** What a part may take of a printer's bed, its brim beside it. */
export const bedOf = ({ bedX, bedY, bedZ }: Printer): Bed => ({
  x: Math.max(1, bedX - 2 * BRIM),
  y: Math.max(1, bedY - 2 * BRIM),
  z: bedZ,
})

export type Lying = {
  readonly lies: Placement
  /** As it lies, mm. */
  readonly size: Vector
  readonly fits: boolean
  /** Whether it rests on the bed by itself: one that does not is printed on supports. */
  readonly rests: boolean
}

/**
 * How a part may lie: on one of its seams, else upright or on its rim with a seam along the bed; each along the bed or
 * across it.
 */
export function waysToLie(seams: readonly Vector[]): Placement[] {
  const level = seams.filter((n) => Math.abs(n[2]) < 0.5)
  const [first = [1, 0, 0] as Vector] = level
  const on = level.flatMap((axis) => bothWays(beside(axis), UP, axis))
  return [...on, ...bothWays(first, beside(first), UP), ...bothWays(beside(first), first, DOWN)]
}

const UP: Vector = [0, 0, 1]
const beside = ([x, y]: Vector): Vector => [-y, x, 0]
const back = ([x, y, z]: Vector): Vector => [0 - x, 0 - y, 0 - z]
const bothWays = (x: Vector, y: Vector, up: Vector): Placement[] => [turned(x, y, up), turned(back(y), x, up)]

/** The turn that brings three directions onto the bed's x, y and up: they are its rows. */
const turned = (x: Vector, y: Vector, z: Vector): Placement => {
  const column = (k: 0 | 1 | 2): Vector => [x[k], y[k], z[k]]
  return { x: column(0), y: column(1), z: column(2), origin: [0, 0, 0] }
}

/** A part that rests on less of the bed than this rolls or comes loose, mm2 [own]. */
const RESTS = 20
/** What rests on the bed is looked at so high above it, mm. */
const FIRST_LAYER = 0.003

/** The first way to lie in which a body fits the bed and rests on it; else that in which it rests best of those it fits in. */
export function lieOnBed(body: Solid['body'], ways: readonly Placement[], bed: Bed): Lying {
  let best: (Lying & { readonly on: number }) | null = null
  for (const lies of ways) {
    const { x, y, z } = lies
    const laid = body.transform([...x, 0, ...y, 0, ...z, 0, 0, 0, 0, 1])
    const { min, max } = laid.boundingBox()
    const size = [0, 1, 2].map((k) => max[k]! - min[k]!) as unknown as Vector
    const fits = size[0] <= bed.x + 1e-3 && size[1] <= bed.y + 1e-3 && size[2] <= bed.z + 1e-3
    const areaAt = (height: number) => {
      const layer = laid.slice(min[2] + height)
      const area = layer.area()
      layer.delete()
      return area
    }
    // What only leans on an edge grows with the height: continued down to the bed nothing is left of it.
    const on = 2 * areaAt(FIRST_LAYER) - areaAt(2 * FIRST_LAYER)
    laid.delete()
    const rests = on >= RESTS
    if (fits && rests) return { lies, size, fits, rests }
    if (!best || (fits && (!best.fits || on > best.on))) best = { lies, size, fits, rests, on }
  }
  return best!
}
