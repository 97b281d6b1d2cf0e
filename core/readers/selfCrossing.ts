import type { WeldedMesh } from './meshHealth.ts'

/** Facets in a leaf of the tree. */
const LEAF = 8

/** A tree of boxes over facets, split at the middle of the longest side. */
type Tree = {
  readonly order: Uint32Array
  /** Six numbers a node. */
  readonly boxes: Float32Array
  /** Six numbers a facet. */
  readonly facets: Float32Array
  /** First facet and count of a leaf; or the right child and 0. */
  readonly first: Int32Array
  readonly count: Int32Array
}

/**
 * How many pairs of facets cross, up to `most`. A generator: it yields its progress from 0 to 1 between slices of work,
 * so that the host can show it and stop. Facets that share a corner are neighbours and do not count.
 */
export function* findSelfCrossings(mesh: WeldedMesh, most = 100): Generator<number, number, void> {
  const { triangles } = mesh
  const facets = triangles.length / 3
  const tree = buildTree(mesh)
  yield 0.1
  let crossings = 0
  const stack = new Int32Array(128)
  for (let f = 0; f < facets; f += 1) {
    if (f % 4096 === 4095) yield 0.1 + (0.9 * f) / facets
    let top = 1
    stack[0] = 0
    while (top > 0) {
      top -= 1
      const node = stack[top]!
      if (!overlaps(tree.boxes, node * 6, tree.facets, f * 6)) continue
      const n = tree.count[node]!
      if (n === 0) {
        stack[top] = node + 1
        stack[top + 1] = tree.first[node]!
        top += 2
        continue
      }
      for (let k = 0; k < n; k += 1) {
        const g = tree.order[tree.first[node]! + k]!
        if (g <= f || sharesCorner(triangles, f, g)) continue
        if (overlaps(tree.facets, g * 6, tree.facets, f * 6) && facetsCross(mesh, f, g)) {
          crossings += 1
          if (crossings >= most) return crossings
        }
      }
    }
  }
  return crossings
}

/** Whether the box at `i` of one list meets the box at `j` of another. */
const overlaps = (a: Float32Array, i: number, b: Float32Array, j: number): boolean =>
  a[i]! <= b[j + 3]! &&
  a[i + 1]! <= b[j + 4]! &&
  a[i + 2]! <= b[j + 5]! &&
  a[i + 3]! >= b[j]! &&
  a[i + 4]! >= b[j + 1]! &&
  a[i + 5]! >= b[j + 2]!

function sharesCorner(t: Uint32Array, f: number, g: number): boolean {
  for (let i = 0; i < 3; i += 1) for (let j = 0; j < 3; j += 1) if (t[f * 3 + i] === t[g * 3 + j]) return true
  return false
}

function buildTree({ positions: p, triangles: t }: WeldedMesh): Tree {
  const facets = t.length / 3
  const order = Uint32Array.from({ length: facets }, (_, i) => i)
  const middles = new Float32Array(facets * 3)
  const own = new Float32Array(facets * 6)
  for (let f = 0; f < facets; f += 1) {
    const [a, b, c] = [t[f * 3]! * 3, t[f * 3 + 1]! * 3, t[f * 3 + 2]! * 3]
    for (let k = 0; k < 3; k += 1) {
      const low = Math.min(p[a + k]!, p[b + k]!, p[c + k]!)
      const high = Math.max(p[a + k]!, p[b + k]!, p[c + k]!)
      own[f * 6 + k] = low
      own[f * 6 + k + 3] = high
      middles[f * 3 + k] = (low + high) / 2
    }
  }
  const nodes = Math.max(1, 4 * Math.ceil(facets / LEAF))
  const boxes = new Float32Array(nodes * 6)
  const first = new Int32Array(nodes)
  const count = new Int32Array(nodes)
  let used = 0
  const build = (from: number, to: number): number => {
    const node = used
    used += 1
    const box = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity]
    for (let i = from; i < to; i += 1)
      for (let k = 0; k < 3; k += 1) {
        box[k] = Math.min(box[k]!, own[order[i]! * 6 + k]!)
        box[k + 3] = Math.max(box[k + 3]!, own[order[i]! * 6 + k + 3]!)
      }
    boxes.set(box, node * 6)
    if (to - from <= LEAF) {
      first[node] = from
      count[node] = to - from
      return node
    }
    const axis = [0, 1, 2].sort((a, b) => box[b + 3]! - box[b]! - (box[a + 3]! - box[a]!))[0]!
    const half = (from + to) >> 1
    selectMiddle(order, middles, axis, from, to - 1, half)
    build(from, half)
    first[node] = build(half, to)
    return node
  }
  if (facets > 0) build(0, facets)
  return { order, boxes, facets: own, first, count }
}

