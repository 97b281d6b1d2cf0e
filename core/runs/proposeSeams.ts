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
    const kgPerMm = (leg.depth * run.thickness * limits.hardenedKgPerM3) / 1e9
    const most = Math.max(200, Math.min(limits.liftKg / kgPerMm, limits.longest))
    const stretches = freeStretches(run, index, from, to)
    return stretches.flatMap(([a, b]) => {
      const count = Math.ceil((b - a) / most - 1e-9)
      return Array.from({ length: Math.max(0, count - 1) }, (_, i) => {
        const equal = a + ((b - a) * (i + 1)) / count
        return { leg: index, at: Math.round(place(run, index, equal, school, [a, b])) }
      })
    })
  })
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

function place(run: Run, leg: number, wanted: number, school: SeamSchool, [a, b]: [number, number]): number {
  const openings = run.openings.filter((o) => o.leg === leg && o.at > a && o.at < b)
  if (school === 'through') {
    const near = [...openings].sort((p, q) => Math.abs(p.at - wanted) - Math.abs(q.at - wanted))[0]
    return near && Math.abs(near.at - wanted) < (b - a) / 3 ? near.at : wanted
  }
  const blocking = openings.find((o) => Math.abs(o.at - wanted) < o.length / 2 + CLEAR)
  if (!blocking) return wanted
  const sides = [blocking.at - blocking.length / 2 - CLEAR, blocking.at + blocking.length / 2 + CLEAR]
  const free = sides.filter((s) => s > a + CLEAR && s < b - CLEAR)
  return [...(free.length > 0 ? free : sides)].sort((p, q) => Math.abs(p - wanted) - Math.abs(q - wanted))[0]!
}
