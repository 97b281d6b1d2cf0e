import {
  ageForStrength,
  equivalentAge,
  type StrengthCurve,
  type TemperatureCourse,
  timeForAge,
} from '../ageing/index.ts'
import { type Hours, isInHours, lastInHours, nextInHours } from './hours.ts'
import type { Condition, Operation } from './operation.ts'
import { needsOf } from './order.ts'

/** An operation with its times in minutes from the first water, negative before it; null where it is never free. */
export type Timed = Operation & {
  readonly startMinutes: number | null
  readonly endMinutes: number | null
  /** When it must be begun at the latest; null where it may wait. */
  readonly latestMinutes: number | null
}

/** How the concrete of a pour sets and gains strength, under the temperatures it meets. */
export type Ageing = {
  /** Minutes at 20 degC. */
  readonly initialSet: number
  readonly finalSet: number
  /** Mean strength at 28 days, MPa. */
  readonly f28: number
  readonly curve: StrengthCurve
  readonly course: TemperatureCourse
  /** When the last batch met its water, minutes from the first: what is strong enough is as strong there too. */
  readonly lastWater: number
}

/**
 * When a condition is met, in minutes from the first water; null when never. A share of the set counts from `since`, when
 * that operation was begun; strength and age from the last batch, which is the youngest.
 */
export function metAt(
  condition: Condition,
  { initialSet, finalSet, f28, curve, course, lastWater }: Ageing,
  since = 0,
): number | null {
  const after = (start: number, age: number) => timeForAge(course, equivalentAge(course, start) + age)
  const at = (age: number | null) => (age === null ? null : after(lastWater, age))
  switch (condition.kind) {
    case 'set':
      return after(since, condition.setShare * (condition.of === 'initial' ? initialSet : finalSet))
    case 'strength':
      return at(ageForStrength(curve, condition.mpa))
    case 'aged':
      return at(condition.ageMinutes)
    case 'cured': {
      const strong = at(ageForStrength(curve, condition.strengthShare * f28))
      return strong === null ? null : Math.max(strong, lastWater + condition.leastMinutes)
    }
  }
}

type Span = { readonly start: number; readonly end: number }
type Met = (condition: Condition, since: number) => number | null

/** When what a share of the set counts from was begun; 0, the first water, where nothing is named. */
const begun = (c: Condition, times: ReadonlyMap<string, Span | null>): number =>
  c.kind === 'set' && c.since !== undefined ? (times.get(c.since)?.start ?? 0) : 0

/**
 * Times of operations that are in order, for one crew that does one thing after another and is idle only while nothing
 * can be done: of what is free, what can begin first, in the order of the list. `water` is the operation that begins
 * with the first water, at 0; what stands before it in the list ends by then, its waits too. In the order of time.
 * With hours of work, what stands before the water is done as late as it may in them, and what comes off or is finished
 * later waits for the next morning where its window lets it; what the concrete does not let wait is done at night. Of a
 * pour that goes on, `done` holds what was done and when: the rest follows it.
 * Source: list scheduling on one machine with delays between tasks (Graham 1966).
 */
export function scheduleOperations(
  ordered: readonly Operation[],
  ageing: Ageing,
  water: string,
  hours: Hours | null = null,
  done: ReadonlyMap<string, Span> = new Map(),
): Timed[] {
  const needs = needsOf(ordered)
  const at = ordered.findIndex((op) => op.id === water)
  const early = ordered.slice(0, Math.max(0, at))
  const before = hours ? runBack(early, needs, hours) : endingBy0(early, needs)
  const met = (c: Condition, since: number) => metAt(c, ageing, since)
  const rest = ordered.slice(early.length)
  const real = rest.flatMap((op) => (done.has(op.id) ? [[op.id, done.get(op.id)!] as const] : []))
  const times = run(
    rest.filter((op) => !done.has(op.id)),
    Math.max(0, ...real.map(([, span]) => span.end)),
    met,
    needs,
    new Map([...before, ...real]),
    hours,
    new Map(ordered.map((op) => [op.id, op.work.waitMinutes])),
  )
  const timed = ordered.map((op): Timed => {
    const t = times.get(op.id) ?? null
    const over = t && op.until && !done.has(op.id) ? metAt(op.until, ageing) : null
    const closes = op.notAfter.map((c) => metAt(c, ageing, begun(c, times))).filter((n) => n !== null)
    return {
      ...op,
      startMinutes: t?.start ?? null,
      endMinutes: t && Math.max(t.end, over ?? t.end),
      latestMinutes: closes.length > 0 ? Math.min(...closes) : null,
    }
  })
  // As they happen; what is never done stands last.
  return timed.sort((a, b) => (a.startMinutes ?? Infinity) - (b.startMinutes ?? Infinity) || 0)
}

/** Minutes from the first to the last of operations that wait for no concrete, with the waits after them. */
export function spanMinutes(ordered: readonly Operation[]): number {
  const times = run(ordered, 0, () => null, needsOf(ordered), new Map())
  return Math.max(0, ...ordered.map((op) => (times.get(op.id)?.end ?? 0) + op.work.waitMinutes))
}

