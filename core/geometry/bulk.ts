import type { FacedMesh } from './facedMesh.ts'
import type { Vector } from './recipe.ts'
import { lengthOf } from './vector.ts'

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

/** The signed sum over triangles of the tetrahedra they span with `apex`. */
export function meshBulk({ vertices: v, triangles: t }: FacedMesh, apex: Vector = [0, 0, 0]): Bulk {
  let [six, x, y, z, area] = [0, 0, 0, 0, 0]
  const [ox, oy, oz] = apex
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i]! * 3, t[i + 1]! * 3, t[i + 2]! * 3]
    const [ax, ay, az] = [v[a]! - ox, v[a + 1]! - oy, v[a + 2]! - oz]
    const [bx, by, bz] = [v[b]! - ox, v[b + 1]! - oy, v[b + 2]! - oz]
    const [cx, cy, cz] = [v[c]! - ox, v[c + 1]! - oy, v[c + 2]! - oz]
    const d = ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)
    six += d
    x += d * (ax + bx + cx)
    y += d * (ay + by + cy)
    z += d * (az + bz + cz)
    const [ux, uy, uz, wx, wy, wz] = [bx - ax, by - ay, bz - az, cx - ax, cy - ay, cz - az]
    area += lengthOf(uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx) / 2
  }
  return {
    volume: six / 6,
    moment: [(ox * six) / 6 + x / 24, (oy * six) / 6 + y / 24, (oz * six) / 6 + z / 24],
    area,
  }
}
