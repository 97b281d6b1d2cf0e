import type { DoneAct, PourRecord, Reading, RunningPour, Weighed } from '../job/index.ts'
import type { Batch } from '../mix/index.ts'
import {
  type Ageing,
  type Condition,
  isOfTheDay,
  isStripping,
  metAt,
  needsOf,
  type Operation,
  type Timed,
} from '../work/index.ts'
import type { Check } from './checks.ts'

/** One thing that goes into a batch, in the order in which it goes in. */
export type Part = {
  readonly key: string
  readonly what: 'water' | 'dose' | 'aggregate' | 'powder' | 'fibre'
  readonly name: string
  readonly kg: number
  /** Whole bags that are emptied, where nothing is weighed. */
  readonly bags: number
}

const WHAT = { cement: 'powder', sand: 'aggregate', stone: 'aggregate', polymer: 'dose' } as const

/** What goes into a batch before it is mixed: water less what is held back, doses, powder; fibre goes in last, while it turns. */
export function partsOf(
  { waterLitres, heldBackLitres, doses, dryKg, bags, fibreKg, ingredients }: Batch,
  mixName: string,
  weighed: boolean,
): Part[] {
  // Half a bag is weighed, not guessed.
  const whole = !weighed && Number.isInteger(bags)
  return [
    // A litre of water weighs a kilogram.
    { key: 'water', what: 'water' as const, name: 'water', kg: waterLitres - heldBackLitres, bags: 0 },
    ...doses.map((d) => ({
      key: d.doseId,
      what: 'dose' as const,
      name: d.name,
      kg: d.amountKg,
      bags: 0,
    })),
    ...(fibreKg > 0 ? [{ key: 'fibre', what: 'fibre' as const, name: 'fibre', kg: fibreKg, bags: 0 }] : []),
    // Of a mix by parts the cement goes in last: with it the clock begins.
    ...ingredients.map((i) => ({
      key: i.kind,
      what: WHAT[i.kind],
      name: i.kind,
      kg: i.kg,
      bags: 0,
    })),
    ...(ingredients.length === 0
      ? [{ key: 'powder', what: 'powder' as const, name: mixName, kg: dryKg, bags: whole ? bags : 0 }]
      : []),
  ].filter((part) => part.kg > 0)
}

/** What is asked for next in a pour: one thing at a time. */
export type Next =
  /** Something looked at before the first water. */
  | { readonly kind: 'check'; readonly check: Check<Timed> }
  /** Something weighed for a batch that is mixed next. */
  | { readonly kind: 'weigh'; readonly op: Timed; readonly part: Part; readonly number: number }
  /** Powder meets water: the batch's clock starts with it. */
  | { readonly kind: 'wet'; readonly op: Timed; readonly part: Part; readonly number: number }
  | { readonly kind: 'do'; readonly op: Timed; readonly begun: number | null }
  /** Nothing to do until then; `may` where an eye or a finger tells, or only the night is in between: it may be done now. */
  | { readonly kind: 'wait'; readonly op: Timed; readonly untilMinutes: number; readonly may: boolean }
  /** What stops it: by its plan this never becomes possible. */
  | { readonly kind: 'never'; readonly op: Timed }
  | { readonly kind: 'over' }

type Asked = {
  /** The day's work in the order of time. */
  readonly work: readonly Timed[]
  readonly checks: readonly Check<Timed>[]
  readonly batches: readonly Batch[]
  readonly mixName: string
  /** Whether batches are weighed out of a bag. */
  readonly weighed: boolean
  readonly running: RunningPour | null
  readonly ageing: Ageing
  /** Minutes from the first water; 0 before it. */
  readonly now: number
  /** What was put off: until when, by key. */
  readonly later?: Readonly<Record<string, number>>
}

/** What is put off is asked for again so much later, minutes [own]. */
export const ASK_AGAIN = 5

/** A wait shorter than this is none, minutes. */
const AT_ONCE = 0.5

/**
 * What comes next: checks, then of what is free the first that may begin. What was put off stands back while something
 * else can be done.
 */
