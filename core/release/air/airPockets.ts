import {
  crossOf,
  isWithin,
  lengthOf,
  type Point,
  trianglesRound,
  type Vector,
  weld,
} from '../../geometry/index.ts'
import { coverOf, type Meeting } from '../draft/meetMould.ts'

/** Where air stays under the mould while it is filled. */
export type AirPocket = {
  /** Its highest point, as poured: the middle of its roof where that is level. */
  readonly top: Vector
  /** The part over its highest point. */
  readonly partId: string
  readonly face: string
  /** From there down to where air spills out of it, mm. */
  readonly deepMm: number
  readonly volumeMm3: number
  /** Seen from above. */
  readonly areaMm2: number
}

/** A level face of the mould that looks down on the fill: air comes out at its edges, but slowly. */
export type LevelRoof = {
  readonly partId: string
  readonly face: string
  readonly areaMm2: number
  /** Twice its area over the length round it, mm. */
  readonly wideMm: number
}

export type TrappedAir = {
  /** The largest first. */
  readonly pockets: readonly AirPocket[]
  readonly roofs: readonly LevelRoof[]
  /** False where the mould is open nowhere: then nothing is known. */
  readonly examined: boolean
}

/** Air less deep than this is a bubble, mm, and less of it than this is none worth a vent, mm3 [own]. */
const [BUBBLE, LITTLE] = [1, 1000]
/** A face that rises by less than this holds its bubbles, as the cosine of 3 degrees [own]. */
const LEVEL = Math.cos((3 * Math.PI) / 180)
/** Points of one height, mm. */
const SAME = 0.02
/** The finest vent that is looked for, mm, and at how many places of a roof at most, about. */
const [VENT, LOOKS] = [6, 10_000]

/**
 * Where air is trapped in the pour. A bubble rises to the surface of the fill that the mould covers and along it; from
 * each highest point of the cast's surface that is not open it cannot go on. How much stays is what lies above the
 * level at which it spills over into a part of the surface that leads higher: the merge tree of the surface's heights
 * (Carr, Snoeyink and Axen, Computing contour trees in all dimensions, 2003). A cup turned over holds all its inside.
 */