/** Quickselect: after it, what lies before `k` is not greater along the axis than what lies after. */
function selectMiddle(
  order: Uint32Array,
  middles: Float32Array,
  axis: number,
  from: number,
  to: number,
  k: number,
): void {
  let [left, right] = [from, to]
  while (left < right) {
    const pivot = middles[order[(left + right) >> 1]! * 3 + axis]!
    let [i, j] = [left, right]
    while (i <= j) {
      while (middles[order[i]! * 3 + axis]! < pivot) i += 1
      while (middles[order[j]! * 3 + axis]! > pivot) j -= 1
      if (i <= j) {
        const swap = order[i]!
        order[i] = order[j]!
        order[j] = swap
        i += 1
        j -= 1
      }
    }
    if (k <= j) right = j
    else if (k >= i) left = i
    else return
  }
}

/** Whether some side of one facet passes through the other (Moller and Trumbore's test, sides as segments). */
function facetsCross(mesh: WeldedMesh, f: number, g: number): boolean {
  return sidesPierce(mesh, f, g) || sidesPierce(mesh, g, f)
}

function sidesPierce({ positions: p, triangles: t }: WeldedMesh, f: number, g: number): boolean {
  const [a, b, c] = [t[g * 3]! * 3, t[g * 3 + 1]! * 3, t[g * 3 + 2]! * 3]
  const [e1x, e1y, e1z] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
  const [e2x, e2y, e2z] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
  for (let k = 0; k < 3; k += 1) {
    const [s, e] = [t[f * 3 + k]! * 3, t[f * 3 + ((k + 1) % 3)]! * 3]
    const [dx, dy, dz] = [p[e]! - p[s]!, p[e + 1]! - p[s + 1]!, p[e + 2]! - p[s + 2]!]
    const [hx, hy, hz] = [dy * e2z - dz * e2y, dz * e2x - dx * e2z, dx * e2y - dy * e2x]
    const det = e1x * hx + e1y * hy + e1z * hz
    // Not Math.hypot: over a mesh it is twenty times slower.
    const scale = Math.sqrt((e1x * e1x + e1y * e1y + e1z * e1z) * (hx * hx + hy * hy + hz * hz))
    if (Math.abs(det) <= 1e-7 * scale || scale === 0) continue
    const [sx, sy, sz] = [p[s]! - p[a]!, p[s + 1]! - p[a + 1]!, p[s + 2]! - p[a + 2]!]
    const u = (sx * hx + sy * hy + sz * hz) / det
    if (u < -1e-9 || u > 1 + 1e-9) continue
    const [qx, qy, qz] = [sy * e1z - sz * e1y, sz * e1x - sx * e1z, sx * e1y - sy * e1x]
    const v = (dx * qx + dy * qy + dz * qz) / det
    if (v < -1e-9 || u + v > 1 + 1e-9) continue
    const along = (e2x * qx + e2y * qy + e2z * qz) / det
    if (along > 1e-6 && along < 1 - 1e-6) return true
  }
  return false
}
