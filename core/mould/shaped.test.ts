import { describe, expect, it } from 'vitest'
import { measureRegion, measureSolid, movedBy, openKernel, type SolidRecipe } from '../geometry/index.ts'
import {
  applyChange,
  explainBy,
  type MouldChoice,
  type MouldPatch,
  newBox,
  newOpening,
  newSwept,
  newTurned,
  type Piece,
  plainSide,
  type SlabPiece,
  type TurnedForm,
  withChoice,
} from '../job/index.ts'
import { planPieceStation } from '../piece/index.ts'
import { METRIC } from '../testing/says.ts'
import { testJob, testSlab, testStock, testTop } from '../testing/testPiece.ts'
import { castBody, greatestSection, lockOf, undercut } from './castBody.ts'
import { shellSpread, shellUplift } from './closed/joint.ts'
import { localTops } from './closed/localTops.ts'
import { METHODS, MOULD_WORDS, planMouldStation } from './index.ts'
import { layerHeights } from './layers/planLayers.ts'
import { routerSteps } from './layers/router.ts'
import { firstParting, splitPlanes } from './printed/split.ts'
import { ribLevels } from './ribs/planRibs.ts'
import { leastBend, skinRuns } from './ribs/skinRuns.ts'
import { cells } from './shells/flangedShells.ts'

/** Chords six times as coarse: what is asked here holds for any, and the solids are many. */
const kernel = await openKernel({ coarser: 6 })
const mix = testStock.mixes[0]!
const told = { id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
const chosen = <P extends Piece>(piece: P, patch: MouldPatch): P => ({
  ...piece,
  mould: withChoice(piece.mould, patch),
})
const inputOf = (piece: Piece, stock = testStock) => ({
  piece,
  pieceStation: planPieceStation(kernel, piece, 2300, false),
  stock,
  mix,
  kernel,
  quick: false,
})
const plan = (piece: Piece, stock = testStock, quick = false) =>
  planMouldStation(piece, inputOf(piece).pieceStation, stock, mix, { kernel, quick })
const measure = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
/** Where faces lie in one another the library may keep a body it should drop, in one order and not in the other. */
const shared = (a: SolidRecipe, b: SolidRecipe) =>
  Math.min(
    measure({ kind: 'intersection', of: [a, b] }).volume,
    measure({ kind: 'intersection', of: [b, a] }).volume,
  )
const turned = (form: TurnedForm, down: 'top' | 'bottom' = 'bottom', over = {}) =>
  newTurned(told, testStock, { turned: form, attitude: { down, turnDeg: 0 }, ...over })
const slab = (length: number, width: number, thickness: number, over: Partial<SlabPiece> = {}) =>
  testSlab({ outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] }, thickness, ...over })
const sphere = turned({ form: 'sphere', diameter: 120, foot: 0 })
const drum = turned({ form: 'cylinder', diameter: 120, height: 90 })
const cone = turned({ form: 'frustum', bottom: 80, top: 160, height: 100 })
const fluted = turned({
  form: 'fluted',
  diameter: 160,
  height: 120,
  count: 8,
  depth: 12,
  cut: 'round',
  way: 'flutes',
  share: 0.7,
})
const bowl = turned({ form: 'bowl', outside: 200, height: 90, wall: 25, exponent: 2, foot: 80 }, 'top')
const trough = slab(500, 300, 40, {
  basin: {
    form: 'frustum',
    length: 260,
    width: 160,
    radius: 20,
    depth: 70,
    draftDeg: 8,
    exponent: 2,
    fall: 0,
    shell: 30,
    u: 250,
    v: 150,
    waste: 40,
    overflow: 0,
  },
})
const line = { kind: 'line' } as const
const swept = newSwept(told, testStock)
/** A seat whose corners a vinyl sheet goes round. */
/** A leaning six-sided post with a bore, upside down: its seams lie in corners of the plan. */
const hexagon = [0, 1, 2, 3, 4, 5].map((i) => {
  const a = (Math.PI / 3) * i
  return { x: 150 + 150 * Math.cos(a), y: 130 + 150 * Math.sin(a), radius: 0, side: `s${i + 1}`, run: line }
})
const post = slab(300, 260, 420, {
  outline: { kind: 'polygon', corners: hexagon },
  sides: Object.fromEntries(hexagon.map((c) => [c.side, plainSide({ taper: -40 })])),
  openings: [newOpening('way', 'way', { kind: 'round', diameter: 40 })],
})
const seat = chosen(
  { ...swept, corners: swept.corners.map((c) => ({ ...c, radius: c.radius < 40 ? 0 : 60 })) },
  { method: 'ribs', skin: 'skin-vinyl-2' },
)
const edged = (edge: SlabPiece['sides'][string]['top'], taper = 0) =>
  Object.fromEntries(
    ['front', 'right', 'back', 'left'].map((id) => [id, plainSide({ top: edge, bottom: edge, taper })]),
  )
