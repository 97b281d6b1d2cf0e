import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, loopRegion, measureRegion, measureSolid, type SolidRecipe } from '../geometry/index.ts'
import {
  boxChoiceOf,
  explainBy,
  type MouldPatch,
  type Piece,
  plainSide,
  type SlabPiece,
  withChoice,
} from '../job/index.ts'
import { planPieceStation, pouredPlacement } from '../piece/index.ts'
import type { Board } from '../stock/index.ts'
import { METRIC } from '../testing/says.ts'
import { testKernel } from '../testing/testKernel.ts'
import { BEAD, testBasin, testSlab, testStock, testTaps, testTop } from '../testing/testPiece.ts'
import { holdDownForce, sealantVolume } from './boardBox/fixings.ts'
import { chooseLaminate, MOULD_WORDS, planMouldStation } from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const mix = testStock.mixes[0]!
const plan = (piece: Piece, stock = testStock) =>
  planMouldStation(piece, planPieceStation(kernel, piece, 2300, true), stock, mix, { kernel })
const station = (piece: Piece, stock = testStock) => plan(piece, stock).station!
const choose = (patch: MouldPatch, piece = testSlab()): SlabPiece => ({
  ...piece,
  mould: withChoice(piece.mould, patch),
})
const cuts = (piece: Piece) =>
  station(piece).figures.cutList.map((r) => [r.name, r.count, r.lengthMm, r.widthMm, r.thicknessMm])

describe('cut list of a box', () => {
  it.each<[string, MouldPatch, unknown[]]>([
    [
      'wrap',
      {},
      [
        ['base', 1, 900, 500, 18],
        ['front, back', 2, 936, 63, 18],
        ['ends', 2, 500, 63, 18],
      ],
    ],
    [
      'wrap with run-past 30',
      { runPast: 30 },
      [
        ['base', 1, 900, 500, 18],
        ['front, back', 2, 996, 63, 18],
        ['ends', 2, 500, 63, 18],
      ],
    ],
    [
      'wrap, ends long',
      { corners: 'ends-long' },
      [
        ['base', 1, 900, 500, 18],
        ['front, back', 2, 900, 63, 18],
        ['ends', 2, 536, 63, 18],
      ],
    ],
    [
      'wrap, pinwheel',
      { corners: 'pinwheel' },
      [
        ['base', 1, 900, 500, 18],
        ['front, back', 2, 918, 63, 18],
        ['ends', 2, 518, 63, 18],
      ],
    ],
    [
      'stand',
      { school: 'stand' },
      [
        ['base', 1, 936, 536, 18],
        ['front, back', 2, 936, 45, 18],
        ['ends', 2, 500, 45, 18],
      ],
    ],
    [
      'stand with a margin',
      { school: 'stand', baseMargin: 25 },
      [
        ['base', 1, 986, 586, 18],
        ['front, back', 2, 936, 45, 18],
        ['ends', 2, 500, 45, 18],
      ],
    ],
    [
      '12 mm sides on an 18 mm base',
      { sideBoard: 'melamine-12' },
      [
        ['base', 1, 900, 500, 18],
        ['front, back', 2, 924, 63, 12],
        ['ends', 2, 500, 63, 12],
      ],
    ],
    [
      '18 mm sides on a 12 mm base',
      { baseBoard: 'melamine-12' },
      [
        ['base', 1, 900, 500, 12],
        ['front, back', 2, 936, 57, 18],
        ['ends', 2, 500, 57, 18],
      ],
    ],
  ])('%s', (_, patch, rows) => expect(cuts(choose(patch))).toEqual(rows))

  it('laminates knockouts to the thickness, and counts equal ones together', () => {
    const { figures } = station(testTop())
    expect(
      figures.cutList
        .filter((r) => r.role === 'knockout')
        .map((r) => [r.name, r.count, r.lengthMm, r.thicknessMm, r.shape]),
    ).toEqual([
      ['basin knockout', 2, 380, 18, 'rounded corners'],
      ['basin knockout', 1, 380, 9, 'rounded corners'],
      ['tap hole knockouts', 4, 35, 18, 'disc'],
      ['tap hole knockouts', 2, 35, 9, 'disc'],
    ])
    expect(figures.cutList.every((r) => r.role !== 'knockout' || r.notes.includes('raw-edges'))).toBe(true)
    expect(
      station(choose({ wrap: 3 }, testTop())).figures.cutList.find((r) => r.role === 'knockout')!.lengthMm,
    ).toBe(374)
    expect([figures.partCount, figures.sheetCount, figures.layouts.map((l) => l.lowerBoundSheets)]).toEqual([
      14,
      2,
      [1, 1],
    ])
  })
})

