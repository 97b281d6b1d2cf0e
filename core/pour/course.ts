import { type TemperatureCourse, temperatureAt } from '../ageing/index.ts'
import type { PourChoice } from '../job/index.ts'

/** Between concrete and the air round it half the difference is gone after an hour for so much thickness, mm [own]. */
const HALF_GONE_MM = 50
/** Steps in which it is drawn, and how many halves are looked at: by then a thousandth is left. */
const STEPS_A_HALF = 4
const HALVES = 10

/**
 * How warm the concrete is from its first water: as the air that is planned, from its own warmth where it is placed
 * warmer or colder, and as the thermometer read it while it goes on. Past the last reading it runs to what is planned
 * where that is colder, and stays as it is where that is warmer: strength is not promised from warmth nobody has read.
 */
export function courseOf(
  { temperature, concreteDegC, running }: Pick<PourChoice, 'temperature' | 'concreteDegC' | 'running'>,
  thickMm: number,
): TemperatureCourse {
  const half = Math.max(0.25, thickMm / HALF_GONE_MM)
  const read = (running?.readings ?? []).filter((r) => r.of === 'concrete')
  const last = read.at(-1)
  if (last) {
    const points = read.map((r) => ({ hour: r.minutes / 60, degC: r.degC }))
    const from = last.minutes / 60
    const after = runsTo(temperature, from, last.degC, half).map((p) => ({
      ...p,
      degC: Math.min(p.degC, last.degC),
    }))
    return { kind: 'list', points: rising([...points, ...after]) }
  }
  if (concreteDegC === null) return temperature
  return {
    kind: 'list',
    points: rising([{ hour: 0, degC: concreteDegC }, ...runsTo(temperature, 0, concreteDegC, half)]),
  }
}

type Point = { readonly hour: number; readonly degC: number }

/** From a warmth of its own to the air's, the difference halved every `half` hours. */
function runsTo(air: TemperatureCourse, from: number, degC: number, half: number): Point[] {
  const apart = degC - temperatureAt(air, from * 60)
  const hours = Array.from(
    { length: HALVES * STEPS_A_HALF },
    (_, i) => from + ((i + 1) * half) / STEPS_A_HALF,
  )
  const planned = air.kind === 'list' ? air.points.map((p) => p.hour).filter((h) => h > from) : []
  return [...hours, ...planned]
    .sort((a, b) => a - b)
    .map((hour) => ({
      hour,
      degC: temperatureAt(air, hour * 60) + apart * 2 ** (-(hour - from) / half),
    }))
}

/** Without those that stand at the hour of the one before. */
const rising = (points: readonly Point[]): Point[] =>
  points.filter((p, i) => i === 0 || p.hour > points[i - 1]!.hour)

/** Sun warms an open face by so much, degC [own]. */
const SUN = 8

/** What dries the open face: concrete and air as they were read last, else as they are planned. */
export function dryingAir({ temperature, concreteDegC, running, humidity, windKmPerH, sun }: PourChoice): {
  concreteDegC: number
  airDegC: number
  humidity: number
  windKmPerH: number
} {
  const lastOf = (of: 'concrete' | 'air') => running?.readings.findLast((r) => r.of === of)?.degC
  const air = lastOf('air') ?? temperatureAt(temperature, 0)
  return {
    concreteDegC: (lastOf('concrete') ?? concreteDegC ?? temperatureAt(temperature, 0)) + (sun ? SUN : 0),
    airDegC: air,
    humidity,
    windKmPerH,
  }
}
