import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, measureRegion, meshSolid, type NamedMesh } from '../../geometry/index.ts'
import { newBox, newOpening, newSwept, newTurned, type Piece, type SlabPiece } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { anyPiece, seeded } from '../../testing/anyPiece.ts'
import { rounds } from '../../testing/rounds.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planSteelStation } from '../index.ts'
import { mapThickness, wallSamples } from './thicknessMap.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const mixOf = (piece: Piece) => testStock.mixes.find((m) => m.id === piece.mix.mix)!
const mortar = testStock.mixes.find((m) => m.family === 'mortar')!
const plan = (piece: Piece) =>
  planSteelStation(
    kernel,
    piece,
    planPieceStation(kernel, piece, 2300, false),
    testStock.meshes,
    mixOf(piece),
    {
      mixes: testStock.mixes,
      bars: testStock.bars,
      suctionKPa: 1,
      quick: false,
      people: 2,
    },
  )
const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const recess = (length: number, width: number, depth: number, on: 'top' | 'bottom' = 'top') => ({
  ...newOpening('recess', 'recess', { kind: 'rectangle', length, width, radius: 0 }),
  depth,
  on,
})
const slab = (rest: Partial<SlabPiece>) =>
  testSlab({
    outline: { kind: 'rectangle', length: 900, width: 500, radii: [0, 0, 0, 0] },
    thickness: 50,
    ...rest,
  })
const lines = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y], i) => ({ x, y, radius: 0, side: `s${i}`, run: { kind: 'line' as const } }))

type Told = { readonly mm: number; readonly level: string | null; readonly over?: readonly [number, number] }
describe('where it is thinnest, and what that means', () => {
  it.each<[string, Piece, Told]>([
    ['a plain slab', slab({}), { mm: 50, level: null }],
    [
      'a recess of 49 in 50',
      slab({ openings: [recess(220, 160, 49)] }),
      { mm: 1, level: 'stop', over: [220, 160] },
    ],
    [
      'one from below',
      slab({ openings: [recess(220, 160, 30, 'bottom')] }),
      { mm: 20, level: 'stop', over: [220, 160] },
    ],
    [
      'a shallow one',
      slab({ openings: [recess(300, 160, 14)] }),
      { mm: 36, level: 'warn', over: [300, 160] },
    ],
    [
      'a small shallow one, thin on purpose',
      slab({ openings: [recess(60, 60, 20)] }),
      { mm: 30, level: null },
    ],
    [
      'a sunken field',
      slab({
        panels: [
          {
            kind: 'field',
            id: 'field',
            name: 'field',
            shape: { kind: 'rectangle', length: 400, width: 300, radius: 0 },
            u: 0,
            v: 0,
            rise: -40,
            draftDeg: 0,
          },
        ],
      }),
      { mm: 10, level: 'stop', over: [400, 300] },
    ],
    [
      'a ramp of 5 to 25',
      slab({
        drainers: [
          {
            kind: 'ramp',
            id: 'ramp',
            name: 'ramp',
            length: 400,
            width: 300,
            radius: 0,
            shallow: 5,
            deep: 25,
            toward: 'right',
            u: 450,
            v: 250,
          },
        ],
      }),
      { mm: 25, level: 'stop' },
    ],
    [
      'a swept L of 20',
      newSwept(told, testStock, {
        width: 400,
        corners: lines([
          [0, 0],
          [400, 0],
          [400, 20],
          [20, 20],
          [20, 300],
          [0, 300],
        ]),
      }),
      { mm: 20, level: 'stop' },
    ],
    [
      'a planter of straight walls',
      newBox(told, testStock, { wall: 30, taper: 0, coreDraftDeg: 0, floor: 60 }),
      { mm: 30, level: 'warn' },
    ],
    [
      'a fluted shaft, at its grooves',
      newTurned(told, testStock, {
        turned: {
          form: 'fluted',
          diameter: 300,
          height: 500,
          count: 12,
          depth: 10,
          cut: 'flat',
          way: 'flutes',
          share: 0.5,
        },
      }),
      { mm: 280, level: null },
    ],
    [
      'a tile that lies flat',
      testSlab({
        outline: { kind: 'rectangle', length: 250, width: 250, radii: [0, 0, 0, 0] },
        thickness: 22,
        steel: { ...testSlab().steel, kind: 'none' },
        mix: { ...testSlab().mix, mix: mortar.id },
      }),
      { mm: 22, level: 'note' },
    ],
    [
      'one of 18',
      testSlab({
        outline: { kind: 'rectangle', length: 250, width: 250, radii: [0, 0, 0, 0] },
        thickness: 18,
        steel: { ...testSlab().steel, kind: 'none' },
        mix: { ...testSlab().mix, mix: mortar.id },
      }),
      { mm: 18, level: 'warn' },
    ],
  ])('%s', (_, piece, { mm, level, over }) => {
    const { figures, findings } = plan(piece)
    expect(figures.thinnestMm! / mm).toBeGreaterThan(0.99)
    expect(figures.thinnestMm! / mm).toBeLessThan(1.01)
    const thin = findings.filter((f) => f.code === 'too-thin' || f.code === 'thin-enough')
    expect([...new Set(thin.map((f) => f.level))]).toEqual(level ? [level] : [])
    const [place] = figures.thinPlaces
    if (over) {
      expect(place!.lengthMm / over[0]).toBeCloseTo(1, 1)
      expect(place!.widthMm / over[1]).toBeCloseTo(1, 1)
      expect(new Set(place!.between)).not.toEqual(new Set(['top', 'underside']))
    }
  })

  it('tells a feather edge, and none of a square or a mitred one', () => {
    const wedge = (high: number) =>
      newSwept(told, testStock, {
        width: 300,
        corners: lines([
          [0, 0],
          [400, 0],
          [0, high],
        ]),
      })
    const edges = (piece: Piece) =>
      plan(piece)
        .findings.filter((f) => f.code === 'feather-edge')
        .map((f) => [f.level, Math.round(f.facts.angleDeg as number), Math.round(f.facts.lengthMm as number)])
    expect(edges(wedge(150))).toEqual([['warn', 21, 300]])
    expect(edges(wedge(400))).toEqual([])
    expect(edges(slab({}))).toEqual([])
    // All arrises of a ribbed shaft are one finding.
    expect(
      edges(
        newTurned(told, testStock, {
          turned: {
            form: 'fluted',
            diameter: 300,
            height: 500,
            count: 12,
            depth: 40,
            cut: 'round',
            way: 'flutes',
            share: 0.95,
          },
        }),
      ).length,
    ).toBeLessThanOrEqual(1)
  })
})

