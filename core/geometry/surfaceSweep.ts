import type { Solid } from './kernel.ts'
import type { Vector } from './recipe.ts'
import { lengthOf } from './vector.ts'

/** A solid's surface: points, triangles by point, with points that coincide made one. */
export type Surface = {
  readonly points: ArrayLike<number>
  readonly triangles: Uint32Array
  readonly stride: number
}

const surfaces = new WeakMap<Solid['body'], Surface>()

/** The surface of a solid, read out once as long as the solid lives. */
export function surfaceOf({ body }: Solid): Surface {
  const known = surfaces.get(body)
  if (known) return known
  const mesh = body.getMesh()
  const { vertProperties, triVerts, numProp, mergeFromVert, mergeToVert } = mesh
  const triangles = Uint32Array.from(triVerts)
  if (mergeFromVert.length > 0) {
    const one = Uint32Array.from({ length: vertProperties.length / numProp }, (_, i) => i)
    mergeFromVert.forEach((from, k) => {
      one[from] = mergeToVert[k]!
    })
    for (let i = 0; i < triangles.length; i += 1) triangles[i] = one[triangles[i]!]!
  }
  const surface: Surface = { points: vertProperties, triangles, stride: numProp }
  surfaces.set(body, surface)
  return surface
}

/**
 * Areas of a solid's sections square to `way` (a unit vector) at rising offsets along it, mm2: each triangle adds the
 * line in which it crosses a plane, taken once round (half the sum of its cross products), without joining the lines
 * to contours.
 */
export function sectionAreas(solid: Solid, way: Vector, offsets: readonly number[]): number[] {
  const { points: p, triangles: t, stride } = surfaceOf(solid)
  const areas = new Float64Array(offsets.length)
  const along = (v: number) => p[v]! * way[0] + p[v + 1]! * way[1] + p[v + 2]! * way[2]
  const first = (s: number): number => {
    let [low, high] = [0, offsets.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (offsets[middle]! <= s) low = middle + 1
      else high = middle
    }
    return low
  }
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i]! * stride, t[i + 1]! * stride, t[i + 2]! * stride]
    const [sa, sb, sc] = [along(a), along(b), along(c)]
    const top = Math.max(sa, sb, sc)
    // A point on a plane counts as beyond it.
    for (let h = first(Math.min(sa, sb, sc)); h < offsets.length && offsets[h]! <= top; h += 1) {
      const at = offsets[h]!
      let [ux, uy, uz, dx, dy, dz] = [0, 0, 0, 0, 0, 0]
      for (let k = 0; k < 3; k += 1) {
        const [from, to] = k === 0 ? [a, b] : k === 1 ? [b, c] : [c, a]
        const [s0, s1] = k === 0 ? [sa, sb] : k === 1 ? [sb, sc] : [sc, sa]
        if (s0 >= at === s1 >= at) continue
        const f = (at - s0) / (s1 - s0)
        const x = p[from]! + (p[to]! - p[from]!) * f
        const y = p[from + 1]! + (p[to + 1]! - p[from + 1]!) * f
        const z = p[from + 2]! + (p[to + 2]! - p[from + 2]!) * f
        if (s1 >= at) [ux, uy, uz] = [x, y, z]
        else [dx, dy, dz] = [x, y, z]
      }
      areas[h] =
        areas[h]! +
        ((dy * uz - dz * uy) * way[0] + (dz * ux - dx * uz) * way[1] + (dx * uy - dy * ux) * way[2]) / 2
    }
  }
  return [...areas]
}

/** What a solid does along a way out, band by band. */
export type Growth = {
  /** Surface that looks back against the way, as it is seen along it, mm2: by so much the solid widens outward. */
  readonly back: readonly number[]
  /** Round its section in the middle of each band, mm. */
  readonly around: readonly number[]
}

