import type { Explanation, Finding } from '../job/index.ts'

const time = (minutes: number | string | undefined): string => {
  const m = Math.round(Number(minutes))
  return m < 120 ? `${m} min` : `${(m / 60).toFixed(1)} h`
}

const kg = (mass: number | string | undefined): string => `${Math.round(Number(mass))} kg`
/** A turn about an edge lifts half of what is turned. */
const move = (f: Finding['facts']): string => (f.turns === 'yes' ? 'to lift as it is turned over' : 'to lift')

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
        what: `${kg(f.massKg)} ${move(f)}: not by hand`,
        why: 'Above 100 kg in all, or 40 kg a head, it is moved by a hoist, an A-frame, a tilting table or a trolley, or cast in smaller pieces. Plan the means before the pour.',
      }
    case 'lift-too-few':
      return {
        what: `${kg(f.massKg)} ${move(f)}: ${Number(f.aHeadKg).toFixed(0)} kg a head for ${f.people === 1 ? 'one' : f.people}`,
        why: `Up to ${f.mostAHeadKg} kg a head can be planned. ${Number(f.wanted) > 0 ? `${f.wanted === 1 ? 'One person' : `${f.wanted} people`}, a trolley, or a frame.` : 'Use a trolley, an A-frame or a hoist, split the piece, or make it lighter.'}`,
        remedy: `Plan for ${f.wanted} people`,
      }
    case 'lift-by-plan':
      return {
        what: `${kg(f.massKg)} ${move(f)}, ${Number(f.aHeadKg).toFixed(0)} kg a head`,
        why: `More than ${f.people === 1 ? 'one lifts' : `${f.people} lift`} often (${Number(f.limitKg).toFixed(1)} kg), but once and by plan it can be done: on edge, straps or handles, places to set it down, no stairs.`,
      }
    default:
      return null
  }
}
