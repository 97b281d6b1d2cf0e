/** Air and concrete temperature against hours from water contact; between points it runs straight, beyond them it holds. */
export type TemperatureCourse =
  | { readonly kind: 'constant'; readonly degC: number }
  | { readonly kind: 'list'; readonly points: readonly { readonly hour: number; readonly degC: number }[] }

/** Activation energy of a usual cement; ASTM C1074 names 40 to 45 kJ/mol. */
const ACTIVATION_J_PER_MOL = 40_000
const GAS_J_PER_MOL_K = 8.314
const REFERENCE_DEG_C = 20
const toKelvin = (degC: number): number => 273.15 + degC

/**
 * Speed of hydration against 20 degC. `rateAt(10)` is 0.560.
 * Source: Freiesleben Hansen and Pedersen maturity function, Ea 40 kJ/mol (as in ASTM C1074).
 */
export const rateAt = (degC: number): number =>
  Math.exp((-ACTIVATION_J_PER_MOL / GAS_J_PER_MOL_K) * (1 / toKelvin(degC) - 1 / toKelvin(REFERENCE_DEG_C)))

/** Temperature at a time in minutes from water contact. */
export function temperatureAt(course: TemperatureCourse, minutes: number): number {
  if (course.kind === 'constant') return course.degC
  const { points } = course
  const hour = minutes / 60
  const after = firstAbove(points.length, (i) => points[i]!.hour, hour)
  if (after === 0) {
    if (points.length === 0) throw new Error('a temperature list needs at least one point')
    return points[0]!.degC
  }
  const before = points[after - 1]!
  const next = points[after]
  if (!next) return before.degC
  return before.degC + ((next.degC - before.degC) * (hour - before.hour)) / (next.hour - before.hour)
}

/** The first of `n` rising values that is above one; `n` where none is. */
function firstAbove(n: number, valueAt: (i: number) => number, value: number): number {
  let [low, high] = [0, n]
  while (low < high) {
    const middle = (low + high) >> 1
    if (valueAt(middle) > value) high = middle
    else low = middle + 1
  }
  return low
}

/** Step of the sum, minutes: the rate changes by under 1 percent within it even when the air moves 5 degC an hour. */
const STEP = 10
/** Beyond this the last temperature holds for good, and the rest is one division. */
const LONGEST = 60 * 24 * 400

/** Real minutes and the age reached by then, step by step through a list of temperatures. */
type Table = { readonly minutes: readonly number[]; readonly ages: readonly number[] }
type List = Extract<TemperatureCourse, { kind: 'list' }>
const tables = new WeakMap<List, Table>()

/** Summed once for a list: what is asked of it a thousand times, of ten thousand readings, is looked up. */
function tableOf(course: List): Table {
  const known = tables.get(course)
  if (known) return known
  const last = (course.points.at(-1)?.hour ?? 0) * 60
  const [minutes, ages] = [[0], [0]]
  for (let t = 0; t < last; t += STEP) {
    const end = Math.min(t + STEP, last)
    minutes.push(end)
    ages.push(ages.at(-1)! + rateAt(temperatureAt(course, (t + end) / 2)) * (end - t))
  }
  const table = { minutes, ages }
  tables.set(course, table)
  return table
}

/** Equivalent age at 20 degC, minutes, after `minutes` of real time: the sum of rate x dt. */
export function equivalentAge(course: TemperatureCourse, minutes: number): number {
  if (course.kind === 'constant') return minutes * rateAt(course.degC)
  if (minutes <= 0) return 0
  const table = tableOf(course)
  const last = table.minutes.at(-1)!
  if (minutes >= last) return table.ages.at(-1)! + (minutes - last) * rateAt(temperatureAt(course, last))
  const i = firstAbove(table.minutes.length, (k) => table.minutes[k]!, minutes) - 1
  const from = table.minutes[i]!
  return table.ages[i]! + rateAt(temperatureAt(course, (from + minutes) / 2)) * (minutes - from)
}

/** Real minutes until an equivalent age (minutes at 20 degC) is reached; null if over a year. */
export function timeForAge(course: TemperatureCourse, age: number): number | null {
  if (age <= 0) return 0
  if (course.kind === 'constant') return bounded(age / rateAt(course.degC))
  const { minutes, ages } = tableOf(course)
  const after = firstAbove(ages.length, (k) => ages[k]!, age)
  if (after === ages.length) {
    const last = minutes.at(-1)!
    return bounded(last + (age - ages.at(-1)!) / rateAt(temperatureAt(course, last)))
  }
  const [from, gained] = [minutes[after - 1]!, ages[after]! - ages[after - 1]!]
  return from + ((minutes[after]! - from) * (age - ages[after - 1]!)) / gained
}

/**
 * Nurse-Saul maturity, degC hours, after `minutes`: the sum of (T - T0) dt, each term never below 0, for those who
 * calibrate a logger. `maturity({kind: 'constant', degC: 20}, 600, 0)` is 200. Source: ASTM C1074.
 */
export function maturity(course: TemperatureCourse, minutes: number, datumDegC: number): number {
  if (course.kind === 'constant') return Math.max(0, course.degC - datumDegC) * (minutes / 60)
  let sum = 0
  for (let t = 0; t < minutes; t += STEP) {
    const dt = Math.min(STEP, minutes - t)
    sum += (Math.max(0, temperatureAt(course, t + dt / 2) - datumDegC) * dt) / 60
  }
  return sum
}

const bounded = (minutes: number): number | null => (minutes > LONGEST ? null : minutes)
