import { beforeAll, describe, expect, it } from 'vitest'
import type { PourRecord } from '../job/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { learnWaste } from './planLog.ts'

/** 900 x 500 x 45: 20.25 L; a bag makes 12 L. */
const LITRES = 20.25
const mix = testStock.mixes.find((m) => m.id === testSlab().mix.mix)!
const planned: PourRecord['planned'] = {
  catalogueVersion: 1,
  volumeLitres: LITRES,
  bags: 2,
  waterLitresPerBag: 3,
  concreteKg: 46.6,
  stripHours: 26,
  temperatureDegC: 20,
}
const nothing: PourRecord['actual'] = {
  bags: null,
  waterLitresPerBag: null,
  temperatureDegC: null,
  vibratedMinutes: null,
  stripHours: null,
  weightKg: null,
}
let made = 0
const pour = (actual: Partial<PourRecord['actual']> = {}, over: Partial<PourRecord> = {}): PourRecord => {
  made += 1
  return {
    id: `pour-${made}`,
    pieceId: 'top',
    pieceName: 'Top',
    on: `2026-05-${String(10 + made).padStart(2, '0')}`,
    mixName: mix.name,
    planned,
    actual: { ...nothing, ...actual },
    faults: [],
    nextTime: '',
    day: null,
    ...over,
  }
}
const used = (...bags: (number | null)[]): PourRecord[] => {
  made = 0
  return bags.map((n) => pour({ bags: n }))
}
let log: (pours: readonly PourRecord[], wastePercent?: number) => ReturnType<typeof planOf>
const planOf = (kernel: Parameters<typeof planPiece>[0], pours: readonly PourRecord[], waste?: number) => {
  const piece = testSlab(waste === undefined ? {} : { mix: { ...testSlab().mix, wastePercent: waste } })
  const job = { ...testJob(piece), pours: [...pours] }
  return planPiece(kernel, job, piece).stations.log!
}
beforeAll(async () => {
  const kernel = await testKernel()
  log = (pours, waste) => planOf(kernel, pours, waste)
})

describe('the waste that pours teach', () => {
  it.each<[label: string, bags: (number | null)[], percent: number | null]>([
    ['nothing before the third', [2, 2], null],
    ['nor by pours that measured no bags', [2, null, 2, null], null],
    // 2 x 12/20.25 is 18.519 percent more
    ['what they all say', [2, 2, 2], 18.5185],
    // 18.5185, then 0.7 and 0.3 of 6.6667: 14.9630, then of 24.4444: 17.8074
    ['the latest by 0.3, the rest by 0.7', [2, 1.8, 2.1], 17.8074],
    ['in the order in which they were poured', [2.1, 1.8, 2], 18.9333],
    ['less than the volume too', [1.6, 1.6, 1.6], -5.1852],
  ])('%s', (_, bags, percent) => {
    const learned = learnWaste(used(...bags), mix)
    if (percent === null) expect(learned).toBeNull()
    else expect(learned).toBeCloseTo(percent, 3)
  })

  it.each<[label: string, bags: number[], waste: number | undefined, code: string | null, offers: number]>([
    ['says it where it differs from what is planned', [2, 2, 2], undefined, 'waste-learned', 19],
    ['says nothing within a percent', [2, 2, 2], 18, null, 0],
    ['says it beyond one', [2, 2, 2], 17, 'waste-learned', 19],
    ['doubts what is far off', [4, 4, 4], undefined, 'waste-doubtful', 137],
    ['never plans less than the volume', [1.6, 1.6, 1.6], undefined, 'waste-learned', 0],
  ])('%s', (_, bags, waste, code, offers) => {
    const { findings } = log(used(...bags), waste)
    const told = findings.filter((f) => f.code.startsWith('waste'))
    expect(told.map((f) => f.code)).toEqual(code ? [code] : [])
    if (!code) return
    expect(told[0]!.remedies[0]!.changes).toEqual([
      { type: 'mixChosen', pieceId: 'top', patch: { wastePercent: offers } },
    ])
    expect(told[0]!.facts).toMatchObject({ learnedPercent: offers, pours: 3 })
  })
})

describe('planned against what happened', () => {
  it('is in percent of the plan where both are known, and nothing where they are not', () => {
    made = 0
    const { pours, offByPercent, pourCount } = log([
      pour({ bags: 2.5, waterLitresPerBag: 2.7, stripHours: 39, weightKg: 46.6, temperatureDegC: 12 }),
      pour({ bags: 1.5 }),
      pour({}, { planned: { ...planned, bags: 0, stripHours: null } }),
    ]).figures
    expect([pourCount, offByPercent]).toEqual([3, expect.closeTo(0, 9)])
    expect(pours.map((p) => p.bags.offByPercent)).toEqual(
      [25, -25, null].map((n) => n && expect.closeTo(n, 9)),
    )
    const [first, , last] = pours
    expect(first!.waterLitresPerBag.offByPercent).toBeCloseTo(-10, 9)
    expect(first!.stripHours).toEqual({ planned: 26, actual: 39, offByPercent: expect.closeTo(50, 9) })
    expect(first!.weightKg.offByPercent).toBeCloseTo(0, 9)
    // A temperature has no percent.
    expect(first!.temperatureDegC).toEqual({ planned: 20, actual: 12, offByPercent: null })
    expect(last!.stripHours).toEqual({ planned: null, actual: null, offByPercent: null })
  })

  it('is of this piece alone, oldest first, whatever order they were written in', () => {
    const { pours, nextTime } = log([
      pour({}, { id: 'b', on: '2026-06-02', nextTime: 'wax twice' }),
      pour({}, { id: 'other', on: '2026-06-03', pieceId: 'bench', nextTime: 'not this' }),
      pour({}, { id: 'a', on: '2026-06-01', nextTime: 'vibrate longer' }),
    ]).figures
    expect([pours.map((p) => p.id), nextTime]).toEqual([['a', 'b'], 'wax twice'])
  })

  it('tells the last lesson, and none where the last pour left none', () => {
    const lesson = (...said: string[]) => {
      made = 0
      return log(said.map((nextTime) => pour({}, { nextTime }))).findings.find((f) => f.code === 'next-time')
    }
    expect(lesson()).toBeUndefined()
    expect(lesson('wax twice')?.facts).toMatchObject({ said: 'wax twice', on: '2026-05-11' })
    expect(lesson('wax twice', '')).toBeUndefined()
  })

  it('lists the causes of its faults once, the first to check first', () => {
    const { pours } = log([
      pour({}, { faults: ['bug-holes', 'stuck', 'bug-holes'] }),
      pour({}, { faults: ['none'] }),
    ]).figures
    expect(pours.map((p) => p.causes)).toEqual([
      [
        'too much release',
        'little compaction',
        'poured fast',
        'stiff mix',
        'no wax',
        'no draft',
        'swollen core',
      ],
      [],
    ])
  })

  it('would freeze the figures as they are planned now', () => {
    const { plannedNow } = log([]).figures
    expect(plannedNow).toMatchObject({
      volumeLitres: expect.closeTo(LITRES, 6),
      bags: 2,
      temperatureDegC: 20,
    })
    expect(plannedNow.concreteKg).toBeCloseTo((LITRES / 1000) * mix.hardenedKgPerM3, 6)
  })
})
