import { ageForStrength, equivalentAge, rateAt, temperatureAt, timeForAge } from '../ageing/index.ts'
import { STRIP_MPA } from '../release/index.ts'
import type { Ageing, Timed } from '../work/index.ts'
import { type Chance, chanceOf, type Odds, oddsOf } from './chance.ts'
import { PACE, PLACED, SET_PARTS } from './pourDay.ts'

/** How far each thing may be from its mean: a share of it, or degC and a chance [own]. */
export const SPREADS = {
  mix: 0.2,
  carry: 0.25,
  place: 0.3,
  /** All other work of hands: joining, compacting, laying steel, striking off. */
  hands: 0.25,
  set: 0.15,
  yield: 0.03,
  water: 0.04,
  degC: 2,
  stoppage: 0.02,
  /** Left in tub, barrow and on tools, of what is mixed, and how far that may be out. */
  lost: 0.03,
  lostBy: 0.5,
} as const
export type Spreads = { readonly [K in keyof typeof SPREADS]: number }
/** A stoppage, minutes; what is stripped this much later than planned is late, of the time planned [own]. */
const STOPPAGE = 20
const LATE = 0.25
export const REHEARSALS = { runs: 2000, seed: 1 } as const

/** Three of a hundred outcomes: 5 are below the low, half below the middle, 5 above the high. Minutes. */
export type Spread = {
  readonly lowMinutes: number
  readonly middleMinutes: number
  readonly highMinutes: number
}

export type Rehearsal = {
  readonly runCount: number
  /** What covers a lift finds it set. */
  readonly coldJoint: Odds
  /** The form is not full when the last batch is placed. */
  readonly outOfMix: Odds
  /** The last lift is struck off after it has ceased to work. */
  readonly outOfTime: Odds
  /** It is strong enough for its sides to come off more than a quarter later than planned. */
  readonly stripLate: Odds
  readonly placedBy: Spread
  readonly strip: Spread | null
}

export type Rehearsed = {
  /** What the day plans, with its times. */
  readonly work: readonly Timed[]
  readonly ageing: Ageing
  readonly mix: {
    /** Needed in the form, and mixed in all. */
    readonly volumeLitres: number
    readonly mixedLitres: number
    readonly waterLitres: number
    readonly cementKg: number
  }
  readonly people: number
}

type Step = {
  readonly kind: 'mix' | 'place' | 'hands'
  readonly id: string
  readonly minutes: number
  /** Of placing, what is carrying. */
  readonly carry: number
  /** The batch whose water the concrete it meets, or that it works on, is as old as; null where nothing waits. */
  readonly meets: string | null
  readonly works: string | null
}

/**
 * The pour gone through many times, each with other luck: how long each thing takes, when the mix sets, what it yields, how
 * warm it is. From the first water to the last of it struck off. Null of coats, whose back waits for its face, and of a day
 * that cannot be planned. The same seed gives the same odds.
 */
export function rehearsePour(
  told: Rehearsed,
  { runs, seed }: { readonly runs: number; readonly seed: number } = REHEARSALS,
  spreads: Spreads = SPREADS,
): Rehearsal | null {
  const steps = stepsOf(told)
  const last = steps.at(-1)
  if (!last || told.work.some((op) => op.code === 'place-face')) return null
  const chance = chanceOf(seed)
  const { ageing, mix } = told
  const warm = temperatureAt(ageing.course, 0)
  const strip = stripper(told, spreads)
  const planned = strip(1, 1, ageing.lastWater)
  let [cold, out, late, slow] = [0, 0, 0, 0]
  const [placed, stripped]: [number[], number[]] = [[], []]
  for (let run = 0; run < runs; run++) {
    const setBy = chance.factor(spreads.set)
    // Warmer by so much, all of it goes so much faster.
    const faster = rateAt(warm + spreads.degC * chance.normal()) / rateAt(warm)
    const water = chance.factor(spreads.water)
    const litres =
      mix.mixedLitres * chance.factor(spreads.yield) * (1 - spreads.lost * chance.factor(spreads.lostBy))
    const gone = goThrough(steps, chance, spreads)
    const age = (from: number, to: number) =>
      faster * (equivalentAge(ageing.course, to) - equivalentAge(ageing.course, from))
    const sets = ageing.initialSet * setBy
    if (gone.meetings.some(([from, to]) => age(from, to) > SET_PARTS.joins * sets)) cold++
    if (age(gone.worksFrom, gone.end) > SET_PARTS.working * sets) slow++
    if (litres < mix.volumeLitres) out++
    placed.push(gone.end)
    const off = strip(faster, water, gone.lastWater)
    if (off === null || planned === null) continue
    stripped.push(off)
    if (off > planned * (1 + LATE)) late++
  }
  return {
    runCount: runs,
    coldJoint: oddsOf(cold, runs),
    outOfMix: oddsOf(out, runs),
    outOfTime: oddsOf(slow, runs),
    stripLate: oddsOf(late, runs),
    placedBy: spreadOf(placed),
    strip: stripped.length > 0 ? spreadOf(stripped) : null,
  }
}

