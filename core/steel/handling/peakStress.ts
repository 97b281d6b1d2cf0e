import type { Point, Region } from '../../geometry/index.ts'
import type { FlatPlate } from './flatPlate.ts'

/** The greatest bending stress of a plate, where it is, and whether it is stretched below as it lies. */
export type Peak = { readonly mpa: number; readonly at: Point; readonly below: boolean }

/** A ring that turns inward by more than this is a re-entrant corner, rad. */
const CORNER = Math.PI / 9

/**
 * The peak of a plate's stress, averaged over twice the thickness so that it does not depend on how finely it is cut;
 * nearer to a re-entrant corner, or to what presses at a point, than half the thickness it is not looked at.
 */
export function peakStress(flat: FlatPlate, stress: Float64Array, points: readonly Point[]): Peak {
  const { plate, plan } = flat
  const even = averaged(flat, stress)
  const away = [...reentrant(plan), ...points]
  let peak: Peak = { mpa: 0, at: plate.middles[0]!, below: true }
  plate.middles.forEach(([x, y], e) => {
    const [xx, yy, xy] = [even[3 * e]!, even[3 * e + 1]!, even[3 * e + 2]!]
    const [mean, half] = [(xx + yy) / 2, Math.hypot((xx - yy) / 2, xy)]
    const mpa = Math.abs(mean) + half
    if (mpa <= peak.mpa) return
    const near = plate.thickness[e]! / 2
    if (away.some((p) => Math.hypot(p[0] - x, p[1] - y) < near)) return
    peak = { mpa, at: [x, y], below: mean >= 0 }
  })
  return peak
}

/** Principal stress with the larger size at each triangle, averaged as for the peak: what is drawn as bands. */
export function stressBands(flat: FlatPlate, stress: Float64Array): Float32Array {
  const even = averaged(flat, stress)
  return Float32Array.from(flat.plate.middles, (_, e) => {
    const [xx, yy, xy] = [even[3 * e]!, even[3 * e + 1]!, even[3 * e + 2]!]
    const mean = (xx + yy) / 2
    return (mean < 0 ? -1 : 1) * (Math.abs(mean) + Math.hypot((xx - yy) / 2, xy))
  })
}

/** Each triangle's stress as the mean over a disc as wide as twice its thickness. */
function averaged({ plate, around }: FlatPlate, stress: Float64Array): Float64Array {
  const even = new Float64Array(stress.length)
  const { areas } = plate
  around.forEach((near, e) => {
    let [area, xx, yy, xy] = [0, 0, 0, 0]
    for (const o of near) {
      const a = areas[o]!
      area += a
      xx += a * stress[3 * o]!
      yy += a * stress[3 * o + 1]!
      xy += a * stress[3 * o + 2]!
    }
    even[3 * e] = xx / area
    even[3 * e + 1] = yy / area
    even[3 * e + 2] = xy / area
  })
  return even
}

/** For each triangle those whose middles lie within its thickness of its own. */
export function trianglesAround({ middles, thickness }: FlatPlate['plate']): Uint16Array[] {
  const order = Array.from(middles, (_, e) => e).sort((a, b) => middles[a]![0] - middles[b]![0])
  const near: number[][] = middles.map(() => [])
  const widest = Array.from(thickness).reduce((m, t) => Math.max(m, t), 0)
  order.forEach((e, i) => {
    const [x, y] = middles[e]!
    for (let k = i; k < order.length; k += 1) {
      const o = order[k]!
      const dx = middles[o]![0] - x
      if (dx > widest) break
      const apart = Math.hypot(dx, middles[o]![1] - y)
      if (apart <= thickness[e]!) near[e]!.push(o)
      if (o !== e && apart <= thickness[o]!) near[o]!.push(e)
    }
  })
  return near.map((list) => Uint16Array.from(list))
}

/** Corners of a plan where concrete stands on more than half of what is round them. */
function reentrant(plan: Region): Point[] {
  return plan.flatMap((ring) =>
    ring.filter((p, i) => {
      const [a, b] = [ring.at(i - 1)!, ring[(i + 1) % ring.length]!]
      const [ux, uy, vx, vy] = [p[0] - a[0], p[1] - a[1], b[0] - p[0], b[1] - p[1]]
      // Outlines run anticlockwise and holes clockwise: concrete is on the left of both.
      return Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy) < -CORNER
    }),
  )
}
