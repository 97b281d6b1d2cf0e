import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../geometry/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { type Ageing, act, operation, type Timed } from '../work/index.ts'
import { chanceOf, oddsOf } from './chance.ts'
import { type Rehearsed, rehearsePour, SPREADS, type Spreads } from './rehearse.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

const ageing = (lastWater = 0, degC = 20): Ageing => ({
  initialSet: 240,
  finalSet: 360,
  f28: 30,
  curve: { kind: 'law', f28: 30, s: 0.25, finalSet: 360 },
  course: { kind: 'constant', degC },
  lastWater,
})
/** Batches of one lift: each mixed in `mix` minutes and placed in `place`. */
const pour = (batches: number, mix: number, place: number, over: Partial<Rehearsed> = {}): Rehearsed => {
  const work: Timed[] = Array.from({ length: batches }, (_, i) => {
    const start = i * (mix + place)
    const own = { station: 'pour', per: 'cast' } as const
    const at = (from: number, minutes: number) => ({
      startMinutes: from,
      endMinutes: from + minutes,
      latestMinutes: null,
    })
    const water = {
      ...act('mix-batch', {
        number: i + 1,
        batches,
        bags: 1,
        weighedKg: 0,
        waterLitres: 3,
        heldBackLitres: 0.3,
        fibreKg: 0,
        doses: [],
        parts: [],
        coat: 'all',
      }),
      ...own,
      id: `mix/${i + 1}`,
      minutes: mix,
    }
    const placed = {
      ...act('place-batch', { number: i + 1, batches, litres: 0, by: 'open', part: 'all', fillMm: 0 }),
      ...own,
      id: `place/${i + 1}`,
      minutes: place,
      notAfter: [
        { kind: 'set', of: 'initial', setShare: 0.5, since: `mix/${i + 1}` },
        ...(i > 0 ? [{ kind: 'set', of: 'initial', setShare: 0.9, since: 'mix/1' } as const] : []),
      ],
    } as const
    return [
      { ...operation(water), ...at(start, mix) },
      { ...operation(placed as never), ...at(start + mix, place) },
    ] as Timed[]
  }).flat()
  const screed = {
    ...act('screed', { along: 'sides', clear: [] }),
    station: 'pour',
    per: 'cast',
    id: 'screed',
    minutes: 0,
    notAfter: [{ kind: 'set', of: 'initial', setShare: 0.5, since: 'mix/1' }],
  } as const
  const end = batches * (mix + place)
  work.push({
    ...operation(screed as never),
    startMinutes: end,
    endMinutes: end,
    latestMinutes: null,
  } as Timed)
  return {
    work,
    ageing: ageing((batches - 1) * (mix + place)),
    mix: { volumeLitres: 10, mixedLitres: 11, waterLitres: 3, cementKg: 6.5 },
    people: 2,
    ...over,
  }
}
const STILL = Object.fromEntries(Object.keys(SPREADS).map((k) => [k, 0])) as Spreads
const many = { runs: 20_000, seed: 3 }
/** The standard normal distribution. Source: Abramowitz and Stegun 26.2.17, to 1e-7. */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z > 0 ? 1 - tail : tail
}
/** How often a lognormal of mean 1 and this spread is below x. */
const logBelow = (x: number, spread: number): number => {
  const variance = Math.log(1 + spread ** 2)
  return normalBelow((Math.log(x) + variance / 2) / Math.sqrt(variance))
}

