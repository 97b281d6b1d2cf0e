import type { Solid } from './kernel.ts'
import type { Vector } from './recipe.ts'
import { type Surface, surfaceOf } from './surfaceSweep.ts'

/** Volume (mm3) and box of one cell of a parted solid. */
export type CellMeasure = { readonly volume: number; readonly min: Vector; readonly max: Vector }
/** Planes square to one way (a unit vector), their offsets rising. */
export type Cuts = { readonly way: Vector; readonly offsets: readonly number[] }

/** Cells of less than this hold nothing, mm3. */
const NOTHING = 1

/**
 * Measures what planes leave of a solid without cutting it. `cuts` are up to three ways square to one another. Each cell
 * comes with an offset inside it along each way; its box is that of its surface and its cut edges.
 *
 * Seen from a point that lies on all planes of a cell, its cut faces span nothing, so that its volume is the sum over its
 * surface alone: V = (sum of a . N - o . sum of N) / 3 over triangles with a corner a and vector area N. Where a cell has
 * two planes one way, it is what lies beyond the first less what lies beyond the second.
 */
export function splitMeasure(
  solid: Solid,
  cuts: readonly Cuts[],
): (CellMeasure & { readonly middle: readonly number[] })[] {
  const sizes = cuts.map(({ offsets }) => offsets.length + 1)
  const leaves = sumLeaves(surfaceOf(solid), cuts, sizes)
  return leaves.flatMap((leaf, index) => {
    const place = placeOf(index, sizes)
    const bare = leaf.min[0] > leaf.max[0]
    // Without surface, a cell that is open on some side holds nothing; one that is not may lie deep inside.
    if (bare && !place.every((at, k) => at > 0 && at < sizes[k]! - 1)) return []
    const { min, max } = bare ? cornerBox(cuts, place) : leaf
    let volume = 0
    for (const { sign, from, to, apex } of beyonds(cuts, place)) {
      const within = (at: readonly number[]) => at.every((p, k) => p >= from[k]! && p <= to[k]!)
      leaves.forEach((other, i) => {
        if (other.sums[0] === 0 && other.sums[1] === 0 && other.sums[2] === 0 && other.sums[3] === 0) return
        if (!within(placeOf(i, sizes))) return
        const [v, x, y, z] = other.sums
        volume += (sign * (v - apex[0] * x - apex[1] * y - apex[2] * z)) / 3
      })
    }
    if (volume < NOTHING) return []
    const middle = cuts.map(({ offsets }, k) => {
      const at = place[k]!
      if (offsets.length === 0) return 0
      if (at === 0) return offsets[0]! - 1
      if (at === offsets.length) return offsets[at - 1]! + 1
      return (offsets[at - 1]! + offsets[at]!) / 2
    })
    return [{ volume, min: [...min], max: [...max], middle }]
  })
}

/** Box of the corners of a cell that has planes on all sides. */
function cornerBox(cuts: readonly Cuts[], place: readonly number[]): { min: Vector; max: Vector } {
  let corners: Vector[] = [[0, 0, 0]]
  cuts.forEach(({ way: [x, y, z], offsets }, k) => {
    const ends = [offsets[place[k]! - 1]!, offsets[place[k]!]!]
    corners = corners.flatMap(([cx, cy, cz]) => ends.map((o): Vector => [cx + x * o, cy + y * o, cz + z * o]))
  })
  const of = (pick: (...values: number[]) => number): Vector => [
    pick(...corners.map((c) => c[0])),
    pick(...corners.map((c) => c[1])),
    pick(...corners.map((c) => c[2])),
  ]
  return { min: of(Math.min), max: of(Math.max) }
}

/** Two cells as one. */
export const joinMeasures = (a: CellMeasure, b: CellMeasure): CellMeasure => ({
  volume: a.volume + b.volume,
  min: [0, 1, 2].map((k) => Math.min(a.min[k]!, b.min[k]!)) as unknown as Vector,
  max: [0, 1, 2].map((k) => Math.max(a.max[k]!, b.max[k]!)) as unknown as Vector,
})

type Leaf = {
  /** Sum of a . N, then of N, over its triangles. */
  readonly sums: [number, number, number, number]
  readonly min: [number, number, number]
  readonly max: [number, number, number]
}

const placeOf = (index: number, sizes: readonly number[]): number[] => {
  let left = index
  return sizes.map((size) => {
    const at = left % size
    left = (left - at) / size
    return at
  })
}

