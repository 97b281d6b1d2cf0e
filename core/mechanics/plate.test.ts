import { describe, expect, it } from 'vitest'
import {
  grainStiffness,
  type PlateMesh,
  type PlateSupport,
  plateStiffness,
  rectangleMesh,
  solvePlate,
} from './plate.ts'

const [E, T, NU] = [2000, 18, 0.3]
const D = (nu: number) => (E * T ** 3) / (12 * (1 - nu * nu))

type Edge = 'pinned' | 'clamped' | 'free'
function edges(
  { nodes }: PlateMesh,
  [a, b]: readonly [number, number],
  held: { left: Edge; right: Edge; low: Edge; high: Edge },
): PlateSupport[] {
  return nodes.flatMap(([x, y], node): PlateSupport[] => {
    const on = [
      x === 0 ? held.left : 'free',
      x === a ? held.right : 'free',
      y === 0 ? held.low : 'free',
      y === b ? held.high : 'free',
    ] as const
    if (on.every((e) => e === 'free')) return []
    const upright = on[0] !== 'free' || on[1] !== 'free'
    const level = on[2] !== 'free' || on[3] !== 'free'
    return [
      {
        node,
        deflection: true,
        // Along a held edge the slope is nothing; a clamp holds the other slope too.
        slopeY: upright || on[2] === 'clamped' || on[3] === 'clamped',
        slopeX: level || on[0] === 'clamped' || on[1] === 'clamped',
      },
    ]
  })
}
const ALL = (edge: Edge) => ({ left: edge, right: edge, low: edge, high: edge })

describe('uniform pressure, against Timoshenko and Woinowsky-Krieger', () => {
  it.each([
    [1, 0.00406, 0.0479, 0.0442],
    [1.5, 0.00772, 0.0812, 0.0784],
    [2, 0.01013, 0.1017, 0.0999],
  ])('simply supported, b/a %d', (ratio, deflection, moment03, moment02) => {
    const [a, q] = [400, 0.01]
    for (const [nu, moment] of [
      [0.3, moment03],
      [0.2, moment02],
    ] as const) {
      const mesh = rectangleMesh(a * ratio, a, Math.round(20 * ratio), 20)
      const { deflection: w, moments } = solvePlate(
        mesh,
        plateStiffness(E, T, nu),
        edges(mesh, [a * ratio, a], ALL('pinned')),
        () => q,
      )
      expect(Math.max(...w) / ((q * a ** 4) / D(nu)) / deflection).toBeCloseTo(1, 2)
      const most = Math.max(...mesh.triangles.map((_, e) => moments[e * 3 + 1]!))
      expect(Math.abs(most / (q * a * a) / moment - 1)).toBeLessThan(0.01)
    }
  })
  it('clamped square: 0.00126 q a^4/D, and 0.0513 q a^2 along its edge', () => {
    const [a, q] = [500, 0.02]
    const mesh = rectangleMesh(a, a, 32, 32)
    const { deflection: w, moments } = solvePlate(
      mesh,
      plateStiffness(E, T, NU),
      edges(mesh, [a, a], ALL('clamped')),
      () => q,
    )
    expect(Math.abs(Math.max(...w) / ((q * a ** 4) / D(NU)) / 0.00126 - 1)).toBeLessThan(0.01)
    // Moments are known at the middles of triangles: carried on to the edge from the two nearest.
    const column = mesh.triangles
      .map((t, e) => ({
        x: t.reduce((sum, n) => sum + mesh.nodes[n]![0], 0) / 3,
        y: t.reduce((sum, n) => sum + mesh.nodes[n]![1], 0) / 3,
        m: -moments[e * 3 + 1]!,
      }))
      .filter(({ x }) => Math.abs(x - a / 2) < a / 32)
    const mean = (rows: typeof column) => ({
      y: rows.reduce((s, r) => s + r.y, 0) / rows.length,
      m: rows.reduce((s, r) => s + r.m, 0) / rows.length,
    })
    const step = a / 32
    const [first, second] = [
      mean(column.filter(({ y }) => y < step)),
      mean(column.filter(({ y }) => y > step && y < 2 * step)),
    ]
    const edge = first.m + ((first.m - second.m) / (second.y - first.y)) * first.y
    expect(Math.abs(edge / (q * a * a) / 0.0513 - 1)).toBeLessThan(0.03)
  })
})

it.each([
  [0.25, 0.00082],
  [0.5, 0.00229],
  [1, 0.00368],
])('a side with a free top under a full liquid, depth/length %d: %d q0 a^4/D', (ratio, factor) => {
  const [a, q0] = [800, 0.01]
  const b = a * ratio
  const mesh = rectangleMesh(a, b, 32, Math.max(8, Math.round(32 * ratio)))
  const { deflection: w } = solvePlate(
    mesh,
    plateStiffness(E, T, NU),
    edges(mesh, [a, b], { left: 'pinned', right: 'pinned', low: 'pinned', high: 'free' }),
    ([, y]) => q0 * (1 - y / b),
  )
  const top = mesh.nodes.findIndex(([x, y]) => x === a / 2 && y === b)
  expect(Math.abs(w[top]! / ((q0 * a ** 4) / D(NU)) / factor - 1)).toBeLessThan(0.01)
})

describe('beams', () => {
  const [L, B, q] = [600, 30, 0.01]
  const beam = (low: Edge, high: Edge, load: (y: number) => number, rows = 40) => {
    const mesh = rectangleMesh(B, L, 4, rows)
    const supports = edges(mesh, [B, L], { left: 'free', right: 'free', low, high }).map((s) => ({
      ...s,
      // A strip bends one way: it may turn about its length.
      slopeX: false,
    }))
    return Math.max(...solvePlate(mesh, plateStiffness(E, T, 0), supports, ([, y]) => load(y)).deflection)
  }
  it('a strip on two supports bends as a beam: 5 q L^4/(384 E I)', () =>
    expect(beam('pinned', 'pinned', () => q) / ((5 * q * L ** 4) / (384 * D(0)))).toBeCloseTo(1, 2))
  it('a cantilever under a liquid bends by w L^4/(30 E I)', () =>
    expect(beam('clamped', 'free', (y) => q * (1 - y / L)) / ((q * L ** 4) / (30 * D(0)))).toBeCloseTo(1, 2))
  it('converges', () => {
    const exact = (q * L ** 4) / (8 * D(0))
    const off = [4, 8, 16, 32].map((rows) => Math.abs(beam('clamped', 'free', () => q, rows) / exact - 1))
    for (let i = 1; i < off.length; i += 1) expect(off[i]!).toBeLessThan(off[i - 1]! / 2)
  })
})

it('a board with a grain bends by the stiffness of the way it spans', () => {
  const mesh = rectangleMesh(30, 600, 4, 40)
  const supports = edges(mesh, [30, 600], { left: 'free', right: 'free', low: 'pinned', high: 'pinned' }).map(
    (s) => ({ ...s, slopeX: false }),
  )
  const bow = (alongX: number, alongY: number) =>
    Math.max(...solvePlate(mesh, grainStiffness(alongX, alongY, T, 0), supports, () => 0.01).deflection)
  expect(bow(7000, 9500) / bow(9500, 7000)).toBeCloseTo(7000 / 9500, 3)
})

it('says that a plate held nowhere is free', () => {
  const mesh = rectangleMesh(100, 100, 2, 2)
  expect(() => solvePlate(mesh, plateStiffness(E, T, NU), [], () => 0.01)).toThrow(/not held/)
})
