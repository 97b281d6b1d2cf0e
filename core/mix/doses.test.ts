import { describe, expect, it } from 'vitest'
import { applyChange, newTurned, type Piece } from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { Dose } from '../stock/index.ts'
import { testInsert } from '../testing/testFeatures.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { setShare } from './doses.ts'
import { planMixStation } from './index.ts'

const litres = (volumeLitres: number) => ({ figures: { volumeLitres } }) as PieceStation
const piece = (mix: Partial<Piece['mix']>): Piece => {
  const slab = testSlab()
  return { ...slab, mix: { ...slab.mix, mixer: 'tub-25', mix: 'structural-25', ...mix } }
}
const plan = (own: Piece, volume: number, metal = false) =>
  planMixStation(own, litres(volume), testStock, null, metal)
const row = (id: string) => testStock.doses.find((d) => d.id === id)!
const RED = { dose: 'red-oxide', percent: 3 }

describe('pigment and admixtures by the mass of cement', () => {
  it.each<[string, Partial<Piece['mix']>, number, number[]]>([
    // Two bags of 25 kg at 17 percent cement, 8.5 kg: 3 percent.
    ['two whole bags', { doses: [RED] }, 20, [0.255]],
    // 1.7 L at 15 percent of 12 L a bag: 4.073 kg, 0.692 kg cement.
    ['part of a bag', { doses: [RED, { dose: 'plasticiser', percent: 0.5 }] }, 1.7, [0.02077, 0.00346]],
    // 66 L weighed out: 137.5 kg, 23.375 kg cement.
    ['five and a half bags in equal batches', { doses: [RED], portion: 'weighed' }, 60, [0.70125]],
  ])('%s: what goes into each batch adds up to the whole', (_, mix, volume, want) => {
    const { figures } = plan(piece(mix), volume).station!
    figures.doses.forEach((d, i) => {
      expect(d.amountKg).toBeCloseTo(want[i]!, 4)
      expect(figures.batches.reduce((sum, b) => sum + b.doses[i]!.amountKg, 0)).toBeCloseTo(d.amountKg, 9)
    })
    expect(figures.doses.length).toBe(want.length)
  })
  it.each<[string, [string, number][], number]>([
    ['nothing', [], 1],
    ['an accelerator at its usual dose', [['accelerator', 2]], 0.6],
    ['half of it', [['accelerator', 1]], 0.6 ** 0.5],
    ['more of it does no more', [['accelerator', 4]], 0.6],
    [
      'a retarder against it',
      [
        ['accelerator', 2],
        ['retarder', 0.3],
      ],
      0.6 * 1.5,
    ],
    ['pigment', [['red-oxide', 6]], 1],
  ])('%s: times as long until it sets', (_, doses, share) => {
    expect(setShare(doses.map(([id, percent]) => ({ row: row(id), percent })))).toBeCloseTo(share, 9)
  })
  it('costs what it weighs, and nothing is not a price', () => {
    const cost = (dose: Partial<Dose>) => {
      const stock = { ...testStock, doses: [{ ...row('red-oxide'), ...dose }] }
      return planMixStation(piece({ doses: [RED] }), litres(20), stock).station!.figures.costPerCast
    }
    expect(cost({ price: 10 })).toBeCloseTo(15.6 + 2.55, 6)
    expect(cost({ price: null })).toBeNull()
  })
})

