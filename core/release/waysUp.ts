import {
  boundsOf,
  crossOf,
  hullOf,
  lengthOf,
  type NamedMesh,
  type Placement,
  type Point,
  type Vector,
} from '../geometry/index.ts'
import type { Finding, Piece } from '../job/index.ts'
import { airPockets } from './air/airPockets.ts'
import type { Meeting } from './draft/meetMould.ts'
import { partDrafts } from './draft/partDrafts.ts'

/** A piece as it would lie with one of its faces down, in a mould that covers all but the level of the fill. */
export type WayUp = {
  readonly down: string
  /** That face in words. */
  readonly face: string
  /** Air that would stay, litres, in so many pockets. */
  readonly airLitres: number
  readonly pocketCount: number
  /** What one rigid form all round, its cores with it, would run into when it is drawn straight down, m2. */
  readonly lockedM2: number
  /** What grips with less draft than it wants where each face is left straight up or down, as it looks, m2. */
  readonly shortM2: number
  /** Struck off or trowelled, not formed, m2. */
  readonly openM2: number
  readonly heightMm: number
  /** The joint of a stiff form that must be parted because it locks, round the widest of it; 0 where one form leaves, mm. */
  readonly jointMm: number
  /** Whether the cast is turned over between pour and place. */
  readonly turnedOver: boolean
}

/** How near the level of the fill a face is open, mm, or this share of the height: a crown is filled through. */
const [SAME, CROWN] = [0.05, 1 / 200]
/** Meshes finer than this are not turned over and over, triangles [own]. */
export const MOST_TURNED = 30_000
/** What stands so far below the face it is said to lie on does not lie on it, mm. */
const RESTS = 0.5
/** A piece that leans less than this from how it is placed is not turned over, as a cosine: 10 degrees. */
const UPRIGHT = Math.cos(Math.PI / 18)
const DOWN: Vector = [0, 0, -1]
const UP: Vector = [0, 0, 1]

/** What each way up would hold, lock and leave open, of a piece as it is placed. */
export function waysUp(
  mesh: NamedMesh,
  ways: readonly { readonly down: string; readonly face: string; readonly by: Placement }[],
): WayUp[] {
  // One alone is no choice.
  if (ways.length < 2 || mesh.triangles.length / 3 > MOST_TURNED) return []
  const [lies, seen] = [[] as WayUp[], new Set<string>()]
  for (const { down, face, by } of ways) {
    const turned = { ...mesh, positions: placed(mesh.positions, by) }
    const { min, max } = boundsOf(turned.positions)
    // A face in a corner is no face to lie on; two that look one way lie alike.
    const way = [by.x[2], by.y[2], by.z[2]].map((n) => n.toFixed(4)).join()
    if (min[2]! < -RESTS || seen.has(way)) continue
    seen.add(way)
    const meeting = inForm(turned, min[2]!, max[2]!)
    const { pockets } = airPockets(meeting)
    const [form] = partDrafts(meeting, () => DOWN)
    const apart = partDrafts(halved(meeting), (id) => (id === 'above' ? UP : DOWN))
    lies.push({
      down,
      face,
      airLitres: pockets.reduce((sum, p) => sum + p.volumeMm3, 0) / 1e6,
      pocketCount: pockets.length,
      lockedM2: (form?.lockedMm2 ?? 0) / 1e6,
      shortM2: apart.reduce((sum, d) => sum + d.shortMm2, 0) / 1e6,
      openM2: meeting.part.reduce((sum, at, i) => (at < 0 ? sum + meeting.areas[i]! : sum), 0) / 1e6,
      heightMm: max[2]! - min[2]!,
      jointMm: (form?.lockedMm2 ?? 0) > LITTLE.m2 * 1e6 ? lengthRound(turned.positions) : 0,
      turnedOver: by.z[2] < UPRIGHT,
    })
  }
  return lies
}

/** How long the hull of points is, seen from above, mm. */
function lengthRound(p: Float32Array): number {
  const ring = hullOf(Array.from({ length: p.length / 3 }, (_, i): Point => [p[3 * i]!, p[3 * i + 1]!]))
  return ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!
    return sum + Math.hypot(nx - x, ny - y)
  }, 0)
}

