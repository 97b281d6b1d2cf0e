import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import {
  applyChange,
  type Finding,
  type Job,
  type Piece,
  type PourRecord,
  plainSide,
  type SlabPiece,
} from './job/index.ts'
import { learnWaste } from './log/index.ts'
import { splitBatches } from './mix/index.ts'
import { outlineSize } from './piece/index.ts'
import { planPiece } from './plan.ts'
import { planJob } from './planJson.ts'
import { proveRemedies } from './remedies.ts'
import { sectionDrawing, shopSheet } from './sheets/index.ts'
import { stationMemo } from './station.ts'
import { testKernel } from './testing/testKernel.ts'
import { BEAD, testJob, testSlab, testStock, testTaps, testTop } from './testing/testPiece.ts'
import { wordsStyle } from './units/index.ts'
import { explain } from './words.ts'
import { peopleToLift, teamLimit } from './work/index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const plan = (piece: Piece, job: Job = testJob(piece)) => planPiece(kernel, job, piece)
const style = wordsStyle({ units: 'mm', inchDenominator: 16 })
const mix = testStock.mixes[0]!

describe('mix', () => {
  it('counts bags with waste, batches by the mixer, water in range', () => {
    const { figures } = plan(testTop()).stations.mix!
    expect(figures.neededLitres).toBeCloseTo(15.43 * 1.1, 1)
    expect(figures).toMatchObject({
      bags: 2,
      bagsPerBatch: 2,
      waterPerBagLitres: 3,
      waterLeastPerBagLitres: 2.6,
      waterMostPerBagLitres: 3.4,
      costPerCast: 15.6,
    })
    expect(
      plan(testSlab({ outline: { kind: 'rectangle', length: 300, width: 300, radii: [0, 0, 0, 0] } }))
        .stations.mix!.figures.wastePercent,
    ).toBe(15)
  })
  it.each([
    [2, 2, [2]],
    [5, 2, [1.5, 1.5, 2]],
    [3, 1, [1, 1, 1]],
    [1, 0.5, [0.5, 0.5]],
  ])('%d bags, at most %d a batch: %j', (bags, most, shares) => {
    const batches = splitBatches(bags, most, mix, 3)
    expect(batches.map((b) => b.bags)).toEqual(shares)
    expect(batches.reduce((sum, b) => sum + b.waterLitres, 0)).toBeCloseTo(bags * 3, 9)
  })
})

describe('pour day', () => {
  it('follows the temperature: sides at 5 MPa, sharp ones at 8, turned at 10', () => {
    const { figures } = plan(testTop()).stations.pour!
    const warm = plan(testTop({ pour: { ...testTop().pour, temperature: { kind: 'constant', degC: 25 } } }))
      .stations.pour!.figures
    expect(figures.firstStripMinutes! / warm.firstStripMinutes!).toBeCloseTo(warm.rate / figures.rate, 6)
    expect(figures.finalSetMinutes).toBeCloseTo(360 / figures.rate, 6)
    expect(figures.firstStripMinutes!).toBeLessThan(figures.sharpStripMinutes!)
    expect(figures.sharpStripMinutes!).toBeLessThan(figures.flipMinutes!)
    const { work } = plan(testTop())
    const times = work.map((op) => op.startMinutes!)
    expect(times).toEqual([...times].sort((a, b) => a - b))
    expect(work.map((op) => op.code)).toEqual(
      expect.arrayContaining([
        'run-bead',
        'release-face',
        'check-held',
        'mix-batch',
        'lay-mesh',
        'screed',
        'cover',
        'ease-knockouts',
        'side-off',
        'turn-on-base',
        'uncover',
      ]),
    )
  })
  it('lifts as people do', () => {
    expect([1, 2, 3, 4].map(teamLimit)).toEqual([25, 33.5, 37.5, 50])
    expect([10, 25, 26, 50, 99, 100, 101, 500].map(peopleToLift)).toEqual([1, 1, 2, 2, 4, 4, null, null])
  })
  const cold = (degC: number) =>
    testTop({ pour: { ...testTop().pour, temperature: { kind: 'constant', degC } } })
  const fast = testTop({
    mix: { ...testTop().mix, mix: 'fast-20', mixer: 'bucket-12' },
    outline: { kind: 'rectangle', length: 1500, width: 800, radii: [0, 0, 0, 0] },
  })
  it.each<[string, Piece, string[], Partial<Job['settings']>]>([
    ['frost', cold(2), ['too-cold'], { people: 4 }],
    ['a fast mix in many small batches', fast, ['sets-before-placed', 'lift-by-machine'], {}],
    [
      'heat and wind',
      testTop({
        pour: {
          ...testTop().pour,
          temperature: { kind: 'constant', degC: 32 },
          humidity: 0.3,
          windKmPerH: 20,
        },
      }),
      ['dries-fast'],
      { people: 4 },
    ],
    ['alone', testTop(), ['lift-too-few'], { people: 1 }],
    ['a good day', testTop(), [], { people: 4 }],
  ])('%s', (_, piece, codes, settings) => {
    const job = { ...testJob(piece), settings: { ...testJob().settings, ...settings } }
    const { findings } = plan(piece, job)
    expect(findings.filter((f) => f.station === 'pour').map((f) => f.code)).toEqual(codes)
    for (const f of findings) expect(JSON.stringify(explain(f, style))).not.toMatch(/undefined|NaN/)
  })
})

