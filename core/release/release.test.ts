import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, rectangleLoop } from '../geometry/index.ts'
import {
  type MouldChoice,
  type MouldPatch,
  newBox,
  type Piece,
  type SlabPiece,
  withChoice,
} from '../job/index.ts'
import { type MouldPart, type MouldStation, planMouldStation } from '../mould/index.ts'
import { type PieceStation, planPieceStation, pouredLoop } from '../piece/index.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testStock, testTop } from '../testing/testPiece.ts'
import { partIdsOf } from '../work/index.ts'
import { planReleaseStation } from './index.ts'
import { trappedParts } from './trappedParts.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const with_ = (mould: MouldPatch, over: Partial<SlabPiece> = {}): SlabPiece => {
  const piece = testTop(over)
  return { ...piece, mould: withChoice(piece.mould, mould) }
}
const told = { id: 'pot', name: 'Pot', start: '2026-05-30T09:00', zone: 'UTC' }
const released = (piece: Piece, pieceStation: PieceStation, mould: MouldStation) =>
  planReleaseStation(kernel, {
    piece,
    pieceStation,
    mould,
    steel: null,
    stock: testStock,
    freshKgPerM3: testStock.mixes[0]!.freshKgPerM3,
    suctionKPa: 1,
    quick: false,
  })
/** Every part that an operation of the release station is about. */
const strippedOf = (release: ReturnType<typeof released>) =>
  release.operations.filter((op) => op.attitude !== null).flatMap(partIdsOf)
function plan(piece: Piece) {
  const station = planPieceStation(kernel, piece, 2300, true)
  const mould = planMouldStation(piece, station, testStock, testStock.mixes[0]!, { kernel }).station!
  return { station, mould, release: released(piece, station, mould) }
}

describe('nothing of a box is trapped, in any school, when it comes off in order', () => {
  it.each<[string, SlabPiece]>([
    ['wrap', with_({})],
    ['wrap, ends long, run-past', with_({ corners: 'ends-long', runPast: 40 })],
    ['stand with margin', with_({ school: 'stand', baseMargin: 20 })],
    ['pinwheel, run-past', with_({ corners: 'pinwheel', runPast: 25 })],
    ['wrapped knockouts', with_({ wrap: 3 })],
    [
      'rounded corners, face up',
      with_(
        { runPast: 30 },
        {
          outline: { kind: 'rectangle', length: 900, width: 500, radii: [60, 0, 25, 10] },
          attitude: { down: 'bottom', turnDeg: 0 },
        },
      ),
    ],
  ])('%s', (_, piece) => {
    const { release } = plan(piece)
    const { figures, findings } = release
    expect([figures.partsTrapped, figures.partsUnexamined]).toEqual([0, 0])
    expect(findings.map((f) => f.code)).not.toContain('part-trapped')
    const ids = strippedOf(release)
    for (const part of plan(piece).mould.parts)
      if (part.role === 'strip' || part.role === 'knockout' || part.role === 'base')
        expect(ids).toContain(part.id)
  })
})

describe('what cannot leave is named, with what blocks it', () => {
  const slabOf = (piece: SlabPiece) => {
    const { geometry } = plan(piece).station
    const poured = (loop: typeof geometry.outline) => pouredLoop(loop, piece.attitude, geometry)
    return {
      outline: poured(geometry.outline),
      openings: geometry.openings.map((o) => poured(o.loop)),
      thickness: piece.thickness,
    }
  }
  const block = (
    id: string,
    role: MouldPart['role'],
    at: [number, number],
    length: number,
    width: number,
    pull: MouldPart['pull'] = [0, -1, 0],
  ): MouldPart => ({
    ...plan(testTop()).mould.parts.find((p) => p.role === 'strip')!,
    id,
    role,
    name: id,
    pull,
    recipe: {
      kind: 'prism',
      outline: rectangleLoop(at, length, width, [0, 0, 0, 0], {
        sides: ['a', 'b', 'c', 'd'],
        corners: ['e', 'f', 'g', 'h'],
      }),
      holes: [],
      low: 0,
      high: 45,
      lowName: 'u',
      highName: 't',
    },
  })
  const looked = (slab: ReturnType<typeof slabOf>, parts: readonly MouldPart[], order: readonly string[]) =>
    trappedParts(kernel, slab, parts, order, new Set(order)).trapped
  it('a knockout larger than its opening', () => {
    const piece = testTop()
    const wide = block('wide', 'knockout', [250, 100], 420, 300)
    expect(looked(slabOf(piece), [wide], ['wide'])).toEqual([
      { partId: 'wide', name: 'wide', by: 'the slab' },
    ])
  })
  it('a strip behind a part that still stands, but not when that one goes first', () => {
    const slab = slabOf(testTop())
    const parts = [block('inner', 'strip', [0, -18], 900, 18), block('outer', 'strip', [200, -40], 300, 22)]
    expect(looked(slab, parts, ['inner', 'outer'])).toEqual([{ partId: 'inner', name: 'inner', by: 'outer' }])
    expect(looked(slab, parts, ['outer', 'inner'])).toEqual([])
  })
  it('a corner block that hooks behind the slab', () => {
    const hook = block('hook', 'corner', [880, -5], 15, 30, [Math.SQRT1_2, -Math.SQRT1_2, 0])
    expect(looked(slabOf(testTop()), [hook], ['hook'])[0]!.by).toBe('the slab')
  })
})

