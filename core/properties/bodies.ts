import { expect, it } from 'vitest'
import { openKernel, type SolidRecipe } from '../geometry/index.ts'
import { type Piece, withChoice } from '../job/index.ts'
import { METHODS, planMouldStation } from '../mould/index.ts'
import { planPieceStation, pouredPlacement } from '../piece/index.ts'
import { seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { testStock } from '../testing/testPiece.ts'
import { someOf } from './someOf.ts'

/** Share of the smaller body that chords this coarse may have in common; under a mm3 nothing is. */
const STRAY = 0.02
const kernel = await openKernel({ coarser: 12 })

/** Any mould of a kind that nothing stops is bodies that share no room with the cast or with one another. */
export function holdBodies(kind: Piece['kind'], seed: number): void {
  it(`makes ${kind} moulds of bodies that stand clear of the cast and of one another: seed ${seed}`, () => {
    const random = seeded(seed)
    let built = 0
    for (const [n, base] of someOf(kind, random, rounds(kind === 'swept' ? 1 : 2, 20)).entries())
      for (const method of METHODS.filter((m) => m.misfit(base) === null)) {
        const piece = { ...base, mould: withChoice(base.mould, { method: method.id }) }
        const pieceStation = planPieceStation(kernel, piece, 2300, false)
        if (!pieceStation.geometry.recipe) continue
        const { station, findings } = planMouldStation(piece, pieceStation, testStock, testStock.mixes[0]!, {
          kernel,
        })
        if (!station || findings.some((f) => f.level === 'stop')) continue
        built += 1
        const by = pouredPlacement(piece.attitude, pieceStation.geometry)
        const cast: SolidRecipe = { kind: 'moved', solid: pieceStation.geometry.recipe, by }
        const bodies = [
          { id: 'cast', recipe: cast },
          ...station.parts.map(({ id, recipe }) => ({ id, recipe })),
        ]
        expect([seed, n, method.id, inOneAnother(bodies)]).toEqual([seed, n, method.id, []])
      }
    expect(built).toBeGreaterThan(0)
  }, 600_000)
}

/** What of some bodies is empty, or stands in another. */
function inOneAnother(bodies: readonly { readonly id: string; readonly recipe: SolidRecipe }[]): string[] {
  return kernel.withSolids((s) => {
    const solids = bodies.map(({ id, recipe }) => {
      const { body } = s.solid(recipe)
      return { id, body, volume: body.volume(), ...body.boundingBox() }
    })
    return solids.flatMap((a, i) => [
      ...(a.volume > 0 ? [] : [`${a.id} is empty`]),
      ...solids.slice(i + 1).flatMap((b) => {
        if ([0, 1, 2].some((k) => a.max[k]! <= b.min[k]! + 1e-6 || b.max[k]! <= a.min[k]! + 1e-6)) return []
        // Either order: of bodies with faces in common the library may leave slivers in one of them.
        const common = Math.min(
          s.keep(a.body.intersect(b.body)).volume(),
          s.keep(b.body.intersect(a.body)).volume(),
        )
        return common > Math.max(1, STRAY * Math.min(a.volume, b.volume)) ? [`${a.id} in ${b.id}`] : []
      }),
    ])
  })
}
