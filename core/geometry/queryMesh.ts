import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import type { NamedMesh } from './meshSolid.ts'
import type { Vector } from './recipe.ts'

export type MeshQueries = {
  /** Whether a point lies inside the closed mesh. */
  readonly isInside: (p: Vector) => boolean
  /** How far it is from a point along a unit vector to the surface, mm; null where it meets none. */
  readonly reach: (p: Vector, along: Vector) => number | null
  /** How far its surface is from a point, mm; null where that is more than `within`. */
  readonly away: (p: Vector, within: number) => number | null
}

/** Askew to every face that shops cut, so that no ray runs in one. */
const ASKEW: Vector = [0.3129, 0.5477, 0.7759]

/** Questions of points and rays to a closed mesh, over a tree of its triangles. */
export function queryMesh(mesh: Pick<NamedMesh, 'positions' | 'triangles'>): MeshQueries {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(mesh.positions, 3))
  geometry.setIndex(new BufferAttribute(Uint32Array.from(mesh.triangles), 1))
  const tree = new MeshBVH(geometry, { indirect: true })
  const ray = new Ray()
  const [point, found] = [new Vector3(), { point: new Vector3(), distance: 0, faceIndex: 0 }]
  const cast = (p: Vector, along: Vector) => {
    ray.origin.set(...p)
    ray.direction.set(...along)
    return tree.raycastFirst(ray, DoubleSide)
  }
  return {
    isInside: (p) => {
      const hit = cast(p, ASKEW)
      const n = hit?.face?.normal
      return n !== undefined && n.x * ASKEW[0] + n.y * ASKEW[1] + n.z * ASKEW[2] > 0
    },
    reach: (p, along) => cast(p, along)?.distance ?? null,
    away: (p, within) => {
      point.set(...p)
      return tree.closestPointToPoint(point, found, 0, within)?.distance ?? null
    },
  }
}
