import {
  dryingRate,
  equivalentAge,
  rateAt,
  type StrengthCurve,
  strengthAt,
  strengthCurve,
  type TemperatureCourse,
  temperatureAt,
  timeForAge,
} from '../ageing/index.ts'
import { type Finding, findingList, type Piece } from '../job/index.ts'
import { SLURRY } from '../mix/index.ts'
import { STRIP_MPA } from '../release/index.ts'
import { unhandled } from '../unhandled.ts'
import {
  type Ageing,
  atNight,
  dayMinute,
  type Hours,
  isStripping,
  judgeLift,
  LIFT,
  metAt,
  minuteOfDay,
  orderOperations,
  peopleToLift,
  scheduleOperations,
  shortAct,
  type Timed,
  teamLimit,
} from '../work/index.ts'
import { POKER, usualCompaction, wrongTool } from './compaction.ts'
import { courseOf, dryingAir } from './course.ts'
import { doneLate } from './doneLate.ts'
import { heatFindings, heatOf } from './heat.ts'
import { inTimeCures } from './inTime.ts'
import { movedAfter } from './movedAfter.ts'
import { CURED, firstMix, LAID, PLACED, pourDay, SET_PARTS } from './pourDay.ts'
import { rehearsalFindings } from './rehearsalFindings.ts'
import { rehearsePour } from './rehearse.ts'
import { doneSpans } from './running.ts'
import type { PourFigures, PourInput, PourStation } from './types.ts'
import type { PourFindings } from './words.ts'

/** No pour below this, degC [own]; limits of drying that want a cover and that forbid an open face, kg/m2 h (1 is the usual limit, as in ACI 305R; 0.5 [own]). */
const COLDEST = 5
const DRYING = { cover: 0.5, uncovered: 1 } as const

/** A skin of cement that covers and does not pool, mm [own]. */
const USUAL_SLURRY = 0.5
/** A mould hotter than this sets its skin before it is full; a mix is not placed hotter than this (as in ACI 305R), and is cooled to that, degC [own]. */
const MOULD = { hottest: 40, hotMix: 35, coolMix: 22 } as const

