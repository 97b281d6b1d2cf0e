import { describe, expect, it } from 'vitest'
import { measureSolid, openKernel } from './geometry/index.ts'
import { applyChange, type Panel, type SlabPiece } from './job/index.ts'
import { partOutlines, planMouldStation } from './mould/index.ts'
import { planPieceStation } from './piece/index.ts'
import { testJob, testSlab, testStock } from './testing/testPiece.ts'

const kernel = await openKernel({ coarser: 4 })
const path = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y], i) => ({ x, y, radius: 0, side: `s${i}`, run: { kind: 'line' as const } }))
const box = (x: number, y: number, l: number, w: number) =>
  path([
    [x, y],
    [x + l, y],
    [x + l, y + w],
    [x, y + w],
  ])
/** Drawn somewhere else than where it is placed: its middle is what counts. */
const field = (
  islands: ReturnType<typeof path>[],
  over: Partial<Extract<Panel, { kind: 'field' }>> = {},
): Panel => ({
  kind: 'field',
  id: 'f',
  name: 'star field',
  shape: { kind: 'drawn', corners: box(1000, -300, 300, 200), islands },
  u: 50,
  v: -20,
  rise: -5,
  draftDeg: 0,
  ...over,
})
const slab = (panel: Panel): SlabPiece => testSlab({ thickness: 40, panels: [panel] })
const plan = (piece: SlabPiece, quick = false) => planPieceStation(kernel, piece, 2300, quick)
const whole = 900 * 500 * 40
const ISLAND = box(1100, -250, 100, 50)
// A frustum between two rectangles: h/3 (A + B + sqrt(A B)) does not hold for unlike sides; the prismoid does:
// h/6 (A + 4 M + B), M at mid height.
const prismoid = (l: number, w: number, h: number, lean: number) =>
  (h / 6) * (l * w + 4 * (l + lean) * (w + lean) + (l + 2 * lean) * (w + 2 * lean))

describe('a field from an outline with islands', () => {
  const lean = 5 * Math.tan((20 * Math.PI) / 180)
  it.each<[string, Panel, number]>([
    ['sunk, no island', field([]), -300 * 200 * 5],
    ['sunk round an island', field([ISLAND]), -(300 * 200 - 100 * 50) * 5],
    [
      'raised round two',
      field([ISLAND, box(1220, -200, 40, 40)], { rise: 6 }),
      (300 * 200 - 100 * 50 - 40 * 40) * 6,
    ],
    [
      'sunk with draft: the field narrows and the island widens downward',
      field([ISLAND], { draftDeg: 20 }),
      -(prismoid(300 - 2 * lean, 200 - 2 * lean, 5, lean) - prismoid(100, 50, 5, lean)),
    ],
  ])('%s', (_, panel, volume) => {
    for (const quick of [true, false])
      expect(plan(slab(panel), quick).figures.volumeLitres * 1e6).toBeCloseTo(whole + volume, -1)
    expect(plan(slab(panel)).findings.filter((f) => f.level === 'stop')).toEqual([])
  })

  it.each<[string, ReturnType<typeof path>]>([
    ['outside it', box(1400, -250, 50, 50)],
    ['over its edge', box(1250, -250, 100, 50)],
    ['round all of it', box(900, -400, 600, 500)],
    [
      'that crosses itself',
      path([
        [1100, -250],
        [1200, -200],
        [1200, -250],
        [1100, -200],
      ]),
    ],
  ])('is refused with an island %s, and a remedy cures it', (_, island) => {
    const piece = slab(field([island]))
    const found = plan(piece).findings.find((f) => f.code === 'panel-closes')!
    expect(found.level).toBe('stop')
    const after = found.remedies[0]!.changes.reduce(applyChange, testJob(piece)).pieces[0] as SlabPiece
    expect(plan(after).findings.filter((f) => f.level === 'stop')).toEqual([])
  })
  it('beside the slab it is told as any feature is', () => {
    expect(plan(slab(field([ISLAND], { u: 700 }))).findings.map((f) => f.code)).toContain('feature-outside')
  })

  it('is formed in the mould by a former with the islands cut out of it, drawn for the saw', () => {
    const piece = slab(field([ISLAND], { rise: -18 }))
    const { station } = planMouldStation(piece, plan(piece), testStock, testStock.mixes[0]!, { kernel })
    const former = station!.parts.find((p) => p.role === 'former')!
    const volume = kernel.withSolids((s) => measureSolid(s.solid(former.recipe).body).volume)
    expect(volume / ((300 * 200 - 100 * 50) * 18)).toBeCloseTo(1, 3)
    const drawn = [...partOutlines(station!.parts), ...station!.outlines].find((o) =>
      o.name.includes('star field'),
    )!
    expect(drawn.loops).toHaveLength(2)
  })
})
