import type { Explanation, Finding } from '../job/index.ts'

const time = (minutes: number | string | undefined): string => {
  const m = Math.round(Number(minutes))
  return m < 120 ? `${m} min` : `${(m / 60).toFixed(1)} h`
}

/** Sentences for the findings of this station. */
export function explainPour({ code, facts: f }: Finding): Explanation | null {
  switch (code) {
    case 'too-cold':
      return {
        what: `It falls to ${f.coldestDegC} degC; do not pour below ${f.leastDegC}`,
        why: 'Cold concrete hardly sets, and frost before 5 MPa ruins it. Warm the shop, or wait for a warmer day.',
      }
    case 'never-strong':
      return {
        what: `It does not reach ${f.wantedMpa} MPa at this temperature`,
        why: `With ${f.f28Mpa} MPa at 28 days the sides cannot come off. Use less water, another mix, or warmth.`,
      }
    case 'never-flipped':
      return { what: `It does not reach ${f.wantedMpa} MPa`, why: 'Never flip or carry below 10 MPa.' }
    case 'sets-before-placed':
      return {
        what: `Placed after ${time(f.placedMinutes)}; ${f.mix} sets in ${time(f.setMinutes)}`,
        why: 'The last batches meet concrete that has set: a cold joint. Use a larger mixer, more people, or a slower mix.',
      }
    case 'longer-than-working-time':
      return {
        what: `Placing takes ${time(f.placedMinutes)}; it works for ${time(f.workingMinutes)}`,
        why: 'The first batch stiffens before the last is in. Use a larger mixer, more people, or pour cooler.',
      }
    case 'dries-fast':
      return {
        what: `The surface loses ${Number(f.rateKgPerM2H).toFixed(2)} kg/m2 an hour: ${f.do}`,
        why: `Above ${f.limitKgPerM2H} it cracks while it is still wet. Shade it, stop the draught, lay film.`,
      }
    case 'lift-by-machine':
      return {
        what: `${Math.round(Number(f.massKg))} kg to turn over with its mould`,
        why: 'Above 100 kg use a hoist, a tilting frame or a trolley, not people.',
      }
    case 'lift-team':
      return {
        what: `${Math.round(Number(f.massKg))} kg to turn over; ${f.people === 1 ? 'one person lifts' : `${f.people} people lift`} ${Number(f.limitKg).toFixed(1)}`,
        why: `A team lifts less than its sum. ${Number(f.wanted) > 8 ? 'Use a machine or a frame.' : `Have ${f.wanted} people, or tilt it on its edge.`}`,
      }
    default:
      return null
  }
}
