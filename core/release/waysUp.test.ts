import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, meshSolid, movedBy, type Placement, type SolidRecipe } from '../geometry/index.ts'
import { newSwept, withChoice } from '../job/index.ts'
import { block, less, turnedBody, union } from '../testing/bodies.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testStock } from '../testing/testPiece.ts'
import { planPiece, proveRemedies } from '../testing/wholeLine.ts'
import { compareWays, otherWaysUp, waysUp } from './waysUp.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const AS_IS: Placement = movedBy([0, 0, 0])
const OVER: Placement = { x: [1, 0, 0], y: [0, -1, 0], z: [0, 0, -1], origin: [0, 0, 0] }
const ways = (recipe: SolidRecipe) => {
  const mesh = kernel.withSolids((s) => meshSolid(s.solid(recipe)))
  return waysUp(mesh, [
    { down: 'bottom', face: 'foot', by: AS_IS },
    { down: 'top', face: 'top', by: OVER },
  ])
}
/** A body of revolution by its radii from below. */
const round = (...radii: [radius: number, z: number][]) =>
  turnedBody([[0, 0], ...radii, [0, radii.at(-1)![1]]])
const ring = (r1: number, r2: number) => (Math.PI * (r2 * r2 - r1 * r1)) / 1e6

describe('which face down', () => {
  it.each<[string, SolidRecipe, { air: number; locked: number }[]]>([
    [
      'a block',
      block(0, 0, 200, 100, 0, 50),
      [
        { air: 0, locked: 0 },
        { air: 0, locked: 0 },
      ],
    ],
    // Wide below: the step looks up, all of its ring, and the air runs up the post.
    [
      'a foot under a post',
      round([100, 0], [100, 40], [50, 40], [50, 200]),
      [
        { air: 0, locked: ring(50, 100) },
        { air: 0, locked: 0 },
      ],
    ],
    // A table on one leg beside a lower one: its air stays in the lower.
    [
      'two legs, one short, on a plate',
      union(block(0, 0, 300, 100, 0, 30), block(0, 0, 50, 100, 0, 100), block(250, 0, 50, 100, 0, 80)),
      [
        { air: 0.05 * 0.1 * 50, locked: 0.25 * 0.1 },
        { air: 0, locked: 0 },
      ],
    ],
    [
      'a cup',
      round([80, 0], [100, 200]),
      [
        { air: 0, locked: 0 },
        { air: 0, locked: NaN },
      ],
    ],
  ])('%s', (_, recipe, expected) => {
    ways(recipe).forEach((way, i) => {
      const { air, locked } = expected[i]!
      expect(way.turnedOver).toBe(way.down === 'top')
      expect(way.jointMm > 0).toBe(way.lockedM2 > 1e-4)
      expect([way.down, Math.abs(way.airLitres - air) < 0.02 * air + 1e-4]).toEqual([way.down, true])
      // A lean is locked all over: its area is that of its side.
      if (Number.isNaN(locked)) expect(way.lockedM2).toBeGreaterThan(0.1)
      else
        expect([way.down, Math.abs(way.lockedM2 - locked) < 0.01 * locked + 1e-5]).toEqual([way.down, true])
    })
  })
  it('a ball is filled through its crown, and half of it locks either way', () => {
    const R = 100
    const ball = round(
      ...Array.from({ length: 41 }, (_, i): [number, number] => [
        Math.max(0, R * Math.sin((Math.PI * i) / 40)),
        R - R * Math.cos((Math.PI * i) / 40),
      ]),
    )
    for (const way of ways(ball)) {
      expect(way.pocketCount).toBe(0)
      expect(Math.abs(way.lockedM2 - (2 * Math.PI * R * R) / 1e6)).toBeLessThan(0.03 * way.lockedM2)
      // Parted at its widest: 2 pi r round.
      expect(way.jointMm / (2 * Math.PI * R)).toBeCloseTo(1, 2)
    }
  })
  it('air counts before locks, and locks before draft', () => {
    const way = { ...ways(block(0, 0, 200, 100, 0, 50))[0]! }
    const worse = [
      { ...way, airLitres: 1 },
      { ...way, lockedM2: 0.1 },
      { ...way, shortM2: way.shortM2 + 0.1 },
      { ...way, jointMm: 500 },
      { ...way, turnedOver: true },
    ]
    for (const other of worse)
      expect([compareWays(way, other) < 0, compareWays(other, way) > 0]).toEqual([true, true])
    expect(compareWays({ ...worse[1]!, shortM2: 9 }, worse[0]!)).toBeLessThan(0)
    expect(compareWays(way, { ...way })).toBe(0)
  })
  it.each<[string, string, string[]]>([
    ['top', 'none was looked at', ['bottom']],
    ['bottom', 'none was looked at', ['top']],
    ['end/front', 'none was looked at, and it stands on no broad face', []],
  ])('%s down, where %s', (down, _, offered) => {
    const rest = newSwept({ id: 'c', name: 'C', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
      attitude: { down, turnDeg: 0 },
    })
    const changes = otherWaysUp(rest, [], 'airLitres').flatMap((r) => r.changes)
    expect(changes.map((c) => (c.type === 'pieceDescribed' ? c.patch.attitude?.down : null))).toEqual(offered)
  })
  it('a face in a corner is no face to lie on, and two that look one way are one', () => {
    const step = union(block(0, 0, 200, 100, 0, 50), block(0, 0, 100, 100, 0, 120))
    const mesh = kernel.withSolids((s) => meshSolid(s.solid(step)))
    const over = (z: number): Placement => ({ ...OVER, origin: [0, 100, z] })
    const told = waysUp(mesh, [
      { down: 'foot', face: 'foot', by: AS_IS },
      { down: 'again', face: 'foot', by: AS_IS },
      { down: 'tread', face: 'tread', by: over(50) },
      { down: 'head', face: 'head', by: over(120) },
    ])
    expect(told.map((w) => w.down)).toEqual(['foot', 'head'])
  })
  it('a cavity that opens upward has the draft of its own walls', () => {
    const cup = (deg: number) =>
      less(block(0, 0, 300, 300, 0, 150), {
        kind: 'turned',
        at: [150, 150],
        profile: [
          { radius: 0, z: 30, name: 'floor' },
          { radius: 80, z: 30, name: 'floor' },
          { radius: 80 + 130 * Math.tan((deg * Math.PI) / 180), z: 160, name: 'wall' },
          { radius: 0, z: 160, name: 'top' },
        ],
      })
    const [straight, leaning] = [0.5, 6].map((deg) => ways(cup(deg))[0]!.shortM2)
    const wall = (2 * Math.PI * 80.5 * 120) / 1e6
    expect(straight! - leaning!).toBeGreaterThan(0.95 * wall)
  })
  it('air under an arm is let out with another face down, and that is proved', () => {
    const told = { id: 'c', name: 'Rest', start: '2026-05-30T09:00', zone: 'UTC' }
    const corners = [
      [0, 0],
      [600, 0],
      [600, 300],
      [500, 300],
      [500, 100],
      [200, 100],
      [200, 500],
      [0, 500],
    ].map(([x, y], n) => ({ x: x!, y: y!, radius: 0, side: `s${n}`, run: { kind: 'line' as const } }))
    const rest = newSwept(told, testStock, { corners, width: 300, attitude: { down: 'bottom', turnDeg: 0 } })
    const piece = { ...rest, mould: withChoice(rest.mould, { method: 'layers' }) }
    const job = testJob(piece)
    const plan = planPiece(kernel, job, piece)
    const { waysUp } = plan.stations.release!.figures
    expect(waysUp.find((w) => w.down === 'bottom')!.airLitres).toBeCloseTo(6, 2)
    const finding = proveRemedies(kernel, job, plan).findings.find((f) => f.code === 'air-trapped')!
    const turned = finding.remedies.find((r) => r.code === 'turned')!
    expect(waysUp.find((w) => w.face === turned.facts.face)!.airLitres).toBe(0)
  })
})