const planter = newBox(told, testStock, {
  length: 240,
  width: 160,
  height: 120,
  taper: 8,
  wall: 25,
  floor: 25,
})

describe('a coat round a body', () => {
  it('is even round what is turned: a ball of r in 10 mm is a ball of r + 10', () => {
    const { recipe } = castBody(inputOf(sphere))
    const ball = (4 / 3) * Math.PI * 70 ** 3
    expect(measure({ kind: 'grown', solid: recipe, by: 10, name: 'coat' }).volume / ball).toBeCloseTo(1, 2)
  })
  // Steiner's formula for convex bodies: V + S t + M t2 + 4/3 pi t3, M = pi (h + pi r) for a cylinder.
  it.each([
    ['a ball', sphere, 3, (t: number) => (4 / 3) * Math.PI * ((60 + t) ** 3 - 60 ** 3)],
    ['a ball, thicker', sphere, 12, (t: number) => (4 / 3) * Math.PI * ((60 + t) ** 3 - 60 ** 3)],
    ...[2, 8, 25].map(
      (by) =>
        [
          `a drum, ${by} mm`,
          turned({ form: 'cylinder', diameter: 300, height: 90 }),
          by,
          (t: number) =>
            Math.PI * ((2 * 150 * 90 + 2 * 150 ** 2) * t + (90 + Math.PI * 150) * t * t + (4 / 3) * t ** 3),
        ] as const,
    ),
  ] as const)('takes the rubber that the closed form asks within 0.3 percent: %s', (_, piece, by, takes) => {
    const { recipe } = castBody(inputOf(piece))
    const taken = measure({ kind: 'grown', solid: recipe, by, name: 'coat' }).volume - measure(recipe).volume
    expect(Math.abs(taken / takes(by) - 1)).toBeLessThan(0.003)
  })
  it.each([
    ['a slab with openings', testTop(), 12],
    ['a planter', planter, 6],
    ['a swept seat', seat, 15],
    ['a fluted shaft', fluted, 5],
    ['a leaning post with a hole', post, 6],
    [
      'a hole that the coat closes',
      slab(300, 200, 60, { openings: [newOpening('o', 'o', { kind: 'round', diameter: 8 })] }),
      5,
    ],
    ['a slab with beads', slab(300, 200, 60, { sides: edged({ kind: 'bead', size: 9 }) }), 4],
    [
      'a slab with chamfers that leans',
      slab(300, 200, 60, { sides: edged({ kind: 'chamfer', size: 12 }, 14) }),
      7,
    ],
    ['beads smaller than the coat', slab(300, 200, 60, { sides: edged({ kind: 'bead', size: 2 }) }), 12],
    [
      'an L with an inside corner',
      slab(300, 200, 40, {
        outline: {
          kind: 'polygon',
          corners: [
            [0, 0],
            [300, 0],
            [300, 110],
            [180, 110],
            [180, 200],
            [0, 200],
          ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: line })),
        },
        sides: Object.fromEntries([0, 1, 2, 3, 4, 5].map((i) => [`s${i}`, plainSide({ taper: 5 })])),
      }),
      10,
    ],
  ])('is nowhere thinner than asked: %s', (_, piece, by) => {
    const { recipe } = castBody(inputOf(piece))
    const coated: SolidRecipe = { kind: 'grown', solid: recipe, by, name: 'coat' }
    const [inner, outer] = [measure(recipe), measure(coated)]
    for (const k of [0, 1, 2]) {
      expect(inner.min[k]! - outer.min[k]!).toBeGreaterThan(by * 0.97)
      expect(outer.max[k]! - inner.max[k]!).toBeGreaterThan(by * 0.97)
    }
    expect(measure({ kind: 'difference', from: recipe, minus: [coated] }).volume).toBeLessThan(1)
    const far: SolidRecipe = { kind: 'difference', from: big, minus: [coated] }
    const gap = kernel.withSolids((s) => s.solid(recipe).body.minGap(s.solid(far).body, by * 2))
    expect(gap).toBeGreaterThan(by * 0.97)
  })
  const big: SolidRecipe = {
    kind: 'plate',
    region: [
      [
        [-500, -500],
        [3000, -500],
        [3000, 3000],
        [-500, 3000],
      ],
    ],
    low: -200,
    high: 1500,
    name: 'big',
  }
})

