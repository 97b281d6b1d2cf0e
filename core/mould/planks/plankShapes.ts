import type { FlatRegion, Placement, Point, Vector } from '../../geometry/index.ts'
import type { BoxChoice } from '../../job/index.ts'
import { SAW_TILT, type StripEnd, stripEnd } from '../boardBox/strips.ts'

/** What a flat face of the cast is in the pour: on the base, open at the top, or behind a plank. */
export type FaceStand = 'base' | 'open' | 'plank'

/** Along one edge of a plank: how far its inside and its outside face reach past the cast, and what it meets. */
export type PlankEdge = StripEnd & {
  /** The face beyond it. */
  readonly beside: number
  /** Whether that is the open top. */
  readonly topOpen: boolean
  /** Whether that lies on the base. */
  readonly onBase: boolean
  /** Angle between the two faces inside the concrete, degrees. */
  readonly angleDeg: number
  readonly lengthMm: number
}

/** The two faces of a plank in its own plane: x level, y up the plank, mm. */
export type PlankShape = {
  readonly face: number
  /** Its plane in the pour: z out of the concrete. */
  readonly by: Placement
  /** The face's own outline. */
  readonly cast: readonly (readonly Point[])[]
  /** Each ring of its inside face, and of its outside face, equal in points. */
  readonly inside: readonly (readonly Point[])[]
  readonly outside: readonly (readonly Point[])[]
  readonly edges: readonly (readonly PlankEdge[])[]
  /** Where its outside face closes before it is as thick as the board: how wide the gap is there, mm. */
  readonly closesMm: number | null
}

/** Faces within this of the top or the foot of the pour, and this near to level, are open or on the base. */
const [NEAR, LEVEL] = [0.1, 0.9995]

export function standOf(face: FlatRegion, height: number): FaceStand {
  if (face.normal[2] > LEVEL && face.centroid[2] > height - NEAR) return 'open'
  return face.normal[2] < -LEVEL && face.centroid[2] < NEAR ? 'base' : 'plank'
}

/** Which of two planks runs over the other's end. */
export type Covers = (face: number, other: number) => boolean

/**
 * Boards that run past at outside corners: those that face front and back, or those that face the ends; round and round
 * for a pinwheel. Of two that face alike the steeper runs past.
 */
export function coversOf(faces: readonly FlatRegion[], corners: BoxChoice['corners']): Covers {
  return (face, other) => {
    const [a, b] = [faces[face]!.normal, faces[other]!.normal]
    if (corners === 'pinwheel' && Math.abs(a[2]) < 0.7 && Math.abs(b[2]) < 0.7) {
      const turn = a[0] * b[1] - a[1] * b[0]
      if (Math.abs(turn) > 0.05) return turn > 0
    }
    const facing = ([x, y, z]: Vector): number => {
      if (Math.abs(z) > 0.999) return 3
      const [long, short] = corners === 'ends-long' ? [x, y] : [y, x]
      return Math.abs(long) >= Math.abs(short) - 1e-6 ? 0 : 1
    }
    const [p, q] = [facing(a), facing(b)]
    if (p !== q) return p < q
    const steeper = Math.abs(b[2]) - Math.abs(a[2])
    return Math.abs(steeper) > 1e-6 ? steeper > 0 : face < other
  }
}

/**
 * A plank for a face: at the base and at the open top cut along their planes, at outside corners over its neighbour's
 * end or under it, mitred where both face alike and a saw can; at inside corners mitred, so that no raw edge faces the
 * concrete.
 */
export function plankShape(
  faces: readonly FlatRegion[],
  face: number,
  stands: readonly FaceStand[],
  thickness: number,
  covers: Covers,
): PlankShape {
  const own = faces[face]!
  const by = planeOf(own)
  const flat = ([x, y, z]: Vector): Point => {
    const [px, py, pz] = [x - by.origin[0], y - by.origin[1], z - by.origin[2]]
    return [px * by.x[0] + py * by.x[1] + pz * by.x[2], px * by.y[0] + py * by.y[1] + pz * by.y[2]]
  }
  const cast = own.loops.map((loop) => loop.map((c) => flat(c.at)))
  const edges = own.loops.map((loop) =>
    loop.map((corner, i): PlankEdge => {
      const to = loop[(i + 1) % loop.length]!.at
      const along: Vector = [to[0] - corner.at[0], to[1] - corner.at[1], to[2] - corner.at[2]]
      const angleDeg = angleBetween(own.normal, faces[corner.beside]!.normal, along)
      const kind = endKind(
        angleDeg,
        stands[corner.beside]!,
        jointOf(faces, face, corner.beside, stands, covers),
        covers(face, corner.beside) ? 'over' : 'under',
      )
      return {
        ...stripEnd(kind, angleDeg, thickness, thickness),
        beside: corner.beside,
        topOpen: stands[corner.beside] === 'open',
        onBase: stands[corner.beside] === 'base',
        angleDeg,
        lengthMm: Math.hypot(...along),
      }
    }),
  )
  const rings = (way: 'inside' | 'outside') =>
    cast.map((ring, k) =>
      offsetRing(
        ring,
        edges[k]!.map((e) => e[way]),
      ),
    )
  const [inside, outside] = [rings('inside'), rings('outside')]
  const closed = cast.flatMap((ring, k) => closing(ring, inside[k]!, outside[k]!, edges[k]!))
  return {
    face,
    by,
    cast,
    inside,
    outside,
    edges,
    closesMm: closed.length > 0 ? Math.min(...closed) : null,
  }
}

