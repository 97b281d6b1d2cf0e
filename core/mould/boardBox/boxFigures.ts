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
