import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import type { NamedMesh } from './meshSolid.ts'
import type { Point } from './outline.ts'

/** Two surfaces nearer than this are one, as where a ray meets the edge between two triangles, mm. */
const SAME = 1e-4

/** What a closed mesh has above each point of the plan: how much of it straight up, and where that begins and ends, mm. */
export type Column = { readonly depth: number; readonly low: number; readonly high: number }

/** The columns of a solid over points of its plan; null where there is nothing. A slab of 45: `{depth: 45, low: 0, high: 45}`. */
export function columnDepths(
  { positions, triangles }: NamedMesh,
  points: readonly Point[],
): (Column | null)[] {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  geometry.setIndex(new BufferAttribute(Uint32Array.from(triangles), 1))
  const tree = new MeshBVH(geometry, { indirect: true })
  let low = Infinity
  for (let i = 2; i < positions.length; i += 3) low = Math.min(low, positions[i]!)
  const ray = new Ray(new Vector3(), new Vector3(0, 0, 1))
  return points.map(([x, y]) => {
    ray.origin.set(x, y, low - 1)
    const hits = tree
      .raycast(ray, DoubleSide)
      .map((hit) => ({ z: hit.point.z, up: (hit.face?.normal.z ?? 0) > 0 }))
      .sort((a, b) => a.z - b.z)
      .filter((hit, i, all) => i === 0 || hit.z - all[i - 1]!.z > SAME || hit.up !== all[i - 1]!.up)
    let depth = 0
    let from: number | null = null
    for (const { z, up } of hits) {
      if (!up) from ??= z
      else if (from !== null) {
        depth += z - from
        from = null
      }
    }
    return depth > 0 ? { depth, low: hits[0]!.z, high: hits.at(-1)!.z } : null
  })
}