/** The form in two, as its faces look: what looks down leaves up. */
const halved = (meeting: Meeting): Meeting => ({
  ...meeting,
  part: meeting.part.map((at, i) => (at < 0 ? -1 : meeting.normals[3 * i + 2]! > 0 ? 1 : 0)),
  partIds: ['below', 'above'],
})

/** Air, locks and open faces less than this are none, litres and m2 [own]. */
const LITTLE = { litres: 0.001, m2: 1e-4, mm: 10 } as const

/** Which way up is better, as a sort takes it: first by air that stays, then by what locks, then by what has too little draft, then by how long a joint it wants, then by its being turned over. */
export function compareWays(a: WayUp, b: WayUp): number {
  const by = (x: number, y: number, little: number) => (Math.abs(x - y) <= little ? 0 : x - y)
  return (
    by(a.airLitres, b.airLitres, LITTLE.litres) ||
    by(a.lockedM2, b.lockedM2, LITTLE.m2) ||
    by(a.shortM2, b.shortM2, LITTLE.m2) ||
    by(a.jointMm, b.jointMm, LITTLE.mm) ||
    Number(a.turnedOver) - Number(b.turnedOver)
  )
}

/** Pouring it another way up: the best of those that have half of a figure at most; turned over where none was looked at. */
export function otherWaysUp(
  piece: Piece,
  ways: readonly WayUp[],
  by: 'airLitres' | 'lockedM2',
): Finding['remedies'] {
  const { down } = piece.attitude
  const now = ways.find((w) => w.down === down)
  const [best] = ways.filter((w) => w !== now && (!now || w[by] < now[by] / 2)).toSorted(compareWays)
  const over =
    down === 'top'
      ? { down: 'bottom', face: 'underside' }
      : down === 'bottom'
        ? { down: 'top', face: 'top' }
        : null
  const other = ways.length > 0 ? best : over
  return other
    ? [
        {
          code: 'turned',
          facts: { face: other.face },
          changes: [
            {
              type: 'pieceDescribed',
              pieceId: piece.id,
              patch: { attitude: { ...piece.attitude, down: other.down } },
            },
          ],
        },
      ]
    : []
}

function placed(p: Float32Array, { x, y, z, origin: o }: Placement): Float32Array {
  const out = new Float32Array(p.length)
  for (let i = 0; i < p.length; i += 3) {
    const [a, b, c] = [p[i]!, p[i + 1]!, p[i + 2]!]
    for (const k of [0, 1, 2] as const) out[i + k] = x[k]! * a + y[k]! * b + z[k]! * c + o[k]!
  }
  return out
}

/** One form all round, open at the level of the fill. */
function inForm(cast: NamedMesh, low: number, high: number): Meeting {
  const { positions: p, triangles } = cast
  const open = high - Math.max(SAME, CROWN * (high - low))
  const [places, normals, areas]: [number[], number[], number[]] = [[], [], []]
  const [part, of]: [number[], number[]] = [[], []]
  for (let t = 0; t < triangles.length / 3; t += 1) {
    const [a, b, c] = [0, 1, 2].map((k): Vector => {
      const v = triangles[3 * t + k]! * 3
      return [p[v]!, p[v + 1]!, p[v + 2]!]
    }) as [Vector, Vector, Vector]
    const n = crossOf(a, b, c)
    const twice = lengthOf(...n)
    if (!(twice > 0)) continue
    places.push(...a, ...b, ...c)
    normals.push(n[0] / twice, n[1] / twice, n[2] / twice)
    areas.push(twice / 2)
    part.push(n[2] > 0 && Math.min(a[2], b[2], c[2]) > open ? -1 : 0)
    of.push(t)
  }
  // A crown of broad pieces is filled through those that meet at its highest point.
  if (!part.includes(-1))
    for (let i = 0; i < part.length; i += 1)
      if ([2, 5, 8].some((k) => places[9 * i + k]! > high - SAME) && normals[3 * i + 2]! > 0) part[i] = -1
  return {
    positions: Float32Array.from(places),
    normals: Float32Array.from(normals),
    areas: Float64Array.from(areas),
    part: Int16Array.from(part),
    triangle: Uint32Array.from(of),
    partIds: ['form'],
    cast,
    stands: () => 0,
  }
}
