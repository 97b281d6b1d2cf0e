import { expect, it } from 'vitest'
import { type Kernel, meshSolid, openKernel } from '../geometry/index.ts'
import { anyPiece, seeded } from '../testing/anyPiece.ts'
import { holdFonts, planPieceStation } from './index.ts'

/** How many solids are made of all kinds together; their chords are coarse so that this takes seconds. */
const RUNS = 2000
const COARSER = 60
const SEED = 20261124

/** Edges that not exactly two facets share, once vertices in one place are one. */
function openEdges(
  kernel: Kernel,
  recipe: Parameters<Parameters<Parameters<Kernel['withSolids']>[0]>[0]['solid']>[0],
): number {
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

it(`every solid the builders make is closed, has a volume, and is the same by quick sums: ${RUNS} pieces, seed ${SEED}`, async () => {
  const kernel = await openKernel({ coarser: COARSER })
  await holdFonts(['condensed-bold'])
  const random = seeded(SEED)
  const made: Record<string, number> = {}
  for (let i = 0; i < RUNS; i += 1) {
    const piece = anyPiece(random)
    const name = `piece ${i} of seed ${SEED}, ${piece.kind}`
    const { figures, geometry, findings } = planPieceStation(kernel, piece, 2300, false)
    if (!geometry.recipe) {
      expect([name, findings.some((f) => f.level === 'stop')]).toEqual([name, true])
      continue
    }
    made[piece.kind] = (made[piece.kind] ?? 0) + 1
    expect([name, openEdges(kernel, geometry.recipe)]).toEqual([name, 0])
    expect([name, figures.volumeLitres > 0]).toEqual([name, true])
    const quick = planPieceStation(kernel, piece, 2300, true).figures
    // Coarse chords lose up to a tenth of a small plan of arcs.
    expect([name, Math.abs(quick.volumeLitres / figures.volumeLitres - 1) < 0.12]).toEqual([name, true])
  }
  // Most of what is drawn at random is legal, in every kind.
  for (const kind of ['slab', 'turned', 'swept', 'box', 'fitted'])
    expect([kind, (made[kind] ?? 0) > RUNS / 10]).toEqual([kind, true])
}, 240_000)
