import {
  boundLoop,
  combineRegions,
  type Kernel,
  type Loop,
  loopRegion,
  measureLoop,
  measureRegion,
  type Region,
  type SolidRecipe,
  type Vector,
} from '../geometry/index.ts'
import { footOf, type MouldPart } from '../mould/index.ts'
import type { Tilt } from './tilt.ts'
import { tiltOut } from './tiltOut.ts'
import { wayOut } from './wayOut.ts'

export type Trapped = { readonly partId: string; readonly name: string; readonly by: string }

/** The slab as poured: its plan, openings and height. */
export type CastSlab = {
  /** As it lies in the pour; where it is there, what a plan says to be held is tried by moving solids. */
  readonly solid?: SolidRecipe | null
  readonly outline: Loop
  readonly openings: readonly Loop[]
  readonly thickness: number
}

/** A part that is pulled this far without touching anything is free: walls here are straight, mm. */
const PULL = 10
/** Overlaps below this are touching, mm2. */
const TOUCH = 0.05

type Box = ReturnType<typeof boundLoop>
type Standing = {
  readonly name: string
  readonly region: Region
  readonly box: Box
  readonly low: number
  readonly high: number
}

/** What cannot leave, of which parts the way out was looked at, and the ways of those that leave by another than their pull. */
export type LookedAt = {
  readonly trapped: readonly Trapped[]
  readonly examined: readonly string[]
  readonly ways: ReadonlyMap<string, Vector>
  /** Of those that leave by no straight way but tilted off. */
  readonly tilts: ReadonlyMap<string, Tilt>
}

/**
 * The rigid parts of a slab's mould that cannot leave, all taken off in the order given. A strip or corner block is
 * pulled straight out in plan and must sweep through nothing that still stands; a knockout leaves along z and must lie
 * wholly in its opening. What a plan says to be held is moved as a solid, by more ways than its own pull, before it is
 * told. What blocks a part is named. Only parts that are drawn by a plan are looked at.
 */
export function trappedParts(
  kernel: Kernel,
  slab: CastSlab,
  parts: readonly MouldPart[],
  order: readonly string[],
  rigid: ReadonlySet<string>,
): LookedAt {
  const standing = new Map(parts.flatMap((p) => (footOf(p) ? [[p.id, standingPart(p)] as const] : [])))
  const meets = slabMeeting(kernel, slab)
  const trapped: Trapped[] = []
  const examined: string[] = []
  const ways = new Map<string, Vector>()
  const tilts = new Map<string, Tilt>()
  for (const id of order) {
    const part = parts.find((p) => p.id === id)
    const own = standing.get(id)
    if (!part || !own) continue
    standing.delete(id)
    // A skin peels: nothing rigid holds it.
    if (!rigid.has(id)) continue
    examined.push(id)
    const upright = part.role === 'knockout' || part.role === 'wrap'
    const swept = upright ? own.region : sweptPlan(kernel, part)
    const box = boxOf(swept)
    // A part that leans is set against the plan at its own foot, which is not the slab's: it moves off its face.
    const inSlab = part.recipe.kind === 'prism' && own.low < slab.thickness - 1e-6 && own.high > 1e-6
    const others = upright ? [] : [...standing.values()]
    const blocker = others.find(
      (o) =>
        o.low < own.high - 1e-6 &&
        own.low < o.high - 1e-6 &&
        boxesMeet(box, o.box) &&
        sharedArea(kernel, swept, o.region) > TOUCH,
    )
    const by = inSlab && meets(swept, box) > TOUCH ? 'the slab' : blocker?.name
    if (!by) continue
    // Only what it could reach on its way by its own size.
    const reach = Math.max(part.lengthMm, part.widthMm, part.thicknessMm) * 1.1
    const { min, max } = own.box
    const around: Box = {
      min: [min[0] - reach, min[1] - reach],
      max: [max[0] + reach, max[1] + reach],
    }
    const left = parts.filter((p) => {
      const other = standing.get(p.id)
      return other !== undefined && boxesMeet(around, other.box)
    })
    const round = slab.solid ? [slab.solid, ...left.map((p) => p.recipe)] : []
    const way = slab.solid ? wayOut(kernel, part, round) : null
    const tilt = slab.solid && !way ? tiltOut(kernel, part, round) : null
    if (way) ways.set(id, way)
    else if (tilt) tilts.set(id, tilt)
    else trapped.push({ partId: id, name: part.name, by })
  }
  return { trapped, examined, ways, tilts }
}