/** The sixth station: what happens when, from a start and a temperature. */
export function planPourStation(input: PourInput): PourStation {
  const { piece, mix, stations } = input
  const { running } = piece.pour
  const course = courseOf(piece.pour, thickOf(input))
  const start = running?.water?.slice(0, 16) ?? piece.pour.start
  const f28 = stations.mix.figures.f28Mpa
  const curve = strengthCurve(mix, f28)
  const sure = (age: number) => timeForAge(course, age) ?? age
  const warmth = temperatureAt(course, 0)
  const day = pourDay(input)
  const strips = (stations.release?.operations ?? []).filter((op) => op.attitude !== null)
  const { operations } = orderOperations([
    ...(stations.mould?.operations ?? []),
    ...(stations.release?.operations ?? []).filter((op) => op.attitude === null),
    ...day,
    ...strips,
    ...movedAfter(stations.steel.moving, strips, day),
  ])
  // Nothing is mixed later for what becomes strong later: the second run only ages what the first one placed.
  const aged = { initialSet: mix.initialSet, finalSet: mix.finalSet, f28, curve, course }
  const hours = hoursAt(input.hours, start)
  const done = doneSpans(running, operations)
  const water = firstMix(input)
  const placing = scheduleOperations(operations, { ...aged, lastWater: 0 }, water, hours, done)
  const lastWater = Math.max(
    0,
    ...placing.flatMap((op) =>
      op.code === 'mix-batch' && op.startMinutes !== null ? [op.startMinutes] : [],
    ),
  )
  const ageing: Ageing = { ...aged, lastWater }
  const work = lastWater === 0 ? placing : scheduleOperations(operations, ageing, water, hours, done)
  const strongBy = (mpa: number) => metAt({ kind: 'strength', mpa }, ageing)
  const sides = strongBy(STRIP_MPA.sides)
  const coldest = coldestUntil(course, Math.max(1440, sides ?? 1440))
  const ends = work.flatMap((op) => (PLACED.has(op.code) && op.endMinutes !== null ? [op.endMinutes] : []))
  const air = dryingAir(piece.pour)
  const drying = dryingRate(air)
  // A turn about an edge lifts half of all that is turned; what stands free is lifted whole.
  const turned = (stations.release?.figures.turnKg ?? 0) / 2
  const whole =
    stations.piece.figures.blocks.length > 1 ? largestBlock(input) : stations.steel.figures.strippingKg
  const liftKg = Math.max(turned, whole)
  const figures: PourFigures = {
    start,
    zone: piece.pour.zone,
    temperatureDegC: warmth,
    coldestDegC: coldest,
    rate: rateAt(warmth),
    workingMinutes: sure(mix.initialSet * SET_PARTS.working),
    initialSetMinutes: sure(mix.initialSet),
    finalSetMinutes: sure(mix.finalSet),
    sheenGoneMinutes: sure(mix.initialSet * SET_PARTS.sheen),
    placedByMinutes: Math.max(0, ...ends),
    openMinutes: longestOpen(work),
    lastWaterMinutes: lastWater,
    compaction: piece.pour.compaction ?? usualCompaction(stations.mould, stations.mix.figures),
    easeFromMinutes: sure(mix.finalSet),
    easeUntilMinutes: sure(2 * mix.finalSet),
    firstStripMinutes: sides,
    sharpStripMinutes: strongBy(STRIP_MPA.sharp),
    flipMinutes: strongBy(stations.steel.figures.turnMpa),
    flipMpa: stations.steel.figures.turnMpa,
    curedMinutes: strongBy(CURED.share * f28),
    f28Mpa: f28,
    dryingKgPerM2H: drying,
    ...heatOf(stations.piece.figures, mix, warmth),
    liftKg,
    liftPeople: peopleToLift(liftKg),
    liftTurns: turned > whole,
    strength: strengthPoints(curve, course),
  }
  const checked = checkPour(input, figures, insideOf(input))
  return {
    figures,
    findings: [
      ...checked,
      ...doneLate(input, work, checked),
      ...gripped(piece, work),
      ...nightly(piece, work, input.hours, (start) =>
        scheduleOperations(operations, ageing, water, hoursAt(input.hours, start)),
      ),
    ],
    operations: day,
    work,
    ageing,
    hours,
    rehearsal: null,
  }
}

/** How thick it is: its thinnest place where that is measured. */
const thickOf = ({ stations: { piece } }: Pick<PourInput, 'stations'>): number =>
  piece.geometry.thinnest?.mm ?? piece.geometry.thickness

/** What keeps an open face from drying: shade, a screen against the wind, a cooler mix; each is tried. */
function dryingCures({ id, pour }: Piece): Finding['remedies'] {
  const cure = (code: string, patch: Partial<Piece['pour']>, facts = {}) => ({
    code,
    facts,
    changes: [{ type: 'pourPlanned' as const, pieceId: id, patch }],
  })
  const air = temperatureAt(pour.temperature, 0)
  return [
    ...(pour.sun ? [cure('shade', { sun: false })] : []),
    ...(pour.windKmPerH > SCREENED ? [cure('screen', { windKmPerH: SCREENED })] : []),
    ...(pour.sun && pour.windKmPerH > SCREENED
      ? [cure('shade-and-screen', { sun: false, windKmPerH: SCREENED })]
      : []),
    ...((pour.concreteDegC ?? air) > COOL_MIX.from
      ? [cure('cooler-mix', { concreteDegC: COOL_MIX.to }, { coolerDegC: COOL_MIX.to })]
      : []),
  ]
}
/** Wind behind a screen, km/h; from what warmth a mix is cooled, and to what, degC [own]. */
const SCREENED = 4
const COOL_MIX = { from: 22, to: 18 } as const

