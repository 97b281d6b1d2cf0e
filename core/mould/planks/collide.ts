import type { Kernel } from '../../geometry/index.ts'
import type { Plank } from './plankParts.ts'

/** Boards that share more than this stand in each other's place, mm3. */
const SHARED = 1
/** Boxes that lap by less than this only touch, mm. */
const TOUCH = 0.05

/** Two planks that would stand in one place, as they do in a hollow narrower than its boards; null where none do. */
export function collision(kernel: Kernel, planks: readonly Plank[]): readonly [Plank, Plank] | null {
  return kernel.withSolids((scope) => {
    const bodies = planks.map((p) => scope.solid(p.part.recipe).body)
    const boxes = bodies.map((b) => b.boundingBox())
    for (const [i, a] of boxes.entries())
      for (let j = i + 1; j < boxes.length; j += 1) {
        const b = boxes[j]!
        const apart = [0, 1, 2].some(
          (k) => Math.min(a.max[k]!, b.max[k]!) - Math.max(a.min[k]!, b.min[k]!) < TOUCH,
        )
        if (apart) continue
        const shared = scope.keep(bodies[i]!.intersect(bodies[j]!)).volume()
        if (shared > SHARED) return [planks[i]!, planks[j]!]
      }
    return null
  })
}
