import type { NamedMesh } from './meshSolid.ts'
import { eachSharedEdge, triangleNormals } from './sharedEdges.ts'

/** Edges between two triangles that bend by more than this are drawn, radians: 24 degrees. */
const CREASE = (24 * Math.PI) / 180

/** The edges of a closed mesh that a drawing shows, as pairs of points (x, y, z, x, y, z). */
export function creaseLines({ positions, triangles }: NamedMesh): Float32Array {
  const normals = triangleNormals(positions, triangles)
  const lines: number[] = []
  const limit = Math.cos(CREASE)
  eachSharedEdge({ positions, triangles }, (i, j, t, other) => {
    const dot =
      normals[t]! * normals[other]! +
      normals[t + 1]! * normals[other + 1]! +
      normals[t + 2]! * normals[other + 2]!
    if (dot < limit)
      lines.push(...positions.subarray(i * 3, i * 3 + 3), ...positions.subarray(j * 3, j * 3 + 3))
  })
  return Float32Array.from(lines)
}