export function airPockets({ cast, part, areas, triangle, partIds, stands }: Meeting): TrappedAir {
  const { positions: p, triangles, faceOfTriangle, faceNames } = cast
  const count = triangles.length / 3
  const vertexOf = weld(p)
  const z = (v: number) => p[3 * v + 2]!
  const { open, over } = coverOf({ cast, part, areas, triangle })
  const around = trianglesRound(triangles, vertexOf)
  const isOpenAt = (v: number): boolean => {
    for (const t of around(v)) if (open[t]) return true
    return false
  }
  const vertices = [...new Set(Array.from(triangles, (v) => vertexOf[v]!))].sort((a, b) => z(b) - z(a))
  /** Of each place the one it hangs on; -1 where it is not reached yet. */
  const parent = new Int32Array(p.length / 3).fill(-1)
  const find = (v: number): number => {
    let root = v
    while (parent[root] !== root) root = parent[root]!
    let at = v
    while (at !== root) {
      const next = parent[at]!
      parent[at] = root
      at = next
    }
    return root
  }
  // A root is the highest point of what hangs together above the level looked at.
  const leads = new Uint8Array(parent.length)
  const closed: { top: number; spill: number; within: number[] }[] = []
  /** Of what leads nowhere yet: the pockets it has taken in. */
  const taken = new Map<number, number[]>()
  /** Whether so much stays in it that it is a pocket. */
  const shut = (top: number, spill: number): boolean => {
    if (z(top) - spill <= BUBBLE) return false
    closed.push({ top, spill, within: taken.get(top) ?? [] })
    return true
  }
  for (const v of vertices) {
    parent[v] = v
    leads[v] = isOpenAt(v) ? 1 : 0
    for (const t of around(v))
      for (let k = 0; k < 3; k += 1) {
        const w = vertexOf[triangles[3 * t + k]!]!
        if (w === v || parent[w]! < 0) continue
        const [a, b] = [find(v), find(w)]
        if (a === b) continue
        const [high, low] = z(a) >= z(b) ? [a, b] : [b, a]
        const [ofHigh, ofLow] = [leads[high] === 1, leads[low] === 1]
        // What does not lead out fills down to here, then spills over.
        const isPocket = !ofLow && shut(low, z(v))
        if (!ofHigh && ofLow) shut(high, z(v))
        // Every place begins by itself: only what holds air is kept, for there are as many as there are places.
        if (isPocket && !ofHigh) {
          const own = taken.get(high)
          if (own) own.push(low)
          else taken.set(high, [low])
        }
        parent[low] = high
        leads[high] = ofHigh || ofLow ? 1 : 0
      }
  }
  const highest = vertices.length > 0 ? find(vertices[0]!) : null
  // A filling hole may lie within a face that no corner of the mesh marks.
  const examined = highest !== null && (leads[highest] === 1 || isVented(above(highest, z(highest) - SAME)))
  const sizes = new Map(closed.map(({ top, spill }) => [top, above(top, spill)]))
  const pockets = closed
    .flatMap(({ top, spill, within }): AirPocket[] => {
      const whole = sizes.get(top)!
      // What stays in the lower ones of it is told of them.
      const less = (size: 'volume' | 'area') =>
        within.reduce((sum, v) => sum + (sizes.get(v)?.[size] ?? 0), 0)
      const own = { ...whole, volume: whole.volume - less('volume'), area: whole.area - less('area') }
      if (own.volume < LITTLE || isVented(whole)) return []
      const at = [...around(top)].find((t) => over[t]! >= 0)
      if (at === undefined) return []
      return [
        {
          top: middleOf(whole.roof) ?? corner(top),
          partId: partIds[over[at]!]!,
          face: faceNames[faceOfTriangle[at]!]!,
          deepMm: z(top) - spill,
          volumeMm3: own.volume,
          areaMm2: own.area,
        },
      ]
    })
    .sort((a, b) => b.volumeMm3 - a.volumeMm3)
  return { pockets: examined ? pockets : [], roofs: examined ? levelRoofs() : [], examined }

  /** What of the surface hangs together with a point above a level: its volume over that level, its area seen from above, its highest points. */
  function above(
    top: number,
    level: number,
  ): { volume: number; area: number; tops: number[]; roof: number[] } {
    const seen = new Set<number>([top])
    const done = new Set<number>()
    const stack = [top]
    let [volume, area] = [0, 0]
    const [tops, roof]: [number[], number[]] = [[], []]
    while (stack.length > 0) {
      const v = stack.pop()!
      if (z(v) > z(top) - SAME) tops.push(v)
      for (const t of around(v)) {
        if (done.has(t)) continue
        done.add(t)
        const [a, b, c] = [0, 1, 2].map((k) => vertexOf[triangles[3 * t + k]!]!) as [number, number, number]
        const piece = clipAbove([corner(a), corner(b), corner(c)], level)
        if ([a, b, c].every((w) => z(w) > z(top) - SAME)) roof.push(t)
        volume += piece.volume
        area += Math.max(0, piece.area)
        for (const w of [a, b, c])
          if (z(w) > level + 1e-6 && !seen.has(w)) {
            seen.add(w)
            stack.push(w)
          }
      }
    }
    return { volume, area, tops, roof }
  }

  /** Whether any place of its highest level is open: a vent ends there. */
  function isVented({
    tops,
    roof,
  }: {
    readonly tops: readonly number[]
    readonly roof: readonly number[]
  }): boolean {
    const up: Vector = [0, 0, 1]
    if (tops.some((v) => stands(corner(v), up) < 0)) return true
    const faces = roof.map(
      (t) => [0, 1, 2].map((k) => corner(triangles[3 * t + k]!)) as [Vector, Vector, Vector],
    )
    const area = faces.reduce((sum, [a, b, c]) => sum + crossOf(a, b, c)[2] / 2, 0)
    const step = Math.max(VENT / 3, Math.sqrt(area / LOOKS))
    return faces.some((f) => spots(f, step).some((at) => stands(at, up) < 0))
  }

  /** The middle of a level roof, or of its triangle next to that where the roof goes round it; null of a peak. */
  function middleOf(roof: readonly number[]): Vector | null {
    const faces = roof.map(
      (t) => [0, 1, 2].map((k) => corner(triangles[3 * t + k]!)) as [Vector, Vector, Vector],
    )
    let [area, x, y] = [0, 0, 0]
    for (const [a, b, c] of faces) {
      const flat = crossOf(a, b, c)[2] / 2
      area += flat
      x += (flat * (a[0] + b[0] + c[0])) / 3
      y += (flat * (a[1] + b[1] + c[1])) / 3
    }
    const [first] = faces
    if (!first || area <= 0) return null
    const middle: Point = [x / area, y / area]
    const own = faces.find((f) =>
      isWithin(
        middle,
        f.map(([px, py]): Point => [px, py]),
      ),
    )
    if (own) return [middle[0], middle[1], first[0][2]]
    const centres = faces.map(
      ([a, b, c]): Vector => [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3],
    )
    const away = (q: Vector) => Math.hypot(q[0] - middle[0], q[1] - middle[1])
    return centres.reduce((near, q) => (away(q) < away(near) ? q : near))
  }

  function corner(v: number): Vector {
    return [p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!]
  }

  /** How long the edges of some triangles are that no two of them share. */
  function lengthRound(found: ReadonlySet<number>): number {
    let length = 0
    for (const t of found)
      for (let k = 0; k < 3; k += 1) {
        const [a, b] = [vertexOf[triangles[3 * t + k]!]!, vertexOf[triangles[3 * t + ((k + 1) % 3)]!]!]
        let shared = false
        for (const o of around(a))
          if (o !== t && found.has(o) && [0, 1, 2].some((j) => vertexOf[triangles[3 * o + j]!] === b))
            shared = true
        if (!shared) length += Math.hypot(...[0, 1, 2].map((j) => p[3 * a + j]! - p[3 * b + j]!))
      }
    return length
  }

  /** Level faces under the mould that hang together under one part, the largest first. */
  function levelRoofs(): LevelRoof[] {
    const level = new Uint8Array(count)
    const flat = new Float64Array(count)
    for (let t = 0; t < count; t += 1) {
      const [a, b, c] = [0, 1, 2].map((k) => corner(triangles[3 * t + k]!)) as [Vector, Vector, Vector]
      const [x, y, up] = crossOf(a, b, c)
      const size = lengthOf(x, y, up)
      flat[t] = up / 2
      level[t] = size > 0 && up / size > LEVEL && !open[t] && over[t]! >= 0 ? 1 : 0
    }
    const roofs: LevelRoof[] = []
    for (let t = 0; t < count; t += 1) {
      if (level[t] !== 1) continue
      const [own, stack, found] = [over[t]!, [t], new Set([t])]
      let area = 0
      level[t] = 2
      while (stack.length > 0) {
        const at = stack.pop()!
        area += flat[at]!
        for (let k = 0; k < 3; k += 1)
          for (const next of around(vertexOf[triangles[3 * at + k]!]!))
            if (level[next] === 1 && over[next] === own) {
              level[next] = 2
              found.add(next)
              stack.push(next)
            }
      }
      const wideMm = (2 * area) / lengthRound(found)
      if (area > 0)
        roofs.push({ partId: partIds[own]!, face: faceNames[faceOfTriangle[t]!]!, areaMm2: area, wideMm })
    }
    return roofs.sort((a, b) => b.areaMm2 - a.areaMm2)
  }
}

