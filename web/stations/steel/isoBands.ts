import type { Point } from '../../../core/geometry/index.ts'

type Mesh = {
  readonly nodes: readonly Point[]
  readonly triangles: readonly (readonly [number, number, number])[]
}

/** Values of triangles as values at the nodes: of each node the mean of its triangles by their size. */
export function atNodes({ nodes, triangles }: Mesh, values: ArrayLike<number>): Float64Array {
  const [sums, areas] = [new Float64Array(nodes.length), new Float64Array(nodes.length)]
  triangles.forEach((t, e) => {
    const [p, q, r] = t.map((n) => nodes[n]!) as [Point, Point, Point]
    const area = Math.abs((q[0] - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (q[1] - p[1]))
    for (const n of t) {
      sums[n]! += area * values[e]!
      areas[n]! += area
    }
  })
  return sums.map((s, n) => s / (areas[n] || 1))
}

/** The part of a mesh where values that run straight between its nodes are at least `from`: a polygon a triangle. */
export function above({ nodes, triangles }: Mesh, values: ArrayLike<number>, from: number): Point[][] {
  return triangles.flatMap((t) => {
    const ring: Point[] = []
    for (let k = 0; k < 3; k += 1) {
      const [a, b] = [t[k as 0]!, t[((k + 1) % 3) as 0]!]
      const [va, vb] = [values[a]!, values[b]!]
      if (va >= from) ring.push(nodes[a]!)
      if (va >= from !== vb >= from) {
        const s = (from - va) / (vb - va)
        ring.push([
          nodes[a]![0] + (nodes[b]![0] - nodes[a]![0]) * s,
          nodes[a]![1] + (nodes[b]![1] - nodes[a]![1]) * s,
        ])
      }
    }
    return ring.length > 2 ? [ring] : []
  })
}