/** Once through all of it: when it ends, what met what, and from which water the last of it is worked. */
function goThrough(steps: readonly Step[], chance: Chance, spreads: Spreads) {
  const waters = new Map<string, number>()
  const meetings: [number, number][] = []
  let [now, lastWater, worksFrom] = [0, 0, 0]
  for (const { kind, id, minutes, carry, meets, works } of steps) {
    if (kind === 'mix') {
      waters.set(id, now)
      lastWater = now
      now += minutes * chance.factor(spreads.mix) + (chance.even() < spreads.stoppage ? STOPPAGE : 0)
    } else if (kind === 'place')
      now += carry * chance.factor(spreads.carry) + (minutes - carry) * chance.factor(spreads.place)
    else now += minutes * chance.factor(spreads.hands)
    if (meets !== null) meetings.push([waters.get(meets) ?? 0, now])
    if (works !== null) worksFrom = waters.get(works) ?? 0
  }
  return { end: now, meetings, lastWater, worksFrom }
}

/** What is done from the first water until the fill is struck off, in its order. */
function stepsOf({ work, people }: Rehearsed): Step[] {
  const from = work.findIndex((op) => op.code === 'mix-batch')
  const to = work.findLastIndex((op) => PLACED.has(op.code))
  if (from < 0 || work.some((op, i) => i >= from && i <= to && op.startMinutes === null)) return []
  const since = (op: Timed, share: number): string | null =>
    op.notAfter.flatMap((c) => (c.kind === 'set' && c.setShare === share && c.since ? [c.since] : []))[0] ??
    null
  return work.slice(from, to + 1).map((op) => ({
    kind: op.code === 'mix-batch' ? 'mix' : op.code === 'place-batch' ? 'place' : 'hands',
    id: op.id,
    minutes: op.work.workMinutes,
    carry:
      op.code === 'place-batch'
        ? Math.max(0, op.work.workMinutes - (op.facts.litres / 10) * (PACE.place10Litres / people))
        : 0,
    meets: op.code === 'place-batch' ? since(op, SET_PARTS.joins) : null,
    works: PLACED.has(op.code) && op.code !== 'place-batch' ? since(op, SET_PARTS.working) : null,
  }))
}

/** When its sides may come off, with a mix so much faster and wetter; null when never. More water is a weaker mix, x (c/w - 0.5). */
function stripper({ ageing, mix }: Rehearsed, spreads: Spreads) {
  const cementPerWater = mix.waterLitres > 0 ? mix.cementKg / mix.waterLitres : 0
  const plain = spreads.water === 0 || cementPerWater <= 0.55
  const share = (water: number): number =>
    plain ? 1 : Math.max(0.1, (cementPerWater / water - 0.5) / (cementPerWater - 0.5))
  return (faster: number, water: number, lastWater: number): number | null => {
    const age = ageForStrength(ageing.curve, STRIP_MPA.sides / share(water))
    return age === null
      ? null
      : timeForAge(ageing.course, equivalentAge(ageing.course, lastWater) + age / faster)
  }
}

function spreadOf(outcomes: number[]): Spread {
  const sorted = outcomes.toSorted((a, b) => a - b)
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!
  return { lowMinutes: at(0.05), middleMinutes: at(0.5), highMinutes: at(0.95) }
}
