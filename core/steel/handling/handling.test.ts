import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../../geometry/index.ts'
import { newBox, newOpening, newTurned, type Piece, type SlabPiece } from '../../job/index.ts'
import { planPieceStation } from '../../piece/index.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import type { Mat } from '../mat/planMat.ts'
import { flatPlate, isFlat } from './flatPlate.ts'
import { overhangOf } from './overhang.ts'
import { allowedStress, neededStrength, planHandling } from './planHandling.ts'
import { shared } from './supports.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const mix = { ...testStock.mixes[0]!, freshKgPerM3: 2350, hardenedKgPerM3: 2350 }
const slab = (length: number, width: number, thickness: number, rest: Partial<SlabPiece> = {}) =>
  testSlab({
    outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] },
    thickness,
    attitude: { down: 'bottom', turnDeg: 0 },
    openings: [],
    ...rest,
  })
const handled = (piece: Piece, people = 2) => {
  const { geometry, figures } = planPieceStation(kernel, piece, 2300, false)
  return planHandling(flatPlate(kernel, geometry)!, piece, mix, {
    people,
    kg: figures.volumeLitres * 2.35,
    suctionKPa: 0,
    turn: null,
  })
}
const use = (piece: Piece, how: 'ends' | 'rails' | 'supports', bearers: number[] | null = null): Piece => ({
  ...piece,
  steel: { ...piece.steel, handling: { bearers, hands: null, use: how } },
})
const peak = (piece: Piece, move: string, people = 2) =>
  handled(piece, people).checks.find((c) => c.move === move)!

describe('strength and stress', () => {
  it.each([
    [0.98, 1, 1, 9.99],
    [1.83, 1, 1, 34.8],
    [1.83, 1, 0.75, 61.9],
  ])('%d MPa with a margin of %d wants %d', (stress, margin, lambda, mpa) =>
    expect(neededStrength(stress, margin, lambda)).toBeCloseTo(mpa, 0),
  )
  it('allows 1.83 MPa at 35', () => expect(allowedStress(35, 1)).toBeCloseTo(1.83, 2))
})

describe('a strip, self weight x 1.5 at 2350', () => {
  // 0.75 q L^2/T^2 with q = rho g T: L between where the hands hold, 40 in from each end.
  it.each([
    [500, 100, 45],
    [1800, 300, 40],
    [2300, 600, 40],
  ])('%d x %d x %d carried by its ends', (length, width, t) => {
    const { peakMpa, stretched } = peak(slab(length, width, t), 'carry')
    const span = length - 80
    const q = 2350e-9 * 9.81 * t
    const strip = ((1.5 * 6 * (q * span * span)) / 8 - (1.5 * 6 * q * 40 * 40) / 2) / t ** 2
    // Held at its corners it bends across as well.
    expect(peakMpa / strip).toBeGreaterThan(0.97)
    expect(peakMpa / strip).toBeLessThan(1.25)
    expect(stretched).toBe('bottom')
  })
  it('2300 x 600 x 40 cannot be carried by its ends at 10 MPa: its margin is 0.29 over its whole length', () => {
    const { peakMpa } = peak(slab(2300, 600, 40), 'carry')
    expect(allowedStress(10, 1) / peakMpa).toBeGreaterThan(0.24)
    expect(allowedStress(10, 1) / peakMpa).toBeLessThan(0.33)
  })
  it('set on bearers a fifth in, it bends far less, and least there', () => {
    const piece = slab(2300, 600, 40)
    const { proposed } = handled(piece)
    expect(proposed[0]! / 2300).toBeGreaterThan(0.15)
    expect(proposed[0]! / 2300).toBeLessThan(0.25)
    const at = (bearers: number[] | null) => peak(use(piece, 'ends', bearers), 'bearers').peakMpa
    expect(at(null)).toBeLessThan(0.35 * peak(piece, 'carry').peakMpa)
    expect(at([20, 2280])).toBeGreaterThan(3 * at(null))
  })
  it('turned about its long edge spans its width', () => {
    const { peakMpa, held } = peak(slab(2300, 600, 40), 'turn', 4)
    expect(peakMpa).toBeLessThan(0.6 * peak(slab(2300, 600, 40), 'carry').peakMpa)
    const weight = 2.3 * 0.6 * 0.04 * 2350 * 9.81 * 1.5
    const of = (by: string) => held.filter((h) => h.by === by).reduce((s, h) => s + h.forceN, 0)
    expect((of('edge') + of('hand')) / weight).toBeCloseTo(1, 3)
    // Half of it in the hands at the start.
    expect(of('hand') / weight).toBeCloseTo(0.5, 1)
  })
})

