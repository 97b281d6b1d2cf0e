import { describe, expect, it } from 'vitest'
import { testBasin, testJob, testSlab, testStock, testTaps, testTop } from '../testing/testPiece.ts'
import { applyChange, type Change, openingFor, sidesFor } from './changes.ts'
import { newBox, newOpening, newRun, newSwept } from './defaults.ts'
import { applyPatches, diffTrees, NOTHING_MEASURED, readJob, writeJob } from './index.ts'
import type { Job, OpeningShape, Outline, Piece, SlabPiece } from './schema.ts'

const told = { id: 'seat', name: 'Seat', start: '2026-05-30T09:00', zone: 'UTC' }
const run = newRun('run-1')
const job: Job = {
  ...testJob(testTop(), newSwept(told, testStock), newBox({ ...told, id: 'box' }, testStock)),
  runs: [run],
  pours: [
    {
      id: 'pour-1',
      pieceId: 'top',
      pieceName: 'Top',
      on: '2026-05-30',
      mixName: 'mix',
      planned: {
        catalogueVersion: 1,
        volumeLitres: 15.4,
        bags: 2,
        waterLitresPerBag: 3,
        concreteKg: 35,
        stripHours: 30,
        temperatureDegC: 14,
      },
      actual: { ...NOTHING_MEASURED, bags: 2 },
      faults: [],
      nextTime: '',
      day: null,
    },
  ],
}
const of = (changed: Job, id = 'top') => changed.pieces.find((p) => p.id === id) as SlabPiece
const L: Outline = {
  kind: 'polygon',
  corners: [
    [0, 0, 'front'],
    [900, 0, 'right'],
    [900, 500, 'back'],
    [400, 500, 'step'],
    [400, 250, 'inner'],
    [0, 250, 'left'],
  ].map(([x, y, side]) => ({
    x: x as number,
    y: y as number,
    radius: 0,
    side: side as string,
    run: { kind: 'line' },
  })),
}
const plug = newOpening('plug', 'plug', { kind: 'round', diameter: 60 })
const separator = { id: 's', at: 300, leanDeg: 5, gap: 3 }
const board = { ...testStock.boards[0]!, id: 'yard', name: 'board from the yard' }

