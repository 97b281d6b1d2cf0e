import {
  type Kernel,
  meshSolid,
  outlineFromAbove,
  type Point,
  placeOnRing,
  queryMesh,
  RINGS,
  type Under,
} from '../../geometry/index.ts'
import type { CastBody } from '../castBody.ts'

/** Ways round the middle in which a parting is looked for. */
const ROUND = 288
/** A place is looked at so far within the outline, as a share of its distance from the middle and at most mm: there the body has a height. */
export const WITHIN = 0.006
const AT_MOST = 0.5

/** In the body's middle the surface keeps so far off its faces, mm; at its edge a share of that, for what slopes on beyond it. */
const [OFF, EDGE] = [2, 0.25]

/**
 * A surface that parts a body where it is widest all round: at each place it lies within the body's own height there, as
 * near a level as it can, and beyond the outline it goes on level. Null where the body is open from above to below, or
 * its outline cannot be seen whole from its middle: then no such surface is drawn.
 */
export function partingSurface(
  kernel: Kernel,
  { recipe, length, width, height }: CastBody,
  level: number,
  low: number,
): Under | null {
  const outline = outlineFromAbove(kernel, recipe)
  const [ring] = outline
  if (!ring || outline.length !== 1) return null
  const middle = centroid(ring)
  const radii: number[] = []
  for (let i = 0; i < ROUND; i += 1) {
    const met = crossings(ring, middle, (2 * Math.PI * i) / ROUND)
    if (met.length !== 1) return null
    radii.push(met[0]! - Math.min(met[0]! * WITHIN, AT_MOST))
  }
  const queries = queryMesh(kernel.withSolids((s) => meshSolid(s.solid(recipe))))
  /** As near the level as the body is there, `inward` being 1 in its middle and 0 at its edge; null where there is none of it. */
  const nearest = ([x, y]: Point, wanted: number, inward: number): number | null => {
    const up = queries.reach([x, y, -1], [0, 0, 1])
    const down = queries.reach([x, y, height + 1], [0, 0, -1])
    if (up === null || down === null) return null
    const [foot, top] = [up - 1, height + 1 - down]
    const off = Math.min(OFF, (top - foot) * 0.45) * Math.max(EDGE, inward)
    return Math.min(Math.max(wanted, foot + off), top - off)
  }
  const atMiddle = nearest(middle, level, 1)
  if (atMiddle === null) return null
  const heights: number[][] = []
  for (let k = 0; k < RINGS; k += 1) {
    const round: number[] = []
    for (let i = 0; i < ROUND; i += 1) {
      const z = nearest(placeOnRing({ middle, radii }, i, k), level, 1 - (k + 1) / RINGS)
      if (z === null) return null
      round.push(z)
    }
    heights.push(round)
  }
  return {
    kind: 'under',
    middle,
    radii,
    heights,
    atMiddle,
    reach: 4 * Math.hypot(length, width),
    low,
    name: 'parting',
  }
}

function centroid(ring: readonly Point[]): Point {
  let [area, x, y] = [0, 0, 0]
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!
    const cross = ax * by - bx * ay
    area += cross
    x += (ax + bx) * cross
    y += (ay + by) * cross
  })
  return [x / (3 * area), y / (3 * area)]
}

/** How far from a middle a ray leaves a ring, each time it does. */
function crossings(ring: readonly Point[], [mx, my]: Point, angle: number): number[] {
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const found: number[] = []
  ring.forEach(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]!
    // In the frame of the ray: along it, and to its left.
    const [a, b] = [-s * (ax - mx) + c * (ay - my), -s * (bx - mx) + c * (by - my)]
    if (a > 0 === b > 0) return
    const t = a / (a - b)
    const along = c * (ax + (bx - ax) * t - mx) + s * (ay + (by - ay) * t - my)
    if (along > 0) found.push(along)
  })
  return found
}