/**
 * The least distance straight through between faces that lie opposite, by every triangle; an edge, narrower than half of
 * what lies behind it, is no wall, nor is a round by its chords.
 */
function byRays(
  { positions: p, triangles, faceNames, faceOfTriangle }: NamedMesh,
  count: number,
  random: () => number,
): number {
  const n = triangles.length / 3
  const corner = (t: number, k: number) => {
    const v = triangles[3 * t + k]! * 3
    return [p[v]!, p[v + 1]!, p[v + 2]!] as const
  }
  type Vector = readonly number[]
  const minus = (a: Vector, b: Vector) => [a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!]
  const dot = (a: Vector, b: Vector) => a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]!
  const cross = (a: Vector, b: Vector) => [
    a[1]! * b[2]! - a[2]! * b[1]!,
    a[2]! * b[0]! - a[0]! * b[2]!,
    a[0]! * b[1]! - a[1]! * b[0]!,
  ]
  const normals = Array.from({ length: n }, (_, t) => {
    const c = cross(minus(corner(t, 1), corner(t, 0)), minus(corner(t, 2), corner(t, 0)))
    const l = Math.hypot(...c) || 1
    return { unit: c.map((x) => x / l), area: l / 2 }
  })
  let total = 0
  const sums = normals.map(({ area }) => {
    total += area
    return total
  })
  const across = faceNames.map((_, f) => {
    const own = Array.from({ length: n }, (_, t) => t).filter((t) => faceOfTriangle[t] === f)
    if (own.some((t) => dot(normals[t]!.unit, normals[own[0]!]!.unit) < 1 - 1e-6)) return 0
    const ends = own.flatMap((t) => [0, 1, 2].map((k) => corner(t, k)))
    const longest = Math.max(
      ...[0, 1, 2].map((k) => Math.max(...ends.map((e) => e[k]!)) - Math.min(...ends.map((e) => e[k]!))),
    )
    return own.reduce((sum, t) => sum + normals[t]!.area, 0) / longest
  })
  let least = Infinity
  for (let i = 0; i < count; i += 1) {
    const pick = random() * total
    const t = sums.findIndex((s) => s >= pick)
    const [u, v] = [random(), random()]
    const [a, b] = u + v > 1 ? [1 - u, 1 - v] : [u, v]
    const [c0, c1, c2] = [corner(t, 0), corner(t, 1), corner(t, 2)]
    const at = [0, 1, 2].map((k) => c0[k]! + (c1[k]! - c0[k]!) * a + (c2[k]! - c0[k]!) * b)
    const into = normals[t]!.unit.map((x) => -x)
    let [near, hit] = [Infinity, -1]
    for (let o = 0; o < n; o += 1) {
      if (o === t) continue
      const [e1, e2] = [minus(corner(o, 1), corner(o, 0)), minus(corner(o, 2), corner(o, 0))]
      const h = cross(into, e2)
      const det = dot(e1, h)
      if (Math.abs(det) < 1e-12) continue
      const s = minus(at, corner(o, 0))
      const x = dot(s, h) / det
      const q = cross(s, e1)
      const y = dot(into, q) / det
      const far = dot(e2, q) / det
      if (x < 0 || y < 0 || x + y > 1 || far < 1e-3 || far >= near) continue
      ;[near, hit] = [far, o]
    }
    if (hit < 0 || dot(normals[hit]!.unit, into) < OPPOSITE) continue
    if ([t, hit].some((o) => across[faceOfTriangle[o]!]! < near / 2)) continue
    least = Math.min(least, near)
  }
  return least
}
/** Faces lie opposite within 5 degrees. */
const OPPOSITE = Math.cos(Math.PI / 36)

