import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, measureSolid } from '../geometry/index.ts'
import {
  applyChange,
  emptyJob,
  explainBy,
  newOpening,
  newSlab,
  plainSide,
  type SlabPiece,
} from '../job/index.ts'
import { startingStock } from '../stock/index.ts'
import { METRIC } from '../testing/says.ts'
import { testBasinBelow, testDrainer, testField, testFrame } from '../testing/testFeatures.ts'
import { testKernel } from '../testing/testKernel.ts'
import {
  moveOpening,
  outlineSize,
  PIECE_WORDS,
  planPieceStation,
  pouredLoop,
  pouredPlacement,
  removeOpening,
  resizedOutline,
  resolvePlacing,
} from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

const stock = startingStock()
const slab = (over: Partial<SlabPiece> = {}): SlabPiece => ({
  ...newSlab(
    {
      id: 'top',
      name: 'Top',
      length: 900,
      width: 500,
      thickness: 45,
      start: '2026-05-30T09:00',
      zone: 'UTC',
    },
    stock,
  ),
  ...over,
})
const basin = {
  ...newOpening('basin', 'basin', { kind: 'rectangle', length: 380, width: 280, radius: 40 }),
  v: { rule: 'fromStart', distance: 120 },
} as const
const taps = {
  ...newOpening('taps', 'tap', { kind: 'round', diameter: 35 }),
  u: { rule: 'centredOn', opening: 'basin', offset: 0 },
  v: { rule: 'beyond', opening: 'basin', gap: 22 },
  pattern: { kind: 'row', count: 2, pitch: 200, along: 'u' },
} as const
const bead = { kind: 'bead', size: 6 } as const
const rounded = plainSide({ top: bead })
const roundRim = { top: bead, bottom: { kind: 'square' } } as const
const plan = (piece: SlabPiece, quick = false) => planPieceStation(kernel, piece, 2300, quick)

it('gives the worked figures of a top with a basin and two tap holes', () => {
  const { figures, findings } = plan(slab({ openings: [basin, taps] }))
  expect(findings).toEqual([])
  expect(figures.volumeLitres).toBeCloseTo(15.437, 2)
  expect(figures.concreteKg).toBeCloseTo(15.437 * 2.3, 1)
  expect(figures.openings.map((o) => [o.key, o.centreXMm, o.centreYMm])).toEqual([
    ['basin', 450, 260],
    ['taps.1', 350, 439.5],
    ['taps.2', 550, 439.5],
  ])
  expect(plan(slab()).figures.volumeLitres).toBeCloseTo(20.25, 6)
  const small = plan(
    slab({ outline: { kind: 'rectangle', length: 600, width: 400, radii: [0, 0, 0, 0] }, thickness: 40 }),
  )
  expect([small.figures.volumeLitres, small.figures.weightKg]).toEqual([
    expect.closeTo(9.6, 6),
    expect.closeTo(22.08, 5),
  ])
})

describe('placing rules', () => {
  const place = (over: Partial<SlabPiece>) => resolvePlacing(slab(over))
  it.each([
    [{ rule: 'fromStart', distance: 100 }, 290],
    [{ rule: 'fromEnd', distance: 100 }, 610],
    [{ rule: 'centred', offset: -20 }, 430],
    [{ rule: 'centredOn', opening: 'pipe', offset: 5 }, 205],
    [{ rule: 'beyond', opening: 'pipe', gap: 10 }, 425],
    [{ rule: 'short', opening: 'pipe', gap: 10 }, -25],
  ] as const)('%j puts its middle at %d', (u, at) => {
    const pipe = {
      ...newOpening('pipe', 'pipe', { kind: 'round', diameter: 50 }),
      u: { rule: 'fromStart', distance: 175 },
    } as const
    expect(place({ openings: [{ ...basin, u }, pipe] }).middles.get('basin')![0]).toBe(at)
  })
  it('keeps its rule when moved, and those placed by it follow', () => {
    const piece = slab({ openings: [basin, taps] })
    const job = { ...emptyJob('j', 'J', stock), pieces: [piece] }
    const moved = applyChange(job, moveOpening(piece, 'basin', [30, -10])).pieces[0] as SlabPiece
    expect(resolvePlacing(moved).middles.get('taps')).toEqual([480, 429.5])
    const apart = applyChange(job, moveOpening(piece, 'taps', [0, 3])).pieces[0] as SlabPiece
    expect(apart.openings[1]!.v).toEqual({ rule: 'beyond', opening: 'basin', gap: 25 })
    const left = removeOpening(piece, 'basin').reduce(applyChange, job).pieces[0] as SlabPiece
    expect(resolvePlacing(left).middles.get('taps')).toEqual([450, 439.5])
    expect(plan(left).findings).toEqual([])
  })
})

