import { describe, expect, it } from 'vitest'
import type { Piece, SlabPiece } from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'
import { testSlab, testStock } from '../testing/testPiece.ts'
import { defaultWaste, planMixStation, slurryOf, splitBatches } from './index.ts'

/** A piece of so many litres: this station looks at nothing else of its shape. */
const litres = (volumeLitres: number) => ({ figures: { volumeLitres } }) as PieceStation
const mixed = (
  volume: number,
  mix: Partial<Piece['mix']>,
  over: Partial<SlabPiece> = {},
  stock = testStock,
) => {
  const slab = testSlab(over)
  return planMixStation({ ...slab, mix: { ...slab.mix, mixer: 'tub-25', ...mix } }, litres(volume), stock)
}

describe('bags, water and money, worked out by hand', () => {
  it.each([
    // 20.25 L and 10 percent: 22.275 L of 12 L a bag is 1.856, two bags; 4 x 12 L less 22.275.
    [
      20.25,
      { mix: 'structural-25', water: 'medium' },
      1,
      {
        neededLitres: 22.275,
        bagsExact: 1.85625,
        bags: 2,
        spareLitres: 1.725,
        waterLitres: 6,
        dryKg: 50,
        f28Mpa: 24,
        cementKg: 8.5,
        costPerCast: 15.6,
        bagsPerJob: 2,
        costPerJob: 15.6,
        bagsPerBatch: 2,
        mixMinutes: 8,
      },
    ],
    // Four of them share bags: 7.425 are 8, not 4 x 2.
    [
      20.25,
      { mix: 'structural-25', water: 'stiff' },
      4,
      {
        bags: 2,
        bagsPerJob: 8,
        costPerJob: 62.4,
        waterLitres: 5.2,
        f28Mpa: 30,
        mixMinutes: 8,
      },
    ],
    // 3 L is under 10 L: 15 percent. 3.45 L of 10.8 L a bag, which is opened all the same.
    [
      3,
      { mix: 'fast-20', water: 'limit', portion: 'bags' },
      5,
      {
        wastePercent: 15,
        wasteFrom: 'size',
        portion: 'bags',
        neededLitres: 3.45,
        bags: 1,
        mixedBags: 1,
        leftKg: 0,
        bagsPerJob: 2,
        spareLitres: 7.35,
        waterLitres: 3.5,
        dryKg: 20,
        f28Mpa: 40,
        cementKg: 6,
        costPerCast: 16,
        costPerJob: 32,
        mixMinutes: 8,
      },
    ],
    // Less than a bag is weighed out: 3.45 of 10.8 L is 0.3194 of it, and the rest is kept.
    [
      3,
      { mix: 'fast-20', water: 'limit' },
      5,
      {
        portion: 'weighed',
        neededLitres: 3.45,
        bags: 1,
        mixedBags: 3.45 / 10.8,
        leftKg: 20 - (20 * 3.45) / 10.8,
        bagsPerJob: 2,
        spareLitres: 0,
        waterLitres: (3.5 * 3.45) / 10.8,
        dryKg: (20 * 3.45) / 10.8,
        cementKg: (6 * 3.45) / 10.8,
        costPerCast: (16 * 3.45) / 10.8,
        costPerJob: 32,
        mixMinutes: 8,
      },
    ],
    // 66 L weighed out in a tub of 25 L: three equal batches of 22 L.
    [
      60,
      { mix: 'structural-25', water: 'medium', portion: 'weighed' },
      1,
      { bagsExact: 5.5, bags: 6, mixedBags: 5.5, leftKg: 12.5, spareLitres: 0, dryKg: 137.5, mixMinutes: 24 },
    ],
    // Waste that is told stands, even none: 60 L is 5 bags exactly, in three batches of at most two.
    [
      60,
      { mix: 'structural-25', water: 'medium', wastePercent: 0 },
      1,
      {
        wastePercent: 0,
        wasteFrom: 'choice',
        bagsExact: 5,
        bags: 5,
        spareLitres: 0,
        dryKg: 125,
        cementKg: 21.25,
        mixMinutes: 24,
      },
    ],
    // 13.5 L a bag: one and a half bags in a tub of 25 L.
    [
      40,
      { mix: 'mortar-25', water: 'medium' },
      1,
      { neededLitres: 44, bags: 4, bagsPerBatch: 1.5, mixMinutes: 24, waterLitres: 16 },
    ],
  ] as const)('%d L by %j, %d times', (volume, mix, quantity, want) => {
    const { station, findings } = mixed(volume, mix, { quantity })
    const { figures } = station!
    for (const [key, value] of Object.entries(want)) {
      const got = figures[key as keyof typeof figures]
      expect([
        key,
        typeof value === 'number' ? Math.abs((got as number) - value) < 1e-9 : got === value,
      ]).toEqual([key, true])
    }
    expect(findings.map((f) => f.code)).toEqual(mix.water === 'limit' ? ['water-at-limit'] : [])
    expect(figures.batches.reduce((sum, b) => sum + b.bags, 0)).toBeCloseTo(figures.mixedBags, 9)
    if (figures.portion === 'weighed')
      expect(new Set(figures.batches.map((b) => b.litres.toFixed(9))).size).toBe(1)
    for (const b of figures.batches) {
      expect(b.bags).toBeLessThanOrEqual(figures.bagsPerBatch + 1e-9)
      expect(b.waterLitres).toBeCloseTo((b.bags / figures.mixedBags) * figures.waterLitres, 9)
      expect(b.heldBackLitres).toBeCloseTo(b.waterLitres / 10, 9)
      expect(b.dryKg).toBeCloseTo((b.bags / figures.mixedBags) * figures.dryKg, 9)
      expect(b.litres).toBeCloseTo(
        (b.bags / figures.mixedBags) * (figures.neededLitres + figures.spareLitres),
        9,
      )
    }
  })
  it('loses more of a small cast to the tub, below 10 L', () =>
    expect([0.1, 9.99, 10, 500].map(defaultWaste)).toEqual([15, 15, 10, 10]))
  it('tells an operation for each batch, with what goes in it', () => {
    const { figures, operations } = mixed(60, { mix: 'structural-25' }).station!
    expect(operations.map((op) => [op.id, op.code, op.work.workMinutes, op.facts])).toEqual(
      figures.batches.map((b) => [
        `mix/${b.number}`,
        'mix-batch',
        8,
        {
          number: b.number,
          batches: 3,
          bags: b.bags,
          weighedKg: 0,
          waterLitres: b.waterLitres,
          heldBackLitres: b.heldBackLitres,
          fibreKg: 0,
          doses: [],
          parts: [],
          coat: 'all',
        },
      ]),
    )
  })
  it('never splits into more than is mixed at once, in whole or half bags, whatever the numbers', () => {
    const mix = testStock.mixes[0]!
    for (let bags = 1; bags < 40; bags += 1)
      for (const most of [0.5, 1, 1.5, 2, 3.5, 6]) {
        const shares = splitBatches(bags, most, mix, 3).map((b) => b.bags)
        expect(shares.reduce((a, b) => a + b, 0)).toBe(bags)
        expect(shares.every((s) => s > 0 && s <= most && Number.isInteger(s * 2))).toBe(true)
        expect(shares.length).toBe(Math.ceil(bags / most - 1e-9))
      }
  })
})

