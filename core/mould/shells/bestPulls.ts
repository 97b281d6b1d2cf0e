import {
  boundsOf,
  crossOf,
  dot,
  lengthOf,
  type MeshQueries,
  type NamedMesh,
  principalAxes,
  queryMesh,
  squareTo,
  unit,
  type Vector,
} from '../../geometry/index.ts'

/** How a pattern is let go by halves that are drawn apart along a way and against it. */
export type Pull = {
  readonly way: Vector
  /** Of its surface that neither half leaves, mm2. */
  readonly undercutMm2: number
  /** Of its surface that faces neither way within a tenth of a degree: it slides, mm2. */
  readonly slidesMm2: number
}

export type PullSearch = {
  /** The least undercut first. */
  readonly pulls: readonly Pull[]
  /** The fewest rigid parts that all of the surface leaves, each along a way of its own; null where none of those tried do. */
  readonly parts: number | null
  readonly areaMm2: number
}

export type SearchOptions = {
  /** Triangles that a mould covers: what is open needs no part to leave it. All of them where left out. */
  readonly covered?: (triangle: number) => boolean
  /** Places of the surface that are looked at for each way, about. */
  readonly places?: number
  readonly onProgress?: (share: number) => void
  readonly shouldStop?: () => boolean
}

/** Ways tried over half the sphere, beside the axes and the pattern's own broad faces. */
const TRIED = 40
/** A face within a tenth of a degree of the way slides on it. */
const SLIDES = Math.sin((0.1 * Math.PI) / 180)
/** A ray starts so far out of the surface, mm, or in this share of the size of what is looked at. */
const OUT = 1e-4
/** What is left over of a surface by this share of it is what sampling leaves. */
const LEFT = 0.002
const MOST_PARTS = 6

type Place = { readonly at: Vector; readonly normal: Vector; readonly area: number }

/**
 * Ways to part a rigid mould round a solid, the best first: of each, the area that lies under something else along the
 * way it looks. Ways are spread over the sphere by the golden angle, then the axes, the surface's own and the largest flat faces; the best
 * are turned a little each way until none is better. Areas are those of places spread by area over the surface: exact
 * of what is met as a whole, within some percent of what is met in part. A ball has 0 whichever way it is parted.
 */
export function bestPulls(mesh: NamedMesh, options: SearchOptions = {}): PullSearch {
  const { places = 4000, covered, onProgress, shouldStop } = options
  const spots = spread(mesh, places, covered)
  const queries = queryMesh(mesh)
  const { min, max } = boundsOf(mesh.positions)
  const out = OUT * lengthOf(max[0] - min[0], max[1] - min[1], max[2] - min[2])
  const areaMm2 = spots.reduce((sum, s) => sum + s.area, 0)
  const ways = candidates(spots, ownAxes(mesh, covered))
  const found: Pull[] = []
  for (const [i, way] of ways.entries()) {
    if (shouldStop?.()) break
    onProgress?.(i / (ways.length + REFINED))
    found.push(judge(queries, spots, way, out))
  }
  found.sort(better)
  // The best is turned about, by ever less.
  let best = found[0]
  for (let k = 0; best && k < REFINED && best.undercutMm2 > 0; k += 1) {
    if (shouldStop?.()) break
    onProgress?.((ways.length + k) / (ways.length + REFINED))
    const step = 0.2 * 0.6 ** k
    for (const way of round(best.way, step)) {
      const next = judge(queries, spots, way, out)
      if (better(next, best) < 0) best = next
    }
  }
  const pulls = best && best !== found[0] ? [best, ...found] : found
  return { pulls: distinct(pulls), parts: partsNeeded(queries, spots, pulls, out), areaMm2 }
}
const REFINED = 6

const better = (a: Pull, b: Pull): number =>
  Math.abs(a.undercutMm2 - b.undercutMm2) > 1e-9 * Math.max(1, a.undercutMm2)
    ? a.undercutMm2 - b.undercutMm2
    : // Of equal ones the one along which least slides, then the more upright.
      a.slidesMm2 - b.slidesMm2 || Math.abs(b.way[2]) - Math.abs(a.way[2])

