import { clipRing, combineRegions, type Kernel, measureRegion, type Point } from '../geometry/index.ts'
import type { CornerOfPath, Run } from '../job/index.ts'
import { type LegPlan, type RunPlan, runPlan } from './runOutline.ts'

/** One piece of a run: its outline in the run's plan, which sides are seams, which openings lie in it. */
export type RunPart = {
  readonly number: number
  readonly leg: number
  readonly ring: readonly Point[]
  /** For each side from a corner to the next, what it is. */
  readonly sides: readonly ('seam' | 'wall' | 'front' | 'end')[]
  readonly openings: readonly string[]
  /** Openings that a seam runs through: notches here. */
  readonly notches: readonly string[]
  readonly areaMm2: number
  readonly volumeLitres: number
  readonly weightKg: number
  readonly lengthMm: number
  readonly widthMm: number
  /** The two diagonals of a four-cornered part: they prove template and mould. */
  readonly diagonalsMm: readonly number[]
}

export type RunProblem =
  | { readonly code: 'corner-impossible'; readonly corner: number }
  | { readonly code: 'seam-misses'; readonly seamId: string; readonly leg: number; readonly at: number }
  | { readonly code: 'opening-cut'; readonly openingId: string }
  | { readonly code: 'opening-outside'; readonly openingId: string }
  | { readonly code: 'leg-missing'; readonly leg: number }

export type SplitRun = {
  readonly plan: RunPlan
  readonly parts: readonly RunPart[]
  readonly problems: readonly RunProblem[]
}

/** What of a ring lies on one side of a line through a point, where its normal points. */
const keepSide = (ring: readonly Point[], at: Point, normal: Point): Point[] =>
  clipRing(ring, normal, at[0] * normal[0] + at[1] * normal[1])

/** The plan of an opening of the run: a rectangle along its leg. */
export function openingRing(leg: LegPlan, o: Run['openings'][number]): Point[] {
  const out = leg.depth - o.fromFront
  const at = (a: number, b: number): Point => [
    leg.start[0] + leg.along[0] * (o.at + a) + leg.out[0] * (out + b),
    leg.start[1] + leg.along[1] * (o.at + a) + leg.out[1] * (out + b),
  ]
  const [l, w] = [o.length / 2, o.width / 2]
  const ring = [at(-l, -w), at(l, -w), at(l, w), at(-l, w)]
  return measureRegion([ring]) < 0 ? ring.reverse() : ring
}

