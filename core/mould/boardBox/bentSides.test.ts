import { describe, expect, it } from 'vitest'
import type { Piece } from '../../job/index.ts'
import { explainBy, type MouldPatch, plainSide, withChoice } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { METRIC } from '../../testing/says.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { MOULD_WORDS, planMouldStation } from '../index.ts'
import { developedLength, kerfs, ribHeights, ribSpacing, ringLength } from './bentSides.ts'

const kernel = await testKernel()

describe('bent strips', () => {
  it.each([
    ['r 60, 3 mm, quarter turn, convex', 60, 3, true, 96.6],
    ['the same concave', 60, 3, false, 91.89],
    ['r 260, 5 mm, quarter turn, convex', 260, 5, true, 412.3],
  ])('%s', (_, radius, s, convex, length) =>
    expect(developedLength(radius, Math.PI / 2, s, convex)).toBeCloseTo(length, 1),
  )
  it('a ring round a disc of 400 in 0.3 mm flashing, overlap 30: 1287.6', () =>
    expect(ringLength(400, 0.3, 30)).toBeCloseTo(1287.6, 1))
  it('hardboard 3 mm under 10 kPa wants a rib every 91 mm', () =>
    expect(ribSpacing(4000, 3, 10)).toBeCloseTo(91, 0))
  it('ribs stand from foot to top, none further apart than asked', () => {
    for (const [high, t, spacing] of [
      [63, 18, 91],
      [400, 18, 91],
      [20, 18, 91],
      [10, 18, 50],
    ] as const) {
      const at = ribHeights(0, high, t, spacing)
      expect(at[0]).toBeGreaterThanOrEqual(0)
      expect(Math.min(high, at.at(-1)! + t)).toBeLessThanOrEqual(high)
      at.slice(1).forEach((z, i) => {
        expect(z - at[i]!).toBeLessThanOrEqual(Math.max(t, spacing) + 1e-9)
        expect(z - at[i]!).toBeGreaterThanOrEqual(t - 1e-9)
      })
    }
  })
  // A web of 1.5 of a sheet of 12 that bends to 400 bends to 50: a kerf of 3 turns 0.06. At 300 that is 18, and flats of
  // sqrt(8 x 300 x 0.2) = 21.9 beside the kerf would stray no more; at 900 the flats are the closer.
  it.each<[number, number, number, number, number | null]>([
    [300, 12, 400, 3, 18],
    [900, 12, 400, 3, Math.sqrt(8 * 900 * 0.2) + 3],
    [101, 12, 400, 3, 6.06],
    [99, 12, 400, 3, null],
    [200, 3, 300, 3, null],
    [200, 2.5, 40, 3, null],
    [300, 12, 400, 0, null],
  ])(
    'kerfs for %d in %d that bends to %d by a saw of %d: every %s',
    (radius, thickness, leastRadius, kerf, spacing) => {
      const cut = kerfs(radius, { thickness, leastRadius }, kerf)
      expect(cut === null ? null : [cut.depth, cut.spacing]).toEqual(
        spacing === null ? null : [thickness - 1.5, expect.closeTo(spacing, 6)],
      )
    },
  )
})

const disc = (d: number, skin: string, s: MouldPatch = {}) => {
  const slab = testSlab({
    outline: {
      kind: 'polygon',
      corners: [
        { x: 0, y: d / 2, radius: 0, side: 'front', run: { kind: 'arc', rise: d / 2 } },
        { x: d, y: d / 2, radius: 0, side: 'back', run: { kind: 'arc', rise: d / 2 } },
      ],
    },
    sides: { front: plainSide(), back: plainSide() },
  })
  return { ...slab, mould: withChoice(slab.mould, { skin, ...s }) }
}
const plan = (piece: Piece, stock = testStock) =>
  planMouldStation(piece, planPieceStation(kernel, piece, 2300, true), stock, stock.mixes[0]!, { kernel })

it('goes round a disc with one skin, lapped on itself, on half ribs', () => {
  const { station } = plan(disc(400, 'skin-flashing', { overlap: 30 }))
  const rows = station!.figures.cutList
  const ring = rows.find((r) => r.shape === 'bent')!
  expect([ring.name, ring.count, ring.widthMm]).toEqual(['ring skin', 1, 63])
  expect(ring.lengthMm).toBeCloseTo(1287.6, 1)
  const rib = rows.find((r) => r.shape === 'rib')!
  expect(rib.radiusMm).toBeCloseTo(200.3, 6)
  expect(rib.lengthMm).toBeCloseTo(2 * 250.3, 1)
  expect(rows.some((r) => r.role === 'strip')).toBe(false)
})
it.each<[string, number, string, string, string]>([
  ['goes', 700, 'skin-hardboard-3', '', ''],
  ['goes when wetted', 500, 'skin-hardboard-3', 'warn', 'skin-birch-3'],
  ['does not go', 240, 'skin-hardboard-3', 'stop', 'skin-petg-1'],
  ['tighter than anything', 30, 'skin-vinyl-2', 'stop', ''],
])('a disc of that size: %s', (_, d, skin, level, remedy) => {
  const { findings } = plan(disc(d, skin))
  const bend = findings.find((f) => f.code === 'bend-too-tight')
  expect(bend?.level ?? '').toBe(level)
  const [change] = bend?.remedies[0]?.changes ?? []
  expect(change?.type === 'mouldChosen' ? (change.patch.skin ?? '') : '').toBe(remedy)
  if (bend) expect(explainBy(MOULD_WORDS, bend, METRIC)!.why).not.toMatch(/undefined|NaN/)
})
it('names the sheet that is not in stock', () => {
  const { findings, station } = plan(disc(500, 'gone'))
  expect(findings.map((f) => [f.code, f.level])).toContainEqual(['skin-missing', 'stop'])
  expect(station!.parts.some((p) => p.role === 'rib')).toBe(false)
})
