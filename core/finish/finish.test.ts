import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../geometry/index.ts'
import type { SlabPiece } from '../job/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const finished = (finish: Partial<SlabPiece['finish']>, over: Partial<SlabPiece> = {}) => {
  const slab = testSlab({
    pour: { ...testSlab().pour, temperature: { kind: 'constant', degC: 20 } },
    ...over,
  })
  const piece = { ...slab, finish: { ...slab.finish, ...finish } }
  return planPiece(kernel, testJob(piece), piece, { quick: true })
}
/** Show face and edges of 900 x 500 x 45: 0.45 + 2 x 1.4 x 0.045 m2. */
const AREA = 0.576

describe('amounts, worked out by hand', () => {
  it.each([
    // The first coat of three goes 0.7 times as far: 0.576/9 (1/0.7 + 2).
    ['acrylic', 'light', 3, (AREA / 9) * (1 / 0.7 + 2), 19, 1],
    ['penetrating-oil', 'wet-400', 2, (AREA / 12) * (1 / 0.7 + 1), 34, 1],
    ['paste-wax-finish', 'as-cast', 2, (AREA / 25) * (1 / 0.7 + 1), 18, 0],
  ] as const)('%s over %s', (sealer, sanding, coats, amount, price, discs) => {
    const { work, stations } = finished({ sealer, sanding })
    const { figures } = stations.finish!
    expect(figures).toMatchObject({ coats, faceAreaM2: expect.closeTo(AREA, 9) })
    expect(figures.sealerAmount).toBeCloseTo(amount, 9)
    expect(figures.sealerCost).toBeCloseTo(price * amount, 9)
    const taken = (code: string) => work.filter((op) => op.code === code).flatMap((op) => op.takes)
    expect(taken('coat').reduce((sum, t) => sum + t.amount, 0)).toBeCloseTo(amount, 9)
    expect(taken('fill-pores').map((t) => t.amount)).toEqual(discs ? [expect.closeTo(0.3 * AREA, 9)] : [])
    expect([...taken('sand'), ...taken('sand-paste')].map((t) => t.amount)).toEqual(
      discs ? [discs, discs] : [],
    )
  })
  it('wears out discs by area: one for 1.5 m2 dry, for 4 m2 wet', () => {
    const large: Partial<SlabPiece> = {
      outline: { kind: 'rectangle', length: 2400, width: 1200, radii: [0, 0, 0, 0] },
    }
    // 2.88 + 7.2 x 0.045 = 3.204 m2.
    const discs = (sanding: SlabPiece['finish']['sanding']) =>
      finished({ sanding }, large).work.find((op) => op.code === 'sand')!.takes[0]!.amount
    expect([discs('light'), discs('wet-400')]).toEqual([3, 1])
  })
})

describe('the order and its times', () => {
  it.each([
    ['acrylic', 120, 1440, 3 * 1440],
    ['penetrating-oil', 720, 3 * 1440, 7 * 1440],
    ['paste-wax-finish', 60, 1440, 7 * 1440],
  ] as const)(
    '%s: after the cure and its own days, coat after coat, then it hardens',
    (sealer, between, hardens, days) => {
      const { work, stations } = finished({ sealer, sanding: 'light' })
      const first = (code: string) => work.find((op) => op.code === code)!
      const codes = work.filter((op) => op.station === 'finish').map((op) => op.code)
      expect([...new Set(codes)]).toEqual([
        'ease-arrises',
        'sand',
        'fill-pores',
        'sand-paste',
        'clean',
        'coat',
        'coat-hardens',
      ])
      // Everything is off the cast first; it is sanded from a day on.
      const off = work.filter((op) => op.station === 'release' && op.attitude !== null)
      expect(first('ease-arrises').startMinutes!).toBeGreaterThanOrEqual(
        Math.max(...off.map((op) => op.endMinutes!)),
      )
      expect(first('sand').startMinutes!).toBeGreaterThanOrEqual(1440)
      expect(first('sand-paste').startMinutes!).toBeGreaterThanOrEqual(
        first('fill-pores').endMinutes! + 60 - 1e-6,
      )
      // 0.7 of f28 by the law of this mix, s 0.38: (1 - ln 0.7/-0.38)^-2 x 28 days is 7.45 days at 20 degC.
      const cured = 28 * 1440 * (1 - Math.log(0.7) / 0.38) ** -2
      expect(stations.pour!.figures.curedMinutes!).toBeCloseTo(cured, 1)
      const coats = work.filter((op) => op.code === 'coat')
      expect(coats[0]!.startMinutes!).toBeGreaterThanOrEqual(Math.max(cured, days) - 1e-6)
      expect(coats[0]!.startMinutes!).toBeLessThan(Math.max(cured, days) + 1440)
      coats.slice(1).forEach((coat, i) => {
        expect(coat.startMinutes! - coats[i]!.endMinutes!).toBeCloseTo(between, 6)
      })
      const use = first('coat-hardens')
      expect(use.work.waitMinutes).toBe(hardens)
      expect(stations.finish!.figures.daysToUse).toBe(Math.ceil((use.endMinutes! + hardens) / 1440))
      // Nothing is sealed while it is kept damp.
      expect(coats[0]!.startMinutes!).toBeGreaterThanOrEqual(first('uncover').startMinutes!)
    },
  )
  it('turns what is turned: its mass, half of it lifted about an edge', () => {
    const { stations, work } = finished({})
    const { turnKg, turnPeople, turns } = stations.finish!.figures
    const turning = work.filter((op) => op.attitude?.turned && op.code.startsWith('turn'))
    expect([turns, turning.length]).toEqual([1, 1])
    expect(turnKg).toBe(turning[0]!.attitude!.massKg)
    expect(turnPeople).toBe(Math.ceil(turnKg! / 2 / 25))
    // 47.6 kg of slab and mat, fresh, and the base under it.
    const base = stations.mould!.figures.parts.find((p) => p.role === 'base')!.weightKg
    expect(turnKg).toBeCloseTo(stations.steel!.figures.strippingKg + base, 6)
  })
})

it.each([
  ['a film outdoors', { sealer: 'acrylic' }, 'outdoors', ['film-outdoors']],
  ['a film in the ground', { sealer: 'acrylic' }, 'soil', ['film-outdoors']],
  ['a film where it is dry', { sealer: 'acrylic' }, 'dry', []],
  ['oil outdoors', { sealer: 'penetrating-oil' }, 'outdoors', []],
  ['wax in a kitchen', { sealer: 'paste-wax-finish' }, 'kitchen', ['wax-in-kitchen']],
  ['wax elsewhere', { sealer: 'paste-wax-finish' }, 'dry', []],
  ['no such sealer', { sealer: 'gone' }, 'dry', ['sealer-missing']],
] as const)('%s', (_, finish, exposure, want) => {
  const { findings } = finished(finish, { exposure, thickness: 80 })
  const own = findings.filter((f) => f.station === 'finish')
  expect(own.map((f) => f.code)).toEqual(want)
  for (const f of own.filter((g) => g.code === 'film-outdoors'))
    expect(
      testStock.sealers.find((s) => s.id === f.remedies[0]!.changes[0]!['patch' as never]['sealer'])!.school,
    ).toBe('penetrating')
})
