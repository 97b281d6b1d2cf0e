import { describe, expect, it } from 'vitest'
import { measureSolid, type SolidRecipe } from '../../geometry/index.ts'
import {
  type FittedPiece,
  type MouldPatch,
  newFitted,
  newTurned,
  type Piece,
  type TurnedForm,
  withChoice,
} from '../../job/index.ts'
import { planPieceStation, pouredPlacement } from '../../piece/index.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testStock } from '../../testing/testPiece.ts'
import { planMouldStation, whyNoMould } from '../index.ts'

const kernel = await testKernel()
const told = { id: 'p', name: 'Piece', start: '2026-05-30T09:00', zone: 'UTC' }
const FLASHING = testStock.skins.find((s) => s.material === 'aluminium')!
const ringed = <P extends Piece>(piece: P, patch: MouldPatch = {}): P => ({
  ...piece,
  mould: withChoice(piece.mould, { method: 'ring', skin: FLASHING.id, overlap: 40, ...patch }),
})
const disc = (diameter: number, height: number) =>
  newTurned(told, testStock, { turned: { form: 'cylinder', diameter, height } })
const turned = (form: TurnedForm, down = 'bottom') =>
  newTurned(told, testStock, { turned: form, attitude: { down, turnDeg: 0 } })
const round = (over: Partial<FittedPiece>) =>
  newFitted(told, testStock, { measured: { kind: 'round', diameter: 600 }, taperDeg: 0, ...over })
const plan = (piece: Piece) => {
  const pieceStation = planPieceStation(kernel, piece, 2300, false)
  return {
    pieceStation,
    ...planMouldStation(piece, pieceStation, testStock, testStock.mixes[0]!, { kernel }),
  }
}
const volume = (recipe: SolidRecipe) =>
  kernel.withSolids((s) => Math.max(0, measureSolid(s.solid(recipe).body).volume))

describe('a sheet bent into a ring', () => {
  it.each<[string, Piece, number, number]>([
    // Ref: ring D 400, s 0.3: 1257.58 and its overlap.
    ['a disc', ringed(disc(400, 50)), 1, 1257.58 + 40],
    [
      'a wide disc, of more lengths than one',
      ringed(disc(2200, 60), { joinLong: true }),
      2,
      (Math.PI * 2200.3) / 2 + 40,
    ],
    ['one of three lengths', ringed(disc(3600, 60), { joinLong: true }), 3, (Math.PI * 3600.3) / 3 + 40],
    [
      'a tube with a floor',
      ringed(turned({ form: 'tube', outside: 500, inside: 420, height: 200, floor: 40 }, 'top')),
      1,
      0,
    ],
    ['a round plug', ringed(round({ part: 'plug', thickness: 70 })), 1, Math.PI * (600 - 6 + 0.3) + 40],
    ['a round sleeve', ringed(round({ part: 'sleeve', thickness: 90, wall: 40 })), 1, 0],
  ])('%s: as long as it is round, no gap and no overlap', (_, piece, count, length) => {
    const { station, findings, pieceStation } = plan(piece)
    expect(findings.filter((f) => f.level === 'stop')).toEqual([])
    const strips = station!.parts.filter((p) => p.role === 'skin')
    expect(strips).toHaveLength(count)
    if (length > 0) expect(strips[0]!.lengthMm).toBeCloseTo(length, 2)
    const { geometry } = pieceStation
    const cast: SolidRecipe = {
      kind: 'moved',
      solid: geometry.recipe!,
      by: pouredPlacement(piece.attitude, geometry),
    }
    const parts = station!.parts.map((p) => p.recipe)
    const all: SolidRecipe = { kind: 'union', of: parts }
    const each = parts.reduce((sum, r) => sum + volume(r), 0)
    // Chords of ring and cleats: a cleat touches the ring's circle with its middle.
    expect(Math.abs(each - volume(all)) / each).toBeLessThan(1e-4)
    const shared = volume({ kind: 'intersection', of: [cast, all] })
    expect(shared / volume(cast)).toBeLessThan(5e-4)
    // Grown by less than the sheet it stays in the ring: nothing of its side is uncovered.
    const out = volume({
      kind: 'difference',
      from: {
        kind: 'moved',
        solid: cast,
        by: { x: [1.0002, 0, 0], y: [0, 1.0002, 0], z: [0, 0, 1], origin: [0, 0, 0] },
      },
      minus: [cast, ...parts],
    })
    expect(out / volume(cast)).toBeLessThan(3e-4)
    expect(station!.figures.straps.count).toBeGreaterThan(0)
  })

  it('bends no tighter than the sheet goes, offers one that does, and forms nothing that leans', () => {
    const stiff = testStock.skins.reduce((a, b) => (b.leastRadius > a.leastRadius ? b : a))
    const tight = plan(ringed(disc(200, 50), { skin: stiff.id })).findings.find(
      (f) => f.code === 'bend-too-tight',
    )
    expect(tight?.remedies[0]?.changes[0]).toMatchObject({ type: 'mouldChosen' })
    for (const piece of [
      ringed(turned({ form: 'frustum', bottom: 300, top: 260, height: 80 })),
      ringed(round({ part: 'plug', taperDeg: 3 })),
      ringed(round({ part: 'lid' })),
      ringed(disc(300, 40)),
    ])
      expect(whyNoMould(piece) === null).toBe(piece.kind === 'turned' && piece.turned.form === 'cylinder')
  })
})
