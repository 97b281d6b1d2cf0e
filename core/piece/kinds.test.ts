import { beforeAll, describe, expect, it } from 'vitest'
import { edgeIntegrals, type Kernel, meshSolid, openKernel } from '../geometry/index.ts'
import {
  type BoxPiece,
  type FittedPiece,
  type NewPiece,
  newBox,
  newFitted,
  newSlab,
  newSwept,
  newTurned,
  type Outline,
  type Piece,
  plainSide,
  type SlabPiece,
  type TurnedForm,
} from '../job/index.ts'
import { METRIC } from '../testing/says.ts'
import { testStock } from '../testing/testPiece.ts'
import { windingNumber } from './features/checkInserts.ts'
import {
  adviseAttitude,
  holdFonts,
  noteWords,
  planPieceStation,
  pouredPlacement,
  pouredSize,
  quadrilateral,
  reasonWords,
} from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await openKernel()
  await holdFonts(['condensed-bold', 'stencil', 'roman-capitals'])
})

const told: NewPiece = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const slab = (over: Partial<SlabPiece> = {}): SlabPiece => ({
  ...newSlab({ ...told, length: 900, width: 500, thickness: 45 }, testStock),
  ...over,
})
const turned = (form: TurnedForm, bore = 0) => newTurned(told, testStock, { turned: form, bore })
const box = (over: Partial<BoxPiece> = {}) => newBox(told, testStock, over)
const fitted = (over: Partial<FittedPiece> = {}) => newFitted(told, testStock, over)
const plan = (piece: Piece, quick = false) => planPieceStation(kernel, piece, 2300, quick)
const litres = (piece: Piece) => {
  const { findings, figures } = plan(piece)
  expect(findings.filter((f) => f.level === 'stop')).toEqual([])
  return figures.volumeLitres
}
const polygon = (points: readonly (readonly [number, number])[], radius = 0): Outline => ({
  kind: 'polygon',
  corners: points.map(([x, y], i) => ({ x, y, radius, side: `side-${i + 1}`, run: { kind: 'line' } })),
})
const L = polygon([
  [0, 0],
  [1200, 0],
  [1200, 300],
  [500, 300],
  [500, 600],
  [0, 600],
])
const sidesOf = (outline: Outline, side = plainSide()) =>
  outline.kind === 'polygon' ? Object.fromEntries(outline.corners.map((c) => [c.side, side])) : {}
const hexagon = (r: number) =>
  polygon(
    Array.from(
      { length: 6 },
      (_, i) => [r * Math.cos((i * Math.PI) / 3), r * Math.sin((i * Math.PI) / 3)] as const,
    ),
  )
const circle: Outline = {
  kind: 'polygon',
  corners: [0, 1].map((i) => ({
    x: i * 400,
    y: 0,
    radius: 0,
    side: `side-${i + 1}`,
    run: { kind: 'arc', rise: 200 },
  })),
}

/** Volume an edge removes on a polygon, mitred: run x A less the sum over corners of tan(turn/2) x B. */
const edgeOff = (points: readonly (readonly [number, number])[], kind: 'bead' | 'chamfer', size: number) => {
  const { area, second } = edgeIntegrals({ kind, size })
  const n = points.length
  let [perimeter, corners] = [0, 0]
  points.forEach(([x, y], i) => {
    const [px, py] = points[(i + n - 1) % n]!
    const [qx, qy] = points[(i + 1) % n]!
    perimeter += Math.hypot(qx - x, qy - y)
    const [ux, uy, vx, vy] = [x - px, y - py, qx - x, qy - y]
    corners += Math.tan(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy) / 2)
  })
  return (perimeter * area - corners * second) / 1e6
}
const ringOf = (o: Outline) => (o.kind === 'polygon' ? o.corners.map((c) => [c.x, c.y] as const) : [])