describe('odds against closed forms', () => {
  it.each([
    // One batch placed after so many minutes: late where 120 min x its set factor are over.
    ['usually late', 130, { set: 0.15 }, logBelow(130 / 120, 0.15)],
    ['seldom late', 90, { set: 0.15 }, logBelow(90 / 120, 0.15)],
    ['slow hands', 100, { mix: 0.2 }, 1 - logBelow(120 / 100, 0.2)],
  ])('%s', (_, minutes, spread, want) => {
    const told = rehearsePour(pour(1, minutes, 0), many, { ...STILL, ...spread })!
    expect(Math.abs(told.outOfTime.percent - 100 * want)).toBeLessThan(2)
    expect([told.coldJoint.percent, told.outOfMix.percent]).toEqual([0, 0])
  })
  it('a joint fails where the batch over it comes past 0.9 of the initial set', () => {
    // The second batch is down 200 min after the first water.
    const told = rehearsePour(pour(2, 80, 20), many, { ...STILL, set: 0.15 })!
    expect(Math.abs(told.coldJoint.percent - 100 * logBelow(200 / 216, 0.15))).toBeLessThan(2)
  })
  it('runs out where the yield is under what the form takes', () => {
    const mix = { volumeLitres: 10, mixedLitres: 10.3, waterLitres: 3, cementKg: 6.5 }
    const told = rehearsePour(pour(1, 8, 10, { mix }), many, { ...STILL, yield: 0.03 })!
    expect(Math.abs(told.outOfMix.percent - 100 * logBelow(10 / 10.3, 0.03))).toBeLessThan(2)
  })
  it('a stoppage of 20 min comes as often as it is told', () => {
    const told = rehearsePour(pour(1, 110, 0), many, { ...STILL, stoppage: 0.25 })!
    expect(Math.abs(told.outOfTime.percent - 25)).toBeLessThan(2)
  })
  it('without any luck it is what is planned', () => {
    const told = rehearsePour(pour(3, 8, 7), many, STILL)!
    expect(told.placedBy).toEqual({ lowMinutes: 45, middleMinutes: 45, highMinutes: 45 })
    expect([told.coldJoint, told.outOfTime, told.stripLate].map((o) => o.percent)).toEqual([0, 0, 0])
    // 5 MPa after 13.1 h of f28 30, s 0.25 is read from the law, from the last water.
    expect(told.strip!.middleMinutes).toBe(told.strip!.lowMinutes)
  })
  it('colder or wetter is later, warmer sooner: by as much as the law says', () => {
    const { strip } = rehearsePour(pour(1, 8, 10), many, { ...STILL, degC: 2 })!
    // 1.645 deviations of 2 degC either way at 40 kJ/mol.
    const rate = (degC: number) => Math.exp((40_000 / 8.314) * (1 / 293.15 - 1 / (273.15 + degC)))
    expect(strip!.highMinutes / strip!.middleMinutes).toBeCloseTo(1 / rate(20 - 3.29), 1)
    expect(strip!.lowMinutes / strip!.middleMinutes).toBeCloseTo(1 / rate(20 + 3.29), 1)
  })
})

it('the same seed gives the same odds, another near ones', () => {
  const told = pour(4, 12, 40)
  expect(rehearsePour(told)).toEqual(rehearsePour(told))
  const [a, b] = [rehearsePour(told)!, rehearsePour(told, { runs: 2000, seed: 9 })!]
  expect(a).not.toEqual(b)
  expect(Math.abs(a.coldJoint.percent - b.coldJoint.percent)).toBeLessThan(4.5)
})

it('limits of odds: those of Wilson', () => {
  expect(oddsOf(1000, 2000)).toEqual({
    percent: 50,
    lowPercent: expect.closeTo(47.81, 2),
    highPercent: expect.closeTo(52.19, 2),
  })
  expect(oddsOf(100, 2000).highPercent - 5).toBeCloseTo(1.04, 2)
  expect([oddsOf(0, 2000).lowPercent, oddsOf(2000, 2000).highPercent]).toEqual([0, 100])
})

it('draws of mean 1, as wide as told', () => {
  const chance = chanceOf(4)
  for (const spread of [0.03, 0.3, 1]) {
    const all = Array.from({ length: 40_000 }, () => chance.factor(spread))
    const mean = all.reduce((a, b) => a + b, 0) / all.length
    const deviation = Math.sqrt(all.reduce((a, b) => a + (b - mean) ** 2, 0) / all.length)
    expect(Math.min(...all)).toBeGreaterThan(0)
    expect(Math.abs(mean - 1)).toBeLessThan(0.02)
    expect(Math.abs(deviation / spread - 1)).toBeLessThan(0.1)
  }
})

describe('in the line', () => {
  const rehearse = (over: object, people = 2) => {
    const piece = testSlab({ thickness: 240, ...over })
    const job = testJob(piece)
    return planPiece(kernel, { ...job, settings: { ...job.settings, people } }, piece, {
      quick: true,
      thick: true,
    })
  }
  it('is rehearsed with the slow figures, and tells what goes wrong too often', () => {
    const fast = testStock.mixes.find((m) => m.family === 'fast')!
    const slow = rehearse({})
    expect(slow.stations.pour!.rehearsal!.coldJoint.percent).toBeLessThan(1)
    const hurried = rehearse({ mix: { ...testSlab().mix, mix: fast.id } }, 1)
    expect(hurried.stations.pour!.rehearsal!.coldJoint.percent).toBeGreaterThan(50)
    // What is planned to set before it is placed is told by the plan, and once.
    expect(hurried.findings.map((f) => f.code)).toContain('sets-before-placed')
    expect(hurried.findings.map((f) => f.code)).not.toContain('cold-joint-likely')
    const dry = rehearse({ mix: { ...testSlab().mix, wastePercent: 0, portion: 'weighed' } })
    const short = dry.findings.find((f) => f.code === 'mix-likely-short')!
    expect(dry.stations.pour!.rehearsal!.outOfMix.percent).toBeGreaterThan(50)
    expect(short.remedies.map((r) => r.facts.wastePercent)).toEqual([5, 10, 15])
    const first = planPiece(kernel, testJob(testSlab()), testSlab(), { quick: true, thick: false })
    expect(first.stations.pour!.rehearsal).toBeNull()
  })
})
