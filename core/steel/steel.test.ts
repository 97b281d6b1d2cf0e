import { beforeAll, describe, expect, it } from 'vitest'
import { boundLoop, type Kernel } from '../geometry/index.ts'
import {
  applyChange,
  explainBy,
  newBox,
  newFitted,
  newSwept,
  newTurned,
  type Outline,
  type Piece,
  type TurnedForm,
} from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { METRIC } from '../testing/says.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testBasin, testJob, testSlab, testStock, testTaps, testTop } from '../testing/testPiece.ts'
import { meshRegion, meshSheet, planSteelStation, STEEL_WORDS } from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const mix = testStock.mixes[0]!
const ALL = { mixes: testStock.mixes, bars: testStock.bars, suctionKPa: 1, quick: false, people: 2 }
const plan = (piece: Piece) =>
  planSteelStation(kernel, piece, planPieceStation(kernel, piece, 2300, true), testStock.meshes, mix, ALL)
const rect = (length: number, width: number) =>
  ({ kind: 'rectangle', length, width, radii: [0, 0, 0, 0] }) as Outline

describe('mesh sheet', () => {
  it('has 10 + 6 wires for 1000 x 600 at cover 15', () => {
    const { figures } = plan(testSlab({ outline: rect(1000, 600) }))
    expect([figures.crosswaysWires, figures.lengthwaysWires, figures.coverMm]).toEqual([10, 6, 15])
    expect(figures.totalWireMm).toBeCloseTo(10 * 570 + 6 * 970, 3)
    expect(figures.massKg).toBeCloseTo((10 * 570 + 6 * 970) * Math.PI * 4 * 7850e-9, 4)
    expect(figures.sheetCount).toBe(1)
  })
  it('keeps every wire clear of edges and openings by the cover, and drops short pieces', () => {
    const { geometry } = planPieceStation(kernel, testTop(), 2300, true)
    const cover = 15
    const { min, max } = boundLoop(geometry.outline)
    const sheet = meshSheet(
      meshRegion(kernel, geometry.outline, geometry.openings, cover),
      { min: [min[0] + cover, min[1] + cover], max: [max[0] - cover, max[1] - cover] },
      100,
    )
    for (const { from, to } of sheet.wires) {
      expect(Math.hypot(to[0] - from[0], to[1] - from[1])).toBeGreaterThanOrEqual(100 - 1e-6)
      for (let t = 0; t <= 1; t += 0.02) {
        const [x, y] = [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t]
        for (const o of geometry.openings)
          if (o.shape.kind === 'round')
            expect(Math.hypot(x - o.centre[0], y - o.centre[1])).toBeGreaterThan(17.5 + cover - 0.1)
      }
    }
    expect(sheet.wires.length).toBeGreaterThan(14)
  })
  it('is planned for what is flat enough, and for no post, block or anything that is not a slab', () => {
    const post = testSlab({ outline: rect(300, 300), thickness: 760 })
    expect(plan(post).figures).toMatchObject({ kind: 'none', meshName: null, layAtFillMm: null })
    expect(plan(post).findings.map((f) => f.code)).toContain('mesh-for-slabs')
    expect(plan(testSlab({ outline: rect(300, 300), thickness: 100 })).figures.kind).toBe('mesh')
  })
  it('is placed at mid depth below 60 mm and at the stretched face above, and says when to lay it', () => {
    expect(plan(testTop()).figures).toMatchObject({
      depthSchool: 'middle',
      heightMm: 22.5,
      layAtFillMm: 18.5,
      coverToShowFaceMm: 18.5,
    })
    expect(plan(testSlab({ thickness: 80 })).figures).toMatchObject({
      depthSchool: 'stretched face',
      heightMm: 19,
      layAtFillMm: 57,
    })
    expect(
      plan(testSlab({ thickness: 80, attitude: { down: 'bottom', turnDeg: 0 } })).figures.layAtFillMm,
    ).toBe(15)
  })
})

describe('findings', () => {
  const taps = (gap: number) => ({ ...testTaps, v: { rule: 'beyond', opening: 'basin', gap } as const })
  it.each<[string, Piece, [string, string][]]>([
    [
      'two tap holes 22 mm from the basin',
      testTop(),
      [
        ['land-narrow', 'warn'],
        ['land-short', 'note'],
      ],
    ],
    [
      '30 mm: only a note',
      testTop({ openings: [testBasin, taps(30)] }),
      [
        ['land-short', 'note'],
        ['land-short', 'note'],
      ],
    ],
    ['9 mm stops', testTop({ openings: [testBasin, taps(9)] }), [['land-narrow', 'stop']]],
    [
      'a long rail of 40 mm',
      testTop({ openings: [{ ...testBasin, v: { rule: 'fromStart', distance: 40 } }] }),
      [['land-narrow', 'warn']],
    ],
    ['no openings', testSlab(), []],
    [
      '30 mm thick with mesh',
      testSlab({ thickness: 30 }),
      [
        ['too-thin', 'warn'],
        ['ghosting', 'warn'],
        ['cover-short', 'warn'],
      ],
    ],
    [
      '3 mm thick',
      testSlab({ thickness: 3 }),
      [
        ['too-thin', 'stop'],
        ['ghosting', 'warn'],
        ['cover-short', 'stop'],
      ],
    ],
    [
      '30 mm thick without',
      testSlab({ thickness: 30, steel: { ...testSlab().steel, kind: 'none' } }),
      [['too-thin', 'stop']],
    ],
    [
      'outdoors in plain steel wants 30 mm cover',
      testSlab({ exposure: 'outdoors' }),
      [['cover-short', 'warn']],
    ],
    [
      'mesh that is not there',
      testSlab({ steel: { ...testSlab().steel, mesh: 'gone' } }),
      [
        ['mesh-missing', 'stop'],
        ['too-thin', 'warn'],
      ],
    ],
    ['too small for a square', testSlab({ outline: rect(80, 60) }), [['mesh-does-not-fit', 'warn']]],
    ['larger than the sheet', testSlab({ outline: rect(2600, 900), thickness: 60 }), [['mesh-laps', 'note']]],
  ])('%s', (_, piece, codes) => {
    const { findings } = plan(piece)
    expect(findings.filter((f) => !f.code.startsWith('move-')).map((f) => [f.code, f.level])).toEqual(codes)
    for (const f of findings)
      expect(JSON.stringify(explainBy(STEEL_WORDS, f, METRIC))).not.toMatch(/undefined|NaN/)
  })
})

