import { describe, expect, it } from 'vitest'
import { measureSolid, openKernel } from '../../geometry/index.ts'
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
import { diameterAt, leastDraft, narrowsAt, vesselVolume, wallGrowth } from './vessel.ts'

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
  it('is for round pieces that stand', () => {
    const slab = testSlab()
    expect(whyNoMould({ ...slab, mould: withChoice(slab.mould, { method: 'found' }) })).toBe(
      'it is not round',
    )
  })
})