/** Every change there is, and what it must have done. */
const CHANGES: readonly (readonly [Change, (after: Job) => unknown, expected: unknown])[] = [
  [{ type: 'jobRenamed', name: 'Other' }, (j) => j.name, 'Other'],
  [
    { type: 'settingsChanged', patch: { units: 'inch', people: 3 } },
    (j) => [j.settings.units, j.settings.people, j.settings.paper],
    ['inch', 3, 'A4'],
  ],
  [
    { type: 'pieceAdded', piece: testSlab({ id: 'new' }) },
    (j) => j.pieces.map((p) => p.id),
    ['top', 'seat', 'box', 'new'],
  ],
  [
    { type: 'pieceAdded', piece: testSlab({ id: 'new' }), at: 1 },
    (j) => j.pieces.map((p) => p.id),
    ['top', 'new', 'seat', 'box'],
  ],
  [{ type: 'pieceRemoved', pieceId: 'seat' }, (j) => j.pieces.map((p) => p.id), ['top', 'box']],
  [{ type: 'pieceMoved', pieceId: 'top', to: 1 }, (j) => j.pieces.map((p) => p.id), ['seat', 'top', 'box']],
  [{ type: 'pieceMoved', pieceId: 'box', to: -3 }, (j) => j.pieces.map((p) => p.id), ['box', 'top', 'seat']],
  [{ type: 'pieceMoved', pieceId: 'top', to: 99 }, (j) => j.pieces.map((p) => p.id), ['seat', 'box', 'top']],
  [
    { type: 'pieceDescribed', pieceId: 'seat', patch: { name: 'Bench', quantity: 4 } },
    (j) => [j.pieces[1]!.name, j.pieces[1]!.quantity],
    ['Bench', 4],
  ],
  [
    { type: 'outlineChanged', pieceId: 'top', outline: L },
    (j) => [Object.keys(of(j).sides), of(j).sides.front!.top],
    [['front', 'right', 'back', 'step', 'inner', 'left'], { kind: 'bead', size: 6 }],
  ],
  [{ type: 'thicknessChanged', pieceId: 'top', thickness: 60 }, (j) => of(j).thickness, 60],
  [
    { type: 'edgeChanged', pieceId: 'top', side: 'back', rim: 'bottom', edge: { kind: 'chamfer', size: 4 } },
    (j) => [of(j).sides.back!.bottom, of(j).sides.back!.top],
    [{ kind: 'chamfer', size: 4 }, { kind: 'square' }],
  ],
  [
    { type: 'sideChanged', pieceId: 'top', side: 'left', patch: { taper: 5 } },
    (j) => [of(j).sides.left!.taper, of(j).sides.left!.top],
    [5, { kind: 'bead', size: 6 }],
  ],
  [
    { type: 'shapeChanged', pieceId: 'seat', patch: { width: 640 } },
    (j) => (j.pieces[1] as { width?: number }).width,
    640,
  ],
  [
    { type: 'featureKept', pieceId: 'seat', list: 'separators', item: separator },
    (j) => (j.pieces[1] as { separators?: unknown }).separators,
    [separator],
  ],
  [
    { type: 'openingAdded', pieceId: 'top', opening: plug },
    (j) => of(j).openings.map((o) => o.id),
    ['basin', 'taps', 'plug'],
  ],
  [
    { type: 'openingRemoved', pieceId: 'top', openingId: 'taps' },
    (j) => of(j).openings.map((o) => o.id),
    ['basin'],
  ],
  [
    { type: 'openingChanged', pieceId: 'top', openingId: 'taps', patch: { turnDeg: 30 } },
    (j) => of(j).openings.map((o) => o.turnDeg),
    [0, 30],
  ],
  [{ type: 'mouldChosen', pieceId: 'top', patch: { kerf: 2.4 } }, (j) => of(j).mould.kerf, 2.4],
  [
    { type: 'steelChosen', pieceId: 'top', patch: { cover: 20 } },
    (j) => [of(j).steel.cover, of(j).steel.kind],
    [20, 'mesh'],
  ],
  [
    { type: 'releaseChosen', pieceId: 'top', patch: { leftOut: 'a trial' } },
    (j) => of(j).release.leftOut,
    'a trial',
  ],
  [{ type: 'mixChosen', pieceId: 'top', patch: { wastePercent: 12 } }, (j) => of(j).mix.wastePercent, 12],
  [
    { type: 'pourPlanned', pieceId: 'top', patch: { temperature: { kind: 'constant', degC: 8 } } },
    (j) => of(j).pour.temperature,
    { kind: 'constant', degC: 8 },
  ],
  [{ type: 'finishChosen', pieceId: 'top', patch: { sealer: 'oil' } }, (j) => of(j).finish.sealer, 'oil'],
  [
    { type: 'stockRowKept', list: 'boards', row: board },
    (j) => [j.stock.boards.length, j.stock.boards.at(-1)!.name],
    [testStock.boards.length + 1, 'board from the yard'],
  ],
  [
    { type: 'stockRowKept', list: 'boards', row: { ...board, id: testStock.boards[0]!.id } },
    (j) => [j.stock.boards.length, j.stock.boards[0]!.name],
    [testStock.boards.length, 'board from the yard'],
  ],
  [
    { type: 'stockRowRemoved', list: 'boards', rowId: testStock.boards[0]!.id },
    (j) => j.stock.boards.length,
    testStock.boards.length - 1,
  ],
  [{ type: 'runKept', run: newRun('run-2') }, (j) => j.runs.map((r) => r.id), ['run-1', 'run-2']],
  [{ type: 'runRemoved', runId: 'run-1' }, (j) => j.runs, []],
  [
    { type: 'pourLogged', pour: { ...job.pours[0]!, id: 'pour-2' } },
    (j) => j.pours.map((p) => p.id),
    ['pour-1', 'pour-2'],
  ],
  [{ type: 'pourRemoved', pourId: 'pour-1' }, (j) => j.pours, []],
]

