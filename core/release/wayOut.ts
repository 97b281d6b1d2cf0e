import { type Kernel, measureSolid, type SolidRecipe, type Vector } from '../geometry/index.ts'

/** How much of its own size a part has moved at each look, closest where it starts. */
export const shareOnWay = [0.01, 0.03, 0.08, 0.2, 0.45, 1.05] as const
/** Volumes shared on the way that are only faces sliding on one another: so thick over a part's two largest sides, mm. */
const SLIDES = 0.005
/** Of a part in such a box, mm3. */
export function slidesOf(min: readonly number[], max: readonly number[]): number {
  const size = [0, 1, 2].map((k) => max[k]! - min[k]!).sort((a, b) => b - a)
  return Math.max(1, SLIDES * size[0]! * size[1]!)
}
/** Ways that are tried, turned in plan from the part's own pull; then the same rising by half a right angle. */
const TURNS_DEG = [0, 45, -45, 22.5, -22.5, 67.5, -67.5, 90, -90, 135, -135, 180] as const

/**
 * A way by which a rigid part leaves what stands round it, found by moving its solid: its own pull first, then straight
 * up, then others in plan, level and rising. null where each of them meets something: that is no proof that there is
 * none, only that none is plain.
 */
export function wayOut(
  kernel: Kernel,
  part: { readonly recipe: SolidRecipe; readonly pull: Vector },
  standing: readonly SolidRecipe[],
): Vector | null {
  return kernel.withSolids((scope) => {
    const { body } = scope.solid(part.recipe)
    const { min, max } = measureSolid(body)
    const slides = slidesOf(min, max)
    const others = standing.map((recipe) => {
      const solid = scope.solid(recipe).body
      return { solid, ...measureSolid(solid) }
    })
    const isFree = (way: Vector): boolean => {
      const reach =
        Math.hypot(...([0, 1, 2] as const).map((k) => way[k] * (max[k]! - min[k]!))) ||
        Math.max(...[0, 1, 2].map((k) => max[k]! - min[k]!))
      return shareOnWay.every((share) => {
        const by = way.map((d) => d * share * reach) as unknown as [number, number, number]
        const near = others.filter((o) =>
          [0, 1, 2].every((k) => min[k]! + by[k]! < o.max[k]! && o.min[k]! < max[k]! + by[k]!),
        )
        if (near.length === 0) return true
        const moved = scope.keep(body.translate(by))
        return near.every((o) => scope.keep(moved.intersect(o.solid)).volume() <= slides)
      })
    }
    return waysOf(part.pull).find(isFree) ?? null
  })
}

/** The ways that are tried, the likeliest first, each of length 1. */
function waysOf(pull: Vector): Vector[] {
  const level = Math.hypot(pull[0], pull[1])
  if (level < 1e-6) return [pull, [0, 0, 1]]
  const turned = TURNS_DEG.map((deg): [number, number] => {
    const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
    return [(pull[0] * c - pull[1] * s) / level, (pull[0] * s + pull[1] * c) / level]
  })
  return [
    pull,
    [0, 0, 1],
    ...turned.map(([x, y]): Vector => [x * Math.SQRT1_2, y * Math.SQRT1_2, Math.SQRT1_2]),
    ...turned.slice(1).map(([x, y]): Vector => [x, y, 0]),
  ]
}
