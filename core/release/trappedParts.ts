import {
  boundLoop,
  combineRegions,
  type Kernel,
  type Loop,
  loopRegion,
  measureRegion,
  type Region,
} from '../geometry/index.ts'
import type { MouldPart } from '../mould/index.ts'

export type Trapped = { readonly partId: string; readonly name: string; readonly by: string }

/** The slab as poured: its plan, openings and height. */
export type CastSlab = {
  readonly outline: Loop
  readonly openings: readonly Loop[]
  readonly thickness: number
}

/** A part that is pulled this far without touching anything is free: walls here are straight, mm. */
const PULL = 10
/** Overlaps below this are touching, mm2. */
const TOUCH = 0.05

type Standing = {
  readonly id: string
  readonly name: string
  readonly region: Region
  readonly low: number
  readonly high: number
}

/**
 * The parts that cannot leave, taken off in the order given. A strip or corner block is pulled straight out in plan and
 * must sweep through nothing that still stands; a knockout leaves along z and must lie wholly in its opening. What
 * blocks a part is named.
 */
export function trappedParts(
  kernel: Kernel,
  slab: CastSlab,
  parts: readonly MouldPart[],
  order: readonly string[],
): Trapped[] {
  const concrete: Standing = {
    id: 'piece',
    name: 'the slab',
    region: solidPlan(kernel, slab.outline, slab.openings),
    low: 0,
    high: slab.thickness,
  }
  const standing = new Map(
    parts.flatMap((p) => (p.recipe.kind === 'prism' ? [[p.id, standingPart(kernel, p)] as const] : [])),
  )
  const overlap = (a: Region, b: Region) =>
    measureRegion(combineRegions(kernel, 'intersection', [a, b])) > TOUCH
  const trapped: Trapped[] = []
  for (const id of order) {
    const part = parts.find((p) => p.id === id)
    const own = standing.get(id)
    if (!part || !own) continue
    standing.delete(id)
    const upright = part.role === 'knockout' || part.role === 'wrap' || part.role === 'base'
    const swept = upright ? own.region : sweptPlan(kernel, part, slab.outline)
    const others = upright ? (part.role === 'base' ? [] : [concrete]) : [concrete, ...standing.values()]
    const blocker = others.find(
      (o) => o.low < own.high - 1e-6 && own.low < o.high - 1e-6 && overlap(swept, o.region),
    )
    if (blocker) trapped.push({ partId: id, name: part.name, by: blocker.name })
  }
  return trapped
}

const solidPlan = (kernel: Kernel, outline: Loop, holes: readonly Loop[]): Region =>
  holes.length === 0
    ? loopRegion(outline)
    : combineRegions(kernel, 'difference', [loopRegion(outline), ...holes.map(loopRegion)])

function standingPart(kernel: Kernel, part: MouldPart): Standing {
  if (part.recipe.kind !== 'prism') throw new Error('only straight parts stand')
  const { outline, holes, low, high } = part.recipe
  return { id: part.id, name: part.name, region: solidPlan(kernel, outline, holes), low, high }
}

/** The ground a part crosses on its way out: its plan moved by steps outward from the slab's middle side. */
function sweptPlan(kernel: Kernel, part: MouldPart, outline: Loop): Region {
  if (part.recipe.kind !== 'prism') throw new Error('only straight parts are pulled')
  const [slab, own] = [boundLoop(outline), boundLoop(part.recipe.outline)]
  const beyond = [
    own.min[0] >= slab.max[0] - 1e-6,
    own.max[0] <= slab.min[0] + 1e-6,
    own.min[1] >= slab.max[1] - 1e-6,
    own.max[1] <= slab.min[1] + 1e-6,
  ]
  const middle = (k: 0 | 1) => Math.sign((own.min[k] + own.max[k] - slab.min[k] - slab.max[k]) / 2)
  const [dx, dy] = beyond.some(Boolean)
    ? [beyond[0] ? 1 : beyond[1] ? -1 : 0, beyond[2] ? 1 : beyond[3] ? -1 : 0]
    : [middle(0) * Math.SQRT1_2, middle(1) * Math.SQRT1_2]
  const [plan] = loopRegion(part.recipe.outline)
  const moved = [0.25, 0.5, 0.75, 1].map((t) => [
    plan!.map(([x, y]) => [x + dx * PULL * t, y + dy * PULL * t] as const),
  ])
  return combineRegions(kernel, 'union', moved)
}
