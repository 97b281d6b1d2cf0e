import type { Loop, Point, Segment } from './outline.ts'

/** Largest distance of a chord from its arc, mm: min(0.05 mm, r/4000), so that a disc is within 0.033 percent. */
export const sagittaFor = (radius: number): number => Math.min(0.05, radius / 4000)

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

/** Points along a segment, its start included and its end left out. */
export function segmentPoints(segment: Segment): Point[] {
  const { from, arc } = segment
  if (!arc) return [from]
  const count = chordCount(arc.radius, arc.sweepRad)
  const start = Math.atan2(from[1] - arc.centre[1], from[0] - arc.centre[0])
  const points: Point[] = [from]
  for (let i = 1; i < count; i += 1) {
    const a = start + (arc.sweepRad * i) / count
    points.push([arc.centre[0] + arc.radius * Math.cos(a), arc.centre[1] + arc.radius * Math.sin(a)])
  }
  return points
}

/** A loop as chords: the points, and for each the name of the side that starts there. */
export function loopChords(loop: Loop): { points: Point[]; names: string[] } {
  const points: Point[] = []
  const names: string[] = []
  for (const segment of loop) {
    const own = segmentPoints(segment)
    points.push(...own)
    names.push(...own.map(() => segment.name))
  }
  return { points, names }
}