/**
 * How a solid widens going along `way` (a unit vector) from the offset `from` to `to`: sections lie each within the one
 * before exactly where no surface looks back. All of the surface is taken, so that a lip of any height counts; or only
 * the triangles whose middle is `within`.
 */
export function growthAlong(
  solid: Solid,
  way: Vector,
  from: number,
  to: number,
  bands: number,
  within: (x: number, y: number, z: number) => boolean = () => true,
): Growth {
  const { points: p, triangles: t, stride } = surfaceOf(solid)
  const back = new Array<number>(bands).fill(0)
  const around = new Array<number>(bands).fill(0)
  const step = (to - from) / bands
  const along = (v: number) => p[v]! * way[0] + p[v + 1]! * way[1] + p[v + 2]! * way[2]
  for (let i = 0; i < t.length; i += 3) {
    const corners = [t[i]! * stride, t[i + 1]! * stride, t[i + 2]! * stride] as const
    const s = [along(corners[0]), along(corners[1]), along(corners[2])] as const
    const [least, most] = [Math.min(...s), Math.max(...s)]
    if (most <= from || least >= to) continue
    const [a, b, c] = corners
    const x = (p[a]! + p[b]! + p[c]!) / 3
    const y = (p[a + 1]! + p[b + 1]! + p[c + 1]!) / 3
    const z = (p[a + 2]! + p[b + 2]! + p[c + 2]!) / 3
    if (!within(x, y, z)) continue
    const first = Math.max(0, Math.floor((least - from) / step))
    const last = Math.min(bands - 1, Math.floor((most - from) / step))
    for (let at = first; at <= last; at += 1)
      around[at] = around[at]! + crossingLength(p, corners, s, from + (at + 0.5) * step)
    const seen = seenAlong(p, corners, way)
    if (seen >= 0) continue
    // Level with its band it counts whole; across bands by the share of its height in each.
    const high = most - least
    for (let at = first; at <= last; at += 1) {
      const [low, top] = [from + at * step, from + (at + 1) * step]
      const share = high < 1e-9 ? 1 : shareBelow(s, top) - shareBelow(s, low)
      back[at] = back[at]! - seen * share
    }
  }
  return { back, around }
}

/** Area of a triangle as seen along a way, mm2: negative when it looks back against it. */
function seenAlong(p: ArrayLike<number>, [a, b, c]: readonly [number, number, number], way: Vector): number {
  const [ux, uy, uz] = [p[b]! - p[a]!, p[b + 1]! - p[a + 1]!, p[b + 2]! - p[a + 2]!]
  const [vx, vy, vz] = [p[c]! - p[a]!, p[c + 1]! - p[a + 1]!, p[c + 2]! - p[a + 2]!]
  return ((uy * vz - uz * vy) * way[0] + (uz * vx - ux * vz) * way[1] + (ux * vy - uy * vx) * way[2]) / 2
}

/** Share of a triangle's area that lies below an offset: by the squares of the parts cut off its corners. */
function shareBelow(s: readonly [number, number, number], at: number): number {
  const [a, b, c] = [...s].sort((x, y) => x - y) as [number, number, number]
  if (at <= a) return 0
  if (at >= c) return 1
  if (at <= b) return (at - a) ** 2 / ((b - a) * (c - a) || 1)
  return 1 - (c - at) ** 2 / ((c - a) * (c - b) || 1)
}

function crossingLength(
  p: ArrayLike<number>,
  corners: readonly [number, number, number],
  s: readonly [number, number, number],
  at: number,
): number {
  const ends: Vector[] = []
  for (let k = 0; k < 3; k += 1) {
    const [i, j] = [k, (k + 1) % 3] as [0 | 1 | 2, 0 | 1 | 2]
    if (s[i] >= at === s[j] >= at) continue
    const f = (at - s[i]) / (s[j] - s[i])
    const [a, b] = [corners[i], corners[j]]
    ends.push([
      p[a]! + (p[b]! - p[a]!) * f,
      p[a + 1]! + (p[b + 1]! - p[a + 1]!) * f,
      p[a + 2]! + (p[b + 2]! - p[a + 2]!) * f,
    ])
  }
  const [e, f] = ends
  return e && f ? lengthOf(e[0] - f[0], e[1] - f[1], e[2] - f[2]) : 0
}

