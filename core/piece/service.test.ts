import { describe, expect, it } from 'vitest'
import { openKernel } from '../geometry/index.ts'
import { applyChange, type BoxPiece, newBox, newTurned, type Piece, type Service } from '../job/index.ts'
import { testJob, testStock } from '../testing/testPiece.ts'
import { planPieceStation } from './index.ts'
import { footArea, serviceFigures } from './service.ts'

const kernel = await openKernel({ coarser: 4 })
const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const SOIL: Service = { fill: 'soil', feet: 4, lined: false }
const box = (over: Partial<BoxPiece> = {}): BoxPiece => newBox(told, testStock, { service: SOIL, ...over })
const plan = (piece: Piece, quick = false) => planPieceStation(kernel, piece, 2300, quick)

// 60 L at 1800 kg/m3 with 80 kg of concrete on 0.6 x 0.3 m; 0.26 deep: (0.5 x 800 + 1000) x 9.80665 x 0.26 = 3.57 kPa.
it.each<[Service['fill'], number, number, number]>([
  ['soil', 108, 188, 1400],
  ['gravel', 114, 194, 1360],
  ['water', 60, 140, 1000],
])('filled with %s it weighs %d kg more, %d in all', (fill, fillKg, filledKg, asFluid) => {
  const own = serviceFigures(
    { ...SOIL, fill },
    { holdsLitres: 60, concreteKg: 80, depthMm: 260, footMm2: 600 * 300 },
  )
  expect([own.fillKg, own.filledKg, own.footKg]).toEqual([fillKg, filledKg, filledKg / 4])
  expect(own.pushKPa).toBeCloseTo(asFluid * 9.81 * 0.26e-3, 2)
  // On feet nothing presses on the ground but them.
  expect(own.groundKPa).toBeNull()
  const flat = serviceFigures(
    { ...SOIL, fill, feet: 0 },
    { holdsLitres: 60, concreteKg: 80, depthMm: 260, footMm2: 600 * 300 },
  )
  expect(flat.groundKPa).toBeCloseTo((filledKg * 9.81) / 0.18 / 1000, 2)
})

// What it stands on, not what it is as wide as: a taper, a bowl's foot, a tube's drain.
it.each<[string, Parameters<typeof footArea>[0], number]>([
  ['a box that narrows to its foot', box({ length: 600, width: 300, taper: 20 }), 560 * 260],
  [
    'of panels, which stand upright',
    box({ taper: 20, built: { corners: 'butt', floor: 'under', glue: 2, dividers: 0 } }),
    600 * 300,
  ],
  [
    'a bowl on its foot',
    newTurned(told, testStock, {
      turned: { form: 'bowl', outside: 500, height: 220, wall: 35, exponent: 2, foot: 150 },
    }),
    Math.PI * 75 ** 2,
  ],
  [
    'a tube with a floor and a drain',
    newTurned(told, testStock, {
      turned: { form: 'tube', outside: 300, inside: 240, height: 300, floor: 40 },
      bore: 30,
    }),
    Math.PI * (150 ** 2 - 15 ** 2),
  ],
])('%s', (_, piece, area) => {
  expect(footArea(piece) / area).toBeCloseTo(1, 2)
})

describe('a hollow piece in use', () => {
  it('stands on as much as it holds and weighs, quick and by its solid alike', () => {
    for (const piece of [
      box(),
      newTurned(told, testStock, {
        turned: { form: 'bowl', outside: 500, height: 220, wall: 35, exponent: 2, foot: 150 },
        service: { ...SOIL, feet: 0 },
      }),
    ]) {
      const [quick, whole] = [plan(piece, true).figures, plan(piece).figures]
      for (const { service, holds, concreteKg } of [quick, whole]) {
        expect(service!.fillKg).toBeCloseTo(holds!.volumeLitres * 1.8, 6)
        expect(service!.filledKg).toBeCloseTo(concreteKg + service!.fillKg, 6)
      }
      expect(quick.service!.filledKg / whole.service!.filledKg).toBeCloseTo(1, 2)
    }
    expect(plan(box({ service: null })).figures.service).toBeNull()
    expect(plan(newTurned(told, testStock, { service: SOIL })).figures.service).toBeNull()
  })
  const codes = (piece: Piece) =>
    plan(piece)
      .findings.map((f) => f.code)
      .filter((c) => ['filled-weight', 'frost-bursts', 'no-feet', 'drains-few'].includes(c))
  it.each<[string, Partial<BoxPiece>, string[]]>([
    [
      'a small one indoors',
      { length: 250, width: 250, height: 200, wall: 20, floor: 20, coreDraftDeg: 0 },
      [],
    ],
    [
      'upright walls in frost',
      { exposure: 'outdoors', coreDraftDeg: 0, taper: 0 },
      ['filled-weight', 'frost-bursts'],
    ],
    [
      'lined',
      { exposure: 'outdoors', coreDraftDeg: 0, taper: 0, service: { ...SOIL, lined: true } },
      ['filled-weight'],
    ],
    ['leaning out enough', { exposure: 'outdoors', coreDraftDeg: 5 }, []],
    ['flat on the ground', { coreDraftDeg: 5, service: { ...SOIL, feet: 0 } }, ['no-feet']],
    [
      'one drain for a large floor',
      { coreDraftDeg: 5, length: 1500, drains: { count: 1, diameter: 25 } },
      ['filled-weight', 'drains-few'],
    ],
    [
      'of panels, in which no drain is cut',
      { built: { corners: 'butt', floor: 'under', glue: 2, dividers: 0 }, service: { ...SOIL, feet: 0 } },
      [],
    ],
    ['no longer asked', { exposure: 'outdoors', coreDraftDeg: 0, service: null }, []],
  ])('%s', (_, over, wanted) => {
    const piece = box({ exposure: 'dry', ...over })
    expect(codes(piece).sort()).toEqual([...wanted].sort())
    for (const finding of plan(piece).findings.filter((f) => wanted.includes(f.code)))
      for (const remedy of finding.remedies) {
        const cured = remedy.changes.reduce(applyChange, testJob(piece)).pieces[0]!
        expect(codes(cured)).not.toContain(finding.code)
      }
  })
})