/** The undercut of one way, by a ray from each place. */
export function judge(queries: MeshQueries, spots: readonly Place[], way: Vector, out: number): Pull {
  let [undercutMm2, slidesMm2] = [0, 0]
  for (const s of spots) {
    const along = dot(s.normal, way)
    if (Math.abs(along) <= SLIDES) slidesMm2 += s.area
    if (!leaves(queries, s, way, along, out)) undercutMm2 += s.area
  }
  return { way, undercutMm2, slidesMm2 }
}

/** Whether a place is left by one of two halves: along the way it looks, or along either where it looks to neither. */
function leaves(queries: MeshQueries, s: Place, way: Vector, along: number, out: number): boolean {
  const from: Vector = [s.at[0] + s.normal[0] * out, s.at[1] + s.normal[1] * out, s.at[2] + s.normal[2] * out]
  const free = (sign: number) => queries.reach(from, [way[0] * sign, way[1] * sign, way[2] * sign]) === null
  if (along > SLIDES) return free(1)
  if (along < -SLIDES) return free(-1)
  return free(1) || free(-1)
}

/** The fewest single parts, each drawn its own way, taken greedily: the way that most of what is left leaves by. */
function partsNeeded(
  queries: MeshQueries,
  spots: readonly Place[],
  pulls: readonly Pull[],
  out: number,
): number | null {
  const ways = pulls.flatMap(({ way }): Vector[] => [way, [-way[0], -way[1], -way[2]]])
  const near = spots.filter((_, i) => i % Math.max(1, Math.floor(spots.length / FEW)) === 0)
  const all = near.reduce((sum, s) => sum + s.area, 0)
  const covers = ways.map((way) =>
    near.map((s) => {
      const along = dot(s.normal, way)
      if (along < -SLIDES) return false
      const from: Vector = [
        s.at[0] + s.normal[0] * out,
        s.at[1] + s.normal[1] * out,
        s.at[2] + s.normal[2] * out,
      ]
      return queries.reach(from, way) === null
    }),
  )
  const left = new Set(near.keys())
  for (let parts = 1; parts <= MOST_PARTS; parts += 1) {
    let [best, most] = [-1, 0]
    covers.forEach((c, w) => {
      let sum = 0
      for (const i of left) if (c[i]) sum += near[i]!.area
      if (sum > most) [best, most] = [w, sum]
    })
    if (best < 0) return null
    for (const i of [...left]) if (covers[best]![i]) left.delete(i)
    const rest = [...left].reduce((sum, i) => sum + near[i]!.area, 0)
    if (rest <= LEFT * all) return parts
  }
  return null
}
/** Places that the count of parts is looked for with. */
const FEW = 800

/** The flat faces of a mesh that have an area. */
function facesOf(mesh: NamedMesh, covered: (triangle: number) => boolean = () => true): Face[] {
  const { positions: p, triangles } = mesh
  const corner = (i: number): Vector => [p[3 * i]!, p[3 * i + 1]!, p[3 * i + 2]!]
  const flat: Face[] = []
  for (let t = 0; t < triangles.length; t += 3) {
    if (!covered(t / 3)) continue
    const [a, b, c] = [corner(triangles[t]!), corner(triangles[t + 1]!), corner(triangles[t + 2]!)]
    const n = crossOf(a, b, c)
    const length = lengthOf(n[0], n[1], n[2])
    if (length < 1e-12) continue
    flat.push({ a, b, c, normal: [n[0] / length, n[1] / length, n[2] / length], area: length / 2 })
  }
  return flat
}
/** The axes that a surface's own faces are spread about. */
export const ownAxes = (mesh: NamedMesh, covered?: (triangle: number) => boolean): Vector[] =>
  principalAxes(facesOf(mesh, covered))
type Face = {
  readonly a: Vector
  readonly b: Vector
  readonly c: Vector
  readonly normal: Vector
  readonly area: number
}