/** Area two regions share; a part that has exactly its opening's shape is measured without cutting. */
const sharedArea = (kernel: Kernel, a: Region, b: Region): number =>
  sameRing(a, b) ? measureRegion(a) : measureRegion(combineRegions(kernel, 'intersection', [a, b]))

function sameRing([a, ...more]: Region, [b, ...others]: Region): boolean {
  if (!a || !b || more.length > 0 || others.length > 0 || a.length !== b.length) return false
  return a.every(([x, y], i) => Math.abs(x - b[i]![0]) < 1e-9 && Math.abs(y - b[i]![1]) < 1e-9)
}

const boxesMeet = (a: Box, b: Box): boolean =>
  a.min[0] < b.max[0] - 1e-6 &&
  b.min[0] < a.max[0] - 1e-6 &&
  a.min[1] < b.max[1] - 1e-6 &&
  b.min[1] < a.max[1] - 1e-6

const boxWithin = (a: Box, b: Box): boolean =>
  a.min[0] >= b.min[0] && a.min[1] >= b.min[1] && a.max[0] <= b.max[0] && a.max[1] <= b.max[1]

function boxOf(region: Region): Box {
  let [left, low, right, high] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const ring of region)
    for (const [x, y] of ring) {
      left = Math.min(left, x)
      right = Math.max(right, x)
      low = Math.min(low, y)
      high = Math.max(high, y)
    }
  return { min: [left, low], max: [right, high] }
}

/** Area a region shares with the concrete: with the outline, less what lies in openings; only near ones are looked at. */
function slabMeeting(kernel: Kernel, { outline, openings }: CastSlab): (region: Region, box: Box) => number {
  const whole = { region: loopRegion(outline), box: boundLoop(outline) }
  const rounding = Math.max(0, ...outline.map((segment) => segment.arc?.radius ?? 0))
  // In a plain rectangle what lies between the rounded corners lies in the slab; another plan is always cut.
  const { area } = measureLoop(outline)
  const boxed = (whole.box.max[0] - whole.box.min[0]) * (whole.box.max[1] - whole.box.min[1])
  const plain = boxed - area <= (4 - Math.PI) * rounding ** 2 + 1e-6
  const clear: Box = {
    min: [whole.box.min[0] + rounding, whole.box.min[1] + rounding],
    max: [whole.box.max[0] - rounding, whole.box.max[1] - rounding],
  }
  const holes = openings.map((loop) => ({ region: loopRegion(loop), box: boundLoop(loop) }))
  return (region, box) => {
    if (!boxesMeet(box, whole.box)) return 0
    const inHoles = holes
      .filter((h) => boxesMeet(box, h.box))
      .reduce((sum, h) => sum + sharedArea(kernel, region, h.region), 0)
    return (
      (plain && boxWithin(box, clear) ? measureRegion(region) : sharedArea(kernel, region, whole.region)) -
      inHoles
    )
  }
}

function standingPart(part: MouldPart): Standing {
  const outline = footOf(part)
  if (!outline) throw new Error('only parts with a plan stand')
  const level =
    part.recipe.kind === 'prism' || part.recipe.kind === 'loft' ? part.recipe : { low: 0, high: 1 }
  return {
    name: part.name,
    region: loopRegion(outline),
    box: boundLoop(outline),
    low: level.low,
    high: level.high,
  }
}

/** The ground a part crosses on its way out: its plan moved by steps along its pull. */
function sweptPlan(kernel: Kernel, part: MouldPart): Region {
  const outline = footOf(part)
  if (!outline) throw new Error('only parts with a plan are pulled')
  const [dx, dy] = part.pull
  const [plan] = loopRegion(outline)
  const moved = [0.25, 0.5, 0.75, 1].map((t) => [
    plan!.map(([x, y]) => [x + dx * PULL * t, y + dy * PULL * t] as const),
  ])
  return combineRegions(kernel, 'union', moved)
}