/** Splits a run into its pieces: legs by their joint, then by seams and by the gaps left for appliances. */
export function splitRun(kernel: Kernel, run: Run, hardenedKgPerM3: number): SplitRun {
  const plan = runPlan(run)
  const problems: RunProblem[] = plan.cornersDeg.flatMap((deg, corner) =>
    deg === null || deg < 30 || deg > 150 ? [{ code: 'corner-impossible', corner } as const] : [],
  )
  const half = run.seamWidth / 2
  const parts: RunPart[] = []
  for (const item of [...run.gaps, ...run.seams, ...run.openings])
    if (item.leg >= plan.legs.length) problems.push({ code: 'leg-missing', leg: item.leg })
  plan.legs.forEach((leg, index) => {
    const along = (at: number): Point => [leg.start[0] + leg.along[0] * at, leg.start[1] + leg.along[1] * at]
    const back: Point = [-leg.along[0], -leg.along[1]]
    // Cuts across the leg: from and to what is left out there.
    const cuts = [
      ...run.seams
        .filter((s) => s.leg === index)
        .map((s) => ({ id: s.id, from: s.at - half, to: s.at + half, seam: true })),
      ...run.gaps
        .filter((g) => g.leg === index)
        .map((g) => ({ id: g.id, from: g.at, to: g.at + g.width, seam: false })),
    ].sort((a, b) => a.from - b.from)
    let rest: readonly Point[] = shrinkAtJoints(plan, run, index)
    const put = (ring: readonly Point[]) => {
      if (ring.length > 2 && Math.abs(measureRegion([ring])) > 100)
        parts.push(
          toPart(
            ring,
            index,
            cuts.filter((c) => c.seam),
          ),
        )
    }
    for (const cut of cuts) {
      const before = keepSide(rest, along(cut.from), back)
      const after = keepSide(rest, along(cut.to), leg.along)
      if (
        cut.seam &&
        (before.length < 3 ||
          after.length < 3 ||
          Math.abs(measureRegion([before])) < 100 ||
          Math.abs(measureRegion([after])) < 100)
      ) {
        problems.push({ code: 'seam-misses', seamId: cut.id, leg: index, at: cut.from + half })
        continue
      }
      put(before)
      rest = after
    }
    put(rest)
  })
  for (const o of run.openings) {
    const leg = plan.legs[o.leg]
    if (!leg) continue
    const held = parts.some((p) => p.openings.includes(o.id))
    const cut = parts.filter((p) => p.notches.includes(o.id)).length
    if (!held && cut === 0) problems.push({ code: 'opening-outside', openingId: o.id })
    else if (cut > 0) problems.push({ code: 'opening-cut', openingId: o.id })
  }
  return { plan, parts: parts.map((p, i) => ({ ...p, number: i + 1 })), problems }

  function toPart(
    ring: readonly Point[],
    leg: number,
    seams: readonly { from: number; to: number }[],
  ): RunPart {
    const whole = measureRegion([ring]) < 0 ? [...ring].reverse() : [...ring]
    const own = run.openings.filter((o) => o.leg === leg)
    const cutters = own.map((o) => openingRing(plan.legs[leg]!, o))
    const held = own.filter((_, i) => within(cutters[i]!, whole)).map((o) => o.id)
    // An opening that a seam runs through becomes a notch of each of its two pieces.
    const notched = own.filter((o, i) => !held.includes(o.id) && crosses(cutters[i]!, whole))
    const notches = notched.map((o) => cutters[own.indexOf(o)]!)
    const cut =
      notches.length === 0
        ? [whole]
        : combineRegions(kernel, 'difference', [[whole], ...notches.map((n) => [n])])
    const outer = [...cut].sort((a, b) => measureRegion([b]) - measureRegion([a]))[0] ?? whole
    const area =
      measureRegion([outer]) - held.reduce((sum, id) => sum + areaOf(own.find((o) => o.id === id)!), 0)
    const volume = area * run.thickness
    const xs = outer.map((p) => p[0])
    const ys = outer.map((p) => p[1])
    const d = (i: number, j: number) => Math.hypot(outer[i]![0] - outer[j]![0], outer[i]![1] - outer[j]![1])
    return {
      number: 0,
      leg,
      ring: outer,
      sides: outer.map((p, i) => sideKind(plan, run, leg, p, outer[(i + 1) % outer.length]!, seams)),
      openings: held,
      notches: notched.map((o) => o.id),
      areaMm2: area,
      volumeLitres: volume / 1e6,
      weightKg: (volume / 1e9) * hardenedKgPerM3,
      lengthMm: Math.max(...xs) - Math.min(...xs),
      widthMm: Math.max(...ys) - Math.min(...ys),
      diagonalsMm: outer.length === 4 ? [d(0, 2), d(1, 3)] : [],
    }
  }
}

const areaOf = (o: Run['openings'][number]): number => o.length * o.width - (4 - Math.PI) * o.radius ** 2

function within(inner: readonly Point[], ring: readonly Point[]): boolean {
  return inner.every(([x, y]) =>
    ring.every((a, i) => {
      const b = ring[(i + 1) % ring.length]!
      return (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]) > -1e-6
    }),
  )
}

const crosses = (inner: readonly Point[], ring: readonly Point[]): boolean => {
  const box = (r: readonly Point[]) => [
    Math.min(...r.map((p) => p[0])),
    Math.min(...r.map((p) => p[1])),
    Math.max(...r.map((p) => p[0])),
    Math.max(...r.map((p) => p[1])),
  ]
  const [a, b] = [box(inner), box(ring)]
  return a[0]! < b[2]! && b[0]! < a[2]! && a[1]! < b[3]! && b[1]! < a[3]!
}

/** What a leg gives up at its corner: the one that butts gives the whole seam, mitred ones half each. */
const jointGives = (run: Run, index: number): number =>
  run.joint === 'mitre' ? run.seamWidth / 2 : (run.joint === 'butt-first') === index > 0 ? run.seamWidth : 0

/** A leg's plan with its share of the seam taken off where it meets its neighbour. */
function shrinkAtJoints(plan: RunPlan, run: Run, index: number): readonly Point[] {
  const { ring } = plan.legs[index]!
  const gives = jointGives(run, index)
  if (gives === 0 || plan.legs.length === 1) return ring
  const partners = index === 0 ? plan.legs.slice(1) : [plan.legs[0]!]
  let out: readonly Point[] = ring
  for (const partner of partners)
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length]!
      if (!sharesEdge(a, b, partner.ring)) return
      const length = Math.hypot(b[0] - a[0], b[1] - a[1])
      const normal: Point = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length]
      out = keepSide(out, [a[0] + normal[0] * gives, a[1] + normal[1] * gives], normal)
    })
  return out
}

