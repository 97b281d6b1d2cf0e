import type { Manifold } from 'manifold-3d'
import type { Solid, SolidScope } from './kernel.ts'

/** Less than this that hangs on nothing is a scrap of the cutting, no body, mm3. */
const SCRAP = 10

/**
 * The bodies of a solid, each hanging together, from left to right, front to back and bottom up by their boxes; scraps
 * left out. The same solid gives them in the same order.
 */
export function bodiesOf(scope: SolidScope, { body }: Solid): Manifold[] {
  const all = body.decompose()
  for (const one of all) scope.keep(one)
  const solid = all.filter((one) => one.volume() >= SCRAP)
  // A hollow shut in on all sides comes as a body turned inside out: it belongs to the least that holds it.
  const hollows = all.filter((one) => one.volume() <= -SCRAP)
  const held = solid.map((one) => {
    const own = hollows.filter((h) => holderOf(h, solid) === one)
    return own.length === 0 ? one : scope.keep(scope.kernel.Manifold.compose([one, ...own]))
  })
  return held
    .map((one) => ({ one, at: one.boundingBox().min.map((n) => Math.round(n * 100)) }))
    .sort((a, b) => a.at[0]! - b.at[0]! || a.at[1]! - b.at[1]! || a.at[2]! - b.at[2]!)
    .map(({ one }) => one)
}

function holderOf(hollow: Manifold, solids: readonly Manifold[]): Manifold | undefined {
  const { min, max } = hollow.boundingBox()
  return solids
    .filter((one) => {
      const box = one.boundingBox()
      return [0, 1, 2].every((k) => box.min[k]! <= min[k]! + 1e-3 && box.max[k]! >= max[k]! - 1e-3)
    })
    .sort((a, b) => a.volume() - b.volume())[0]
}
