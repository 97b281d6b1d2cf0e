import { beforeAll, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { type HoldTarget, holdFigure } from './hold.ts'
import { applyChange, newBox, newFitted, newSwept, newTurned, type Piece } from './job/index.ts'
import { holdDimensions, planPieceStation } from './piece/index.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testSlab, testStock, testTop } from './testing/testPiece.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const told = { id: 'top', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const hold = (piece: Piece, key: string, target: HoldTarget, limits = { min: 10, max: 2000 }) =>
  holdFigure(
    kernel,
    testJob(piece),
    piece,
    holdDimensions(piece).find((d) => d.key === key)!,
    target,
    limits,
  )!

it.each<[string, Piece, string, HoldTarget, number | null]>([
  [
    'a slab of 20 kg by its thickness',
    testSlab(),
    'thickness',
    { what: 'weight', value: 20 },
    20 / (0.45 * 2.3),
  ],
  ['a slab of 18 L by its length', testSlab(), 'length', { what: 'volume', value: 18 }, 18e6 / (500 * 45)],
  ['two bags by its thickness', testSlab(), 'thickness', { what: 'bags', value: 2 }, 24 / 1.1 / 0.45],
  ['what two people lift', testSlab(), 'thickness', { what: 'people', value: 2 }, 33.5 / (0.45 * 2.3)],
  ['a slab with openings', testTop(), 'width', { what: 'weight', value: 40 }, null],
  [
    'a cylinder by its diameter',
    newTurned(told, testStock),
    'diameter',
    { what: 'weight', value: 25 },
    2 * Math.sqrt(25e6 / 2.3 / Math.PI / 400),
  ],
  ['a seat by its width', newSwept(told, testStock), 'width', { what: 'weight', value: 100 }, null],
  ['a planter by its wall', newBox(told, testStock), 'wall', { what: 'volume', value: 20 }, null],
  ['a lid by its overlap', newFitted(told, testStock), 'overlap', { what: 'weight', value: 60 }, null],
])('holds %s', (_, piece, key, target, mm) => {
  const found = hold(piece, key, target)
  expect(found.kind).toBe('held')
  if (mm !== null) expect(Math.abs(found.mm / mm - 1)).toBeLessThan(0.001)
  const after = found.changes.reduce(applyChange, testJob(piece)).pieces[0]!
  const { figures } = planPieceStation(kernel, after, 2300, false)
  if (target.what === 'weight') expect(Math.abs(figures.concreteKg / target.value - 1)).toBeLessThan(0.002)
})

it('says when no size in the limits gives it, and what the nearest is', () => {
  const far = hold(testSlab(), 'thickness', { what: 'weight', value: 500 }, { min: 30, max: 60 })
  expect([far.kind, far.mm, far.reached]).toEqual(['nearest', 60, expect.closeTo(0.45 * 60 * 2.3, 1)])
  const box = newBox(told, testStock)
  expect(hold(box, 'wall', { what: 'weight', value: 5 }, { min: 160, max: 400 }).kind).toBe('none')
})

it.each<[string, Piece, string, HoldTarget, number]>([
  // Two walls of 150 leave no room in a planter 300 wide: the nearest is just under.
  [
    'a wall that fills the box',
    newBox(told, testStock, {
      coreDraftDeg: 0,
      taper: 0,
      drains: { count: 0, diameter: 25 },
      radiusInside: 0,
    }),
    'wall',
    { what: 'volume', value: 500 },
    150,
  ],
  [
    'a floor as thick as the box',
    newBox(told, testStock, {
      coreDraftDeg: 0,
      taper: 0,
      drains: { count: 0, diameter: 25 },
      radiusInside: 0,
    }),
    'floor',
    { what: 'volume', value: 500 },
    300,
  ],
])('%s: the nearest is the last that can be built', (_, piece, key, target, mm) => {
  const found = hold(piece, key, target, { min: 10, max: 1000 })
  expect(found.kind).toBe('nearest')
  expect(Math.abs(found.mm - mm)).toBeLessThan(0.2)
  expect(found.mm).toBeLessThan(mm)
})

it('bags that jump with the waste of a small pour are called nearest, not held', () => {
  // 15 percent under 10 L, 10 percent from there: 9.99 L takes more than 10.01 L.
  const bags = (litres: number, waste: number) => (litres * (1 + waste / 100)) / 12
  const between = (bags(10, 15) + bags(10, 10)) / 2
  const found = hold(testSlab(), 'thickness', { what: 'bags', value: between }, { min: 10, max: 60 })
  expect(['held', 'nearest']).toContain(found.kind)
  const after = found.changes.reduce(applyChange, testJob(testSlab())).pieces[0]!
  const { volumeLitres } = planPieceStation(kernel, after, 2300, true).figures
  const real = bags(volumeLitres, volumeLitres < 10 ? 15 : 10)
  expect(Math.abs(real - found.reached)).toBeLessThan(0.002)
  if (found.kind === 'held') expect(Math.abs(real / between - 1)).toBeLessThan(0.006)
})
