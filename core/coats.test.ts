import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { mouldDefaults, type Outline, type SlabPiece, withChoice } from './job/index.ts'
import { planPieceStation } from './piece/index.ts'
import { planPiece } from './plan.ts'
import { coatsOf } from './steel/coats.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testSlab, testStock } from './testing/testPiece.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const premix = testStock.mixes.find((m) => m.family === 'glass-fibre')!
const panel = (thickness: number, over: Partial<SlabPiece['steel']> = {}, mix = premix.id): SlabPiece => {
  const slab = testSlab({
    outline: { kind: 'rectangle', length: 1000, width: 500, radii: [0, 0, 0, 0] } as Outline,
    thickness,
    openings: [],
  })
  return { ...slab, mix: { ...slab.mix, mix }, steel: { ...slab.steel, kind: 'coats', ...over } }
}
const plan = (piece: SlabPiece) => planPiece(kernel, testJob(piece), piece)
const codes = (piece: SlabPiece) => plan(piece).findings.map((f) => f.code)

describe('glass-fibre coats', () => {
  it('of a panel: a face over all that lies against the mould, the rest behind it', () => {
    const coats = coatsOf(panel(15), planPieceStation(kernel, panel(15), 2050, false), 2150)!
    expect(coats.faceM2).toBeCloseTo(0.5 + 3 * 0.015, 3)
    expect(coats.faceLitres).toBeCloseTo(0.545 * 3, 2)
    expect(coats.backLitres).toBeCloseTo(7.5 - 0.545 * 3, 2)
    expect(coats.glassKg).toBeCloseTo((coats.backLitres / 1000) * 2150 * 0.025, 6)
    expect([coats.backMm, coats.goCount]).toEqual([12, 1])
    // A field that leaves 10 leaves 7 of back.
    expect(coatsOf(panel(15), planPieceStation(kernel, panel(15), 2050, false), 2150, 10)!.backMm).toBe(7)
    expect(
      coatsOf(
        { ...panel(15), steel: { ...panel(15).steel, kind: 'fibre' } },
        planPieceStation(kernel, panel(15), 2050, false),
        2150,
      ),
    ).toBeNull()
  })
  it('is mixed face and back apart, glass in the back alone, and placed in that order with a wait between', () => {
    const { work, stations } = plan(panel(15))
    const { batches, fibreKg } = stations.mix!.figures
    expect(batches.map((b) => [b.number, b.coat, b.fibreKg > 0])).toEqual([
      [1, 'face', false],
      [2, 'back', true],
    ])
    expect(batches[0]!.bags).toBe(0.5)
    expect(fibreKg).toBeCloseTo((batches[1]!.litres / 1000) * premix.freshKgPerM3 * 0.025, 6)
    const ids = work.map((op) => op.id)
    const order = ['mix/1', 'place/1', 'wait/face', 'mix/2', 'place/2', 'compact'].map((id) =>
      ids.indexOf(id),
    )
    expect(order).toEqual([...order].sort((a, b) => a - b))
    expect(Math.min(...order)).toBeGreaterThan(-1)
    expect(work.some((op) => op.code === 'join-lift' || op.code === 'compact')).toBe(false)
    const sum = work.reduce(
      (s, op) => (op.code === 'place-batch' || op.code === 'place-face' ? s + op.facts.litres : s),
      0,
    )
    expect(sum).toBeCloseTo(stations.mix!.figures.volumeLitres, 6)
    const face = work.find((op) => op.code === 'place-face')!
    expect(face.facts.litres).toBeCloseTo(stations.steel!.figures.coats!.faceLitres, 6)
    // The back goes on from a quarter of its initial set.
    const back = work.find((op) => op.id === 'mix/2')!
    expect(back.startMinutes!).toBeGreaterThan(premix.initialSet / 4 - 1)
  })
  it.each<[string, SlabPiece, string, boolean]>([
    ['a thin back', panel(11), 'coats-thin', true],
    ['a back that holds', panel(12), 'coats-thin', false],
    ['handled edges', panel(14), 'coats-edges', true],
    ['15 mm', panel(15), 'coats-edges', false],
    ['a thick back', panel(30), 'coats-many', true],
    ['another mix', panel(45, {}, testStock.mixes[0]!.id), 'coats-mix', true],
    ['premix', panel(15), 'coats-mix', false],
  ])('%s', (_, piece, code, found) => expect(codes(piece).includes(code)).toBe(found))
  it('cures another mix by premix', () => {
    const piece = panel(45, {}, testStock.mixes[0]!.id)
    const { findings } = plan(piece)
    expect(findings.find((f) => f.code === 'coats-mix')!.remedies.map((r) => r.code)).toContain(
      `mix/${premix.id}`,
    )
  })
  it('stops where nobody reaches in: coats, and a mat laid as it fills; hung before, it goes', () => {
    const closed = (steel: Partial<SlabPiece['steel']>) => {
      const piece = panel(
        60,
        { kind: 'mesh', ...steel },
        steel.kind === 'coats' ? premix.id : testStock.mixes[0]!.id,
      )
      return {
        ...piece,
        mould: withChoice(piece.mould, { method: 'closed' }, mouldDefaults(testStock)),
      }
    }
    const found = (piece: SlabPiece) => {
      const { findings, stations } = plan(piece)
      expect(stations.mould!.figures.top).toBe('hole')
      return findings.filter((f) => f.code === 'steel-closed').map((f) => f.remedies.map((r) => r.code))
    }
    expect(found(closed({}))).toEqual([['hung']])
    expect(found(closed({ kind: 'coats' }))).toEqual([['none']])
    expect(found(closed({ placed: 'hung' }))).toEqual([])
  })
})