describe('laminates', () => {
  const board = (thickness: number): Board => ({ ...testStock.boards[0]!, id: `b${thickness}`, thickness })
  it.each<[number, number[], number[], boolean]>([
    [45, [18, 9], [18, 18, 9], true],
    [44.45, [18, 12, 9, 6, 3], [18, 18, 6, 3], false],
    [38, [18, 12], [18, 18, 1, 1], true],
    [45, [18, 17.8, 9], [18, 18, 9], true],
    [30, [15, 16], [15, 15], true],
    [5, [18], [], false],
    [3, [3], [3], true],
    [300, [18, 12], [...Array(16).fill(18), 12], true],
  ])('%d mm from %j', (target, sizes, layers, fits) => {
    const laminate = chooseLaminate(target, sizes.map(board))
    if (layers.length === 0) return expect(laminate).toBeNull()
    const sum = laminate!.layers.reduce((s, l) => s + l.thicknessMm, 0)
    expect(laminate!.fits).toBe(Math.abs(sum - target) <= 0.25 + 1e-9)
    if (fits) expect(laminate!.layers.map((l) => l.thicknessMm)).toEqual(layers)
    expect(sum - target).toBeLessThanOrEqual(0.2500001)
  })
})

/** Whether a strip lies along x or y, so that its box is its size. */
const isSquareOn = ({ recipe }: { recipe: SolidRecipe }) =>
  recipe.kind === 'prism' &&
  recipe.outline.some(
    ({ name, from, to }) =>
      name.endsWith('/face') && (Math.abs(from[0] - to[0]) < 1e-9 || Math.abs(from[1] - to[1]) < 1e-9),
  )