describe('what cannot be built is said, all of it, and nothing throws', () => {
  const rect = (length: number, width: number, radii: [number, number, number, number]) =>
    ({ kind: 'rectangle', length, width, radii }) as const
  it.each<[string, Partial<SlabPiece>, string[]]>([
    [
      'radius over the corner',
      { outline: rect(900, 500, [300, 0, 0, 260]) },
      ['corner-radius', 'corner-radius'],
    ],
    [
      'edges deeper than the slab',
      { thickness: 8, sides: { ...slab().sides, front: plainSide({ top: bead, bottom: bead }) } },
      ['edge-too-deep'],
    ],
    [
      'edges that meet',
      { outline: rect(900, 11, [0, 0, 0, 0]), sides: { ...slab().sides, front: rounded, back: rounded } },
      ['edges-meet'],
    ],
    [
      'opening outside',
      { openings: [{ ...basin, u: { rule: 'fromStart', distance: 1000 } }] },
      ['opening-outside'],
    ],
    [
      'opening across the front',
      { openings: [{ ...basin, v: { rule: 'fromStart', distance: -10 } }] },
      ['opening-across'],
    ],
    [
      'opening that only touches',
      { openings: [{ ...basin, v: { rule: 'fromStart', distance: 0 } }] },
      ['opening-touches'],
    ],
    [
      'opening over a rounded corner',
      {
        outline: rect(900, 500, [200, 0, 0, 0]),
        openings: [
          { ...basin, u: { rule: 'fromStart', distance: 5 }, v: { rule: 'fromStart', distance: 5 } },
        ],
      },
      ['opening-across'],
    ],
    [
      'opening over another',
      { openings: [basin, { ...taps, v: { rule: 'centredOn', opening: 'basin', offset: 0 } }] },
      ['openings-overlap', 'openings-overlap'],
    ],
    [
      'opening radius',
      { openings: [{ ...basin, shape: { kind: 'rectangle', length: 380, width: 60, radius: 31 } }] },
      ['opening-radius'],
    ],
    [
      'rim deeper than the slab',
      { thickness: 5, openings: [{ ...taps, v: basin.v, u: basin.u, rim: roundRim }] },
      ['rim-too-deep'],
    ],
    ['placed by what is gone', { openings: [taps] }, ['placing-lost', 'placing-lost']],
    [
      'placed by each other',
      { openings: [{ ...basin, u: { rule: 'centredOn', opening: 'taps', offset: 0 } }, taps] },
      ['placing-circular'],
    ],
  ])('%s', (_, over, codes) => {
    const piece = slab(over)
    const { findings, geometry } = plan(piece)
    expect(findings.map((f) => [f.code, f.level])).toEqual(codes.map((code) => [code, 'stop']))
    expect(geometry.recipe).toBeNull()
    for (const finding of findings) {
      expect(explainBy(PIECE_WORDS, finding, METRIC)!.what).not.toMatch(/undefined|NaN/)
      for (const remedy of finding.remedies) {
        const job = remedy.changes.reduce(applyChange, { ...emptyJob('j', 'J', stock), pieces: [piece] })
        expect(
          plan(job.pieces[0] as SlabPiece).findings.filter((f) => f.code === finding.code).length,
        ).toBeLessThan(findings.length)
      }
    }
  })
})

