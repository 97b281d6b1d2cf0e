import {
  between,
  boundsOf,
  crossOf,
  type Kernel,
  lengthOf,
  type MeshQueries,
  meshSolid,
  type NamedMesh,
  queryMesh,
  type SolidRecipe,
  type Vector,
} from '../../geometry/index.ts'
import type { MouldPart } from '../../mould/index.ts'

/** The surface of a cast in its mould, in flat pieces: behind each stands one part, or nothing. */
export type Meeting = {
  /** Three corners a piece, as poured. */
  readonly positions: Float32Array
  /** Out of the cast, unit, three numbers a piece. */
  readonly normals: Float32Array
  /** mm2. */
  readonly areas: Float64Array
  /** The part that stands behind it, by its place in `partIds`; -1 where it is open. */
  readonly part: Int16Array
  /** The triangle of the cast's own mesh that it lies on. */
  readonly triangle: Uint32Array
  readonly partIds: readonly string[]
  /** The cast itself. */
  readonly cast: NamedMesh
  /** What stands behind a place of its surface, out along a unit vector: a part by its place in `partIds`, -1 for none. */
  readonly stands: (at: Vector, out: Vector) => number
}

/** What stands in the pour: a part of the mould, or what is cast in. */
export type Stander = Pick<MouldPart, 'id' | 'recipe'>

/** A part stands behind a face if it is there this far out of it, mm: chords and single precision keep them apart by less. */
const OUT = 0.1
/** What is filled round it, or a skin that is bent, follows its face within this, mm. */
const NEAR = 2
/** A face in which parts change is cut down to this share of the cast's size; one in which none seems to, to this. */
const [PIECE, BROAD] = [1 / 85, 1 / 5]
/** No more pieces than this are made by cutting; a mesh finer than that is looked at triangle by triangle. */
const MOST = 60_000

type Behind = {
  readonly at: number
  readonly min: readonly number[]
  readonly max: readonly number[]
  readonly queries: MeshQueries
}
type Corner = readonly [number, number, number]

/**
 * What of a mould stands behind every face of a cast. A triangle with different parts behind its corners is cut in two
 * across its longest side, again and again; the areas of all pieces are those of the cast.
 */
export function meetMould(kernel: Kernel, cast: SolidRecipe, parts: readonly Stander[]): Meeting {
  const { body, others } = kernel.withSolids((scope) => ({
    body: meshSolid(scope.solid(cast)),
    others: parts.map((p, at) => behind(at, meshSolid(scope.solid(p.recipe)))),
  }))
  return meet(
    body,
    others,
    parts.map((p) => p.id),
  )
}

function meet(body: NamedMesh, others: readonly Behind[], partIds: readonly string[]): Meeting {
  const { positions: p, triangles } = body
  const count = triangles.length / 3
  const { min, max } = boundsOf(p)
  const size = lengthOf(max[0] - min[0], max[1] - min[1], max[2] - min[2])
  const least = size * PIECE
  const [places, normals, areas]: [number[], number[], number[]] = [[], [], []]
  const [part, of]: [number[], number[]] = [[], []]
  let room = Math.max(0, MOST - count)
  const look = whatStands(others)
  const take = (a: Corner, b: Corner, c: Corner, n: Corner, t: number): void => {
    const middle = mean(a, b, c)
    const own = look(middle, n)
    const longest = Math.max(apart(a, b), apart(b, c), apart(c, a))
    if (longest > least && room > 0) {
      // Just within the corners: on an edge two parts may stand.
      const same = [a, b, c].every((q) => look(between(q, middle, 0.04), n) === own)
      const halves = same && longest < BROAD * size ? null : cut(a, b, c)
      if (halves) {
        room -= 1
        for (const [x, y, z] of halves) take(x, y, z, n, t)
        return
      }
    }
    places.push(...a, ...b, ...c)
    normals.push(...n)
    areas.push(areaOf(a, b, c))
    part.push(own)
    of.push(t)
  }
  for (let t = 0; t < count; t += 1) {
    const [a, b, c] = [0, 1, 2].map((k): Corner => {
      const v = triangles[3 * t + k]! * 3
      return [p[v]!, p[v + 1]!, p[v + 2]!]
    }) as [Corner, Corner, Corner]
    const n = normalOf(a, b, c)
    if (n) take(a, b, c, n, t)
  }
  return {
    positions: Float32Array.from(places),
    normals: Float32Array.from(normals),
    areas: Float64Array.from(areas),
    part: Int16Array.from(part),
    triangle: Uint32Array.from(of),
    partIds,
    cast: body,
    stands: look,
  }
}

