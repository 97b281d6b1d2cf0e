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
  const after = points.findIndex((p) => p.hour > hour)
  if (after === 0) return points[0]!.degC
  const before = points[after < 0 ? points.length - 1 : after - 1]
  if (!before) throw new Error('a temperature list needs at least one point')
  const next = after < 0 ? undefined : points[after]
  if (!next) return before.degC
  return before.degC + ((next.degC - before.degC) * (hour - before.hour)) / (next.hour - before.hour)
}

/** Step of the sum, minutes: the rate changes by under 1 percent within it even when the air moves 5 degC an hour. */
const STEP = 10
/** Beyond this the last temperature holds for good, and the rest is one division. */
const LONGEST = 60 * 24 * 400

/** Equivalent age at 20 degC, minutes, after `minutes` of real time: the sum of rate x dt. */
export function equivalentAge(course: TemperatureCourse, minutes: number): number {
  if (course.kind === 'constant') return minutes * rateAt(course.degC)
  const last = (course.points.at(-1)?.hour ?? 0) * 60
  let sum = 0
  for (let t = 0; t < Math.min(minutes, last); t += STEP) {
    const dt = Math.min(STEP, minutes - t, last - t)
    sum += rateAt(temperatureAt(course, t + dt / 2)) * dt
  }
  return sum + Math.max(0, minutes - last) * rateAt(temperatureAt(course, last))
}

/** Real minutes until an equivalent age (minutes at 20 degC) is reached; null if over a year. */
export function timeForAge(course: TemperatureCourse, age: number): number | null {
  if (age <= 0) return 0
  if (course.kind === 'constant') return bounded(age / rateAt(course.degC))
  const last = (course.points.at(-1)?.hour ?? 0) * 60
  let sum = 0
  for (let t = 0; t < last; t += STEP) {
    const dt = Math.min(STEP, last - t)
    const gained = rateAt(temperatureAt(course, t + dt / 2)) * dt
    if (sum + gained >= age) return t + (dt * (age - sum)) / gained
    sum += gained
  }
  return bounded(last + (age - sum) / rateAt(temperatureAt(course, last)))
}

const bounded = (minutes: number): number | null => (minutes > LONGEST ? null : minutes)