const anySlab = fc
  .record({
    length: fc.integer({ min: 30, max: 3000 }),
    width: fc.integer({ min: 30, max: 1500 }),
    thickness: fc.constantFrom(3, 12.5, 45, 120, 3000),
    radii: fc.array(fc.double({ min: 0, max: 0.49, noNaN: true }), { minLength: 4, maxLength: 4 }),
    edges: fc.array(fc.constantFrom('square', 'bead', 'chamfer'), { minLength: 8, maxLength: 8 }),
    size: fc.double({ min: 0.02, max: 0.4, noNaN: true }),
    hole: fc.option(
      fc.record({
        round: fc.boolean(),
        part: fc.double({ min: 0.1, max: 0.5, noNaN: true }),
        rim: fc.boolean(),
      }),
    ),
    down: fc.constantFrom('top' as const, 'bottom' as const),
  })
  .map(({ length, width, thickness, radii, edges, size, hole, down }): SlabPiece => {
    const least = Math.min(length, width)
    const edge = (i: number) =>
      edges[i] === 'square'
        ? { kind: 'square' as const }
        : { kind: edges[i] as 'bead', size: size * Math.min(thickness, least * 0.2) }
    const d = hole ? hole.part * least * 0.5 : 0
    const rim = hole?.rim
      ? { top: edge(0), bottom: edge(1) }
      : { top: { kind: 'square' as const }, bottom: { kind: 'square' as const } }
    const shape = hole?.round
      ? { kind: 'round' as const, diameter: d }
      : { kind: 'rectangle' as const, length: d * 1.3, width: d, radius: d / 5 }
    return slab({
      outline: {
        kind: 'rectangle',
        length,
        width,
        radii: radii.map((r, i) => (i % 2 ? 0 : r * least * 0.5)) as [number, number, number, number],
      },
      thickness,
      sides: {
        front: plainSide({ top: edge(0), bottom: edge(1) }),
        right: plainSide({ top: edge(2), bottom: edge(3) }),
        back: plainSide({ top: edge(4), bottom: edge(5) }),
        left: plainSide({ top: edge(6), bottom: edge(7) }),
      },
      openings: hole ? [{ ...newOpening('hole', 'hole', shape), rim }] : [],
      attitude: { down, turnDeg: 0 },
    })
  })

it('is the same by quick sums and by solid, closed, and of one volume either way up, for any legal slab', () => {
  fc.assert(
    fc.property(anySlab, (piece) => {
      const { figures, geometry, findings } = plan(piece)
      if (!geometry.recipe) return findings.length > 0
      const recipe = geometry.recipe
      const quick = plan(piece, true).figures
      const poured = kernel.withSolids((s) =>
        measureSolid(
          s.solid({ kind: 'moved', solid: recipe, by: pouredPlacement(piece.attitude, geometry) }).body,
        ),
      )
      const near = (a: number, b: number, part: number) => Math.abs(a - b) <= Math.abs(b) * part + 1e-4
      expect(near(quick.volumeLitres, figures.volumeLitres, 0.001)).toBe(true)
      expect(near(poured.volume * 1e-6, figures.volumeLitres, 1e-5)).toBe(true)
      expect(Math.abs(quick.centreOfGravity.xMm - figures.centreOfGravity.xMm)).toBeLessThan(
        geometry.length * 0.01,
      )
      expect(poured.min.every((v) => v > -0.01)).toBe(true)
      const loop = pouredLoop(
        pouredLoop(geometry.outline, piece.attitude, geometry),
        piece.attitude,
        geometry,
      )
      expect(loop.map((s) => s.name)).toEqual(geometry.outline.map((s) => s.name))
      return true
    }),
    { seed: 20260530, numRuns: 40 },
  )
})

