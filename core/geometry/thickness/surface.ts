import type { NamedMesh } from '../meshSolid.ts'
import type { Vector } from '../recipe.ts'
import { trianglesRound } from '../trianglesRound.ts'
import { lengthOf } from '../vector.ts'
import { weld } from '../weld.ts'

/** A closed mesh as a surface that can be walked: normals of its triangles, and which triangles meet at a vertex. */
export type Surface = {
  readonly mesh: NamedMesh
  readonly count: number
  /** Unit, three numbers a triangle. */
  readonly normals: Float64Array
  /** mm2. */
  readonly areas: Float64Array
  /** Triangles round the k-th corner of a triangle, itself among them. */
  readonly around: (triangle: number, corner: number) => Uint32Array
  /** The point of a triangle so far along its edges to the second and the third corner. */
  readonly pointAt: (triangle: number, u: number, v: number) => Vector
}

/** The surface of a mesh; asked for again it is the same. */
export function surfaceOf(mesh: NamedMesh): Surface {
  const known = surfaces.get(mesh)
  if (known) return known
  const made = makeSurface(mesh)
  surfaces.set(mesh, made)
  return made
}
const surfaces = new WeakMap<NamedMesh, Surface>()

function makeSurface(mesh: NamedMesh): Surface {
  const { positions: p, triangles } = mesh
  const count = triangles.length / 3
  const normals = new Float64Array(triangles.length)
  const areas = new Float64Array(count)
  for (let t = 0; t < count; t += 1) {
    const [a, b, c] = [triangles[3 * t]! * 3, triangles[3 * t + 1]! * 3, triangles[3 * t + 2]! * 3]
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
    const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const length = lengthOf(x, y, z)
    areas[t] = length / 2
    normals.set([x / (length || 1), y / (length || 1), z / (length || 1)], 3 * t)
  }
  const vertexOf = weld(p)
  const round = trianglesRound(triangles, vertexOf)
  return {
    mesh,
    count,
    normals,
    areas,
    around: (triangle, corner) => round(vertexOf[triangles[3 * triangle + corner]!]!),
    pointAt: (t, u, v) => {
      const [a, b, c] = [triangles[3 * t]! * 3, triangles[3 * t + 1]! * 3, triangles[3 * t + 2]! * 3]
      const along = (k: number) => p[a + k]! + (p[b + k]! - p[a + k]!) * u + (p[c + k]! - p[a + k]!) * v
      return [along(0), along(1), along(2)]
    },
  }
}

/** Chords that bend by less than this are drawn on one round, as a cosine: 30 degrees. */
const SMOOTH = Math.cos((30 * Math.PI) / 180)

/** The normal at a point of a triangle as of the round its chords stand for: at each corner the mean of what is round there. */
export function smoothNormals({ normals, around }: Surface): (t: number, u: number, v: number) => Vector {
  const corner = (t: number, k: number): Vector => {
    const own = [normals[3 * t]!, normals[3 * t + 1]!, normals[3 * t + 2]!] as const
    // One normal each, however many triangles a flat face is cut in.
    const seen: Vector[] = []
    for (const o of around(t, k)) {
      const n: Vector = [normals[3 * o]!, normals[3 * o + 1]!, normals[3 * o + 2]!]
      if (own[0] * n[0] + own[1] * n[1] + own[2] * n[2] < SMOOTH) continue
      if (seen.every((s) => s[0] * n[0] + s[1] * n[1] + s[2] * n[2] < 1 - 1e-7)) seen.push(n)
    }
    return unit(seen.reduce<Vector>((sum, n) => [sum[0] + n[0], sum[1] + n[1], sum[2] + n[2]], [0, 0, 0]))
  }
  const kept = new Map<number, readonly [Vector, Vector, Vector]>()
  return (t, u, v) => {
    let corners = kept.get(t)
    if (!corners) {
      corners = [corner(t, 0), corner(t, 1), corner(t, 2)]
      kept.set(t, corners)
    }
    const [a, b, c] = corners
    const along = (k: 0 | 1 | 2) => a[k] * (1 - u - v) + b[k] * u + c[k] * v
    return unit([along(0), along(1), along(2)])
  }
}

function unit([x, y, z]: Vector): Vector {
  const length = lengthOf(x, y, z) || 1
  return [x / length, y / length, z / length]
}
