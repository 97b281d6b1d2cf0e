import type { FlatRegion, Vector } from '../../geometry/index.ts'
import type { FaceStand, PlankShape } from './plankShapes.ts'

/** A hollow of the cast whose boards make a box by themselves. */
export type CoreBox = {
  readonly faces: readonly number[]
  /** Where the hollow is open in the pour; null where it is shut in on all sides or opens through a side. */
  readonly opens: 'up' | 'down' | null
  /** What it keeps the fill out of, mm3. */
  readonly volume: number
  readonly depth: number
  /** Of its steepest wall, towards its mouth: below 0 it locks. Degrees. */
  readonly draftDeg: number
}

const LEVEL = 0.999

/**
 * The hollows of a cast: planks that meet at inside corners all round and face each other. What stands out of the cast has
 * its walls facing away from each other, and is none.
 */
export function coresOf(
  faces: readonly FlatRegion[],
  stands: readonly FaceStand[],
  shapes: readonly PlankShape[],
): CoreBox[] {
  const group = new Map(shapes.map((s) => [s.face, s.face]))
  const root = (f: number): number => {
    const up = group.get(f)!
    return up === f ? f : root(up)
  }
  for (const { face, edges } of shapes)
    for (const e of edges.flat())
      if (e.angleDeg > 180.5 && stands[e.beside] === 'plank') group.set(root(face), root(e.beside))
  const roots = [...new Set(shapes.map((s) => root(s.face)))]
  return roots.flatMap((r): CoreBox[] => {
    const own = shapes.filter((s) => root(s.face) === r)
    const members = own.map((s) => s.face)
    const walls = members.map((f) => faces[f]!).filter((f) => Math.abs(f.normal[2]) < LEVEL)
    if (walls.length < 3 || !facesInward(walls)) return []
    const meets = (what: FaceStand) => own.some((s) => s.edges.flat().some((e) => stands[e.beside] === what))
    const opens = meets('open') ? 'up' : meets('base') ? 'down' : null
    const heights = own.flatMap((s) => faces[s.face]!.loops.flat().map((c) => c.at[2]))
    const [low, high] = [Math.min(...heights), Math.max(...heights)]
    const mouth = opens === 'down' ? low : high
    const sign = opens === 'down' ? -1 : 1
    return [
      {
        faces: members,
        opens,
        // Of what is shut by its mouth: the sum over its faces of how far each stands from it, seen from above.
        volume: Math.abs(
          members.reduce(
            (sum, f) => sum + faces[f]!.area * faces[f]!.normal[2] * (faces[f]!.centroid[2] - mouth),
            0,
          ),
        ),
        depth: high - low,
        draftDeg: Math.min(...walls.map((w) => (Math.asin(sign * w.normal[2]) * 180) / Math.PI)),
      },
    ]
  })
}

/** Whether walls stand all round and face their middle. */
function facesInward(walls: readonly FlatRegion[]): boolean {
  const turns = walls.map(({ normal: [x, y] }) => Math.atan2(y, x)).sort((a, b) => a - b)
  const widest = turns.reduce(
    (most, t, i) => Math.max(most, i === 0 ? t + 2 * Math.PI - turns.at(-1)! : t - turns[i - 1]!),
    0,
  )
  if (widest > Math.PI - 1e-3) return false
  const middle = middleOf(walls)
  const out = walls.reduce((sum, { normal, centroid, area }) => {
    const [dx, dy] = [centroid[0] - middle[0], centroid[1] - middle[1]]
    return sum + area * (normal[0] * dx + normal[1] * dy)
  }, 0)
  return out < 0
}

const middleOf = (walls: readonly FlatRegion[]): Vector => {
  const area = walls.reduce((sum, w) => sum + w.area, 0)
  const along = (k: 0 | 1 | 2) => walls.reduce((sum, w) => sum + w.area * w.centroid[k], 0) / area
  return [along(0), along(1), along(2)]
}
