import type { Solid } from './kernel.ts'
import { meshSolid, type NamedMesh } from './meshSolid.ts'
import type { Vector } from './recipe.ts'
import { lengthOf } from './vector.ts'
import { weld } from './weld.ts'

/** A flat face of a solid, its boundary in space: anticlockwise as seen from outside, holes clockwise. */
export type FlatRegion = {
  /** As the builder called it. */
  readonly name: string
  /** Out of the solid, a unit vector. */
  readonly normal: Vector
  /** Along the normal, from the origin. */
  readonly offset: number
  readonly area: number
  readonly centroid: Vector
  /** The outer one first. */
  readonly loops: readonly (readonly FlatCorner[])[]
}

/** A corner of a flat face, and the face beyond the edge that starts there. */
export type FlatCorner = { readonly at: Vector; readonly beside: number }

/** Triangles that bend by less than this are of one face, radians: less than the chords of any curve up to 10 m. */
const FLAT = Math.cos((0.3 * Math.PI) / 180)
/** Corners that stray less than this from the line through their neighbours are none, mm: single precision and its joints. */
const STRAIGHT = 0.01

/**
 * The flat faces of a solid with what each meets along each of its edges; null for one of more than `most`, as chords of a
 * curve make it. A cube has six of four corners each.
 */
export function flatFaces(solid: Solid, most: number): FlatRegion[] | null {
  const mesh = meshSolid(solid)
  const vertexOf = weld(mesh.positions)
  const count = mesh.triangles.length / 3
  const { normals, areas } = measureTriangles(mesh)
  const besideOf = neighbours(mesh, vertexOf)
  const faceOf = new Int32Array(count).fill(-1)
  const firsts: number[] = []
  // The largest triangle of a face tells its plane best: slivers have no direction to speak of.
  const bySize = Array.from({ length: count }, (_, t) => t).sort((a, b) => areas[b]! - areas[a]!)
  for (const first of bySize) {
    if (faceOf[first] !== -1) continue
    if (firsts.length === most) return null
    const face = firsts.push(first) - 1
    const [nx, ny, nz] = [normals[3 * first]!, normals[3 * first + 1]!, normals[3 * first + 2]!]
    const stack = [first]
    faceOf[first] = face
    while (stack.length > 0) {
      const t = stack.pop()!
      for (let k = 0; k < 3; k += 1) {
        const other = besideOf[3 * t + k]!
        if (other < 0 || faceOf[other] !== -1) continue
        const along = nx * normals[3 * other]! + ny * normals[3 * other + 1]! + nz * normals[3 * other + 2]!
        if (along < FLAT && areas[other]! > SLIVER) continue
        faceOf[other] = face
        stack.push(other)
      }
    }
  }
  const loops = boundaries(mesh, vertexOf, besideOf, faceOf, firsts.length)
  return firsts.map((first, face) => measureFace(mesh, { normals, areas, faceOf }, face, first, loops[face]!))
}
/** Triangles smaller than this go with whatever they touch, mm2. */
const SLIVER = 1e-4

function measureTriangles({ positions: p, triangles }: NamedMesh) {
  const normals = new Float64Array(triangles.length)
  const areas = new Float64Array(triangles.length / 3)
  for (let t = 0; t < areas.length; t += 1) {
    const [a, b, c] = [0, 1, 2].map((k) => triangles[3 * t + k]! * 3) as [number, number, number]
    const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
    const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
    const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const length = lengthOf(x, y, z)
    areas[t] = length / 2
    normals.set(length > 0 ? [x / length, y / length, z / length] : [0, 0, 0], 3 * t)
  }
  return { normals, areas }
}

/** For each edge of each triangle the triangle on its other side; -1 for none. */
function neighbours({ positions, triangles }: NamedMesh, vertexOf: Uint32Array): Int32Array {
  const count = positions.length / 3
  const open = new Map<number, number>()
  const beside = new Int32Array(triangles.length).fill(-1)
  for (let e = 0; e < triangles.length; e += 1) {
    const [a, b] = ends(triangles, vertexOf, e)
    const twin = open.get(b * count + a)
    if (twin === undefined) open.set(a * count + b, e)
    else {
      beside[e] = Math.floor(twin / 3)
      beside[twin] = Math.floor(e / 3)
      open.delete(b * count + a)
    }
  }
  return beside
}

const ends = (triangles: Uint32Array, vertexOf: Uint32Array, e: number): [number, number] => [
  vertexOf[triangles[e]!]!,
  vertexOf[triangles[e % 3 === 2 ? e - 2 : e + 1]!]!,
]