describe('what leaves a rigid mould', () => {
  it.each<[string, Piece, boolean]>([
    ['a drum draws upward', drum, false],
    ['so does a cone wider at the top', cone, false],
    [
      'a cone stood on its wide end locks',
      turned({ form: 'frustum', bottom: 160, top: 80, height: 100 }),
      true,
    ],
    ['a ball locks', sphere, true],
    ['a slab with a bore draws', testTop(), false],
  ])('%s', (_, piece, locks) => expect(undercut(kernel, castBody(inputOf(piece))) !== null).toBe(locks))
  it('parts a ball sideways through its middle, and not off it', () => {
    const { recipe } = castBody(inputOf(sphere))
    expect(lockOf(kernel, recipe, [1, 0, 0], 60, 120)).toBe(null)
    expect(lockOf(kernel, recipe, [1, 0, 0], 30, 120)).not.toBe(null)
  })
})

/** Every shaped method with pieces that it forms. */
const cases: [MouldChoice['method'], string, Piece][] = [
  ['layers', 'a cone', cone],
  ['layers', 'a bowl upside down', bowl],
  ['layers', 'a planter', planter],
  ['layers', 'a 3 mm tile', slab(60, 40, 3)],
  ['printed', 'a ball with a foot, up', turned({ form: 'sphere', diameter: 120, foot: 60 }, 'top')],
  ['printed', 'a fluted shaft', chosen(fluted, { method: 'printed', shells: 1 })],
  ['printed', 'a tile larger than the bed', slab(700, 300, 30)],
  ['printed', 'a 3 mm tile', slab(60, 40, 3)],
  [
    'printed',
    'a leaning post with a bore',
    chosen(post, { method: 'printed', shells: 1, printer: 'printer-300', shellWall: 6 }),
  ],
  ['closed', 'a ball', sphere],
  ['closed', 'a slab', slab(200, 100, 40)],
  ['brushed', 'a bowl upside down', bowl],
  ['brushed', 'a slab with openings', slab(200, 150, 40)],
  ['ribs', 'a seat', seat],
  ['packed', 'a seat', chosen(seat, { method: 'packed', blockMargin: 100 })],
  ['lined', 'a tile', slab(300, 300, 40)],
  ['upper-form', 'a slab with its basin', trough],
]

describe('every shaped mould', () => {
  it.each(cases)('%s: %s stands clear of the cast, as large as it is said to weigh', (method, _, piece) => {
    const told = chosen(piece, { method })
    const { station, findings } = plan(told)
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const { parts, figures, operations, off } = station!
    const body = castBody(inputOf(told))
    for (const part of parts) {
      const { volume } = measure(part.recipe)
      expect([part.id, volume > 0]).toEqual([part.id, true])
      expect([part.id, shared(part.recipe, body.recipe) < Math.max(60, volume * 1e-3)]).toEqual([
        part.id,
        true,
      ])
      const listed = figures.parts.find((p) => p.id === part.id)!
      const measured = ['shell', 'jacket', 'rubber', 'packing', 'liner'].includes(part.role)
      if (measured && listed.weightKg > 0.001) {
        const density = (listed.weightKg / volume) * 1e9
        const known = [
          ...testStock.filaments,
          ...testStock.jackets,
          ...testStock.rubbers,
          ...[1800, 1700, 1100].map((densityKgPerM3) => ({ densityKgPerM3 })),
        ]
        expect([part.id, known.some((k) => Math.abs(k.densityKgPerM3 / density - 1) < 0.01)]).toEqual([
          part.id,
          true,
        ])
      }
      expect(Math.hypot(...part.pull)).toBeCloseTo(1, 6)
    }
    const volumes = parts.map((p) => measure(p.recipe).volume)
    for (const [i, a] of parts.entries())
      for (const [k, b] of parts.entries()) {
        if (k <= i) continue
        // Rough ring and posts of ribs, chords of cores: what touches may share a hair.
        const both = shared(a.recipe, b.recipe)
        expect([a.id, b.id, both < 0.02 * Math.min(volumes[i]!, volumes[k]!) + 30]).toEqual([
          a.id,
          b.id,
          true,
        ])
      }
    expect(figures.buildHours).toBeGreaterThan(0)
    expect(operations.length).toBeGreaterThan(3)
    expect(off.flatMap((u) => u.partIds).sort()).toEqual(parts.map((p) => p.id).sort())
    // While something is dragged it is told from sizes, with the same parts to draw.
    const quick = plan(told, testStock, true).station!
    expect(quick.parts.length).toBeGreaterThan(0)
  })
  it('can be compared from sizes alone, near to what it turns out to cost', () => {
    for (const [method, , piece] of cases) {
      const { estimate } = METHODS.find((m) => m.id === method)!
      if (!estimate) continue
      const guess = estimate(inputOf(chosen(piece, { method })))!
      const row = plan(chosen(piece, { method })).station!.figures.methods.find((m) => m.chosen)!
      expect([method, guess.hours > 0.3 * row.buildHours, guess.hours < 3 * row.buildHours]).toEqual([
        method,
        true,
        true,
      ])
      expect([method, row.materialCost! < 12 * guess.materialCost! + 5]).toEqual([method, true])
    }
  })
})

