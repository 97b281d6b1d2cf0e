import {
  arcPoints,
  boundLoop,
  type Circle,
  type Gap,
  gapOfCircles,
  type Loop,
  loopRegion,
  measureGap,
  type Point,
  pointToRing,
  type Region,
} from '../geometry/index.ts'
import type { PlacedOpening } from '../piece/index.ts'

/** A gap from an opening, by its place in the list, to another or to the outline (null). */
export type LandGap = { readonly gap: Gap; readonly of: number; readonly against: number | null }

/**
 * The gaps of a plan between openings, and between openings and each side of its outline, as far as `reach` mm; those whose boxes
 * lie further apart are left out unmeasured. A round opening, else the later, is measured along.
 */
export function measureGaps({
  outline,
  openings,
  reach,
}: {
  readonly outline: Loop
  readonly openings: readonly Pick<PlacedOpening, 'shape' | 'loop'>[]
  readonly reach: number
}): LandGap[] {
  const around = loopRegion(outline)
  const plan = boundLoop(outline)
  // Of a plan that fills its box, an opening's box tells how far the outline is at least.
  const boxed = fillsBox(outline)
  const regions = openings.map((o) => loopRegion(o.loop))
  const boxes = openings.map((o) => boundLoop(o.loop))
  const sides = sidesOf(outline)
  const gaps: LandGap[] = []
  openings.forEach((a, i) => {
    const { min, max } = boxes[i]!
    const nearEdge = boxed
      ? Math.min(min[0] - plan.min[0], min[1] - plan.min[1], plan.max[0] - max[0], plan.max[1] - max[1])
      : 0
    if (nearEdge < reach) {
      const gap = measureGap(regions[i]!, around)
      if (gap.least < reach) {
        gaps.push({ gap, of: i, against: null })
        for (const side of sides) {
          if (side.off(gap.to) < ON) continue
          const other = measureGap(regions[i]!, side.there)
          // Where it ends at a corner, the side before or after is as near.
          if (other.least < reach && side.ends.every((end) => apartBy(end, other.to) > ON))
            gaps.push({ gap: other, of: i, against: null })
        }
      }
    }
    openings.slice(i + 1).forEach((_, k) => {
      const other = boxes[i + 1 + k]!
      const apart = Math.max(
        other.min[0] - max[0],
        min[0] - other.max[0],
        other.min[1] - max[1],
        min[1] - other.max[1],
      )
      if (apart > reach) return
      const [of, against] = a.shape.kind === 'round' ? [i, i + 1 + k] : [i + 1 + k, i]
      const [first, second] = [circleOf(openings[of]!), circleOf(openings[against]!)]
      const gap =
        first && second && !overlap(first, second)
          ? gapOfCircles(first, second)
          : measureGap(regions[of]!, regions[against]!)
      gaps.push({ gap, of, against })
    })
  })
  return gaps
}

/** A point this near a side lies on it, mm: chords and rounding. */
const ON = 0.5

const apartBy = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1])

/** The named sides of an outline, each as a way there and back, and how far a point is off it. */
function sidesOf(outline: Loop) {
  const names = [...new Set(outline.map((s) => s.name))]
  return names.map((name) => {
    const line = outline
      .filter((s) => s.name === name)
      .flatMap((s, i) => {
        const points = s.arc ? arcPoints(s.arc, s.from, s.to, ARC) : [s.from, s.to]
        return i === 0 ? points : points.slice(1)
      })
    const there: Region = [[...line, ...line.slice(1, -1).reverse()]]
    return {
      there,
      ends: [line[0]!, line.at(-1)!],
      off: (at: Point) => pointToRing(at, there[0]!),
    }
  })
}
/** Chords of a curved side. */
const ARC = 48

/** A rectangle along the axes: four straight sides; its rounded corners only bring the outline nearer than its box. */
const fillsBox = (outline: Loop): boolean =>
  outline.length === 4 &&
  outline.every(
    (s) => !s.arc && (Math.abs(s.from[0] - s.to[0]) < 1e-9 || Math.abs(s.from[1] - s.to[1]) < 1e-9),
  )

const circleOf = ({ shape, loop }: Pick<PlacedOpening, 'shape' | 'loop'>): Circle | null => {
  if (shape.kind !== 'round') return null
  const { min, max } = boundLoop(loop)
  return { centre: [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2], radius: shape.diameter / 2 }
}

const overlap = (a: Circle, b: Circle): boolean =>
  Math.hypot(a.centre[0] - b.centre[0], a.centre[1] - b.centre[1]) <= a.radius + b.radius
