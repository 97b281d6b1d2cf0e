import { describe, expect, it } from 'vitest'
import { connectedMesh } from './connectedMesh.ts'
import { planMesh } from './planMesh.ts'
import { RestingPlate, UnstablePlate } from './restingPlate.ts'

type Point = readonly [number, number]
const box = (x: number, y: number, l: number, w: number): Point[] => [
  [x, y],
  [x + l, y],
  [x + l, y + w],
  [x, y + w],
]
const round = (x: number, y: number, r: number, n = 64): Point[] =>
  Array.from({ length: n }, (_, i) => [
    x + r * Math.cos((2 * Math.PI * i) / n),
    y - r * Math.sin((2 * Math.PI * i) / n),
  ])
const line = (x: number, from: number, to: number, step: number): Point[] => {
  const n = Math.ceil((to - from) / step)
  return Array.from({ length: n + 1 }, (_, i) => [x, from + ((to - from) * i) / n])
}
const plate = (rings: readonly Point[][], size: number, t: number, nu = 0.2) => {
  const mesh = planMesh(rings, size)
  return new RestingPlate(mesh, new Float64Array(mesh.triangles.length).fill(t), 25_000, nu)
}
const area = (p: RestingPlate) => p.areas.reduce((a, b) => a + b, 0)
/** The greatest stress along x or y, either sign, of triangles that a test picks. */
const most = (p: RestingPlate, stress: Float64Array, k: 0 | 1, where: (at: Point) => boolean = () => true) =>
  p.middles.reduce((m, at, e) => (where(at) ? Math.max(m, Math.abs(stress[e * 3 + k]!)) : m), 0)

