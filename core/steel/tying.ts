import { lengthOf, type Vector } from '../geometry/index.ts'
import type { PlacedBar } from './bars/types.ts'
import type { Mat } from './mat/planMat.ts'

/** Wire for one tie, twisted twice, mm; a mat is held at least so close each way, mm; a bar on a mat likewise [own]. */
const [TIE_WIRE, HELD_APART, BAR_APART] = [300, 600, 300]
/** Bars that cross within so much of touching are tied, mm. */
const TOUCH = 2

/** What steel is tied and held with. */
export type Tying = {
  readonly tieCount: number
  readonly tieWireMm: number
  /** Places where mats hang or stand; 0 of what is laid on the fill. */
  readonly holdCount: number
}

/** Ties at every crossing of a cage, along laps at every second one, and where bars and strips lie on a mat; and what a mat that is not laid is held at. */
export function tyingOf(
  mats: readonly Mat[],
  bars: readonly PlacedBar[],
  placed: 'on-fill' | 'pressed' | 'hung' | 'chairs',
): Tying {
  const stiff = bars.filter((b) => b.purpose === 'upright')
  const rings = bars.filter((b) => b.purpose === 'tie')
  const crossings = rings.reduce((sum, r) => sum + stiff.filter((u) => touches(r, u)).length, 0)
  // What is closed in itself is tied where it laps; what lies on a mat along its length.
  const hoops = 2 * bars.filter((b) => b.purpose === 'hoop').length
  const laid = bars
    .filter((b) => b.purpose === 'rail' || b.purpose === 'corner' || b.purpose === 'own')
    .reduce((sum, b) => sum + Math.ceil(runOf(b) / BAR_APART) + 1, 0)
  const laps = mats.reduce((sum, m) => sum + Math.ceil(m.cut.laps / (2 * m.mesh.spacing)), 0)
  const strips = mats
    .flatMap((m) => m.aprons.strips)
    .reduce((sum, s) => sum + Math.ceil(s.bent.length / 2), 0)
  const tieCount = crossings + hoops + laid + laps + strips
  const held = placed === 'hung' || placed === 'chairs'
  const across = (extent: number) => Math.ceil(extent / HELD_APART) + 1
  return {
    tieCount,
    tieWireMm: tieCount * TIE_WIRE,
    holdCount: held
      ? mats.reduce((sum, { sheet }) => sum + across(sheet.sheetLength) * across(sheet.sheetWidth), 0)
      : 0,
  }
}

const runOf = ({ path }: PlacedBar): number =>
  path.slice(1).reduce((sum, p, i) => sum + apart(p, path[i]!), 0)

const apart = (p: Vector, q: Vector): number => lengthOf(p[0] - q[0], p[1] - q[1], p[2] - q[2])

/** Whether a ring passes a straight bar so near that they are tied. */
function touches(ring: PlacedBar, straight: PlacedBar): boolean {
  const near = (ring.bar.diameter + straight.bar.diameter) / 2 + TOUCH
  const [a, b] = [straight.path[0]!, straight.path.at(-1)!]
  return ring.path.some((p, i) => {
    const q = ring.path[(i + 1) % ring.path.length]!
    return segmentsApart(p, q, a, b) <= near
  })
}

/** Least distance of two straight stretches, mm. Source: Ericson, Real-Time Collision Detection (2005), 5.1.9. */
export function segmentsApart(p1: Vector, q1: Vector, p2: Vector, q2: Vector): number {
  const minus = (u: Vector, v: Vector): Vector => [u[0] - v[0], u[1] - v[1], u[2] - v[2]]
  const dot = (u: Vector, v: Vector) => u[0] * v[0] + u[1] * v[1] + u[2] * v[2]
  const [d1, d2, r] = [minus(q1, p1), minus(q2, p2), minus(p1, p2)]
  const [a, e, f] = [dot(d1, d1), dot(d2, d2), dot(d2, r)]
  const [b, c] = [dot(d1, d2), dot(d1, r)]
  const clamp = (n: number) => Math.max(0, Math.min(1, n))
  const skew = a * e - b * b
  let s = a > 0 && skew > 1e-9 ? clamp((b * f - c * e) / skew) : 0
  let t = e > 0 ? (b * s + f) / e : 0
  if (t < 0 || t > 1) {
    t = clamp(t)
    s = a > 0 ? clamp((b * t - c) / a) : 0
  }
  const at = (p: Vector, d: Vector, k: number): Vector => [p[0] + d[0] * k, p[1] + d[1] * k, p[2] + d[2] * k]
  return apart(at(p1, d1, s), at(p2, d2, t))
}
