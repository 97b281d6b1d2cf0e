import { beforeAll, expect, it } from 'vitest'
import { type Kernel, openKernel } from '../geometry/index.ts'
import {
  applyChange,
  type Basin,
  type BoxPiece,
  type CornerOfPath,
  explainBy,
  type FittedPiece,
  type Insert,
  type Lettering,
  newBox,
  newFitted,
  newImported,
  newOpening,
  newSwept,
  newTurned,
  type Piece,
  plainSide,
  type SlabPiece,
  type SweptPiece,
  type TurnedForm,
  type TurnedPiece,
} from '../job/index.ts'
import { METRIC as style } from '../testing/says.ts'
import { testBasinBelow, testDrainer, testField, testFrame, testInsert } from '../testing/testFeatures.ts'
import { testJob, testSlab, testStock } from '../testing/testPiece.ts'
import { holdFonts, PIECE_WORDS, planPieceStation } from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await openKernel({ coarser: 8 })
  await holdFonts(['condensed-bold'])
})

const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const slab = (over: Partial<SlabPiece>): Piece => testSlab(over)
const turned = (form: TurnedForm, over: Partial<TurnedPiece> = {}): Piece =>
  newTurned(told, testStock, { turned: form, ...over })
const box = (over: Partial<BoxPiece>): Piece => newBox(told, testStock, over)
const swept = (over: Partial<SweptPiece>): Piece => newSwept(told, testStock, over)
const fitted = (over: Partial<FittedPiece>): Piece => newFitted(told, testStock, over)

type Shape = readonly (readonly [number, number])[]
const path = (points: Shape, over: Partial<CornerOfPath> = {}): CornerOfPath[] =>
  points.map(([x, y], i) => ({ x, y, radius: 0, side: `side-${i + 1}`, run: { kind: 'line' }, ...over }))
const square: Shape = [
  [0, 0],
  [400, 0],
  [400, 400],
  [0, 400],
]
const bow: Shape = [
  [0, 0],
  [400, 400],
  [400, 0],
  [0, 300],
]
const drawn = (corners: CornerOfPath[]): Piece =>
  slab({
    outline: { kind: 'polygon', corners },
    sides: Object.fromEntries(corners.map((c) => [c.side, plainSide()])),
  })
const front = (side: Parameters<typeof plainSide>[0]): Piece =>
  slab({ sides: { front: plainSide(side), right: plainSide(), back: plainSide(), left: plainSide() } })
const bead = (size: number) => ({ kind: 'bead' as const, size })
const open = (over: Partial<SlabPiece['openings'][number]>, shape = 60): Piece =>
  slab({ openings: [{ ...newOpening('o', 'hole', { kind: 'round', diameter: shape }), ...over }] })

const basin = (over: Partial<Basin>, openings: SlabPiece['openings'] = []): Piece =>
  slab({
    openings,
    basin: { ...testBasinBelow, ...over },
  })
const drainer = (over: Partial<typeof testDrainer>): Piece =>
  slab({ drainers: [{ ...testDrainer, ...over }] })
const field = (over: Partial<typeof testField>): Piece => slab({ panels: [{ ...testField, ...over }] })
const frame = (over: Partial<typeof testFrame>): Piece => slab({ panels: [{ ...testFrame, ...over }] })
const letters = (over: Partial<Lettering>): Piece =>
  slab({
    lettering: [
      {
        id: 'l',
        text: 'NO 8',
        font: 'condensed-bold',
        fontHash: '',
        on: 'top',
        u: 0,
        v: 0,
        turnDeg: 0,
        height: 90,
        depth: -4,
        spacing: 5,
        align: 'middle',
        ...over,
      },
    ],
  })
const insert = (over: Partial<Insert>): Piece =>
  slab({
    inserts: [{ ...testInsert, name: 'socket', on: 'bottom', diameter: 12, depth: 20, ...over }],
  })
const file = { id: 'mesh-none', name: 'urn.stl', triangles: 12, extents: [100, 100, 80] }
const mesh = (over: object): Piece => newImported(told, testStock, file as never, 1, over)
const profile = (points: Shape): TurnedForm => ({ form: 'profile', corners: path(points) })

