import { describe, expect, it } from 'vitest'
import { measureSolid, openKernel, type SolidRecipe } from '../../geometry/index.ts'
import { newOpening, newTurned, type Piece, type SlabPiece, withChoice } from '../../job/index.ts'
import { planPieceStation, pouredPlacement } from '../../piece/index.ts'
import { testSlab, testStock } from '../../testing/testPiece.ts'
import { planMouldStation } from '../index.ts'

const kernel = await openKernel({ coarser: 4 })
const measure = (recipe: SolidRecipe) => kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
const small: Partial<SlabPiece> = {
  outline: { kind: 'rectangle', length: 150, width: 100, radii: [0, 0, 0, 0] },
  thickness: 30,
}
/** What two bodies share; where they share faces the library may tell one order wrong, so the lesser of both counts. */
const shared = (a: SolidRecipe, b: SolidRecipe) =>
  Math.min(
    measure({ kind: 'intersection', of: [a, b] }).volume,
    measure({ kind: 'intersection', of: [b, a] }).volume,
  )
const plan = (piece: Piece, shells: 1 | 2 | 4) => {
  const own = { ...piece, mould: withChoice(piece.mould, { method: 'printed' as const, shells }) }
  const pieceStation = planPieceStation(kernel, own, 2300, false)
  const cast: SolidRecipe = {
    kind: 'moved',
    solid: pieceStation.geometry.recipe!,
    by: pouredPlacement(own.attitude, pieceStation.geometry),
  }
  return {
    cast,
    ...planMouldStation(own, pieceStation, testStock, testStock.mixes[0]!, { kernel, quick: false }),
  }
}
const turned = (over: Parameters<typeof newTurned>[2]): Piece =>
  newTurned({ id: 'p', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }, testStock, over)

describe('the floor of printed shells', () => {
  it.each<[string, Piece, 1 | 2 | 4, boolean]>([
    ['a slab in two shells', testSlab(small), 2, true],
    ['in four', testSlab(small), 4, true],
    ['in one there is no seam to keep off', testSlab(small), 1, false],
    [
      'a hole right through wants a core that the floor does not carry',
      testSlab({ ...small, openings: [newOpening('o', 'o', { kind: 'round', diameter: 30 })] }),
      2,
      false,
    ],
    ['a slab wider than the bed', testSlab(), 2, false],
    ['a ball on a small foot', turned({ turned: { form: 'sphere', diameter: 120, foot: 20 } }), 2, false],
    [
      'a cone on its wide end',
      turned({ turned: { form: 'frustum', bottom: 120, top: 80, height: 90 } }),
      2,
      true,
    ],
  ])(
    'is printed in one where that keeps seams off the face that lies on it: %s',
    (_, piece, shells, whole) => {
      const { station, cast, findings } = plan(piece, shells)
      const parts = station!.parts
      expect(parts.some((p) => p.id === 'shell/floor')).toBe(whole)
      const boxes = parts.map((p) => measure(p.recipe))
      for (const [i, part] of parts.entries()) {
        expect(boxes[i]!.volume).toBeGreaterThan(10)
        expect(shared(part.recipe, cast)).toBeLessThan(1)
        expect(Math.hypot(...part.pull)).toBeCloseTo(1, 6)
        // What stands on the floor has nothing under the face.
        if (whole && part.id !== 'shell/floor') expect(boxes[i]!.min[2]).toBeGreaterThan(-5)
      }
      if (whole) {
        const floor = boxes[parts.findIndex((p) => p.id === 'shell/floor')]!
        const { max, min } = measure(cast)
        expect(floor.min[0]).toBeLessThan(min[0])
        expect(floor.max[1]).toBeGreaterThan(max[1])
        expect(station!.figures.prints.map((p) => p.name)).toContain('floor')
      }
      expect(findings.some((f) => f.code === 'seam-on-flat-face')).toBe(_.startsWith('a slab wider'))
      // Filament is told for what is printed.
      const grams =
        boxes.reduce((sum, b) => sum + b.volume, 0) * 1e-9 * testStock.filaments[0]!.densityKgPerM3 * 1000
      expect(station!.figures.facts.find((f) => f.code === 'plastic')!.value / grams).toBeCloseTo(1, 1)
    },
  )
})