describe('what is thin, open or heavy', () => {
  const open = (size: number): SlabPiece['openings'] => [
    { ...newOpening('basin', 'basin', { kind: 'rectangle', length: 500, width: size, radius: 20 }) },
  ]
  it('an opening raises the stress beside it', () => {
    const [plain, cut] = [
      peak(slab(1200, 600, 40), 'carry'),
      peak(slab(1200, 600, 40, { openings: open(440) }), 'carry'),
    ]
    expect(cut.peakMpa / plain.peakMpa).toBeGreaterThan(1.5)
    expect(Math.abs(cut.at[0] - 600)).toBeLessThan(330)
  })
  it('a recess is as thin as it is there', () => {
    const recess: SlabPiece['openings'] = [
      {
        ...newOpening('r', 'recess', { kind: 'rectangle', length: 300, width: 560, radius: 0 }),
        depth: 20,
      },
    ]
    const [plain, cut] = [
      peak(slab(1200, 600, 40), 'carry'),
      peak(slab(1200, 600, 40, { openings: recess }), 'carry'),
    ]
    expect(cut.peakMpa / plain.peakMpa).toBeGreaterThan(1.8)
    expect(cut.massKg / plain.massKg).toBeCloseTo(1 - (300 * 560 * 20) / (1200 * 600 * 40), 2)
  })
  it('a glass-fibre slab of 1500 x 15 is not carried by its ends at 10 MPa', () => {
    const { peakMpa } = peak(slab(1500, 500, 15), 'carry')
    expect(allowedStress(10, 1) / peakMpa).toBeLessThan(0.33)
  })
  it('show face down it is turned with its base, and its show face is stretched', () => {
    const up = peak(slab(900, 900, 45), 'turn', 4)
    const down = peak(slab(900, 900, 45, { attitude: { down: 'top', turnDeg: 0 } }), 'turn', 4)
    expect(down.massKg - up.massKg).toBeCloseTo(0.81 * 12, 2)
    expect([up.stretched, down.stretched]).toEqual(['bottom', 'top'])
  })
  it('with what its mould says turns with it, spread over it; or it is only lifted', () => {
    const turned = (down: 'top' | 'bottom', withKg: number | null) => {
      const piece = slab(900, 900, 45, { attitude: { down, turnDeg: 0 } })
      const { geometry } = planPieceStation(kernel, piece, 2300, false)
      const way = { people: 4, kg: 80, suctionKPa: 0, turn: { withKg } }
      return planHandling(flatPlate(kernel, geometry)!, piece, mix, way).checks.find(
        (c) => c.move === 'turn',
      )!
    }
    for (const down of ['top', 'bottom'] as const) {
      expect(turned(down, 20).massKg).toBe(100)
      expect(turned(down, null).massKg).toBe(80)
      expect(turned(down, 20).peakMpa / turned(down, null).peakMpa).toBeCloseTo(1.25, 6)
      expect(turned(down, 20).stretched).toBe(down)
    }
  })
  it('torn off its base by suction, where that is worse than a jerk', () => {
    const { geometry, figures } = planPieceStation(kernel, slab(900, 900, 45), 2300, false)
    const flat = flatPlate(kernel, geometry)!
    const turned = (suctionKPa: number) =>
      planHandling(flat, slab(900, 900, 45), mix, {
        people: 4,
        kg: figures.volumeLitres * 2.35,
        suctionKPa,
        turn: null,
      }).checks.find((c) => c.move === 'turn')!.peakMpa
    // rho g T is 1.037 kPa: half of that more is a jerk.
    expect(turned(0.5)).toBeCloseTo(turned(0), 6)
    expect(turned(1) / turned(0)).toBeCloseTo((1.037 + 1) / (1.5 * 1.037), 2)
    expect(turned(3) / turned(0)).toBeCloseTo((1.037 + 3) / (1.5 * 1.037), 2)
  })
  it('used on two supports, someone leans on its end: stretched on top over the support, by P a and its own weight', () => {
    const { peakMpa, stretched } = peak(use(slab(1600, 600, 70), 'supports', [500, 1100]), 'use')
    const moment = 1000 * 450 + (2350e-9 * 9.81 * 70 * 600 * 500 ** 2) / 2
    const beam = moment / ((600 * 70 ** 2) / 6)
    expect(stretched).toBe('top')
    // More at the edge that is leaned on.
    expect(peakMpa / beam).toBeGreaterThan(0.95)
    expect(peakMpa / beam).toBeLessThan(1.9)
    // 62 kg do not hold a person 450 beyond the support.
    expect(handled(use(slab(1600, 300, 55), 'supports', [500, 1100])).unstable).toContain('use')
  })
  it('wants steel near the top that holds all of it', () => {
    const piece = use(slab(1600, 300, 55), 'supports', [300, 1300]) as SlabPiece
    const handling = handled(piece)
    const wire = (y: number) => ({ from: [0, y] as const, to: [1600, y] as const })
    const mat = {
      mesh: testStock.meshes[0]!,
      sheet: { wires: [wire(50), wire(150), { from: [50, 0] as const, to: [50, 300] as const }] },
      height: 40,
    } as unknown as Mat
    const told = overhangOf(piece, handling, { kg: 62, mats: [mat], bars: [] })!
    expect(told.overhang).toBeCloseTo(300, 6)
    expect(told.moment).toBeCloseTo(1000 * 250 + ((62 * 9.81) / 1600) * (300 ** 2 / 2), 0)
    // Two of three wires run over the support.
    expect(told.carried).toBeCloseTo(2 * Math.PI * 4 * 200 * 0.9 * 40, 3)
    expect(overhangOf(use(piece, 'ends'), handling, { kg: 62, mats: [mat], bars: [] })).toBeNull()
  })
  it('someone on a tread between two supports: P L/4 and more at the edge', () => {
    const { peakMpa } = peak(use(slab(900, 300, 55), 'ends'), 'use')
    const beam =
      (1000 * 850) / 4 / ((300 * 55 ** 2) / 6) + (6 * (2350e-9 * 9.81 * 55 * 850 ** 2)) / 8 / 55 ** 2
    expect(peakMpa / beam).toBeGreaterThan(1)
    expect(peakMpa / beam).toBeLessThan(1.6)
  })
})