function endKind(
  angleDeg: number,
  beside: FaceStand,
  joint: 'over' | 'under' | 'mitre',
  sharp: 'over' | 'under',
): StripEnd['kind'] {
  if (beside !== 'plank') return 'under'
  if (angleDeg > 180) return 'mitre'
  if (joint !== 'mitre') return joint
  // Sharper than a saw tilts: one runs past the other.
  return Math.abs(90 - angleDeg / 2) <= SAW_TILT ? 'mitre' : sharp
}

/**
 * How a plank meets another at an outside corner. One that meets a third at an inside corner beside their joint cannot run
 * past it: the other does, and where neither can both are mitred.
 */
function jointOf(
  faces: readonly FlatRegion[],
  face: number,
  other: number,
  stands: readonly FaceStand[],
  covers: Covers,
): 'over' | 'under' | 'mitre' {
  if (alike(faces[face]!, faces[other]!)) return 'mitre'
  const [own, theirs] = [turnsIn(faces, face, other, stands), turnsIn(faces, other, face, stands)]
  if (own && theirs) return 'mitre'
  if (own || theirs) return own ? 'under' : 'over'
  return covers(face, other) ? 'over' : 'under'
}

/** Whether a plank meets a third at an inside corner beside its joint with another: past the joint it would stand there. */
function turnsIn(
  faces: readonly FlatRegion[],
  face: number,
  other: number,
  stands: readonly FaceStand[],
): boolean {
  return faces[face]!.loops.some((loop) => {
    const n = loop.length
    const inside = (i: number): boolean => {
      const [corner, next] = [loop[(i + n) % n]!, loop[(i + 1 + n) % n]!]
      if (stands[corner.beside] !== 'plank') return false
      const along: Vector = [next.at[0] - corner.at[0], next.at[1] - corner.at[1], next.at[2] - corner.at[2]]
      return angleBetween(faces[face]!.normal, faces[corner.beside]!.normal, along) > 180.5
    }
    return loop.some((c, i) => c.beside === other && (inside(i - 1) || inside(i + 1)))
  })
}

/** Both on one side profile: neither has a reason to run past the other. */
const alike = (a: FlatRegion, b: FlatRegion): boolean => {
  const across = ([x, y, z]: Vector) =>
    Math.abs(z) > 0.999 ? '' : Math.abs(x) < 1e-3 ? 'x' : Math.abs(y) < 1e-3 ? 'y' : ''
  const [p, q] = [across(a.normal), across(b.normal)]
  return p === q && p !== ''
}

/** Angle between two faces inside the solid, degrees, at an edge walked with the first on its left as seen from outside. */
function angleBetween(a: Vector, b: Vector, along: Vector): number {
  const cross: Vector = [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
  const length = Math.hypot(...along) || 1
  const sin = (cross[0] * along[0] + cross[1] * along[1] + cross[2] * along[2]) / length
  const cos = a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  return 180 - (Math.atan2(sin, cos) * 180) / Math.PI
}

/** The plane of a face: x level to the right as seen from outside, y up it; of a level face x along the piece. */
function planeOf({ normal: z, loops }: FlatRegion): Placement {
  const level = Math.hypot(z[0], z[1])
  const x: Vector = level > 1e-6 ? [-z[1] / level, z[0] / level, 0] : [1, 0, 0]
  const y: Vector = [z[1] * x[2] - z[2] * x[1], z[2] * x[0] - z[0] * x[2], z[0] * x[1] - z[1] * x[0]]
  return { x, y, z, origin: loops[0]![0]!.at }
}

/**
 * A ring with each side moved out square to itself, corners where the moved sides meet; where two sides run on in one
 * line a step of two points, so that both faces of a plank have equal counts.
 */
export function offsetRing(ring: readonly Point[], by: readonly number[]): Point[] {
  const n = ring.length
  const way = ring.map((a, i): Point => {
    const b = ring[(i + 1) % n]!
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
    return [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
  })
  return ring.flatMap((at, i): Point[] => {
    const before = (i + n - 1) % n
    const [u, v] = [way[before]!, way[i]!]
    // Outward is to the right of the way round.
    const moved = (w: Point, d: number): Point => [at[0] + w[1] * d, at[1] - w[0] * d]
    const [p, q] = [moved(u, by[before]!), moved(v, by[i]!)]
    const turn = u[0] * v[1] - u[1] * v[0]
    if (Math.abs(turn) < 1e-4) return [p, q]
    const s = ((q[0] - p[0]) * v[1] - (q[1] - p[1]) * v[0]) / turn
    return [[p[0] + u[0] * s, p[1] + u[1] * s]]
  })
}

/** Sides that run backward once they are moved: the hollow behind them is narrower than its boards. Its width there, mm. */
function closing(
  cast: readonly Point[],
  inside: readonly Point[],
  outside: readonly Point[],
  edges: readonly PlankEdge[],
): number[] {
  if (inside.length !== cast.length) return []
  return cast.flatMap((a, i): number[] => {
    const n = cast.length
    const b = cast[(i + 1) % n]!
    const [p, q] = [outside[i]!, outside[(i + 1) % n]!]
    const along = (q[0] - p[0]) * (b[0] - a[0]) + (q[1] - p[1]) * (b[1] - a[1])
    return along > 0 ? [] : [edges[i]!.lengthMm]
  })
}
