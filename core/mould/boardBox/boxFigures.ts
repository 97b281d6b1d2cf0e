import { arcByRise, measureLoop } from '../../geometry/index.ts'
import type { SideId } from '../../job/index.ts'
import { outlinePath, type PieceGeometry, type PlacedOpening } from '../../piece/index.ts'
import type { BoxedSlab } from './boxedSlab.ts'

/** Openings that a knockout forms: cast in, right through. */
export const boxedOpenings = ({ openings }: PieceGeometry): readonly PlacedOpening[] =>
  openings.filter((o) => o.depth === null)

/** A side's length between the plan's corners, before they are rounded and along its curve, mm. */
export function sideLength(piece: BoxedSlab, side: SideId): number {
  const path = outlinePath(piece.outline)
  const i = path.findIndex((c) => c.side === side)
  const [a, b] = [path[i]!, path[(i + 1) % path.length]!]
  const arc = a.run.kind === 'arc' ? arcByRise([a.x, a.y], [b.x, b.y], a.run.rise) : null
  return arc ? arc.radius * Math.abs(arc.sweepRad) : Math.hypot(b.x - a.x, b.y - a.y)
}

export const perimeterOf = ({ loop }: PlacedOpening): number => measureLoop(loop).perimeter

/** A corner of a plan that is rounded between two straight sides: what it takes of each, and its arc, mm; else null. */
export function roundedCorner(
  path: ReturnType<typeof outlinePath>,
  i: number,
): { readonly tangent: number; readonly arc: number } | null {
  const [before, corner, after] = [
    path[(i + path.length - 1) % path.length]!,
    path[i]!,
    path[(i + 1) % path.length]!,
  ]
  if (corner.radius === 0 || before.run.kind !== 'line' || corner.run.kind !== 'line') return null
  const [a, b] = [
    [corner.x - before.x, corner.y - before.y],
    [after.x - corner.x, after.y - corner.y],
  ] as const
  const turn = Math.abs(Math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1]))
  return { tangent: corner.radius * Math.tan(turn / 2), arc: corner.radius * turn }
}

/** A side's length between its rounded corners, mm: what is straight of it, or its curve. */
export function straightLength(piece: BoxedSlab, side: SideId): number {
  const path = outlinePath(piece.outline)
  const i = path.findIndex((c) => c.side === side)
  const taken = [i, (i + 1) % path.length].reduce((sum, k) => sum + (roundedCorner(path, k)?.tangent ?? 0), 0)
  return Math.max(0, sideLength(piece, side) - taken)
}
