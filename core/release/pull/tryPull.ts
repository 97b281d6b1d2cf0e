import { crossOf, dot, lengthOf, queryMesh, type Vector } from '../../geometry/index.ts'

/** A pair of rigid halves drawn apart along a way, tried on the pieces of a cast's surface as a hand turns it. */
export type PullTrial = {
  /** Pieces of the surface. */
  readonly count: number
  /** Of each piece the draft of the half that would cover it, degrees, 0 where it slides; NaN where nothing covers it. */
  readonly degrees: (way: Vector) => Float32Array
  /** Of some pieces, `from` up to `to`, which lie under something else along the way of their half: 1 where they do. */
  readonly locked: (way: Vector, from: number, to: number, into: Uint8Array) => void
  /** Area of the pieces that are marked, mm2. */
  readonly areaOf: (marked: Uint8Array) => number
}

/** A face within a tenth of a degree of the way slides, and may be covered by either half. */
const SLIDES = Math.sin((0.1 * Math.PI) / 180)
/** A rigid half may scrape by so much: a place is looked from so far out of its face, mm. */
const SCRAPES = 0.1

/**
 * A trial of pulls over flat pieces, three corners each, as a draft map has them; `covered` tells which of them a mould
 * covers. Example: over a cube, drawn up, its top has 90 degrees and its sides 0; nothing is locked.
 */
export function pullTrial(
  positions: Float32Array,
  covered: (piece: number) => boolean = () => true,
): PullTrial {
  const count = positions.length / 9
  const normals = new Float32Array(3 * count)
  const areas = new Float64Array(count)
  const corner = (i: number, k: number): Vector => {
    const at = 9 * i + 3 * k
    return [positions[at]!, positions[at + 1]!, positions[at + 2]!]
  }
  for (let i = 0; i < count; i += 1) {
    const n = crossOf(corner(i, 0), corner(i, 1), corner(i, 2))
    const length = lengthOf(n[0], n[1], n[2])
    areas[i] = length / 2
    for (const k of [0, 1, 2] as const) normals[3 * i + k] = length > 0 ? n[k] / length : 0
  }
  const normal = (i: number): Vector => [normals[3 * i]!, normals[3 * i + 1]!, normals[3 * i + 2]!]
  let tree: ReturnType<typeof queryMesh> | null = null
  const queries = () => {
    tree ??= queryMesh({ positions, triangles: Uint32Array.from({ length: 3 * count }, (_, i) => i) })
    return tree
  }
  return {
    count,
    degrees: (way) =>
      Float32Array.from({ length: count }, (_, i) =>
        covered(i) ? (Math.asin(Math.min(1, Math.abs(dot(normal(i), way)))) * 180) / Math.PI : Number.NaN,
      ),
    locked: (way, from, to, into) => {
      const { reach } = queries()
      for (let i = from; i < Math.min(to, count); i += 1) {
        if (!covered(i)) continue
        const [a, b, c, n] = [corner(i, 0), corner(i, 1), corner(i, 2), normal(i)]
        const out = [0, 1, 2].map((k) => (a[k]! + b[k]! + c[k]!) / 3 + SCRAPES * n[k]!) as unknown as Vector
        const along = dot(n, way)
        const free = (sign: number) => reach(out, [way[0] * sign, way[1] * sign, way[2] * sign]) === null
        const leaves = along > SLIDES ? free(1) : along < -SLIDES ? free(-1) : free(1) || free(-1)
        into[i] = leaves ? 0 : 1
      }
    },
    areaOf: (marked) => marked.reduce((sum, m, i) => (m ? sum + areas[i]! : sum), 0),
  }
}
