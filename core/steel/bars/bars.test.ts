import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, SolidRecipe, Vector } from '../../geometry/index.ts'
import { newBox, newSwept, newTurned, type Piece, type SteelChoice } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { anyPiece, seeded } from '../../testing/anyPiece.ts'
import { outsideOf } from '../../testing/outsideOf.ts'
import { rounds } from '../../testing/rounds.ts'
import { testBasinBelow } from '../../testing/testFeatures.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testBasin, testSlab, testStock } from '../../testing/testPiece.ts'
import { planSteelStation } from '../planSteel.ts'
import { bendingList, cutLength } from './bendingList.ts'
import { bentLength, hooksLength, lappedPieces } from './bentLength.ts'
import { spreadOn } from './cage.ts'
import { clipAlong } from './clipAlong.ts'
import { insideCorners } from './cornerBars.ts'
import type { PlacedBar } from './types.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const mix = testStock.mixes[0]!
const base = { name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
const withBars = <P extends Piece>(piece: P, bars: Partial<SteelChoice['bars']>): P => ({
  ...piece,
  steel: { ...piece.steel, bars: { ...piece.steel.bars, ...bars } },
})
const built = (piece: Piece) => planPieceStation(kernel, piece, 2300, true)
const plan = (piece: Piece) =>
  planSteelStation(kernel, piece, built(piece), testStock.meshes, mix, {
    mixes: testStock.mixes,
    bars: testStock.bars,
    suctionKPa: 1,
    quick: false,
    people: 2,
  })
/** The side of a chair: legs, a seat, and a back that leans. */
const chair = (
  [
    [0, 0],
    [120, 0],
    [120, 300],
    [380, 300],
    [380, 0],
    [500, 0],
    [500, 420],
    [560, 900],
    [430, 900],
    [380, 420],
    [0, 420],
  ] as const
).map(([x, y], i) => ({ x, y, radius: 0, side: `s${i}`, run: { kind: 'line' as const } }))
const codes = (piece: Piece) => plan(piece).findings.map((f) => f.code)
const post = (over: Partial<SteelChoice['bars']> = {}) =>
  withBars(
    testSlab({
      outline: { kind: 'rectangle', length: 200, width: 200, radii: [0, 0, 0, 0] },
      thickness: 1000,
    }),
    { cage: true, ...over },
  )

const outside = (recipe: SolidRecipe, { path, closed, bar }: PlacedBar, cover: number): number =>
  outsideOf(kernel, recipe, { path, closed, diameter: bar.diameter }, cover)

describe('a bent bar', () => {
  const legs = (...p: [number, number][]): Vector[] => p.map(([x, y]) => [x, y, 0])
  it.each<[string, Vector[], boolean, number, number]>([
    ['straight', legs([0, 0], [300, 0]), false, 8, 300],
    // Saved at a square corner: (2 - pi/2) x 2.5 x 8.
    ['one square bend', legs([0, 0], [200, 0], [200, 200]), false, 8, 400 - 8.584],
    ['a square tie', legs([0, 0], [160, 0], [160, 160], [0, 160]), true, 6, 640 - 4 * 6.438],
    ['no bend at a point on a straight', legs([0, 0], [100, 0], [250, 0]), false, 12, 250],
  ])('%s is as long as its centre line', (_, path, closed, d, length) => {
    expect(bentLength(path, closed, d)).toBeCloseTo(length, 2)
  })
  it('of a tie has two hooks of 135 degrees with tails of 50 mm at least', () => {
    expect(hooksLength(6)).toBeCloseTo(Math.PI * 15 + 100, 6)
    expect(hooksLength(12)).toBeCloseTo(Math.PI * 30 + 120, 6)
  })
  it.each([
    [2900, 3000, 8, 1, 2900],
    [3000, 3000, 8, 1, 3000],
    // 320 of lap: two of 1,660 make 3,000.
    [3001, 3000, 8, 2, (3001 + 320) / 2],
    [9000, 3000, 8, 4, (9000 + 960) / 4],
    [500, 300, 8, 1, 500],
  ])('%d long from %d, %d thick, is %d of %d', (length, stock, d, count, each) => {
    expect(lappedPieces(length, stock, d)).toEqual({ count, each })
  })
  it('is one row of the list with all that are cut and bent like it', () => {
    const [bar, thin] = [testStock.bars[1]!, testStock.bars[0]!]
    const at = (id: string, path: Vector[], closed = false, purpose: PlacedBar['purpose'] = 'upright') => ({
      id,
      purpose,
      bar: closed ? thin : bar,
      path,
      closed,
    })
    const ring = Array.from({ length: 48 }, (_, i): Vector => {
      const a = (2 * Math.PI * i) / 48
      return [100 * Math.cos(a), 100 * Math.sin(a), 5]
    })
    const list = bendingList([
      at('a', legs([0, 0], [700, 0])),
      at('b', legs([0, 50], [700, 50])),
      at('c', legs([0, 0], [160, 0], [160, 160], [0, 160]), true, 'tie'),
      at('d', ring, true, 'tie'),
      at('e', legs([0, 0], [200, 0], [200, 96]), false, 'corner'),
    ])
    expect(list.map(({ mark, count, shape, legsMm }) => [mark, count, shape, legsMm])).toEqual([
      ['a', 2, 'straight', [700]],
      ['b', 1, 'ring', [206]],
      ['c', 1, 'tie', [166, 166, 166, 166]],
      ['d', 1, 'bent', [204, 100]],
    ])
    expect(list[1]!.cutMm).toBeCloseTo(200 * Math.PI + 40 * 6, -1)
    expect(list[2]!.cutMm).toBeCloseTo(640 - 4 * 6.438 + hooksLength(6), 1)
  })
})

describe('places', () => {
  it('of uprights: each corner, between them 150 apart at most; round a round four at least', () => {
    const square = (a: number): [number, number][] => [
      [0, 0],
      [a, 0],
      [a, a],
      [0, a],
    ]
    expect(spreadOn(square(100), 8).length).toBe(4)
    expect(spreadOn(square(280), 8).length).toBe(8)
    // Two that would stand closer than stones pass are one; a bar alone is for another to place.
    expect(spreadOn(square(20), 8).length).toBeLessThan(3)
    const ring = (r: number) =>
      Array.from({ length: 60 }, (_, i): [number, number] => {
        const a = (2 * Math.PI * i) / 60
        return [r * Math.cos(a), r * Math.sin(a)]
      })
    expect([60, 150].map((r) => spreadOn(ring(r), 8).length)).toEqual([4, 7])
  })
  it('of a line in a region with a hole: the stretch that holds its point', () => {
    const box: [number, number][] = [
      [0, 0],
      [100, 0],
      [100, 50],
      [0, 50],
    ]
    const hole: [number, number][] = [
      [40, 10],
      [40, 40],
      [60, 40],
      [60, 10],
    ]
    expect(clipAlong([box, hole], [20, 25], [1, 0])).toEqual({ from: -20, to: 20 })
    expect(clipAlong([box, hole], [80, 25], [1, 0])).toEqual({ from: -20, to: 20 })
    expect(clipAlong([box, hole], [50, 25], [1, 0])).toBeNull()
    expect(clipAlong([box, hole], [50, 45], [1, 0])).toEqual({ from: -50, to: 50 })
  })
  it('of corners: four of an opening, in by its rounding, and the inside ones of an outline', () => {
    const [opening] = built(testSlab({ openings: [testBasin] })).geometry.openings
    const corners = insideCorners(opening!.loop, true)
    expect(corners.length).toBe(4)
    const back = 40 * (1 - Math.SQRT1_2)
    expect(corners.map((c) => Math.min(c.at[0], 900 - c.at[0]))).toEqual(
      corners.map(() => expect.closeTo(260 + back, 3)),
    )
    expect(insideCorners(built(testSlab()).geometry.outline, false)).toEqual([])
  })
})

describe('a cage', () => {
  it('in a square post: four uprights in the ties’ corners, all with their cover, ties 160 apart', () => {
    const { bars, figures } = plan(post())
    const told = figures.bars!
    expect(told).toMatchObject({ barName: '8 mm ribbed bar', coverMm: 15, apartMm: 160 })
    expect(told.bends.map((b) => [b.purpose, b.count, b.shape, b.legsMm])).toEqual([
      ['upright', 4, 'straight', [970]],
      ['tie', 7, 'tie', [170, 170, 170, 170]],
    ])
    expect(told.steelShare).toBeCloseTo((4 * Math.PI * 16) / 40_000, 6)
    const kg = bars.reduce((sum, b) => sum + cutLength(b) * (Math.PI / 4) * b.bar.diameter ** 2, 0) * 7850e-9
    expect(told.massKg).toBeCloseTo(kg, 6)
    const bare = plan(post({ cage: false })).figures
    expect(figures.placedKg - bare.placedKg).toBeCloseTo(kg * (1 - 2300 / 7850), 3)
    // Four uprights of 970 fit one bar of 6 m or two of 3 m; 7 ties of 761 three of 3 m.
    expect(told.cut.map((c) => [c.barId, c.count])).toEqual([
      ['bar-8', 2],
      ['bar-6', 3],
    ])
  })
  it.each<[string, Piece, string[]]>([
    ['none in a flat slab', withBars(testSlab(), { cage: true }), ['bars-not-here']],
    ['no hoops in what is not hollow', post({ cage: false, hoops: true }), ['bars-not-here']],
    ['no bar that is not there', post({ row: 'gone' }), ['bar-missing']],
    ['no ties of glass fibre', post({ row: 'bar-6-glass' }), ['bar-not-bent']],
    ['no room with a cover of 90', { ...post(), steel: { ...post().steel, cover: 98 } }, ['bars-no-room']],
    [
      'uprights lapped where a bar is shorter',
      {
        ...post(),
        thickness: 3500,
      },
      ['bars-lap'],
    ],
  ])('%s: a finding says so', (_, piece, found) => {
    expect(codes(piece)).toEqual(expect.arrayContaining(found))
  })
  it('is one bar up the middle where there is room for no more', () => {
    const { figures } = plan({ ...post(), steel: { ...post().steel, cover: 85 } })
    expect(figures.bars!.bends.map((b) => [b.purpose, b.count])).toEqual([['upright', 1]])
  })
})

const told = (id: string) => ({ ...base, id })
const slim = [
  { x: 0, y: 0, radius: 0, side: 'foot', run: { kind: 'line' as const } },
  { x: 200, y: 0, radius: 0, side: 'back', run: { kind: 'line' as const } },
  { x: 200, y: 60, radius: 0, side: 'rest', run: { kind: 'line' as const } },
  { x: 90, y: 60, radius: 10, side: 'seat', run: { kind: 'line' as const } },
  { x: 90, y: 200, radius: 0, side: 'lean', run: { kind: 'line' as const } },
  { x: 0, y: 200, radius: 0, side: 'front', run: { kind: 'line' as const } },
]

describe('bars in what is not flat', () => {
  it.each<[string, () => Piece, Partial<SteelChoice['bars']>, RegExp]>([
    ['post', () => post(), { cage: true }, /upright,tie/],
    [
      'bollard',
      () =>
        newTurned(told('b'), testStock, { turned: { form: 'frustum', bottom: 240, top: 180, height: 800 } }),
      { cage: true },
      /upright,tie/,
    ],
    [
      'domed column, its cage ends below the dome',
      () =>
        newTurned(told('c'), testStock, {
          turned: {
            form: 'cylinder',
            diameter: 200,
            height: 900,
          },
          rim: { top: { kind: 'bead', size: 90 }, bottom: { kind: 'square' } },
        }),
      { cage: true },
      /upright,tie/,
    ],
    [
      'L as long as a lintel',
      () => newSwept(told('s'), testStock, { corners: slim, width: 900 }),
      { cage: true },
      /upright,tie/,
    ],
    [
      'seat, a block with a seat cut into it',
      () => newSwept(told('s'), testStock, { width: 700 }),
      { ribs: true },
      /upright,tie/,
    ],
    [
      'chair of a seat and a leaning back',
      () => newSwept(told('s'), testStock, { corners: chair, width: 500 }),
      { ribs: true },
      /upright,tie/,
    ],
    ['planter', () => newBox(told('p'), testStock), { hoops: true }, /^hoop$/],
    [
      'tube',
      () =>
        newTurned(told('t'), testStock, {
          turned: { form: 'cylinder', diameter: 300, height: 400 },
          bore: 160,
        }),
      { hoops: true },
      /^hoop$/,
    ],
  ])('of a %s keep their cover, by solids', (_, piece, bars, purposes) => {
    const barred = withBars(piece(), bars)
    const { geometry } = built(barred)
    const { bars: placed, figures, findings } = plan(barred)
    expect([...new Set(placed.map((b) => b.purpose))].join()).toMatch(purposes)
    const cover = findings.some((f) => f.code === 'hoop-cover') ? 10 : figures.bars!.coverMm
    for (const bar of placed) expect(outside(geometry.recipe!, bar, cover - 0.2)).toBeLessThan(1)
  })
})

it('hoops stand clear of a pipe that is cast into the wall', () => {
  const pipe = {
    id: 'pipe',
    name: 'pipe',
    kind: 'pipe' as const,
    on: 'side/front',
    u: 0,
    v: 80,
    tiltDeg: 0,
    tiltTowardDeg: 0,
    diameter: 30,
    bore: 24,
    depth: 45,
    past: 10,
    material: 'pvc' as const,
    held: 'mould' as const,
    carriesKg: 0,
  }
  const planter = withBars({ ...newBox(told('p'), testStock), inserts: [pipe] }, { hoops: true, apart: 25 })
  const { geometry } = built(planter)
  const { bars } = plan(planter)
  expect(geometry.inserts.length).toBe(1)
  expect(bars.length).toBeGreaterThan(3)
  // What the day is told is what they keep.
  const { figures, operations } = plan(planter)
  expect(figures.bars!.keptMm).toBeLessThanOrEqual(figures.bars!.coverMm)
  expect(operations.find((op) => op.code === 'stand-cage')!.facts).toMatchObject({
    coverMm: figures.bars!.keptMm,
  })
  const left: SolidRecipe = {
    kind: 'difference',
    from: geometry.recipe!,
    minus: geometry.inserts.map((i) => i.recipe),
  }
  for (const bar of bars) expect(outside(left, bar, 5)).toBeLessThan(1)
})

describe('bars in a slab', () => {
  const top = (bars: Partial<SteelChoice['bars']>, v = 60) =>
    withBars(testSlab({ openings: [{ ...testBasin, v: { rule: 'fromStart', distance: v } }] }), bars)
  it('lie along a narrow land and are held beyond its opening; the land is then a note', () => {
    expect(codes(top({}, 44))).toContain('land-narrow')
    const station = plan(top({ rails: true }, 44))
    expect(station.findings.map((f) => [f.code, f.level])).toContainEqual(['land-barred', 'note'])
    const rails = station.bars.filter((b) => b.purpose === 'rail')
    expect(rails.length).toBe(1)
    const [[x0, y0], [x1]] = rails[0]!.path as [Vector, Vector]
    expect([x0, y0, x1]).toEqual([expect.closeTo(18, 0), expect.closeTo(22, 0), expect.closeTo(882, 0)])
    // Wider, there is room for two.
    expect(plan(top({ rails: true }, 100)).bars.filter((b) => b.path[0]![1] < 100).length).toBe(2)
  })
  it('cross each corner of an opening, hooked where the slab ends too soon, clear of it and of the edges', () => {
    const piece = top({ corners: true }, 120)
    const { geometry } = built(piece)
    const { bars, figures } = plan(piece)
    expect(bars.length).toBe(4)
    for (const bar of bars) expect(outside(geometry.recipe!, bar, 10)).toBeLessThan(1)
    expect(figures.bars!.bends.some((b) => b.shape === 'bent')).toBe(true)
    expect(figures.bars!.heightMm).toBeCloseTo(22.5 - 4 - 3, 6)
  })
  it('is thinner than a fifth of it, and its diagonals find what is laid on what', () => {
    expect(codes(top({ corners: true, row: 'bar-12' }))).toContain('bar-thick')
    expect(codes(top({ corners: true }))).not.toContain('bar-thick')
    const ops = plan(top({ corners: true }, 120)).operations
    expect(ops.map((o) => o.id)).toEqual(['bend/bars', 'lay/mat'])
    expect(plan(post()).operations.map((o) => o.id)).toEqual(['bend/bars', 'stand/cage'])
  })
  it.each([
    ['frustum', 4],
    ['ramp', 4],
    ['bowl', 0],
  ] as const)('lie across the corners of the rim of a %s basin: %d', (form, count) => {
    const piece = withBars(
      testSlab({
        outline: { kind: 'rectangle', length: 1000, width: 700, radii: [0, 0, 0, 0] },
        thickness: 60,
        openings: [],
        basin: { ...testBasinBelow, form, u: 500, v: 350 },
      }),
      { corners: true },
    )
    const { bars, figures, findings } = plan(piece)
    expect(bars.filter((b) => b.purpose === 'corner')).toHaveLength(count)
    expect(findings.some((f) => f.code === 'bars-not-here')).toBe(count === 0)
    const { geometry } = built(piece)
    for (const bar of bars)
      expect(outside(geometry.recipe!, bar, figures.bars!.coverMm - 0.3)).toBeLessThan(2)
  })
  it('laid by hand run as far either way as there is concrete round them', () => {
    const slab = testSlab({
      outline: { kind: 'rectangle', length: 1000, width: 600, radii: [0, 0, 0, 0] },
      thickness: 80,
      openings: [],
    })
    const own = (from: [number, number], to: [number, number], piece = slab) =>
      plan(withBars(piece, { own: [{ id: 'o', from, to }] }))
    const whole = own([200, 100], [800, 400])
    expect(whole.bars.map((b) => [b.purpose, b.path.map((p) => [p[0], p[1]])])).toEqual([
      [
        'own',
        [expect.arrayContaining([expect.closeTo(200, 6)]), expect.arrayContaining([expect.closeTo(800, 6)])],
      ],
    ])
    const cover = whole.figures.bars!.coverMm
    const long = own([-200, 300], [1200, 300])
    expect(long.bars[0]!.path.map((p) => p[0])).toEqual([
      expect.closeTo(cover + long.figures.bars!.diameterMm / 2, 1),
      expect.closeTo(1000 - cover - long.figures.bars!.diameterMm / 2, 1),
    ])
    expect(long.findings.map((f) => f.code)).toContain('own-bars-short')
    const off = own([1200, 100], [1400, 100])
    expect(off.bars).toEqual([])
    expect(off.findings.find((f) => f.code === 'own-bars-bare')!.level).toBe('warn')
    const post = withBars(newTurned({ id: 't', ...base }, testStock), {
      own: [{ id: 'o', from: [0, 0], to: [100, 100] }],
    })
    expect(codes(post)).toContain('bars-not-here')
  })
  it('a single bar is hung before, or pushed in once all is filled', () => {
    const thin = withBars(
      testSlab({
        outline: { kind: 'rectangle', length: 70, width: 70, radii: [0, 0, 0, 0] },
        thickness: 900,
        openings: [],
      }),
      { cage: true },
    )
    const ids = (placed: SteelChoice['placed']) =>
      plan({ ...thin, steel: { ...thin.steel, placed } }).operations.map((op) => op.id)
    expect(ids('on-fill')).toEqual(['bend/bars', 'stand/cage'])
    expect(ids('pressed')).toEqual(['bend/bars', 'push/bar'])
  })
  it('of any piece that may be poured, whatever bars are asked for, keep their cover or are not planned', () => {
    for (let seed = 1; seed <= rounds(12, 120); seed += 1) {
      const piece = withBars(anyPiece(seeded(seed)), {
        rails: true,
        corners: true,
        hoops: true,
        cage: true,
        ribs: true,
        own: [{ id: 'o', from: [20 * seed, 40], to: [90 + 30 * seed, 60 + 25 * seed] }],
      })
      const { geometry, findings: bad } = built(piece)
      if (!geometry.recipe || bad.some((f) => f.level === 'stop')) continue
      const { bars, figures, findings } = plan(piece)
      const cover = Math.min(
        10,
        figures.bars!.coverMm,
        ...findings.flatMap((f) => (f.code === 'bar-cover' ? [Number(f.facts.coverMm)] : [])),
      )
      const bodies = geometry.blocks.length > 1 ? geometry.blocks.map((b) => b.recipe) : [geometry.recipe]
      for (const bar of bars.slice(0, 12)) {
        const least = Math.min(...bodies.map((b) => outside(b, bar, Math.max(0, cover - 0.3))))
        expect(least, `seed ${seed}, ${piece.kind}, ${bar.id}`).toBeLessThan(2)
      }
    }
  })
})
