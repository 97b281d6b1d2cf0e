import { BufferAttribute, BufferGeometry, Vector3 } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import type { NamedMesh } from './meshSolid.ts'
import type { Vector } from './recipe.ts'
import { weld } from './seenLines.ts'
import { lengthOf } from './vector.ts'

/** How thick a solid is at a point of its surface: the largest ball inside it that touches it there. */
export type ThicknessSample = {
  readonly at: Vector
  /** Out of the solid. */
  readonly normal: Vector
  /** Diameter of the ball, mm. */
  readonly thickness: number
  readonly face: string
  /** What the ball touches on its other side. */
  readonly across: string
  /** Whether what it touches faces it; else the value is the nearest that is. */
  readonly counted: boolean
  /** Between the normals of its two contacts: 180 where they are parallel, 180 less the angle of a wedge. */
  readonly facingDeg: number
}

/** Surfaces that face each other by less than this are one corner, not a wall, as a cosine: 120 degrees. */
const OPPOSED = Math.cos((120 * Math.PI) / 180)
/** A ball ends where no surface is nearer to its middle than its radius, by this share; steps at most. */
const [CLOSE, STEPS] = [1e-3, 60]
/** Surfaces that turn from each other by less than this are one round, not two sides, as a cosine: 50 degrees. */
const ROUND = Math.cos((50 * Math.PI) / 180)

/**
 * Samples of a closed mesh about `spacing` mm apart, each with the largest ball inside that touches the surface there,
 * found by shrinking it to the nearest other surface until none is nearer (Ma, Bae and Choi, 3D medial axis point
 * approximation, 2012); the next chords of its own round are no other surface. A ball counts where what it touches faces
 * it by more than 120 degrees; elsewhere, as beside a square edge, the point takes the value of the nearest that counts.
 * Where none counts, as in a cube, all take the largest ball. A square-edged slab of 40 reads 40 everywhere.
 */
export function sampleThickness(mesh: NamedMesh, spacing: number): ThicknessSample[] {
  const { positions, triangles, faceOfTriangle, faceNames } = mesh
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  geometry.setIndex(new BufferAttribute(Uint32Array.from(triangles), 1))
  const tree = new MeshBVH(geometry, { indirect: true })
  const normals = normalsOf(positions, triangles)
  const widest = extentOf(positions)
  const [centre, point, found] = [new Vector3(), new Vector3(), new Vector3()]
  const [counted, others]: [ThicknessSample[], ThicknessSample[]] = [[], []]
  const smooth = smoothNormals(mesh, normals)
  for (const [t, u, v] of spread(positions, triangles, spacing)) {
    const at = between(positions, triangles, t, u, v)
    const [nx, ny, nz] = smooth(t, u, v)
    const turn = (k: number) => nx * normals[3 * k]! + ny * normals[3 * k + 1]! + nz * normals[3 * k + 2]!
    let [radius, contact] = [widest, -1]
    for (let step = 0; step < STEPS; step += 1) {
      centre.set(at[0] - nx * radius, at[1] - ny * radius, at[2] - nz * radius)
      let [best, index] = [radius * (1 - CLOSE), -1]
      tree.shapecast({
        boundsTraverseOrder: (box) => box.distanceToPoint(centre),
        intersectsBounds: (_box, _leaf, away) => (away ?? 0) < best,
        intersectsTriangle: (triangle, k) => {
          if (turn(k) > ROUND) return false
          triangle.closestPointToPoint(centre, point)
          const away = point.distanceTo(centre)
          if (away < best) {
            best = away
            index = k
            found.copy(point)
          }
          return false
        },
      })
      if (index < 0) break
      const [dx, dy, dz] = [at[0] - found.x, at[1] - found.y, at[2] - found.z]
      const along = nx * dx + ny * dy + nz * dz
      if (along <= 1e-9) break
      radius = (dx * dx + dy * dy + dz * dz) / (2 * along)
      contact = index
    }
    if (contact < 0) continue
    const sample = {
      at,
      normal: [nx, ny, nz] as const,
      thickness: 2 * radius,
      face: faceNames[faceOfTriangle[t]!]!,
      across: faceNames[faceOfTriangle[contact]!]!,
      counted: turn(contact) < OPPOSED,
      facingDeg: (Math.acos(Math.max(-1, Math.min(1, turn(contact)))) * 180) / Math.PI,
    }
    if (sample.counted) counted.push(sample)
    else others.push(sample)
  }
  return [...counted, ...takeNearest(others, counted)]
}

/** Points whose ball is held by a corner, with the value of the nearest that counts; the largest ball where none does. */
function takeNearest(
  others: readonly ThicknessSample[],
  counted: readonly ThicknessSample[],
): ThicknessSample[] {
  if (counted.length === 0) {
    const largest = others.reduce<ThicknessSample | null>(
      (a, b) => (a && a.thickness >= b.thickness ? a : b),
      null,
    )
    return largest ? others.map((s) => ({ ...s, thickness: largest.thickness })) : []
  }
  return others.map((s) => {
    let [best, near] = [Infinity, counted[0]!]
    for (const c of counted) {
      const away = (c.at[0] - s.at[0]) ** 2 + (c.at[1] - s.at[1]) ** 2 + (c.at[2] - s.at[2]) ** 2
      if (away < best) [best, near] = [away, c]
    }
    return { ...s, thickness: near.thickness }
  })
}