/** Places of a level triangle no further apart than a step along its sides. */
function spots([a, b, c]: readonly [Vector, Vector, Vector], step: number): Vector[] {
  const most = Math.max(
    ...[a, b, c].map((p, k) => Math.hypot(...[0, 1].map((i) => p[i]! - [b, c, a][k]![i]!))),
  )
  const n = Math.max(1, Math.ceil(most / step))
  const found: Vector[] = []
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j < n - i; j += 1) {
      const [u, v] = [(i + 1 / 3) / n, (j + 1 / 3) / n]
      found.push([0, 1, 2].map((k) => a[k]! + (b[k]! - a[k]!) * u + (c[k]! - a[k]!) * v) as unknown as Vector)
    }
  return found
}

/** Of a triangle's part above a level: its area seen from above, less than 0 where it looks down, and the volume between. */
function clipAbove(
  corners: readonly Vector[],
  level: number,
): { readonly area: number; readonly volume: number } {
  const kept: Vector[] = []
  corners.forEach((a, k) => {
    const b = corners[(k + 1) % 3]!
    if (a[2] >= level) kept.push(a)
    if (a[2] >= level !== b[2] >= level) {
      const t = (level - a[2]) / (b[2] - a[2])
      kept.push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, level])
    }
  })
  let [area, volume] = [0, 0]
  for (let k = 2; k < kept.length; k += 1) {
    const [a, b, c] = [kept[0]!, kept[k - 1]!, kept[k]!]
    const flat = crossOf(a, b, c)[2] / 2
    area += flat
    volume += flat * ((a[2] + b[2] + c[2]) / 3 - level)
  }
  return { area, volume }
}