describe('layers', () => {
  it.each([
    [100, 20, 6, -20],
    [45, 50, 2, -55],
    [90, 30, 4, -30],
    [3, 20, 2, -37],
    [3000, 50, 61, -50],
  ])('%d mm in layers of %d: %d, the lowest from %d', (height, thickness, count, low) => {
    const heights = layerHeights(height, thickness)
    expect([heights.length, heights[0]![0], heights.at(-1)![1]]).toEqual([count, low, height])
  })
  it('are the block less the cast; a drum leaves its ring at every joint', () => {
    const piece = chosen(drum, { method: 'layers', layerStock: 'foam-xps-30', blockMargin: 40 })
    const { parts, figures } = plan(piece).station!
    const body = castBody(inputOf(piece))
    const block = 200 * 200 * 30 * parts.length
    const all = parts.reduce((sum, p) => sum + measure(p.recipe).volume, 0)
    expect(all / (block - measure(body.recipe).volume)).toBeCloseTo(1, 5)
    const ring = 200 * 200 - Math.PI * 60 ** 2
    const glue = figures.facts.find((f) => f.code === 'glue-faces')!
    // Three joints: the lowest lies under the whole of the hollow.
    expect((glue.value * 1e6) / (3 * ring)).toBeCloseTo(1, 2)
    expect(figures.facts.find((f) => f.code === 'dowels')!.value).toBe(12)
  })
  it('are routed in passes: a cone steps in by pass x slope and leaves its ridge', () => {
    const { steps, ridgeMm } = routerSteps(kernel, castBody(inputOf(cone)), 5)
    expect(steps.length).toBe(20)
    // 40 mm in over 100 mm of height.
    expect(steps[9]!.inMm).toBeCloseTo(2, 1)
    expect(ridgeMm).toBeCloseTo((5 * 2) / Math.hypot(5, 2), 1)
    expect(steps.at(-1)!.lengthMm).toBeCloseTo(80, 0)
    const upright = routerSteps(kernel, castBody(inputOf(drum)), 7)
    expect([upright.steps.length, Math.round(upright.ridgeMm)]).toEqual([13, 0])
  })
})

describe('printed', () => {
  it('fits the bed in every part, all parts together the whole shell', () => {
    const piece = chosen(slab(700, 300, 30), { method: 'printed' })
    const { parts, figures } = plan(piece).station!
    const { bedX, bedY, bedZ, flow, idlePercent } = testStock.printers[0]!
    for (const p of figures.parts) {
      const [a, b] = [p.lengthMm, p.widthMm].sort((x, y) => x - y)
      expect([p.id, a! <= bedY + 0.1, b! <= bedX + 0.1, p.thicknessMm <= bedZ]).toEqual([
        p.id,
        true,
        true,
        true,
      ])
    }
    const pieces = parts.map((p) => kernel.withSolids((s) => s.solid(p.recipe).body.decompose().length))
    expect(pieces.every((n) => n === 1)).toBe(true)
    const whole = measure({ kind: 'union', of: parts.map((p) => p.recipe) }).volume
    const sum = parts.reduce((all, p) => all + measure(p.recipe).volume, 0)
    // Pegs stand in their sockets.
    expect(sum / whole).toBeCloseTo(1, 2)
    const filament = testStock.filaments[0]!
    for (const row of figures.prints) {
      const { volume } = measure(parts.find((p) => p.id === row.partId)!.recipe)
      expect(row.filamentM).toBeCloseTo(volume / ((Math.PI / 4) * 1.75 ** 2) / 1000, 3)
      expect(row.grams).toBeCloseTo((volume * filament.densityKgPerM3) / 1e6, 3)
      expect(row.hours).toBeCloseTo((volume / flow / 3600) * (1 + idlePercent / 100), 5)
    }
  })
  it('draws one shell off whole, however many parts the bed makes of it; two leave square to their seam', () => {
    const off = (shells: 1 | 2) =>
      plan(chosen(slab(700, 300, 30), { method: 'printed', shells })).station!.off
    const codes = (shells: 1 | 2) => off(shells).map((u) => u.code)
    expect([codes(1), codes(2)]).toEqual([['turn-in-print', 'print-off'], ['printed-parts-off']])
    expect(off(1).at(-1)!.partIds.length).toBeGreaterThan(4)
  })
  it('turns its seam into the valleys of a fluted shaft', () => {
    const body = castBody(inputOf(fluted))
    const { normal } = firstParting(kernel, body)
    // Eight flutes: a valley lies every 45 degrees from the x axis or half of that beside it; the seam runs in one.
    const seam = (Math.atan2(normal[1], normal[0]) * 180) / Math.PI + 90
    const straight = measureAt(body, [0, 1, 0])
    expect(measureAt(body, normal)).toBeLessThan(straight * 1.0001)
    expect(Math.min(seam % 22.5, 22.5 - (seam % 22.5))).toBeLessThan(0.01)
  })
  const measureAt = (body: ReturnType<typeof castBody>, normal: readonly [number, number, number]): number =>
    kernel.withSolids((s) => {
      const turn = (Math.atan2(normal[1], normal[0]) * 180) / Math.PI
      const at = s.keep(s.solid(body.recipe).body.translate(-body.length / 2, -body.width / 2, 0))
      const flat = s.keep(s.keep(at.rotate(0, 0, -turn)).rotate(0, 90, 0))
      return s.keep(flat.slice(0)).area()
    })
  it('is split by planes that no part needs more of than the bed has', () => {
    const body = castBody(inputOf(slab(1000, 500, 300)))
    const planes = splitPlanes(null, {
      body,
      shells: 2,
      beyond: 24,
      below: 4,
      bed: { x: 220, y: 220, z: 250 },
    })
    const along = (k: 0 | 1 | 2) => planes.filter((p) => p.normal[k] > 0.5).map((p) => p.offset)
    expect([along(0).length, along(1).length, along(2).length]).toEqual([4, 3, 1])
    expect(cells(planes).length).toBe(5 * 4 * 2)
  })
})

