import { describe, expect, it } from 'vitest'
import { measureSolid, openKernel, type SolidRecipe } from '../../geometry/index.ts'
import {
  applyChange,
  explainBy,
  type MouldPatch,
  newTurned,
  type TurnedForm,
  type TurnedPiece,
  withChoice,
} from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import type { Vessel } from '../../stock/index.ts'
import { METRIC } from '../../testing/says.ts'
import { testJob, testSlab, testStock } from '../../testing/testPiece.ts'
import { castBody } from '../castBody.ts'
import { MOULD_WORDS, planMouldStation, whyNoMould } from '../index.ts'
import { diameterAt, leastDraft, narrowsAt, ringsAs, vesselVolume, wallGrowth } from './vessel.ts'

const kernel = await openKernel({ coarser: 4 })
const mix = testStock.mixes[0]!
const [bucket] = testStock.vessels
const inVessel = (
  turned: TurnedForm,
  patch: MouldPatch = {},
  down: 'top' | 'bottom' = 'bottom',
): TurnedPiece => {
  const piece = newTurned({ id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, {
    turned,
    attitude: { down, turnDeg: 0 },
  })
  return { ...piece, mould: withChoice(piece.mould, { method: 'found', ...patch }) }
}
const plan = (piece: TurnedPiece, vessels = testStock.vessels) => {
  const stock = { ...testStock, vessels: [...vessels] }
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  return { pieceStation, ...planMouldStation(piece, pieceStation, stock, mix, { kernel }) }
}
const like = (over: Partial<Vessel>): Vessel[] => [{ ...bucket!, ...over }]
const fits: TurnedForm = { form: 'frustum', bottom: 220, top: 220 + (45 * 200) / 260, height: 200 }

describe('a vessel by its diameters', () => {
  const rings = [
    { height: 0, diameter: 260 },
    { height: 360, diameter: 290 },
  ]
  it.each([
    [360, (Math.PI * 360 * (260 ** 2 + 260 * 290 + 290 ** 2)) / 12],
    [180, (Math.PI * 180 * (260 ** 2 + 260 * 275 + 275 ** 2)) / 12],
    [0, 0],
    [900, (Math.PI * 360 * (260 ** 2 + 260 * 290 + 290 ** 2)) / 12],
  ])('holds to %d mm: %d mm3', (height, volume) => expect(vesselVolume(rings, height)).toBeCloseTo(volume, 3))
  it('is read between its rings, and not above its rim', () => {
    expect([0, 180, 360, 361].map((h) => diameterAt(rings, h))).toEqual([260, 275, 290, null])
    expect(leastDraft(rings, 360)).toBeCloseTo((Math.atan(15 / 360) * 180) / Math.PI, 9)
  })
  it('narrows where it does', () => {
    const urn = [...rings, { height: 400, diameter: 250 }]
    expect([narrowsAt(rings, 400), narrowsAt(urn, 400), narrowsAt(urn, 300)]).toEqual([null, 360, null])
  })
  it('grows by p r^2/(E t): 8 kPa, r 140, 1.5 mm of 900 MPa: 0.116 mm', () =>
    expect(wallGrowth(0.008, 140, 900, 1.5)).toBeCloseTo(0.1161, 3))
})

describe('a found vessel as a mould', () => {
  it('stands round the piece that has its shape, and tells what it holds', () => {
    const { station, findings, pieceStation } = plan(inVessel(fits))
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const [vessel] = station!.parts
    const body = castBody({ piece: inVessel(fits), pieceStation } as never)
    const shared = kernel.withSolids((s) =>
      measureSolid(s.solid({ kind: 'intersection', of: [vessel!.recipe, body.recipe] }).body),
    )
    expect(shared.volume).toBeLessThan(0.002 * body.volume)
    const filled = station!.figures.facts.find((f) => f.code === 'vessel-fill')!
    expect(filled.value / pieceStation.figures.volumeLitres).toBeCloseTo(1, 2)
  })
  it.each<[string, TurnedPiece, Vessel[], 'stop' | 'warn' | 'note']>([
    ['vessel-missing', inVessel(fits, { vessel: 'gone' }), testStock.vessels, 'stop'],
    [
      'vessel-short',
      inVessel({ form: 'frustum', bottom: 220, top: 265, height: 300 }),
      testStock.vessels,
      'stop',
    ],
    ['vessel-differs', inVessel({ form: 'cylinder', diameter: 230, height: 200 }), testStock.vessels, 'stop'],
    [
      'vessel-differs',
      inVessel({ form: 'cylinder', diameter: 200, height: 100 }, { vessel: 'vessel-bowl' }, 'top'),
      testStock.vessels,
      'stop',
    ],
    [
      'vessel-locks',
      inVessel({ form: 'frustum', bottom: 220, top: 200, height: 200 }),
      like({
        rings: [
          { height: 0, diameter: 220 },
          { height: 200, diameter: 200 },
        ],
      }),
      'warn',
    ],
    [
      'vessel-sticks',
      inVessel({ form: 'cylinder', diameter: 220, height: 200 }),
      like({
        rings: [
          { height: 0, diameter: 220 },
          { height: 200, diameter: 220 },
        ],
      }),
      'note',
    ],
    ['vessel-lip', inVessel(fits), like({ lip: true }), 'note'],
    ['vessel-soft', inVessel(fits), like({ elasticity: 20 }), 'warn'],
    ['vessel-measure-differs', inVessel(fits, { vesselWaterKg: 5 }), testStock.vessels, 'warn'],
    ['mould-wears-out', { ...inVessel(fits), plannedCasts: 90 }, testStock.vessels, 'note'],
  ])('%s is found, said in words, and cured where a cure is offered', (code, piece, vessels, level) => {
    const found = plan(piece, vessels).findings.find((f) => f.code === code)!
    expect([found?.code, found?.level]).toEqual([code, level])
    const words = explainBy(MOULD_WORDS, found, METRIC)!
    expect(`${words.what} ${words.why}`).not.toMatch(/undefined|NaN/)
    for (const remedy of found.remedies) {
      const job = remedy.changes.reduce(applyChange, testJob(piece))
      const after = plan(job.pieces[0] as TurnedPiece, vessels)
      expect(after.findings.filter((f) => f.level === 'stop')).toEqual([])
      expect(after.findings.map((f) => f.code)).not.toContain(code)
    }
  })
  const half = testStock.vessels.find((v) => v.id === 'vessel-half-300')!
  const [low, high] = [half.rings[0]!, half.rings.at(-1)!]
  const ball: TurnedForm = {
    form: 'profile',
    corners: [
      [0, 0],
      ...ringsAs(half.rings, 'joined').map((r) => [r.diameter / 2, r.height]),
      [0, 2 * high.height],
    ].map(([x, y], i) => ({ x: x!, y: y!, radius: 0, side: `s${i}`, run: { kind: 'line' } })),
  }
  it.each<[string, TurnedPiece, string]>([
    [
      'rim down',
      inVessel({ form: 'frustum', bottom: 265, top: 220, height: 260 }, { stands: 'upside-down' }),
      'vessel-bucket-12',
    ],
    [
      'rim down, not full',
      inVessel(
        { form: 'frustum', bottom: 265, top: 265 - (45 * 200) / 260, height: 200 },
        { stands: 'upside-down', comesOff: 'cut' },
      ),
      'vessel-bucket-12',
    ],
    ['two halves', inVessel(ball, { stands: 'joined', vessel: 'vessel-half-300' }), 'vessel-half-300'],
    [
      'two halves left on',
      inVessel(ball, { stands: 'joined', comesOff: 'left-on', vessel: 'vessel-half-300' }),
      'vessel-half-300',
    ],
    ['with a bag', inVessel(fits, { bag: true }), 'vessel-bucket-12'],
  ])('%s: stands round the piece, covers it, and what lifts is held', (_, piece, id) => {
    const { station, findings, pieceStation } = plan(piece)
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const body = castBody({ piece, pieceStation } as never)
    const parts = station!.parts.map((p) => p.recipe)
    const volume = (recipe: SolidRecipe) =>
      kernel.withSolids((s) => measureSolid(s.solid(recipe).body).volume)
    expect(volume({ kind: 'intersection', of: [body.recipe, { kind: 'union', of: parts }] })).toBeLessThan(
      0.002 * body.volume,
    )
    const vessel = testStock.vessels.find((v) => v.id === id)!
    const rings = ringsAs(vessel.rings, piece.mould.method === 'found' ? piece.mould.stands : 'upright')
    expect(vesselVolume(rings, body.height) / body.volume).toBeCloseTo(1, 2)
    const lifts = station!.figures.holdDown
    const { stands } = piece.mould as { stands: string }
    expect(lifts.length > 0).toBe(stands !== 'upright')
    // 1.5 rho g V of what would stand over the leaning wall.
    if (stands === 'upside-down') {
      const over = ((Math.PI / 4) * 265 ** 2 * body.height - vesselVolume(rings, body.height)) * 1e-9
      expect(lifts[0]!.holdForceN / (2 * mix.freshKgPerM3 * 9.81 * over)).toBeCloseTo(1, 2)
    }
    const { comesOff, bag } = piece.mould as { comesOff: string; bag: boolean }
    expect(station!.figures.lifeCasts === 1).toBe(comesOff !== 'whole')
    expect(findings.some((f) => f.code === 'bag-folds')).toBe(bag)
  })
  it('costs a cast its own vessel where each takes one, however many are planned', () => {
    for (const plannedCasts of [1, 6])
      for (const comesOff of ['cut', 'left-on'] as const) {
        const { figures } = plan({ ...inVessel(fits, { comesOff }), plannedCasts }).station!
        expect([plannedCasts, figures.materialCost]).toEqual([plannedCasts, bucket!.price])
        expect(figures.materials[0]!.amount).toBe(plannedCasts)
      }
  })
  it('is offered where two of it, or one turned over, have the shape of a piece built otherwise', () => {
    const closed = (turned: TurnedForm) => {
      const piece = inVessel(turned)
      return plan({ ...piece, mould: withChoice(piece.mould, { method: 'layers' }) }).findings.find(
        (f) => f.code === 'vessel-fits',
      )
    }
    const patch = (turned: TurnedForm) =>
      (closed(turned)?.remedies[0]?.changes[0] as { patch?: MouldPatch } | undefined)?.patch
    expect(patch(ball)).toMatchObject({ vessel: half.id, stands: 'joined' })
    expect(patch({ form: 'frustum', bottom: 265, top: 220, height: 260 })).toMatchObject({
      stands: 'upside-down',
    })
    expect(patch({ form: 'cylinder', diameter: 700, height: 100 })).toBeUndefined()
    expect(low.diameter).toBeLessThan(high.diameter)
  })
  it('is for round pieces that stand', () => {
    const slab = testSlab()
    expect(whyNoMould({ ...slab, mould: withChoice(slab.mould, { method: 'found' }) })).toBe(
      'it is not round',
    )
  })
})
