import { expect, it } from 'vitest'
import { meshSolid, openKernel, type SolidRecipe } from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import { holdFonts, planPieceStation } from '../piece/index.ts'
import { seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { someOf } from './someOf.ts'

/** Chords so coarse that many solids take seconds. */
const kernel = await openKernel({ coarser: 60 })
await holdFonts(['condensed-bold'])

/** Edges that not exactly two facets share, once vertices in one place are one. */
function openEdges(recipe: SolidRecipe): number {
  return kernel.withSolids((scope) => {
    const { body } = scope.solid(recipe)
    const { positions, triangles } = meshSolid({ body, names: new Map() })
    const places = new Map<string, number>()
    const at = Array.from({ length: positions.length / 3 }, (_, v) => {
      const key = `${positions[v * 3]}|${positions[v * 3 + 1]}|${positions[v * 3 + 2]}`
      if (!places.has(key)) places.set(key, places.size)
      return places.get(key) ?? 0
    })
    const balance = new Map<number, number>()
    for (let t = 0; t < triangles.length; t += 3)
      for (let k = 0; k < 3; k += 1) {
        const [a, b] = [at[triangles[t + k]!]!, at[triangles[t + ((k + 1) % 3)]!]!]
        if (a === b) continue
        const key = Math.min(a, b) * at.length + Math.max(a, b)
        balance.set(key, (balance.get(key) ?? 0) + (a < b ? 1 : -1))
      }
    return [...balance.values()].filter((n) => n !== 0).length
  })
}

/** Every solid of a kind that the builders make is closed, has a volume, and is the same by quick sums. */
export function holdSolids(kind: Piece['kind'], seed: number): void {
  it(`makes closed solids of any ${kind}, the same by quick sums: seed ${seed}`, () => {
    const runs = rounds(60, 500)
    let made = 0
    for (const [i, piece] of someOf(kind, seeded(seed), runs).entries()) {
      const name = `piece ${i} of seed ${seed}`
      const { figures, geometry, findings } = planPieceStation(kernel, piece, 2300, false)
      if (!geometry.recipe) {
        expect([name, findings.some((f) => f.level === 'stop')]).toEqual([name, true])
        continue
      }
      made += 1
      expect([name, openEdges(geometry.recipe)]).toEqual([name, 0])
      expect([name, figures.volumeLitres > 0]).toEqual([name, true])
      const quick = planPieceStation(kernel, piece, 2300, true).figures
      // Coarse chords lose up to a tenth of a small plan of arcs.
      expect([name, Math.abs(quick.volumeLitres / figures.volumeLitres - 1) < 0.12]).toEqual([name, true])
    }
    // Most of what is drawn at random is legal.
    expect(made).toBeGreaterThan(runs / 2)
  }, 600_000)
}