describe('closed', () => {
  it('parts a ball at its middle; the upper half is lifted by what would stand over it', () => {
    const body = castBody(inputOf(sphere))
    const { z, area } = greatestSection(kernel, body)
    expect(z).toBeCloseTo(60, 0)
    expect(area / (Math.PI * 3600)).toBeCloseTo(1, 2)
    const { figures } = plan(chosen(sphere, { method: 'closed' })).station!
    const lift = mix.freshKgPerM3 * 9.81 * 1e-9 * (Math.PI * 3600 * 160 - (2 / 3) * Math.PI * 60 ** 3)
    expect(figures.facts.find((f) => f.code === 'shell-lift')!.value / lift).toBeCloseTo(1, 2)
    expect(shellUplift({ area: 1e6, above: 100, volumeAbove: 1e8, head: 0 }, 2400)).toBe(0)
  })
  it('is pushed apart by rho g times area times depth of its middle', () => {
    const square = [
      [
        [0, 0],
        [200, 0],
        [200, 300],
        [0, 300],
      ],
    ] as const
    expect(shellSpread(square, 400, 2400)).toBeCloseTo(2400 * 9.81 * 1e-9 * 200 * 300 * (400 - 150), 6)
  })
  it('finds where air is caught: one top of a ball, none beside it', () => {
    const tops = localTops(kernel, castBody(inputOf(sphere)))
    expect(tops.length).toBe(1)
    expect(tops[0]![2]).toBeGreaterThan(118)
    expect(
      localTops(kernel, castBody(inputOf(turned({ form: 'cylinder', diameter: 80, height: 50 })))).length,
    ).toBe(1)
  })
})

