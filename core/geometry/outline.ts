/** A point in a plan, mm. */
export type Point = readonly [x: number, y: number]

/** The arc of a segment: `sweepRad` is positive anticlockwise. */
export type Arc = { readonly centre: Point; readonly radius: number; readonly sweepRad: number }

/** One named side of an outline, straight or an arc. The name follows the face through every boolean. */
export type Segment = {
  readonly name: string
  readonly from: Point
  readonly to: Point
  readonly arc: Arc | null
}

/** A closed outline, anticlockwise, each segment starting where the one before ends. */
export type Loop = readonly Segment[]

/** Radii at the corners of a rectangle, anticlockwise from front left. */
export type CornerRadii = readonly [
  frontLeft: number,
  frontRight: number,
  backRight: number,
  backLeft: number,
]

export type RectangleNames = {
  readonly sides: readonly [string, string, string, string]
  readonly corners: readonly [string, string, string, string]
}

const QUARTER = Math.PI / 2

/**
 * A rectangle with a radius on each corner, its front left corner (before rounding) at `at`.
 * Names are given for sides front, right, back, left and corners front left, front right, back right, back left.
 */
export function rectangleLoop(
  at: Point,
  length: number,
  width: number,
  radii: CornerRadii,
  names: RectangleNames,
): Loop {
  const [x, y] = at
  const rounded = radii.map((r) => (r < 1e-4 ? 0 : r))
  const corners: readonly Point[] = [
    [x, y],
    [x + length, y],
    [x + length, y + width],
    [x, y + width],
  ]
  const along: readonly Point[] = [
    [1, 0],
    [0, 1],
    [-1, 0],
    [0, -1],
  ]
  const loop: Segment[] = []
  for (let side = 0; side < 4; side += 1) {
    const next = (side + 1) % 4
    const [dx, dy] = along[side]!
    const [ax, ay] = corners[side]!
    const [bx, by] = corners[next]!
    const r0 = rounded[side]!
    const r1 = rounded[next]!
    const from: Point = [ax + dx * r0, ay + dy * r0]
    const to: Point = [bx - dx * r1, by - dy * r1]
    if (Math.hypot(to[0] - from[0], to[1] - from[1]) > 1e-9)
      loop.push({ name: names.sides[side]!, from, to, arc: null })
    if (r1 > 0) {
      const [nx, ny] = along[next]!
      const end: Point = [bx + nx * r1, by + ny * r1]
      const centre: Point = [to[0] - dy * r1, to[1] + dx * r1]
      loop.push({
        name: names.corners[next]!,
        from: to,
        to: end,
        arc: { centre, radius: r1, sweepRad: QUARTER },
      })
    }
  }
  return loop
}

/** A circle as four quarter arcs of one name, from the point on +x, anticlockwise. */
export function circleLoop(centre: Point, radius: number, name: string): Loop {
  const at = (quarter: number): Point => {
    const [c, s] = [
      [1, 0],
      [0, 1],
      [-1, 0],
      [0, -1],
    ][quarter % 4] as [number, number]
    return [centre[0] + radius * c, centre[1] + radius * s]
  }
  return [0, 1, 2, 3].map((q) => ({
    name,
    from: at(q),
    to: at(q + 1),
    arc: { centre, radius, sweepRad: QUARTER },
  }))
}

/** Area (mm2, positive anticlockwise), centroid and boundary length of a loop, exact for lines and arcs. */
export function measureLoop(loop: Loop): { area: number; centroid: Point; perimeter: number } {
  let area = 0
  let mx = 0
  let my = 0
  let perimeter = 0
  for (const { from, to, arc } of loop) {
    const cross = from[0] * to[1] - to[0] * from[1]
    area += cross / 2
    mx += ((from[0] + to[0]) * cross) / 6
    my += ((from[1] + to[1]) * cross) / 6
    if (!arc) {
      perimeter += Math.hypot(to[0] - from[0], to[1] - from[1])
      continue
    }
    const { centre, radius, sweepRad } = arc
    perimeter += radius * Math.abs(sweepRad)
    const half = Math.abs(sweepRad) / 2
    const segment = (radius * radius * (2 * half - Math.sin(2 * half))) / 2
    const signed = Math.sign(sweepRad) * segment
    const fromCentre = segment === 0 ? 0 : (2 * radius ** 3 * Math.sin(half) ** 3) / 3 / segment
    const middle = Math.atan2(from[1] - centre[1], from[0] - centre[0]) + sweepRad / 2
    area += signed
    mx += signed * (centre[0] + fromCentre * Math.cos(middle))
    my += signed * (centre[1] + fromCentre * Math.sin(middle))
  }
  return { area, centroid: area === 0 ? [0, 0] : [mx / area, my / area], perimeter }
}

/** The smallest upright box round a loop, exact for lines and arcs. */
export function boundLoop(loop: Loop): { min: Point; max: Point } {
  const xs = loop.flatMap((s) => [s.from[0], s.to[0], ...reachOfArc(s, 0)])
  const ys = loop.flatMap((s) => [s.from[1], s.to[1], ...reachOfArc(s, 1)])
  const most = (list: readonly number[], pick: (a: number, b: number) => number) =>
    list.reduce((a, b) => pick(a, b))
  return { min: [most(xs, Math.min), most(ys, Math.min)], max: [most(xs, Math.max), most(ys, Math.max)] }
}

/** Where an arc stands furthest along an axis between its ends: at whole quarter turns that it sweeps over. */
function reachOfArc({ from, arc }: Segment, axis: 0 | 1): number[] {
  if (!arc) return []
  const { centre, radius, sweepRad } = arc
  const start = Math.atan2(from[1] - centre[1], from[0] - centre[0])
  return [0, 1].flatMap((half) => {
    const angle = axis * QUARTER + half * Math.PI
    let turn = (angle - start) * Math.sign(sweepRad)
    turn -= Math.floor(turn / (2 * Math.PI)) * 2 * Math.PI
    return turn <= Math.abs(sweepRad) + 1e-12 ? [centre[axis] + (half === 0 ? radius : -radius)] : []
  })
}

/** The same loop walked the other way. */
export const reverseLoop = (loop: Loop): Loop =>
  [...loop].reverse().map(({ name, from, to, arc }) => ({
    name,
    from: to,
    to: from,
    arc: arc && { ...arc, sweepRad: -arc.sweepRad },
  }))

/** The loop seen from below: x is taken from `lineX` the other way, and it runs anticlockwise again. */
export function mirrorLoop(loop: Loop, lineX: number): Loop {
  const flip = ([x, y]: Point): Point => [2 * lineX - x, y]
  return reverseLoop(loop).map(({ name, from, to, arc }) => ({
    name,
    from: flip(from),
    to: flip(to),
    arc: arc && { ...arc, centre: flip(arc.centre), sweepRad: -arc.sweepRad },
  }))
}
