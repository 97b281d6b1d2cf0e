import type { NamedMesh } from '../meshSolid.ts'
import type { Vector } from '../recipe.ts'
import { type Ball, type BallFinder, ballInside } from './ballInside.ts'
import { type Spot, spread } from './spread.ts'
import { type Surface, surfaceOf } from './surface.ts'

/** How thick a solid is at a point of its surface: the largest ball inside it that touches it there. */
export type ThicknessSample = {
  readonly at: Vector
  /** Out of the solid. */
  readonly normal: Vector
  /** Diameter of the ball, mm. */
  readonly thickness: number
  readonly face: string
  /** What the ball touches on its other side. */
  readonly across: string
  /** Whether what it touches faces it; else the value is the nearest that is. */
  readonly counted: boolean
  /** Between its two contacts, seen from the middle of the ball: 180 across a wall, 180 less the angle of a wedge. */
  readonly facingDeg: number
  /** Of the surface it stands for, mm2; 0 of one that was looked for beside the others. */
  readonly area: number
}

export type ThicknessWay = {
  /** Between points, mm. */
  readonly spacing: number
  /** Triangles looked at in all, about: of a fine round each ball takes many, and there are fewer. No bound where left out. */
  readonly budget?: number
  /** Points on the smallest face, 1 where left out. */
  readonly leastAFace?: number
  /** Walls that are followed to their thinnest, 0 where left out. */
  readonly followed?: number
  readonly shouldStop?: () => boolean
  /** How far it is, 0 to 1. */
  readonly onProgress?: (share: number) => void
}

/** Surfaces that face each other by less than this are one corner, not a wall, degrees. */
const OPPOSED = 120
/** Faces that lean together by more than 30 degrees are an edge, as the arm of a star is, and no wall [own]. */
export const WALL = 150

/**
 * Samples of a closed mesh, each with the largest ball inside that touches the surface there. A ball counts where what
 * it touches faces it by more than 120 degrees. Where a corner holds it, as beside a square edge, the way straight
 * through counts, between faces that lie opposite with room for a ball elsewhere; else the nearest that counts, or its
 * own ball if that is larger. Where none counts, as in a cube, all take the largest ball. From the thinnest walls it
 * walks on to where they are thinner still. A square-edged slab of 40 reads 40 everywhere.
 */
export function sampleThickness(mesh: NamedMesh, way: ThicknessWay): ThicknessSample[] {
  const surface = surfaceOf(mesh)
  const balls = ballInside(surface)
  const ball = balls.find
  const { faceNames, faceOfTriangle } = mesh
  const nameOf = (triangle: number): string => faceNames[faceOfTriangle[triangle]!]!
  const found: Found[] = []
  const spots = [...spread(surface, spacingFor(surface, balls, way), way.leastAFace ?? 1)]
  for (const [i, spot] of spots.entries()) {
    if (i % 32 === 0) {
      if (way.shouldStop?.()) return []
      way.onProgress?.(i / spots.length)
    }
    const own = ball(spot[0], spot[1], spot[2])
    if (own) found.push({ sample: told(own, nameOf, spot), ball: own, spot })
  }
  const walls = new Set(
    found.flatMap(({ sample: s }) => (s.counted && s.facingDeg > WALL ? [pairOf(s)] : [])),
  )
  const broad = broadness(surface)
  const through = (f: Found) => straight(f, nameOf, walls, broad)
  const counted = found.filter((f) => f.sample.counted).map((f) => f.sample)
  const judged = found.map((f): Found => {
    if (f.sample.counted) return f
    const near = nearestOf(f.sample, counted)
    const own = through(f)
    if (own && (!near || own.thickness < near.thickness)) return { ...f, sample: own }
    // A ball that is larger than what is near shows that there is more.
    return near && near.thickness > f.sample.thickness
      ? { ...f, sample: { ...f.sample, thickness: near.thickness, across: near.across } }
      : f
  })
  const take = (spot: Spot): Found | null => {
    const own = ball(spot[0], spot[1], spot[2])
    if (!own) return null
    const bare = { sample: told(own, nameOf, spot), ball: own, spot }
    const sample = bare.sample.counted ? bare.sample : through(bare)
    if (!sample) return null
    const made = { ...bare, sample }
    judged.push(made)
    return made
  }
  const spent = () => balls.looked() > SPENT * (way.budget ?? Infinity)
  follow(surface, [...judged], take, way.followed ?? 0, spent)
  const samples = judged.map((f) => f.sample)
  if (counted.length > 0) return samples
  const largest = samples.reduce((most, s) => Math.max(most, s.thickness), 0)
  return samples.map((s) => ({ ...s, thickness: largest }))
}

/** The sample of those that count that lies nearest. */
function nearestOf({ at }: ThicknessSample, counted: readonly ThicknessSample[]): ThicknessSample | null {
  let [best, near]: [number, ThicknessSample | null] = [Infinity, null]
  for (const c of counted) {
    const away = (c.at[0] - at[0]) ** 2 + (c.at[1] - at[1]) ** 2 + (c.at[2] - at[2]) ** 2
    if (away < best) [best, near] = [away, c]
  }
  return near
}

/** Balls tried to see what one takes. */
const TRIED = 24

