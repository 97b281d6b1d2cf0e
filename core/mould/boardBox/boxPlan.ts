import {
  boundLoop,
  insetPath,
  type Loop,
  type PathCorner,
  type Point,
  pathLoop,
  rectangleLoop,
  type Vector,
} from '../../geometry/index.ts'
import type { BoxChoice, SideId } from '../../job/index.ts'
import { OUTLINE_NAMES } from '../../piece/index.ts'
import { type BentSide, bentSides, isRing } from './bentSides.ts'
import { interiorAngle } from './interiorAngle.ts'
import { type Lean, type LeaningStrip, leanInset, leaningStrips, leans, UPRIGHT } from './leaning.ts'
import { lapsOver, leavingOrder, stripPull } from './leaving.ts'
import { boxStrips, type Strip, stripLoop } from './strips.ts'

export type BoxPlan = {
  readonly base: { readonly outline: Loop; readonly length: number; readonly width: number }
  /** Where sides lean and go round its edge, its plan at its own underside. */
  readonly baseUnder: readonly PathCorner[] | null
  /** Skins along its curved sides; one round the whole when `ring`. */
  readonly bent: readonly BentSide[]
  readonly ring: boolean
  readonly baseLow: number
  readonly stripLow: number
  /** In the order of the plan; `leaves` is the place of each in the order in which they come off. */
  readonly strips: readonly (Strip & {
    readonly loop: Loop
    readonly pull: Vector
    readonly leaves: number
    /** Sides whose strips lap over this one and leave before it. */
    readonly under: readonly SideId[]
    readonly high: number
    /** How it is cut and stands where sides lean; null in an upright box. */
    readonly leaning: LeaningStrip | null
  })[]
}

/** What of a choice says how a box stands. */
export type BoxSetting = Pick<
  BoxChoice,
  'school' | 'corners' | 'insideCorners' | 'runPast' | 'rounds' | 'baseMargin'
>

type Boards = {
  readonly base: number
  readonly sides: (side: SideId) => number
  readonly skin: number
}

/** How the sides stand: each one's lean, and how high its strip is where it is not the fill's own depth. */
export type Standing = {
  readonly leanOf: (side: SideId) => Lean
  readonly highOf?: (side: SideId) => number
}
const ALL_UPRIGHT: Standing = { leanOf: () => UPRIGHT }

/**
 * Where base and strips stand round a path of straight sides, z = 0 the base's face. Wrap: the base is the piece's plan
 * and the strips go round its edge; stand and mitre: the strips stand on a wider base, a plain rectangle.
 * 900 x 500 x 45, t 18, wrap: base 900 x 500, strips 936 x 63 and 500 x 63; stand: base 936 x 536, strips 45 wide.
 */
export function boxPlan(
  path: readonly PathCorner[],
  thickness: number,
  { base, sides, skin }: Boards,
  choice: BoxSetting,
  outline: Loop,
  { leanOf, highOf = () => thickness }: Standing = ALL_UPRIGHT,
  /** What the sides are called as placed. */
  names: ReadonlyMap<SideId, string> = new Map(path.map(({ side }) => [side, side])),
): BoxPlan {
  const bent = bentSides(path, outline, skin, choice.rounds === 'bent', names)
  const wrap = choice.school === 'wrap'
  const leaning = path.some((c) => leans(leanOf(c.side)))
  const foot = leaning ? insetPath(path, (side) => leanOf(side).at) : path
  const across = (side: SideId) => sides(side) * Math.hypot(1, leanOf(side).slope)
  const strips = boxStrips(foot, across, choice)
  const order = leavingOrder(strips)
  const laps = lapsOver(strips)
  const stripLow = wrap ? -base : 0
  const stands = leaning
    ? leaningStrips(path, sides, choice, leanOf, (side) => [stripLow, highOf(side)])
    : null
  const out = wrap ? 0 : choice.baseMargin
  const roundsBent = choice.rounds === 'bent'
  const under = leaning ? insetPath(path, (side) => leanInset(leanOf(side), -base)) : null
  const corners = wrap
    ? [foot, ...(under ? [under] : [])].flatMap((level) => boxOf(wrappedBase(level, roundsBent)))
    : [
        ...boxStrips(foot, across, { ...choice, runPast: 0 }).flatMap((s) => s.corners),
        ...bent.flatMap((b) => boxOf(b.rib)),
      ]
  const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
  const min = [Math.min(...xs) - out, Math.min(...ys) - out] as const
  const size = { length: Math.max(...xs) + out - min[0], width: Math.max(...ys) + out - min[1] }
  return {
    base: {
      ...size,
      outline: wrap
        ? wrappedBase(foot, roundsBent)
        : rectangleLoop([min[0], min[1]], size.length, size.width, [0, 0, 0, 0], {
            sides: ['base/front', 'base/right', 'base/back', 'base/left'],
            corners: ['base', 'base', 'base', 'base'],
          }),
    },
    baseUnder: wrap ? under : null,
    bent,
    ring: isRing(path),
    baseLow: -base,
    stripLow,
    strips: strips.map((strip, i) => ({
      ...strip,
      loop: stripLoop(strip),
      high: highOf(strip.side),
      leaning: stands?.get(strip.side) ?? null,
      pull: stripPull(strips, i),
      leaves: order.indexOf(i),
      // In a ring of laps the one it is begun at is under nothing any more.
      under: [...laps[i]!].filter((j) => order.indexOf(j) < order.indexOf(i)).map((j) => strips[j]!.side),
    })),
  }
}

/** The piece's plan, sharp where a block will round it from inside, round where strips stop short of the corner. */
function wrappedBase(path: readonly PathCorner[], roundsBent: boolean): Loop {
  const n = path.length
  const at = (i: number) => [path[(i + n) % n]!.x, path[(i + n) % n]!.y] as const
  const sharp = path.map((c, i) =>
    roundsBent || interiorAngle(at(i - 1), at(i), at(i + 1)) > 180 ? c : { ...c, radius: 0 },
  )
  return pathLoop(sharp, { side: (id) => `base/${id}`, corner: OUTLINE_NAMES.corner })
}

const boxOf = (loop: Loop): Point[] => {
  const { min, max } = boundLoop(loop)
  return [min, max]
}

/** Extents of a loop, mm. */
export function extents(loop: Loop): [length: number, width: number] {
  const { min, max } = boundLoop(loop)
  return [max[0] - min[0], max[1] - min[1]]
}