/** Whether an edge lies along some edge of another ring. */
function sharesEdge(a: Point, b: Point, ring: readonly Point[]): boolean {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1])
  if (length < 1) return false
  return ring.some((p, i) => {
    const q = ring[(i + 1) % ring.length]!
    const off = (r: Point) => Math.abs((b[0] - a[0]) * (r[1] - a[1]) - (b[1] - a[1]) * (r[0] - a[0])) / length
    if (off(p) > 0.01 || off(q) > 0.01) return false
    const t = (r: Point) => ((r[0] - a[0]) * (b[0] - a[0]) + (r[1] - a[1]) * (b[1] - a[1])) / length
    return Math.min(length, Math.max(t(p), t(q))) - Math.max(0, Math.min(t(p), t(q))) > 1
  })
}

/** What a side of a part is: a seam, at a wall, at the front, or a free end. */
function sideKind(
  plan: RunPlan,
  run: Run,
  index: number,
  a: Point,
  b: Point,
  seams: readonly { from: number; to: number }[],
): RunPart['sides'][number] {
  const leg = plan.legs[index]!
  const local = (p: Point) => ({
    along: (p[0] - leg.start[0]) * leg.along[0] + (p[1] - leg.start[1]) * leg.along[1],
    out: (p[0] - leg.start[0]) * leg.out[0] + (p[1] - leg.start[1]) * leg.out[1],
  })
  const [p, q] = [local(a), local(b)]
  const near = (x: number, y: number) => Math.abs(x - y) < 0.05
  if (
    seams.some(
      (s) => (near(p.along, s.from) && near(q.along, s.from)) || (near(p.along, s.to) && near(q.along, s.to)),
    )
  )
    return 'seam'
  const gives = jointGives(run, index)
  const partners = plan.legs.filter((_, i) => (index === 0 ? i > 0 : i === 0))
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1
  const normal: Point = [-(b[1] - a[1]) / length, (b[0] - a[0]) / length]
  const out = (r: Point): Point => [r[0] - normal[0] * gives, r[1] - normal[1] * gives]
  if (partners.some((leg2) => sharesEdge(out(a), out(b), leg2.ring))) return 'seam'
  if (near(p.out, run.wallGap) && near(q.out, run.wallGap)) return 'wall'
  if (near(p.out, leg.depth) && near(q.out, leg.depth)) return 'front'
  // The end of the first leg stands at the second or third wall when it runs into the corner.
  return plan.legs.some((other, i) => i !== index && atWall(other, run.wallGap, a, b)) ? 'wall' : 'end'
}

function atWall(leg: LegPlan, gap: number, a: Point, b: Point): boolean {
  const out = (p: Point) => (p[0] - leg.start[0]) * leg.out[0] + (p[1] - leg.start[1]) * leg.out[1]
  return Math.abs(out(a) - gap) < 0.05 && Math.abs(out(b) - gap) < 0.05
}

/** A part's outline as a piece's own plan: turned so that its leg's front lies at the front, starting at the origin. */
export function partCorners(
  split: SplitRun,
  part: RunPart,
): { corners: CornerOfPath[]; toPlan: (p: Point) => Point } {
  const leg = split.plan.legs[part.leg]!
  // Along the front from left to right as one stands before the leg, and back toward the wall.
  const back: Point = [-leg.out[0], -leg.out[1]]
  const along: Point = [back[1], -back[0]]
  const turn = ([x, y]: Point): Point => [x * along[0] + y * along[1], x * back[0] + y * back[1]]
  const turned = part.ring.map(turn)
  const [x0, y0] = [Math.min(...turned.map((p) => p[0])), Math.min(...turned.map((p) => p[1]))]
  const tidy = (n: number) => Math.round(n * 100) / 100
  const count: Record<string, number> = {}
  const corners = turned.map(([x, y], i): CornerOfPath => {
    const kind = part.sides[i]!
    count[kind] = (count[kind] ?? 0) + 1
    return {
      x: tidy(x - x0),
      y: tidy(y - y0),
      radius: 0,
      side: count[kind] === 1 ? kind : `${kind}-${count[kind]}`,
      run: { kind: 'line' },
    }
  })
  return {
    corners,
    toPlan: (p) => {
      const [x, y] = turn(p)
      return [x - x0, y - y0]
    },
  }
}