/** Places spread over a surface by its area, each in the middle of its share of a triangle. */
export function spread(
  mesh: NamedMesh,
  count: number,
  covered: (triangle: number) => boolean = () => true,
): Place[] {
  const flat = facesOf(mesh, covered)
  const whole = flat.reduce((sum, f) => sum + f.area, 0)
  const share = whole / count
  const places: Place[] = []
  let carried = 0
  for (const { a, b, c, normal, area } of flat) {
    if (area >= share) {
      // A large triangle in rows of equal parts.
      const n = Math.ceil(Math.sqrt(area / share))
      for (let i = 0; i < n; i += 1)
        for (let j = 0; j < 2 * i + 1; j += 1) {
          const [u, v] =
            j % 2 === 0
              ? [(i - j / 2 + 1 / 3) / n, (j / 2 + 1 / 3) / n]
              : [(i - (j + 1) / 2 + 2 / 3) / n, ((j - 1) / 2 + 2 / 3) / n]
          places.push({ at: blend(a, b, c, u, v), normal, area: area / n ** 2 })
        }
      continue
    }
    // Of many small ones some stand for their neighbours.
    carried += area
    if (carried < share) continue
    places.push({ at: blend(a, b, c, 1 / 3, 1 / 3), normal, area: carried })
    carried = 0
  }
  if (carried > 0 && places.length > 0) {
    const last = places.pop()!
    places.push({ ...last, area: last.area + carried })
  }
  return places
}

/** Ways over half the sphere, the axes, those of the surface itself, and square to what is flat and broad. */
function candidates(spots: readonly Place[], own: readonly Vector[]): Vector[] {
  const golden = Math.PI * (3 - Math.sqrt(5))
  const even = Array.from({ length: TRIED }, (_, i): Vector => {
    const z = (i + 0.5) / TRIED
    const r = Math.sqrt(1 - z * z)
    return [r * Math.cos(golden * i), r * Math.sin(golden * i), z]
  })
  const byNormal = new Map<string, { way: Vector; area: number }>()
  for (const { normal, area } of spots) {
    const [x, y, z] = normal
    const way: Vector =
      z < -1e-9 || (Math.abs(z) <= 1e-9 && (y < 0 || (y === 0 && x < 0))) ? [-x, -y, -z] : normal
    const key = way.map((n) => Math.round(n * 50)).join()
    const known = byNormal.get(key)
    if (known) known.area += area
    else byNormal.set(key, { way, area })
  }
  const flat = [...byNormal.values()].sort((a, b) => b.area - a.area).slice(0, 6)
  return [[0, 0, 1], [1, 0, 0], [0, 1, 0], ...own, ...flat.map((f) => f.way), ...even]
}

/** Six ways round one, turned off it by an angle, radians. */
function round(way: Vector, by: number): Vector[] {
  const [u, v] = squareTo(way)
  return Array.from({ length: 6 }, (_, k) => {
    const a = (k * Math.PI) / 3
    const [c, s] = [Math.cos(a) * by, Math.sin(a) * by]
    return unit([way[0] + c * u[0] + s * v[0], way[1] + c * u[1] + s * v[1], way[2] + c * u[2] + s * v[2]])
  })
}

/** Those that lie well apart, in their order. */
function distinct(pulls: readonly Pull[]): Pull[] {
  const kept: Pull[] = []
  for (const p of pulls) if (kept.every((k) => Math.abs(dot(k.way, p.way)) < APART)) kept.push(p)
  return kept
}
/** As a cosine: 20 degrees. */
const APART = Math.cos((20 * Math.PI) / 180)

const blend = (a: Vector, b: Vector, c: Vector, u: number, v: number): Vector => [
  a[0] + (b[0] - a[0]) * u + (c[0] - a[0]) * v,
  a[1] + (b[1] - a[1]) * u + (c[1] - a[1]) * v,
  a[2] + (b[2] - a[2]) * u + (c[2] - a[2]) * v,
]
