import { type Loop, mirrorLoop, movedBy, type Placement, type Point } from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import type { FlatFace, PieceGeometry } from './types.ts'

type Attitude = Piece['attitude']
type Standing = Pick<PieceGeometry, 'length' | 'width' | 'height' | 'low' | 'outline'> & {
  readonly faces: readonly FlatFace[]
}

/**
 * As placed to as poured, the one place where it is written. Show face down is a half turn about the line x = L/2:
 * (x, y, z) -> (L - x, y, high - z); the front stays at the front. A piece poured on another face is turned so that
 * this face lies on z = 0 with its own u along x, its box at the origin.
 */
export function pouredPlacement({ down }: Attitude, geometry: Standing): Placement {
  const { length, low, height } = geometry
  if (down === 'top') return { x: [-1, 0, 0], y: [0, 1, 0], z: [0, 0, -1], origin: [length, 0, low + height] }
  const face = down === 'bottom' ? undefined : geometry.faces.find((f) => f.name === down)
  if (!face) return movedBy([0, 0, -low])
  const { x: t, z: n } = face.frame
  const into = [-n[0], -n[1], -n[2]] as const
  const w = [
    into[1] * t[2] - into[2] * t[1],
    into[2] * t[0] - into[0] * t[2],
    into[0] * t[1] - into[1] * t[0],
  ] as const
  const image = (k: 0 | 1 | 2) => [t[k], w[k], into[k]] as const
  const [x, y, z] = [image(0), image(1), image(2)]
  const turned = (p: readonly [number, number, number]) =>
    [0, 1, 2].map((k) => x[k as 0]! * p[0] + y[k as 0]! * p[1] + z[k as 0]! * p[2]) as [
      number,
      number,
      number,
    ]
  const corners = geometry.outline.flatMap(({ from }) => [
    turned([from[0], from[1], low]),
    turned([from[0], from[1], low + height]),
  ])
  const least = (k: 0 | 1) => Math.min(...corners.map((c) => c[k]))
  return { x, y, z, origin: [-least(0), -least(1), -turned(face.frame.origin)[2]] }
}

/** The way back, from as poured to as placed. */
export function inversePlacement({ x, y, z, origin: o }: Placement): Placement {
  const dot = (a: readonly [number, number, number]) => a[0] * o[0] + a[1] * o[1] + a[2] * o[2]
  return {
    x: [x[0], y[0], z[0]],
    y: [x[1], y[1], z[1]],
    z: [x[2], y[2], z[2]],
    origin: [-dot(x), -dot(y), -dot(z)],
  }
}

/** The box of a piece as it lies in the pour: plan extents and height. */
export function pouredSize(attitude: Attitude, geometry: Standing): [number, number, number] {
  const { down } = attitude
  if (down === 'top' || down === 'bottom') return [geometry.length, geometry.width, geometry.height]
  const { x, y, z, origin } = pouredPlacement(attitude, geometry)
  const points = geometry.outline.flatMap(({ from }) =>
    [geometry.low, geometry.low + geometry.height].map((h) =>
      [0, 1, 2].map((k) => x[k as 0]! * from[0] + y[k as 0]! * from[1] + z[k as 0]! * h + origin[k as 0]!),
    ),
  )
  const most = (k: number) => Math.max(...points.map((p) => p[k]!))
  return [most(0), most(1), most(2)]
}

type Slab = { readonly length: number }

/** A plan outline as it lies in the mould. */
export const pouredLoop = (loop: Loop, attitude: Attitude, { length }: Slab): Loop =>
  attitude.down === 'top' ? mirrorLoop(loop, length / 2) : loop

/** A plan point as it lies in the mould. */
export const pouredPoint = ([x, y]: Point, attitude: Attitude, { length }: Slab): Point =>
  attitude.down === 'top' ? [length - x, y] : [x, y]

/** The side of the piece that stands at the left, right, front or back of the mould. */
export function sideAt(where: string, attitude: Attitude): string {
  if (attitude.down !== 'top') return where
  return where === 'left' ? 'right' : where === 'right' ? 'left' : where
}
