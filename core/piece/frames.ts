import type { Placement, Point, Region, Vector } from '../geometry/index.ts'
import type { FlatFace } from './types.ts'

/** A face square to z, read from outside: from above x runs right, from below it runs left. */
export function levelFace(name: 'top' | 'bottom', region: Region, z: number): FlatFace {
  const [min, max] = bounds(region)
  const middle: Point = [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2]
  const up = name === 'top'
  const sign = up ? 1 : -1
  return {
    name,
    words: up ? 'top' : 'underside',
    frame: { x: [sign, 0, 0], y: [0, 1, 0], z: [0, 0, sign], origin: [middle[0], middle[1], z] },
    region: up
      ? region.map((ring) => ring.map(([x, y]): Point => [x - middle[0], y - middle[1]]))
      : region.map((ring) => [...ring].reverse().map(([x, y]): Point => [middle[0] - x, y - middle[1]])),
    size: [max[0] - min[0], max[1] - min[1]],
  }
}

/** A four-cornered side face through its corners, anticlockwise from its lower left as seen from outside. */
export function sideFace(
  name: string,
  words: string,
  corners: readonly [Vector, Vector, Vector, Vector],
): FlatFace | null {
  const [a, b, c, d] = corners
  const minus = (p: Vector, q: Vector): Vector => [p[0] - q[0], p[1] - q[1], p[2] - q[2]]
  const cross = (p: Vector, q: Vector): Vector => [
    p[1] * q[2] - p[2] * q[1],
    p[2] * q[0] - p[0] * q[2],
    p[0] * q[1] - p[1] * q[0],
  ]
  const unit = (p: Vector): Vector | null => {
    const length = Math.hypot(...p)
    return length < 1e-9 ? null : [p[0] / length, p[1] / length, p[2] / length]
  }
  const x = unit(minus(b, a))
  const z = unit(cross(minus(b, a), minus(d, a)))
  if (!x || !z) return null
  const y = cross(z, x)
  const origin: Vector = [
    (a[0] + b[0] + c[0] + d[0]) / 4,
    (a[1] + b[1] + c[1] + d[1]) / 4,
    (a[2] + b[2] + c[2] + d[2]) / 4,
  ]
  const dot = (p: Vector, q: Vector) => p[0] * q[0] + p[1] * q[1] + p[2] * q[2]
  const ring = corners.map((p): Point => [dot(minus(p, origin), x), dot(minus(p, origin), y)])
  const [min, max] = bounds([ring])
  return { name, words, frame: { x, y, z, origin }, region: [ring], size: [max[0] - min[0], max[1] - min[1]] }
}

export function bounds(region: Region): [Point, Point] {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const ring of region)
    for (const [x, y] of ring) {
      x0 = Math.min(x0, x)
      y0 = Math.min(y0, y)
      x1 = Math.max(x1, x)
      y1 = Math.max(y1, y)
    }
  return [
    [x0, y0],
    [x1, y1],
  ]
}

/** A point given in a face's u, v and height, in the piece. */
export function onFace({ x, y, z, origin }: Placement, u: number, v: number, h = 0): Vector {
  return [
    origin[0] + x[0] * u + y[0] * v + z[0] * h,
    origin[1] + x[1] * u + y[1] * v + z[1] * h,
    origin[2] + x[2] * u + y[2] * v + z[2] * h,
  ]
}

/** A frame turned about its own normal and shifted in its plane. */
export function turnedFrame(frame: Placement, u: number, v: number, turnDeg: number): Placement {
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
  const mix = (k: 0 | 1 | 2): [number, number] => [
    frame.x[k] * c + frame.y[k] * s,
    frame.y[k] * c - frame.x[k] * s,
  ]
  const [a, b, d] = [mix(0), mix(1), mix(2)]
  return { x: [a[0], b[0], d[0]], y: [a[1], b[1], d[1]], z: frame.z, origin: onFace(frame, u, v) }
}
