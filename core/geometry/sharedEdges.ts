import type { NamedMesh } from './meshSolid.ts'
import { lengthOf } from './vector.ts'
import { weld } from './weld.ts'

/** Visits each edge that two triangles of a mesh share: the vertices at its ends, and where the corners of both triangles begin. */
export function eachSharedEdge(
  { positions, triangles }: Pick<NamedMesh, 'positions' | 'triangles'>,
  visit: (from: number, to: number, triangle: number, other: number) => void,
): void {
  const first = weld(positions)
  const count = positions.length / 3
  const side = new Map<number, number>()
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k += 1) {
      const [i, j] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!]
      const [a, b] = [first[i]!, first[j]!]
      const key = Math.min(a, b) * count + Math.max(a, b)
      const other = side.get(key)
      if (other === undefined) side.set(key, t)
      else visit(i, j, t, other)
    }
}

/** Unit normals of the triangles of a mesh, three numbers each. */
export function triangleNormals(p: ArrayLike<number>, triangles: Uint32Array): Float64Array {
  const normals = new Float64Array(triangles.length)
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
