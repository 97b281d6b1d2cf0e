import type { Placement, SolidRecipe, Vector } from '../../geometry/index.ts'
import type { Insert } from '../../job/index.ts'
import { onFace } from '../frames.ts'
import type { FlatFace } from '../types.ts'

/** Densities of what is cast in, kg/m3. */
export const INSERT_KG_PER_M3: Readonly<Record<Insert['material'], number>> = {
  steel: 7850,
  stainless: 7900,
  brass: 8500,
  copper: 8960,
  pvc: 1400,
  aluminium: 2700,
}

export type InsertAxis = {
  readonly start: Vector
  /** Unit, into the piece. */
  readonly into: Vector
  readonly inside: number
  readonly past: number
}

/** Where an insert's axis runs; one that goes through is as long as the piece is deep that way. */
export function insertAxis(insert: Insert, face: FlatFace, deep: number): InsertAxis {
  const { x, y, z } = face.frame
  const [tilt, toward] = [(insert.tiltDeg * Math.PI) / 180, (insert.tiltTowardDeg * Math.PI) / 180]
  const along = (k: 0 | 1 | 2) =>
    -z[k] * Math.cos(tilt) + (x[k] * Math.cos(toward) + y[k] * Math.sin(toward)) * Math.sin(tilt)
  return {
    start: onFace(face.frame, insert.u, insert.v),
    into: [along(0), along(1), along(2)],
    inside: insert.depth ?? deep / Math.cos(tilt),
    past: insert.past,
  }
}

/** A placement whose z runs along `into` from `start`. */
export function axisPlacement(start: Vector, into: Vector): Placement {
  const helper: Vector = Math.abs(into[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0]
  const cross = (a: Vector, b: Vector): Vector => [
    a[1] * b[2] - a[2] * b[1],
    a[2] * b[0] - a[0] * b[2],
    a[0] * b[1] - a[1] * b[0],
  ]
  const raw = cross(helper, into)
  const length = Math.hypot(...raw)
  const x: Vector = [raw[0] / length, raw[1] / length, raw[2] / length]
  return { x, y: cross(into, x), z: into, origin: start }
}

/**
 * The whole insert as a round bar in place: what stands past the face and what is in the concrete. A leaning bar begins
 * far enough outside for the face to cut its whole round.
 */
export function insertRecipe(insert: Insert, axis: InsertAxis): SolidRecipe {
  const name = `insert/${insert.id}`
  const r = insert.diameter / 2
  const skew = r * Math.tan((Math.abs(insert.tiltDeg) * Math.PI) / 180)
  const low = -Math.max(axis.past, skew)
  const high = axis.inside + (insert.depth === null ? Math.max(axis.past, skew) : 0)
  return {
    kind: 'moved',
    solid: {
      kind: 'turned',
      at: [0, 0],
      profile: [
        { radius: 0, z: low, name },
        { radius: r, z: low, name },
        { radius: r, z: high, name },
        { radius: 0, z: high, name },
      ],
    },
    by: axisPlacement(axis.start, axis.into),
  }
}

/** Mass of an insert, kg: its metal or plastic over its whole length. */
export function insertMass(insert: Insert, axis: InsertAxis): number {
  const [r, b] = [insert.diameter / 2, Math.min(insert.bore, insert.diameter) / 2]
  const length = axis.inside + axis.past * (insert.depth === null ? 2 : 1)
  return Math.PI * (r * r - b * b) * length * 1e-9 * INSERT_KG_PER_M3[insert.material]
}
