import { bandFromAbove, hullOf, type Kernel, type Point, type SolidRecipe } from '../../geometry/index.ts'
import { massToForce } from '../../units/convert.ts'

/** People push at this height, or at the top of what is lower, mm. */
const PUSHED = 1000
/** What touches the ground lies within this of the lowest point, mm. */
const TOUCHES = 1
/** Someone who sits or leans, N, and how sure that must be. */
const [PERSON, SURE] = [1000, 1.5]

/** How a piece that stands free may tip, over the edge of its foot where it tips first. */
export type Tipping = {
  /** Of its middle of gravity to that edge, in plan, and above the ground, mm. */
  readonly arm: number
  readonly high: number
  readonly pushN: number
  readonly pushedAt: number
  readonly angleDeg: number
  /** How far it stands out beyond its foot, mm, and what holds against someone there: 1 is just enough. */
  readonly overhang: number
  readonly sitShare: number | null
  readonly edge: readonly [Point, Point]
}

/** Push that tips a mass: H = W x/h. `pushToTip(100, 150, 800)` is 184 N. */
export const pushToTip = (kg: number, arm: number, height: number): number => (massToForce(kg) * arm) / height

/** Slope at which it tips by itself: atan(x/z), degrees. `tiltToTip(150, 400)` is 20.6. */
export const tiltToTip = (arm: number, high: number): number => (Math.atan2(arm, high) * 180) / Math.PI

/** What touches the ground and what is seen from above of a solid: hulls of both. */
export function footOf(
  kernel: Kernel,
  recipe: SolidRecipe,
  low: number,
  height: number,
): { readonly foot: readonly Point[]; readonly whole: readonly Point[] } {
  const band = (to: number) => hullOf(bandFromAbove(kernel, recipe, low - 1, low + to).flat())
  return { foot: band(TOUCHES), whole: band(height + 1) }
}

/** Over which edge of its foot a piece tips first; null where it does not stand: a ball on a point. */
export function tippingOf(
  { foot, whole }: { readonly foot: readonly Point[]; readonly whole: readonly Point[] },
  centre: readonly [x: number, y: number, high: number],
  kg: number,
  height: number,
): Tipping | null {
  if (foot.length < 3) return null
  const pushedAt = Math.min(PUSHED, height)
  const edges = foot.map((a, i) => [a, foot[(i + 1) % foot.length]!] as const)
  const beyond = ([a, b]: readonly [Point, Point], [x, y]: readonly [number, number]): number =>
    ((x - a[0]) * (b[1] - a[1]) - (y - a[1]) * (b[0] - a[0])) / (Math.hypot(b[0] - a[0], b[1] - a[1]) || 1)
  const all = edges.map((edge): Tipping => {
    const arm = -beyond(edge, [centre[0], centre[1]])
    const overhang = whole.reduce((most, p) => Math.max(most, beyond(edge, p)), 0)
    return {
      arm,
      high: centre[2],
      pushN: pushToTip(kg, arm, pushedAt),
      pushedAt,
      angleDeg: tiltToTip(arm, centre[2]),
      overhang,
      sitShare: overhang > 1 ? (massToForce(kg) * arm) / (SURE * PERSON * overhang) : null,
      edge,
    }
  })
  return all.reduce((worst, t) => (t.pushN < worst.pushN ? t : worst))
}
