import {
  type Kernel,
  type Region,
  type SolidRecipe,
  sectionsAlong,
  type Vector,
} from '../../geometry/index.ts'
import type { SteelFigures } from '../types.ts'
import type { ThicknessMap } from './thicknessMap.ts'

/** An upright cut through a thin place, seen from the front or from the left: `at` mm along the way it is looked along. */
export type ThinCut = {
  readonly seenFrom: 'front' | 'left'
  readonly at: number
  /** In the plane of the cut: x, or y from the left, and height, as placed. */
  readonly region: Region
}

/** Cutting planes whose u x v runs along y, and along x. */
const PLANES = {
  front: { origin: [0, 0, 0], u: [-1, 0, 0], v: [0, 0, 1] },
  left: { origin: [0, 0, 0], u: [0, 1, 0], v: [0, 0, 1] },
} as const

/** A cut through each thin place, the way that shows how thin it is there: square to what it lies between. */
export function cutsThrough(
  kernel: Kernel,
  recipe: SolidRecipe,
  places: SteelFigures['thinPlaces'],
  { samples }: ThicknessMap,
): ThinCut[] {
  const cuts = places.map(({ xMm, yMm, zMm }): Omit<ThinCut, 'region'> => {
    const [nx, ny] = normalNear(samples, [xMm, yMm, zMm])
    return Math.abs(nx) > Math.abs(ny) + 1e-6
      ? { seenFrom: 'front', at: yMm }
      : Math.abs(ny) > Math.abs(nx) + 1e-6
        ? { seenFrom: 'left', at: xMm }
        : { seenFrom: 'front', at: yMm }
  })
  return kernel.withSolids((s) => {
    const solid = s.solid(recipe)
    const of = (way: ThinCut['seenFrom']) =>
      sectionsAlong(
        s,
        solid,
        PLANES[way],
        cuts.filter((c) => c.seenFrom === way).map((c) => c.at),
      )
    const regions = { front: of('front'), left: of('left') }
    return cuts.map((cut): ThinCut => {
      const region = regions[cut.seenFrom].shift() ?? []
      return {
        ...cut,
        region:
          cut.seenFrom === 'front' ? region.map((ring) => ring.map(([x, z]) => [-x, z] as const)) : region,
      }
    })
  })
}

/** Which way the surface faces where a ball in the middle of a wall touches it. */
function normalNear(samples: ThicknessMap['samples'], p: Vector): Vector {
  let [near, best]: [number, Vector] = [Infinity, [0, 0, 1]]
  for (const { at, normal, thickness } of samples) {
    const middle = [0, 1, 2].map((k) => at[k]! - (normal[k]! * thickness) / 2)
    const away = (middle[0]! - p[0]) ** 2 + (middle[1]! - p[1]) ** 2 + (middle[2]! - p[2]) ** 2
    if (away < near) [near, best] = [away, normal]
  }
  return best
}
