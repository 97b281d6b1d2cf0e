import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measureSolid, openKernel } from '../../geometry/index.ts'
import type { SlabPiece } from '../../job/index.ts'
import { choiceFor, withChoice } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planMouldStation } from '../index.ts'

const kernel = await openKernel({ coarser: 4 })
const sheet = testStock.foams[0]!
const plan = (length: number, width: number, thickness: number) => {
  const piece: SlabPiece = testSlab({
    outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] },
    thickness,
  })
  const own = {
    ...piece,
    mould: withChoice(piece.mould, { method: 'layers' as const, layerStock: sheet.id }),
  }
  const station = planPieceStation(kernel, own, 2300, false)
  return planMouldStation(own, station, testStock, testStock.mixes[0]!, { kernel, quick: false })
}

describe('layers larger than their sheet', () => {
  it.each<[number, number, number]>([
    [300, 200, 1],
    [1500, 400, 2],
    [400, 1500, 2],
    [2000, 900, 4],
  ])('%d x %d is pieced together from %d a layer', (length, width, each) => {
    const { station, findings } = plan(length, width, 50)
    const parts = station!.parts.filter((p) => p.role === 'layer')
    const layers = new Set(parts.map((p) => p.id.split('/')[1]))
    expect(parts.length).toBe(layers.size * each)
    expect(findings.map((f) => f.code)).not.toContain('larger-than-sheet')
  })
  it('pieces fill the block, each goes on a sheet, and joints of one layer lie off the next', () => {
    const size = fc.integer({ min: 200, max: 2600 })
    fc.assert(
      fc.property(size, size, (length, width) => {
        const { station } = plan(length, width, 60)
        const parts = station!.parts.filter((p) => p.role === 'layer')
        const margin = choiceFor(testSlab().mould, 'layers').blockMargin
        const solids = kernel.withSolids((s) => parts.map((p) => measureSolid(s.solid(p.recipe).body)))
        const deep = Math.max(...solids.map((b) => b.max[2])) - Math.min(...solids.map((b) => b.min[2]))
        for (const [i, p] of parts.entries()) {
          const { volume } = solids[i]!
          expect([p.id, volume > 100]).toEqual([p.id, true])
          const { weightKg } = station!.figures.parts.find((q) => q.id === p.id)!
          if (parts.length > 3)
            expect([p.id, weightKg / (volume * sheet.densityKgPerM3 * 1e-9)]).toEqual([
              p.id,
              expect.closeTo(1, 4),
            ])
        }
        const block = (length + 2 * margin) * (width + 2 * margin) * deep - length * width * 60
        expect(solids.reduce((sum, b) => sum + b.volume, 0) / block).toBeCloseTo(1, 6)
        const room = [sheet.length, sheet.width]
          .map((n) => n - 2 * testSlab().mould.trim)
          .sort((a, b) => b - a)
        for (const p of parts) {
          expect(Math.max(p.lengthMm, p.widthMm)).toBeLessThanOrEqual(room[0]! + 1e-6)
          expect(Math.min(p.lengthMm, p.widthMm)).toBeLessThanOrEqual(room[1]! + 1e-6)
        }
        const joints = (layer: number) =>
          parts.flatMap((p, i) => (p.id.startsWith(`layer/${layer}/`) ? [solids[i]!.max[0].toFixed(3)] : []))
        const inner = (layer: number) => new Set(joints(layer).filter((x) => Number(x) < length + margin - 1))
        const [a, b] = [inner(1), inner(2)]
        for (const x of a) expect(b.has(x)).toBe(false)
      }),
      { seed: 3, numRuns: 12 },
    )
  })
})