/**
 * The tops of a solid: where its surface is highest for some way round, each standing at least `least` mm above the
 * saddle that joins it to a higher one (its persistence; Edelsbrunner, Letscher and Zomorodian 2002). Roofs of hollows
 * are not tops. The highest first; of a flat top a point on it, its middle where that lies on it.
 */
export function surfaceTops(solid: Solid, least: number): Vector[] {
  const { points: p, triangles: t, stride } = surfaceOf(solid)
  const count = p.length / stride
  const height = (v: number) => p[v * stride + 2]!
  const around = neighbours(t, count)
  const order = Array.from({ length: count }, (_, v) => v)
    .filter((v) => around.start[v + 1]! > around.start[v]!)
    .sort((a, b) => height(b) - height(a))
  const root = new Int32Array(count).fill(-1)
  const find = (v: number): number => {
    let r = v
    while (root[r]! !== r) r = root[r]!
    for (let c = v; root[c]! !== r; ) [c, root[c]] = [root[c]!, r]
    return r
  }
  const tops: number[] = []
  // A root is the highest point of all that is joined to it.
  for (const v of order) {
    root[v] = v
    for (let e = around.start[v]!; e < around.start[v + 1]!; e += 1) {
      const w = around.list[e]!
      if (root[w]! < 0) continue
      const [a, b] = [find(v), find(w)]
      if (a === b) continue
      const [kept, lost] = height(a) >= height(b) ? [a, b] : [b, a]
      if (height(lost) - height(v) >= least) tops.push(lost)
      root[lost] = kept
    }
  }
  for (const v of order) if (root[v] === v) tops.push(v)
  const byPoint = trianglesAt(t, count)
  return tops
    .sort((a, b) => height(b) - height(a))
    .flatMap((v) => {
      const at = flatTop(v, { points: p, triangles: t, stride }, byPoint)
      return at ? [at] : []
    })
}

/** How many closed surfaces bound a solid: its bodies and its voids together. */
export function countSurfaces(solid: Solid): number {
  const { points, triangles: t, stride } = surfaceOf(solid)
  const root = Int32Array.from({ length: points.length / stride }, (_, v) => v)
  const find = (v: number): number => {
    let r = v
    while (root[r]! !== r) {
      root[r] = root[root[r]!]!
      r = root[r]!
    }
    return r
  }
  for (let i = 0; i < t.length; i += 3) {
    const a = find(t[i]!)
    root[find(t[i + 1]!)] = a
    root[find(t[i + 2]!)] = a
  }
  return new Set(Array.from(t, find)).size
}

type Lists = { readonly start: Uint32Array; readonly list: Uint32Array }

/** For each point the points it shares an edge with. */
function neighbours(t: Uint32Array, count: number): Lists {
  const start = new Uint32Array(count + 1)
  for (const v of t) start[v + 1] = start[v + 1]! + 2
  for (let v = 0; v < count; v += 1) start[v + 1] = start[v + 1]! + start[v]!
  const next = start.slice()
  const list = new Uint32Array(t.length * 2)
  for (let i = 0; i < t.length; i += 3)
    for (let k = 0; k < 3; k += 1) {
      const v = t[i + k]!
      list[next[v]!] = t[i + ((k + 1) % 3)]!
      list[next[v]! + 1] = t[i + ((k + 2) % 3)]!
      next[v] = next[v]! + 2
    }
  return { start, list }
}

