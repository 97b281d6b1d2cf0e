import type { PlateMesh } from './plate.ts'

/** Less than this share of a plan that hangs on nothing is left out. */
const CRUMB = 0.02

/** The triangles that hang together by their sides, without crumbs; null where the plan falls into more than one part. */
export function connectedMesh({ nodes, triangles }: PlateMesh): PlateMesh | null {
  const part = Int32Array.from(triangles, (_, e) => e)
  const root = (e: number): number => {
    let at = e
    while (part[at] !== at) at = part[at]!
    part[e] = at
    return at
  }
  const sides = new Map<number, number>()
  triangles.forEach((t, e) => {
    for (let k = 0; k < 3; k += 1) {
      const [a, b] = [t[k as 0]!, t[((k + 1) % 3) as 0]!]
      const key = Math.min(a, b) * nodes.length + Math.max(a, b)
      const other = sides.get(key)
      if (other === undefined) sides.set(key, e)
      else part[root(e)] = root(other)
    }
  })
  const areas = new Map<number, number>()
  let total = 0
  triangles.forEach(([a, b, c], e) => {
    const [p, q, r] = [nodes[a]!, nodes[b]!, nodes[c]!]
    const area = ((q[0] - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (q[1] - p[1])) / 2
    total += area
    areas.set(root(e), (areas.get(root(e)) ?? 0) + area)
  })
  const [largest, ...others] = [...areas].sort((a, b) => b[1] - a[1])
  if (!largest || others.some(([, area]) => area > CRUMB * total)) return null
  const kept = triangles.filter((_, e) => root(e) === largest[0])
  const used = new Map<number, number>()
  for (const n of [...new Set(kept.flat())].sort((a, b) => a - b)) used.set(n, used.size)
  return {
    nodes: nodes.filter((_, n) => used.has(n)),
    triangles: kept.map(([a, b, c]) => [used.get(a)!, used.get(b)!, used.get(c)!] as const),
  }
}
