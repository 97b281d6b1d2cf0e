import { beforeAll, describe, expect, it } from 'vitest'
import { temperatureAt } from '../ageing/index.ts'
import { NOTHING_MEASURED, type PourChoice, type RunningPour, readJob, writeJob } from '../job/index.ts'
import { stationMemo } from '../station.ts'
import { brokenRules } from '../testing/operationRules.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { courseOf } from './course.ts'
import {
  checksOf,
  type Next,
  nextOf,
  recordOf,
  takenBack,
  tickedWith,
  withBegun,
  withEnded,
  withReadings,
  withWeighed,
} from './index.ts'

const EMPTY: RunningPour = {
  water: null,
  mixName: 'mix',
  planned: {
    catalogueVersion: 1,
    volumeLitres: 20,
    bags: 2,
    waterLitresPerBag: 3,
    concreteKg: 46,
    stripHours: 24,
    temperatureDegC: 20,
  },
  done: [],
  readings: [],
  weighed: [],
}
let kernel: Awaited<ReturnType<typeof testKernel>>
beforeAll(async () => {
  kernel = await testKernel()
})
type Slab = ReturnType<typeof testSlab>
const slab = (pour: Partial<PourChoice> = {}, mix: Partial<Slab['mix']> = {}): Slab =>
  testSlab({ mix: { ...testSlab().mix, ...mix }, pour: { ...testSlab().pour, ...pour } })
const memo = stationMemo()
const planOf = (piece: Slab) => planPiece(kernel, testJob(piece), piece, { memo })

/** A hand that does all it is asked, each as long as it is planned, and waits as it is told. */
function poured(mix: Partial<Slab['mix']> = {}, most = 400) {
  const [asked, ticked]: [Next[], Record<string, string>[]] = [[], [{}]]
  let running = EMPTY
  let now = 0
  let plan = planOf(slab({}, mix))
  while (asked.length < most) {
    const piece = slab({ running, ticked: ticked.at(-1)! }, mix)
    plan = planOf(piece)
    const pour = plan.stations.pour!
    const { batches, mixName, portion } = plan.stations.mix!.figures
    const next = nextOf({
      work: pour.work,
      checks: checksOf(pour.work, piece),
      batches,
      mixName,
      weighed: portion === 'weighed',
      running,
      ageing: pour.ageing,
      now,
    })
    asked.push(next)
    if (next.kind === 'over' || next.kind === 'never') break
    if (next.kind === 'check') ticked.push({ ...tickedWith(piece, next.check.operation, true) })
    if (next.kind === 'weigh' || next.kind === 'wet')
      running = withWeighed(running, {
        op: next.op.id,
        what: next.part.key,
        plannedKg: next.part.kg,
        kg: next.part.kg * 1.01,
        by: 'scale',
      })
    if (next.kind === 'wet')
      running = withBegun(running, {
        op: next.op.id,
        said: 'mixed',
        minutes: now,
        moment: '2026-05-30T09:00:10',
      })
    if (next.kind === 'wait') now = next.untilMinutes
    if (next.kind === 'do') {
      now += next.op.work.workMinutes
      running = withEnded(running, {
        op: next.op.id,
        said: 'done',
        minutes: now,
        takes: next.op.work.workMinutes,
      })
    }
  }
  return { asked, running, plan, now }
}

