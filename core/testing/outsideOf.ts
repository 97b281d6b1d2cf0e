import type { Kernel, SolidRecipe, Vector } from '../geometry/index.ts'
import { axisPlacement } from '../piece/features/insertSolid.ts'

/** How much of a bar with so much concrete round it lies outside the piece, mm3. */
export function outsideOf(
  kernel: Kernel,
  recipe: SolidRecipe,
  { path, closed, diameter }: { path: readonly Vector[]; closed: boolean; diameter: number },
  cover: number,
): number {
  const r = diameter / 2 + cover
  const ends = closed ? [...path, path[0]!] : path
  return ends.slice(1).reduce((sum, to, i) => {
    const from = ends[i]!
    const way = [0, 1, 2].map((k) => to[k]! - from[k]!) as unknown as Vector
    const length = Math.hypot(...way)
    const into = way.map((w) => w / length) as unknown as Vector
    const name = 'bar'
    const grown: SolidRecipe = {
      kind: 'moved',
      solid: {
        kind: 'turned',
        at: [0, 0],
        profile: [
          { radius: 0, z: 0, name },
          { radius: r, z: 0, name },
          { radius: r, z: length, name },
          { radius: 0, z: length, name },
        ],
      },
      by: axisPlacement(from, into),
    }
    return sum + kernel.withSolids((s) => s.keep(s.solid(grown).body.subtract(s.solid(recipe).body)).volume())
  }, 0)
}
