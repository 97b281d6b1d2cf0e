import { filletReach, type Loop, type PathCorner, type Point } from '../../geometry/index.ts'
import type { BoxChoice, SideId } from '../../job/index.ts'
import { postReach } from './cornerBlocks.ts'
import { interiorAngle } from './interiorAngle.ts'

/** Saws tilt no further than this off the square, degrees. */
export const SAW_TILT = 47
/** Sides that turn by less than this run on, degrees. */
const STRAIGHT = 0.05

/**
 * How a strip ends at a corner. Outside corners: `mitre`, or `over` its neighbour's end and `under` its neighbour.
 * Inside corners: `mitre`, or `through` to the corner, where its raw end stands in the concrete, and `short` of it.
 */
export type StripEndKind = 'mitre' | 'over' | 'under' | 'through' | 'short' | 'square'
export type StripEnd = {
  readonly kind: StripEndKind
  /** How far its inside and its outside face reach past the corner of the plan, mm; negative when they fall short. */
  readonly inside: number
  readonly outside: number
  /** Off the square, degrees: positive when the outside face is the longer one. */
  readonly bevelDeg: number
}

export type Strip = {
  readonly side: SideId
  readonly from: Point
  readonly to: Point
  readonly thickness: number
  readonly start: StripEnd
  readonly end: StripEnd
  /** Length of the face that meets the concrete between the plan's corners, mm. */
  readonly sideLength: number
  /** Longest, over both faces: what is cut before the bevels, mm. */
  readonly length: number
  readonly corners: readonly [insideStart: Point, insideEnd: Point, outsideEnd: Point, outsideStart: Point]
}

export type StripChoice = Pick<BoxChoice, 'school' | 'corners' | 'insideCorners' | 'runPast' | 'rounds'>

/**
 * Where a strip of thickness `t` ends at a corner of interior angle `a` against a neighbour of thickness `u`: how far
 * its inside and outside faces reach past the corner. Mitre: both on the line from the corner of the plan to where the
 * outer faces meet, (u + t cos a)/sin a, for equal boards t/tan(a/2). Lap: u/sin a over the neighbour's end, which is
 * cut along this strip's face, t/tan a. At an inside corner the strip that goes through is cut along its neighbour's
 * face, and the neighbour starts behind it.
 */
export function stripEnd(kind: StripEndKind, aDeg: number, t: number, u: number, runPast = 0): StripEnd {
  const a = (aDeg * Math.PI) / 180
  const reach = (inside: number, outside: number): StripEnd => ({
    kind,
    inside: tidy(inside),
    outside: tidy(outside),
    bevelDeg: tidy((Math.atan2(outside - inside, t) * 180) / Math.PI),
  })
  switch (kind) {
    case 'mitre':
      return reach(0, (u + t * Math.cos(a)) / Math.sin(a))
    case 'over':
      return reach(u / Math.sin(a) + runPast, u / Math.sin(a) + runPast)
    case 'under':
    case 'through':
      return reach(0, t / Math.tan(a))
    case 'short':
      return reach(u / Math.sin(a), u / Math.sin(a) + t / Math.tan(a))
    case 'square':
      return reach(runPast, runPast)
  }
}

const tidy = (n: number): number => (Math.abs(n) < 1e-9 ? 0 : n)
const mitres = (a: number): boolean => Math.abs(90 - a / 2) <= SAW_TILT
/** A lap's bevel is 90 less the angle between the two boards, whichever side of them is concrete. */
const laps = (a: number): boolean => Math.abs(90 - (a < 180 ? a : 360 - a)) <= SAW_TILT

/** Whether no saw cut makes this corner: sharper than 43 degrees. */
export const tooSharp = (a: number): boolean => !mitres(a) && !laps(a)

/** How the strips before and after a corner end there. */
export function cornerJoint(
  a: number,
  choice: StripChoice,
  longBefore: boolean,
  longAfter: boolean,
): readonly [before: StripEndKind, after: StripEndKind] {
  if (Math.abs(a - 180) < STRAIGHT) return ['square', 'square']
  const wantsMitre = choice.school === 'mitre' || (a > 180 && choice.insideCorners === 'mitre')
  if (wantsMitre ? mitres(a) || !laps(a) : !laps(a)) return ['mitre', 'mitre']
  const [over, under] = a < 180 ? (['over', 'under'] as const) : (['through', 'short'] as const)
  return longAfter && !longBefore ? [under, over] : [over, under]
}