const hoursAt = (hours: PourInput['hours'], start: string): Hours | null =>
  hours && { ...hours, waterMinute: minuteOfDay(start) }

/** The same pour rehearsed, with what goes wrong too often. */
export function rehearsed(input: PourInput, pour: PourStation): PourStation {
  const { figures } = input.stations.mix
  const rehearsal = rehearsePour({
    work: pour.work,
    ageing: pour.ageing,
    mix: {
      volumeLitres: figures.volumeLitres,
      mixedLitres: figures.mixedBags * input.mix.yieldLitres,
      waterLitres: figures.waterLitres,
      cementKg: figures.cementKg,
    },
    people: input.people,
  })
  // What is begun is not rehearsed: it is told as it goes.
  return rehearsal === null || input.piece.pour.running
    ? pour
    : {
        ...pour,
        rehearsal,
        findings: [...pour.findings, ...rehearsalFindings(input, rehearsal, pour.findings)],
      }
}

/** What the concrete does not let wait for the morning, and the hour nearest to the one chosen at which none of it falls at night. */
function nightly(
  piece: Piece,
  work: readonly Timed[],
  hours: PourInput['hours'],
  from: (start: string) => readonly Timed[],
): Finding[] {
  const { findings, raise } = findingList<PourFindings>('pour', piece.id, 'choice', 'pour')
  if (!hours) return findings
  const { running } = piece.pour
  const start = running?.water?.slice(0, 16) ?? piece.pour.start
  const of = atNight(work, hoursAt(hours, start)!).filter((op) => !running?.done.some((d) => d.op === op.id))
  const [first] = of
  if (!first) return findings
  const on = start.slice(0, 11)
  const better = Array.from({ length: 24 }, (_, hour) => hour * 60)
    .filter((minute) => minute >= hours.fromMinute && minute < hours.toMinute)
    .toSorted((a, b) => Math.abs(a - minuteOfDay(start)) - Math.abs(b - minuteOfDay(start)))
    .map((minute) => `${on}${String(minute / 60).padStart(2, '0')}:00`)
    .find((other) => atNight(from(other), hoursAt(hours, other)!).length === 0)
  raise(
    'falls-at-night',
    'note',
    {
      step: shortAct(first.code),
      stepCount: of.length,
      firstMinutes: first.startMinutes!,
      dayMinutes: dayMinute(first.startMinutes!, hoursAt(hours, start)!),
    },
    // What is begun has its hour.
    better && !running?.water
      ? [
          {
            code: 'start',
            facts: { start: better },
            changes: [{ type: 'pourPlanned', pieceId: piece.id, patch: { start: better } }],
          },
        ]
      : [],
  )
  return findings
}

/** What comes off only after the concrete has gripped it: the one that is latest against its window. */
function gripped(piece: Piece, work: readonly Timed[]): Finding[] {
  const { findings, raise } = findingList<PourFindings>('pour', piece.id, 'choice', 'pour')
  const late = work.filter(
    (op) =>
      isStripping(op) &&
      op.startMinutes !== null &&
      op.latestMinutes !== null &&
      op.startMinutes > op.latestMinutes,
  )
  const over = (op: Timed) => op.startMinutes! - op.latestMinutes!
  const worst = late.reduce<Timed | null>((most, op) => (most && over(most) >= over(op) ? most : op), null)
  if (worst)
    raise('gripped-late', 'warn', {
      step: shortAct(worst.code),
      startMinutes: worst.startMinutes!,
      latestMinutes: worst.latestMinutes!,
    })
  return findings
}

/**
 * How long the concrete of a lift lies before the next is on it, and that of the last before it is struck off: from its
 * first batch's water, minutes. A pour in one lift lies open to its end.
 */
