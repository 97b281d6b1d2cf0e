import type { NamedMesh } from './meshSolid.ts'
import type { Point } from './outline.ts'
import { queryMesh } from './queryMesh.ts'
import type { Vector } from './recipe.ts'
import { eachSharedEdge, triangleNormals } from './sharedEdges.ts'
import { between, boundsOf, cross, dot, lengthOf, unit } from './vector.ts'

/** A body to draw, moved by so much, mm. */
export type DrawnBody = { readonly mesh: NamedMesh; readonly by: Vector }

/** From where a drawing is looked at: unit, toward the eye, and square to it what is right and up on paper. */
export type Eye = { readonly toward: Vector; readonly right: Vector; readonly up: Vector }

/** A line that is seen, on paper at true size, of the body with this place in the list. */
export type SeenLine = { readonly body: number; readonly from: Point; readonly to: Point }

/** Edges that bend by more than this are drawn, as a cosine: 24 degrees. */
const CREASE = Math.cos((24 * Math.PI) / 180)
/** An edge is looked at in pieces of this share of the size of all, and so far off its faces. */
const [STEP, OFF] = [1 / 120, 2e-4]
/** Faces within this of edge-on face neither way. */
const EDGE_ON = 1e-4

/** The eye at an angle above the front left, as shops draw: `turnedAbout` gives the same of what lies turned over. */
export const USUAL_EYE: Eye = eyeFrom([-0.42, -0.82, 0.62])

/** What is seen along a way, upright in the drawing what is upright. */
export function eyeFrom(way: Vector): Eye {
  const toward = unit(way)
  const right = unit(cross([0, 0, 1], toward))
  return { toward, right, up: cross(toward, right) }
}

/** The same eye on what lies turned over by half a turn about a level axis: as if the eye were turned instead. */
export function turnedEye({ toward, right, up }: Eye, axis: Vector): Eye {
  const over = (v: Vector): Vector => {
    const along = 2 * dot(v, axis)
    return [axis[0] * along - v[0], axis[1] * along - v[1], axis[2] * along - v[2]]
  }
  return { toward: over(toward), right: over(right), up: over(up) }
}

/**
 * Bodies drawn in line: edges that bend and outlines, without what lies behind other faces. Each edge is looked at piece
 * by piece along a ray toward the eye (Appel, The notion of quantitative invisibility, 1967, by sampling).
 */
export function lineDrawing(bodies: readonly DrawnBody[], eye: Eye): SeenLine[] {
  const all = merged(bodies)
  if (all.triangles.length === 0) return []
  const { min, max } = boundsOf(all.positions)
  const size = lengthOf(max[0] - min[0], max[1] - min[1], max[2] - min[2])
  const queries = queryMesh(all)
  const [step, off] = [STEP * size, OFF * size]
  const flat = (p: Vector): Point => [dot(p, eye.right), dot(p, eye.up)]
  const lines: SeenLine[] = []
  bodies.forEach(({ mesh, by }, body) => {
    for (const { a, b, out } of edges(mesh, by, eye.toward)) {
      const length = lengthOf(b[0] - a[0], b[1] - a[1], b[2] - a[2])
      const n = Math.max(1, Math.ceil(length / step))
      let begun: number | null = null
      for (let i = 0; i <= n; i += 1) {
        const seen = i < n && isSeen(between(a, b, (i + 0.5) / n), out)
        if (seen && begun === null) begun = i
        if (!seen && begun !== null) {
          lines.push({ body, from: flat(between(a, b, begun / n)), to: flat(between(a, b, i / n)) })
          begun = null
        }
      }
    }
  })
  return lines

  function isSeen(p: Vector, out: Vector): boolean {
    const from: Vector = [
      p[0] + off * (out[0] + 2 * eye.toward[0]),
      p[1] + off * (out[1] + 2 * eye.toward[1]),
      p[2] + off * (out[2] + 2 * eye.toward[2]),
    ]
    return queries.reach(from, eye.toward) === null
  }
}

type Edge = { readonly a: Vector; readonly b: Vector; readonly out: Vector }

/** Edges of a body that may be seen, each with the way out of the faces beside it that look to the eye. */
function edges({ positions: p, triangles }: NamedMesh, by: Vector, toward: Vector): Edge[] {
  const at = (v: number): Vector => [p[3 * v]! + by[0], p[3 * v + 1]! + by[1], p[3 * v + 2]! + by[2]]
  const normals = triangleNormals(p, triangles)
  const normal = (t: number): Vector => [normals[t]!, normals[t + 1]!, normals[t + 2]!]
  const found: Edge[] = []
  eachSharedEdge({ positions: p, triangles }, (i, j, t, other) => {
    const [m, n] = [normal(t), normal(other)]
    const [toM, toN] = [dot(m, toward) > EDGE_ON, dot(n, toward) > EDGE_ON]
    if ((!toM && !toN) || (toM === toN && dot(m, n) > CREASE)) return
    const out: Vector = [
      (toM ? m[0] : 0) + (toN ? n[0] : 0),
      (toM ? m[1] : 0) + (toN ? n[1] : 0),
      (toM ? m[2] : 0) + (toN ? n[2] : 0),
    ]
    found.push({ a: at(i), b: at(j), out: unit(out) })
  })
  return found
}

function merged(bodies: readonly DrawnBody[]): Pick<NamedMesh, 'positions' | 'triangles'> {
  const [points, corners] = [
    bodies.reduce((sum, b) => sum + b.mesh.positions.length, 0),
    bodies.reduce((sum, b) => sum + b.mesh.triangles.length, 0),
  ]
  const positions = new Float32Array(points)
  const triangles = new Uint32Array(corners)
  let [p, t] = [0, 0]
  for (const { mesh, by } of bodies) {
    for (let i = 0; i < mesh.triangles.length; i += 1) triangles[t + i] = mesh.triangles[i]! + p / 3
    for (let i = 0; i < mesh.positions.length; i += 1) positions[p + i] = mesh.positions[i]! + by[i % 3]!
    p += mesh.positions.length
    t += mesh.triangles.length
  }
  return { positions, triangles }
}
