import type { NamedMesh } from './meshSolid.ts'
import type { Placement } from './recipe.ts'
import { lengthOf } from './vector.ts'

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
  const first = weld(p)
  const count = p.length / 3
  const normals = new Float64Array(triangles.length)
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]! * 3, triangles[t + 1]! * 3, triangles[t + 2]! * 3]
    const [ux, uy, uz] = [flat[b]! - flat[a]!, flat[b + 1]! - flat[a + 1]!, flat[b + 2]! - flat[a + 2]!]
    const [vx, vy, vz] = [flat[c]! - flat[a]!, flat[c + 1]! - flat[a + 1]!, flat[c + 2]! - flat[a + 2]!]
    const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const length = lengthOf(x, y, z) || 1
    normals.set([x / length, y / length, z / length], t)
  }
  const side = new Map<number, number>()
  const out: number[] = []
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k += 1) {
      const [i, j] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!]
      const [a, b] = [first[i]!, first[j]!]
      const key = Math.min(a, b) * count + Math.max(a, b)
      const other = side.get(key)
      if (other === undefined) {
        side.set(key, t)
        continue
      }
      const [z0, z1] = [normals[t + 2]!, normals[other + 2]!]
      const turnsAway = z0 > UP !== z1 > UP
      const dot = normals[t]! * normals[other]! + normals[t + 1]! * normals[other + 1]! + z0 * z1
      if (turnsAway || (dot < CREASE && (z0 > UP || z1 > UP)))
        out.push(flat[i * 3]!, flat[i * 3 + 1]!, flat[j * 3]!, flat[j * 3 + 1]!)
    }
  return Float32Array.from(out)
}

/** For each vertex the first one at the same place, by a table of the bits of its coordinates. */
export function weld(positions: Float32Array): Uint32Array {
  const count = positions.length / 3
  // 0 and -0 are one place.
  const plain = positions.map((x) => x + 0)
  const bits = new Uint32Array(plain.buffer, plain.byteOffset, plain.length)
  const first = new Uint32Array(count)
  let size = 16
  while (size < 2 * count) size *= 2
  const table = new Int32Array(size).fill(-1)
  for (let v = 0; v < count; v += 1) {
    const [x, y, z] = [bits[3 * v]!, bits[3 * v + 1]!, bits[3 * v + 2]!]
    let at = (Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791)) >>> 0
    at = (at ^ (at >>> 15)) & (size - 1)
    let known = table[at]!
    while (known >= 0 && (bits[3 * known] !== x || bits[3 * known + 1] !== y || bits[3 * known + 2] !== z)) {
      at = (at + 1) & (size - 1)
      known = table[at]!
    }
    if (known < 0) table[at] = v
    first[v] = known < 0 ? v : known
  }
  return first
}