describe('a mesh of any plan', () => {
  it.each<[string, readonly Point[][], number]>([
    ['a rectangle', [box(0, 0, 900, 500)], 900 * 500],
    [
      'with an opening near its edge',
      [box(0, 0, 900, 500), box(300, 12, 300, 400).reverse()],
      900 * 500 - 300 * 400,
    ],
    [
      'with two holes a hand apart',
      [box(0, 0, 900, 500), round(300, 250, 60), round(440, 250, 60)],
      900 * 500 - 2 * 11_310,
    ],
    [
      'an L',
      [
        [
          [0, 0],
          [800, 0],
          [800, 200],
          [250, 200],
          [250, 700],
          [0, 700],
        ],
      ],
      800 * 200 + 250 * 500,
    ],
    ['a disc', [round(0, 0, 300, 200).reverse()], Math.PI * 300 ** 2],
  ])('%s: its triangles cover it, none turned over, its long way first', (_, rings, wanted) => {
    const mesh = planMesh(rings, 40)
    let sum = 0
    for (const [a, b, c] of mesh.triangles) {
      const [p, q, r] = [mesh.nodes[a]!, mesh.nodes[b]!, mesh.nodes[c]!]
      const twice = (q[0] - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (q[1] - p[1])
      expect(twice).toBeGreaterThan(0)
      sum += twice / 2
    }
    expect(sum / wanted).toBeCloseTo(1, 1)
    expect(Math.abs(sum / wanted - 1)).toBeLessThan(0.03)
  })
})

it('keeps what hangs together, leaves crumbs out, and says where a plan falls apart', () => {
  const size = (rings: readonly Point[][]) => connectedMesh(planMesh(rings, 40))?.triangles.length ?? null
  const whole = size([box(0, 0, 900, 500)])
  expect(whole).toBeGreaterThan(100)
  expect(size([box(0, 0, 900, 500), box(1000, 0, 40, 40)])! / whole!).toBeCloseTo(1, 1)
  expect(size([box(0, 0, 900, 500), box(1000, 0, 900, 500)])).toBeNull()
})

describe('a plate at rest', () => {
  const q = 0.001
  it('on two bearers bends as a beam that overhangs, and presses with its weight', () => {
    const [L, W, t, a] = [1200, 300, 40, 250]
    const p = plate([box(0, 0, L, W)], 30, t, 0)
    const points = [...line(a, 0, W, 50), ...line(L - a, 0, W, 50)]
    const { reactions, stress } = p.rest(
      p.pressed(() => q),
      points,
    )
    expect(reactions.reduce((s, r) => s + r, 0) / (q * area(p))).toBeCloseTo(1, 3)
    // Middle: q l^2/8 - q a^2/2 over t^2/6; at the bearers q a^2/2.
    const middle = ((q * (L - 2 * a) ** 2) / 8 - (q * a * a) / 2) * (6 / t ** 2)
    expect(most(p, stress, 0, ([x]) => Math.abs(x - L / 2) < 30) / middle).toBeCloseTo(1, 1)
    const over = ((q * a * a) / 2) * (6 / t ** 2)
    // Averaged over a triangle's length the peak over a bearer is a little less.
    expect(most(p, stress, 0, ([x]) => Math.abs(x - a) < 30) / over).toBeGreaterThan(0.85)
    expect(most(p, stress, 0, ([x]) => Math.abs(x - a) < 30) / over).toBeLessThan(1.05)
    expect(Math.sign(stress[3 * p.middles.findIndex(([x]) => Math.abs(x - L / 2) < 30)]!)).toBe(1)
  })

  it('lifts off what would have to hold it down', () => {
    // Three bearers, the load on one end only: the far one carries nothing.
    const p = plate([box(0, 0, 1200, 300)], 40, 40)
    const points = [100, 500, 1150].flatMap((x) => line(x, 0, 300, 100))
    const { reactions } = p.rest(
      p.pressed(() => 1e-9),
      points,
      [{ at: [150, 150], force: 500 }],
    )
    expect(reactions.every((r) => r >= -1e-6)).toBe(true)
    expect(reactions.slice(8).reduce((s, r) => s + r, 0)).toBeLessThan(1)
    expect(reactions.reduce((s, r) => s + r, 0)).toBeCloseTo(500, 0)
  })

  it.each<[string, Point[]]>([
    ['one line', line(600, 0, 300, 50)],
    [
      'two points',
      [
        [100, 100],
        [900, 200],
      ],
    ],
    ['all on one side of it', [...line(50, 0, 300, 100), ...line(200, 0, 300, 100)]],
  ])('says that it would tip: %s', (_, points) => {
    const p = plate([box(0, 0, 1200, 300)], 60, 40)
    expect(() =>
      p.rest(
        p.pressed(() => q),
        points,
      ),
    ).toThrow(UnstablePlate)
  })

  it('is as stiff where it is thick as the cube of that', () => {
    const mesh = planMesh([box(0, 0, 1000, 200)], 50)
    const deflection = (t: number) => {
      const p = new RestingPlate(mesh, new Float64Array(mesh.triangles.length).fill(t), 25_000, 0)
      return Math.max(
        ...p.rest(
          p.pressed(() => q),
          [...line(0, 0, 200, 50), ...line(1000, 0, 200, 50)],
        ).deflection,
      )
    }
    expect(deflection(30) / deflection(60)).toBeCloseTo(8, 3)
  })
})

describe('stress is raised', () => {
  /** A strip in pure bending: two bearers, equal loads outside them; the moment between is even. */
  const strip = (hole: readonly Point[], size: number, W: number) => {
    const [L, t] = [1000, 40]
    const p = plate([box(0, 0, L, W), [...hole]], size, t)
    const force = 1000
    const n = 17
    const loads = [20, L - 20].flatMap((x) =>
      Array.from({ length: n }, (_, i) => ({ at: [x, (W * (i + 0.5)) / n] as const, force: force / n })),
    )
    const found = p.rest(
      p.pressed(() => 0),
      [...line(140, 0, W, 40), ...line(L - 140, 0, W, 40)],
      loads,
    )
    return { p, stress: found.stress, even: (force * 120 * 6) / (W * t * t) }
  }
  it('at a round hole by (5 + 3 nu)/(3 + nu), as for thin plates', () => {
    const { p, stress, even } = strip(round(500, 210, 35, 96), 13, 420)
    const raised = most(p, stress, 0, ([x, y]) => Math.abs(Math.hypot(x - 500, y - 210) - 35) < 6) / even
    expect(raised / ((5 + 3 * 0.2) / (3 + 0.2))).toBeGreaterThan(0.95)
    expect(raised / ((5 + 3 * 0.2) / (3 + 0.2))).toBeLessThan(1.05)
  })
  it('beside a square opening as a finer mesh finds it', () => {
    const hole = box(420, 120, 160, 160).reverse()
    const beside = (size: number) => {
      const { p, stress, even } = strip(hole, size, 400)
      const near = p.middles.flatMap(([x, y], e) =>
        Math.abs(x - 500) < 60 && y > 290 && y < 390 ? [[stress[e * 3]!, p.areas[e]!] as const] : [],
      )
      return Math.abs(near.reduce((s, [v, a]) => s + v * a, 0) / near.reduce((s, [, a]) => s + a, 0)) / even
    }
    expect(beside(40) / beside(18)).toBeGreaterThan(0.95)
    expect(beside(40) / beside(18)).toBeLessThan(1.05)
  })
})