/** What a maker can get wrong about a piece, and how it is told. */
const WRONG: readonly (readonly [code: string, level: 'stop' | 'warn' | 'note', piece: () => Piece])[] = [
  ['outline-crosses', 'stop', () => drawn(path(bow))],
  ['corner-radius', 'stop', () => drawn(path(square, { radius: 230 }))],
  [
    'radius-on-curve',
    'warn',
    () =>
      drawn(path(square).map((c, i) => (i === 1 ? { ...c, radius: 30, run: { kind: 'arc', rise: 80 } } : c))),
  ],
  ['edge-too-deep', 'stop', () => front({ top: bead(50) })],
  ['apron-fills', 'stop', () => front({ apron: { drop: 60, thickness: 520 } })],
  ['taper-flat', 'warn', () => front({ taper: 120 })],
  ['drip-left-out', 'warn', () => front({ drip: { inset: 440, width: 60, depth: 8 } })],
  ['feature-through', 'stop', () => front({ drip: { inset: 20, width: 10, depth: 45 } })],
  [
    'opening-crosses',
    'stop',
    () => open({ shape: { kind: 'polygon', corners: path(bow.map(([x, y]) => [x / 4, y / 4] as const)) } }),
  ],
  [
    'rim-over-edge',
    'stop',
    () => open({ u: { rule: 'fromStart', distance: 4 }, rim: { top: bead(12), bottom: bead(2) } }),
  ],
  ['feature-outside', 'stop', () => drainer({ u: 20 })],
  ['feature-through', 'stop', () => drainer({ deep: 60 })],
  ['drains-badly', 'warn', () => drainer({ shallow: 12, deep: 12 })],
  ['panel-closes', 'stop', () => field({ shape: { kind: 'inset', margin: 260 } })],
  ['panel-flat', 'warn', () => field({ rise: 0 })],
  ['feature-through', 'stop', () => field({ rise: -45 })],
  [
    'feature-outside',
    'stop',
    () => field({ shape: { kind: 'rectangle', length: 400, width: 200, radius: 0 }, u: 300 }),
  ],
  ['trim-empty', 'stop', () => frame({ trim: 'own', own: [] })],
  ['panel-closes', 'stop', () => frame({ width: 240 })],
  ['basin-closes', 'stop', () => basin({ draftDeg: 44, depth: 160 })],
  ['basin-radius', 'stop', () => basin({ radius: 160 })],
  ['basin-shallow', 'stop', () => basin({ depth: 5 })],
  ['basin-outside', 'stop', () => basin({ u: 150 })],
  ['basin-core-locks', 'warn', () => basin({ draftDeg: 0 })],
  ['waste-too-wide', 'stop', () => basin({ waste: 290 })],
  ['opening-in-shell', 'stop', () => basin({}, [newOpening('o', 'tap', { kind: 'round', diameter: 35 })])],
  ['wall-negative', 'stop', () => turned({ form: 'tube', outside: 200, inside: 200, height: 300, floor: 0 })],
  [
    'floor-too-thick',
    'stop',
    () => turned({ form: 'tube', outside: 200, inside: 150, height: 90, floor: 90 }),
  ],
  [
    'wall-negative',
    'stop',
    () => turned({ form: 'bowl', outside: 200, height: 90, wall: 95, exponent: 2, foot: 0 }),
  ],
  ['cap-too-high', 'stop', () => turned({ form: 'cap', diameter: 200, height: 200 })],
  ['foot-too-wide', 'stop', () => turned({ form: 'sphere', diameter: 200, foot: 200 })],
  ['bore-too-wide', 'stop', () => turned({ form: 'cylinder', diameter: 200, height: 200 }, { bore: 200 })],
  [
    'foot-breaks-through',
    'stop',
    () => turned({ form: 'bowl', outside: 400, height: 150, wall: 20, exponent: 2, foot: 340 }),
  ],
  [
    'sleeve-does-not-fit',
    'warn',
    () =>
      turned(
        { form: 'cylinder', diameter: 200, height: 200 },
        { bore: 50, sleeve: { outside: 60, wall: 2, material: 'pvc' } },
      ),
  ],
  [
    'profile-crosses-axis',
    'stop',
    () =>
      turned(
        profile([
          [-40, 0],
          [90, 0],
          [90, 200],
          [0, 200],
        ]),
      ),
  ],
  [
    'profile-crosses',
    'stop',
    () =>
      turned(
        profile([
          [20, 0],
          [100, 100],
          [100, 0],
          [20, 80],
        ]),
      ),
  ],
  ['profile-crosses', 'stop', () => swept({ corners: path(bow) })],
  ['profile-empty', 'stop', () => swept({ corners: path([...square].reverse()) })],
  ['separator-misses', 'stop', () => swept({ separators: [{ id: 's', at: 4000, leanDeg: 0, gap: 4 }] })],
  ['taper-closes', 'stop', () => box({ taper: 160 })],
  ['wall-negative', 'stop', () => box({ wall: 150 })],
  ['floor-too-thick', 'stop', () => box({ floor: 300 })],
  ['core-closes', 'stop', () => box({ coreDraftDeg: 40, width: 200 })],
  ['drain-too-wide', 'stop', () => box({ drains: { count: 1, diameter: 230 } })],
  ['drain-too-wide', 'stop', () => box({ drains: { count: 20, diameter: 40 } })],
  [
    'hole-off-the-side',
    'stop',
    () => box({ sideHoles: [{ id: 'h', name: 'overflow', side: 'back', u: 0, v: 295, diameter: 30 }] }),
  ],
  ['no-drain', 'warn', () => box({ drains: { count: 0, diameter: 25 } })],
  [
    'dividers-fill',
    'stop',
    () => box({ taper: 0, built: { corners: 'butt', floor: 'under', glue: 2, dividers: 20 } }),
  ],
  ['panels-upright', 'note', () => box({ built: { corners: 'butt', floor: 'under', glue: 2, dividers: 0 } })],
  ['mesh-not-here', 'stop', () => mesh({})],
  ['foot-cuts-all', 'stop', () => mesh({ foot: 90 })],
  ['kept-as-pattern', 'note', () => mesh({ use: 'pattern' })],
  ['fit-closes', 'stop', () => fitted({ part: 'plug', taperDeg: 44, thickness: 900 })],
  ['no-clearance', 'warn', () => fitted({ clearance: 0 })],
  ['lid-falls-in', 'stop', () => fitted({ overlap: 2 })],
  [
    'measured-does-not-close',
    'stop',
    () =>
      fitted({
        measured: { kind: 'rectangle', front: 500, right: 300, back: 500, left: 300, diagonal: 900 },
      }),
  ],
  ['lettering-flat', 'warn', () => letters({ depth: 0 })],
  ['lettering-font-differs', 'warn', () => letters({ fontHash: 'older' })],
  ['lettering-no-font', 'stop', () => letters({ font: 'none' })],
  ['lettering-no-face', 'stop', () => letters({ on: 'lid' })],
  ['lettering-through', 'stop', () => letters({ depth: -45 })],
  [
    'lettering-straddles',
    'stop',
    () => ({
      ...letters({ depth: 3 }),
      panels: [
        {
          kind: 'field' as const,
          id: 'f',
          name: 'field',
          shape: { kind: 'rectangle' as const, length: 60, width: 400, radius: 0 },
          u: 0,
          v: 0,
          rise: -4,
          draftDeg: 0,
        },
      ],
    }),
  ],
  ['lettering-off-face', 'stop', () => letters({ u: 400 })],
  ['lettering-missing', 'warn', () => letters({ text: 'NO ☂' })],
  ['stroke-thin', 'warn', () => letters({ height: 9 })],
  ['island-thin', 'warn', () => letters({ text: '8', height: 9 })],
  ['islands', 'note', () => letters({})],
  ['insert-wet', 'note', () => insert({ held: 'wet' })],
  ['insert-cover', 'warn', () => insert({ depth: 38 })],
  ['insert-outside', 'stop', () => insert({ u: 3000 })],
  [
    'edges-meet',
    'stop',
    () => {
      const corners = path([
        [0, 0],
        [400, 0],
        [400, 10],
        [390, 10],
        [390, 300],
        [0, 300],
      ])
      const beads = Object.fromEntries(corners.map((c) => [c.side, plainSide({ top: bead(12) })]))
      return slab({ outline: { kind: 'polygon', corners }, sides: beads })
    },
  ],
  [
    'profile-crosses',
    'stop',
    () =>
      swept({
        corners: path([
          [0, 0],
          [400, 0],
          [400, 300],
        ]).map((c, i) =>
          i === 0
            ? {
                ...c,
                run: {
                  kind: 'spline',
                  through: [
                    [200, 100],
                    [100, 150],
                    [150, 20],
                  ],
                },
              }
            : c,
        ),
      }),
  ],
  ['core-breaks-through', 'stop', () => box({ taper: 60, coreDraftDeg: 0 })],
  [
    'flutes-do-not-fit',
    'stop',
    () =>
      turned({
        form: 'fluted',
        diameter: 300,
        height: 100,
        count: 4,
        depth: 2,
        cut: 'round',
        way: 'flutes',
        share: 0.9,
      }),
  ],
  ['opening-closes', 'stop', () => open({ draftDeg: 40 }, 40)],
  ['recess-through', 'stop', () => open({ depth: 45 })],
  ['no-face-down', 'stop', () => slab({ attitude: { down: 'side/nowhere', turnDeg: 0 } })],
  ['no-face-down', 'stop', () => slab({ attitude: { down: 'end/front', turnDeg: 0 } })],
]

