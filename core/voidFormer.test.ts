import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { holdFigure } from './hold.ts'
import { newBox, newSwept, newTurned, type Outline, type Piece } from './job/index.ts'
import { holdDimensions, planPieceStation } from './piece/index.ts'
import { planPiece } from './plan.ts'
import { voidHold } from './steel/voidHold.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testSlab, testStock } from './testing/testPiece.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const told = (id: string) => ({ id, name: id, start: '2026-05-30T09:00', zone: 'UTC' })
const lightened = <P extends Piece>(piece: P, cover: number): P => ({
  ...piece,
  voidFormer: { material: 'xps', cover, drain: 12 },
})
const block = (thickness: number) =>
  testSlab({
    outline: { kind: 'rectangle', length: 600, width: 400, radii: [0, 0, 0, 0] } as Outline,
    thickness,
  })
const drum = (height = 620) =>
  newTurned(told('drum'), testStock, { turned: { form: 'cylinder', diameter: 300, height } })
const ball = newTurned(told('ball'), testStock, { turned: { form: 'sphere', diameter: 400, foot: 0 } })
const station = (piece: Piece, quick = false) => planPieceStation(kernel, piece, 2300, quick)

describe('a void former', () => {
  it.each<[string, Piece, number, number]>([
    ['in a block: the block less its cover all round', block(300), 60, 480 * 280 * 180],
    ['in a drum', drum(), 80, Math.PI * 70 ** 2 * 460],
    [
      'in a bored drum goes round the bore',
      { ...drum(), bore: 40 } as Piece,
      40,
      Math.PI * (110 ** 2 - 60 ** 2) * 540,
    ],
  ])('%s', (_, piece, cover, volume) => {
    const bare = station(piece).figures
    for (const quick of [true, false]) {
      const { figures, geometry } = station(lightened(piece, cover), quick)
      expect(geometry.voidFormer!.volume / volume).toBeCloseTo(1, 2)
      expect(figures.voidFormer!.massKg / (volume * 33e-9)).toBeCloseTo(1, 2)
      expect((bare.volumeLitres - figures.volumeLitres) / (volume * 1e-6)).toBeCloseTo(1, 2)
      expect(bare.concreteKg - figures.concreteKg).toBeCloseTo(figures.voidFormer!.savedKg, 1)
    }
  })
  it('in a sphere keeps its cover everywhere', () => {
    const { geometry } = station(lightened(ball, 50))
    const { region, low, high, volume } = geometry.voidFormer!
    expect(volume).toBeGreaterThan(1e6)
    for (const [x, y] of region.flat())
      for (const z of [low, high]) expect(Math.hypot(x - 200, y - 200, z - 200)).toBeLessThan(150.1)
  })
  it('moves the balance away from itself', () => {
    const apart = newBox(told('box'), testStock)
    const one = station(block(300)).figures.centreOfGravity
    expect(station(lightened(block(300), 60)).figures.centreOfGravity.zMm).toBeCloseTo(one.zMm, 3)
    // One that stands in the wide foot of a taper leaves the balance higher than the solid has it.
    const cone = newTurned(told('cone'), testStock, {
      turned: { form: 'frustum', bottom: 400, top: 100, height: 600 },
    })
    const [solid, hollow] = [cone, lightened(cone, 60)].map((p) => station(p).figures.centreOfGravity.zMm)
    expect(hollow).toBeGreaterThan(solid! + 1)
    expect(station(lightened(apart, 60)).findings.map((f) => [f.code, f.level])).toContainEqual([
      'void-no-room',
      'warn',
    ])
  })
  it('is lifted by what it displaces and held against twice that, as the reference has it', () => {
    const hold = voidHold(
      {
        volumeLitres: 2,
        massKg: 0.066,
        savedKg: 4.5,
        coverMm: 50,
        lengthMm: 100,
        widthMm: 200,
        heightMm: 100,
      },
      2350,
    )!
    expect(hold.upliftN).toBeCloseTo(45.46, 1)
    expect(hold.holdForceN).toBeCloseTo(90.9, 1)
    expect(voidHold(null, 2350)).toBeNull()
  })
  it('is sized for a weight that is wanted', () => {
    const piece = lightened(block(300), 60)
    const cover = holdDimensions(piece)[0]!
    expect(cover.key).toBe('void-cover')
    const answer = holdFigure(
      kernel,
      testJob(piece),
      piece,
      cover,
      { what: 'weight', value: 120 },
      { min: 30, max: 140 },
    )!
    expect(answer.kind).toBe('held')
    expect(answer.reached).toBeCloseTo(120, 0)
  })
  it('is tied down before the first water, and its wall is judged like any other', () => {
    const plan = planPiece(kernel, testJob(lightened(block(300), 30)), lightened(block(300), 30))
    expect(plan.findings.map((f) => f.code)).toContain('void-wall')
    const order = plan.work.map((op) => op.id)
    expect(order.indexOf('tie/void-former')).toBeGreaterThan(-1)
    expect(order.indexOf('tie/void-former')).toBeLessThan(order.indexOf('mix/1'))
    const thick = planPiece(kernel, testJob(lightened(block(300), 60)), lightened(block(300), 60))
    expect(thick.findings.map((f) => f.code)).not.toContain('void-wall')
  })
  it('that meets what is cast in stops the pour, cured by casting it solid', () => {
    const bolt = {
      id: 'bolt',
      name: 'bolt',
      kind: 'bolt' as const,
      on: 'top',
      u: 0,
      v: 0,
      tiltDeg: 0,
      tiltTowardDeg: 0,
      diameter: 16,
      bore: 0,
      depth: 160,
      past: 20,
      material: 'steel' as const,
      held: 'bridge' as const,
      carriesKg: 0,
    }
    const piece = lightened({ ...block(300), inserts: [bolt] }, 60)
    const found = planPiece(kernel, testJob(piece), piece).findings.find((f) => f.code === 'void-meets')
    expect(found?.level).toBe('stop')
  })
  it('in blocks lightens each by what of it lies in it, and no plate is told of a hollow slab', () => {
    const seat = newSwept(told('seat'), testStock, { separators: [{ id: 's', at: 380, leanDeg: 0, gap: 3 }] })
    const [solid, hollow] = [seat, lightened(seat, 60)].map((p) => station(p).figures)
    const sum = (f: typeof solid) => f!.blocks.reduce((total, b) => total + b.volumeLitres, 0)
    expect(hollow!.voidFormer!.volumeLitres).toBeGreaterThan(1)
    expect(sum(solid) - sum(hollow)).toBeCloseTo(hollow!.voidFormer!.volumeLitres, 2)
    const flat = {
      ...block(160),
      outline: { kind: 'rectangle', length: 900, width: 700, radii: [0, 0, 0, 0] } as Outline,
    }
    const plan = (p: Piece) => planPiece(kernel, testJob(p), p).stations.steel!.figures.handling
    expect([plan(flat) !== null, plan(lightened(flat, 50))]).toEqual([true, null])
  })
})
