import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel, Point } from '../../geometry/index.ts'
import { newSwept, newTurned, type Outline, type Piece } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planBeam, sectionModuli } from './beam.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const mix = { ...testStock.mixes[0]!, freshKgPerM3: 2350, hardenedKgPerM3: 2350 }
const box = (w: number, h: number, x = 0, y = 0): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]
const ring = (r: number): Point[] =>
  Array.from({ length: 240 }, (_, i) => {
    const a = (2 * Math.PI * i) / 240
    return [100 + r * Math.cos(a), r * Math.sin(a)]
  })
const told = (id: string) => ({ id, name: id, start: '2026-05-30T09:00', zone: 'UTC' })
const prism = (length: number, width: number, thickness: number) =>
  testSlab({
    outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] } as Outline,
    thickness,
  })
const beamOf = (piece: Piece, spans = false) => {
  const { geometry, figures } = planPieceStation(kernel, piece, 2350, false)
  const kg = figures.volumeLitres * 2.35
  return planBeam(kernel, geometry.recipe!, { kg, placedKg: kg, mix, spans })
}
const peak = (piece: Piece, move: string, spans = false) =>
  beamOf(piece, spans)!.checks.find((c) => c.move === move)!

describe('section moduli', () => {
  it.each<[string, Point[][], number, number, number]>([
    [
      'a rectangle, from anywhere',
      [box(100, 200, 30, -70)],
      20_000,
      (200 * 100 ** 2) / 6,
      (100 * 200 ** 2) / 6,
    ],
    [
      'a square with a hole',
      [box(100, 100), box(60, 60, 20, 20).reverse()],
      6400,
      (100 ** 4 - 60 ** 4) / 600,
      (100 ** 4 - 60 ** 4) / 600,
    ],
    ['a round: pi d3/32', [ring(80)], Math.PI * 6400, (Math.PI * 160 ** 3) / 32, (Math.PI * 160 ** 3) / 32],
  ])('of %s', (_, region, area, least, upright) => {
    const m = sectionModuli(region)
    expect(m.area / area).toBeCloseTo(1, 2)
    expect(m.least / least).toBeCloseTo(1, 2)
    expect(m.upright / upright).toBeCloseTo(1, 2)
  })
  it('of a turned rectangle is still that of its own weaker way', () => {
    const turned = box(100, 200).map(([x, y]): Point => {
      const c = Math.cos(0.6)
      const s = Math.sin(0.6)
      return [x * c - y * s, x * s + y * c]
    })
    expect(sectionModuli([turned]).least / ((200 * 100 ** 2) / 6)).toBeCloseTo(1, 6)
    expect(sectionModuli([]).least).toBe(0)
  })
})

describe('a bar as a beam', () => {
  it.each<[string, Piece]>([
    ['lying along x', prism(1200, 150, 200)],
    ['lying along y', prism(150, 1200, 200)],
    ['standing', testSlab({ outline: prism(200, 150, 1).outline, thickness: 1200 })],
  ])('%s bends the weaker way: q L2/8 between its hands, less its ends', (_, piece) => {
    const q = 1.5 * 2350e-9 * 9.81 * 200 * 150
    const z = (200 * 150 ** 2) / 6
    const ends = (q * 1120 ** 2) / 8 - (q * 40 ** 2) / 2
    expect(peak(piece, 'ends').peakMpa / (ends / z)).toBeCloseTo(1, 1)
    // On two bearers at 0.207 it hogs as much as it sags.
    const lay = (q * (0.207 * 1200) ** 2) / 2
    expect(peak(piece, 'lay').peakMpa / (lay / z)).toBeGreaterThan(0.9)
    expect(peak(piece, 'lay').peakMpa / (lay / z)).toBeLessThan(1.08)
    expect(peak(piece, 'ends').along! / 1200).toBeCloseTo(0.5, 1)
  })
  it('with someone on the middle of it bends up and down, P L/4 and its own weight', () => {
    const found = peak(prism(1200, 150, 200), 'use', true)
    const [q, span] = [2350e-9 * 9.81 * 200 * 150, 1150]
    const moment = (1000 * span) / 4 + (q * span ** 2) / 8
    expect(found.peakMpa / (moment / ((150 * 200 ** 2) / 6))).toBeCloseTo(1, 1)
    expect(found.stretched).toBe('bottom')
    // What stands is not spanned.
    const stands = beamOf(testSlab({ outline: prism(200, 150, 1).outline, thickness: 1200 }), true)!
    expect(stands.checks.map((c) => c.move)).toEqual(['lay', 'ends'])
  })
  it('a taper breaks where it is slim, not where the moment is largest; a stub and a sheet of a seat are none', () => {
    const cone = newTurned(told('c'), testStock, {
      turned: { form: 'frustum', bottom: 300, top: 60, height: 1500 },
    })
    expect(peak(cone, 'ends').along!).toBeGreaterThan(850)
    expect(beamOf(newTurned(told('d'), testStock))).toBeNull()
    expect(beamOf(newSwept(told('s'), testStock))).toBeNull()
  })
})
