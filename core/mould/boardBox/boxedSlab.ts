import { arcByRise, type PathCorner, type Point } from '../../geometry/index.ts'
import { type BoxChoice, boxChoiceOf, type Piece, type SideId, type SlabPiece } from '../../job/index.ts'
import { nameOfSide, outlinePath, sideWall } from '../../piece/index.ts'
import { type Misfit, misfit, type Shaped } from '../misfit.ts'
import { bentRound, isRing } from './bentSides.ts'
import { interiorAngle } from './interiorAngle.ts'
import { type Lean, UPRIGHT } from './leaning.ts'

/** Heights as poured, from the base's face at 0, mm. */
export type Pour = {
  /** Work that stands out of the face that is down reaches to here. */
  readonly rise: number
  /** The slab's lower face: on a built-up floor where aprons hang below it, else as high as the work on the base. */
  readonly low: number
  /** The slab's upper face, where the fill is struck off. */
  readonly high: number
  /** The top of the highest apron; where there is none, `high`. */
  readonly full: number
}

/** A slab that a board box forms, top or underside down, and how it lies in the pour. */
export type BoxedSlab = Omit<SlabPiece, 'attitude' | 'mould'> & {
  readonly mould: BoxChoice
  readonly attitude: { readonly down: 'top' | 'bottom'; readonly turnDeg: 0 }
  readonly poured: Pour
}

/** Why a board box does not form a piece; null when it does. */
export function boxMisfit(piece: Piece): Misfit | null {
  if (piece.kind !== 'slab') return misfit(`kind/${piece.kind}`)
  const path = outlinePath(piece.outline)
  if (path.some((c) => c.run.kind === 'spline')) return misfit('drawn-side')
  if (path.some((_, i) => foldedCurve(path, i))) return misfit('folded-curve')
  if (piece.attitude.down !== 'top' && piece.attitude.down !== 'bottom') return misfit('on-its-side')
  if (piece.basin) return misfit('basin-below')
  const up = piece.attitude.down === 'top' ? 'bottom' : 'top'
  if (raisedOn(piece, up) > 0) return misfit('work-on-open-face')
  const rise = raisedOn(piece, piece.attitude.down)
  if (
    rise > 0 &&
    Object.values(piece.sides).some((s) => s[piece.attitude.down as 'top' | 'bottom'].kind !== 'square')
  )
    return misfit('work-beside-edges')
  if (piece.lettering.some((l) => l.on !== 'top' && l.on !== 'bottom')) return misfit('letters-on-sides')
  if (rise > 0 && piece.attitude.down === 'bottom' && deepestApron(piece) > 0)
    return misfit('work-beside-apron')
  return sideMisfit(piece, path)
}

/** Curved sides stand upright, lined or bare; a side that leans meets none of them. */
function sideMisfit(piece: SlabPiece, path: ReturnType<typeof outlinePath>): Misfit | null {
  const deepest = deepestApron(piece)
  for (const [i, corner] of path.entries()) {
    const side = piece.sides[corner.side]!
    const [before, after] = [path[(i + path.length - 1) % path.length]!, path[(i + 1) % path.length]!]
    const leaning = side.taper !== 0 && !side.seam
    if (leaning && (side.apron?.drop ?? 0) < deepest)
      return misfit('leans-beside-apron', nameOfSide(piece.outline, corner.side))
    const shaped: Shaped | null = leaning ? 'leans' : side.liner > 0 ? 'lined' : side.apron ? 'apron' : null
    if (shaped === null) continue
    // A liner bends; what leans or hangs lower does not.
    const lined = shaped === 'lined'
    if (corner.run.kind !== 'line' && !lined)
      return misfit('curved-and-shaped', nameOfSide(piece.outline, corner.side), shaped)
    if ((before.run.kind !== 'line' || after.run.kind !== 'line') && !lined)
      return misfit('shaped-beside-curve', nameOfSide(piece.outline, corner.side), shaped)
    for (const k of [i, (i + 1) % path.length])
      if (path[k]!.radius > 0 && isInside(path, k))
        return misfit('shaped-beside-inside', nameOfSide(piece.outline, corner.side), shaped)
    if (boxChoiceOf(piece.mould).rounds === 'bent' && (corner.radius > 0 || after.radius > 0))
      return misfit('shaped-beside-bend', nameOfSide(piece.outline, corner.side), shaped)
  }
  return null
}

const isInside = (path: ReturnType<typeof outlinePath>, k: number): boolean => {
  const at = (i: number): Point => [
    path[(i + path.length) % path.length]!.x,
    path[(i + path.length) % path.length]!.y,
  ]
  return interiorAngle(at(k - 1), at(k), at(k + 1)) > 180.05
}

const deepestApron = (piece: Pick<SlabPiece, 'sides'>): number =>
  Object.values(piece.sides).reduce((most, s) => Math.max(most, s.apron?.drop ?? 0), 0)

/** How far work stands out of a face, mm: fields, frames and letters. */
function raisedOn(piece: Pick<SlabPiece, 'panels' | 'lettering'>, face: string): number {
  const panels = piece.panels.map((p) => (p.kind === 'frame' ? (p.sunk ? 0 : p.height) : p.rise))
  return Math.max(
    0,
    ...(face === 'top' ? panels : []),
    ...piece.lettering.filter((l) => l.on === face).map((l) => l.depth),
  )
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

/** The piece as the board box takes it, with the heights it reaches in the pour; or null. */
export function asBoxed(piece: Piece): BoxedSlab | null {
  if (boxMisfit(piece) !== null) return null
  const slab = { ...piece, mould: boxChoiceOf(piece.mould) } as BoxedSlab
  const rise = raisedOn(slab, slab.attitude.down)
  const drop = deepestApron(slab)
  const low = slab.attitude.down === 'bottom' ? Math.max(rise, drop) : rise
  const high = low + slab.thickness
  const full = slab.attitude.down === 'top' ? high + drop : high
  return { ...slab, poured: { rise, low, high, full } }
}

/** How a side's inside face stands as poured, before its liner. */
export function leanOf(piece: BoxedSlab, side: SideId): Lean {
  const { low, high, insetLow, insetHigh } = sideWall(piece.sides[side]!, piece.thickness)
  const gain = (insetHigh - insetLow) / (high - low)
  if (gain === 0) return UPRIGHT
  const { poured, attitude } = piece
  // As placed the underside is at z = 0: upside down it lies at `high`, else at `low`.
  return attitude.down === 'top'
    ? { at: insetLow + gain * (poured.high - low), slope: -gain }
    : { at: insetLow - gain * (poured.low + low), slope: gain }
}

/** How high the strip of a side stands: as its own apron, or its neighbours', which it closes at their ends. */
export function stripHigh(piece: BoxedSlab, side: SideId): number {
  const { high, full } = piece.poured
  if (full === high) return high
  const path = outlinePath(piece.outline)
  const i = path.findIndex((c) => c.side === side)
  const near = [i - 1, i, i + 1].map((k) => path[(k + path.length) % path.length]!.side)
  return high + Math.max(...near.map((id) => piece.sides[id]!.apron?.drop ?? 0))
}

/** Features that the box does not form yet: they are cast only if the maker fixes something in it by hand. */
export function notFormed(piece: BoxedSlab): string[] {
  return [...piece.inserts.map((i) => i.name)]
}