describe('what is wrong with a mix', () => {
  const row = testStock.mixes[0]!
  it.each([
    ['a mixer that takes no half bag', { mixer: 'bucket-12', mix: 'structural-25' }, testStock, []],
    [
      'a tub that takes less',
      { mixer: 'cup' },
      { ...testStock, mixers: [...testStock.mixers, { ...testStock.mixers[0]!, id: 'cup', litres: 5 }] },
      ['mixer-too-small warn'],
    ],
    [
      'a yield that gives 2417 kg/m3 where 2350 is said: within 3 percent',
      {},
      { ...testStock, mixes: [{ ...row, yieldLitres: 11.585 }] },
      [],
    ],
    [
      'a yield that gives 2435 kg/m3',
      {},
      { ...testStock, mixes: [{ ...row, yieldLitres: 11.5 }] },
      ['yield-doubtful note'],
    ],
    ['no such mix', { mix: 'gone' }, testStock, ['mix-missing stop']],
    ['no such mixer', { mixer: 'gone' }, testStock, ['mixer-missing stop']],
  ])('%s', (_, mix, stock, want) => {
    const { station, findings } = mixed(20, mix, {}, stock)
    expect(findings.map((f) => `${f.code} ${f.level}`)).toEqual(want)
    expect(station === null).toBe(findings.some((f) => f.level === 'stop'))
    // It is weighed out, or mixed in the smallest that takes a whole bag.
    for (const f of findings.filter((g) => g.code === 'mixer-too-small'))
      expect(f.remedies.map((r) => r.changes)).toEqual([
        [{ type: 'mixChosen', pieceId: 'top', patch: { portion: 'weighed' } }],
        [{ type: 'mixChosen', pieceId: 'top', patch: { mixer: 'bucket-12' } }],
      ])
  })
})

it.each([
  [1, 1, 1.384, 0.554],
  [0.5, 2, 1.384, 0.554],
  [0.3, 0.4, 0.166, 0.066],
])(
  'slurry %d mm thick on %d m2 takes %d kg of cement and %d L of water',
  (mm, areaM2, cementKg, waterLitres) =>
    expect(slurryOf(mm, areaM2)).toEqual({
      mm,
      areaM2,
      cementKg: expect.closeTo(cementKg, 3),
      waterLitres: expect.closeTo(waterLitres, 3),
    }),
)
it('no slurry is none', () => expect(slurryOf(0, 2)).toBeNull())
