import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boundSolid, measureSolid, movedBy, type SolidRecipe } from '../../geometry/index.ts'
import {
  type BoxPiece,
  type FittedPiece,
  type MouldPatch,
  newBox,
  newFitted,
  newSwept,
  type Piece,
  type SweptPiece,
  withChoice,
} from '../../job/index.ts'
import { planPieceStation, pouredPlacement } from '../../piece/index.ts'
import { rounds } from '../../testing/rounds.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planMouldStation, whyNoMould } from '../index.ts'

const kernel = await testKernel()
const told = { id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
const mix = testStock.mixes[0]!
const boxed = <P extends Piece>(piece: P, patch: MouldPatch = {}): P => ({
  ...piece,
  mould: withChoice(piece.mould, { method: 'planks', ...patch }),
})
const plan = (piece: Piece) => {
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  return { pieceStation, ...planMouldStation(piece, pieceStation, testStock, mix, { kernel }) }
}
const volume = (recipe: SolidRecipe): number =>
  kernel.withSolids((s) => Math.max(0, measureSolid(s.solid(recipe).body).volume))

const profile = (points: readonly (readonly [number, number])[], over: Partial<SweptPiece> = {}) =>
  newSwept(told, testStock, {
    corners: points.map(([x, y], i) => ({ x, y, radius: 0, side: `s${i}`, run: { kind: 'line' } })),
    width: 300,
    ...over,
  })
const upright = { attitude: { down: 'bottom', turnDeg: 0 } } as const
const seat = [
  [0, 0],
  [420, 0],
  [450, 700],
  [390, 700],
  [370, 400],
  [0, 420],
] as const
const ell = [
  [0, 0],
  [400, 0],
  [400, 80],
  [80, 80],
  [80, 300],
  [0, 300],
] as const
const bench = [
  [0, 0],
  [60, 0],
  [60, 300],
  [640, 300],
  [640, 0],
  [700, 0],
  [700, 360],
  [0, 360],
] as const
const wedge = [
  [0, 0],
  [400, 0],
  [400, 60],
  [0, 200],
] as const
const square: Partial<BoxPiece> = { radiusOutside: 0, radiusInside: 0 }
const pot = (over: Partial<BoxPiece> = {}) => newBox(told, testStock, { ...square, ...over })
const fitted = (over: Partial<FittedPiece>) =>
  newFitted(told, testStock, {
    measured: { kind: 'rectangle', front: 400, right: 300, back: 400, left: 300, diagonal: null },
    ...over,
  })

const CASES: readonly (readonly [string, Piece])[] = [
  ['an L on its end', boxed(profile(ell))],
  ['an L upright', boxed(profile(ell, upright))],
  ['a seat on its end', boxed(profile(seat))],
  ['a bench on its end', boxed(profile(bench))],
  ['a bench turned over, its legs up', boxed(profile(bench, { attitude: { down: 'side/s6', turnDeg: 0 } }))],
  ['a bench on its leg', boxed(profile(bench, { attitude: { down: 'side/s7', turnDeg: 0 } }))],
  ['a bench on its feet', boxed(profile(bench, upright), { corners: 'pinwheel' })],
  ['a ramp on its end, round and round', boxed(profile(wedge), { corners: 'pinwheel' })],
  ['a pot upside down', boxed(pot())],
  ['a pot upside down, ends long', boxed(pot(), { corners: 'ends-long' })],
  ['a pot upright, its core hung', boxed(pot({ ...upright, taper: -15 }))],
  ['a pot that leans out, its core folded in', boxed(pot({ coreDraftDeg: 0 }), { core: 'collapsible' })],
  [
    'a pot with a bead at its rim and a hole',
    boxed(
      pot({
        rim: { kind: 'bead', size: 6 },
        sideHoles: [{ id: 'h', name: 'hole', side: 'front', u: 0, v: 80, diameter: 30 }],
      }),
    ),
  ],
  ['a lid', boxed(fitted({ part: 'lid' }))],
  ['a plug', boxed(fitted({ part: 'plug', taperDeg: 5 }))],
  ['a cap', boxed(fitted({ part: 'cap', seat: 80 }))],
  ['a sleeve', boxed(fitted({ part: 'sleeve', thickness: 120 }))],
  ['a slab on its edge', boxed(testSlab({ attitude: { down: 'side/front', turnDeg: 0 } }))],
]

const SHIFTS = [
  [1.7, 1.3, -0.9],
  [-1.7, 1.3, -0.9],
  [1.7, -1.3, -0.9],
  [-1.7, -1.3, -0.9],
  [0.3, 0.2, 1.1],
] as const

/** Parts stand in each other and in the cast nowhere, and cover it but for its top: what does not hold, in words. */
function faults(piece: Piece): string[] {
  const { station, pieceStation } = plan(piece)
  if (!station) return ['no station']
  const { geometry } = pieceStation
  const cast: SolidRecipe = {
    kind: 'moved',
    solid: geometry.recipe!,
    by: pouredPlacement(piece.attitude, geometry),
  }
  const parts = station.parts.map((p) => p.recipe)
  const all: SolidRecipe = { kind: 'union', of: parts }
  const said: string[] = []
  const shared = parts.reduce((sum, r) => sum + volume(r), 0) - volume(all)
  if (shared > parts.length) said.push(`parts in each other: ${shared}`)
  const inCast = volume({ kind: 'intersection', of: [cast, all] })
  if (inCast > 20) said.push(`parts in the cast: ${inCast}`)
  // Moved any way but up the cast runs into the mould alone. Askew, so that no face slides in its own plane.
  const top = heightOf(cast)
  for (const [x, y, z] of SHIFTS) {
    const moved: SolidRecipe = { kind: 'moved', solid: cast, by: movedBy([x, y, z]) }
    const below: SolidRecipe = {
      kind: 'trimmed',
      solid: moved,
      normal: [0, 0, -1],
      offset: -top + 0.01,
      name: 'out',
    }
    // In two steps: taken off all at once, the library leaves slivers of faces that lie in one plane.
    const out = volume({
      kind: 'difference',
      from: { kind: 'difference', from: below, minus: [cast] },
      minus: parts,
    })
    if (out > 60) said.push(`open towards ${x} ${y} ${z}: ${out}`)
  }
  return said
}

describe('boards round any flat faces', () => {
  it.each(CASES)('%s: no gap, no overlap, open at its top', (_, piece) => {
    expect(plan(piece).findings.filter((f) => f.level === 'stop')).toEqual([])
    expect(faults(piece)).toEqual([])
  })

  it('any profile, pot or lid of flat faces, by any boards: what nothing stops has no gap and no overlap', () => {
    const boards = testStock.boards.map((b) => b.id)
    const choice = fc.record({
      sideBoard: fc.constantFrom(...boards),
      corners: fc.constantFrom('front-and-back-long' as const, 'ends-long' as const, 'pinwheel' as const),
      core: fc.constantFrom('drafted' as const, 'collapsible' as const),
      battens: fc.constantFrom(null, 120, 300),
    })
    const corner = fc.record({
      out: fc.integer({ min: 90, max: 400 }),
      turn: fc.double({ min: 0.15, max: 0.85, noNaN: true }),
    })
    const profiles = fc
      .record({
        corners: fc.array(corner, { minLength: 3, maxLength: 7 }),
        width: fc.integer({ min: 80, max: 500 }),
        lies: fc.nat(8),
      })
      .map(({ corners, width, lies }) => {
        const n = corners.length
        const points = corners.map(({ out, turn }, i) => {
          const a = (2 * Math.PI * (i + turn)) / n
          return [Math.round(400 + out * Math.cos(a)), Math.round(400 + out * Math.sin(a))] as const
        })
        const down = lies < 2 ? ['end/front', 'end/back'][lies]! : `side/s${lies % n}`
        return profile(points, { width, attitude: { down, turnDeg: 0 } })
      })
    const pots = fc
      .record({
        length: fc.integer({ min: 240, max: 900 }),
        width: fc.integer({ min: 240, max: 600 }),
        height: fc.integer({ min: 120, max: 500 }),
        taper: fc.integer({ min: -25, max: 25 }),
        wall: fc.integer({ min: 25, max: 60 }),
        floor: fc.integer({ min: 25, max: 60 }),
        coreDraftDeg: fc.integer({ min: 0, max: 8 }),
        down: fc.constantFrom('top', 'bottom'),
      })
      .map(({ down, ...over }) => pot({ ...over, attitude: { down, turnDeg: 0 } }))
    const lids = fc
      .record({
        part: fc.constantFrom('lid' as const, 'plug' as const, 'cap' as const, 'sleeve' as const),
        taperDeg: fc.integer({ min: 0, max: 8 }),
        seat: fc.integer({ min: 0, max: 80 }),
        thickness: fc.integer({ min: 30, max: 120 }),
        down: fc.constantFrom('top', 'bottom'),
      })
      .map(({ down, ...over }) => fitted({ ...over, attitude: { down, turnDeg: 0 } }))
    let looked = 0
    fc.assert(
      fc.property(fc.oneof(profiles, pots, lids), choice, (bare, patch) => {
        const piece = boxed<Piece>(bare, patch)
        if (whyNoMould(piece) !== null) return
        const { findings, station, pieceStation } = plan(piece)
        if ([...pieceStation.findings, ...findings].some((f) => f.level === 'stop') || !station) return
        looked += 1
        expect(faults(piece)).toEqual([])
      }),
      { seed: 20261127, numRuns: rounds(25, 120) },
    )
    expect(looked).toBeGreaterThan(rounds(25, 120) / 3)
  }, 600_000)

  it('plugs each hole along its own axis, however wide it is beside its wall', () => {
    const at = (side: 'front' | 'right' | 'back' | 'left', diameter: number) =>
      boxed(
        pot({
          wall: 42,
          taper: 0,
          coreDraftDeg: 0,
          drains: { count: 1, diameter: 25 },
          sideHoles: [{ id: 'h', name: 'hole', side, u: 20, v: 150, diameter }],
        }),
      )
    for (const diameter of [20, 42, 70])
      for (const [side, out] of [
        ['front', [0, -1, 0]],
        ['back', [0, 1, 0]],
        // Turned over about its length the right of the pot is on the left of the pour.
        ['right', [-1, 0, 0]],
        ['left', [1, 0, 0]],
      ] as const) {
        const plugs = plan(at(side, diameter)).station!.parts.filter((p) => p.source.of === 'hole')
        const sizes = plugs.map((p) => [p.pull, Math.round(p.lengthMm), Math.round(p.widthMm)])
        expect(sizes).toContainEqual([out, 42, diameter])
        expect(sizes).toContainEqual([[0, 0, -1], 40, 25])
      }
  })

  it('a plug is no more than its hole where the wall leans too: nothing of the wall beside it', () => {
    const piece = boxed(
      pot({
        drains: { count: 1, diameter: 25 },
        sideHoles: [{ id: 'h', name: 'hole', side: 'front', u: 0, v: 120, diameter: 25 }],
      }),
    )
    const plugs = plan(piece).station!.parts.filter((p) => p.source.of === 'hole')
    expect(plugs).toHaveLength(2)
    for (const { recipe } of plugs) {
      const { min, max } = boundSolid(kernel, recipe)
      // Chords lie within the round.
      for (const k of [0, 1, 2]) expect(max[k]! - min[k]!).toBeLessThan(25 + 30)
      expect(Math.min(...[0, 1, 2].map((k) => max[k]! - min[k]!))).toBeLessThan(25.01)
    }
  })

  it('is cut as a maker would: sides past ends, cores mitred, laps bevelled by the angle', () => {
    const sizes = (piece: Piece) =>
      plan(piece).station!.figures.cutList.map(
        (r) => [r.name, r.count, Math.round(r.lengthMm * 10) / 10, Math.round(r.widthMm * 10) / 10] as const,
      )
    const plain = { length: 400, width: 300, height: 250, wall: 40, floor: 40, taper: 0, coreDraftDeg: 0 }
    expect(sizes(boxed(pot({ ...plain, drains: { count: 0, diameter: 20 } })))).toEqual(
      expect.arrayContaining([
        ['base', 1, 400 + 2 * 18 + 40, 300 + 2 * 18 + 40],
        // Front and back run past both ends.
        ['boards', 2, 436, 250],
        ['boards', 2, 300, 250],
        ['core boards', 2, 320, 210],
        ['core boards', 2, 220, 210],
        ['core top', 1, 320, 220],
      ]),
    )
    // Ends of an L are its profile and a board more all round but at the base.
    const onEnd = plan(boxed(profile(ell))).station!
    expect(onEnd.figures.cutList.every((r) => r.name === 'base' || r.widthMm === 300)).toBe(true)
    expect(onEnd.parts.filter((p) => p.role === 'form')).toHaveLength(6)
  })
})

const heightOf = (recipe: SolidRecipe): number =>
  kernel.withSolids((s) => s.solid(recipe).body.boundingBox().max[2])
