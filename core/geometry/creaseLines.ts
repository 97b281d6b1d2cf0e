import type { NamedMesh } from './meshSolid.ts'
import { weld } from './seenLines.ts'
import { lengthOf } from './vector.ts'

/** Edges between two triangles that bend by more than this are drawn, radians: 24 degrees. */
const CREASE = (24 * Math.PI) / 180

/** The edges of a closed mesh that a drawing shows, as pairs of points (x, y, z, x, y, z). */
export function creaseLines({ positions, triangles }: NamedMesh): Float32Array {
  const vertexOf = weld(positions)
  const normals = triangleNormals(positions, triangles)
  const count = positions.length / 3
  const firstSide = new Map<number, number>()
  const lines: number[] = []
  const limit = Math.cos(CREASE)
  for (let t = 0; t < triangles.length; t += 3) {
    for (let k = 0; k < 3; k += 1) {
      const [i, j] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!]
      const [a, b] = [vertexOf[i]!, vertexOf[j]!]
      const key = Math.min(a, b) * count + Math.max(a, b)
      const other = firstSide.get(key)
      if (other === undefined) {
        firstSide.set(key, t)
        continue
      }
      const dot =
        normals[t]! * normals[other]! +
        normals[t + 1]! * normals[other + 1]! +
        normals[t + 2]! * normals[other + 2]!
      if (dot < limit)
        lines.push(...positions.subarray(i * 3, i * 3 + 3), ...positions.subarray(j * 3, j * 3 + 3))
    }
  }
  return Float32Array.from(lines)
}

/** Unit normals, three numbers a triangle. */
function triangleNormals(p: Float32Array, triangles: Uint32Array): Float32Array {
  const normals = new Float32Array(triangles.length)
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]! * 3, triangles[t + 1]! * 3, triangles[t + 2]! * 3]
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
    const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const length = lengthOf(x, y, z) || 1
    normals.set([x / length, y / length, z / length], t)
  }
  return normals
}