function trianglesAt(t: Uint32Array, count: number): Lists {
  const start = new Uint32Array(count + 1)
  for (const v of t) start[v + 1] = start[v + 1]! + 1
  for (let v = 0; v < count; v += 1) start[v + 1] = start[v + 1]! + start[v]!
  const next = start.slice()
  const list = new Uint32Array(t.length)
  t.forEach((v, i) => {
    list[next[v]!] = Math.floor(i / 3)
    next[v] = next[v]! + 1
  })
  return { start, list }
}

/** Points this near a top's height are level with it, mm. */
const LEVEL = 1e-3

/** A point on the top that `v` is of, or null where it is the roof of a hollow. */
function flatTop(v: number, { points: p, triangles: t, stride }: Surface, byPoint: Lists): Vector | null {
  const z = p[v * stride + 2]!
  const level = new Set([v])
  const seen = new Set<number>()
  const flat: number[] = []
  const box = [p[v * stride]!, p[v * stride + 1]!, p[v * stride]!, p[v * stride + 1]!] as [
    number,
    number,
    number,
    number,
  ]
  let up = 0
  for (const at of level) {
    const [x, y] = [p[at * stride]!, p[at * stride + 1]!]
    box[0] = Math.min(box[0], x)
    box[1] = Math.min(box[1], y)
    box[2] = Math.max(box[2], x)
    box[3] = Math.max(box[3], y)
    for (let e = byPoint.start[at]!; e < byPoint.start[at + 1]!; e += 1) {
      const tri = byPoint.list[e]!
      if (seen.has(tri)) continue
      seen.add(tri)
      const [a, b, c] = [t[tri * 3]!, t[tri * 3 + 1]!, t[tri * 3 + 2]!]
      up += crossOf(p, stride, a, b, c)
      const own = [a, b, c].filter((w) => Math.abs(p[w * stride + 2]! - z) < LEVEL)
      if (own.length === 3) flat.push(tri)
      for (const w of own) level.add(w)
    }
  }
  if (up <= 0) return null
  const middle = [(box[0] + box[2]) / 2, (box[1] + box[3]) / 2] as const
  let best: { at: readonly [number, number]; area: number } | null = null
  for (const tri of flat) {
    const corners = [t[tri * 3]!, t[tri * 3 + 1]!, t[tri * 3 + 2]!] as const
    if (covers(p, stride, corners, middle)) return [middle[0], middle[1], z]
    const area = crossOf(p, stride, ...corners)
    const mean = (k: 0 | 1) => corners.reduce((sum, c) => sum + p[c * stride + k]!, 0) / 3
    if (!best || area > best.area) best = { at: [mean(0), mean(1)], area }
  }
  if (best) return [best.at[0], best.at[1], z]
  // A ridge or a peak: its point nearest the middle.
  const near = [...level].reduce((a, b) => (away(p, stride, a, middle) <= away(p, stride, b, middle) ? a : b))
  return [p[near * stride]!, p[near * stride + 1]!, z]
}

const away = (p: ArrayLike<number>, stride: number, v: number, [x, y]: readonly [number, number]): number =>
  Math.hypot(p[v * stride]! - x, p[v * stride + 1]! - y)

const crossOf = (p: ArrayLike<number>, stride: number, a: number, b: number, c: number): number =>
  (p[b * stride]! - p[a * stride]!) * (p[c * stride + 1]! - p[a * stride + 1]!) -
  (p[b * stride + 1]! - p[a * stride + 1]!) * (p[c * stride]! - p[a * stride]!)

function covers(
  p: ArrayLike<number>,
  stride: number,
  corners: readonly [number, number, number],
  [x, y]: readonly [number, number],
): boolean {
  return corners.every((a, k) => {
    const b = corners[(k + 1) % 3]!
    const [ax, ay, bx, by] = [p[a * stride]!, p[a * stride + 1]!, p[b * stride]!, p[b * stride + 1]!]
    return (bx - ax) * (y - ay) - (by - ay) * (x - ax) >= -1e-9
  })
}