describe('figures against closed forms', () => {
  const fluted = {
    form: 'fluted',
    diameter: 300,
    height: 800,
    count: 16,
    depth: 20,
    way: 'flutes',
    share: 0.7,
  } as const
  const flutedArea = (cut: 'round' | 'flat') => {
    const R = 150
    const half = (Math.PI / 16) * 0.7
    if (cut === 'flat') return Math.PI * R * R - 16 * half * (R * R - 130 * 130)
    // A flute is the circle's own segment over its chord, and the shallow segment of the cutting arc inside it.
    const chord = 2 * R * Math.sin(half)
    const rise = 20 - R * (1 - Math.cos(half))
    const r = chord ** 2 / (8 * rise) + rise / 2
    const a = 2 * Math.asin(chord / 2 / r)
    return (
      Math.PI * R * R - 16 * ((R * R * (2 * half - Math.sin(2 * half))) / 2 + (r * r * (a - Math.sin(a))) / 2)
    )
  }
  it.each<[string, Piece, number]>([
    ['sphere d 330', turned({ form: 'sphere', diameter: 330, foot: 0 }), 18.817],
    [
      'hemisphere bowl 400, wall 30',
      turned({ form: 'bowl', outside: 400, height: 200, wall: 30, exponent: 2, foot: 0 }),
      6.465,
    ],
    ['frustum 540/430 x 150', turned({ form: 'frustum', bottom: 540, top: 430, height: 150 }), 27.831],
    [
      'cap of a sphere 400, 120 high',
      turned({ form: 'cap', diameter: 400, height: 120 }),
      (Math.PI * 120 ** 2 * (3 * 200 - 120)) / 3e6,
    ],
    [
      'tube with a floor',
      turned({ form: 'tube', outside: 300, inside: 240, height: 400, floor: 40 }),
      (Math.PI * (150 ** 2 * 400 - 120 ** 2 * 360)) / 1e6,
    ],
    [
      'cylinder with a bore',
      turned({ form: 'cylinder', diameter: 200, height: 500 }, 60),
      (Math.PI * (100 ** 2 - 30 ** 2) * 500) / 1e6,
    ],
    ['fluted, round', turned({ ...fluted, cut: 'round' }), (flutedArea('round') * 800) / 1e6],
    ['fluted, flat', turned({ ...fluted, cut: 'flat' }), (flutedArea('flat') * 800) / 1e6],
    [
      'ribbed, flat',
      turned({ ...fluted, way: 'ribs', cut: 'flat' }),
      ((Math.PI * 130 ** 2 + 16 * ((Math.PI / 16) * 0.7) * (150 ** 2 - 130 ** 2)) * 800) / 1e6,
    ],
    ['L-shaped slab', slab({ outline: L, sides: sidesOf(L) }), (1200 * 300 + 500 * 300) * 45e-6],
    ['round slab', slab({ outline: circle, sides: sidesOf(circle) }), Math.PI * 200 ** 2 * 45e-6],
    ...(['bead', 'chamfer'] as const).map((kind): [string, Piece, number] => [
      `${kind} 12 mitred round an L`,
      slab({ outline: L, sides: sidesOf(L, plainSide({ top: { kind, size: 12 } })) }),
      510_000 * 45e-6 - edgeOff(ringOf(L), kind, 12),
    ]),
    [
      'bead 20 round a hexagon, both faces',
      slab({
        outline: hexagon(300),
        sides: sidesOf(
          hexagon(300),
          plainSide({ top: { kind: 'bead', size: 20 }, bottom: { kind: 'bead', size: 20 } }),
        ),
      }),
      ((3 * Math.sqrt(3)) / 2) * 300 ** 2 * 45e-6 - 2 * edgeOff(ringOf(hexagon(300)), 'bead', 20),
    ],
    [
      'all four sides tapered by 30: a frustum of a pyramid',
      slab({
        thickness: 100,
        sides: {
          front: plainSide({ taper: 30 }),
          right: plainSide({ taper: 30 }),
          back: plainSide({ taper: 30 }),
          left: plainSide({ taper: 30 }),
        },
      }),
      (100 / 6) * (900 * 500 + 4 * 870 * 470 + 840 * 440) * 1e-6,
    ],
    [
      'one side lined by 5',
      slab({ sides: { ...slab().sides, front: plainSide({ liner: 5 }) } }),
      900 * 495 * 45e-6,
    ],
    [
      'an apron 60 deep, 40 thick',
      slab({ sides: { ...slab().sides, front: plainSide({ apron: { drop: 60, thickness: 40 } }) } }),
      (900 * 500 * 45 + 900 * 40 * 60) * 1e-6,
    ],
    [
      'aprons of two depths meet at a corner',
      slab({
        sides: {
          ...slab().sides,
          front: plainSide({ apron: { drop: 60, thickness: 40 } }),
          right: plainSide({ apron: { drop: 100, thickness: 50 } }),
        },
      }),
      (900 * 500 * 45 + 900 * 40 * 60 + 50 * 500 * 100 - 50 * 40 * 60) * 1e-6,
    ],
    [
      'drip groove under the front',
      slab({ sides: { ...slab().sides, front: plainSide({ drip: { inset: 20, width: 10, depth: 6 } }) } }),
      (900 * 500 * 45 - 860 * 10 * 6) * 1e-6,
    ],
    [
      'drip grooves all round, mitred where they meet',
      slab({
        sides: Object.fromEntries(
          Object.keys(slab().sides).map((s) => [s, plainSide({ drip: { inset: 20, width: 10, depth: 6 } })]),
        ),
      }),
      (900 * 500 * 45 - (860 * 460 - 840 * 440) * 6) * 1e-6,
    ],
    [
      'drip grooves under front and left alone: mitred where they meet, short where they end',
      slab({
        sides: {
          ...slab().sides,
          front: plainSide({ drip: { inset: 20, width: 10, depth: 6 } }),
          left: plainSide({ drip: { inset: 30, width: 8, depth: 4 } }),
        },
      }),
      // Front: x from 30 (38 inside) to 880; left: y from 20 (30 inside) to 470.
      (900 * 500 * 45 - (850 + 842) * 5 * 6 - (450 + 440) * 4 * 4) * 1e-6,
    ],
    [
      'drainer ramp 300 x 200 r 40, 3 to 9',
      slab({
        drainers: [
          {
            kind: 'ramp',
            id: 'd',
            name: 'drainer',
            length: 300,
            width: 200,
            radius: 40,
            shallow: 3,
            deep: 9,
            toward: 'right',
            u: 400,
            v: 250,
          },
        ],
      }),
      (900 * 500 * 45 - (300 * 200 - (4 - Math.PI) * 1600) * 6) * 1e-6,
    ],
    [
      'sunken field with a draft of 45 degrees',
      slab({
        panels: [
          {
            kind: 'field',
            id: 'f',
            name: 'field',
            shape: { kind: 'rectangle', length: 400, width: 200, radius: 0 },
            u: 0,
            v: 0,
            rise: -10,
            draftDeg: 45,
          },
        ],
      }),
      (900 * 500 * 45 - (10 / 6) * (400 * 200 + 4 * 390 * 190 + 380 * 180)) * 1e-6,
    ],
    [
      // Cove of width w and height h, tall side in: A = (1 - pi/4) w h; on straight runs A times the run at its
      // centroid by Pappus, and the mitres bring each side's run to that of the centroid's own rectangle.
      'cove frame 40 x 30 round 600 x 300',
      slab({
        panels: [
          {
            kind: 'frame',
            id: 'f',
            name: 'frame',
            shape: { kind: 'rectangle', length: 600, width: 300, radius: 0 },
            u: 0,
            v: 0,
            trim: 'cove',
            own: [],
            width: 40,
            height: 30,
            tallSide: 'inner',
            sunk: false,
          },
        ],
      }),
      900 * 500 * 45e-6 + coveFrame(40, 30, 600, 300),
    ],
    [
      'planter over a core',
      box({
        taper: 20,
        coreDraftDeg: 3,
        radiusOutside: 0,
        radiusInside: 0,
        drains: { count: 2, diameter: 25 },
      }),
      planter(),
    ],
    ['swept block', newSwept(told, testStock, { corners: rect(700, 400), width: 500 }), 140],
    [
      'pinwheel panels',
      box({ built: { corners: 'pinwheel', floor: 'under', glue: 3, dividers: 0 }, taper: 0 }),
      (600 * 300 * 40 + 2 * 257 * (562 + 262) * 35 + 0) * 1e-6,
    ],
    [
      'mitred panels, dry joints, one divider',
      box({ built: { corners: 'mitre', floor: 'between', glue: 0, dividers: 1 }, taper: 0 }),
      (300 * (600 * 300 - 530 * 230) + 530 * 230 * 40 + 35 * 230 * 260) * 1e-6,
    ],
    ['round lid', fitted({ taperDeg: 0 }), (Math.PI * (340 ** 2 * 50 + 297 ** 2 * 30)) / 1e6],
    [
      'cap over a pipe',
      fitted({
        part: 'cap',
        measured: { kind: 'round', diameter: 200 },
        clearance: 5,
        wall: 30,
        seat: 60,
        thickness: 40,
        taperDeg: 0,
      }),
      (Math.PI * (135 ** 2 * 100 - 105 ** 2 * 60)) / 1e6,
    ],
  ])('%s', (_, piece, expected) => {
    expect(Math.abs(litres(piece) / expected - 1)).toBeLessThan(0.001)
    const quick = plan(piece, true).figures.volumeLitres
    expect(Math.abs(quick / expected - 1)).toBeLessThan(0.001)
  })

  function coveFrame(w: number, h: number, length: number, width: number): number {
    const area = (1 - Math.PI / 4) * w * h
    // Integral of inset x over the section: rectangle less quarter ellipse about the upper outer corner (0, h).
    const moment = (w * w * h) / 2 - (Math.PI / 4) * w * h * ((4 * w) / (3 * Math.PI))
    return (2 * (length + width) * area - 8 * moment) / 1e6
  }
  function planter(): number {
    const frustum = (h: number, a: number, b: number, c: number, d: number) =>
      (h / 6) * (a * b + (a + c) * (b + d) + c * d)
    const inset = Math.tan((3 * Math.PI) / 180) * 260
    const outside = frustum(300, 560, 260, 600, 300)
    const core = frustum(260, 530 - 2 * inset, 230 - 2 * inset, 530, 230)
    return (outside - core - 2 * Math.PI * 12.5 ** 2 * 40) / 1e6
  }
  function rect(l: number, h: number) {
    return [
      [0, 0],
      [l, 0],
      [l, h],
      [0, h],
    ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: { kind: 'line' as const } }))
  }
})