/** The spacing asked for, or a wider one where a ball takes so much work that the budget holds for fewer. */
function spacingFor(
  surface: Surface,
  { find, looked }: BallFinder,
  { spacing, budget }: ThicknessWay,
): number {
  if (budget === undefined) return spacing
  const area = surface.areas.reduce((sum, a) => sum + a, 0)
  let tried = 0
  for (const [t, u, v] of spread(surface, Math.sqrt(area / TRIED), 1)) {
    find(t, u, v)
    tried += 1
    if (tried === TRIED) break
  }
  const each = looked() / Math.max(1, tried)
  return Math.max(spacing, Math.sqrt((area * each) / budget))
}

type Found = { readonly sample: ThicknessSample; readonly ball: Ball; readonly spot: Spot }

const told = (ball: Ball, nameOf: (triangle: number) => string, spot: Spot): ThicknessSample => ({
  at: ball.at,
  normal: ball.normal,
  thickness: ball.diameter,
  face: nameOf(spot[0]),
  across: nameOf(ball.contact),
  counted: ball.facingDeg > OPPOSED,
  facingDeg: ball.facingDeg,
  area: spot[3],
})

const pairOf = ({ face, across }: Pick<ThicknessSample, 'face' | 'across'>): string =>
  [face, across].sort().join('|')

/** The way straight through; null unless it goes between faces that are a wall elsewhere. */
function straight(
  { sample, ball: { through } }: Found,
  nameOf: (triangle: number) => string,
  walls: ReadonlySet<string>,
  broad: (face: string) => number,
): ThicknessSample | null {
  const across = nameOf(through.contact)
  const { face } = sample
  if (through.facingDeg <= WALL) return null
  const slope = through.facingDeg > NEARLY && Math.min(broad(face), broad(across)) > through.distance / 2
  if (!slope && !walls.has(pairOf({ face, across }))) return null
  return { ...sample, thickness: through.distance, across, counted: true, facingDeg: through.facingDeg }
}

/** Faces that are nearly parallel, as a slope along an edge is to the underside, degrees. */
const NEARLY = 170

/** How broad a flat face is across its narrow way, mm; 0 of one that is not flat: as broad as a ball, it is a wall and no edge. */
function broadness({ mesh, count, normals, pointAt }: Surface): (face: string) => number {
  const faces = mesh.faceNames.map(() => ({
    normal: null as Vector | null,
    flat: true,
    min: [Infinity, Infinity, Infinity],
    max: [-Infinity, -Infinity, -Infinity],
  }))
  for (let t = 0; t < count; t += 1) {
    const face = faces[mesh.faceOfTriangle[t]!]!
    const [x, y, z] = [normals[3 * t]!, normals[3 * t + 1]!, normals[3 * t + 2]!]
    if (x === 0 && y === 0 && z === 0) continue
    if (!face.normal) face.normal = [x, y, z]
    else if (face.normal[0] * x + face.normal[1] * y + face.normal[2] * z < FLAT) face.flat = false
    for (const at of [pointAt(t, 0, 0), pointAt(t, 1, 0), pointAt(t, 0, 1)])
      for (let k = 0; k < 3; k += 1) {
        face.min[k] = Math.min(face.min[k]!, at[k]!)
        face.max[k] = Math.max(face.max[k]!, at[k]!)
      }
  }
  const breadth = new Map(
    mesh.faceNames.map((name, i) => {
      const { flat, min, max } = faces[i]!
      const extents = max.map((m, k) => m - min[k]!).sort((a, b) => b - a)
      return [name, flat ? extents[1]! : 0]
    }),
  )
  return (face) => breadth.get(face) ?? 0
}
/** Normals within this are one plane's, as a cosine. */
const FLAT = 1 - 1e-6

/** So near a corner of a triangle is looked at, as a share of its edges; and so many steps are walked at most. */
const [CORNER, WALKED] = [0.002, 12]

/** From the thinnest walls found, from each face of a pair, to the corners of their triangles and on to the next, while it gets thinner. */
function follow(
  surface: Surface,
  counted: readonly Found[],
  take: (spot: Spot) => Found | null,
  most: number,
  spent: () => boolean,
): void {
  const starts = new Map<string, Found>()
  for (const found of counted) {
    const { counted: counts, thickness, facingDeg } = found.sample
    if (!counts || facingDeg <= WALL) continue
    const key = `${found.sample.face}|${found.sample.across}`
    const known = starts.get(key)
    if (!known || thickness < known.sample.thickness) starts.set(key, found)
  }
  const thinnest = [...starts.values()].sort((a, b) => a.sample.thickness - b.sample.thickness).slice(0, most)
  for (const start of thinnest) {
    if (spent()) return
    let here = start
    const seen = new Set<number>()
    for (let step = 0; step < WALKED; step += 1) {
      const [triangle] = here.spot
      const beside = new Set<number>([triangle])
      for (let k = 0; k < 3; k += 1) for (const t of surface.around(triangle, k)) beside.add(t)
      let best = here
      for (const t of [...beside].slice(0, 12)) {
        if (seen.has(t)) continue
        seen.add(t)
        for (const [u, v] of CORNERS) {
          const next = take([t, u, v, 0])
          if (next && next.sample.facingDeg > WALL && next.sample.thickness < THINNER * best.sample.thickness)
            best = next
        }
      }
      if (best === here) break
      here = best
    }
  }
}
/** Times its budget at which no more walls are followed. */
const SPENT = 1.5
/** A step is worth walking where it gets thinner by half a percent. */
const THINNER = 0.995
const CORNERS = [
  [CORNER, CORNER],
  [1 - 2 * CORNER, CORNER],
  [CORNER, 1 - 2 * CORNER],
] as const
