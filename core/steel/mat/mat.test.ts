import { beforeAll, describe, expect, it } from 'vitest'
import { columnDepths, type Kernel, meshSolid } from '../../geometry/index.ts'
import { newOpening, type SlabPiece } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { noMemo } from '../../station.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planSteelStation } from '../planSteel.ts'
import { matSheets } from './matSheets.ts'
import { matHeight, planMat } from './planMat.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const mesh = testStock.meshes[0]!
const COVER = 15
const slab = (rest: Partial<SlabPiece>) =>
  testSlab({
    outline: { kind: 'rectangle', length: 1000, width: 600, radii: [0, 0, 0, 0] },
    thickness: 60,
    openings: [],
    ...rest,
  })
const recess = (depth: number, on: 'top' | 'bottom' = 'top') => ({
  ...newOpening('r', 'recess', { kind: 'rectangle' as const, length: 300, width: 200, radius: 0 }),
  depth,
  on,
})
const field = (rise: number): SlabPiece['panels'] => [
  {
    kind: 'field',
    id: 'f',
    name: 'field',
    shape: { kind: 'rectangle', length: 400, width: 300, radius: 0 },
    u: 0,
    v: 0,
    rise,
    draftDeg: 0,
  },
]
/** Over 700 x 400 of 1000 x 600. */
const wide: SlabPiece['panels'] = [
  { ...field(-10)[0]!, shape: { kind: 'rectangle', length: 700, width: 400, radius: 0 } } as never,
]
const matOf = (piece: SlabPiece) =>
  planMat(kernel, piece, planPieceStation(kernel, piece, 2300, true).geometry, mesh, COVER, noMemo)

it.each([
  ['middle', 45, 22.5],
  ['stretched-face', 80, 19],
  ['weather-face', 50, 31],
  // No nearer than 10 to the other face.
  ['weather-face', 30, 14],
] as const)('%s in %d lies %d up', (school, thickness, height) =>
  expect(matHeight(school, thickness, COVER, 4)).toBe(height),
)

describe('a mat is cut to what it passes through at its own depth', () => {
  const plain = () => matOf(slab({})).sheet
  it.each<[string, SlabPiece, boolean]>([
    ['a sunken field of 40 in 60', slab({ panels: field(-40) }), true],
    ['one of 5, above the mat and its cover', slab({ panels: field(-5) }), false],
    ['a recess of 40', slab({ openings: [recess(40)] }), true],
    ['a recess of 8', slab({ openings: [recess(8)] }), false],
    ['a recess from below, of 40', slab({ openings: [recess(40, 'bottom')] }), true],
    ['a field that is raised', slab({ panels: field(10) }), false],
    [
      'a drip groove of 30',
      slab({
        sides: {
          ...testSlab().sides,
          front: { ...testSlab().sides.front!, drip: { inset: 100, width: 12, depth: 30 } },
        },
      }),
      true,
    ],
  ])('%s', (_, piece, cut) => {
    const { sheet } = matOf(piece)
    expect(sheet.totalLength < plain().totalLength - 1).toBe(cut)
  })

  it.each<[string, SlabPiece, SlabPiece['steel']['depth'], boolean]>([
    ['a shallow field over most of it, in the middle', slab({ thickness: 50, panels: wide }), null, true],
    ['the same, low', slab({ thickness: 50, panels: wide }), 'stretched-face', false],
    ['a small field', slab({ thickness: 50, panels: field(-10) }), null, false],
    [
      'a large opening right through',
      slab({
        openings: [newOpening('o', 'opening', { kind: 'rectangle', length: 700, width: 400, radius: 0 })],
      }),
      null,
      false,
    ],
  ])('tells when most of it is cut away: %s', (_, piece, depth, told) => {
    const steel = { ...piece.steel, kind: 'mesh' as const, depth }
    const station = planPieceStation(kernel, piece, 2300, true)
    const { findings } = planSteelStation(
      kernel,
      { ...piece, steel },
      station,
      testStock.meshes,
      testStock.mixes[0]!,
      { mixes: testStock.mixes, bars: testStock.bars, suctionKPa: 1, quick: true, people: 2 },
    )
    const found = findings.find((f) => f.code === 'mat-cut-away')
    expect(found !== undefined).toBe(told)
    if (found) expect(found.remedies.map((r) => r.code)).toContain('stretched-face')
  })

  it('every wire lies in concrete, with at least its cover above and below, by the solid', () => {
    const piece = slab({
      panels: field(-30),
      openings: [
        { ...recess(25), u: { rule: 'fromStart', distance: 40 }, v: { rule: 'fromStart', distance: 40 } },
      ],
    })
    const { geometry } = planPieceStation(kernel, piece, 2300, false)
    const mat = planMat(kernel, piece, geometry, mesh, COVER, noMemo)
    const solid = kernel.withSolids((s) => meshSolid(s.solid(geometry.recipe!)))
    const points = mat.sheet.wires.flatMap(({ from, to }) =>
      [0, 0.25, 0.5, 0.75, 1].map(
        (t) => [from[0] + (to[0] - from[0]) * t, from[1] + (to[1] - from[1]) * t] as const,
      ),
    )
    expect(points.length).toBeGreaterThan(50)
    for (const column of columnDepths(solid, points)) {
      expect(column!.high - (mat.height + mesh.wire)).toBeGreaterThanOrEqual(COVER - 0.01)
      expect(mat.height - mesh.wire - column!.low).toBeGreaterThanOrEqual(COVER - 0.01)
    }
  })
})

describe('a mat cut from sheets', () => {
  const mesh = { ...testStock.meshes[0]!, length: 2000, width: 1000, spacing: 100 }
  it.each<[string, number, number, number, number[][], number, number]>([
    ['one piece of one sheet', 1150, 490, 1, [[1150, 490]], 1, 1],
    [
      'two that lap 150',
      3000,
      900,
      1,
      [
        [1575, 900],
        [1575, 900],
      ],
      2,
      2,
    ],
    ['turned where that takes fewer', 900, 1900, 1, [[900, 1900]], 1, 1],
    [
      'four, two each way',
      3600,
      1700,
      1,
      [
        [1875, 925],
        [1875, 925],
        [1875, 925],
        [1875, 925],
      ],
      4,
      4,
    ],
    // 490 twice across a sheet: two casts from one.
    ['six casts from three sheets', 1950, 490, 6, [[1950, 490]], 1, 3],
  ])('%s', (_, length, width, casts, sizes, one, all) => {
    const cut = matSheets(length, width, mesh, casts)
    expect(cut.pieces.map((p) => [p.length, p.width])).toEqual(sizes)
    expect([cut.count, cut.sheets.length]).toEqual([one, all])
    expect(Math.max(...cut.pieces.map((p) => p.x + p.length))).toBeCloseTo(length, 6)
    expect(Math.max(...cut.pieces.map((p) => p.y + p.width))).toBeCloseTo(width, 6)
    expect(cut.sheets.flat().length).toBe(sizes.length * casts)
  })
  it('none of sheets that only lap', () => {
    expect(matSheets(900, 500, { ...mesh, length: 140, width: 140 }, 1).pieces).toEqual([])
    expect(matSheets(0, 0, mesh, 1).pieces).toEqual([])
  })
})