it('hangs a basin below a slab: shell, core and waste are in the figure', () => {
  const piece = slab({
    basin: {
      form: 'frustum',
      length: 400,
      width: 300,
      radius: 0,
      depth: 150,
      draftDeg: 0,
      exponent: 2,
      fall: 0,
      shell: 30,
      u: 450,
      v: 250,
      waste: 50,
      overflow: 0,
    },
  })
  const shell = 460 * 360 * (150 + 30 - 45)
  const hollow = 400 * 300 * 150
  expect(litres(piece)).toBeCloseTo((900 * 500 * 45 + shell - hollow - Math.PI * 625 * 30) / 1e6, 2)
  const { geometry } = plan(piece)
  expect([geometry.low, geometry.height]).toEqual([-135, 180])
  for (const form of ['bowl', 'ramp'] as const)
    expect(litres({ ...piece, basin: { ...piece.basin!, form, fall: 30, draftDeg: 3 } })).toBeGreaterThan(15)
})

describe('letters', () => {
  const text = (over: Partial<SlabPiece['lettering'][number]> = {}) => ({
    id: 't',
    text: 'KESTREL',
    font: 'condensed-bold',
    fontHash: '',
    on: 'top',
    u: 0,
    v: 0,
    turnDeg: 0,
    height: 60,
    depth: -4,
    spacing: 0,
    align: 'middle' as const,
    ...over,
  })
  it.each([
    ['sunk', -4, -1],
    ['raised', 4, 1],
  ])('%s letters change the volume by their area times their depth', (_, depth, sign) => {
    const piece = slab({ lettering: [text({ depth })] })
    const off = litres(piece) - 20.25
    expect(Math.sign(off)).toBe(sign)
    expect(Math.abs(off)).toBeGreaterThan(0.01)
    expect(plan(piece, true).figures.volumeLitres).toBeCloseTo(litres(piece), 4)
  })
  it.each([-10, 6])(
    'stand on the ground of a field %d above the top, raised or sunk: in one body with it',
    (rise) => {
      const panels: SlabPiece['panels'] = [
        {
          kind: 'field',
          id: 'f',
          name: 'field',
          shape: { kind: 'rectangle', length: 500, width: 300, radius: 0 },
          u: 0,
          v: 0,
          rise,
          draftDeg: 20,
        },
      ]
      for (const depth of [5, -5]) {
        const piece = slab({ panels, lettering: [text({ depth })] })
        const bare = slab({ panels })
        const { recipe } = plan(piece).geometry
        const [pieces, high] = kernel.withSolids((s) => {
          const { body } = s.solid(recipe!)
          const parts = body.decompose().map((p) => s.keep(p))
          return [parts.length, Math.max(...parts.map((p) => p.boundingBox().max[2]!))]
        })
        expect(pieces).toBe(1)
        expect(high).toBeCloseTo(Math.max(45, 45 + rise + Math.max(0, depth)), 6)
        const off = litres(piece) - litres(bare)
        expect(Math.sign(off)).toBe(Math.sign(depth))
        expect(plan(piece, true).figures.volumeLitres).toBeCloseTo(litres(piece), 3)
      }
    },
  )
  it.each<[string, Partial<SlabPiece['lettering'][number]>, [string, string][]]>([
    [
      'off the face',
      { height: 300 },
      [
        ['lettering-off-face', 'stop'],
        ['islands', 'note'],
      ],
    ],
    ['on a face that is not there', { on: 'side/nowhere' }, [['lettering-no-face', 'stop']]],
    ['of an unknown font', { font: 'none' }, [['lettering-no-font', 'stop']]],
    ['through', { depth: -45 }, [['lettering-through', 'stop']]],
    [
      'with strokes too thin',
      { height: 7 },
      [
        ['stroke-thin', 'warn'],
        ['island-thin', 'warn'],
      ],
    ],
    ['on the front side', { on: 'side/front', height: 40, depth: 5, text: 'III' }, []],
    ['with letters the font lacks', { text: 'Ж I', height: 30 }, [['lettering-missing', 'warn']]],
    ['without islands in a stencil', { font: 'stencil', text: 'BO', height: 120 }, []],
  ])('%s', (_, over, codes) => {
    expect(plan(slab({ lettering: [text(over)] })).findings.map((f) => [f.code, f.level])).toEqual(codes)
  })
})

