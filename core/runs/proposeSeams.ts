import type { Run } from '../job/index.ts'
import { runPlan } from './runOutline.ts'

export type SeamSchool = 'clear' | 'through'

export type SeamLimits = {
  /** What the team lifts, kg. */
  readonly liftKg: number
  /** The longest mould base there is, mm. */
  readonly longest: number
  readonly hardenedKgPerM3: number
}

/** A seam stays this far from an opening when it is kept clear, mm. */
const CLEAR = 120

/**
 * Seams so that each piece can be lifted and its base cut from one board: each leg in equal parts, then each seam moved
 * clear of openings, or to the middle of the nearest one (a short seam, easily hidden, but two weak bridges).
 */
export function proposeSeams(
  run: Run,
  limits: SeamLimits,
  school: SeamSchool,
): { leg: number; at: number }[] {
  const plan = runPlan(run)
  return plan.legs.flatMap((leg, index) => {
    const along = (p: readonly [number, number]) =>
      (p[0] - leg.start[0]) * leg.along[0] + (p[1] - leg.start[1]) * leg.along[1]
    const reach = leg.ring.map(along)
    const [from, to] = [Math.min(...reach), Math.max(...reach)]
    const kgPerMm2 = (run.thickness * limits.hardenedKgPerM3) / 1e9
    const kgPerMm = (leg.depth - run.wallGap) * kgPerMm2
    const openings = run.openings.filter((o) => o.leg === index)
    /** Whether the part between two seams can be lifted, openings off, and its base cut from one board. */
    const fits = (p: number, q: number): boolean => {
      const open = openings.reduce((sum, o) => {
        const shared = Math.min(q, o.at + o.length / 2) - Math.max(p, o.at - o.length / 2)
        return sum + Math.max(0, shared) * o.width
      }, 0)
      return q - p > 1 && q - p <= limits.longest && (q - p) * kgPerMm - open * kgPerMm2 <= limits.liftKg
    }
    return freeStretches(run, index, from, to).flatMap((stretch) =>
      seamsOf(run, index, stretch, fits, school).map((at) => ({ leg: index, at })),
    )
  })
}

/** So many parts are tried, and a part is no narrower than this, mm. */
const MOST_PARTS = 24
const LEAST_PART = 200

/** Seams of one stretch, in order: the fewest equal parts that all fit once their seams are moved. */
function seamsOf(
  run: Run,
  leg: number,
  [a, b]: readonly [number, number],
  fits: (from: number, to: number) => boolean,
  school: SeamSchool,
): number[] {
  const most = Math.max(1, Math.min(MOST_PARTS, Math.floor((b - a) / LEAST_PART)))
  let equal: number[] = []
  for (let count = 1; count <= most; count += 1) {
    equal = Array.from({ length: count - 1 }, (_, i) => Math.round(a + ((b - a) * (i + 1)) / count))
    const taken = new Set<number>()
    const moved = equal.map((wanted) => {
      const at = Math.round(place(run, leg, wanted, school, [a, b], taken))
      taken.add(at)
      return at
    })
    moved.sort((p, q) => p - q)
    if ([...moved, b].every((at, i) => fits(moved[i - 1] ?? a, at))) return moved
  }
  return equal
}

/** The stretches of a leg between the gaps left for appliances. */
function freeStretches(run: Run, leg: number, from: number, to: number): [number, number][] {
  const gaps = run.gaps.filter((g) => g.leg === leg).sort((a, b) => a.at - b.at)
  const out: [number, number][] = []
  let at = from
  for (const g of gaps) {
    if (g.at > at) out.push([at, g.at])
    at = Math.max(at, g.at + g.width)
  }
  if (to > at) out.push([at, to])
  return out
}

function place(
  run: Run,
  leg: number,
  wanted: number,
  school: SeamSchool,
  [a, b]: readonly [number, number],
  taken: ReadonlySet<number>,
): number {
  const openings = run.openings.filter((o) => o.leg === leg && o.at > a && o.at < b)
  if (school === 'through') {
    const near = openings
      .filter((o) => !taken.has(Math.round(o.at)))
      .sort((p, q) => Math.abs(p.at - wanted) - Math.abs(q.at - wanted))[0]
    return near && Math.abs(near.at - wanted) < (b - a) / 3 ? near.at : wanted
  }
  const blocking = openings.find((o) => Math.abs(o.at - wanted) < o.length / 2 + CLEAR)
  if (!blocking) return wanted
  const sides = [blocking.at - blocking.length / 2 - CLEAR, blocking.at + blocking.length / 2 + CLEAR]
  const free = sides.filter((s) => s > a + CLEAR && s < b - CLEAR)
  return [...(free.length > 0 ? free : sides)].sort((p, q) => Math.abs(p - wanted) - Math.abs(q - wanted))[0]!
}