const TOWARD = ['left', 'right', 'front', 'back'] as const
const grooves: SlabPiece['drainers'][number] = {
  kind: 'grooves',
  id: 'd',
  name: 'grooves',
  count: 3,
  length: 260,
  width: 9,
  pitch: 30,
  shallow: 2,
  deep: 11,
  toward: 'left',
  u: 300,
  v: 250,
}
it.each<[string, Partial<SlabPiece>]>([
  ...TOWARD.map((toward): [string, Partial<SlabPiece>] => [
    `a ramp toward ${toward}`,
    { drainers: [{ ...testDrainer, length: 380, width: 260, radius: 70, shallow: 1, deep: 24, toward }] },
  ]),
  ['a round ramp', { drainers: [{ ...testDrainer, radius: 150, shallow: 0 }] }],
  ...TOWARD.map((toward): [string, Partial<SlabPiece>] => [
    `grooves toward ${toward}`,
    { drainers: [{ ...grooves, toward }] },
  ]),
  ['deep grooves', { drainers: [{ ...grooves, width: 24, shallow: 23, deep: 30 }] }],
  ['a sunken field', { panels: [{ ...testField, u: 40, shape: { kind: 'round', diameter: 220 } }] }],
  ['a frame', { panels: [testFrame] }],
  ['a basin below', { basin: testBasinBelow }],
  ['an oval basin below', { basin: { ...testBasinBelow, form: 'superellipse', exponent: 2.4 } }],
  [
    'a blind opening that narrows',
    {
      openings: [
        {
          ...newOpening('o', 'o', { kind: 'rectangle', length: 200, width: 120, radius: 30 }),
          depth: 30,
          draftDeg: 12,
        },
      ],
    },
  ],
])('has the same volume and centre by quick sums and by solid: %s', (_, patch) => {
  const piece = slab(patch)
  const [quick, { figures, findings }] = [plan(piece, true).figures, plan(piece)]
  expect(findings.filter((f) => f.level === 'stop')).toEqual([])
  expect([quick.volumeFrom, figures.volumeFrom]).toEqual(['quick', 'solid'])
  expect(Math.abs(quick.volumeLitres / figures.volumeLitres - 1)).toBeLessThan(5e-4)
  const [a, b] = [quick.centreOfGravity, figures.centreOfGravity]
  for (const off of [a.xMm - b.xMm, a.yMm - b.yMm, a.zMm - b.zMm]) expect(Math.abs(off)).toBeLessThan(0.02)
})

it('keeps a disc round whichever of its extents is typed', () => {
  const disc = {
    kind: 'polygon' as const,
    corners: [
      { x: 0, y: 350, radius: 0, side: 'front', run: { kind: 'arc' as const, rise: 350 } },
      { x: 700, y: 350, radius: 0, side: 'back', run: { kind: 'arc' as const, rise: 350 } },
    ],
  }
  for (const size of [{ length: 420 }, { width: 420 }, { length: 420, width: 420 }]) {
    const { length, width } = outlineSize(resizedOutline(disc, size))
    expect([length, width].map((n) => Math.round(n * 100) / 100)).toEqual([420, 420])
  }
})

it.each<[string, Parameters<typeof slab>[0], number]>([
  ['a rectangle', { outline: { kind: 'rectangle', length: 900, width: 500, radii: [0, 0, 0, 0] } }, 2800],
  [
    'one with a rounded corner',
    { outline: { kind: 'rectangle', length: 900, width: 500, radii: [100, 0, 0, 0] } },
    2800 - 200 + 50 * Math.PI,
  ],
])('round the plan of %s', (_, over, mm) => expect(plan(slab(over)).figures.perimeterMm).toBeCloseTo(mm, 6))
