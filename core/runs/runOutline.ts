import type { Point } from '../geometry/index.ts'
import type { Run } from '../job/index.ts'

/** A line by a point on it and its direction. */
type Line = { readonly at: Point; readonly along: Point }

/** One leg of a run: its corner or start on the wall, the ways along the wall and out from it, and its plan. */
export type LegPlan = {
  readonly start: Point
  readonly along: Point
  readonly out: Point
  readonly length: number
  readonly depth: number
  /** Convex, anticlockwise. */
  readonly ring: readonly Point[]
}

export type RunPlan = {
  readonly outline: readonly Point[]
  readonly legs: readonly LegPlan[]
  /** Angle between the walls at each corner, degrees; null where the measures do not make one. */
  readonly cornersDeg: readonly (number | null)[]
  /** The walls as drawn: from and to. */
  readonly walls: readonly (readonly [Point, Point])[]
}

/**
 * The angle between two walls, degrees: by a diagonal from the law of cosines, by an offset from its tangent. Null when
 * the three lengths make no triangle.
 */
export function cornerAngle(corner: Run['corners'][number]): number | null {
  switch (corner.by) {
    case 'square':
      return 90
    case 'diagonal': {
      const { along: a, across: b, diagonal: d } = corner
      const cosine = (a * a + b * b - d * d) / (2 * a * b)
      return Math.abs(cosine) < 1 ? (Math.acos(cosine) * 180) / Math.PI : null
    }
    case 'offset':
      return 90 + (Math.atan2(corner.off, corner.over) * 180) / Math.PI
  }
}

const step = ([x, y]: Point, [dx, dy]: Point, by: number): Point => [x + dx * by, y + dy * by]

function meet(a: Line, b: Line): Point {
  const det = a.along[0] * b.along[1] - a.along[1] * b.along[0]
  const t = ((b.at[0] - a.at[0]) * b.along[1] - (b.at[1] - a.at[1]) * b.along[0]) / det
  return step(a.at, a.along, t)
}

/**
 * The whole top in plan. The first wall runs along y = 0 from x = 0 to its length, the top lies below it; the second leg
 * starts at its right end, the third at its left. Depths are wall to front edge of the cabinets; the overhang is added.
 */
export function runPlan(run: Run): RunPlan {
  const [first, second, third] = run.legs as [Run['legs'][number], Run['legs'][number]?, Run['legs'][number]?]
  const cornersDeg = run.legs.slice(1).map((_, i) => cornerAngle(run.corners[i] ?? { by: 'square' }))
  const angle = (i: number) => ((cornersDeg[i] ?? 90) * Math.PI) / 180
  const { wallGap: g, overhang: o } = run
  const right: Point = [-Math.cos(angle(0)), -Math.sin(angle(0))]
  const left: Point = [Math.cos(angle(1)), -Math.sin(angle(1))]
  const ways = [
    { start: [0, 0] as Point, along: [1, 0] as Point, out: [0, -1] as Point, leg: first },
    ...(second
      ? [
          {
            start: [first.length, 0] as Point,
            along: right,
            out: [right[1], -right[0]] as Point,
            leg: second,
          },
        ]
      : []),
    ...(third
      ? [{ start: [0, 0] as Point, along: left, out: [-left[1], left[0]] as Point, leg: third }]
      : []),
  ]
  const wall = (i: number): Line => ({ at: step(ways[i]!.start, ways[i]!.out, g), along: ways[i]!.along })
  const front = (i: number): Line => ({
    at: step(ways[i]!.start, ways[i]!.out, ways[i]!.leg.depth + o),
    along: ways[i]!.along,
  })
  const end = (i: number): Line => ({
    at: step(ways[i]!.start, ways[i]!.along, ways[i]!.leg.length),
    along: ways[i]!.out,
  })
  const leftEnd: Line = { at: [0, 0], along: [0, -1] }
  const rightEnd: Line = { at: [first.length, 0], along: [0, -1] }
  const startOfLeft = third ? [meet(front(2), end(2)), meet(front(2), front(0))] : [meet(leftEnd, front(0))]
  const toRight = second
    ? [meet(front(0), front(1)), meet(front(1), end(1)), meet(end(1), wall(1)), meet(wall(1), wall(0))]
    : [meet(rightEnd, front(0)), meet(rightEnd, wall(0))]
  const backLeft = third ? [meet(wall(0), wall(2)), meet(wall(2), end(2))] : [meet(leftEnd, wall(0))]
  const outline = [...startOfLeft, ...toRight, ...backLeft]
  const legs = ways.map((way, i): LegPlan => {
    const { start, along, out, leg } = way
    return { start, along, out, length: leg.length, depth: leg.depth + o, ring: legRing(i) }
  })
  return {
    outline,
    legs,
    cornersDeg,
    walls: ways.map(({ start, along, leg }) => [start, step(start, along, leg.length)] as const),
  }

  /** What of the top belongs to a leg, by how the corner is divided. */
  function legRing(i: number): Point[] {
    const joined = run.joint
    if (i === 0) {
      const l = third
        ? joined === 'butt-first'
          ? [meet(wall(2), wall(0)), meet(wall(2), front(0)), meet(front(2), front(0))]
          : joined === 'butt-second'
            ? [meet(front(2), wall(0)), meet(front(2), front(0))]
            : [meet(wall(2), wall(0)), meet(front(2), front(0))]
        : [meet(leftEnd, wall(0)), meet(leftEnd, front(0))]
      const r = second
        ? joined === 'butt-first'
          ? [meet(front(1), front(0)), meet(wall(1), front(0)), meet(wall(1), wall(0))]
          : joined === 'butt-second'
            ? [meet(front(1), front(0)), meet(front(1), wall(0))]
            : [meet(front(1), front(0)), meet(wall(1), wall(0))]
        : [meet(rightEnd, front(0)), meet(rightEnd, wall(0))]
      return [...l, ...r]
    }
    const corner =
      joined === 'butt-first'
        ? [meet(wall(i), front(0)), meet(front(i), front(0))]
        : joined === 'butt-second'
          ? [meet(wall(i), wall(0)), meet(front(i), wall(0)), meet(front(i), front(0))]
          : [meet(wall(i), wall(0)), meet(front(i), front(0))]
    const ring = [...corner, meet(front(i), end(i)), meet(end(i), wall(i))]
    return i === 1 ? ring : ring.reverse()
  }
}
