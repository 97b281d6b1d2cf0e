import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../../geometry/index.ts'
import { newBox, newFitted, newSwept, newTurned, type Piece, plainSide } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { noMemo } from '../../station.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { footingOf, offeredDepth } from './footing.ts'
import { planStanding, standingFindings } from './standing.ts'
import { pushToTip, tiltToTip } from './tipping.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const stele = (depth = 0): Piece => {
  const piece = testSlab({
    outline: { kind: 'rectangle', length: 150, width: 150, radii: [0, 0, 0, 0] },
    thickness: 1200,
    attitude: { down: 'bottom', turnDeg: 0 },
  })
  return { ...piece, steel: { ...piece.steel, standing: { how: depth > 0 ? 'footing' : 'free', depth } } }
}
const plan = (piece: Piece) => {
  const { geometry, figures } = planPieceStation(kernel, piece, 2300, false)
  const standing = planStanding(kernel, piece, geometry, figures, figures.concreteKg, noMemo)!
  return { ...standing, findings: standingFindings(piece, geometry, standing, figures.concreteKg) }
}
const bench = (foot: readonly [number, number]) =>
  newSwept(told, testStock, {
    width: 500,
    corners: [
      [foot[0], 0],
      [foot[1], 0],
      [foot[1], 400],
      [900, 400],
      [900, 470],
      [0, 470],
      [0, 400],
      [foot[0], 400],
    ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: { kind: 'line' } })),
  })

describe('by hand', () => {
  it('100 kg, x 150, h 800 tips at 184 N, z 400 at 20.6 degrees', () => {
    expect(pushToTip(100, 150, 800)).toBeCloseTo(184, 0)
    expect(tiltToTip(150, 400)).toBeCloseTo(20.6, 1)
  })
  it('a footing is its hole less the piece', () => {
    const f = footingOf(300, 1200, 212, 150 * 150)
    expect(f).toMatchObject({ above: 900, hole: 412, digs: 400 })
    expect(f.concreteLitres).toBeCloseTo(((Math.PI / 4) * 412 ** 2 - 22_500) * 300e-6, 6)
    expect(offeredDepth(1200)).toBe(300)
  })
})

it.each<[string, Piece, { push: number; codes: [string, string][] }]>([
  // 62.1 kg, x 75, pushed at 1 m: 45.7 N
  ['a stele of 150 x 150 x 1200', stele(), { push: 45.7, codes: [['tips', 'stop']] }],
  ['set 300 into the ground', stele(300), { push: 45.7, codes: [] }],
  ['set 100 into the ground', stele(100), { push: 45.7, codes: [['footing-shallow', 'warn']] }],
  ['a slab that lies', testSlab(), { push: Number.NaN, codes: [] }],
  [
    'a drum of 300 x 620',
    newTurned(told, testStock, { turned: { form: 'cylinder', diameter: 300, height: 620 } }),
    { push: (0.15 ** 2 * Math.PI * 0.62 * 2300 * 9.81 * 150) / 620, codes: [] },
  ],
  [
    'a planter that ends below the knee',
    newBox(told, testStock),
    { push: Number.NaN, codes: [['tips', 'note']] },
  ],
  [
    'a ball on a point',
    newTurned(told, testStock, { turned: { form: 'sphere', diameter: 400, foot: 0 } }),
    { push: Number.NaN, codes: [['tips', 'stop']] },
  ],
])('%s', (_, piece, { push, codes }) => {
  const { tipping, findings } = plan(piece)
  if (Number.isFinite(push)) expect(tipping!.pushN / push).toBeCloseTo(1, 2)
  expect(findings.map((f) => [f.code, f.level])).toEqual(codes)
})

it('a bench tips under someone who sits beyond its foot, and one on a wide foot does not', () => {
  expect(plan(bench([350, 550])).findings.map((f) => f.code)).toContain('tips-sat-on')
  expect(plan(bench([60, 840])).findings).toEqual([])
})

it('what sits on something else, or hangs below its rails, is not said to stand', () => {
  const at = (piece: Piece) => {
    const { geometry, figures } = planPieceStation(kernel, piece, 2300, false)
    return planStanding(kernel, piece, geometry, figures, figures.concreteKg, noMemo)
  }
  expect(at(newFitted(told, testStock))).toBeNull()
  const apron = { ...plainSide(), apron: { drop: 100, thickness: 40 } }
  expect(at(testSlab({ sides: { ...testSlab().sides, front: apron } }))).toBeNull()
})

it('the cure is tried: set as deep as offered it tips no more', () => {
  const [found] = plan(stele()).findings
  const [change] = found!.remedies[0]!.changes as unknown as [{ patch: Partial<Piece['steel']> }]
  expect(plan({ ...stele(), steel: { ...stele().steel, ...change.patch } }).findings).toEqual([])
})