it.each<[string, Piece, readonly [string, 'front' | 'left'], number]>([
  // 900 x 50 less a recess of 220 x 30 where it is cut.
  ['a recess', slab({ openings: [recess(220, 160, 30)] }), ['recess', 'front'], 900 * 50 - 220 * 30],
  // A rail of 40 before an opening: seen from the left it is 40 wide, and what is left behind it 500 - 40 - 100.
  [
    'a rail before an opening',
    slab({
      openings: [
        {
          ...newOpening('slot', 'slot', { kind: 'rectangle', length: 300, width: 100, radius: 0 }),
          v: { rule: 'fromStart', distance: 40 },
        },
      ],
    }),
    ['slot', 'left'],
    (40 + 360) * 50,
  ],
])('%s is cut where it is thin, square to what is thin there', (_, piece, [name, seenFrom], area) => {
  const { cuts, figures } = plan(piece)
  expect(cuts).toHaveLength(figures.thinPlaces.length)
  const at = figures.thinPlaces.findIndex((p) => p.between.includes(name))
  expect(cuts[at]!.seenFrom).toBe(seenFrom)
  expect(measureRegion(cuts[at]!.region)).toBeCloseTo(seenFrom === 'front' ? -area : area, 0)
  const { xMm, yMm } = figures.thinPlaces[at]!
  expect(cuts[at]!.at).toBe(seenFrom === 'front' ? yMm : xMm)
})

it('of any piece is never told thicker than what rays find straight through it', () => {
  const random = seeded(77)
  let looked = 0
  for (let i = 0; i < rounds(12, 80); i += 1) {
    const piece = anyPiece(random)
    const { geometry } = planPieceStation(kernel, piece, 2300, true)
    if (!geometry.recipe) continue
    const mesh = kernel.withSolids((s) => meshSolid(s.solid(geometry.recipe!)))
    if (mesh.triangles.length > 3 * 3000) continue
    const least = wallSamples(mapThickness(kernel, geometry.recipe)).reduce(
      (a, s) => Math.min(a, s.thickness),
      Infinity,
    )
    expect(least, `${piece.kind} ${i}`).toBeLessThan(1.01 * byRays(mesh, 150, random))
    looked += 1
  }
  expect(looked).toBeGreaterThan(3)
}, 60_000)