/**
 * The strips of a path of straight sides, as poured. A rounded outside corner gets a block inside a sharp one; at a
 * rounded inside corner the strips stop where the round begins.
 */
export function boxStrips(
  path: readonly PathCorner[],
  thicknessOf: (side: SideId) => number,
  choice: StripChoice,
): Strip[] {
  const n = path.length
  const point = (i: number): Point => [path[(i + n) % n]!.x, path[(i + n) % n]!.y]
  const angles = path.map((_, i) => interiorAngle(point(i - 1), point(i), point(i + 1)))
  // Where a strip ends before its corner: a post stands in a rounded inside one, a bent skin goes round an outside one.
  const stopsShort = (i: number): boolean =>
    filletReach(path, i) > 0 && (angles[i]! > 180 || choice.rounds === 'bent')
  const joints = path.map((_, i) => {
    const before = path[(i + n - 1) % n]!
    const curved = before.run.kind === 'arc' || path[i]!.run.kind === 'arc'
    if (curved || stopsShort(i)) return ['square', 'square'] as const
    return cornerJoint(
      angles[i]!,
      choice,
      isLong(point(i - 1), point(i), before.side, choice),
      isLong(point(i), point(i + 1), path[i]!.side, choice),
    )
  })
  return path.flatMap((corner, i): Strip[] => {
    if (corner.run.kind === 'arc') return []
    const [from, to] = [point(i), point(i + 1)]
    const j = (i + 1) % n
    const t = thicknessOf(corner.side)
    const endAt = (k: number, kind: StripEndKind, other: SideId): StripEnd => {
      const end = stripEnd(kind, angles[k]!, t, thicknessOf(other), kind === 'over' ? choice.runPast : 0)
      const round = !stopsShort(k) ? 0 : angles[k]! > 180 ? postReach(path, k, t) : filletReach(path, k)
      return { ...end, inside: end.inside - round, outside: end.outside - round }
    }
    const start = endAt(i, joints[i]![1], path[(i + n - 1) % n]!.side)
    const end = endAt(j, joints[j]![0], path[j]!.side)
    const sideLength = Math.hypot(to[0] - from[0], to[1] - from[1])
    const [ux, uy] = [(to[0] - from[0]) / sideLength, (to[1] - from[1]) / sideLength]
    const at = (along: number, out: number): Point => [
      from[0] + ux * along + uy * out,
      from[1] + uy * along - ux * out,
    ]
    return [
      {
        side: corner.side,
        from,
        to,
        thickness: t,
        start,
        end,
        sideLength,
        length:
          sideLength + Math.max(start.inside, start.outside, -sideLength) + Math.max(end.inside, end.outside),
        corners: [
          at(-start.inside, 0),
          at(sideLength + end.inside, 0),
          at(sideLength + end.outside, t),
          at(-start.outside, t),
        ],
      },
    ]
  })
}

/** A strip's plan as a loop of its own, anticlockwise; it stands to the right of its side. */
export function stripLoop({ side, corners: [a, b, c, d] }: Strip): Loop {
  const turned = [d, c, b, a]
  return turned.map((from, i) => ({
    name: i === 2 ? stripFace(side) : `strip/${side}/${['back', 'end', '', 'end'][i]!}`,
    from,
    to: turned[(i + 1) % 4]!,
    arc: null,
  }))
}

/** Whether a side's strip laps over its neighbours: by its name in a rectangle, by its way in any other plan. */
function isLong(from: Point, to: Point, side: SideId, { corners }: StripChoice): boolean {
  if (corners === 'pinwheel') return false
  const along =
    side === 'front' || side === 'back'
      ? true
      : side === 'left' || side === 'right'
        ? false
        : Math.abs(to[0] - from[0]) >= Math.abs(to[1] - from[1])
  return along === (corners === 'front-and-back-long')
}

/** What the face of a strip that meets the concrete is called in its outline. */
export const stripFace = (side: string): string => `strip/${side}/face`
