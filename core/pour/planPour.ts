import {
  ageForStrength,
  dryingRate,
  equivalentAge,
  rateAt,
  type StrengthCurve,
  strengthAt,
  type TemperatureCourse,
  temperatureAt,
  timeForAge,
} from '../ageing/index.ts'
import { type Finding, findingList, type Piece, type Settings } from '../job/index.ts'
import type { Mix } from '../stock/index.ts'
import { peopleToLift, teamLimit } from './lifting.ts'
import { pourSchedule } from './schedule.ts'
import type { PourFigures, PourInput, PourStation } from './types.ts'

/** Strengths at which things may be done, MPa. */
export const STRIP_MPA = { sides: 5, sharp: 8, flip: 10 } as const
/** Parts of the initial set: working time, sheen gone, hard trowel. */
export const SET_PARTS = { working: 0.5, sheen: 0.35, trowel: 0.8 } as const
const COLDEST = 5
const DRYING = { cover: 0.5, uncovered: 1 } as const
const CURED_PART = 0.7

/** The strength of the chosen mix at the water used. */
export const strengthCurve = (mix: Mix, f28: number): StrengthCurve =>
  mix.strength.kind === 'law' ? { kind: 'law', f28, s: mix.strength.s, finalSet: mix.finalSet } : mix.strength

/** The sixth station: what happens when, from a start and a temperature. */
export function planPourStation(input: PourInput): PourStation {
  const { piece, settings, mix, stations } = input
  const { temperature: course } = piece.pour
  const f28 = stations.mix.figures.f28Mpa
  const curve = strengthCurve(mix, f28)
  const at = (age: number | null) => (age === null ? null : timeForAge(course, age))
  const sure = (age: number) => timeForAge(course, age) ?? age
  const times = {
    working: sure(mix.initialSet * SET_PARTS.working),
    sheen: sure(mix.initialSet * SET_PARTS.sheen),
    trowel: sure(mix.initialSet * SET_PARTS.trowel),
    initialSet: sure(mix.initialSet),
    finalSet: sure(mix.finalSet),
    easeUntil: sure(2 * mix.finalSet),
    sides: at(ageForStrength(curve, STRIP_MPA.sides)),
    sharp: at(ageForStrength(curve, STRIP_MPA.sharp)),
    flip: at(ageForStrength(curve, STRIP_MPA.flip)),
    cured: at(ageForStrength(curve, CURED_PART * f28)),
  }
  const coldest = coldestUntil(course, Math.max(1440, times.sides ?? 1440))
  const warmth = temperatureAt(course, 0)
  const liftKg = stations.steel.figures.strippingKg + (stations.mould?.figures.weightKg ?? 0)
  const schedule = pourSchedule(input, times)
  const placedBy = Math.max(0, ...schedule.filter((s) => s.code === 'screed').map((s) => s.endMinutes))
  const drying = dryingRate({
    concreteDegC: warmth,
    airDegC: warmth,
    humidity: piece.pour.humidity,
    windKmPerH: piece.pour.windKmPerH,
  })
  const figures: PourFigures = {
    start: piece.pour.start,
    zone: piece.pour.zone,
    temperatureDegC: warmth,
    coldestDegC: coldest,
    rate: rateAt(warmth),
    workingMinutes: times.working,
    initialSetMinutes: times.initialSet,
    finalSetMinutes: times.finalSet,
    sheenGoneMinutes: times.sheen,
    placedByMinutes: placedBy,
    easeFromMinutes: times.finalSet,
    easeUntilMinutes: times.easeUntil,
    firstStripMinutes: times.sides,
    sharpStripMinutes: times.sharp,
    flipMinutes: times.flip,
    curedMinutes: times.cured,
    f28Mpa: f28,
    dryingKgPerM2H: drying,
    liftKg,
    liftPeople: peopleToLift(liftKg),
    schedule,
    strength: strengthPoints(curve, course),
  }
  return { figures, findings: checkPour(piece, settings, mix, figures) }
}

/** The lowest temperature from water contact until `minutes`. */
function coldestUntil(course: TemperatureCourse, minutes: number): number {
  if (course.kind === 'constant') return course.degC
  const inside = course.points.filter((p) => p.hour * 60 <= minutes).map((p) => p.degC)
  return Math.min(...inside, temperatureAt(course, 0), temperatureAt(course, minutes))
}

/** Strength against real hours for the chart: to three days, half-hourly at first. */
function strengthPoints(curve: StrengthCurve, course: TemperatureCourse): { hours: number; mpa: number }[] {
  return Array.from({ length: 49 }, (_, i) => {
    const hours = i * 1.5
    return { hours, mpa: strengthAt(curve, equivalentAge(course, hours * 60)) }
  })
}

function checkPour(piece: Piece, settings: Settings, mix: Mix, f: PourFigures): Finding[] {
  const { findings, raise } = findingList('pour', piece.id, 'choice', 'pour')
  if (f.coldestDegC < COLDEST) raise('too-cold', 'stop', { coldestDegC: f.coldestDegC, leastDegC: COLDEST })
  if (f.firstStripMinutes === null)
    raise('never-strong', 'stop', { wantedMpa: STRIP_MPA.sides, f28Mpa: f.f28Mpa })
  else if (f.flipMinutes === null)
    raise('never-flipped', 'stop', { wantedMpa: STRIP_MPA.flip, f28Mpa: f.f28Mpa })
  if (f.placedByMinutes > f.initialSetMinutes * 0.9)
    raise('sets-before-placed', 'stop', {
      placedMinutes: f.placedByMinutes,
      setMinutes: f.initialSetMinutes,
      mix: mix.name,
    })
  else if (f.placedByMinutes > f.workingMinutes)
    raise('longer-than-working-time', 'warn', {
      placedMinutes: f.placedByMinutes,
      workingMinutes: f.workingMinutes,
      mix: mix.name,
    })
  if (f.dryingKgPerM2H > DRYING.uncovered)
    raise('dries-fast', 'warn', {
      rateKgPerM2H: f.dryingKgPerM2H,
      limitKgPerM2H: DRYING.uncovered,
      do: 'do not pour uncovered',
    })
  else if (f.dryingKgPerM2H > DRYING.cover)
    raise('dries-fast', 'note', {
      rateKgPerM2H: f.dryingKgPerM2H,
      limitKgPerM2H: DRYING.cover,
      do: 'cover it at once',
    })
  const limit = teamLimit(settings.people)
  if (f.liftKg > 100) raise('lift-by-machine', 'warn', { massKg: f.liftKg })
  else if (f.liftKg > limit)
    raise('lift-team', 'warn', {
      massKg: f.liftKg,
      people: settings.people,
      limitKg: limit,
      wanted: f.liftPeople,
    })
  return findings
}