/** What is built and readied, one after another with its waits, all of it over at 0. */
function endingBy0(
  early: readonly Operation[],
  needs: ReadonlyMap<string, readonly string[]>,
): ReadonlyMap<string, Span | null> {
  const built = run(early, 0, () => null, needs, new Map())
  const ready = Math.max(0, ...early.map((op) => (built.get(op.id)?.end ?? 0) + op.work.waitMinutes))
  return new Map([...built].map(([id, t]) => [id, t && { start: t.start - ready, end: t.end - ready }]))
}

/** The same from its end: of what nothing waits for any more, what can end last, within the hours of work. */
function runBack(
  early: readonly Operation[],
  needs: ReadonlyMap<string, readonly string[]>,
  hours: Hours,
): ReadonlyMap<string, Span | null> {
  const own = new Set(early.map((op) => op.id))
  const after = new Map<string, string[]>()
  for (const op of early)
    for (const id of needs.get(op.id) ?? [])
      if (own.has(id) && id !== op.id) after.set(id, [...(after.get(id) ?? []), op.id])
  const times = new Map<string, Span>()
  const left = [...early]
  let now = 0
  while (left.length > 0) {
    let best: { readonly i: number; readonly end: number } | null = null
    for (let i = left.length - 1; i >= 0; i--) {
      const { id, work } = left[i]!
      const later = after.get(id) ?? []
      if (later.some((l) => !times.has(l))) continue
      const over = Math.min(0, ...later.map((l) => times.get(l)!.start)) - work.waitMinutes
      const end = Math.min(now, over)
      const kept = work.workMinutes > 0 ? lastInHours(end, work.workMinutes, hours) : end
      if (!best || kept > best.end) best = { i, end: kept }
    }
    // In a ring of needs nothing is free: its last is done last.
    const { i, end } = best ?? { i: left.length - 1, end: now }
    const [op] = left.splice(i, 1)
    times.set(op!.id, { start: end - op!.work.workMinutes, end })
    now = end - op!.work.workMinutes
  }
  return times
}

/** Whether an act of those after the water may be left to the morning: not placing, nor what the open face wants. */
const mayWait = ({ station, code, work }: Operation): boolean =>
  work.workMinutes > 0 && station !== 'mix' && (station !== 'pour' || code === 'uncover')

/** What hands do outside the hours of work, in the order of time. */
export const atNight = (work: readonly Timed[], hours: Hours): Timed[] =>
  work.filter(
    (op) =>
      op.startMinutes !== null &&
      op.work.workMinutes > 0 &&
      !isInHours(op.startMinutes, Math.min(op.work.workMinutes, hours.toMinute - hours.fromMinute), hours),
  )

/** One after another from `from`; `times` holds what is done already. */
function run(
  operations: readonly Operation[],
  from: number,
  met: Met,
  needs: ReadonlyMap<string, readonly string[]>,
  done: ReadonlyMap<string, Span | null>,
  hours: Hours | null = null,
  waits: ReadonlyMap<string, number> = new Map(operations.map((op) => [op.id, op.work.waitMinutes])),
): Map<string, Span | null> {
  const times = new Map(done)
  const toDo = new Set(operations.map((op) => op.id))
  const left = [...operations]
  let now = from
  /** When an operation may begin; undefined while something of the list is still to be done before it. */
  const free = (op: Operation): number | null | undefined => {
    let ready = -Infinity
    for (const id of needs.get(op.id) ?? []) {
      if (!times.has(id)) {
        if (toDo.has(id) && id !== op.id) return undefined
        continue
      }
      const span = times.get(id)
      if (!span) return null
      ready = Math.max(ready, span.end + (waits.get(id) ?? 0))
    }
    for (const c of op.notBefore) {
      const t = met(c, begun(c, times))
      if (t === null) return null
      ready = Math.max(ready, t)
    }
    return ready
  }
  /** In the hours of work, where its window lets it wait for them. */
  const kept = (op: Operation, start: number): number => {
    if (!hours || !mayWait(op)) return start
    const next = nextInHours(start, op.work.workMinutes, hours)
    const closes = op.notAfter.map((c) => met(c, begun(c, times))).filter((n) => n !== null)
    return next <= Math.min(Infinity, ...closes) ? next : start
  }
  while (left.length > 0) {
    let best: { readonly i: number; readonly start: number | null } | null = null
    for (const [i, op] of left.entries()) {
      const ready = free(op)
      if (ready === undefined) continue
      const start = ready === null ? null : kept(op, Math.max(now, ready))
      if (!best || (start !== null && (best.start === null || start < best.start))) best = { i, start }
      if (start === now) break
    }
    // In a ring of needs nothing is free: its members are done in the order of the list.
    const { i, start } = best ?? { i: 0, start: now }
    const [op] = left.splice(i, 1)
    times.set(op!.id, start === null ? null : { start, end: start + op!.work.workMinutes })
    if (start !== null) now = start + op!.work.workMinutes
  }
  return times
}