it.each(WRONG)('%s, %s', (code, level, make) => {
  const piece = make()
  const quick = planPieceStation(kernel, piece, 2300, true)
  const { findings, geometry, figures } = planPieceStation(kernel, piece, 2300, false)
  expect(findings.map((f) => `${f.code} ${f.level}`)).toContain(`${code} ${level}`)
  // What stops a piece leaves no solid to be poured, and its figures are numbers still.
  if (level === 'stop') {
    expect(geometry.recipe).toBeNull()
    // It is told while something is dragged too, but for what only the solid shows.
    if (!code.startsWith('insert-')) expect(quick.findings.map((f) => f.code)).toContain(code)
  }
  expect(Number.isFinite(figures.volumeLitres) && figures.volumeLitres >= 0).toBe(true)
  expect(Number.isFinite(quick.figures.volumeLitres)).toBe(true)
  const finding = findings.find((f) => f.code === code)!
  const words = explainBy(PIECE_WORDS, finding, style)!
  expect(words.what.length).toBeGreaterThan(5)
  expect(`${words.what} ${words.why}`).not.toMatch(/undefined|NaN|Infinity/)
  // A remedy that is offered changes the piece and takes the finding away.
  for (const remedy of finding.remedies) {
    const after = remedy.changes.reduce(applyChange, testJob(piece)).pieces[0]!
    expect(after).not.toEqual(piece)
    expect(planPieceStation(kernel, after, 2300, false).findings.map((f) => f.code)).not.toContain(code)
  }
})