describe('the timber cap of a fit', () => {
  const cap = (over: Partial<FittedPiece>) =>
    Object.fromEntries(
      plan(fitted({ part: 'plug', clearance: 5, ...over }))
        .figures.notes.map(
          (n) => [noteWords(n, METRIC), 'valueMm' in n ? Math.round(n.valueMm * 100) / 100 : 0] as const,
        )
        .filter(([name]) => name.startsWith('timber cap, '))
        .map(([name, mm]) => [name.slice(12), mm]),
    )
  const four = { kind: 'rectangle', front: 400, right: 300, back: 400, left: 300, diagonal: 500 } as const
  it.each<[string, Partial<FittedPiece>, Record<string, number>]>([
    ['round', { measured: { kind: 'round', diameter: 200 } }, { length: 190, width: 190 }],
    [
      'square',
      { measured: four },
      { front: 390, right: 290, back: 390, left: 290, 'one diagonal': 486, 'the other': 486 },
    ],
  ])('%s', (_, over, sizes) => {
    const found = cap(over)
    expect(Object.keys(found)).toEqual(Object.keys(sizes))
    for (const [key, mm] of Object.entries(sizes)) expect(Math.abs(found[key]! - mm)).toBeLessThan(0.1)
  })
  it('out of square: its sides are parallel to the opening’s, its diagonals differ', () => {
    const found = cap({ measured: { ...four, diagonal: 520 } })
    expect(found['one diagonal']! - found['the other']!).toBeGreaterThan(20)
    expect(found.front!).toBeLessThan(400 - 9)
  })
})