export function nextOf(asked: Asked): Next {
  const { work, checks, batches, running, now, later = {} } = asked
  const isLater = (key: string) => (later[key] ?? -Infinity) > now
  if (!running?.water) {
    const open = checks.filter((c) => !c.ticked)
    const check = open.find((c) => !isLater(c.operation.id)) ?? open.find((c) => c.stops)
    if (check) return { kind: 'check', check }
  }
  const done = new Map(running?.done.map((d) => [d.op, d]))
  const first = work.findIndex((op) => op.code === 'mix-batch')
  if (first < 0) return { kind: 'over' }
  const day = work.slice(first).filter((op) => op.tick === null && isOfTheDay(op))
  const inDay = new Set(day.map((op) => op.id))
  // What is left to itself is over by itself.
  const isOver = (id: string) => {
    const own = done.get(id)
    return own ? own.endMinutes !== null : !inDay.has(id)
  }
  const begun = day.find((op) => done.get(op.id)?.endMinutes === null)
  // What turns goes on turning: it cannot be put off.
  if (begun) return { kind: 'do', op: begun, begun: done.get(begun.id)!.startMinutes }
  const left = day.filter((op) => !done.has(op.id) && op.until === null)
  const by = new Map(day.map((op) => [op.id, op]))
  const met = (c: Condition) =>
    metAt(c, asked.ageing, c.kind === 'set' && c.since ? (by.get(c.since)?.startMinutes ?? 0) : 0) ?? Infinity
  const mayNow = (op: Timed) => seenByEye(op) || op.notBefore.every((c) => met(c) <= now)
  const needs = needsOf(work)
  const isFree = (op: Timed): boolean =>
    (needs.get(op.id) ?? []).every(
      (id) => id === op.id || isOver(id) || (by.get(id)?.until && (needs.get(id) ?? []).every(isOver)),
    )
  const free = left.filter(isFree)
  /** Of what may begin, what can first: planned, or put off till later. */
  let [op, at]: [Timed | null, number] = [null, Infinity]
  for (const o of free) {
    const from = o.startMinutes === null ? Infinity : Math.max(o.startMinutes, later[o.id] ?? -Infinity)
    if (from < at) [op, at] = [o, from]
  }
  if (!op) {
    const never = free[0] ?? left[0]
    return never ? { kind: 'never', op: never } : { kind: 'over' }
  }
  if ((running?.water || isLater(op.id)) && at > now + AT_ONCE)
    return { kind: 'wait', op, untilMinutes: at, may: mayNow(op) }
  const batch = op.code === 'mix-batch' ? batches.find((b) => b.number === op.facts.number) : undefined
  if (!batch) return { kind: 'do', op, begun: null }
  const parts = partsOf(batch, asked.mixName, asked.weighed)
  const inIt = new Set(running?.weighed.filter((w) => w.op === op.id).map((w) => w.what))
  const part = parts.find((p) => !inIt.has(p.key)) ?? parts.at(-1)!
  return { kind: part.what === 'powder' ? 'wet' : 'weigh', op, part, number: batch.number }
}

/** Whether an eye or a finger tells when it may begin, not a strength that is reckoned. */
const seenByEye = (op: Operation): boolean => op.notBefore.every((c) => c.kind === 'set') && !isStripping(op)

/** The pour with something weighed; weighed again it takes the place of what was. */
export const withWeighed = (running: RunningPour, weighed: Weighed): RunningPour => ({
  ...running,
  weighed: [...running.weighed.filter((w) => w.op !== weighed.op || w.what !== weighed.what), weighed],
})

/** The pour with something begun: the first of all is the first water, at `moment`. */
export const withBegun = (
  running: RunningPour,
  { op, said, minutes, moment }: { op: string; said: string; minutes: number; moment: string },
): RunningPour => ({
  ...running,
  water: running.water ?? moment,
  done: [
    ...running.done.filter((d) => d.op !== op),
    { op, said, startMinutes: running.water ? Math.max(0, minutes) : 0, endMinutes: null },
  ],
})

/** The pour with something ended; what was not begun began when what came before it ended, no longer ago than it takes. */
export function withEnded(
  running: RunningPour,
  { op, said, minutes, takes }: { op: string; said: string; minutes: number; takes: number },
): RunningPour {
  const end = Math.max(0, minutes)
  const own = running.done.find((d) => d.op === op)
  const before = Math.max(0, ...running.done.map((d) => d.endMinutes ?? 0))
  const start = own?.startMinutes ?? Math.min(end, Math.max(before, end - takes))
  return {
    ...running,
    done: [
      ...running.done.filter((d) => d.op !== op),
      { op, said, startMinutes: start, endMinutes: Math.max(start, end) },
    ],
  }
}

/**
 * The pour with the last thing done or weighed taken back; that which was ended goes on again if it was begun by itself.
 * With the first water its time goes too.
 */
