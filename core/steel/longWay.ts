import { boundSolid, type Kernel, type SolidRecipe, type Vector } from '../geometry/index.ts'

/** A body is a post where it is so much longer one way than the others [own]. */
const SLENDER = 1.5

/** x, y or z. */
export type Axis = 0 | 1 | 2
/** A box's longest way, if it is a post's. */
export function longWay(size: Vector): Axis | null {
  const axis = size.indexOf(Math.max(...size)) as Axis
  const rest = Math.max(...size.filter((_, i) => i !== axis))
  return size[axis] >= SLENDER * rest ? axis : null
}

/** A body this many times wider than it is deep is flat, and no post. */
const FLAT = 3
/** Whether a box is that of a post: long one way, and not a board. */
export const isPost = (size: Vector): boolean => {
  const [a, b] = [...size].sort((p, q) => p - q) as [number, number, number]
  return longWay(size) !== null && b <= FLAT * a
}

/** How long a body is each way, mm. */
export function sizeOf(kernel: Kernel, body: SolidRecipe): Vector {
  const { min, max } = boundSolid(kernel, body)
  return [max[0] - min[0], max[1] - min[1], max[2] - min[2]]
}
