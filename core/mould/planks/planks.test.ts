import { describe, expect, it } from 'vitest'
import { measureSolid, movedBy, type SolidRecipe } from '../../geometry/index.ts'
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
import { testKernel } from '../../testing/testKernel.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planMouldStation } from '../index.ts'

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

describe('boards round any flat faces', () => {
  it.each(CASES)('%s: no gap, no overlap, open at its top', (_, piece) => {
    const { station, findings, pieceStation } = plan(piece)
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const { geometry } = pieceStation
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: geometry.recipe!,
      by: pouredPlacement(piece.attitude, geometry),
    }
    const parts = station!.parts.map((p) => p.recipe)
    const all = volume({ kind: 'union', of: parts })
    const each = parts.reduce((sum, r) => sum + volume(r), 0)
    expect(each - all, 'parts in each other').toBeLessThan(parts.length)
    expect(volume({ kind: 'intersection', of: [cast, { kind: 'union', of: parts }] })).toBeLessThan(20)
    // Moved any way but up the cast runs into the mould alone: nothing of it is uncovered.
    const top = station!.findings.some((f) => f.code === 'no-open-top') ? 0 : heightOf(cast)
    // Askew, so that no face slides in its own plane.
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
      expect(out, `${x} ${y} ${z}`).toBeLessThan(60)
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
