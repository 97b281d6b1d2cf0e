import type { NamedMesh } from './meshSolid.ts'
import type { Placement } from './recipe.ts'
import { eachSharedEdge, triangleNormals } from './sharedEdges.ts'

/** Edges that bend by more than this are drawn, radians: 24 degrees. */
const CREASE = Math.cos((24 * Math.PI) / 180)
/** A face that looks up by less than this is seen edge on. */
const UP = 0.02

/**
 * The edges of a closed mesh seen from above after a placement, as x, y, x, y: where it bends and one of the two faces
 * looks up, and where it turns away from the eye. What lies under other faces is not hidden.
 */
export function seenLines({ positions: p, triangles }: NamedMesh, by: Placement): Float32Array {
  const flat = new Float64Array(p.length)
  for (let v = 0; v < p.length; v += 3)
    for (let k = 0; k < 3; k += 1)
      flat[v + k] =
        by.x[k as 0] * p[v]! + by.y[k as 0] * p[v + 1]! + by.z[k as 0] * p[v + 2]! + by.origin[k as 0]
  const normals = triangleNormals(flat, triangles)
  const out: number[] = []
  eachSharedEdge({ positions: p, triangles }, (i, j, t, other) => {
    const [z0, z1] = [normals[t + 2]!, normals[other + 2]!]
    const turnsAway = z0 > UP !== z1 > UP
    const dot = normals[t]! * normals[other]! + normals[t + 1]! * normals[other + 1]! + z0 * z1
    if (turnsAway || (dot < CREASE && (z0 > UP || z1 > UP)))
      out.push(flat[i * 3]!, flat[i * 3 + 1]!, flat[j * 3]!, flat[j * 3 + 1]!)
  })
  return Float32Array.from(out)
}
