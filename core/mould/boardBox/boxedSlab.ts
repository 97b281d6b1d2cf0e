import { arcByRise, type PathCorner, type Point } from '../../geometry/index.ts'
import type { Piece, SlabPiece } from '../../job/index.ts'
import { isPlainSide, outlinePath, sideWords } from '../../piece/index.ts'
import { bentRound, isRing } from './bentSides.ts'
import { interiorAngle } from './interiorAngle.ts'

/** A slab that a straight board box forms: straight sides, square, beaded or chamfered, top or underside down. */
export type BoxedSlab = Omit<SlabPiece, 'attitude'> & {
  readonly attitude: { readonly down: 'top' | 'bottom'; readonly turnDeg: 0 }
}

/** Why a piece has no mould method yet, in a few words; null when the board box forms it. */
export function whyNoBox(piece: Piece): string | null {
  if (piece.kind !== 'slab') return KIND_WORDS[piece.kind]
  const path = outlinePath(piece.outline)
  if (path.some((c) => c.run.kind === 'spline')) return 'its plan has a freely drawn side'
  if (path.some((_, i) => foldedCurve(path, i)))
    return 'a curved side meets its neighbour at an inside corner'
  if (piece.attitude.down !== 'top' && piece.attitude.down !== 'bottom') return 'it is poured on its side'
  if (piece.basin) return 'its basin hangs below'
  const up = piece.attitude.down === 'top' ? 'bottom' : 'top'
  if (raisedOn(piece, up) > 0) return 'work stands out of the face that lies open'
  const rise = raisedOn(piece, piece.attitude.down)
  if (
    rise > 0 &&
    Object.values(piece.sides).some((s) => s[piece.attitude.down as 'top' | 'bottom'].kind !== 'square')
  )
    return 'work stands out of its face beside shaped edges'
  if (piece.lettering.some((l) => l.on !== 'top' && l.on !== 'bottom')) return 'letters are on its sides'
  const odd = Object.entries(piece.sides).find(([, side]) => !isPlainSide(side))
  return odd ? `its ${sideWords(odd[0])} side is not a plain one` : null
}

/** How far work stands out of a face, mm: fields, frames and letters. */
function raisedOn(piece: SlabPiece, face: string): number {
  const panels = piece.panels.map((p) => (p.kind === 'frame' ? (p.sunk ? 0 : p.height) : p.rise))
  return Math.max(
    0,
    ...(face === 'top' ? panels : []),
    ...piece.lettering.filter((l) => l.on === face).map((l) => l.depth),
  )
}

const KIND_WORDS: Readonly<Record<Exclude<Piece['kind'], 'slab'>, string>> = {
  turned: 'it is turned',
  swept: 'it follows a side profile',
  box: 'it is a box over a core',
  imported: 'it was read from a file',
  fitted: 'it has a seat or a skirt',
}

/** Whether a curved side meets the one before it at an inside corner: their boards would stand in one place. */
function foldedCurve(path: ReturnType<typeof outlinePath>, i: number): boolean {
  const n = path.length
  const [before, own, after] = [path[(i + n - 1) % n]!, path[i]!, path[(i + 1) % n]!]
  if (before.run.kind === 'line' && own.run.kind === 'line') return false
  const at: Point = [own.x, own.y]
  const back = nearPoint(at, [before.x, before.y], before, -1)
  const on = nearPoint(at, [after.x, after.y], own, 1)
  return interiorAngle(back, at, on) > 180.6
}

/** A point on a side close to one of its ends, which tells the way it leaves there. */
function nearPoint(at: Point, other: Point, { run }: PathCorner, way: 1 | -1): Point {
  if (run.kind !== 'arc') return other
  const arc = way === 1 ? arcByRise(at, other, run.rise) : arcByRise(other, at, run.rise)
  if (!arc) return other
  const [x, y] = [at[0] - arc.centre[0], at[1] - arc.centre[1]]
  const a = Math.sign(arc.sweepRad) * way * 1e-3
  return [
    arc.centre[0] + x * Math.cos(a) - y * Math.sin(a),
    arc.centre[1] + x * Math.sin(a) + y * Math.cos(a),
  ]
}

/** What of a plan can be bent: a curved side, a rounded outside corner. */
export function curvesOf(piece: Piece): {
  readonly sides: boolean
  readonly corners: boolean
  readonly ring: boolean
} {
  const path = piece.kind === 'slab' ? outlinePath(piece.outline) : []
  return {
    sides: path.some((c) => c.run.kind === 'arc'),
    corners: path.some((_, i) => bentRound(path, i)),
    ring: path.length > 0 && isRing(path),
  }
}

/** Whether the plan turns inward somewhere, so that two strips meet at an inside corner. */
export function hasInsideCorner(piece: Piece): boolean {
  if (piece.kind !== 'slab') return false
  const path = outlinePath(piece.outline)
  const at = (i: number) => path[(i + path.length) % path.length]!
  return path.some(
    (c, i) => interiorAngle([at(i - 1).x, at(i - 1).y], [c.x, c.y], [at(i + 1).x, at(i + 1).y]) > 180.05,
  )
}

/** The piece as the board box takes it, as thick as it stands in the pour with its raised work; or null. */
export function asBoxed(piece: Piece): BoxedSlab | null {
  if (whyNoBox(piece) !== null) return null
  const slab = piece as BoxedSlab
  return { ...slab, thickness: slab.thickness + raisedOn(slab as SlabPiece, slab.attitude.down) }
}

/** Features that the box does not form yet: they are cast only if the maker fixes something in it by hand. */
export function notFormed(piece: BoxedSlab): string[] {
  return [
    ...piece.openings.filter((o) => o.depth === null && o.draftDeg !== 0).map((o) => o.name),
    ...piece.inserts.map((i) => i.name),
  ]
}