export function takenBack(
  running: RunningPour,
  ids: { readonly begunByHand: ReadonlySet<string> },
): RunningPour {
  const last = running.done.at(-1)
  if (!last) return { ...running, weighed: running.weighed.slice(0, -1) }
  // What was weighed after the last act began belongs to the next batch.
  const acts = new Set(running.done.map((d) => d.op))
  const weighed = running.weighed.at(-1)
  if (weighed && !acts.has(weighed.op)) return { ...running, weighed: running.weighed.slice(0, -1) }
  const others = running.done.slice(0, -1)
  if (last.endMinutes !== null && ids.begunByHand.has(last.op))
    return { ...running, done: [...others, { ...last, endMinutes: null }] }
  return {
    ...running,
    done: others,
    water: others.length === 0 ? null : running.water,
    weighed:
      last.endMinutes === null
        ? running.weighed.filter((w) => w.op !== last.op || (w.what !== 'powder' && w.what !== 'cement'))
        : running.weighed,
  }
}

/** The pour with readings in the order of time, one a minute of each thermometer, the newest of them kept. */
export function withReadings(running: RunningPour, more: readonly Reading[]): RunningPour {
  const by = new Map<string, Reading>()
  for (const r of [...running.readings, ...more]) by.set(`${r.of}/${Math.round(r.minutes)}`, r)
  return {
    ...running,
    readings: [...by.values()].sort((a, b) => a.minutes - b.minutes).slice(-MOST_READINGS),
  }
}
const MOST_READINGS = 10_000

/** When each act of the pour was begun and ended; what goes on is taken to last as long as it is planned to. */
export const doneSpans = (
  running: RunningPour | null,
  operations: readonly Operation[],
): ReadonlyMap<string, { readonly start: number; readonly end: number }> => {
  const takes = new Map(operations.map((op) => [op.id, op.work.workMinutes]))
  return new Map(
    (running?.done ?? []).map((d) => [
      d.op,
      { start: d.startMinutes, end: d.endMinutes ?? d.startMinutes + (takes.get(d.op) ?? 0) },
    ]),
  )
}

/** The record that a pour becomes: what was done is not typed again, and what was not measured is left empty. */
export function recordOf(
  running: RunningPour,
  work: readonly Timed[],
  batches: readonly Batch[],
): Pick<PourRecord, 'mixName' | 'planned' | 'actual' | 'day'> & { readonly on: string | null } {
  const by = new Map(work.map((op) => [op.id, op]))
  const acts = running.done.flatMap((d): { done: DoneAct; op: Timed }[] => {
    const op = by.get(d.op)
    return op ? [{ done: d, op }] : []
  })
  const mixed = new Set(
    acts.flatMap(({ op, done }) =>
      op.code === 'mix-batch' && done.endMinutes !== null ? [op.facts.number] : [],
    ),
  )
  const into = batches.filter((b) => mixed.has(b.number))
  const bags = into.reduce((sum, b) => sum + b.bags, 0)
  const sum = (list: readonly Weighed[]) => list.reduce((a, w) => a + w.kg, 0)
  const measured = running.weighed.filter((w) => w.by !== 'told')
  const water = measured.filter((w) => w.what === 'water')
  const planned = sum(water.map((w) => ({ ...w, kg: w.plannedKg })))
  const shaken = acts.filter(({ op }) => op.code === 'compact' || op.code === 'roll-coats')
  const strip = acts.find(({ op }) => isStripping(op))
  const warm = running.readings.filter((r) => r.of === 'concrete')
  return {
    on: running.water?.slice(0, 10) ?? null,
    mixName: running.mixName,
    planned: running.planned,
    actual: {
      bags: bags > 0 ? bags : null,
      // Only what was read off a scale or typed is measured; the rest of the water comes as it is asked for.
      waterLitresPerBag:
        water.length > 0 && planned > 0 ? (sum(water) / planned) * running.planned.waterLitresPerBag : null,
      temperatureDegC: warm.length > 0 ? warm.reduce((a, r) => a + r.degC, 0) / warm.length : null,
      vibratedMinutes:
        shaken.length > 0
          ? shaken.reduce(
              (a, { done }) => a + ((done.endMinutes ?? done.startMinutes) - done.startMinutes),
              0,
            )
          : null,
      stripHours: strip ? strip.done.startMinutes / 60 : null,
      weightKg: null,
    },
    day: { done: running.done, readings: running.readings, weighed: running.weighed },
  }
}
