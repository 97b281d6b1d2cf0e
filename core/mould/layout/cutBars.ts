import { type BarKind, boundBars, completeBars, type Pattern } from './completeBars.ts'
import { relaxBars } from './relaxBars.ts'

/** A length to be cut, mm. */
export type BarPart = { readonly id: string; readonly length: number }

export type BarLayout = {
  /** Bars by the parts cut from each, in order from its end. */
  readonly bars: readonly (readonly BarPart[])[]
  readonly tooLong: readonly string[]
  /** No cutting uses fewer. */
  readonly lowerBound: number
  readonly proven: boolean
}

/** Steps of the exact search before the best so far is kept: a count, so that every host gives the same cutting. */
const MOST_STEPS = 300_000
/** Bars that are left when what remains is completed exactly, and the steps for it. */
const SHORT = 5
const REST_STEPS = 20_000
/** How often a way may leave the pattern that is cut most, and the steps of relaxing. */
const LEAVES = 4
const RELAX_STEPS = 3_000_000
/** Steps of a first try, which most lists need no more than. */
const SOON_STEPS = 60_000
const SLACK = 1e-6

/**
 * Lengths cut from bars of one length, a kerf between neighbours: as few bars as two bounds say (dual feasible functions;
 * the cutting that may cut a pattern half a time), found by rounding that cutting down bar by bar, else by completing
 * bars one after another; one bar more where that is shown not to go, until the steps are used up (of which `effort`
 * gives more). Parts longer than a bar are told.
 */
export function cutBars(parts: readonly BarPart[], bar: number, kerf: number, effort = 1): BarLayout {
  const room = bar + kerf
  const fits = parts.filter((p) => p.length + kerf <= room + SLACK)
  const tooLong = parts.filter((p) => !fits.includes(p)).map((p) => p.id)
  const sorted = [...fits].sort((a, b) => b.length - a.length)
  const kinds = kindsOf(sorted, kerf)
  const counted = kinds.map(({ size, parts: own }) => ({ size, count: own.length }))
  const first = firstFit(sorted, room, kerf)
  const done = (bars: BarPart[][], lowerBound: number): BarLayout => ({
    bars,
    tooLong,
    lowerBound,
    proven: bars.length === lowerBound,
  })
  let bound = boundBars(
    counted.map((k) => k.size),
    counted.map((k) => k.count),
    room,
  )
  if (first.length <= bound) return done(first, first.length)
  const soon = completeBars(counted, room, bound, SOON_STEPS)
  if (soon.patterns) return done(handOut(soon.patterns, kinds), bound)
  bound = Math.max(bound, relaxBars(counted, room, effort * RELAX_STEPS).bound)
  if (first.length <= bound) return done(first, first.length)
  const rounded = roundDown(counted, room, bound, effort)
  if (rounded) return done(handOut(rounded, kinds), bound)
  for (let [bars, steps] = [bound, effort * MOST_STEPS]; bars < first.length && steps > 0; bars += 1) {
    const found = completeBars(counted, room, bars, steps)
    if (found.patterns) return done(handOut(found.patterns, kinds), bound)
    steps -= found.steps
    // What was not looked through to the end may go yet: the bound stays, one more bar is tried.
    if (found.whole && bars === bound) bound += 1
  }
  return done(first, bound)
}

/**
 * A cutting of so many bars by rounding: the relaxed cutting's patterns are cut as often as they go whole, else the one
 * that is cut most; what is left is relaxed again, and completed exactly once it is short. Ways that leave that choice
 * once are tried before those that leave it twice. Null where none is found.
 */
function roundDown(kinds: readonly BarKind[], room: number, bars: number, effort: number): Pattern[] | null {
  let relaxing = effort * RELAX_STEPS
  const search = (left: readonly number[], most: number, leaves: number): Pattern[] | null => {
    const open = kinds.map((_, k) => k).filter((k) => left[k]! > 0)
    if (open.length === 0) return []
    if (most === 0 || relaxing <= 0) return null
    const rest = open.map((k) => ({ size: kinds[k]!.size, count: left[k]! }))
    const spread = (pattern: Pattern) =>
      kinds.map((_, k) => (open.includes(k) ? pattern[open.indexOf(k)]! : 0))
    if (most <= SHORT) return completeBars(rest, room, most, REST_STEPS).patterns?.map(spread) ?? null
    const { bound, patterns, steps } = relaxBars(rest, room, relaxing)
    relaxing -= steps
    if (bound > most) return null
    const sorted = [...patterns].sort((p, q) => q.times - p.times)
    const whole = sorted.filter((p) => p.times >= 1 - SLACK)
    const ways = [
      whole.length > 0 ? whole : sorted.slice(0, 1),
      ...sorted.slice(1, 1 + leaves).map((p) => [p]),
    ]
    for (const [i, way] of ways.entries()) {
      const after = [...left]
      const cut: Pattern[] = []
      for (const { pattern, times } of way)
        for (let n = 0; n < Math.max(1, Math.floor(times + SLACK)); n += 1) {
          const own = spread(pattern)
          if (own.some((count, k) => count > after[k]!)) break
          cut.push(own)
          own.forEach((count, k) => {
            after[k] = after[k]! - count
          })
        }
      const found = search(after, most - cut.length, leaves - i)
      if (found) return [...cut, ...found]
    }
    return null
  }
  const counts = kinds.map((k) => k.count)
  for (let leaves = 0; leaves <= LEAVES && relaxing > 0; leaves += 1) {
    const found = search(counts, bars, leaves)
    if (found) return found
  }
  return null
}

type Kind = { readonly size: number; readonly parts: BarPart[] }

/** Equal lengths as one kind, longest first; each takes a kerf with it. */
function kindsOf(sorted: readonly BarPart[], kerf: number): Kind[] {
  const kinds: Kind[] = []
  for (const part of sorted) {
    const last = kinds.at(-1)
    if (last && last.parts[0]!.length - part.length < SLACK) last.parts.push(part)
    else kinds.push({ size: part.length + kerf, parts: [part] })
  }
  return kinds
}

/** Gives each place of the patterns its own part again. */
function handOut(patterns: readonly Pattern[], kinds: readonly Kind[]): BarPart[][] {
  const next = kinds.map(() => 0)
  return patterns.map((pattern) =>
    pattern.flatMap((count, k) => {
      const from = next[k]!
      next[k] = from + count
      return kinds[k]!.parts.slice(from, from + count)
    }),
  )
}

function firstFit(sorted: readonly BarPart[], room: number, kerf: number): BarPart[][] {
  const bars: { left: number; parts: BarPart[] }[] = []
  for (const part of sorted) {
    const size = part.length + kerf
    const bar = bars.find((b) => size <= b.left + SLACK)
    if (bar) {
      bar.left -= size
      bar.parts.push(part)
    } else bars.push({ left: room - size, parts: [part] })
  }
  return bars.map((b) => b.parts)
}
