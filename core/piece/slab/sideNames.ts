import { boundLoop, type PathCorner, type Point, pathLoop } from '../../geometry/index.ts'
import type { SideId } from '../../job/index.ts'

/** Which way a side looks: along an axis, or between two where it runs across a corner. */
const FACING = [
  'right',
  'back right',
  'back',
  'back left',
  'left',
  'front left',
  'front',
  'front right',
] as const
type Facing = (typeof FACING)[number]

/** As near to the edge of the plan's box as a side may be and still lie on it, mm. */
const NEAR = 0.5
/** What a notch takes of the plan's box at most; more is a step. */
const NOTCH = 0.25

type Placed = {
  readonly id: SideId
  readonly facing: Facing
  readonly middle: Point
  /** Whether nothing of the plan lies further out the way it looks. */
  readonly outer: boolean
}

/**
 * What the sides of a plan are called, by where they lie and not by their ids: front, right, back and left as one stands
 * before it, `front right` across a corner; sides that look into the plan's own box are those of a notch, a step, or
 * inner ones. Several of a name are told apart by left and right, front and back, or numbered anticlockwise.
 */
export function sideNames(path: readonly PathCorner[]): ReadonlyMap<SideId, string> {
  const { min, max } = boundLoop(pathLoop(path, { side: (id) => id, corner: (a) => a }))
  const sides = path.map((corner, i): Placed => {
    const next = path[(i + 1) % path.length]!
    const [dx, dy] = [next.x - corner.x, next.y - corner.y]
    // Material lies on the left: a side looks to its right.
    const turn = Math.round(Math.atan2(-dx, dy) / (Math.PI / 4))
    const facing = FACING[(turn + 8) % 8]!
    const far = Math.max(0, corner.run.kind === 'arc' ? corner.run.rise : 0)
    const length = Math.hypot(dx, dy) || 1
    const middle: Point = [
      (corner.x + next.x) / 2 + (dy / length) * far,
      (corner.y + next.y) / 2 - (dx / length) * far,
    ]
    return { id: corner.side, facing, middle, outer: isOuter(path, corner, next, facing, min, max) }
  })
  const box = (max[0] - min[0]) * (max[1] - min[1])
  const names = sides.map((side, i) => {
    if (side.outer) return side.facing
    return `${cutOut(path, sides, i, box)} ${side.facing}`
  })
  const said = new Map<SideId, string>()
  for (const name of new Set(names)) {
    const own = sides.filter((_, i) => names[i] === name)
    own.forEach((side, k) => {
      said.set(side.id, own.length === 1 ? name : (apart(own, k, name) ?? `${name} ${k + 1}`))
    })
  }
  return new Map(sides.map(({ id }) => [id, said.get(id)!]))
}

/** Whether a side lies on the plan's box the way it looks; across a corner, whether nothing lies beyond its line. */
function isOuter(
  path: readonly PathCorner[],
  from: PathCorner,
  to: PathCorner,
  facing: Facing,
  min: Point,
  max: Point,
): boolean {
  const reach = { front: [1, min], back: [1, max], left: [0, min], right: [0, max] } as const
  if (facing in reach) {
    const [k, edge] = reach[facing as keyof typeof reach]
    const at = (c: PathCorner) => (k === 0 ? c.x : c.y)
    const nearest = Math.min(Math.abs(at(from) - edge[k]), Math.abs(at(to) - edge[k]))
    if (nearest <= NEAR || from.run.kind !== 'line') return true
  }
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const length = Math.hypot(dx, dy) || 1
  return path.every((c) => ((c.x - from.x) * dy - (c.y - from.y) * dx) / length <= NEAR)
}

/** What an inner side is part of: a notch or step is two of them that meet at a corner of the plan's box. */
function cutOut(path: readonly PathCorner[], sides: readonly Placed[], i: number, box: number): string {
  const n = path.length
  const [before, after] = [(i + n - 1) % n, (i + 1) % n]
  const other = !sides[before]!.outer ? before : !sides[after]!.outer ? after : null
  if (other === null || n < 5) return 'inner'
  const first = other === before ? before : i
  const around = [(first + n - 1) % n, (first + 2) % n]
  if (around.some((k) => !sides[k]!.outer)) return 'inner'
  const [a, b] = [path[first]!, path[(first + 2) % n]!]
  return Math.abs(a.x - b.x) * Math.abs(a.y - b.y) <= NOTCH * box ? 'notch' : 'step'
}

/** Two sides of a name, told apart by where they lie along themselves. */
function apart(own: readonly Placed[], k: number, name: string): string | null {
  if (own.length !== 2) return null
  const [a, b] = [own[k]!.middle, own[1 - k]!.middle]
  const along = own[k]!.facing === 'front' || own[k]!.facing === 'back' ? 0 : 1
  if (Math.abs(a[along] - b[along]) < NEAR) return null
  const less = a[along] < b[along]
  return `${name}, ${along === 0 ? (less ? 'left' : 'right') : less ? 'front' : 'back'} part`
}
