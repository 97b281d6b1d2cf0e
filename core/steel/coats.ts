import type { Piece } from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'

/** A back coat goes on no thicker than this at once, and holds nothing thinner than the other, mm. */
export const BACK = { least: 9, most: 16 } as const
/** Edges that are handled want this in all, mm. */
export const HANDLED = 15

/** Glass-fibre concrete in coats: a face without fibre against the mould, a back with it. */
export type Coats = {
  readonly faceMm: number
  readonly by: Piece['steel']['coats']['by']
  /** What is left for the back where the piece is thinnest, and where it is whole. */
  readonly backMm: number
  readonly thickMm: number
  /** In so many goes, rolled each. */
  readonly goCount: number
  /** What the face coat covers: all that lies against the mould. */
  readonly faceM2: number
  readonly faceLitres: number
  readonly backLitres: number
  readonly glassKg: number
}

/**
 * The coats of a piece: its face by the area that shows, sides of a slab with it, of what is hollow half its surface; the
 * back is the rest of its volume. Null where coats are not chosen. A slab 1000 x 500 x 15 with a face of 3: 0.545 m2, 1.6 L.
 */
export function coatsOf(
  piece: Piece,
  { figures, geometry }: Pick<PieceStation, 'figures' | 'geometry'>,
  freshKgPerM3: number,
  /** Where it is thinnest, once that is known, mm. */
  thinnest: number | null = null,
): Coats | null {
  const { kind, coats } = piece.steel
  if (kind !== 'coats') return null
  const slab = piece.kind === 'slab'
  const sides = (figures.perimeterMm * geometry.thickness) / 1e6
  const faceM2 = slab
    ? figures.showFaceAreaM2 + sides
    : Math.max(figures.showFaceAreaM2, figures.surfaceAreaM2 / 2)
  const faceLitres = Math.min(faceM2 * coats.face, figures.volumeLitres)
  const backLitres = figures.volumeLitres - faceLitres
  const whole = slab ? geometry.thickness : (geometry.thinnest?.mm ?? geometry.thickness)
  const left = (mm: number) => Math.max(0, mm - coats.face)
  const thickMm = left(whole)
  return {
    faceMm: coats.face,
    by: coats.by,
    backMm: left(Math.min(whole, thinnest ?? whole)),
    thickMm,
    goCount: Math.max(1, Math.ceil(thickMm / BACK.most - 1e-9)),
    faceM2,
    faceLitres,
    backLitres,
    glassKg: (backLitres / 1000) * freshKgPerM3 * (coats.glassPercent / 100),
  }
}

/** What goes into the mixer besides the bag: fibre by all that is mixed, or by the back coat alone, its face mixed by itself. */
export function mixedIn(
  piece: Piece,
  station: Pick<PieceStation, 'figures' | 'geometry'>,
  freshKgPerM3: number,
): { readonly fibreKgPerM3: number; readonly coats: Coats | null } {
  const coats = coatsOf(piece, station, freshKgPerM3)
  if (coats) return { fibreKgPerM3: (freshKgPerM3 * piece.steel.coats.glassPercent) / 100, coats }
  return { fibreKgPerM3: piece.steel.kind === 'fibre' ? piece.steel.fibre.kgPerM3 : 0, coats: null }
}