function normalsOf(p: Float32Array, triangles: Uint32Array): Float64Array {
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

function extentOf(p: Float32Array): number {
  const [min, max] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ]
  for (let i = 0; i < p.length; i += 1) {
    const k = i % 3
    min[k] = Math.min(min[k]!, p[i]!)
    max[k] = Math.max(max[k]!, p[i]!)
  }
  return lengthOf(max[0]! - min[0]!, max[1]! - min[1]!, max[2]! - min[2]!)
}

/** A point of a triangle: its first corner, and so far along the edges to the second and the third. */
function between(p: Float32Array, triangles: Uint32Array, t: number, u: number, v: number): Vector {
  const [a, b, c] = [0, 1, 2].map((k) => triangles[3 * t + k]! * 3) as [number, number, number]
  const along = (k: number) => p[a + k]! + (p[b + k]! - p[a + k]!) * u + (p[c + k]! - p[a + k]!) * v
  return [along(0), along(1), along(2)]
}

/** Chords that bend by less than this are drawn on one round, as a cosine: 30 degrees. */
const SMOOTH = Math.cos((30 * Math.PI) / 180)

/** The normal at a point of a triangle as of the round its chords stand for: at each corner the mean of what is round there. */
function smoothNormals(
  { positions, triangles }: NamedMesh,
  normals: Float64Array,
): (t: number, u: number, v: number) => Vector {
  const vertexOf = weld(positions)
  const around = new Map<number, number[]>()
  for (let e = 0; e < triangles.length; e += 1) {
    const v = vertexOf[triangles[e]!]!
    const list = around.get(v)
    if (list) list.push(Math.floor(e / 3))
    else around.set(v, [Math.floor(e / 3)])
  }
  const corner = (t: number, k: number): Vector => {
    const own = [normals[3 * t]!, normals[3 * t + 1]!, normals[3 * t + 2]!] as const
    // One normal each, however many triangles a flat face is cut in.
    const seen: Vector[] = []
    for (const o of around.get(vertexOf[triangles[3 * t + k]!]!)!) {
      const n: Vector = [normals[3 * o]!, normals[3 * o + 1]!, normals[3 * o + 2]!]
      if (own[0] * n[0] + own[1] * n[1] + own[2] * n[2] < SMOOTH) continue
      if (seen.every((s) => s[0] * n[0] + s[1] * n[1] + s[2] * n[2] < 1 - 1e-7)) seen.push(n)
    }
    return seen.reduce<Vector>((sum, n) => [sum[0] + n[0], sum[1] + n[1], sum[2] + n[2]], [0, 0, 0])
  }
  const kept = new Map<number, readonly [Vector, Vector, Vector]>()
  return (t, u, v) => {
    let corners = kept.get(t)
    if (!corners) {
      const unit = ([x, y, z]: Vector): Vector => {
        const length = lengthOf(x, y, z) || 1
        return [x / length, y / length, z / length]
      }
      corners = [unit(corner(t, 0)), unit(corner(t, 1)), unit(corner(t, 2))]
      kept.set(t, corners)
    }
    const [a, b, c] = corners
    const along = (k: 0 | 1 | 2) => a[k] * (1 - u - v) + b[k] * u + c[k] * v
    const [x, y, z] = [along(0), along(1), along(2)]
    const length = lengthOf(x, y, z) || 1
    return [x / length, y / length, z / length]
  }
}

/** Points inside the triangles, evenly by area, the same at every run: a triangle of k spacings square has about k of them. */
function* spread(
  p: Float32Array,
  triangles: Uint32Array,
  spacing: number,
): Generator<readonly [triangle: number, u: number, v: number]> {
  let owed = 0
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => {
      const i = triangles[t + k]! * 3
      return [p[i]!, p[i + 1]!, p[i + 2]!] as const
    }) as [Vector, Vector, Vector]
    const area = areaOf(a, b, c)
    owed += area / spacing ** 2
    const n = Math.floor(Math.sqrt(Math.max(0, owed)))
    if (n === 0) continue
    owed = 0
    // Rows of small triangles: the middle of each, upright and upside down.
    for (let i = 0; i < n; i += 1)
      for (let j = 0; j < n - i; j += 1)
        for (const [u, v] of j < n - i - 1
          ? [
              [i + 1 / 3, j + 1 / 3],
              [i + 2 / 3, j + 2 / 3],
            ]
          : [[i + 1 / 3, j + 1 / 3]]) {
          yield [t / 3, u! / n, v! / n]
        }
  }
}

function areaOf(a: Vector, b: Vector, c: Vector): number {
  const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
  const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]]
  return lengthOf(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2
}