function longestOpen(work: readonly Timed[]): number {
  const [starts, open]: [number[], number[]] = [[], []]
  let ends = false
  for (const op of work) {
    if (op.startMinutes === null || op.endMinutes === null) continue
    if (op.code === 'mix-batch' && (starts.length === 0 || ends)) {
      // The first batch of a lift: the one under it is covered once this is placed.
      starts.push(op.startMinutes)
      ends = false
    }
    if (PLACED.has(op.code)) open[starts.length - 1] = op.endMinutes
    if (op.code === 'compact' && op.facts.number < op.facts.liftCount) ends = true
  }
  const places = work.filter((op) => op.code === 'place-batch' || op.code === 'place-face')
  return Math.max(
    0,
    ...starts.map((start, k) => {
      const next = starts[k + 1]
      const over = places.find((op) => next !== undefined && (op.startMinutes ?? 0) >= next)
      return (over?.endMinutes ?? open[k] ?? start) - start
    }),
  )
}

/** The heaviest block of those that are lifted one by one, fresh. */
const largestBlock = ({ stations, mix }: PourInput): number =>
  Math.max(...stations.piece.figures.blocks.map((b) => (b.volumeLitres * mix.freshKgPerM3) / 1000))

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

/** What of the steel the day must be able to do, and whether it can reach in. */
type Inside = { readonly coated: boolean; readonly closed: boolean; readonly laid: boolean }
const insideOf = ({ stations: { steel, mould } }: PourInput): Inside => ({
  coated: steel.figures.coats !== null,
  closed: mould?.figures.top === 'hole',
  laid: steel.operations.some((op) => LAID.has(op.code)),
})

