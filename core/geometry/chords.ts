import type { Arc, Loop, Point, Segment } from './outline.ts'

/**
 * Largest distance of a chord from its arc, mm: min(0.045 mm, r/4000), so that a disc is within 0.033 percent and a drawn
 * curve, whose arcs may stray by 0.004 mm, within 0.05 mm in all.
 */
export const sagittaFor = (radius: number): number => Math.min(0.045, radius / 4000)

/** Below this, mm, an arc is a point for all purposes. */
export const LEAST_RADIUS = 1e-4

/**
 * Chords for an arc: sagitta s = r (1 - cos(a/2)) solved for the angle a of one chord. `finer` divides the sagitta
 * for small profiles, where the part outside the arc is what is measured.
 */
export function chordCount(radius: number, sweepRad: number, finer = 1): number {
  if (radius < LEAST_RADIUS) return 2
  const angle = 2 * Math.acos(1 - Math.min(1, sagittaFor(radius) / finer / radius))
  return Math.max(2, Math.ceil(Math.abs(sweepRad) / angle - 1e-9))
}

/** Points along a segment, its start included and its end left out. `coarser` multiplies the sagitta, for tests. */
export function segmentPoints(segment: Segment, coarser = 1): Point[] {
  const { from, to, arc } = segment
  if (!arc) return [from]
  return arcPoints(arc, from, to, chordCount(arc.radius, arc.sweepRad, 1 / coarser))
}

/** Points of an arc from `from` towards `to` in `count` chords, the first included, the last left out. */
export function arcPoints({ centre, radius, sweepRad }: Arc, from: Point, to: Point, count: number): Point[] {
  const start = Math.atan2(from[1] - centre[1], from[0] - centre[0])
  const end = Math.atan2(to[1] - centre[1], to[0] - centre[0])
  const turn = Math.PI * 2
  let sweep = end - start
  if (sweepRad > 0) while (sweep <= 1e-9) sweep += turn
  else while (sweep >= -1e-9) sweep -= turn
  // An end that moved a little must not turn a short arc into a whole circle.
  if (Math.abs(sweep - sweepRad) > Math.PI) sweep = sweepRad
  const points: Point[] = [from]
  for (let i = 1; i < count; i += 1) {
    const a = start + (sweep * i) / count
    points.push([centre[0] + radius * Math.cos(a), centre[1] + radius * Math.sin(a)])
  }
  return points
}

/** A loop as chords: the points, and for each the name of the side that starts there. */
export function loopChords(loop: Loop, coarser = 1): { points: Point[]; names: string[] } {
  const points: Point[] = []
  const names: string[] = []
  for (const segment of loop) {
    const own = segmentPoints(segment, coarser)
    points.push(...own)
    names.push(...own.map(() => segment.name))
  }
  return { points, names }
}
