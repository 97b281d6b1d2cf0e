import { describe, expect, it } from 'vitest'
import { measureSolid, openKernel, type SolidRecipe } from '../../geometry/index.ts'
import { applyChange, explainBy, newSwept, type SweptPiece, withChoice } from '../../job/index.ts'
import { planPieceStation, pouredPlacement } from '../../piece/index.ts'
import { METRIC } from '../../testing/says.ts'
import { testJob, testStock } from '../../testing/testPiece.ts'
import { partIdsOf } from '../../work/index.ts'
import { MOULD_WORDS, planMouldStation } from '../index.ts'

const kernel = await openKernel({ coarser: 6 })
const mix = testStock.mixes[0]!
const bare = newSwept({ id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
  width: 300,
})
type Cut = SweptPiece['separators'][number]
const parted = (cuts: readonly Partial<Cut>[], method: 'ribs' | 'packed' = 'ribs'): SweptPiece => ({
  ...bare,
  attitude: { down: 'end/front', turnDeg: 0 },
  separators: cuts.map((c, i) => ({ id: `cut-${i}`, at: 200, leanDeg: 0, gap: 3, ...c })),
  mould: withChoice(bare.mould, { method, skin: 'skin-vinyl-2' }),
})
const planned = (piece: SweptPiece) => {
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  const { station, findings } = planMouldStation(piece, pieceStation, testStock, mix, { kernel })
  const by = pouredPlacement(piece.attitude, pieceStation.geometry)
  const cast: SolidRecipe = { kind: 'moved', solid: pieceStation.geometry.recipe!, by }
  return { pieceStation, station: station!, findings, cast }
}
const volume = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body).volume)
const common = (a: SolidRecipe, b: SolidRecipe) =>
  Math.min(volume({ kind: 'intersection', of: [a, b] }), volume({ kind: 'intersection', of: [b, a] }))

describe.each(['ribs', 'packed'] as const)('blocks parted in one %s mould', (method) => {
  it.each<[string, Partial<Cut>[]]>([
    ['one upright', [{}]],
    ['one that leans', [{ leanDeg: 25, gap: 5 }]],
    ['two, one after the other', [{ at: 120 }, { at: 260, leanDeg: -8, gap: 5 }]],
    ['a thick one', [{ gap: 18 }]],
  ])('%s: skin round the whole, a separator in each gap, nothing in one another', (_, cuts) => {
    const { station, cast, pieceStation } = planned(parted(cuts, method))
    const whole = planned(parted([], method))
    const skins = (s: typeof station) => s.parts.filter((p) => p.role === 'skin')
    expect(skins(station).map((p) => p.lengthMm)).toEqual(skins(whole.station).map((p) => p.lengthMm))
    const separators = station.parts.filter((p) => p.role === 'separator')
    expect(separators.map((p) => p.thicknessMm)).toEqual(cuts.map((c) => c.gap ?? 3))
    // What the blocks lack of the whole is the separators.
    const lacks = volume(whole.cast) - volume(cast)
    expect(separators.reduce((sum, p) => sum + volume(p.recipe), 0) / lacks).toBeCloseTo(1, 4)
    for (const [i, p] of separators.entries()) {
      expect(common(p.recipe, cast)).toBeLessThan(1)
      for (const other of station.parts.filter((q) => q !== p && q.role !== 'base'))
        expect(common(p.recipe, other.recipe)).toBeLessThan(1)
      expect(p.widthMm).toBeCloseTo(300, 6)
      // It spans the height of the profile at most, along its lean.
      const lean = ((cuts[i]!.leanDeg ?? 0) * Math.PI) / 180
      expect(p.lengthMm).toBeLessThan(
        pieceStation.geometry.height / Math.cos(lean) + p.thicknessMm * Math.tan(Math.abs(lean)) + 1e-3,
      )
      expect(p.lengthMm * p.thicknessMm * p.widthMm).toBeGreaterThan(volume(p.recipe) - 1)
      expect(station.operations.some((op) => partIdsOf(op).includes(p.id))).toBe(true)
      expect(station.off.some((u) => u.partIds.includes(p.id))).toBe(true)
      expect(station.figures.cutList.some((r) => r.partIds.includes(p.id))).toBe(true)
    }
  })

  it('has none where blocks touch', () => {
    const { station } = planned(parted([{ gap: 0 }], method))
    expect(station.parts.filter((p) => p.role === 'separator')).toEqual([])
  })

  it('says that no sheet is as thick, and takes the nearest', () => {
    const piece = parted([{ gap: 4.1 }], method)
    const { findings, station } = planned(piece)
    const found = findings.find((f) => f.code === 'separator-no-sheet')!
    expect(found.level).toBe('note')
    const words = explainBy(MOULD_WORDS, found, METRIC)!
    expect(words.what).toBe('No sheet in stock is 4.1 mm thick for the separator')
    expect(`${words.why} ${words.remedy}`).not.toMatch(/undefined|NaN/)
    const [separator] = station.parts.filter((p) => p.role === 'separator')
    expect(station.figures.cutList.some((r) => r.partIds.includes(separator!.id))).toBe(false)
    const [cured] = found.remedies[0]!.changes.reduce(applyChange, testJob(piece)).pieces as SweptPiece[]
    expect(planned(cured!).findings.map((f) => f.code)).not.toContain('separator-no-sheet')
  })
})