describe('skin on ribs', () => {
  const arc = (r: number, sweep: number, chords: number, at: readonly [number, number] = [0, 0]) =>
    Array.from({ length: chords + 1 }, (_, i): [number, number] => {
      const a = (sweep * i) / chords
      return [at[0] + r * Math.sin(a), at[1] + r - r * Math.cos(a)]
    })
  const [bend, tight] = [arc(200, 1, 12), arc(60, 0.5, 5)]
  const middle = (a: readonly number[], b: readonly number[]): [number, number] => [
    (a[0]! + b[0]!) / 2,
    (a[1]! + b[1]!) / 2,
  ]
  it.each<[string, [number, number][], boolean, number]>([
    [
      'a straight',
      [
        [0, 0],
        [50, 0],
        [90, 0],
      ],
      false,
      Infinity,
    ],
    ['an arc', bend, false, 200],
    ['a straight before it', [[-900, 0], ...bend], false, 200],
    ['a short straight before it', [[-40, 0], [-0.4, 0], ...bend], false, 200],
    ['a point on a chord', [...bend.slice(0, 4), middle(bend[3]!, bend[4]!), ...bend.slice(4)], false, 200],
    ['its first chord cut short', [middle(bend[0]!, bend[1]!), ...bend.slice(1)], false, 200],
    ['a tighter one within', [...arc(200, 0.3, 4, [-700, 0]), [-300, 0], ...tight, [900, 300]], false, 60],
    ['a whole round', arc(90, 2 * Math.PI, 48), true, 90],
  ])('knows the tightest bend of chords: %s', (_, points, closed, radius) => {
    const least = leastBend(points, closed)
    if (radius === Infinity) expect(least).toBe(Infinity)
    else expect(Math.abs(least / radius - 1)).toBeLessThan(0.005)
  })
  it('develops on the neutral line: a quarter turn of 260 in 5 mm is 412.3', () => {
    const round = slab(900, 700, 100, {
      outline: { kind: 'rectangle', length: 900, width: 700, radii: [260, 260, 260, 260] },
    })
    const [run] = skinRuns(kernel, castBody(inputOf(round)).recipe, 5)
    const straight = 2 * (900 - 520) + 2 * (700 - 520)
    expect((run!.developed - straight) / 4).toBeCloseTo(412.3, 0)
    expect(run!.closed).toBe(true)
    expect(run!.leastRadius).toBeGreaterThan(250)
    expect(measureRegion(run!.region) / (run!.developed * 5)).toBeCloseTo(1, 3)
  })
  it('is one flat strip a side where the corners are sharp', () => {
    const runs = skinRuns(kernel, castBody(inputOf(slab(900, 500, 60))).recipe, 3)
    expect(runs.map((r) => [Math.round(r.developed), r.leastRadius])).toEqual(
      expect.arrayContaining([
        [900, Infinity],
        [500, Infinity],
      ]),
    )
  })
  it('spaces ribs by the pressure at each foot, wider towards the top', () => {
    const levels = ribLevels(600, 18, { elasticity: 4000, thickness: 3 }, 2350, null)
    const gaps = levels.slice(1).map((z, i) => z - levels[i]!)
    expect(gaps[0]).toBeCloseTo(((384 * 4000 * 2.25) / (5 * 2350 * 9.81 * 600e-9)) ** 0.25, 1)
    expect(gaps.slice(0, -1).every((g, i) => i === 0 || g >= gaps[i - 1]!)).toBe(true)
    expect(levels.at(-1)).toBe(582)
    expect(ribLevels(600, 18, { elasticity: 4000, thickness: 3 }, 2350, 200)).toEqual([0, 200, 400, 582])
    expect(ribLevels(10, 18, { elasticity: 4000, thickness: 3 }, 2350, null)).toEqual([0])
  })
})

it('says where a part locks: up the cast, or out from the joint, and of which part', () => {
  const where = (piece: Piece, patch: MouldPatch) => {
    const found = plan(chosen(piece, patch)).findings.find((f) => f.code === 'undercut-locks')!
    return { ...found.facts, id: found.about[0]!.kind === 'part' ? found.about[0]!.id : '' } as {
      heightMm: number
      awayMm: number
      id: string
    }
  }
  const up = where(sphere, { method: 'printed', shells: 1 })
  // Drawn down off a ball, every section of its upper half is wider than the one above.
  expect([up.heightMm > 58 && up.heightMm < 120, up.awayMm]).toEqual([true, 0])
  // A bore of 30 through a drum: a half that leaves sideways is caught behind it, within its radius of the seam.
  const bored = turned({ form: 'cylinder', diameter: 120, height: 90 }, 'bottom', { bore: 30 })
  const out = where(bored, { method: 'printed' })
  expect([out.awayMm > 0 && out.awayMm < 20, out.heightMm]).toEqual([true, 0])
  const waisted = turned({
    form: 'profile',
    corners: [
      [0, 0],
      [60, 0],
      [30, 50],
      [60, 100],
      [0, 100],
    ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: line })),
  })
  // Level it would lock; upright it parts, so nothing is said.
  expect(plan(chosen(waisted, { method: 'closed' })).findings.map((f) => f.code)).not.toContain(
    'undercut-locks',
  )
  const closed = where(planter, { method: 'closed' })
  expect([/^shell\//.test(closed.id), closed.awayMm > 0]).toEqual([true, true])
})

it('weighs a skin by its own row of the stock', () => {
  const { figures } = plan(chosen(seat, { method: 'ribs' })).station!
  const [strip] = figures.parts.filter((p) => p.role === 'skin')
  // 2.5 mm vinyl, 1400 kg/m3.
  expect(strip!.weightKg).toBeCloseTo(strip!.lengthMm * strip!.widthMm * 2.5 * 1400e-9, 6)
})