describe('inserts', () => {
  it.each([
    ['within', [0.5, 0.5, 0.5], 1],
    ['outside', [2, 0.5, 0.5], 0],
    ['far away', [-400, 90, 3], 0],
  ] as const)('a point %s a cube', (_, q, times) => {
    const positions = Float32Array.from(
      [0, 1, 2, 3, 4, 5, 6, 7].flatMap((i) => [i & 1, (i >> 1) & 1, i >> 2]),
    )
    const triangles = Uint32Array.from(
      [
        [0, 2, 3, 1],
        [4, 5, 7, 6],
        [0, 1, 5, 4],
        [1, 3, 7, 5],
        [3, 2, 6, 7],
        [2, 0, 4, 6],
      ].flatMap(([a, b, c, d]) => [a!, b!, c!, a!, c!, d!]),
    )
    const mesh = { positions, triangles, faceOfTriangle: new Uint32Array(12), faceNames: ['face'] }
    expect(windingNumber(mesh as never, [...q])).toBeCloseTo(times, 9)
  })
  const insert = (over: Partial<SlabPiece['inserts'][number]> = {}) => ({
    id: 'i',
    name: 'socket',
    kind: 'socket' as const,
    on: 'bottom',
    u: 0,
    v: 0,
    tiltDeg: 0,
    tiltTowardDeg: 0,
    diameter: 12,
    bore: 0,
    depth: 25,
    past: 0,
    material: 'steel' as const,
    held: 'mould' as const,
    carriesKg: 0,
    ...over,
  })
  it('displace concrete and weigh what they are made of', () => {
    const { figures, findings } = plan(slab({ inserts: [insert()] }))
    const volume = Math.PI * 36 * 25
    expect(findings).toEqual([])
    expect(figures.volumeLitres).toBeCloseTo(20.25 - volume / 1e6, 4)
    expect(figures.inserts.massKg).toBeCloseTo(volume * 7850e-9, 6)
    expect(figures.inserts.items[0]!.coverMm).toBeCloseTo(45 - 25, 1)
  })
  it.each<[string, Partial<SlabPiece['inserts'][number]>[], [string, string][]]>([
    ['through is no clash with the face it leaves by', [{ depth: null }], []],
    ['too near the edge', [{ u: 440 }], [['insert-cover', 'warn']]],
    ['out through the side', [{ u: 440, tiltDeg: 60, tiltTowardDeg: 0 }], [['insert-breaks-out', 'stop']]],
    ['beside the piece', [{ u: 2000 }], [['insert-outside', 'stop']]],
    ['into each other', [{}, { id: 'j', name: 'other', u: 8 }], [['inserts-clash', 'stop']]],
    ['on no face', [{ on: 'side/x' }], [['insert-no-face', 'stop']]],
    ['with more bore than outside', [{ bore: 12 }], [['insert-no-wall', 'stop']]],
  ])('%s', (_, overs, codes) => {
    const { findings } = plan(slab({ inserts: overs.map((o) => insert(o)) }))
    expect(findings.map((f) => [f.code, f.level])).toEqual(codes)
  })
})