describe('a pour, one thing at a time', () => {
  it.each([
    ['whole bags', {}],
    ['weighed out, with fibreless doses', { portion: 'weighed' as const }],
    ['a small mixer', { mixer: 'bucket' }],
  ])('of %s asks for each thing once, in an order that keeps every need, to its end', (_, mix) => {
    const stock = testJob(slab()).stock
    const known =
      'mixer' in mix ? { mixer: stock.mixers.toSorted((a, b) => a.litres - b.litres)[0]!.id } : mix
    const { asked, running, plan } = poured(known)
    expect(asked.at(-1)!.kind).toBe('over')
    const done = asked.flatMap((n) => (n.kind === 'do' ? [n.op] : []))
    expect(new Set(done.map((op) => op.id)).size).toBe(done.length)
    const at = new Map(done.map((op, i) => [op.id, i]))
    for (const op of done)
      for (const need of op.needs)
        expect([op.id, need, (at.get(need) ?? -1) < at.get(op.id)!]).toEqual([op.id, need, true])
    const { batches } = plan.stations.mix!.figures
    expect(done.filter((op) => op.code === 'mix-batch')).toHaveLength(batches.length)
    // Checks come before anything is weighed.
    const kinds = asked.map((n) => n.kind)
    expect(kinds.lastIndexOf('check')).toBeLessThan(kinds.indexOf('weigh'))
    // Each batch: its water, then its powder on it.
    for (const b of batches) {
      const own = asked.flatMap((n) =>
        (n.kind === 'weigh' || n.kind === 'wet') && n.number === b.number ? [n.part] : [],
      )
      expect(own.map((p) => p.what)).toEqual(['water', 'powder'])
      expect(own.map((p) => p.kg)).toEqual([
        expect.closeTo(b.waterLitres - b.heldBackLitres, 9),
        expect.closeTo(b.dryKg, 9),
      ])
    }
    // Poured as planned it is the plan's own day.
    expect(brokenRules(plan)).toEqual([])
    expect(running.done.every((d) => d.endMinutes !== null)).toBe(true)
    const record = recordOf(running, plan.stations.pour!.work, batches)
    expect(record).toMatchObject({
      on: '2026-05-30',
      mixName: 'mix',
      actual: {
        ...NOTHING_MEASURED,
        bags: expect.closeTo(
          batches.reduce((a, b) => a + b.bags, 0),
          9,
        ),
        waterLitresPerBag: expect.closeTo(3.03, 9),
        vibratedMinutes: expect.any(Number),
        stripHours: expect.closeTo(plan.stations.pour!.figures.firstStripMinutes! / 60, 0),
      },
    })
  })

  const begun = (): RunningPour =>
    withBegun(EMPTY, { op: 'mix/1', said: '', minutes: 7, moment: '2026-05-30T09:00:00' })
  const asks = (running: RunningPour | null, over: Partial<Parameters<typeof nextOf>[0]> = {}) => {
    const piece = slab({ running })
    const { pour, mix } = planOf(piece).stations
    return nextOf({
      work: pour!.work,
      checks: [],
      batches: mix!.figures.batches,
      mixName: 'mix',
      weighed: false,
      running,
      ageing: pour!.ageing,
      now: 0,
      ...over,
    })
  }

  it('counts from the powder of the first batch, whatever the clock said before', () => {
    expect(begun()).toMatchObject({
      water: '2026-05-30T09:00:00',
      done: [{ op: 'mix/1', startMinutes: 0, endMinutes: null }],
    })
    const second = withBegun(begun(), { op: 'mix/2', said: '', minutes: 21, moment: '2026-05-30T09:21:00' })
    expect([second.water, second.done[1]!.startMinutes]).toEqual(['2026-05-30T09:00:00', 21])
  })

  it('works late, and what follows is told anew', () => {
    const late = withEnded(begun(), { op: 'mix/1', said: '', minutes: 50, takes: 5 })
    const { work } = planOf(slab({ running: late })).stations.pour!
    expect(work.find((op) => op.id === 'mix/1')).toMatchObject({ startMinutes: 0, endMinutes: 50 })
    for (const op of work) if (op.code === 'place-batch') expect(op.startMinutes!).toBeGreaterThanOrEqual(50)
    const found = planOf(
      slab({ running: withEnded(begun(), { op: 'mix/1', said: '', minutes: 300, takes: 5 }) }),
    )
    expect(found.findings.map((f) => f.code)).toContain('sets-before-placed')
  })

  it('what is put off stands back for what else may be done, and is asked for again', () => {
    const first = asks(withEnded(begun(), { op: 'mix/1', said: '', minutes: 5, takes: 5 }), { now: 5 })
    expect(first).toMatchObject({ kind: 'do', op: { code: 'place-batch' } })
    if (first.kind !== 'do') return
    const running = withEnded(begun(), { op: 'mix/1', said: '', minutes: 5, takes: 5 })
    const later = { [first.op.id]: 10 }
    expect(asks(running, { now: 5, later })).toMatchObject({ kind: 'wait', untilMinutes: 10, may: true })
    expect(asks(running, { now: 10, later })).toMatchObject({ kind: 'do', op: { id: first.op.id } })
  })

  it('a batch that turns is not put off, and nothing is called impossible for it', () => {
    const next = asks(begun(), { now: 2, later: { 'mix/1': 7 } })
    expect(next).toMatchObject({ kind: 'do', op: { id: 'mix/1' }, begun: 0 })
  })

  it('waits by the eye where an eye tells, by strength where only strength does', () => {
    const { asked } = poured()
    const waits = asked.flatMap((n) => (n.kind === 'wait' ? [[n.op.code, n.may] as const] : []))
    expect(new Map(waits).get('float') ?? new Map(waits).get('cover')).toBe(true)
    expect(waits.some(([, may]) => !may)).toBe(true)
  })

  it('takes back the last thing done: an end, a beginning with its powder, then what was weighed', () => {
    const weighed = { op: 'mix/1', what: 'water', plannedKg: 2.7, kg: 2.7, by: 'typed' as const }
    const wet = withBegun(
      withWeighed(withWeighed(EMPTY, weighed), { ...weighed, what: 'powder', plannedKg: 25, kg: 25 }),
      { op: 'mix/1', said: '', minutes: 0, moment: '2026-05-30T09:00:00' },
    )
    const ended = withEnded(wet, { op: 'mix/1', said: '', minutes: 6, takes: 5 })
    const by = { begunByHand: new Set(['mix/1']) }
    expect(takenBack(ended, by)).toEqual(wet)
    expect(takenBack(wet, by)).toEqual(withWeighed(EMPTY, weighed))
    expect(takenBack(withWeighed(EMPTY, weighed), by)).toEqual(EMPTY)
    expect(takenBack(EMPTY, by)).toEqual(EMPTY)
    // What is weighed for the next batch goes before the act that is over.
    expect(takenBack(withWeighed(ended, { ...weighed, op: 'mix/2' }), by)).toEqual(ended)
  })

  it('goes on after the job was written and read', () => {
    const running = withReadings(withEnded(begun(), { op: 'mix/1', said: 'Mix', minutes: 5.5, takes: 5 }), [
      { of: 'concrete', minutes: 3, degC: 18.25 },
    ])
    const job = testJob(slab({ running }))
    expect(readJob(writeJob(job))).toEqual({ ok: true, job })
  })
})

