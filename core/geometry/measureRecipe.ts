import { addBulks, type Bulk, meshBulk } from './bulk.ts'
import { loopChords } from './chords.ts'
import { loftWalls, ringMesh } from './facedMesh.ts'
import { measureWithin } from './measureWithin.ts'
import type { Point } from './outline.ts'
import type { SolidRecipe } from './recipe.ts'
import { turnedMesh } from './turnedMesh.ts'

/**
 * The bulk of a single body without the solid library, for figures while something is dragged: the same walls as the
 * solid, its flat ends by polygon areas. Null for what only the library can make.
 */
export function measureRecipe(recipe: SolidRecipe): Bulk | null {
  switch (recipe.kind) {
    case 'loft': {
      const { mesh, bottom, top } = loftWalls(recipe, 1)
      return addBulks([
        [1, meshBulk(mesh)],
        ...bottom.map((c) => [1, capBulk(c.points, recipe.low, -1)] as const),
        ...top.map((c) => [1, capBulk(c.points, recipe.high, 1)] as const),
      ])
    }
    case 'prism': {
      if (recipe.lowPlane) return null
      const height = recipe.high - recipe.low
      const rings = [recipe.outline, ...recipe.holes].map((l) => flat(loopChords(l).points))
      const area = rings.reduce((sum, r, i) => sum + (i === 0 ? 1 : -1) * Math.abs(r.area), 0)
      const volume = area * height
      const at = (k: 0 | 1) =>
        rings.reduce((sum, r, i) => sum + (i === 0 ? 1 : -1) * Math.abs(r.area) * r.middle[k], 0) * height
      const walls = rings.reduce((sum, r) => sum + r.around, 0) * height
      return {
        volume,
        area: walls + 2 * area,
        moment: [at(0), at(1), (volume * (recipe.low + recipe.high)) / 2],
      }
    }
    case 'turned':
      return meshBulk(turnedMesh(recipe, 1))
    case 'ring':
      return meshBulk(ringMesh(recipe, 1))
    case 'trimmed':
    case 'stack':
      return measureWithin(recipe, [])
    // No closed form here: the solid tells.
    default:
      return null
  }
}

/** What a flat end at height z adds: its cone to the origin, z A/3, with centroid three quarters up. */
function capBulk(points: readonly Point[], z: number, facing: 1 | -1): Bulk {
  const { area, middle } = flat(points)
  const volume = (facing * z * area) / 3
  const k = volume * 0.75
  // Holes run clockwise: their area is negative and is taken off the end's surface.
  return { volume, moment: [k * middle[0], k * middle[1], k * z], area }
}

function flat(points: readonly Point[]): { area: number; middle: Point; around: number } {
  let [area, x, y, around] = [0, 0, 0, 0]
  points.forEach(([ax, ay], i) => {
    const [bx, by] = points[(i + 1) % points.length]!
    const cross = ax * by - bx * ay
    area += cross / 2
    x += ((ax + bx) * cross) / 6
    y += ((ay + by) * cross) / 6
    around += Math.hypot(bx - ax, by - ay)
  })
  return { area, middle: area === 0 ? [0, 0] : [x / area, y / area], around }
}