describe('agents', () => {
  const agents = (piece: SlabPiece) =>
    plan(piece).release.figures.agents.map((a) => [a.face, a.agent, a.coats])
  it('waxes faced board and tapes raw edges', () =>
    expect(agents(testTop())).toEqual([
      ['base', 'silicone-free paste wax', 2],
      ['sides', 'silicone-free paste wax', 2],
      ['knockout-edges', 'packing tape, 50 mm', 1],
    ]))
  it('seals raw board first, and waxes over a lacquered edge', () =>
    expect(
      agents(
        with_(
          { baseBoard: 'mdf-9' },
          {
            release: { ...testTop().release, edgeSeal: 'lacquer' },
          },
        ),
      ),
    ).toEqual([
      ['base', 'quick lacquer', 2],
      ['base', 'silicone-free paste wax', 2],
      ['sides', 'silicone-free paste wax', 2],
      ['knockout-edges', 'quick lacquer', 2],
      ['knockout-edges', 'silicone-free paste wax', 2],
    ]))
  it('takes amounts from the faces: base by the show face, sides by their depth', () => {
    const { agents: rows } = plan(testTop({ openings: [] })).release.figures
    expect(rows[0]!.areaM2).toBeCloseTo(0.45, 6)
    expect(rows[1]!.areaM2).toBeCloseTo(2 * 1.4 * 0.045, 6)
    expect(rows[0]!.amount).toBeCloseTo((0.45 * 2) / 25, 6)
    expect(plan(testTop()).release.figures.suctionN).toBeCloseTo(
      1000 * plan(testTop()).station.figures.showFaceAreaM2,
      3,
    )
  })
})

it.each<[string, Piece, string[]]>([
  // Rim down over foam: nobody digs a core out from below.
  [
    'a pot upside down',
    newBox(told, testStock, { attitude: { down: 'top', turnDeg: 0 } }),
    ['turn-in-block', 'dig-core-up', 'break-foam'],
  ],
  [
    'a pot upright, its core hung in the fill',
    newBox(told, testStock, { attitude: { down: 'bottom', turnDeg: 0 } }),
    ['dig-core', 'break-foam'],
  ],
  ['a plain block', with_({}, { openings: [] }), ['break-foam']],
])('foam that lasts one cast: %s', (_, base, codes) => {
  const piece = { ...base, mould: withChoice(base.mould, { method: 'layers', layerStock: 'foam-eps-100' }) }
  const { release } = plan(piece)
  expect(release.operations.filter((op) => op.attitude !== null).map((op) => op.code)).toEqual(codes)
  const turned = release.operations.find((op) => op.code === 'turn-in-block')
  expect(release.figures.turns).toBe(turned ? 1 : 0)
})

describe('a shaped mould comes off as it tells, its face released as its material asks', () => {
  const small = (method: MouldChoice['method']) =>
    with_(
      { method },
      { openings: [], outline: { kind: 'rectangle', length: 160, width: 120, radii: [0, 0, 0, 0] } },
    )
  it.each<[MouldChoice['method'], RegExp, boolean]>([
    ['layers', /coated foam/, true],
    ['printed', /printed plastic/, true],
    ['closed', /plaster and jute/, true],
    ['brushed', /rubber/, false],
  ])('%s', (method, material, waxed) => {
    const { mould, release } = plan(small(method))
    const stripped = strippedOf(release)
    for (const part of mould.parts) expect(stripped).toContain(part.id)
    const row = release.figures.agents.find((a) => material.test(a.material) && a.use !== 'seal')!
    expect([row.areaM2 > 0, row.amount > 0]).toEqual([true, waxed])
  })
})
