import type { Vector } from '../../geometry/index.ts'

/** A way as a maker points it: degrees off upright, and towards where as seen from above, from the right anticlockwise. */
export type PullWay = { readonly leanDeg: number; readonly roundDeg: number }

const RAD = Math.PI / 180

/** The unit vector of a way, as poured: `{ leanDeg: 90, roundDeg: 90 }` is level, to the back. */
export function wayAt({ leanDeg, roundDeg }: PullWay): Vector {
  if (leanDeg === 0) return [0, 0, 1]
  const level = Math.sin(leanDeg * RAD)
  return [level * Math.cos(roundDeg * RAD), level * Math.sin(roundDeg * RAD), Math.cos(leanDeg * RAD)]
}

/** Where a way and its opposite lead, told by the one of them that does not look down. */
export function pullWay([x, y, z]: Vector): PullWay {
  const sign = z < 0 ? -1 : 1
  const level = Math.hypot(x, y)
  return {
    leanDeg: Math.atan2(level, Math.abs(z)) / RAD,
    roundDeg: level < 1e-6 ? 0 : (Math.atan2(y * sign, x * sign) / RAD + 360) % 360,
  }
}
