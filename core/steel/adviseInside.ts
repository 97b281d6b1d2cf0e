import type { Piece } from '../job/index.ts'
import type { PieceGeometry } from '../piece/index.ts'
import type { Mix } from '../stock/index.ts'
import type { TakesBars } from './bars/planBars.ts'
import { takesMesh } from './takesMesh.ts'

/** What goes inside a piece of its sort, and why. */
export type InsideAdvice = {
  readonly inside: 'mesh' | 'fibre' | 'coats' | 'cage' | 'hoops' | 'ribs' | 'nothing'
  readonly because:
    | 'glass-in-it'
    | 'thin-tray'
    | 'too-thin-for-mesh'
    | 'long'
    | 'small'
    | 'post'
    | 'hollow'
    | 'profile'
    | 'block'
    | 'shell'
}

/** From so far a slab cracks right across where nothing holds it; what is smaller than that lies or is handled whole, mm [own]. */
const LONG = 500
const SMALL = 300
/** What is this thick every way bears itself, mm [own]. */
const BLOCK = 150
/** And where it is this thick at its thinnest, mm [own]. */
const THICK = 100
/** A wire has at least so much concrete over it; it is crossed by another, mm. */
const LEAST_COVER = 10

/**
 * What usually goes inside: of glass-fibre premix nothing more, or coats where it is thin; in a slab a mat where it has room
 * and length enough; a cage in a post, hoops round a hollow, ribs along a seat; nothing in a block; else fibre.
 */
export function adviseInside(
  piece: Piece,
  geometry: PieceGeometry,
  mix: Mix,
  wire: number,
  takes: TakesBars | null,
  /** At its thinnest, mm; null where that is not told. */
  thinnest: number | null,
): InsideAdvice {
  const { length, width, height, thickness } = geometry
  const longest = Math.max(length, width, height)
  if (mix.family === 'glass-fibre')
    return thickness < 30 && takesMesh(piece, geometry)
      ? { inside: 'coats', because: 'thin-tray' }
      : { inside: 'nothing', because: 'glass-in-it' }
  if (takes?.cage) return { inside: 'cage', because: 'post' }
  if (takes?.hoops) return { inside: 'hoops', because: 'hollow' }
  if (takes?.ribs) return { inside: 'ribs', because: 'profile' }
  if (takesMesh(piece, geometry)) {
    if (longest < SMALL) return { inside: 'fibre', because: 'small' }
    if (thickness < 2 * (LEAST_COVER + wire)) return { inside: 'fibre', because: 'too-thin-for-mesh' }
    return longest >= LONG ? { inside: 'mesh', because: 'long' } : { inside: 'fibre', because: 'small' }
  }
  // A box that is large may hold a thin shell: only what is thick all over bears itself.
  if (thinnest !== null && thinnest >= THICK && Math.min(length, width, height) >= BLOCK)
    return { inside: 'nothing', because: 'block' }
  return { inside: 'fibre', because: longest < SMALL ? 'small' : 'shell' }
}
