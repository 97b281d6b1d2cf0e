import { cross, type Kernel, measureSolid, type SolidRecipe, unit, type Vector } from '../geometry/index.ts'
import { type Tilt, tiltedPoint } from './tilt.ts'
import { shareOnWay, slidesOf } from './wayOut.ts'

/** Degrees at which a part that is being tilted is looked at, the first as close as it starts. */
const ANGLES = [0.5, 1, 2, 4, 7, 11, 16, 22, 30] as const
/** Less is no tilt, degrees. */
const LEAST = 2
const UP: Vector = [0, 0, 1]

/**
 * How a rigid part that leaves level by no straight way is tilted off: about the outer or inner edge of its foot, its head
 * going first, or of its head, its foot going first. Looked at by turning its solid step by step, then drawing it along its
 * pull, or along itself. Null where that meets something too, and of what is drawn up or down.
 */
export function tiltOut(
  kernel: Kernel,
  part: { readonly recipe: SolidRecipe; readonly pull: Vector },
  standing: readonly SolidRecipe[],
): Tilt | null {
  const [px, py, pz] = part.pull
  if (Math.abs(pz) > 0.3) return null
  const pull = unit([px, py, 0])
  const axis = cross(UP, pull)
  return kernel.withSolids((scope) => {
    const { body } = scope.solid(part.recipe)
    const { min, max } = measureSolid(body)
    const slides = slidesOf(min, max)
    const others = standing.map((recipe) => scope.solid(recipe).body)
    const clear = (moved: typeof body): boolean =>
      others.every((o) => scope.keep(moved.intersect(o)).volume() <= slides)
    const along = (p: readonly number[]) => p[0]! * pull[0] + p[1]! * pull[1]
    const corners = [
      [min[0]!, min[1]!],
      [max[0]!, min[1]!],
      [max[0]!, max[1]!],
      [min[0]!, max[1]!],
    ]
    const outer = corners.reduce((a, b) => (along(b) > along(a) ? b : a))
    const inner = corners.reduce((a, b) => (along(b) < along(a) ? b : a))
    const edges = [
      { at: [...outer, min[2]!], sign: 1 },
      { at: [...inner, min[2]!], sign: 1 },
      { at: [...outer, max[2]!], sign: -1 },
      { at: [...inner, max[2]!], sign: -1 },
    ] as unknown as readonly { readonly at: Vector; readonly sign: 1 | -1 }[]
    for (const { at, sign } of edges)
      for (const angle of ANGLES) {
        const tilt: Tilt = { at, axis, deg: sign * angle, draw: pull }
        const [ox, oy, oz] = tiltedPoint([0, 0, 0], tilt)
        const column = (v: Vector): Vector => {
          const [x, y, z] = tiltedPoint(v, tilt)
          return [x - ox, y - oy, z - oz]
        }
        const turned = scope.keep(
          body.transform([
            ...column([1, 0, 0]),
            0,
            ...column([0, 1, 0]),
            0,
            ...column([0, 0, 1]),
            0,
            ox,
            oy,
            oz,
            1,
          ]),
        )
        if (!clear(turned)) break
        if (angle < LEAST) continue
        const reach = Math.hypot(max[0]! - min[0]!, max[1]! - min[1]!, max[2]! - min[2]!)
        // Along its pull, or along itself, the end that was tilted out going first.
        for (const draw of [pull, column([0, 0, sign])]) {
          const free = shareOnWay.every((share) =>
            clear(
              scope.keep(turned.translate(draw.map((n) => n * share * reach) as [number, number, number])),
            ),
          )
          if (free) return { ...tilt, draw }
        }
      }
    return null
  })
}
