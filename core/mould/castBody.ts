import {
  growthAlong,
  type Kernel,
  type Loop,
  type Region,
  type SolidRecipe,
  sectionAreas,
  sectionsAlong,
  type Vector,
} from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import { pouredPlacement, pouredSize } from '../piece/index.ts'
import type { MethodInput } from './method.ts'

/** The piece as it lies in the pour: its solid, and its box from the origin, mm. */
export type CastBody = {
  readonly recipe: SolidRecipe
  readonly length: number
  readonly width: number
  readonly height: number
  /** Whether relief may run round it, so that a seam has valleys to lie in. */
  readonly relief: boolean
  readonly volume: number
  /** The whole of its surface, mm2. */
  readonly area: number
}

/** A mesh of more triangles than this is moulded to within so many mm: no coat, print or pour is finer [own]. */
const FINE = { triangles: 100_000, mm: 0.1 }

/** The piece as its mould takes it: a fine mesh without what no mould keeps. */
export const moulded = (piece: Piece, solid: SolidRecipe): SolidRecipe =>
  piece.kind === 'imported' && piece.file.triangles > FINE.triangles
    ? { kind: 'tidied', solid, within: FINE.mm, name: 'piece' }
    : solid

export function castBody({ piece, pieceStation }: MethodInput): CastBody {
  const { geometry, figures } = pieceStation
  const [length, width, height] = pouredSize(piece.attitude, geometry)
  return {
    recipe: {
      kind: 'moved',
      solid: moulded(piece, geometry.recipe!),
      by: pouredPlacement(piece.attitude, geometry),
    },
    length,
    width,
    height,
    relief: (piece.kind === 'turned' && geometry.recipe!.kind !== 'turned') || piece.kind === 'imported',
    volume: figures.volumeLitres * 1e6,
    area: figures.surfaceAreaM2 * 1e6,
  }
}

/** Volume of a part, mm3: measured on the solid, or a guess while something is dragged. */
export const volumeOf = ({ kernel, quick }: MethodInput, recipe: SolidRecipe, guess: number): number =>
  quick ? guess : kernel.withSolids((s) => s.solid(recipe).body.volume())

/** Level sections of a solid at some heights, each as closed contours in x and y. */
export const levelSections = (
  kernel: Kernel,
  recipe: SolidRecipe,
  heights: readonly number[],
): readonly Region[] =>
  kernel.withSolids((scope) => {
    return sectionsAlong(
      scope,
      scope.solid(recipe),
      { origin: [0, 0, 0], u: [1, 0, 0], v: [0, 1, 0] },
      heights,
    )
  })

/** Box of a region in its plane; all 0 when there is none. */
export function regionBox(region: Region): {
  readonly min: readonly [number, number]
  readonly max: readonly [number, number]
} {
  const points = region.flat()
  if (points.length === 0) return { min: [0, 0], max: [0, 0] }
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  return { min: [Math.min(...xs), Math.min(...ys)], max: [Math.max(...xs), Math.max(...ys)] }
}

/** The contours of a region as loops of straight sides. */
export const regionLoops = (region: Region, name: string): Loop[] =>
  region.map((ring) => ring.map((from, i) => ({ name, from, to: ring[(i + 1) % ring.length]!, arc: null })))

/** Length round every contour of a region, mm. */
export const regionPerimeter = (region: Region): number =>
  region.reduce(
    (sum, ring) =>
      sum +
      ring.reduce((around, [x, y], i) => {
        const [nx, ny] = ring[(i + 1) % ring.length]!
        return around + Math.hypot(nx - x, ny - y)
      }, 0),
    0,
  )

/** Widening by this much is an undercut, not chords that stray, mm2 for each mm round the section. */
const LOCKS = 0.15
const BANDS = 24

/**
 * Where a rigid mould part that leaves along `way` (a unit vector) would lock: going outward from `from` to `to`
 * (offsets along it), the cast may nowhere widen. `within` tells what of the surface the part covers. Null when it
 * leaves.
 */
export function lockOf(
  kernel: Kernel,
  recipe: SolidRecipe,
  way: Vector,
  from: number,
  to: number,
  within?: (x: number, y: number, z: number) => boolean,
): { readonly at: number; readonly area: number } | null {
  const step = (to - from) / BANDS
  // The faces that lie on both ends are the part's own joint.
  const [low, high] = [from + Math.min(0.05, step / 10), to - Math.min(0.05, step / 10)]
  const { back, around } = kernel.withSolids((s) =>
    growthAlong(s.solid(recipe), way, low, high, BANDS, within),
  )
  const worst = back.reduce((most, area, b) => (area > back[most]! ? b : most), 0)
  const at = from + (worst + 0.5) * step
  if (back[worst]! > LEAST_LOCK && back.some((area, b) => area > LEAST_LOCK && area > LOCKS * around[b]!))
    return { at, area: back[worst]! }
  // A slow taper widens by little in each band, and by as much as it is all the way.
  const area = back.reduce((sum, a) => sum + a, 0)
  return area > LEAST_LOCK && area > LOCKS * Math.max(...around) ? { at, area } : null
}
/** Slivers below this lock nothing, mm2. */
const LEAST_LOCK = 1

/** Where a cast would lock in a rigid mould that is drawn down off it: the height, mm. Null when it draws. */
export function undercut(
  kernel: Kernel,
  body: CastBody,
): { readonly z: number; readonly area: number } | null {
  const lock = lockOf(kernel, body.recipe, [0, 0, -1], -body.height, 0)
  return lock && { z: -lock.at, area: lock.area }
}

/** The height at which a solid is greatest in plan, and its area there. */
export function greatestSection(
  kernel: Kernel,
  body: CastBody,
): { readonly z: number; readonly area: number } {
  const steps = 64
  const heights = Array.from({ length: steps - 1 }, (_, i) => (body.height * (i + 1)) / steps)
  const areas = kernel.withSolids((scope) => sectionAreas(scope.solid(body.recipe), [0, 0, 1], heights))
  // The topmost of equals: what stands above it then draws off upward.
  let best = 0
  areas.forEach((area, i) => {
    if (area > areas[best]! * (1 + 1e-6)) best = i
  })
  return { z: heights[best]!, area: areas[best]! }
}