describe('what is wrong with doses', () => {
  it.each<[string, Partial<Piece['mix']>, number, boolean, string[]]>([
    ['pigment as usual', { doses: [RED] }, 10, true, []],
    ['above its most', { doses: [{ dose: 'red-oxide', percent: 8 }] }, 10, false, ['dose-high warn']],
    ['over 10 percent', { doses: [{ dose: 'red-oxide', percent: 12 }] }, 10, false, ['pigment-over stop']],
    [
      'over 10 percent of two together',
      {
        doses: [
          { dose: 'red-oxide', percent: 6 },
          { dose: 'black-oxide', percent: 6 },
        ],
      },
      10,
      false,
      ['pigment-over stop'],
    ],
    [
      'chloride with steel',
      { doses: [{ dose: 'calcium-chloride', percent: 2 }] },
      10,
      true,
      ['chloride-meets stop'],
    ],
    ['chloride without', { doses: [{ dose: 'calcium-chloride', percent: 2 }] }, 10, false, []],
    [
      'chloride with colour',
      { doses: [RED, { dose: 'calcium-chloride', percent: 1 }] },
      10,
      false,
      ['chloride-meets stop'],
    ],
    // 66 L is six bags, two a batch: alike. Five bags in three batches are not.
    ['equal batches by the bag', { doses: [RED] }, 60, false, []],
    ['unequal batches with colour', { doses: [RED], wastePercent: 0 }, 60, false, ['colour-differs warn']],
    ['unequal batches without', { wastePercent: 0 }, 60, false, []],
    ['a row that is gone', { doses: [{ dose: 'gone', percent: 1 }] }, 10, false, ['dose-missing stop']],
  ])('%s', (_, mix, volume, metal, want) => {
    const own = piece(mix)
    const { findings } = plan(own, volume, metal)
    expect(findings.map((f) => `${f.code} ${f.level}`)).toEqual(want)
    for (const f of findings)
      for (const r of f.remedies) {
        const [mended] = r.changes.reduce(applyChange, testJob(own)).pieces
        const after = plan(mended!, volume, metal).findings.map((g) => g.code)
        expect([f.code, after.includes(f.code)]).toEqual([f.code, false])
      }
  })
})

describe('chloride and what lies in the piece', () => {
  const kernel = testKernel()
  const doses = [{ dose: 'calcium-chloride', percent: 2 }]
  const slab = (over: Partial<Extract<Piece, { kind: 'slab' }>>): Piece => {
    const own = testSlab({ steel: { ...testSlab().steel, kind: 'none' }, ...over })
    return { ...own, mix: { ...own.mix, doses } }
  }
  const [wire] = testStock.meshes
  const glass = { ...wire!, id: 'glass', finish: 'ar-glass' as const }
  const stock = { ...testStock, meshes: [wire!, glass] }
  const steel = testSlab().steel
  const pipe = (material: 'steel' | 'pvc') => [{ ...testInsert, material }]
  const drum = (material: 'steel' | 'pvc' | null): Piece => {
    const own = newTurned({ id: 'd', name: 'D', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
      turned: { form: 'cylinder', diameter: 200, height: 100 },
      bore: material ? 40 : 0,
      sleeve: material && { outside: 40, wall: 2, material },
    })
    return { ...own, steel: { ...own.steel, kind: 'none' }, mix: { ...own.mix, doses } }
  }
  it.each<[string, Piece, boolean]>([
    ['nothing', slab({}), false],
    ['wire mesh', slab({ steel: { ...steel, kind: 'mesh', mesh: wire!.id } }), true],
    ['glass mesh', slab({ steel: { ...steel, kind: 'mesh', mesh: glass.id } }), false],
    [
      'a corner bar',
      slab({ steel: { ...steel, kind: 'none', bars: { ...steel.bars, corners: true } } }),
      true,
    ],
    ['a plastic pipe', slab({ inserts: pipe('pvc') }), false],
    ['a steel pipe', slab({ inserts: pipe('steel') }), true],
    ['a steel sleeve in a drum', drum('steel'), true],
    ['a plastic one', drum('pvc'), false],
    ['a plain drum', drum(null), false],
  ])('%s: told where metal is', async (_, own, told) => {
    const { findings } = planPiece(await kernel, { ...testJob(own), stock }, own, { quick: true })
    expect(findings.some((f) => f.code === 'chloride-meets')).toBe(told)
  })
  it('a back coat is not seen: only face coats must be alike', () => {
    const own = piece({ doses: [RED] })
    const coats = { fibreKgPerM3: 20, coats: { faceLitres: 6 } }
    const { findings, station } = planMixStation(own, litres(40), testStock, coats)
    expect(new Set(station!.figures.batches.map((b) => b.dryKg)).size).toBeGreaterThan(1)
    expect(findings.map((f) => f.code)).not.toContain('colour-differs')
  })
})