it('deepens the box by liner and backing, strip by strip', () => {
  const tile = slab(300, 300, 40)
  const [plain, lined] = [
    plan(tile).station!,
    plan(chosen(tile, { method: 'lined', liner: { thickness: 8, backing: 22 } })).station!,
  ]
  const width = (s: typeof plain) => s.figures.parts.find((p) => p.role === 'strip')!.widthMm
  expect(width(lined) - width(plain)).toBe(30)
  expect(lined.parts.find((p) => p.role === 'liner')!.recipe).toMatchObject({ low: -8, high: 0 })
})

describe('the upper form of a basin', () => {
  const below = trough.basin!
  const withBasin = (basin: Partial<typeof below>): Piece =>
    chosen({ ...trough, basin: { ...below, ...basin } }, { method: 'upper-form' })
  it.each<[string, Piece, 'boards' | 'layers']>([
    ['square corners', withBasin({ radius: 0 }), 'boards'],
    ['round corners', trough, 'layers'],
    ['half round ends', withBasin({ radius: 80 }), 'layers'],
    ['a bowl', withBasin({ form: 'bowl', exponent: 2, waste: 0 }), 'layers'],
    ['an oval with a straight wall', withBasin({ form: 'superellipse', exponent: 2.6 }), 'layers'],
    ['a ramp', withBasin({ form: 'ramp', fall: 30 }), 'layers'],
    ['a steep draft', withBasin({ radius: 0, draftDeg: 20 }), 'boards'],
    ['a slab that lies turned', { ...trough, attitude: { down: 'top', turnDeg: 0 } }, 'layers'],
  ])('encloses the shell all round, and keeps it as thick as it is meant: %s', (_, base, of) => {
    const piece = chosen(base, { method: 'upper-form' })
    const { station, findings } = plan(piece)
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const parts = station!.parts
    const form = parts.filter((p) => p.role === 'form')
    expect(form.some((p) => p.id.startsWith('form/layer'))).toBe(of === 'layers')
    const slabPiece = piece as SlabPiece
    const { recipe, height } = castBody(inputOf(piece))
    const back = slabPiece.thickness
    const tops = form.map((p) => measure(p.recipe).max[2])
    const top = Math.max(...tops)
    // Moved by 2 mm any way, the shell above the slab's back and under the ring's top lies all in the ring.
    const level = slabPiece.basin!.form === 'ramp' ? back + (height - back) * 0.55 : top - 0.5
    const cut = (solid: SolidRecipe, z: 1 | -1, offset: number): SolidRecipe => ({
      kind: 'trimmed',
      solid,
      normal: [0, 0, z],
      offset,
      name: 'cut',
    })
    // A bowl has ten times the facets: it is looked at from fewer sides.
    const ways = slabPiece.basin!.form === 'bowl' ? 2 : 5
    for (let i = 0; i < ways; i += 1) {
      const turn = (2 * Math.PI * (i + 0.2)) / ways
      const [dx, dy] = [2 * Math.cos(turn), 2 * Math.sin(turn)]
      const moved: SolidRecipe = { kind: 'moved', solid: recipe, by: movedBy([dx, dy, 0]) }
      const skin: SolidRecipe = {
        kind: 'difference',
        from: cut(cut(moved, 1, back + 0.5), -1, -level),
        minus: [recipe],
      }
      const bare: SolidRecipe = { kind: 'difference', from: skin, minus: parts.map((p) => p.recipe) }
      const open = measure(bare).volume / measure(skin).volume
      expect([i, open < 0.005]).toEqual([i, true])
    }
    // Of a bowl it is known from its curves, and slow to measure.
    if (slabPiece.basin!.form !== 'bowl') {
      const core = parts.find((p) => p.id === 'core/basin')!
      // The lowest of the form is the nearest to it.
      const gap = kernel.withSolids((s) =>
        s.solid(core.recipe).body.minGap(s.solid(form[0]!.recipe).body, 100),
      )
      expect(gap).toBeGreaterThan(slabPiece.basin!.shell - 1.5)
      expect(gap).toBeLessThan(slabPiece.basin!.shell + 3)
    }
    for (const p of form) expect([p.id, shared(p.recipe, recipe) < 60]).toEqual([p.id, true])
    const glue = station!.figures.hardware.find((h) => h.code === 'block-glue')
    expect(glue !== undefined).toBe(of === 'layers')
    if (glue) {
      // More than the band beyond the shell's box at every joint, less than the whole of every layer, at 0.18 kg a m2.
      const { lengthMm: l, widthMm: w } = form[0]!
      const [least, most] = [l * w - (l - 100) * (w - 100), l * w].map(
        (a) => (a * (form.length - 1) * 0.18) / 1e6,
      )
      expect([glue.amount > least!, glue.amount < most!]).toEqual([true, true])
    }
    const lift = station!.figures.facts.find((f) => f.code === 'upper-form-lift')!.value
    expect(lift).toBeGreaterThan(0)
  })
  it('is filled through a mouth wide enough, what is above it rounded by hand', () => {
    const { figures, parts } = plan(withBasin({ form: 'bowl', exponent: 2, waste: 0 })).station!
    expect(figures.crownByHand).toBe(true)
    const tops = parts.filter((p) => p.role === 'form').map((p) => measure(p.recipe).max[2])
    expect(Math.max(...tops)).toBeLessThan(
      castBody(inputOf(withBasin({ form: 'bowl', waste: 0 }))).height - 5,
    )
    expect(plan(withBasin({})).station!.figures.crownByHand).toBe(false)
  })
})