describe('every part is a solid in place', () => {
  const variants: [string, SlabPiece][] = [
    ['wrap', testTop()],
    ['stand, wrapped knockouts', choose({ school: 'stand', wrap: 3, baseMargin: 20 }, testTop())],
    ['pinwheel, run-past', choose({ corners: 'pinwheel', runPast: 40 }, testTop())],
    [
      'face up',
      testTop({
        attitude: { down: 'bottom', turnDeg: 0 },
        sides: { ...testTop().sides, front: plainSide({ top: BEAD, bottom: { kind: 'chamfer', size: 8 } }) },
      }),
    ],
    [
      'rounded corners, off-centre basin',
      testTop({
        outline: { kind: 'rectangle', length: 900, width: 500, radii: [60, 0, 25, 4] },
        openings: [{ ...testBasin, u: { rule: 'fromStart', distance: 70 } }, testTaps],
      }),
    ],
    [
      'chamfers and a beaded rim',
      testTop({
        sides: { ...testTop().sides, left: plainSide({ top: { kind: 'chamfer', size: 10 }, bottom: BEAD }) },
        openings: [{ ...testBasin, rim: { top: BEAD, bottom: { kind: 'square' } } }],
      }),
    ],
    [
      'inches, mixed boards',
      choose(
        { sideBoard: 'melamine-12', knockoutBoards: null },
        testTop({
          thickness: 45,
          outline: { kind: 'rectangle', length: 35 * 25.4, width: 20 * 25.4, radii: [0, 0, 0, 0] },
        }),
      ),
    ],
  ]
  const polygon = (corners: readonly (readonly [number, number, number, number?])[]): Partial<SlabPiece> => ({
    outline: {
      kind: 'polygon',
      corners: corners.map(([x, y, rise, radius = 0], i) => ({
        x,
        y,
        radius,
        side: `side-${i + 1}`,
        run: rise === 0 ? { kind: 'line' } : { kind: 'arc', rise },
      })),
    },
    sides: Object.fromEntries(corners.map((_, i) => [`side-${i + 1}`, plainSide({ top: BEAD })])),
    openings: [],
  })
  const L: Partial<SlabPiece> = polygon([
    [0, 0, 0],
    [700, 0, 0],
    [700, 260, 0],
    [400, 260, 0, 30],
    [400, 500, 0, 20],
    [0, 500, 0],
  ])
  variants.push(
    ['an L with rounded corners both ways', testTop(L)],
    [
      'an L stood on its base, one strip short',
      choose({ school: 'stand', insideCorners: 'short' }, testTop(L)),
    ],
    [
      'an L mitred, its rounds bent',
      choose({ school: 'mitre', rounds: 'bent', skin: 'skin-vinyl-2' }, testTop(L)),
    ],
    [
      'a leaning plan',
      testTop(
        polygon([
          [0, 0, 0],
          [600, 80, 0],
          [520, 420, 0],
          [90, 350, 0],
        ]),
      ),
    ],
    [
      'a disc in a ring',
      testTop(
        polygon([
          [0, 230, 230],
          [460, 230, 230],
        ]),
      ),
    ],
    [
      'a ring segment, one side hollow',
      choose(
        { skin: 'skin-vinyl-2' },
        testTop(
          polygon([
            [0, 0, -40],
            [400, 0, 0],
            [460, 240, 70],
            [-60, 240, 0],
          ]),
        ),
      ),
    ],
  )
  it.each(variants)('no gap, no overlap, each as large as listed: %s', (_, piece) => {
    const pieceStation = planPieceStation(kernel, piece, 2300, false)
    const { parts } = planMouldStation(piece, pieceStation, testStock, mix, { kernel }).station!
    const measure = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: pieceStation.geometry.recipe!,
      by: pouredPlacement(piece.attitude, pieceStation.geometry),
    }
    const all = [{ id: 'piece', recipe: cast }, ...parts]
    for (const [i, a] of all.entries())
      for (const b of all.slice(i + 1))
        expect([a.id, b.id, measure({ kind: 'intersection', of: [a.recipe, b.recipe] }).volume < 1]).toEqual([
          a.id,
          b.id,
          true,
        ])

    const round = (p: (typeof parts)[number]) => p.role === 'corner' && p.name.endsWith('post')
    const around = ['base', 'strip', 'skin', 'rib']
    const inside = parts.filter((p) => !around.includes(p.role) && !round(p))
    // Blocks fill the rounded corners of a sharp box; whatever else rounds the plan stands outside it.
    const blocks = parts.filter((p) => p.role === 'corner' && !round(p))
    const box =
      measureRegion(loopRegion(pieceStation.geometry.outline)) * piece.thickness +
      blocks.reduce((sum, p) => sum + measure(p.recipe).volume, 0)
    const up = piece.attitude.down === 'top' ? 'bottom' : 'top'
    const square = { kind: 'square' } as const
    const untooled = {
      ...piece,
      sides: Object.fromEntries(
        Object.entries(piece.sides).map(([k, v]) => [k, { ...v, [up]: square }]),
      ) as SlabPiece['sides'],
    }
    const tooled =
      planPieceStation(kernel, untooled, 2300, false).figures.volumeLitres * 1e6 -
      pieceStation.figures.volumeLitres * 1e6
    const filled =
      inside.reduce((sum, p) => sum + measure(p.recipe).volume, 0) +
      pieceStation.figures.volumeLitres * 1e6 +
      tooled
    expect(Math.abs(filled - box)).toBeLessThan(box * 5e-5)

    for (const part of parts) {
      if (part.role === 'sealant' || part.role === 'chamfer') continue
      const { volume } = measure(part.recipe)
      if (part.role === 'skin') {
        // Bent or flat, a skin is as much sheet; a ring is lapped beside.
        const lap = part.id === 'skin/ring' ? boxChoiceOf(piece.mould).overlap : 0
        const sheet = (part.lengthMm - lap) * part.widthMm * part.thicknessMm
        expect(Math.abs(volume / sheet - 1)).toBeLessThan(0.005)
        continue
      }
      const fills = volume / (part.lengthMm * part.widthMm * part.thicknessMm)
      expect([part.id, (fills > 0.05 || part.role === 'wrap') && fills < 1.0001]).toEqual([part.id, true])
      const turned = part.pull[0] !== 0 && part.pull[1] !== 0
      if (part.role === 'rib' || (part.role === 'strip' && !isSquareOn(part))) continue
      if (part.role === 'corner' && turned && round(part)) continue
      const { min, max } = measure(part.recipe)
      const sizes = [0, 1, 2].map((k) => max[k]! - min[k]!).sort((a, b) => a - b)
      const listed = [part.lengthMm, part.widthMm, part.thicknessMm].sort((a, b) => a - b)
      sizes.forEach((s, k) => {
        expect(s).toBeCloseTo(listed[k]!, 2)
      })
    }
  })
  it('stands each strip at its own side of the piece, mirrored when poured face down', () => {
    const left = station(testSlab()).parts.find((p) => p.id === 'strip/left')!
    const { min } = kernel.withSolids((s) => measureSolid(s.solid(left.recipe).body))
    expect(min[0]).toBeCloseTo(900, 3)
  })
})