describe('a change of a job', () => {
  it.each(
    CHANGES.map(([change, read, expected]): [string, Change, (j: Job) => unknown, unknown] => [
      change.type,
      change,
      read,
      expected,
    ]),
  )('%s does what it says, leaves the job it was given, and can be undone', (_, change, read, expected) => {
    const before = structuredClone(job)
    const after = applyChange(job, change)
    expect(read(after)).toEqual(expected)
    expect(job).toEqual(before)
    expect(applyPatches(after, diffTrees(after, job))).toEqual(job)
    // What the page may do, its own reader reads.
    const read2 = readJob(writeJob(after))
    expect([change.type, read2.ok ? [] : read2.problems]).toEqual([change.type, []])
  })
  it('is there for each type', () => {
    const types = new Set(CHANGES.map(([c]) => c.type))
    // featureRemoved wants a feature first: it is tried below.
    expect(types.size).toBe(27)
  })

  it.each<[string, Change, RegExp]>([
    ['piece', { type: 'pieceRemoved', pieceId: 'gone' }, /no piece gone/],
    ['piece', { type: 'thicknessChanged', pieceId: 'gone', thickness: 5 }, /no piece gone/],
    ['opening', { type: 'openingRemoved', pieceId: 'top', openingId: 'gone' }, /no opening gone/],
    ['opening', { type: 'openingChanged', pieceId: 'top', openingId: 'gone', patch: {} }, /no opening gone/],
    ['side', { type: 'sideChanged', pieceId: 'top', side: 'gone', patch: {} }, /no side gone/],
    ['row', { type: 'stockRowRemoved', list: 'boards', rowId: 'gone' }, /no row gone/],
    ['run', { type: 'runRemoved', runId: 'gone' }, /no run gone/],
    ['pour', { type: 'pourRemoved', pourId: 'gone' }, /no pour gone/],
    [
      'feature',
      { type: 'featureRemoved', pieceId: 'seat', list: 'separators', featureId: 'gone' },
      /no separators gone/,
    ],
    [
      'list',
      { type: 'featureRemoved', pieceId: 'top', list: 'separators', featureId: 's' },
      /a slab has no separators/,
    ],
    ['kind', { type: 'thicknessChanged', pieceId: 'seat', thickness: 5 }, /is for slabs; seat is swept/],
  ])('of a %s that is not there is a bug of its caller, and says which', (_, change, why) => {
    expect(() => applyChange(job, change)).toThrow(why)
  })

  it('keeps a feature in the place of the one with its id, and takes it away', () => {
    const kept = (item: typeof separator): Change => ({
      type: 'featureKept',
      pieceId: 'seat',
      list: 'separators',
      item,
    })
    const separators = (j: Job) => (j.pieces[1] as Extract<Piece, { kind: 'swept' }>).separators
    const two = [kept(separator), kept({ ...separator, id: 't' }), kept({ ...separator, at: 350 })].reduce(
      applyChange,
      job,
    )
    expect(separators(two).map((s) => [s.id, s.at])).toEqual([
      ['s', 350],
      ['t', 300],
    ])
    const one = applyChange(two, {
      type: 'featureRemoved',
      pieceId: 'seat',
      list: 'separators',
      featureId: 's',
    })
    expect(separators(one).map((s) => s.id)).toEqual(['t'])
  })

  it('unlinks the pieces of a run that is removed', () => {
    const linked = {
      ...job,
      pieces: [
        testSlab({ run: { run: 'run-1', part: 1 } }),
        testSlab({ id: 'b', run: { run: 'run-2', part: 1 } }),
      ],
    }
    expect(applyChange(linked, { type: 'runRemoved', runId: 'run-1' }).pieces.map((p) => p.run)).toEqual([
      null,
      { run: 'run-2', part: 1 },
    ])
  })

  it('goes to another method and back without forgetting what was chosen', () => {
    const choose = (patch: Extract<Change, { type: 'mouldChosen' }>['patch']): Change => ({
      type: 'mouldChosen',
      pieceId: 'top',
      patch,
    })
    const there = [choose({ school: 'stand' }), choose({ method: 'layers' })].reduce(applyChange, job)
    expect('school' in of(there).mould).toBe(false)
    const back = applyChange(there, choose({ method: 'board-box' }))
    expect(of(back).mould).toMatchObject({ method: 'board-box', school: 'stand' })
  })
})

describe('an opening round a fixture', () => {
  it.each<[OpeningShape, OpeningShape]>([
    [
      { kind: 'round', diameter: 35 },
      { kind: 'round', diameter: 41 },
    ],
    [
      { kind: 'slot', length: 100, width: 20 },
      { kind: 'slot', length: 106, width: 26 },
    ],
    [
      { kind: 'rectangle', length: 380, width: 280, radius: 40 },
      { kind: 'rectangle', length: 386, width: 286, radius: 43 },
    ],
  ])('is larger by its clearance all round: %o', (fixture, opening) => {
    expect(openingFor(fixture, 3)).toEqual(opening)
  })
  it('follows its fixture, until it is given a size of its own', () => {
    const change = (patch: Extract<Change, { type: 'openingChanged' }>['patch']): Change => ({
      type: 'openingChanged',
      pieceId: 'top',
      openingId: 'basin',
      patch,
    })
    const basin = (j: Job) => of(j).openings[0]!
    const round = applyChange(job, change({ fixture: { shape: testBasin.shape, clearance: 5 } }))
    expect(basin(round).shape).toMatchObject({ length: 390, width: 290, radius: 45 })
    const looser = applyChange(round, change({ fixture: { shape: testBasin.shape, clearance: 8 } }))
    expect(basin(looser).shape).toMatchObject({ length: 396 })
    const own = applyChange(looser, change({ shape: { kind: 'round', diameter: 300 } }))
    expect([basin(own).shape, basin(own).fixture]).toEqual([{ kind: 'round', diameter: 300 }, null])
    expect(testTaps.fixture).toBeNull()
  })
})

it('gives the sides of a new outline what they had, and new ones plain edges', () => {
  const { sides } = testTop()
  const drawn = sidesFor(L, sides)
  expect([drawn.front, drawn.back]).toEqual([sides.front, sides.back])
  expect([drawn.step!.top, drawn.inner!.top]).toEqual([{ kind: 'square' }, { kind: 'square' }])
  const back = sidesFor({ kind: 'rectangle', length: 1, width: 1, radii: [0, 0, 0, 0] }, drawn)
  expect(Object.keys(back)).toEqual(['front', 'right', 'back', 'left'])
})
