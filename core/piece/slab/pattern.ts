import type { Point } from '../../geometry/index.ts'
import type { Opening } from '../../job/index.ts'
import { halfSize } from './outlineLoop.ts'

/** Middles of the openings of a pattern about `middle`; one opening is a pattern of one. */
export function patternPlaces(
  { pattern, shape, turnDeg }: Opening,
  [u, v]: Point,
  size: { length: number; width: number },
): Point[] {
  switch (pattern?.kind) {
    case undefined:
      return [[u, v]]
    case 'row':
      return Array.from({ length: pattern.count }, (_, i): Point => {
        const shift = (i - (pattern.count - 1) / 2) * pattern.pitch
        return pattern.along === 'v' ? [u, v + shift] : [u + shift, v]
      })
    case 'grid':
      return Array.from({ length: pattern.countU * pattern.countV }, (_, i): Point => {
        const [a, b] = [i % pattern.countU, Math.floor(i / pattern.countU)]
        return [
          u + (a - (pattern.countU - 1) / 2) * pattern.pitchU,
          v + (b - (pattern.countV - 1) / 2) * pattern.pitchV,
        ]
      })
    case 'circle':
      return Array.from({ length: pattern.count }, (_, i): Point => {
        const a = ((pattern.startDeg + (360 * i) / pattern.count) * Math.PI) / 180
        return [u + (pattern.diameter / 2) * Math.cos(a), v + (pattern.diameter / 2) * Math.sin(a)]
      })
    case 'spread': {
      const total = pattern.along === 'u' ? size.length : size.width
      const own = 2 * halfSize(shape, turnDeg)[pattern.along === 'u' ? 0 : 1]
      const gap = (total - pattern.count * own) / (pattern.count + 1)
      return Array.from({ length: pattern.count }, (_, i): Point => {
        const at = gap * (i + 1) + own * (i + 0.5)
        return pattern.along === 'u' ? [at, v] : [u, at]
      })
    }
  }
}