describe('fixings', () => {
  it('uses sealant by radius and counts it by joint', () => {
    expect(sealantVolume(1000, 6)).toBeCloseTo(15.45, 2)
    const { sealant } = station(testTop()).figures
    expect(sealant.rows.map((r) => [r.where, Math.round(r.lengthMm), r.radiusMm])).toEqual([
      ['front base joint', 900, 6],
      ['right base joint', 500, 6],
      ['back base joint', 900, 0],
      ['left base joint', 500, 6],
      ['vertical corners', 180, 0],
      ['round the basin knockout', Math.round(1320 - (8 - 2 * Math.PI) * 40), 0],
      ['round the tap hole 1 knockout', 110, 0],
      ['round the tap hole 2 knockout', 110, 0],
    ])
    expect(sealant.cartridges).toBe(1)
  })
  it.each([
    ['pattern in rubber', 3.2e6, 3.2 * 0.65, 1040, 28.6],
    ['foam in concrete', 2e6, 2 * 0.033, 2350, 90.9],
  ])('holds down a %s', (_, volume, mass, density, force) =>
    expect(holdDownForce(volume, mass, density)).toBeCloseTo(force, 0),
  )
  it('spaces screws within 10 base thicknesses, 40 mm from the ends of the joint, past the run-past', () => {
    const [front] = station(choose({ runPast: 30 })).figures.screws
    expect([front!.count, front!.positionsMm[0], front!.positionsMm.at(-1)]).toEqual([
      6,
      48 + 40,
      996 - 48 - 40,
    ])
    expect(front!.spacingMm).toBeLessThanOrEqual(180)
    expect(
      station(testSlab({ thickness: 120 })).figures.screws.find((s) => s.where === 'corners')!.count,
    ).toBe(4)
    expect(
      station(testSlab({ outline: { kind: 'rectangle', length: 60, width: 50, radii: [0, 0, 0, 0] } }))
        .figures.screws[0]!.count,
    ).toBe(2)
  })
})

describe('cost and weight', () => {
  it.each<[string, Partial<SlabPiece>, number]>([
    ['one mould, one cast', { plannedCasts: 1 }, 46],
    ['one mould, four casts', { plannedCasts: 4 }, 46 / 4],
    ['one mould worn out after five', { plannedCasts: 20 }, 46 / 5],
    ['two moulds from one sheet share six casts', { plannedCasts: 6, mouldCount: 2 }, 46 / 6],
  ])('%s', (_, over, cost) => expect(station(testSlab(over)).figures.costPerCast).toBeCloseTo(cost, 6))
  it('weighs a laminate by its layers, and has no cost without a price', () => {
    const { parts } = station(testTop()).figures
    const basin = parts.find((p) => p.id === 'knockout/basin')!
    expect(basin.weightKg).toBeCloseTo(105_026.5e-9 * (36 * 680 + 9 * 750), 4)
    const unpriced = { ...testStock, boards: testStock.boards.map((b) => ({ ...b, price: null })) }
    expect(station(testTop(), unpriced).figures.costPerCast).toBeNull()
  })
})

