import {
  type Kernel,
  lengthOf,
  offsetRegion,
  type Point,
  type Region,
  type SolidRecipe,
  solidThrough,
  type Vector,
} from '../../geometry/index.ts'
import type { SideId, SlabPiece } from '../../job/index.ts'
import { outlinePath, type PieceGeometry } from '../../piece/index.ts'
import type { Mesh } from '../../stock/index.ts'
import { bentLength } from '../bars/bentLength.ts'
import { clipAlong } from '../bars/clipAlong.ts'
import { castIn } from '../castIn.ts'

/** Nearer to a face than this no wire may lie, mm. */
const LEAST_COVER = 10

/** A strip of mesh bent along the corner where an apron hangs from its slab. */
export type ApronStrip = {
  readonly side: SideId
  /** Along the apron; what lies on the mat and what hangs in the apron, from the bend; what is cut before it is bent, mm. */
  readonly length: number
  readonly lies: number
  readonly hangs: number
  readonly cutWidth: number
  /** The wires that are bent, and those along the side, as placed. */
  readonly bent: readonly (readonly Vector[])[]
  readonly along: readonly (readonly [Vector, Vector])[]
  readonly totalLength: number
}

export type ApronSteel = {
  readonly strips: readonly ApronStrip[]
  /** Sides whose apron has no room for one. */
  readonly bare: readonly SideId[]
}

/**
 * Strips for the straight aprons of a slab: each lies on its mat for a lap, turns down in the middle of the apron and ends
 * its cover above the foot. `region` is where the mat runs.
 */
export function apronStrips(
  kernel: Kernel,
  piece: SlabPiece,
  geometry: PieceGeometry,
  region: Region,
  mesh: Mesh,
  { cover, height, lap }: { readonly cover: number; readonly height: number; readonly lap: number },
): ApronSteel {
  // What is cast in counts as a hole: no wire runs through a pipe.
  const inside = castIn(geometry)
  const recipe: SolidRecipe | null =
    geometry.recipe && inside.length > 0
      ? { kind: 'difference', from: geometry.recipe, minus: inside }
      : geometry.recipe
  const corners = outlinePath(piece.outline)
  const strips: ApronStrip[] = []
  const bare: SideId[] = []
  corners.forEach((corner, i) => {
    const apron = piece.sides[corner.side]?.apron
    // What hangs less than it is thick is no apron that breaks.
    if (!apron || !recipe || apron.drop < apron.thickness) return
    const next = corners[(i + 1) % corners.length]!
    const strip =
      corner.run.kind === 'line'
        ? stripOf([corner.x, corner.y], [next.x, next.y], corner.side, apron, dripOf(piece, corner.side))
        : null
    if (strip) strips.push(strip)
    else bare.push(corner.side)
  })
  return { strips, bare }

  function stripOf(
    a: Point,
    b: Point,
    side: SideId,
    apron: { readonly drop: number; readonly thickness: number },
    /** A drip groove in its foot, so deep. */
    drip: number,
  ): ApronStrip | null {
    const run = lengthOf(b[0] - a[0], b[1] - a[1], 0)
    const way: Point = [(b[0] - a[0]) / run, (b[1] - a[1]) / run]
    // The plan runs anticlockwise: inside is on the left.
    const into: Point = [-way[1], way[0]]
    const low = cover + drip - apron.drop
    const inApron = [cover, LEAST_COVER]
      .map((c) =>
        offsetRegion(
          kernel,
          solidThrough(kernel, recipe!, low - c, Math.min(0, height)),
          -(c + mesh.wire),
          'mitre',
        ),
      )
      .find((r) => hasAny(r, a, way, into, run, apron.thickness))
    if (!inApron) return null
    // The wires of the strip lie under the mat's, in the depth that the apron gives.
    const at = height - 1.5 * mesh.wire
    const point = (s: number, d: number): Point => [
      a[0] + way[0] * s + into[0] * d,
      a[1] + way[1] * s + into[1] * d,
    ]
    const hangsAt = middleOf(inApron, point(run / 2, apron.thickness / 2), into, apron.thickness)
    if (hangsAt === null) return null
    const span = clipAlong(inApron, point(run / 2, hangsAt), way)
    if (!span) return null
    const [first, last] = [run / 2 + span.from, run / 2 + span.to]
    const count = Math.floor((last - first) / mesh.spacing + 1e-9) + 1
    const start = (first + last - (count - 1) * mesh.spacing) / 2
    const bent: Vector[][] = []
    let lies = 0
    for (let k = 0; k < count; k += 1) {
      const s = start + k * mesh.spacing
      const reach = clipAlong(region, point(s, hangsAt), into)
      const hold = clipAlong(inApron, point(s, hangsAt), into)
      if (!reach || !hold) continue
      const to = Math.min(lap, reach.to)
      lies = Math.max(lies, to)
      const [p, q] = [point(s, hangsAt + to), point(s, hangsAt)]
      bent.push([
        [p[0], p[1], at],
        [q[0], q[1], at],
        [q[0], q[1], low],
      ])
    }
    if (bent.length < 2 || lies < mesh.spacing) return null
    const hangs = at - low
    const along: [Vector, Vector][] = []
    const wire = (d: number, z: number, within: Region) => {
      const found = clipAlong(within, point(run / 2, d), way)
      if (!found) return
      const [p, q] = [point(run / 2 + found.from, d), point(run / 2 + found.to, d)]
      along.push([
        [p[0], p[1], z],
        [q[0], q[1], z],
      ])
    }
    for (let z = low; z < at + 1e-6; z += mesh.spacing) wire(hangsAt, z, inApron)
    for (let d = mesh.spacing; d < lies + 1e-6; d += mesh.spacing) wire(hangsAt + d, at, region)
    const lengths = (lines: readonly (readonly Vector[])[]) =>
      lines.reduce((sum, path) => sum + bentLength(path, false, mesh.wire), 0)
    return {
      side,
      length: last - first,
      lies,
      hangs,
      cutWidth: Math.max(...bent.map((path) => bentLength(path, false, mesh.wire))),
      bent,
      along,
      totalLength: lengths(bent) + lengths(along),
    }
  }
}

const dripOf = (piece: SlabPiece, side: SideId): number => piece.sides[side]!.drip?.depth ?? 0

/** How far in from a side the middle of its apron is, as it is there; null where there is none. */
function middleOf(region: Region, [x, y]: Point, into: Point, thickness: number): number | null {
  const span = clipAlong(region, [x, y], into, thickness / 2)
  return span ? thickness / 2 + (span.from + span.to) / 2 : null
}

const hasAny = (region: Region, a: Point, way: Point, into: Point, run: number, thickness: number): boolean =>
  middleOf(
    region,
    [
      a[0] + (way[0] * run) / 2 + (into[0] * thickness) / 2,
      a[1] + (way[1] * run) / 2 + (into[1] * thickness) / 2,
    ],
    into,
    thickness,
  ) !== null