describe('what is too thin for its mix', () => {
  const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
  const turned = (form: TurnedForm) => newTurned(told, testStock, { turned: form })
  it.each<[string, Piece, number]>([
    ['a planter by its walls', newBox(told, testStock, { wall: 30 }), 3],
    ['a planter by its floor', newBox(told, testStock, { wall: 60, taper: 0, floor: 22 }), 2],
    ['a bowl', turned({ form: 'bowl', outside: 600, height: 250, wall: 26, exponent: 2, foot: 150 }), 3],
    ['a tube', turned({ form: 'tube', outside: 600, inside: 540, height: 600, floor: 0 }), 3],
    ['a cap', newFitted(told, testStock, { part: 'cap', wall: 20, thickness: 45 }), 2],
    ['a slab', testSlab({ thickness: 26, steel: { ...testSlab().steel, kind: 'none' } }), 3],
  ])('%s: a mix that may be so thin, or more thickness, each of which cures it', (_, piece, most) => {
    const thin = plan(piece).findings.find((f) => f.code === 'too-thin')!
    expect(thin.remedies.length).toBeGreaterThan(0)
    expect(thin.remedies.length).toBeLessThanOrEqual(most)
    const words = explainBy(STEEL_WORDS, thin, METRIC)!
    for (const remedy of thin.remedies) {
      expect(words.remedies?.[remedy.code]).toMatch(/^(Use .+|Make it \d+ mm thicker)$/)
      const job = remedy.changes.reduce(applyChange, testJob(piece))
      const [after] = job.pieces as [Piece]
      const own = testStock.mixes.find((m) => m.id === after.mix.mix)!
      const { findings } = planSteelStation(
        kernel,
        after,
        planPieceStation(kernel, after, 2300, true),
        testStock.meshes,
        own,
        ALL,
      )
      expect([remedy.code, findings.map((f) => f.code).includes('too-thin')]).toEqual([remedy.code, false])
    }
  })
})

describe('the thinnest of what no measure tells', () => {
  const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
  const profile = (points: readonly (readonly [number, number])[]) =>
    newSwept(told, testStock, {
      width: 400,
      corners: points.map(([x, y], i) => ({ x, y, radius: 0, side: `s${i}`, run: { kind: 'line' } })),
    })
  it.each<[string, Piece, number, number]>([
    [
      'an L of 20',
      profile([
        [0, 0],
        [400, 0],
        [400, 20],
        [20, 20],
        [20, 300],
        [0, 300],
      ]),
      20,
      20,
    ],
    [
      'a bench on legs of 60',
      profile([
        [0, 0],
        [60, 0],
        [60, 300],
        [640, 300],
        [640, 0],
        [700, 0],
        [700, 360],
        [0, 360],
      ]),
      60,
      60,
    ],
    [
      'a lid with a pointed end, by its thickness',
      newFitted(told, testStock, {
        part: 'plug',
        thickness: 70,
        taperDeg: 0,
        measured: {
          kind: 'polygon',
          corners: [
            [0, 0],
            [600, 180],
            [0, 360],
          ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: { kind: 'line' } })),
        },
      }),
      70,
      70,
    ],
    ['a plug of 70', newFitted(told, testStock, { part: 'plug', thickness: 70, taperDeg: 0 }), 70, 70],
    [
      'a drum of 300 with a bore of 280',
      newTurned(told, testStock, { turned: { form: 'cylinder', diameter: 300, height: 400 }, bore: 280 }),
      10,
      10,
    ],
    ['a ball', newTurned(told, testStock, { turned: { form: 'sphere', diameter: 300, foot: 0 } }), 300, 300],
  ])('%s', (_, piece, least, most) => {
    const { figures, findings } = plan(piece)
    expect(figures.thinnestMm! / least).toBeGreaterThan(0.99)
    expect(figures.thinnestMm! / most).toBeLessThan(1.01)
    expect(findings.some((f) => f.code === 'too-thin')).toBe(least < figures.leastThicknessMm)
  })
  it('is not told while it is dragged', () => {
    const piece = profile([
      [0, 0],
      [300, 0],
      [300, 200],
      [0, 200],
    ])
    const quick = planSteelStation(
      kernel,
      piece,
      planPieceStation(kernel, piece, 2300, true),
      testStock.meshes,
      mix,
      { ...ALL, quick: true },
    )
    expect(quick.figures.thinnestMm).toBeNull()
  })
})
