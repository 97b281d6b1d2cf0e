import { type Arc, boundLoop, type Point } from './outline.ts'
import type { LoftLoop, Placement, SolidRecipe, Vector } from './recipe.ts'

export type Box = { readonly min: Vector; readonly max: Vector }

/**
 * A box that a recipe's solid lies in, mm, without building it; null where only the solid tells. Of a plain body it is
 * its own box; what is cut away or in common may leave the solid smaller.
 */
export function boundRecipe(recipe: SolidRecipe): Box | null {
  switch (recipe.kind) {
    case 'prism':
      return recipe.lowPlane ? null : upright(boundLoop(recipe.outline), recipe.low, recipe.high)
    case 'loft':
      return upright(boundLoft(recipe.outline), recipe.low, recipe.high)
    case 'ring': {
      const insets = recipe.section.map((p) => p.inset)
      const heights = recipe.section.map((p) => p.z)
      return upright(
        grown(boundSides(recipe.loop), -Math.min(...insets)),
        Math.min(...heights),
        Math.max(...heights),
      )
    }
    case 'turned': {
      const r = Math.max(...recipe.profile.map((p) => p.radius))
      const heights = recipe.profile.map((p) => p.z)
      const [x, y] = recipe.at
      const flat = { min: [x - r, y - r] as const, max: [x + r, y + r] as const }
      return upright(flat, Math.min(...heights), Math.max(...heights))
    }
    case 'stack':
      return around(recipe.levels.flatMap((l) => l.points.map(([x, y]): Vector => [x, y, l.z])))
    case 'plate': {
      const points = recipe.region.flat()
      return around(
        points.flatMap(([x, y]): Vector[] => [
          [x, y, recipe.low],
          [x, y, recipe.high],
        ]),
      )
    }
    case 'difference':
      return boundRecipe(recipe.from)
    case 'intersection': {
      const boxes = recipe.of.map(boundRecipe).filter((b) => b !== null)
      return boxes.length === 0 ? null : boxes.reduce(common)
    }
    case 'union': {
      const boxes = recipe.of.map(boundRecipe)
      return boxes.some((b) => b === null) ? null : around((boxes as Box[]).flatMap((b) => [b.min, b.max]))
    }
    case 'moved': {
      const box = boundRecipe(recipe.solid)
      return box && around(cornersOf(box).map((p) => place(recipe.by, p)))
    }
    case 'trimmed':
    case 'tidied':
    case 'body':
      return boundRecipe(recipe.solid)
    case 'mesh':
    case 'grown':
    case 'flange':
    case 'outset':
    case 'under':
      return null
  }
}

type Flat = { readonly min: Point; readonly max: Point }

const upright = ({ min, max }: Flat, low: number, high: number): Box => ({
  min: [min[0], min[1], low],
  max: [max[0], max[1], high],
})
const grown = ({ min, max }: Flat, by: number): Flat => ({
  min: [min[0] - by, min[1] - by],
  max: [max[0] + by, max[1] + by],
})

/** The plan of a loop of sides, its corners sharp. */
const boundSides = (loop: LoftLoop): Flat =>
  boundLoop(
    loop.map(({ name, from, to, arc }): { name: string; from: Point; to: Point; arc: Arc | null } => ({
      name,
      from,
      to,
      arc,
    })),
  )

/** A loop of sides at its widest: as far out as the side that stands least in. */
const boundLoft = (loop: LoftLoop): Flat =>
  grown(boundSides(loop), -Math.min(...loop.flatMap((side) => side.profile.map((p) => p.inset))))

function around(points: readonly Vector[]): Box | null {
  if (points.length === 0) return null
  const [first, ...rest] = points
  return rest.reduce<Box>(
    ({ min, max }, p) => ({
      min: [Math.min(min[0], p[0]), Math.min(min[1], p[1]), Math.min(min[2], p[2])],
      max: [Math.max(max[0], p[0]), Math.max(max[1], p[1]), Math.max(max[2], p[2])],
    }),
    { min: first!, max: first! },
  )
}

const common = (a: Box, b: Box): Box => ({
  min: [Math.max(a.min[0], b.min[0]), Math.max(a.min[1], b.min[1]), Math.max(a.min[2], b.min[2])],
  max: [Math.min(a.max[0], b.max[0]), Math.min(a.max[1], b.max[1]), Math.min(a.max[2], b.max[2])],
})

const cornersOf = ({ min, max }: Box): Vector[] =>
  [min[0], max[0]].flatMap((x) =>
    [min[1], max[1]].flatMap((y) => [min[2], max[2]].map((z): Vector => [x, y, z])),
  )

const place = ({ x, y, z, origin }: Placement, [a, b, c]: Vector): Vector => [
  origin[0] + a * x[0] + b * y[0] + c * z[0],
  origin[1] + a * x[1] + b * y[1] + c * z[1],
  origin[2] + a * x[2] + b * y[2] + c * z[2],
]
