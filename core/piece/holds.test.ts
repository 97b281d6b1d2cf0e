import { describe, expect, it } from 'vitest'
import { type BoxPiece, newBox, newTurned, type Piece, plainSide, type TurnedForm } from '../job/index.ts'
import { testBasinBelow } from '../testing/testFeatures.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testSlab, testStock, testTop } from '../testing/testPiece.ts'
import { basinSolids, planPieceStation } from './index.ts'

const kernel = await testKernel()
const told = { id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
const box = (over: Partial<BoxPiece>): Piece => ({ ...newBox(told, testStock), ...over }) as Piece
const plain = {
  length: 600,
  width: 400,
  height: 300,
  wall: 40,
  floor: 50,
  taper: 0,
  coreDraftDeg: 0,
  radiusInside: 0,
  radiusOutside: 0,
}
const turned = (form: TurnedForm, bore = 0): Piece => newTurned(told, testStock, { turned: form, bore })
/** A prismoid between two levels, h/3 (A + B + sqrt(A B)). */
const frustum = (h: number, a: number, b: number) => (h / 3) * (a + b + Math.sqrt(a * b))
const R = { a: 300, h: 200, wall: 25 }

describe('what a hollow piece holds, level with its rim', () => {
  it.each<[string, Piece, number | null]>([
    ['a plain box', box(plain), 520 * 320 * 250],
    [
      'a box whose core has draft',
      box({ ...plain, length: 480, width: 480, coreDraftDeg: 4 }),
      frustum(250, 400 ** 2, (400 - 2 * 250 * Math.tan((4 * Math.PI) / 180)) ** 2),
    ],
    [
      'a tube with a floor',
      turned({ form: 'tube', outside: 300, inside: 240, height: 400, floor: 40 }),
      Math.PI * 120 ** 2 * 360,
    ],
    ['a tube without one', turned({ form: 'tube', outside: 300, inside: 240, height: 400, floor: 0 }), null],
    ['a solid column', turned({ form: 'cylinder', diameter: 300, height: 400 }), null],
    // Half an ellipsoid: 2/3 pi a^2 h.
    [
      'a round bowl',
      turned({ form: 'bowl', outside: 2 * R.a, height: R.h, wall: R.wall, exponent: 2, foot: 160 }),
      (2 / 3) * Math.PI * (R.a - R.wall) ** 2 * (R.h - R.wall),
    ],
    [
      'a basin in one with a slab',
      testSlab({
        thickness: 50,
        basin: { ...testBasinBelow, length: 300, width: 300, radius: 0, fall: 0, waste: 0 },
      }),
      frustum(130, 300 ** 2, (300 - 2 * 130 * Math.tan((6 * Math.PI) / 180)) ** 2),
    ],
    [
      'an ellipse with a straight wall, pi a b by its depth',
      testSlab({
        thickness: 50,
        basin: {
          ...testBasinBelow,
          form: 'superellipse',
          exponent: 2,
          length: 360,
          width: 280,
          draftDeg: 0,
          fall: 0,
          waste: 0,
        },
      }),
      Math.PI * 180 * 140 * 130,
    ],
    ['a slab with openings', testTop(), null],
  ])('%s', (_, piece, mm3) => {
    const { figures } = planPieceStation(kernel, piece, 2300, true)
    if (mm3 === null) return expect(figures.holds).toBeNull()
    expect(figures.holds!.volumeLitres / (mm3 / 1e6)).toBeCloseTo(1, 3)
    expect(figures.holds!.fullKg).toBeCloseTo(figures.concreteKg + figures.holds!.volumeLitres, 6)
  })
})

describe('a hollow by its sizes', () => {
  const inside = (piece: Piece) => planPieceStation(kernel, piece, 2300, true).figures.inside
  it.each<[string, Piece, readonly number[]]>([
    ['a plain box', box(plain), [520, 320, 520, 320, 40, 40, 250]],
    [
      'a box whose core has draft',
      box({ ...plain, coreDraftDeg: 4 }),
      [520, 320, 485.037, 285.037, 40, 40 + 250 * Math.tan((4 * Math.PI) / 180), 250],
    ],
    [
      'a box that comes in at the foot',
      box({ ...plain, taper: 30 }),
      // The wall at the floor loses what the outside has come in there.
      [520, 320, 520, 320, 40, 40 - (30 * 250) / (250 + plain.floor), 250],
    ],
    [
      'a tube',
      turned({ form: 'tube', outside: 300, inside: 240, height: 400, floor: 40 }),
      [240, 240, 240, 240, 30, 30, 360],
    ],
  ])('%s', (_, piece, sizes) => {
    const hollow = inside(piece)!
    const got = [
      hollow.rimLengthMm,
      hollow.rimWidthMm,
      hollow.floorLengthMm,
      hollow.floorWidthMm,
      hollow.wallAtRimMm,
      hollow.wallAtFloorMm,
      hollow.depthMm,
    ]
    for (const [i, mm] of sizes.entries()) expect([i, got[i]]).toEqual([i, expect.closeTo(mm, 2)])
  })
  it('is not told of what is not hollow', () => {
    expect(inside(testTop())).toBeNull()
    expect(inside(turned({ form: 'cylinder', diameter: 300, height: 400 }))).toBeNull()
  })
})

it('a textured liner takes its thickness off the cast size of the side it lies on', () => {
  const lined = (sides: Readonly<Record<string, number>>) =>
    planPieceStation(
      kernel,
      testSlab({
        outline: { kind: 'rectangle', length: 900, width: 500, radii: [0, 0, 0, 0] },
        sides: Object.fromEntries(
          ['front', 'right', 'back', 'left'].map((id) => [
            id,
            plainSide({ liner: sides[id] ?? 0, taper: 6 }),
          ]),
        ),
      }),
      2300,
      true,
    ).figures.finished
  expect(lined({})).toBeNull()
  expect(lined({ front: 6 })).toEqual({ lengthMm: 900, widthMm: 494 })
  expect(lined({ front: 6, back: 4, left: 3 })).toEqual({ lengthMm: 897, widthMm: 490 })
})

it.each([1.4, 2, 2.6, 5])('the shell of an oval basin is as thick all round: fullness %d', (exponent) => {
  const basin = { ...testBasinBelow, form: 'superellipse' as const, exponent, draftDeg: 5, shell: 30 }
  const { outside, core } = basinSolids(testSlab({ thickness: 50, basin }), basin)
  const thickness = kernel.withSolids((s) => {
    const shell = s.keep(s.solid(outside).body.trimByPlane([0, 0, 1], -20))
    const hollow = s.keep(s.solid(core).body.trimByPlane([0, 0, 1], -10))
    // From all round: how far the hollow can be moved before it touches what is outside the shell.
    const big = s.solid({
      kind: 'plate',
      region: [
        [
          [-500, -500],
          [1500, -500],
          [1500, 1500],
          [-500, 1500],
        ],
      ],
      low: -15,
      high: 40,
      name: 'b',
    })
    const around = s.keep(big.body.subtract(shell))
    return hollow.minGap(around, 200)
  })
  expect(thickness).toBeGreaterThan(29.5)
  expect(thickness).toBeLessThan(30.6)
})

it.each([
  [360, 280, 2],
  [900, 600, 2.6],
  [1600, 900, 4],
  [700, 700, 1.3],
])('no chord of a bowl %d x %d of fullness %d strays by more than 0.05 mm', (length, width, exponent) => {
  const basin = { ...testBasinBelow, form: 'bowl' as const, length, width, exponent }
  const { core } = basinSolids(testSlab({ thickness: 50, basin }), basin)
  if (core.kind !== 'stack') throw new Error('a bowl is a stack of levels')
  const { points } = core.levels.at(-1)!
  const [a, b] = [length / 2, width / 2]
  // The middle of each chord against the curve along the same ray: the gap square to the chord is less.
  const off = points.map(([x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length]!
    const [mx, my] = [(x + nx) / 2 - basin.u, (y + ny) / 2 - basin.v]
    const k = (Math.abs(mx / a) ** exponent + Math.abs(my / b) ** exponent) ** (-1 / exponent)
    const [rx, ry] = [mx * (k - 1), my * (k - 1)]
    const chord = Math.hypot(nx - x, ny - y) || 1
    return Math.abs(rx * (ny - y) - ry * (nx - x)) / chord
  })
  expect(Math.max(...off)).toBeLessThan(0.05)
})