describe('remedies', () => {
  const proven = (piece: Piece) => {
    const job = testJob(piece)
    return { job, findings: proveRemedies(kernel, job, plan(piece, job), stationMemo()).findings }
  }
  it('moves the tap holes back by what is missing; moving the basin, which they follow, is not offered', () => {
    const { findings } = proven(testTop())
    const land = findings.find((f) => f.code === 'land-narrow')!
    expect(land.facts).toMatchObject({ landMm: expect.closeTo(22, 1), count: 2 })
    expect(land.remedies.map((r) => r.code)).toEqual(['move-taps-back'])
    expect(explain(land, style).remedies!['move-taps-back']).toBe('Move the tap hole back 3 mm')
  })
  it.each<[string, Piece]>([
    ['land', testTop()],
    ['too thin', testSlab({ thickness: 30 })],
    ['knockouts that lock', testTop()],
    [
      'radius',
      testSlab({ outline: { kind: 'rectangle', length: 900, width: 500, radii: [300, 0, 0, 300] } }),
    ],
    ['oil', testTop({ release: { ...testTop().release, faceAgent: 'vegetable-oil' } })],
    ['small mixer', testTop({ mix: { ...testTop().mix, mixer: 'bucket-12', mix: 'mortar-25' } })],
    ['film outdoors', testTop({ exposure: 'wet-room', thickness: 70 })],
    ['no release', testTop({ release: { ...testTop().release, leftOut: 'a trial' } })],
  ])('every remedy offered cures its finding: %s', (_, piece) => {
    const { job, findings } = proven(piece)
    const offered = findings.flatMap((f) => f.remedies.map((r) => [f, r] as const))
    expect(offered.length).toBeGreaterThan(0)
    const key = (f: Finding) => `${f.code}${JSON.stringify(f.about)}${f.level}`
    for (const [finding, remedy] of offered) {
      const after = remedy.changes.reduce(applyChange, job)
      expect(planPiece(kernel, after, after.pieces[0]!).findings.map(key)).not.toContain(key(finding))
    }
  })
})

