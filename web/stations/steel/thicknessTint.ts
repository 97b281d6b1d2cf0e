import type { Placement, Vector } from '../../../core/geometry/index.ts'
import type { ThicknessMap } from '../../../core/steel/index.ts'

/** Triangles laid over a surface, and how thick it is behind each, mm. */
export type Tinted = { readonly positions: Float32Array; readonly mm: Float32Array }

/** Edges are cut to less than so many spacings; triangles at most. */
const [FINE, MOST] = [0.8, 120_000]

/** Triangles between pauses: less than a millisecond of work each. */
const PAUSE = 50

type Mesh = { readonly positions: Float32Array; readonly triangles: Uint32Array }

/**
 * The surface of a mesh in small triangles, each with the thickness of the sample nearest to its middle; `toPoured` takes
 * a sample to the frame of the mesh. Null where the mesh alone has more triangles than are drawn. It pauses often: whoever
 * asks on the page's thread lets others in.
 */
export function* tinting(
  { positions: p, triangles }: Mesh,
  { samples, spacing }: ThicknessMap,
  toPoured: Placement,
): Generator<void, Tinted | null> {
  if (triangles.length / 3 > MOST || samples.length === 0) return null
  const placed = samples.map((s) => ({ at: moved(s.at, toPoured), mm: s.thickness }))
  const cells = new Map<string, typeof placed>()
  const cellOf = (at: Vector) => at.map((n) => Math.floor(n / spacing))
  for (const s of placed) {
    const key = cellOf(s.at).join()
    const list = cells.get(key)
    if (list) list.push(s)
    else cells.set(key, [s])
  }
  const nearest = (at: Vector): number => {
    const [i, j, k] = cellOf(at) as [number, number, number]
    for (let reach = 1; reach <= 3; reach += 1) {
      let [best, mm] = [Infinity, 0]
      for (let a = -reach; a <= reach; a += 1)
        for (let b = -reach; b <= reach; b += 1)
          for (let c = -reach; c <= reach; c += 1)
            for (const s of cells.get(`${i + a},${j + b},${k + c}`) ?? []) {
              const d = (s.at[0] - at[0]) ** 2 + (s.at[1] - at[1]) ** 2 + (s.at[2] - at[2]) ** 2
              if (d < best) [best, mm] = [d, s.mm]
            }
      if (best < Infinity) return mm
    }
    return placed.reduce(
      (m, s) => {
        const d = (s.at[0] - at[0]) ** 2 + (s.at[1] - at[1]) ** 2 + (s.at[2] - at[2]) ** 2
        return d < m.d ? { d, mm: s.mm } : m
      },
      { d: Infinity, mm: 0 },
    ).mm
  }
  const [out, mm]: [number[], number[]] = [[], []]
  const stack: [Vector, Vector, Vector][] = []
  const least = (FINE * spacing) ** 2
  const corner = (n: number): Vector => [p[3 * n]!, p[3 * n + 1]!, p[3 * n + 2]!]
  for (let t = 0; t < triangles.length; t += 3) {
    stack.push([corner(triangles[t]!), corner(triangles[t + 1]!), corner(triangles[t + 2]!)])
    while (stack.length > 0) {
      const [a, b, c] = stack.pop()!
      const [ab, bc, ca] = [apart(a, b), apart(b, c), apart(c, a)]
      const longest = Math.max(ab, bc, ca)
      if (longest > least && mm.length < MOST) {
        // Cut across the middle of the longest edge.
        const [u, v, w] = longest === ab ? [a, b, c] : longest === bc ? [b, c, a] : [c, a, b]
        const m: Vector = [(u[0] + v[0]) / 2, (u[1] + v[1]) / 2, (u[2] + v[2]) / 2]
        stack.push([u, m, w], [m, v, w])
        continue
      }
      if (mm.length % PAUSE === 0) yield
      out.push(...a, ...b, ...c)
      mm.push(nearest([(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3]))
    }
  }
  return { positions: Float32Array.from(out), mm: Float32Array.from(mm) }
}

/** The same at once. */
export function tintSurface(...asked: Parameters<typeof tinting>): Tinted | null {
  const work = tinting(...asked)
  for (;;) {
    const { done, value } = work.next()
    if (done) return value
  }
}

const apart = (a: Vector, b: Vector): number => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2

export const moved = ([x, y, z]: Vector, by: Placement): Vector => [
  by.x[0] * x + by.y[0] * y + by.z[0] * z + by.origin[0],
  by.x[1] * x + by.y[1] * y + by.z[1] * z + by.origin[1],
  by.x[2] * x + by.y[2] * y + by.z[2] * z + by.origin[2],
]
