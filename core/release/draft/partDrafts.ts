import {
  between,
  dot,
  hullOf,
  isWithinHull,
  type Point,
  squareTo,
  type Vector,
} from '../../geometry/index.ts'
import type { Meeting } from './meetMould.ts'

/** How the faces of one part stand to the way it leaves by. */
export type PartDraft = {
  readonly partId: string
  /** Of it that meets the cast, mm2. */
  readonly meetsMm2: number
  /** The least angle between its faces and its way, degrees: below 0 it runs into the cast. Null where it meets none. */
  readonly leastDeg: number | null
  /** Wanted for so deep a grip; 0 where nothing grips it from two sides. */
  readonly wantedDeg: number
  /** How far along its way it is gripped, mm. */
  readonly gripMm: number
  /** Gripped with less than is wanted, mm2. */
  readonly shortMm2: number
  /** Runs into the cast as soon as it moves, mm2. */
  readonly lockedMm2: number
  /** How deep concrete stands all round it, or it all round the concrete, so that no air comes in from a side; 0 where air does, mm. */
  readonly closedMm: number
  /** Of what it covers seen along its way, what lies inside that closing wall: there nothing lets air in but a hole, mm2. */
  readonly closedCoversMm2: number
  /** The place on the cast nearest the middle of that, as poured; null of nothing. */
  readonly closedAt: Vector | null
  /** What it covers seen along its way, mm2: what holds it by suction and bond. */
  readonly coversMm2: number
}

/** Draft wanted for a grip so deep, degrees; deeper than all of them the most. */
const WANTED = [
  { under: 25, deg: 1 },
  { under: 100, deg: 2 },
] as const
/** A face is parallel to the way within this, and runs against it from there, degrees: what single precision leaves. */
const LEVEL = 0.02
/** Pieces smaller than this have no direction worth telling, mm2. */
const SPECK = 0.01
/** The steepest faces of a part that come to less than this share of it, or so much, are what chords leave, mm2. */
const [CHORDS, SLIVER] = [0.005, 1]
/** So little short of what is wanted is not told, degrees [own]. */
const NEARLY = 0.25
/** A part is gripped where so much of what stands steep to its way is: a round that opens by itself is not [own]. */
const [STEEP, GRIPS] = [30, 0.4]
/** Faces that look apart by as much grip what stands between them, as a cosine: 115 degrees. */
const OPPOSED = Math.cos((115 * Math.PI) / 180)
/** Directions round the way that faces are gathered in. */
const ROUND = 48

const MOST_WANTED = 3
export const draftWanted = (gripMm: number): number =>
  WANTED.find((w) => gripMm < w.under)?.deg ?? MOST_WANTED

/** The angle between a face and the way of the part behind it, degrees: 90 where it leaves square off the face. */
export const draftOf = (n: Vector, way: Vector): number =>
  (Math.asin(Math.max(-1, Math.min(1, n[0] * way[0] + n[1] * way[1] + n[2] * way[2]))) * 180) / Math.PI

type Face = { readonly i: number; readonly deg: number }
type Grip = {
  readonly gripMm: number
  readonly faces: ReadonlySet<number>
  readonly closedMm: number
  /** Corners of what stands round it, where that closes. */
  readonly walls: readonly Vector[]
}

/**
 * The draft of every part along its way. Only what is gripped wants any: faces nearly parallel to the way that look at
 * each other, or away from each other, across the part; `asOne` names what it leaves with as one body, if anything.
 */
