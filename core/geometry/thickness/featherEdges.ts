import type { NamedMesh } from '../meshSolid.ts'
import { lengthOf } from '../vector.ts'
import { surfaceOf } from './surface.ts'

/** Where two faces meet in an edge sharper than asked for: how sharp at its sharpest, and how long, mm. */
export type FeatherEdge = {
  readonly faces: readonly [string, string]
  readonly angleDeg: number
  readonly length: number
  readonly at: readonly [number, number, number]
}

/** Shorter than this it is a slip of a triangle, mm [own]. */
const SLIP = 1

/** Edges of a closed mesh whose concrete is a wedge under `underDeg`, by the faces they lie between. A square edge is 90. */
export function featherEdges(mesh: NamedMesh, underDeg: number): FeatherEdge[] {
  const { normals, areas, around } = surfaceOf(mesh)
  const { positions: p, triangles, faceOfTriangle, faceNames } = mesh
  const limit = Math.cos(((180 - underDeg) * Math.PI) / 180)
  const edges = new Map<string, FeatherEdge>()
  /** The triangle over the k-th edge of another, of two the one that is asked for first. */
  const beyond = (t: number, k: number): number => {
    const to = triangles[3 * t + ((k + 1) % 3)]! * 3
    for (const o of around(t, k))
      if (o > t) for (let j = 0; j < 3; j += 1) if (same(p, triangles[3 * o + j]! * 3, to)) return o
    return -1
  }
  for (let t = 0; t < triangles.length / 3; t += 1)
    for (let k = 0; k < 3; k += 1) {
      const [from, to] = [triangles[3 * t + k]! * 3, triangles[3 * t + ((k + 1) % 3)]! * 3]
      const other = beyond(t, k)
      if (other < 0 || areas[t]! < 1e-6 || areas[other]! < 1e-6) continue
      const dot =
        normals[3 * t]! * normals[3 * other]! +
        normals[3 * t + 1]! * normals[3 * other + 1]! +
        normals[3 * t + 2]! * normals[3 * other + 2]!
      if (dot > limit) continue
      // Convex where the other triangle lies below the plane of this one.
      const far = [0, 1, 2]
        .map((j) => triangles[3 * other + j]! * 3)
        .find((v) => !same(p, v, from) && !same(p, v, to))
      if (far === undefined) continue
      const above = [0, 1, 2].reduce((sum, j) => sum + normals[3 * t + j]! * (p[far + j]! - p[from + j]!), 0)
      if (above > 0) continue
      const length = lengthOf(p[to]! - p[from]!, p[to + 1]! - p[from + 1]!, p[to + 2]! - p[from + 2]!)
      const angleDeg = 180 - (Math.acos(Math.max(-1, dot)) * 180) / Math.PI
      const faces = [faceNames[faceOfTriangle[t]!]!, faceNames[faceOfTriangle[other]!]!].sort() as [
        string,
        string,
      ]
      const known = edges.get(faces.join('|'))
      edges.set(faces.join('|'), {
        faces,
        angleDeg: Math.min(angleDeg, known?.angleDeg ?? 180),
        length: length + (known?.length ?? 0),
        at: known?.at ?? [p[from]!, p[from + 1]!, p[from + 2]!],
      })
    }
  return [...edges.values()].filter((e) => e.length > SLIP)
}

const same = (p: Float32Array, a: number, b: number): boolean =>
  a === b || (p[a] === p[b] && p[a + 1] === p[b + 1] && p[a + 2] === p[b + 2])