describe('odd input', () => {
  it('bearers that it would tip off give no figures', () => {
    const { unstable, checks } = handled(use(slab(1200, 300, 40), 'ends', [20, 200]))
    expect(unstable).toContain('bearers')
    expect(checks.some((c) => c.move === 'bearers')).toBe(false)
  })
  it('hands that miss it are told, and it is carried where it usually is', () => {
    const piece = slab(1200, 300, 40)
    const hands: [number, number][] = [
      [10, 10],
      [10, 290],
      [1300, 10],
      [1190, 290],
    ]
    const held = { ...piece, steel: { ...piece.steel, handling: { ...piece.steel.handling, hands } } }
    const { off, checks } = handled(held)
    expect(off).toBe(1)
    expect(checks.find((c) => c.move === 'carry')!.peakMpa).toBeCloseTo(peak(piece, 'carry').peakMpa, 6)
  })
  it('hands that do not hold it, likewise', () => {
    const piece = slab(1200, 300, 40)
    const { unstable } = handled({
      ...piece,
      steel: {
        ...piece.steel,
        handling: {
          bearers: null,
          hands: [
            [10, 10],
            [100, 10],
            [10, 200],
            [100, 200],
          ],
          use: 'bedded',
        },
      },
    })
    expect(unstable).toEqual(['carry'])
  })
  it('four hands may share a weight on two of them', () => {
    const corners = [
      [0, 0],
      [100, 0],
      [0, 100],
      [100, 100],
    ] as const
    expect(shared(corners, 400, [50, 50])!.map((f) => f.map(Math.round))).toEqual([
      [0, 200, 200, 0],
      [200, 0, 0, 200],
    ])
    expect(shared(corners, 400, [150, 50])).toBeNull()
  })
  it('is told of what is flat, and of nothing else', () => {
    const told = { id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
    const flat = (piece: Piece) => isFlat(piece, planPieceStation(kernel, piece, 2300, true).geometry)
    expect([
      flat(slab(900, 500, 45)),
      flat(slab(300, 300, 760)),
      flat(newTurned(told, testStock, { turned: { form: 'cylinder', diameter: 400, height: 60 } })),
      flat(newTurned(told, testStock, { turned: { form: 'sphere', diameter: 300, foot: 0 } })),
      flat(newBox(told, testStock)),
    ]).toEqual([true, false, true, false, false])
  })
})
