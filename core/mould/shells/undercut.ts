import {
  heightAt,
  type Kernel,
  type Point,
  type Region,
  sectionsAlong,
  type Under,
} from '../../geometry/index.ts'
import { type CastBody, levelSections } from '../castBody.ts'

/** Levels at which each half is looked at; points of a section that are looked at. */
const LEVELS = 16
const POINTS = 240
/** Chords and mesh stray by less than this, mm. */
const STRAYS = 0.15

/**
 * How far the cast stands out over rubber that must pass it when two halves part at a level or along a surface, the worst of both, mm: of
 * each section, how far any of its points lies outside a section nearer the joint. 0 where both halves draw.
 */
export function undercutOf(
  kernel: Kernel,
  body: CastBody,
  parting: number,
  surface: Under | null = null,
): number {
  const within = (low: number, high: number) =>
    Array.from({ length: LEVELS }, (_, i) => low + ((i + 0.5) / LEVELS) * (high - low))
  const parted = (low: number, high: number) =>
    [within(low, parting).reverse(), within(parting, high)] as const
  if (!surface) {
    const [lower, upper] = parted(0, body.height)
    return worstOf(levelSections(kernel, body.recipe, [...lower, ...upper]))
  }
  // Sheared upright until the parting lies level: what stands over what upright stays as it was.
  return kernel.withSolids((scope) => {
    const { body: whole, names } = scope.solid(body.recipe)
    const fine = scope.keep(whole.refineToLength(Math.hypot(body.length, body.width) / FINE))
    const level = scope.keep(
      fine.warp((v) => {
        v[2] = v[2]! + parting - heightAt(surface, [v[0]!, v[1]!])
      }),
    )
    const { min, max } = level.boundingBox()
    const [lower, upper] = parted(min[2], max[2])
    return worstOf(
      sectionsAlong(scope, { body: level, names }, { origin: [0, 0, 0], u: [1, 0, 0], v: [0, 1, 0] }, [
        ...lower,
        ...upper,
      ]),
    )
  })
}
/** A body is cut so finely before it is sheared: pieces over its size. */
const FINE = 60

/** The worse of both halves: sections from the joint down, then from the joint up. */
function worstOf(regions: readonly Region[]): number {
  const sections = regions.map(thinned)
  return Math.max(worst(sections.slice(0, LEVELS)), worst(sections.slice(LEVELS)))
}

/** Sections from the joint outward: how far a later one reaches beyond an earlier one. */
function worst(sections: readonly Region[]): number {
  let most = 0
  sections.forEach((far, i) => {
    for (const near of sections.slice(0, i))
      for (const ring of far) for (const point of ring) most = Math.max(most, outside(point, near))
  })
  return most > STRAYS ? most : 0
}

const thinned = (region: Region): Region =>
  region.map((ring) => {
    const step = Math.max(1, Math.ceil(ring.length / POINTS))
    return ring.filter((_, i) => i % step === 0)
  })

/** How far a point lies outside a region, mm; 0 within it, and 0 where there is nothing to lie outside of. */
function outside([x, y]: Point, region: Region): number {
  let [near, inside] = [Number.POSITIVE_INFINITY, false]
  for (const ring of region)
    ring.forEach(([ax, ay], i) => {
      const [bx, by] = ring[(i + 1) % ring.length]!
      const [dx, dy] = [bx - ax, by - ay]
      const at = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)))
      near = Math.min(near, Math.hypot(x - ax - at * dx, y - ay - at * dy))
      if (ay > y !== by > y && x < ax + ((y - ay) / dy) * dx) inside = !inside
    })
  return inside || near === Number.POSITIVE_INFINITY ? 0 : near
}
