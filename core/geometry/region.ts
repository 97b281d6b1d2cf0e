import type { CrossSection } from 'manifold-3d'
import { loopChords } from './chords.ts'
import type { Kernel, SolidScope } from './kernel.ts'
import type { Loop, Point } from './outline.ts'
import type { SolidRecipe } from './recipe.ts'
import type { Region } from './sectionSolid.ts'

/** Chords of a loop as a region of one contour. */
export const loopRegion = (loop: Loop): Region => [loopChords(loop).points]

/** The library refuses an empty list: a ring without area is empty too. */
const NOTHING: [number, number][][] = [
  [
    [0, 0],
    [0, 0],
    [0, 0],
  ],
]

/** A region as the library's own; it lives as long as the scope. */
export const sectionOf = (scope: SolidScope, region: Region): CrossSection =>
  scope.keep(
    new scope.kernel.CrossSection(
      region.length === 0 ? NOTHING : region.map((ring) => ring.map(([x, y]) => [x, y] as [number, number])),
      'Positive',
    ),
  )

const toRegion = (section: CrossSection): Region =>
  section.toPolygons().map((ring) => ring.map(([x, y]): Point => [x, y]))

/** Union, intersection or difference (first less the rest) of plan regions, mm. */
export function combineRegions(
  kernel: Kernel,
  how: 'union' | 'intersection' | 'difference',
  regions: readonly Region[],
): Region {
  return kernel.withSolids((scope) => {
    const sections = regions.map((r) => sectionOf(scope, r))
    return toRegion(scope.keep(scope.kernel.CrossSection[how](sections)))
  })
}

/** A region grown by `delta` mm (shrunk when negative), with round or mitred outside corners. */
export function offsetRegion(
  kernel: Kernel,
  region: Region,
  delta: number,
  join: 'round' | 'mitre',
  chordsPerTurn = 96,
): Region {
  return kernel.withSolids((scope) => {
    const section = sectionOf(scope, region)
    const grown = section.offset(delta, join === 'round' ? 'Round' : 'Miter', 4, chordsPerTurn)
    return toRegion(scope.keep(grown))
  })
}

/** Area of a region, mm2: outer contours less holes. */
export const measureRegion = (region: Region): number =>
  region.reduce((sum, ring) => {
    let twice = 0
    ring.forEach(([x, y], i) => {
      const [nx, ny] = ring[(i + 1) % ring.length]!
      twice += x * ny - nx * y
    })
    return sum + twice / 2
  }, 0)

/** What is seen of a solid from above, as closed contours in x and y. */
export const outlineFromAbove = (kernel: Kernel, recipe: SolidRecipe): Region =>
  kernel.withSolids((scope) => toRegion(scope.keep(scope.solid(recipe).body.project())))

/** What of a solid lies between two heights, seen from above. */
export const bandFromAbove = (kernel: Kernel, recipe: SolidRecipe, low: number, high: number): Region =>
  kernel.withSolids((scope) => {
    const above = scope.keep(scope.solid(recipe).body.trimByPlane([0, 0, 1], low))
    const band = scope.keep(above.trimByPlane([0, 0, -1], -high))
    return toRegion(scope.keep(band.project()))
  })

/** Where a solid has nothing but concrete between two heights, in plan: columns that no void, slope or edge cuts into. */
export const solidThrough = (kernel: Kernel, recipe: SolidRecipe, low: number, high: number): Region =>
  kernel.withSolids((scope) => {
    const { body } = scope.solid(recipe)
    const { min, max } = body.boundingBox()
    const [x, y] = [max[0] - min[0], max[1] - min[1]]
    const block = scope.keep(scope.kernel.Manifold.cube([x, y, high - low]))
    const placed = scope.keep(block.translate([min[0], min[1], low]))
    const voids = scope.keep(placed.subtract(body))
    const all: Region = [
      [
        [min[0], min[1]],
        [max[0], min[1]],
        [max[0], max[1]],
        [min[0], max[1]],
      ],
    ]
    return toRegion(scope.keep(sectionOf(scope, all).subtract(scope.keep(voids.project()))))
  })