describe('the plan', () => {
  it('is the same whole, from memory, and read back as JSON; mirrored pieces weigh the same', () => {
    const memo = stationMemo()
    const job = testJob(testTop())
    const whole = planPiece(kernel, job, job.pieces[0]!)
    for (const patch of [
      { mix: { ...testTop().mix, water: 'stiff' } },
      { thickness: 50 },
      {},
    ] as Partial<SlabPiece>[]) {
      const piece = { ...testTop(), ...patch }
      expect(planPiece(kernel, job, piece, { memo })).toEqual(planPiece(kernel, job, piece))
    }
    expect(planJob(kernel, job)).toEqual(JSON.parse(JSON.stringify(planJob(kernel, job))))
    const up = plan(testTop({ attitude: { down: 'bottom', turnDeg: 0 } })).stations.piece!.figures
    expect(up.volumeLitres).toBeCloseTo(whole.stations.piece!.figures.volumeLitres, 6)
  })
  it('gives every number a unit in its name', () => {
    const json = planJob(kernel, testJob(testTop()))
    const unit =
      /(Mm|Mm2|M2|Kg|KgPerM2|KgPerM3|KgPerM2H|Litres|[mM]illilitres|litres|bagsPerBatch|LitresPerBag|daysToUse|Minutes|Hours|Days|DegC|Degrees|N|KPa|Mpa|mpa|hours|Percent|Cost|PerCast|PerJob|Share|Count|Wires|Pieces|Version|rate|bags|Bags\w*|coats|turns|number|order|count|Deg|lifeCasts|screws|pages|quantity|turnPeople|liftPeople|partsTrapped|cartridges|cartridgeShare|amount|Amount|cost|scaleOneTo|batch|areaM2|layers|Sheets|bagsExact|planned|actual|lengthM|batches|hands|parts\w+|bolts|braces|casts|cores|dowels|holes|keys|panels|parts|passes|pieces|ribs|bars|seams|separators|straps|strips|vents|kgEach|plannedCasts|layoutEffort)$/
    const bare: string[] = []
    const walk = (value: unknown, key: string, path: string): void => {
      if (typeof value === 'number' && !unit.test(key) && !path.includes('.changes')) bare.push(path)
      if (value && typeof value === 'object')
        for (const [k, v] of Object.entries(value)) walk(v, Array.isArray(value) ? key : k, `${path}.${k}`)
    }
    walk(json.pieces, '', '')
    expect(bare).toEqual([])
  })
  it.each<[string, Partial<Job['stock']>, string[]]>([
    ['no mix', { mixes: [] }, ['mix-missing']],
    ['no mixer', { mixers: [] }, ['mixer-missing']],
    ['no agents', { agents: [] }, ['agent-missing', 'agent-missing']],
    ['no sealer', { sealers: [] }, ['sealer-missing']],
    [
      'nothing at all',
      { boards: [], mixes: [], recipes: [], meshes: [], mixers: [], sealants: [], agents: [], sealers: [] },
      ['board-missing', 'board-missing', 'sealant-missing', 'mix-missing', 'mixer-missing'],
    ],
  ])('says what is missing and goes on: %s', (_, stock, codes) => {
    const job = { ...testJob(testTop()), stock: { ...testStock, ...stock } }
    const { findings, failed } = planPiece(kernel, job, job.pieces[0]!)
    expect(failed).toEqual([])
    expect(findings.filter((f) => f.level === 'stop').map((f) => f.code)).toEqual(codes)
  })
  it('plans what a conflict does not touch: the piece without the opening that cannot be, and no sheet of it', () => {
    const { stations, findings, failed, leftOut } = plan(testTop({ openings: [testTaps] }))
    expect([failed, findings[0]!.level, leftOut.map((l) => l.name)]).toEqual([[], 'stop', [testTaps.name]])
    expect(findings.filter((f) => f.level === 'stop').every((f) => f.station === 'piece')).toBe(true)
    const bare = plan(testTop({ openings: [] })).stations
    expect(stations.mould!.figures).toEqual(bare.mould!.figures)
    expect(stations.piece!.figures.volumeLitres).toBe(bare.piece!.figures.volumeLitres)
    expect([stations.sheets, bare.sheets === null]).toEqual([null, false])
  })
  it('plans no further where a stop is about the piece itself', () => {
    const outline = { kind: 'rectangle', length: 900, width: 500, radii: [400, 0, 0, 0] } as const
    const { stations, leftOut } = plan(testTop({ outline: { ...outline, radii: [400, 400, 400, 400] } }))
    expect([leftOut, stations.mould, stations.sheets]).toEqual([[], null, null])
    expect(stations.mix).not.toBeNull()
  })
})