describe('findings', () => {
  const without = (list: 'foams' | 'printers' | 'filaments' | 'jackets' | 'skins') => ({
    ...testStock,
    [list]: testStock[list].slice(1),
  })
  it.each<[string, Piece, MouldPatch, typeof testStock]>([
    ['layers-missing', cone, { method: 'layers', layerStock: 'foam-gone' }, testStock],
    ['printer-missing', cone, { method: 'printed' }, without('printers')],
    ['filament-missing', cone, { method: 'printed' }, without('filaments')],
    ['jacket-missing', sphere, { method: 'closed' }, without('jackets')],
    ['jacket-missing', cone, { method: 'brushed' }, without('jackets')],
    ['rubber-missing', cone, { method: 'brushed', rubber: 'gone' }, testStock],
    ['skin-missing', seat, { method: 'ribs', skin: 'gone' }, testStock],
    ['undercut-breaks', sphere, { method: 'layers' }, testStock],
    [
      'core-floats',
      turned({ form: 'bowl', outside: 200, height: 90, wall: 25, exponent: 2, foot: 80 }),
      { method: 'layers' },
      testStock,
    ],
    ['undercut-locks', sphere, { method: 'printed', shells: 1 }, testStock],
    [
      'undercut-locks',
      turned({ form: 'cylinder', diameter: 120, height: 90 }, 'bottom', { bore: 30 }),
      { method: 'printed' },
      testStock,
    ],
    ['print-wall-thin', cone, { method: 'printed', shellWall: 0.5 }, testStock],
    ['bed-too-small', cone, { method: 'printed', flange: 90 }, testStock],
    ['shell-bursts', slab(700, 300, 600), { method: 'printed', shellWall: 1, shells: 1 }, testStock],
    ['no-fill-opening', sphere, { method: 'printed' }, testStock],
    ['flat-top-open', drum, { method: 'closed' }, testStock],
    ['ribs-too-wide', seat, { method: 'ribs', ribSpacing: 900 }, testStock],
    ['bend-too-tight', seat, { method: 'ribs', skin: 'skin-hardboard-3' }, testStock],
    ['packing-narrow', seat, { method: 'packed', blockMargin: 30 }, testStock],
    ['tall-form', { ...seat, width: 1200 }, { method: 'packed' }, testStock],
    ['liner-thin', slab(300, 300, 40), { method: 'lined', liner: { thickness: 1, backing: 0 } }, testStock],
    ['upper-slumps', { ...trough, thickness: 25 }, { method: 'upper-form' }, testStock],
    ['larger-than-sheet', slab(2600, 900, 40), { method: 'board-box' }, testStock],
    ['mould-wears-out', { ...cone, plannedCasts: 900 }, { method: 'printed' }, testStock],
    ['rubber-wall-thin', cone, { method: 'brushed', skinCoat: 1 }, testStock],
    ['coats-thick', cone, { method: 'brushed', skinCoat: 12, coats: 2 }, testStock],
  ])('%s is found, said in words, and cured where a cure is offered', (code, piece, patch, stock) => {
    const troubled = chosen(piece, patch)
    const found = plan(troubled, stock).findings.find((f) => f.code === code)!
    expect(found?.code).toBe(code)
    const words = explainBy(MOULD_WORDS, found, METRIC)!
    expect(words.what.length + words.why.length).toBeGreaterThan(40)
    expect(`${words.what} ${words.why}`).not.toMatch(/undefined|NaN|\[object/)
    for (const remedy of found.remedies) {
      expect(words.remedy ?? words.remedies?.[remedy.code]).toBeTruthy()
      const job = remedy.changes.reduce(applyChange, { ...testJob(troubled), stock })
      const after = plan(job.pieces[0]!, stock).findings
      expect(after.filter((f) => f.code === code && f.level === found.level)).toEqual([])
    }
  })
})