export function partDrafts(
  meeting: Meeting,
  wayOf: (partId: string) => Vector,
  asOne: (partId: string) => string = (partId) => partId,
): PartDraft[] {
  const { partIds, part, areas, normals, positions } = meeting
  const sum = (of: readonly Face[]): number => of.reduce((all, { i }) => all + areas[i]!, 0)
  const normal = (i: number): Vector => [normals[3 * i]!, normals[3 * i + 1]!, normals[3 * i + 2]!]
  const ways = partIds.map(wayOf)
  const met = partIds.map((): Face[] => [])
  part.forEach((at, i) => {
    if (at >= 0) met[at]!.push({ i, deg: draftOf(normal(i), ways[at]!) })
  })
  const bodies = new Map<string, number[]>()
  partIds.forEach((id, at) => {
    const key = asOne(id)
    const body = bodies.get(key)
    if (body) body.push(at)
    else bodies.set(key, [at])
  })
  const held = new Map(
    [...bodies].map(([key, of]) => [
      key,
      grip(
        of.flatMap((at) => met[at]!),
        ways[of[0]!]!,
      ),
    ]),
  )
  return partIds.map((partId, at) => {
    const own = met[at]!
    const area = sum(own)
    const { gripMm, faces, closedMm, walls } = held.get(asOne(partId))!
    const wantedDeg = faces.size > 0 ? draftWanted(gripMm) : 0
    const rest = Math.max(SLIVER, CHORDS * area)
    const lockedMm2 = sum(own.filter(({ deg }) => deg < -LEVEL))
    return {
      partId,
      meetsMm2: area,
      leastDeg: leastOf(
        own.map(({ i, deg }) => ({ deg, area: areas[i]! })),
        rest,
      ),
      wantedDeg,
      gripMm,
      closedMm,
      ...coveredInside(closedMm > 0 ? own : [], walls, ways[at]!),
      shortMm2: sum(own.filter(({ i, deg }) => faces.has(i) && deg < wantedDeg - NEARLY)),
      lockedMm2: lockedMm2 > rest ? lockedMm2 : 0,
      coversMm2: own.reduce(
        (all, { i, deg }) => all + Math.max(0, Math.sin((deg * Math.PI) / 180)) * areas[i]!,
        0,
      ),
    }
  })

  /** The faces by which a body is gripped, and how far along its way they reach. */
  function grip(of: readonly Face[], way: Vector): Grip {
    const across = squareTo(way)
    const standing = of.filter(({ i, deg }) => areas[i]! > SPECK && deg < STEEP)
    const isClosed = allRound(
      standing.map(({ i }) => normal(i)),
      across,
    )
    const closed = {
      closedMm: isClosed ? reach(standing, way) : 0,
      // Corners, not middles: of a long wall the middle says little.
      walls: isClosed ? standing.flatMap(({ i }) => [0, 3, 6].map((k) => place(9 * i + k))) : [],
    }
    const steep = standing.filter(({ deg }) => deg < MOST_WANTED - LEVEL)
    const gripping = gripped(
      steep.map(({ i }) => normal(i)),
      across,
    )
    const round = steep.filter((_, k) => gripping[k])
    if (sum(round) <= Math.max(SLIVER, GRIPS * sum(of.filter(({ deg }) => deg < STEEP))))
      return { gripMm: 0, faces: new Set<number>(), ...closed }
    return { gripMm: reach(round, way), faces: new Set(round.map(({ i }) => i)), ...closed }
  }

  function place(at: number): Vector {
    return [positions[at]!, positions[at + 1]!, positions[at + 2]!]
  }

  /** Of what some faces cover seen along a way, what lies inside walls that stand round it, mm2, and its middle. */
  function coveredInside(
    own: readonly Face[],
    walls: readonly Vector[],
    way: Vector,
  ): Pick<PartDraft, 'closedCoversMm2' | 'closedAt'> {
    const [u, v] = squareTo(way)
    const flat = (p: Vector): Point => [dot(p, u), dot(p, v)]
    const ring = hullOf(walls.map(flat))
    const inside = own.flatMap(({ i, deg }) => {
      if (deg <= STEEP) return []
      const [a, b, c] = [0, 3, 6].map((k) => place(9 * i + k)) as [Vector, Vector, Vector]
      const at = between(a, between(b, c, 0.5), 2 / 3)
      return isWithinHull(flat(at), ring)
        ? [
            {
              at,
              flat: flat(at),
              corners: [a, b, c].map(flat),
              mm2: Math.sin((deg * Math.PI) / 180) * areas[i]!,
            },
          ]
        : []
    })
    const mm2 = inside.reduce((sum, f) => sum + f.mm2, 0)
    if (mm2 === 0) return { closedCoversMm2: 0, closedAt: null }
    const [x, y] = [0, 1].map((k) => inside.reduce((sum, f) => sum + f.flat[k]! * f.mm2, 0) / mm2)
    const middle: Point = [x!, y!]
    const off = (f: (typeof inside)[number]) => Math.hypot(f.flat[0] - x!, f.flat[1] - y!)
    // The middle itself where it lies on what is covered: a ring has nothing there.
    const on = inside.find((f) => isWithinHull(middle, hullOf(f.corners)))
    const near = on ?? inside.reduce((best, f) => (off(f) < off(best) ? f : best))
    const [dx, dy] = on ? [x! - on.flat[0], y! - on.flat[1]] : [0, 0]
    return {
      closedCoversMm2: mm2,
      closedAt: [0, 1, 2].map((k) => near.at[k]! + dx * u[k]! + dy * v[k]!) as unknown as Vector,
    }
  }

  /** How far some faces reach along a way, mm. */
  function reach(of: readonly Face[], way: Vector): number {
    let [low, high] = [Infinity, -Infinity]
    for (const { i } of of)
      for (const k of [0, 3, 6]) {
        const [x, y, z] = positions.subarray(9 * i + k, 9 * i + k + 3)
        const along = dot([x!, y!, z!], way)
        low = Math.min(low, along)
        high = Math.max(high, along)
      }
    return high - low
  }
}

/** The least of some angles, but for so much area that has still less. */
function leastOf(faces: { readonly deg: number; readonly area: number }[], rest: number): number | null {
  let left = rest
  for (const { deg, area } of faces.toSorted((a, b) => a.deg - b.deg)) {
    left -= area
    if (left <= 0) return deg
  }
  return null
}

/** The widest gap between the ways that faces look in, seen along the way, of a body that is closed all round: 165 degrees, in bins. */
const GAP = Math.floor((165 / 360) * ROUND)

/** Whether some faces look all round, seen along the way. */
function allRound(normals: readonly Vector[], across: readonly [Vector, Vector]): boolean {
  const there = [...new Set(normals.map((n) => binOf(n, across)))]
    .filter((b) => b !== null)
    .sort((a, b) => a - b)
  return there.length > 2 && there.every((b, i) => (there[i + 1] ?? there[0]! + ROUND) - b <= GAP)
}

/** The direction a face looks in, seen along the way: null of one that looks along it. */
function binOf(n: Vector, [u, v]: readonly [Vector, Vector]): number | null {
  const [x, y] = [dot(n, u), dot(n, v)]
  return x * x + y * y < 0.25 ? null : Math.round((Math.atan2(y, x) / (2 * Math.PI)) * ROUND + ROUND) % ROUND
}

/** Which of some faces have another that looks the other way, seen along the way. */
function gripped(normals: readonly Vector[], across: readonly [Vector, Vector]): boolean[] {
  const bins = normals.map((n) => binOf(n, across))
  const there = new Set(bins)
  const faced = Array.from({ length: ROUND }, (_, b) =>
    [...there].some((o) => o !== null && Math.cos(((o - b) * 2 * Math.PI) / ROUND) <= OPPOSED),
  )
  return bins.map((b) => b !== null && faced[b]!)
}