describe('swept blocks', () => {
  it.each([0, 5])('add up to the whole less their gaps of %d', (gap) => {
    const seat = newSwept(told, testStock, {
      separators: [
        { id: 'a', at: 300, leanDeg: 0, gap },
        { id: 'b', at: 520, leanDeg: 8, gap },
      ],
    })
    const { figures } = plan(seat)
    const sum = figures.blocks.reduce((total, b) => total + b.volumeLitres, 0)
    expect(figures.blocks).toHaveLength(3)
    expect(sum).toBeCloseTo(figures.volumeLitres, 3)
    const whole = litres(newSwept(told, testStock))
    if (gap === 0) expect(sum).toBeCloseTo(whole, 3)
    else expect(sum).toBeLessThan(whole)
    expect(plan(seat, true).figures.volumeLitres).toBeCloseTo(figures.volumeLitres, 3)
  })
})

describe('measured openings', () => {
  it('closes four sides and a diagonal, square or not', () => {
    const square = quadrilateral({
      kind: 'rectangle',
      front: 400,
      right: 300,
      back: 400,
      left: 300,
      diagonal: 500,
    })!
    expect(square.flat().map((n) => Math.round(n * 1e6) / 1e6)).toEqual([0, 0, 400, 0, 400, 300, 0, 300])
    const out = quadrilateral({
      kind: 'rectangle',
      front: 400,
      right: 300,
      back: 405,
      left: 302,
      diagonal: 503,
    })!
    const d = (i: number, j: number) => Math.hypot(out[i]![0] - out[j]![0], out[i]![1] - out[j]![1])
    expect([d(0, 1), d(1, 2), d(2, 3), d(3, 0), d(0, 2)]).toEqual(
      [400, 300, 405, 302, 503].map((n) => expect.closeTo(n, 6)),
    )
    expect(
      quadrilateral({ kind: 'rectangle', front: 400, right: 300, back: 400, left: 300, diagonal: 900 }),
    ).toBeNull()
  })
})