/** The edges of each face, put end to end; corners on a straight run beside one face are left out. */
function boundaries(
  { positions, triangles }: NamedMesh,
  vertexOf: Uint32Array,
  besideOf: Int32Array,
  faceOf: Int32Array,
  faces: number,
): FlatCorner[][][] {
  const starts: Map<number, { to: number; beside: number }[]>[] = Array.from(
    { length: faces },
    () => new Map(),
  )
  for (let e = 0; e < triangles.length; e += 1) {
    const own = faceOf[Math.floor(e / 3)]!
    const other = besideOf[e]! < 0 ? -1 : faceOf[besideOf[e]!]!
    if (own === other) continue
    const [a, b] = ends(triangles, vertexOf, e)
    const from = starts[own]!
    from.set(a, [...(from.get(a) ?? []), { to: b, beside: other }])
  }
  const at = (v: number): Vector => [positions[3 * v]!, positions[3 * v + 1]!, positions[3 * v + 2]!]
  return starts.map((from) => {
    const loops: FlatCorner[][] = []
    for (;;) {
      const [first] = from.keys()
      if (first === undefined) return loops
      const loop: FlatCorner[] = []
      for (let v = first; ; ) {
        const next = from.get(v)?.pop()
        if (!next) break
        if (from.get(v)!.length === 0) from.delete(v)
        loop.push({ at: at(v), beside: next.beside })
        v = next.to
      }
      const plain = straightened(loop)
      if (plain.length >= 3) loops.push(plain)
    }
  })
}

/** A loop without corners on a straight run that meets one face; where what it meets changes, a corner stays. */
function straightened(loop: readonly FlatCorner[]): FlatCorner[] {
  const kept = [...loop]
  for (let i = 0; i < kept.length && kept.length > 2; ) {
    const n = kept.length
    const [a, b, c] = [kept[(i + n - 1) % n]!, kept[i]!, kept[(i + 1) % n]!]
    const tiny = distance(a.at, b.at) < STRAIGHT
    if (tiny || (a.beside === b.beside && offLine(a.at, b.at, c.at) < STRAIGHT)) {
      // Of an edge with no length the next one begins where it began.
      if (tiny) kept[(i + n - 1) % n] = { at: a.at, beside: b.beside }
      kept.splice(i, 1)
      i = Math.max(0, i - 1)
    } else i += 1
  }
  return kept
}

const distance = (a: Vector, b: Vector): number => lengthOf(b[0] - a[0], b[1] - a[1], b[2] - a[2])

/** How far b lies off the line from a to c, mm. */
function offLine(a: Vector, b: Vector, c: Vector): number {
  const [ux, uy, uz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]]
  const [vx, vy, vz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]]
  const length = lengthOf(ux, uy, uz)
  if (length < 1e-9) return distance(a, b)
  return lengthOf(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / length
}

function measureFace(
  { positions: p, triangles, faceOfTriangle, faceNames }: NamedMesh,
  told: { normals: Float64Array; areas: Float64Array; faceOf: Int32Array },
  face: number,
  first: number,
  loops: readonly (readonly FlatCorner[])[],
): FlatRegion {
  const { normals, areas, faceOf } = told
  const normal: Vector = [normals[3 * first]!, normals[3 * first + 1]!, normals[3 * first + 2]!]
  let area = 0
  const sum = [0, 0, 0]
  for (let t = 0; t < faceOf.length; t += 1) {
    if (faceOf[t] !== face) continue
    area += areas[t]!
    for (let k = 0; k < 3; k += 1)
      for (let c = 0; c < 3; c += 1) sum[c]! += (areas[t]! * p[triangles[3 * t + k]! * 3 + c]!) / 3
  }
  const centroid: Vector = [sum[0]! / area, sum[1]! / area, sum[2]! / area]
  return {
    name: faceNames[faceOfTriangle[first]!]!,
    normal,
    offset: normal[0] * centroid[0] + normal[1] * centroid[1] + normal[2] * centroid[2],
    area,
    centroid,
    loops: [...loops].sort((a, b) => turnOf(b, normal) - turnOf(a, normal)),
  }
}

/** Twice the area of a loop as seen against a normal: less than 0 for a hole. */
const turnOf = (loop: readonly FlatCorner[], [nx, ny, nz]: Vector): number =>
  loop.reduce((sum, { at: a }, i) => {
    const b = loop[(i + 1) % loop.length]!.at
    return (
      sum +
      nx * (a[1] * b[2] - a[2] * b[1]) +
      ny * (a[2] * b[0] - a[0] * b[2]) +
      nz * (a[0] * b[1] - a[1] * b[0])
    )
  }, 0)