describe('findings', () => {
  const noBoards = { ...testStock, boards: [] }
  const thick = { ...testStock, boards: testStock.boards.filter((b) => b.thickness > 15) }
  it.each<[string, Piece, typeof testStock, [string, string][]]>([
    [
      'no boards',
      testSlab(),
      noBoards,
      [
        ['board-missing', 'stop'],
        ['board-missing', 'stop'],
      ],
    ],
    ['no sealant', choose({ sealant: 'gone' }), testStock, [['sealant-missing', 'stop']]],
    [
      'no board thick enough',
      testTop({ thickness: 10, sides: testSlab().sides }),
      thick,
      [
        ['no-laminate', 'stop'],
        ['no-laminate', 'stop'],
        ['no-laminate', 'stop'],
      ],
    ],
    ['wrap fills the opening', choose({ wrap: 18 }, testTop()), testStock, [['wrap-fills-opening', 'stop']]],
    [
      'larger than a sheet',
      testSlab({ outline: { kind: 'rectangle', length: 2600, width: 500, radii: [0, 0, 0, 0] } }),
      testStock,
      [['larger-than-sheet', 'stop']],
    ],
    [
      'too tall',
      testSlab({ thickness: 1100 }),
      testStock,
      [
        ['tall-form', 'stop'],
        ['side-bows', 'warn'],
      ],
    ],
    [
      'hold the top',
      testSlab({ thickness: 300 }),
      testStock,
      [
        ['hold-the-top', 'warn'],
        ['side-bows', 'warn'],
      ],
    ],
    ['held, and stiff enough', choose({ braceSpacing: 250 }, testSlab({ thickness: 300 })), testStock, []],
    [
      'open edges',
      testTop({ attitude: { down: 'bottom', turnDeg: 0 } }),
      testStock,
      [['tooled-arris', 'note']],
    ],
    ['worn out', testSlab({ plannedCasts: 20 }), testStock, [['mould-wears-out', 'note']]],
    ['nothing', testTop(), testStock, []],
  ])('%s', (_, piece, stock, codes) => {
    const { findings } = plan(piece, stock)
    expect(findings.map((f) => [f.code, f.level])).toEqual(codes)
    for (const f of findings) expect(explainBy(MOULD_WORDS, f, METRIC)!.what).not.toMatch(/undefined|NaN/)
  })
  it('works for odd but legal slabs', () => {
    for (const thickness of [3, 45, 999])
      for (const length of [30, 900, 2300]) {
        const { figures } = station(
          testSlab({ thickness, outline: { kind: 'rectangle', length, width: 30, radii: [10, 0, 0, 0] } }),
        )
        expect(figures.cutList.every((r) => r.lengthMm > 0 && r.widthMm > 0)).toBe(true)
      }
  })
})

describe('what a cast costs', () => {
  const cost = (over: Partial<SlabPiece>) => {
    const { figures } = plan(testTop(over)).station!
    return { ...figures, own: figures.methods.find((m) => m.chosen)! }
  }
  it('by whole sheets as they are bought, and by what is used of them, which is less', () => {
    const { costPerCast, usedCostPerCast, boardCost, own } = cost({ plannedCasts: 2 })
    const { costPerCast: one } = cost({ plannedCasts: 1 })
    expect(usedCostPerCast!).toBeCloseTo(own.materialCost! / 2 + own.castCost, 9)
    expect(usedCostPerCast!).toBeLessThan(costPerCast!)
    expect(costPerCast! * 2).toBeGreaterThanOrEqual(boardCost!)
    expect(one!).toBeCloseTo(costPerCast! * 2, 9)
  })
  it('is none where a board has no price, by either', () => {
    const { costPerCast, usedCostPerCast } = plan(testTop(), {
      ...testStock,
      boards: testStock.boards.map((b) => ({ ...b, price: null })),
    }).station!.figures
    expect([costPerCast, usedCostPerCast]).toEqual([null, null])
  })
})