describe('the thermometer', () => {
  const air = { kind: 'constant', degC: 20 } as const
  const read = (...readings: (readonly [number, number])[]): RunningPour =>
    withReadings(
      EMPTY,
      readings.map(([minutes, degC]) => ({ of: 'concrete', minutes, degC })),
    )

  it('keeps readings in the order of time, one a minute, ten thousand at most', () => {
    const out = read([30, 12], [10, 11], [30.2, 13], [20, 12])
    expect(out.readings.map((r) => [r.minutes, r.degC])).toEqual([
      [10, 11],
      [20, 12],
      [30.2, 13],
    ])
    const many = read(...Array.from({ length: 10_050 }, (_, i) => [i, 20] as const))
    expect([many.readings.length, many.readings[0]!.minutes]).toEqual([10_000, 50])
  })

  it.each<[string, number, RunningPour | null, number | null, (readonly [hour: number, degC: number])[]]>([
    [
      'as the air, where nothing else is said',
      100,
      null,
      null,
      [
        [0, 20],
        [5, 20],
      ],
    ],
    [
      'warm from the mixer: half the difference is gone in an hour for 50 mm',
      50,
      null,
      30,
      [
        [0, 30],
        [1, 25],
        [2, 22.5],
      ],
    ],
    [
      'thicker, slower',
      100,
      null,
      30,
      [
        [2, 25],
        [4, 22.5],
      ],
    ],
    [
      'read: between readings straight, then to colder air',
      50,
      read([0, 24], [60, 28]),
      30,
      [
        [0.5, 26],
        [1, 28],
        [2, 24],
      ],
    ],
    [
      'read colder than planned: no warmth is promised',
      50,
      read([0, 12], [60, 8]),
      null,
      [
        [1, 8],
        [9, 8],
        [30, 8],
      ],
    ],
  ])('%s', (_, thick, running, concreteDegC, wanted) => {
    const course = courseOf({ temperature: air, concreteDegC, running }, thick)
    for (const [hour, degC] of wanted)
      expect([hour, temperatureAt(course, hour * 60)]).toEqual([hour, expect.closeTo(degC, 1)])
  })

  it('read colder than planned it is stripped later, read warmer sooner', () => {
    const strip = (running: RunningPour | null) =>
      planOf(slab({ running })).stations.pour!.figures.firstStripMinutes!
    const water = { ...EMPTY, water: '2026-05-30T09:00:00' }
    const hours = Array.from({ length: 49 }, (_, i) => i * 60)
    const at = (degC: number) =>
      withReadings(
        water,
        hours.map((minutes) => ({ of: 'concrete', minutes, degC })),
      )
    expect(strip(at(10))).toBeGreaterThan(strip(water) * 1.4)
    expect(strip(at(30))).toBeLessThan(strip(water) * 0.8)
    expect(strip(at(20))).toBeCloseTo(strip(water), 0)
  })
})
