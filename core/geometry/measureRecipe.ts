import { loopChords } from './chords.ts'
import { type FacedMesh, loftWalls, ringMesh } from './facedMesh.ts'
import type { Point } from './outline.ts'
import type { SolidRecipe, Vector } from './recipe.ts'
import { turnedMesh } from './turnedMesh.ts'

/** Volume (mm3), its moment (volume x centroid) and surface (mm2). */
export type Bulk = { readonly volume: number; readonly moment: Vector; readonly area: number }

/** The sum of bulks, each with its sign: what is taken away counts as minus one. */
export function addBulks(bulks: readonly (readonly [sign: number, bulk: Bulk])[]): Bulk {
  let [volume, area, x, y, z] = [0, 0, 0, 0, 0]
  for (const [sign, bulk] of bulks) {
    volume += sign * bulk.volume
    area += bulk.area
    x += sign * bulk.moment[0]
    y += sign * bulk.moment[1]
    z += sign * bulk.moment[2]
  }
  return { volume, area, moment: [x, y, z] }
}

/** A bulk of given volume about a point, its surface left out. */
export const bulkAt = (volume: number, [x, y, z]: Vector): Bulk => ({
  volume,
  moment: [volume * x, volume * y, volume * z],
  area: 0,
})

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
    default:
      return null
  }
}

/** The signed sum over triangles of the tetrahedra they span with the origin. */
function meshBulk({ vertices: v, triangles: t }: FacedMesh): Bulk {
  let [six, x, y, z, area] = [0, 0, 0, 0, 0]
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i]! * 3, t[i + 1]! * 3, t[i + 2]! * 3]
    const [ax, ay, az] = [v[a]!, v[a + 1]!, v[a + 2]!]
    const [bx, by, bz] = [v[b]!, v[b + 1]!, v[b + 2]!]
    const [cx, cy, cz] = [v[c]!, v[c + 1]!, v[c + 2]!]
    const d = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)
    six += d
    x += d * (ax + bx + cx)
    y += d * (ay + by + cy)
    z += d * (az + bz + cz)
    const [ux, uy, uz, wx, wy, wz] = [bx - ax, by - ay, bz - az, cx - ax, cy - ay, cz - az]
    area += Math.hypot(uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx) / 2
  }
  return { volume: six / 6, moment: [x / 24, y / 24, z / 24], area }
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