function checkPour(
  { piece, people: present, mix, stock, filament, stations }: PourInput,
  f: PourFigures,
  { coated, closed, laid }: Inside,
): Finding[] {
  const { findings, raise } = findingList<PourFindings>('pour', piece.id, 'choice', 'pour')
  // Nobody reaches into a mould that is filled through a hole.
  if (closed && (coated || laid))
    raise('steel-closed', 'stop', { what: coated ? 'coats' : 'mat' }, [
      {
        code: coated ? 'none' : 'hung',
        facts: {},
        changes: [
          {
            type: 'steelChosen',
            pieceId: piece.id,
            patch: coated ? { kind: 'none' } : { placed: 'hung' },
          },
        ],
      },
    ])
  if (f.coldestDegC < COLDEST) raise('too-cold', 'stop', { coldestDegC: f.coldestDegC, leastDegC: COLDEST })
  if (f.firstStripMinutes === null)
    raise('never-strong', 'stop', { wantedMpa: STRIP_MPA.sides, f28Mpa: f.f28Mpa })
  else if (f.flipMinutes === null) raise('never-flipped', 'stop', { wantedMpa: f.flipMpa, f28Mpa: f.f28Mpa })
  // A back coat has a clock of its own: it is mixed when the face has stiffened, and is on it before that has set.
  const open = coated ? f.placedByMinutes : f.openMinutes
  if (open > f.initialSetMinutes * SET_PARTS.joins)
    raise(
      'sets-before-placed',
      'stop',
      { placedMinutes: open, setMinutes: f.initialSetMinutes, mix: mix.name },
      inTimeCures(piece, present, mix, stock),
    )
  else if (!coated && f.openMinutes > f.workingMinutes)
    raise(
      'longer-than-working-time',
      'warn',
      { placedMinutes: f.openMinutes, workingMinutes: f.workingMinutes, mix: mix.name },
      inTimeCures(piece, present, mix, stock),
    )
  const wrong = wrongTool(f.compaction, stations.mould, stations.mix.figures, thickOf({ stations }))
  if (wrong)
    raise(
      'compacts-badly',
      'warn',
      { tool: f.compaction, why: wrong, pokerMm: POKER.diameter },
      piece.pour.compaction === null
        ? []
        : [
            {
              code: 'usual',
              facts: { tool: usualCompaction(stations.mould, stations.mix.figures) },
              changes: [{ type: 'pourPlanned', pieceId: piece.id, patch: { compaction: null } }],
            },
          ],
    )
  // What is filled through a hole has no face that dries.
  if (!closed && f.dryingKgPerM2H > DRYING.uncovered)
    raise(
      'dries-fast',
      'warn',
      {
        rateKgPerM2H: f.dryingKgPerM2H,
        limitKgPerM2H: DRYING.uncovered,
        do: 'do not pour uncovered',
      },
      dryingCures(piece),
    )
  else if (!closed && f.dryingKgPerM2H > DRYING.cover)
    raise(
      'dries-fast',
      'note',
      {
        rateKgPerM2H: f.dryingKgPerM2H,
        limitKgPerM2H: DRYING.cover,
        do: 'cover it at once',
      },
      dryingCures(piece),
    )
  const { slurryMm } = piece.mix
  if (slurryMm > 0) {
    const without = [
      {
        code: 'no-slurry',
        facts: {},
        changes: [{ type: 'mixChosen' as const, pieceId: piece.id, patch: { slurryMm: 0 } }],
      },
    ]
    const up = piece.kind === 'slab' && piece.attitude.down === 'bottom'
    const nowhere = closed
      ? 'hole'
      : up
        ? 'up'
        : coated
          ? 'coats'
          : stations.mix.figures.slurry
            ? null
            : 'face'
    if (nowhere) raise('slurry-nowhere', 'warn', { why: nowhere }, without)
    else if (slurryMm < SLURRY.least || slurryMm > SLURRY.most)
      raise('slurry-thick', 'warn', { slurryMm, leastMm: SLURRY.least, mostMm: SLURRY.most }, [
        {
          code: 'usual-slurry',
          facts: { slurryMm: USUAL_SLURRY },
          changes: [{ type: 'mixChosen', pieceId: piece.id, patch: { slurryMm: USUAL_SLURRY } }],
        },
      ])
  }
  const { mouldDegC, concreteDegC } = piece.pour
  if (mouldDegC !== null && (mouldDegC < COLDEST || mouldDegC > MOULD.hottest))
    raise('mould-warmth', mouldDegC <= 0 ? 'stop' : 'warn', {
      mouldDegC,
      leastDegC: COLDEST,
      mostDegC: MOULD.hottest,
      cold: mouldDegC < COLDEST ? 'yes' : 'no',
    })
  if (concreteDegC !== null && concreteDegC > MOULD.hotMix)
    raise('mix-hot', 'warn', { concreteDegC, mostDegC: MOULD.hotMix }, [
      {
        code: 'cooler-mix',
        facts: { coolerDegC: MOULD.coolMix },
        changes: [{ type: 'pourPlanned', pieceId: piece.id, patch: { concreteDegC: MOULD.coolMix } }],
      },
    ])
  const of = stock.filaments.find((row) => row.id === filament)
  for (const h of heatFindings(piece, f, of ? { of, filaments: stock.filaments } : null))
    raise(h.code as keyof PourFindings, h.level, h.facts as never, h.remedies)
  const people = Math.min(present, LIFT.mostPeople)
  const facts = {
    massKg: f.liftKg,
    people,
    limitKg: teamLimit(people),
    aHeadKg: f.liftKg / people,
    mostAHeadKg: LIFT.aHead,
    turns: f.liftTurns ? 'yes' : 'no',
  }
  const judged = judgeLift(f.liftKg, present)
  switch (judged) {
    case 'by machine':
      raise('lift-by-machine', 'warn', facts)
      break
    case 'too few':
      raise(
        'lift-too-few',
        'warn',
        { ...facts, wanted: f.liftPeople ?? 0 },
        f.liftPeople !== null && f.liftPeople > present
          ? [
              {
                code: 'lift-too-few',
                facts: { people: f.liftPeople },
                changes: [{ type: 'settingsChanged', patch: { people: f.liftPeople } }],
              },
            ]
          : [],
      )
      break
    case 'plan':
      raise('lift-by-plan', 'note', facts)
      break
    case 'fine':
      break
    default:
      unhandled(judged)
  }
  return findings
}