/** The sets that a cell is made of by adding and taking away, each with a point on all its planes. */
function beyonds(cuts: readonly Cuts[], place: readonly number[]) {
  type Beyond = { sign: number; from: number[]; to: number[]; apex: [number, number, number] }
  let sets: Beyond[] = [{ sign: 1, from: [], to: [], apex: [0, 0, 0] }]
  cuts.forEach(({ way, offsets }, k) => {
    const at = place[k]!
    const last = offsets.length
    const on = (set: Beyond, sign: number, from: number, to: number, offset: number): Beyond => ({
      sign: set.sign * sign,
      from: [...set.from, from],
      to: [...set.to, to],
      apex: [0, 1, 2].map((i) => set.apex[i]! + way[i]! * offset) as [number, number, number],
    })
    sets = sets.flatMap((set) => {
      if (at === 0) return [on(set, 1, 0, 0, offsets[0] ?? 0)]
      const beyond = on(set, 1, at, last, offsets[at - 1]!)
      return at === last ? [beyond] : [beyond, on(set, -1, at + 1, last, offsets[at]!)]
    })
  })
  return sets
}

/** Parts every triangle by all planes and sums what falls into each cell. */
function sumLeaves(
  { points, triangles, stride }: Surface,
  cuts: readonly Cuts[],
  sizes: readonly number[],
): Leaf[] {
  const count = sizes.reduce((product, size) => product * size, 1)
  const leaves = Array.from(
    { length: count },
    (): Leaf => ({
      sums: [0, 0, 0, 0],
      min: [Infinity, Infinity, Infinity],
      max: [-Infinity, -Infinity, -Infinity],
    }),
  )
  const sort = (polygon: readonly Vector[], way: number, index: number, step: number): void => {
    const cut = cuts[way]
    if (!cut) {
      for (let i = 1; i + 1 < polygon.length; i += 1)
        addTriangle(leaves[index]!, polygon[0]!, polygon[i]!, polygon[i + 1]!)
      return
    }
    const next = step * sizes[way]!
    const [least, most] = spanOf(polygon, cut.way)
    let slab = 0
    while (slab < cut.offsets.length && cut.offsets[slab]! <= least) slab += 1
    let rest = polygon
    for (; slab < cut.offsets.length && cut.offsets[slab]! < most; slab += 1) {
      const [below, above] = parted(rest, cut.way, cut.offsets[slab]!)
      if (below.length > 2) sort(below, way + 1, index + step * slab, next)
      rest = above
    }
    if (rest.length > 2) sort(rest, way + 1, index + step * slab, next)
  }
  for (let i = 0; i < triangles.length; i += 3)
    sort(
      [0, 1, 2].map((k) => pointAt(points, triangles[i + k]! * stride)),
      0,
      0,
      1,
    )
  return leaves
}

const pointAt = (points: ArrayLike<number>, v: number): Vector => [points[v]!, points[v + 1]!, points[v + 2]!]

/** Least and greatest offset of a polygon's corners along a way. */
function spanOf(polygon: readonly Vector[], [nx, ny, nz]: Vector): [number, number] {
  let [least, most] = [Infinity, -Infinity]
  for (const [x, y, z] of polygon) {
    const at = x * nx + y * ny + z * nz
    if (at < least) least = at
    if (at > most) most = at
  }
  return [least, most]
}

/** A flat polygon on both sides of a plane. */
function parted(polygon: readonly Vector[], [nx, ny, nz]: Vector, offset: number): [Vector[], Vector[]] {
  const [below, above]: [Vector[], Vector[]] = [[], []]
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length]!
    const [hp, hq] = [p, q].map(([x, y, z]) => x * nx + y * ny + z * nz - offset) as [number, number]
    ;(hp < 0 ? below : above).push(p)
    if (hp < 0 === hq < 0) return
    const k = hp / (hp - hq)
    const on: Vector = [p[0] + (q[0] - p[0]) * k, p[1] + (q[1] - p[1]) * k, p[2] + (q[2] - p[2]) * k]
    below.push(on)
    above.push(on)
  })
  return [below, above]
}

function addTriangle({ sums, min, max }: Leaf, a: Vector, b: Vector, c: Vector): void {
  const [ux, uy, uz, vx, vy, vz] = [
    b[0] - a[0],
    b[1] - a[1],
    b[2] - a[2],
    c[0] - a[0],
    c[1] - a[1],
    c[2] - a[2],
  ]
  const [x, y, z] = [(uy * vz - uz * vy) / 2, (uz * vx - ux * vz) / 2, (ux * vy - uy * vx) / 2]
  sums[0] += a[0] * x + a[1] * y + a[2] * z
  sums[1] += x
  sums[2] += y
  sums[3] += z
  for (const p of [a, b, c])
    for (const k of [0, 1, 2] as const) {
      if (p[k] < min[k]) min[k] = p[k]
      if (p[k] > max[k]) max[k] = p[k]
    }
}