describe('log', () => {
  const record = (id: string, bags: number | null): PourRecord => ({
    id,
    pieceId: 'top',
    pieceName: 'Top',
    on: `2026-05-0${id}`,
    mixName: mix.name,
    planned: {
      catalogueVersion: 1,
      volumeLitres: 12,
      bags: 2,
      waterLitresPerBag: 3,
      concreteKg: 28,
      stripHours: 24,
      temperatureDegC: 20,
    },
    actual: {
      bags,
      waterLitresPerBag: 3.2,
      temperatureDegC: null,
      vibratedMinutes: null,
      stripHours: 30,
      weightKg: null,
    },
    faults: ['bug-holes'],
    nextTime: id === '3' ? 'slower' : '',
    day: null,
  })
  it('compares planned with measured and leaves out what was not measured', () => {
    const job = { ...testJob(testTop()), pours: [record('1', 1.5), record('2', null)] }
    const { figures } = plan(testTop(), job).stations.log!
    expect(figures.pours[0]!.bags).toEqual({ planned: 2, actual: 1.5, offByPercent: -25 })
    expect([figures.pours[1]!.bags.offByPercent, figures.offByPercent, figures.learnedWastePercent]).toEqual([
      null,
      -25,
      null,
    ])
    expect(figures.pours[0]!.causes[0]).toBe('too much release')
  })
  it('learns from the third pour, 0.3 new and 0.7 old, and offers it', () => {
    const pours = [record('1', 1.2), record('2', 1.2), record('3', 1.3)]
    expect(learnWaste(pours, mix)).toBeCloseTo(0.7 * 20 + 0.3 * 30, 6)
    const { findings } = plan(testTop(), { ...testJob(testTop()), pours })
    expect(findings.filter((f) => f.station === 'log').map((f) => f.code)).toEqual([
      'next-time',
      'waste-learned',
    ])
  })
})

describe('sheets', () => {
  it('cuts piece and mould together along any line; the section of the slab is its thickness', () => {
    const piece = testTop()
    const { stations } = plan(piece)
    const cut = (attitude: 'poured' | 'placed', from: [number, number], to: [number, number]) =>
      sectionDrawing(
        kernel,
        { piece, pieceStation: stations.piece!, mould: stations.mould, steel: stations.steel, attitude },
        from,
        to,
      )!
    const across = cut('poured', [-60, 260], [960, 260])
    expect([...new Set(across.parts.map((p) => p.material))].sort()).toEqual([
      'board',
      'concrete',
      'sealant',
      'steel',
    ])
    expect([across.low, across.high]).toEqual([expect.closeTo(-18, 3), expect.closeTo(45, 3)])
    expect(cut('placed', [-60, 260], [960, 260]).parts.map((p) => p.id)).toEqual(['piece', 'steel'])
    expect(
      cut('poured', [450, -60], [200, 560]).parts.find((p) => p.id === 'knockout/basin')!.layers,
    ).toEqual([18, 36])
  })
  it.each<[string, SlabPiece, number]>([
    ['the top', testTop(), 8],
    [
      'small',
      testSlab({
        outline: { kind: 'rectangle', length: 60, width: 40, radii: [0, 0, 0, 0] },
        sides: { ...testSlab().sides, front: plainSide({ top: BEAD }) },
      }),
      1,
    ],
    [
      'large',
      testSlab({ outline: { kind: 'rectangle', length: 2400, width: 1200, radii: [0, 0, 0, 0] } }),
      15,
    ],
  ])('states the scale it is drawn at and keeps on the page: %s', (_, piece, scale) => {
    const { stations: s, work } = plan(piece)
    const stations = {
      piece: s.piece!,
      mould: s.mould!,
      steel: s.steel!,
      release: s.release!,
      mix: s.mix!,
      pour: s.pour!,
      finish: s.finish,
    }
    const { pages, figures } = shopSheet(kernel, {
      jobName: 'Job',
      piece,
      settings: testJob().settings,
      work,
      stations,
    })
    expect(figures.scaleOneTo).toBe(scale)
    for (const { width, height, marks } of pages)
      for (const mark of marks)
        for (const [x, y] of mark.kind === 'text' ? [mark.at] : mark.points) {
          expect(Number.isFinite(x + y)).toBe(true)
          expect(x).toBeGreaterThanOrEqual(0)
          expect(y).toBeGreaterThanOrEqual(0)
          expect(x).toBeLessThanOrEqual(width)
          expect(y).toBeLessThanOrEqual(height)
        }
    const length = pages[0]!.marks.flatMap((m) =>
      m.kind === 'line' && !m.closed && m.weight === 0.2
        ? [Math.hypot(m.points[1]![0] - m.points[0]![0], m.points[1]![1] - m.points[0]![1]) * scale]
        : [],
    )
    expect(length.some((l) => Math.abs(l - outlineSize(piece.outline).length) < 0.01)).toBe(true)
  })
})