describe('attitudes', () => {
  it.each<[string, Piece]>([
    ['swept on its end', newSwept(told, testStock)],
    ['planter upside down', box()],
    ['planter on a leaning side', { ...box(), attitude: { down: 'side/front', turnDeg: 0 } }],
    [
      'tapered slab on its side',
      {
        ...slab({ thickness: 90, sides: { ...slab().sides, right: plainSide({ taper: 20 }) } }),
        attitude: { down: 'side/right', turnDeg: 0 },
      },
    ],
    [
      'hexagon on a slanting side',
      {
        ...slab({ outline: hexagon(200), sides: sidesOf(hexagon(200)), thickness: 600 }),
        attitude: { down: 'side/side-2', turnDeg: 0 },
      },
    ],
  ])('%s: lies on z = 0 in its own box, of the same volume', (_, piece) => {
    const { geometry, figures, findings } = plan(piece)
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const by = pouredPlacement(piece.attitude, geometry)
    const [volume, mesh] = kernel.withSolids((s) => {
      const solid = s.solid({ kind: 'moved', solid: geometry.recipe!, by })
      return [solid.body.volume(), meshSolid(solid)] as const
    })
    expect(volume / 1e6).toBeCloseTo(figures.volumeLitres, 3)
    const low = [0, 1, 2].map((k) =>
      mesh.positions.reduce((m, v, i) => (i % 3 === k ? Math.min(m, v) : m), Infinity),
    )
    const high = [0, 1, 2].map((k) =>
      mesh.positions.reduce((m, v, i) => (i % 3 === k ? Math.max(m, v) : m), -Infinity),
    )
    expect(low[2]).toBeCloseTo(0, 2)
    const size = pouredSize(piece.attitude, geometry)
    for (const k of [0, 1, 2] as const) {
      expect(low[k]).toBeGreaterThan(-0.01)
      expect(high[k]).toBeLessThan(size[k] + 0.01)
    }
    expect(reasonWords(adviseAttitude(piece).reason).length).toBeGreaterThan(10)
  })
})
