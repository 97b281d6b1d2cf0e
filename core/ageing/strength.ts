/** How a mix gains strength: by the exponential law from f28 and s, or through points of a supplier's sheet. */
export type StrengthCurve =
  | { readonly kind: 'law'; readonly f28: number; readonly s: number; readonly finalSet: number }
  | {
      readonly kind: 'points'
      readonly points: readonly { readonly hours: number; readonly mpa: number }[]
      readonly finalSet: number
    }

/** A row of stock that says how it gains strength. */
type Gaining = {
  readonly finalSet: number
  readonly strength:
    | { readonly kind: 'law'; readonly s: number }
    | {
        readonly kind: 'points'
        readonly points: readonly { readonly hours: number; readonly mpa: number }[]
      }
}

/** The strength of a mix with a mean of `f28` MPa at the water used. */
export const strengthCurve = (mix: Gaining, f28: number): StrengthCurve =>
  mix.strength.kind === 'law'
    ? { kind: 'law', f28, s: mix.strength.s, finalSet: mix.finalSet }
    : { ...mix.strength, finalSet: mix.finalSet }

const DAY = 1440
/** Mean strength at final set, MPa [own]. */
const AT_FINAL_SET = 0.5

/**
 * Mean strength in MPa at an equivalent age in minutes: 0 before final set, linear from 0.5 MPa to the value at
 * 24 h, then f28 exp(s (1 - sqrt(28/days))). Source: the fib Model Code 2010 time function; the first day is our
 * own straight line. Sheet points are joined straight over the log of time, 0 until final set whatever they say.
 */
export function strengthAt(curve: StrengthCurve, age: number): number {
  if (age < curve.finalSet) return 0
  if (curve.kind === 'points') return throughPoints(curve.points, age / 60)
  const { f28, s, finalSet } = curve
  const law = (t: number) => f28 * Math.exp(s * (1 - Math.sqrt((28 * DAY) / t)))
  if (age >= DAY) return law(age)
  return AT_FINAL_SET + ((law(DAY) - AT_FINAL_SET) * (age - finalSet)) / (DAY - finalSet)
}

function throughPoints(points: readonly { hours: number; mpa: number }[], hours: number): number {
  const first = points[0]
  const last = points.at(-1)
  if (!first || !last) throw new Error('a strength curve needs at least one point')
  if (hours <= 0) return 0
  if (hours < first.hours) return (first.mpa * hours) / first.hours
  const after = points.findIndex((p) => p.hours > hours)
  const a = points[after - 1]
  const b = points[after]
  if (!a || !b) return last.mpa
  return a.mpa + ((b.mpa - a.mpa) * Math.log(hours / a.hours)) / Math.log(b.hours / a.hours)
}

/** The longest age looked at: two years at 20 degC. */
const LONGEST = 730 * DAY

/** Equivalent age (minutes) at which a strength is reached, by bisection to 0.01 minute; null when never. */
export function ageForStrength(curve: StrengthCurve, mpa: number): number | null {
  if (strengthAt(curve, LONGEST) < mpa) return null
  let low = 0
  let high = LONGEST
  while (high - low > 0.01) {
    const middle = (low + high) / 2
    if (strengthAt(curve, middle) >= mpa) high = middle
    else low = middle
  }
  return high
}
