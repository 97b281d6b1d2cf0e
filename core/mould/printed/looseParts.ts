import {
  bodiesOf,
  type Kernel,
  type Placement,
  type SolidRecipe,
  squareTo,
  type Vector,
} from '../../geometry/index.ts'
import type { CurvedJoint } from '../shells/curvedJoint.ts'
import type { Cell, Parting } from '../shells/flangedShells.ts'
import { type Lying, lieOnBed, waysToLie } from './onBed.ts'
import type { Bed } from './split.ts'

/** A body of a printed shell before it is named. */
export type LoosePart = {
  readonly isFloor: boolean
  readonly pull: Vector
  /** Those of lower rank come off first. */
  readonly rank: number
  readonly recipe: SolidRecipe
  readonly volume: number
  /** Its size as it stands round the cast, mm; nothing while it is guessed. */
  readonly box: Vector
  readonly lying: Lying | null
  /** Of two halves along a curve which: 0 behind their joint, 1 before it; null of other parts. */
  readonly half: 0 | 1 | null
}

/** How what lies in a cell may lie on the bed. */
export const seamWays = (
  partings: readonly Parting[],
  cell: Cell,
  curve: Pick<CurvedJoint, 'way'> | null,
): Placement[] =>
  waysToLie([
    ...partings.map(({ normal: [x, y, z] }, k): Vector => [x * cell[k]!, y * cell[k]!, z * cell[k]!]),
    // A curved seam is no face to lie on: with its joint upright it may still lie on its side.
    ...(curve && Math.abs(curve.way[2]) < 0.5 ? [squareTo(curve.way)[1]] : []),
  ])

/** How many splits stand between a part and the nearer end of its shell: those at the ends come off first. */
export function farFromEnds(planes: readonly Parting[], cell: Cell): number {
  const ways = new Map<string, { before: number; behind: number }>()
  planes.forEach(({ normal }, i) => {
    const key = normal.map((n) => n.toFixed(6)).join()
    const way = ways.get(key) ?? { before: 0, behind: 0 }
    if (cell[i] === 1) way.before += 1
    else way.behind += 1
    ways.set(key, way)
  })
  return [...ways.values()].reduce((sum, { before, behind }) => sum + Math.min(before, behind), 0)
}

/** The bodies that a cell falls into, each a part of its own: measured, and laid on the bed. */
export function bodiesIn(
  kernel: Kernel,
  recipe: SolidRecipe,
  ways: readonly Placement[],
  bed: Bed,
): Pick<LoosePart, 'recipe' | 'volume' | 'box' | 'lying'>[] {
  return kernel.withSolids((scope) => {
    const solid = scope.solid(recipe)
    const bodies = bodiesOf(scope, solid)
    const whole = bodies.length === 1 && bodies[0]!.numTri() === solid.body.numTri()
    return bodies.map((body, at) => {
      const { min, max } = body.boundingBox()
      return {
        recipe: whole ? recipe : ({ kind: 'body', solid: recipe, at, name: 'print' } as const),
        volume: body.volume(),
        box: [max[0] - min[0], max[1] - min[1], max[2] - min[2]] as const,
        lying: lieOnBed(body, ways, bed),
      }
    })
  })
}