/** The part inside which a point just out of a face lies; else the nearest that follows the face; -1 for none. */
function whatStands(others: readonly Behind[]): (at: Corner, n: Corner) => number {
  // What stood behind the last place stands behind most of the next.
  let last: Behind | undefined
  const isNear = (o: Behind, [x, y, z]: Vector): boolean =>
    x > o.min[0]! - NEAR &&
    x < o.max[0]! + NEAR &&
    y > o.min[1]! - NEAR &&
    y < o.max[1]! + NEAR &&
    z > o.min[2]! - NEAR &&
    z < o.max[2]! + NEAR
  return (at, n) => {
    const out: Vector = [at[0] + OUT * n[0], at[1] + OUT * n[1], at[2] + OUT * n[2]]
    if (last && isNear(last, out) && last.queries.isInside(out)) return last.at
    const near = others.filter((o) => isNear(o, out))
    const within = near.find((o) => o !== last && o.queries.isInside(out))
    if (within) {
      last = within
      return within.at
    }
    let [best, away] = [-1, NEAR]
    for (const o of near) {
      const ahead = o.queries.reach(at, n)
      if (ahead !== null && ahead < away) [best, away] = [o.at, ahead]
    }
    return best
  }
}

/** Of each triangle of the cast: whether most of it is open, and which part covers most of it. */
export function coverOf({
  cast,
  part,
  areas,
  triangle,
}: Pick<Meeting, 'cast' | 'part' | 'areas' | 'triangle'>): {
  readonly open: Uint8Array
  readonly over: Int16Array
} {
  const count = cast.triangles.length / 3
  const [most, bare, all] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)]
  const over = new Int16Array(count).fill(-1)
  part.forEach((at, i) => {
    const t = triangle[i]!
    all[t]! += areas[i]!
    if (at < 0) bare[t]! += areas[i]!
    else if (areas[i]! > most[t]!) [most[t], over[t]] = [areas[i]!, at]
  })
  return { open: Uint8Array.from(bare, (b, t) => (all[t]! > 0 && b > all[t]! / 2 ? 1 : 0)), over }
}

function behind(at: number, mesh: NamedMesh): Behind {
  return { at, ...boundsOf(mesh.positions), queries: queryMesh(mesh) }
}

const mean = (a: Corner, b: Corner, c: Corner): Corner => [
  (a[0] + b[0] + c[0]) / 3,
  (a[1] + b[1] + c[1]) / 3,
  (a[2] + b[2] + c[2]) / 3,
]
const apart = (a: Corner, b: Corner): number => lengthOf(b[0] - a[0], b[1] - a[1], b[2] - a[2])

/** The two halves of a triangle, cut across its longest side. */
function cut(a: Corner, b: Corner, c: Corner): readonly (readonly [Corner, Corner, Corner])[] {
  const [ab, bc, ca] = [apart(a, b), apart(b, c), apart(c, a)]
  if (bc > ab && bc >= ca) return cut(b, c, a)
  if (ca > ab && ca > bc) return cut(c, a, b)
  const m = between(a, b, 0.5)
  return [
    [a, m, c],
    [m, b, c],
  ]
}

const areaOf = (a: Corner, b: Corner, c: Corner): number => {
  const [x, y, z] = crossOf(a, b, c)
  return lengthOf(x, y, z) / 2
}

/** Null for a triangle without area. */
function normalOf(a: Corner, b: Corner, c: Corner): Corner | null {
  const [x, y, z] = crossOf(a, b, c)
  const length = lengthOf(x, y, z)
  return length > 1e-9 ? [x / length, y / length, z / length] : null
}
