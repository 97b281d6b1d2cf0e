import type { Edge } from '../../job/index.ts'
import { screwPull } from '../../mechanics/index.ts'
import { outlinePath, type PieceGeometry, sidesOf } from '../../piece/index.ts'
import type { Board, FreshMix, Sealant } from '../../stock/index.ts'
import { massToForce } from '../../units/convert.ts'
import type { BarePart } from '../bareParts.ts'
import type { ScrewRow, SealantRow } from '../types.ts'
import { isRing } from './bentSides.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { boxedOpenings, perimeterOf, roundedCorner, sideLength, straightLength } from './boxFigures.ts'
import { ANGLED, bondHolds, isScrewed } from './fixingSchools.ts'

/** Screws stay this far from a strip's ends, mm. */
const END = 40
/** A wiped joint uses as much as a bead of this radius, mm; our own figure. */
const WIPED = 2
/** Depth from which each corner gets a screw of its own, mm. */
const CORNER_SCREW_DEPTH = 100

export type SidePull = { readonly partId: string; readonly spacing: number; readonly holds: boolean }

/** How far apart the screws of a strip may be: 10 base thicknesses, or what prying allows; whether what is chosen holds. */
export function screwSpacing(
  piece: BoxedSlab,
  base: Board,
  side: Board,
  mix: FreshMix,
): { spacing: number; holds: boolean } {
  if (!isScrewed(piece.mould.fixing)) return { spacing: 0, holds: bondHolds(piece, base, side, mix) }
  const joint = {
    school: piece.mould.school === 'wrap' ? ('wrap' as const) : ('stand' as const),
    height: piece.poured.full,
    spacing: 1,
    baseThickness: base.thickness,
    sideThickness: side.thickness,
    freshKgPerM3: mix.freshKgPerM3,
  }
  const edgeOf = piece.mould.school === 'wrap' ? base : side
  const hold = edgeOf.screwHold * (piece.mould.fixing === 'angled-screws' ? ANGLED : 1)
  const byPrying = hold / screwPull(joint)
  const most = 10 * base.thickness
  // Held at the top a strip no longer pries its screws: they carry two thirds of the push in shear.
  if (piece.mould.braceSpacing !== null) return { spacing: most, holds: byPrying >= END }
  return { spacing: Math.min(most, byPrying), holds: byPrying >= END }
}

/** Screws of each strip into the base edge (wrap) or through the base into the strip (stand), with their places. */
export function screwRows(
  piece: BoxedSlab,
  parts: readonly BarePart[],
  base: Board,
  side: Board,
  spacing: number,
): ScrewRow[] {
  if (!isScrewed(piece.mould.fixing)) return []
  const depth = piece.poured.full
  const length = 2 * (piece.mould.school === 'wrap' ? side.thickness : base.thickness)
  const strips = parts.filter((p) => p.role === 'strip')
  return strips
    .map((strip): ScrewRow => {
      const inside = strip.bevels?.insideLengthMm ?? strip.lengthMm
      const own = Math.min(
        inside,
        strip.source.of === 'side' ? sideLength(piece, strip.source.side) : strip.lengthMm,
      )
      const lead = Math.max(0, strip.bevels?.leadMm ?? 0)
      const run = Math.max(0, own - 2 * END)
      const count = Math.max(2, Math.ceil(run / Math.max(END, spacing) - 1e-9) + 1)
      const end = Math.min(END, own / 4)
      const step = (own - 2 * end) / (count - 1)
      const positions = Array.from({ length: count }, (_, i) => lead + end + i * step)
      return {
        where: `${strip.name} to base`,
        partId: strip.id,
        lengthMm: length,
        count,
        spacingMm: step,
        positionsMm: positions,
        from: piece.mould.school === 'wrap' || piece.mould.fixing === 'angled-screws' ? 'outside' : 'below',
      }
    })
    .concat(depth > CORNER_SCREW_DEPTH && strips.length > 0 ? cornerScrews(depth, strips, side) : [])
}

const cornerScrews = (depth: number, strips: readonly BarePart[], side: Board): ScrewRow[] => [
  {
    where: 'corners',
    partId: strips[0]!.id,
    lengthMm: 2 * side.thickness,
    count: strips.length,
    spacingMm: 0,
    positionsMm: [depth / 2],
    from: 'outside',
  },
]

/**
 * Force that holds a knockout down, N: the larger of twice the net uplift and (1.5 rho V - m) g, although a straight
 * body sealed to the base feels only side push.
 */
export function holdDownForce(volume: number, massKg: number, freshKgPerM3: number): number {
  const lifted = freshKgPerM3 * volume * 1e-9
  const net = massToForce(Math.max(0, lifted - massKg))
  return Math.max(2 * net, massToForce(1.5 * lifted - massKg), 0)
}

/** Sealant by joint: base joint of each side, vertical corners, round knockouts; each with its own radius. */
export function sealantRows(piece: BoxedSlab, geometry: PieceGeometry): SealantRow[] {
  const { down } = piece.attitude
  const corners = outlinePath(piece.outline)
  const smooth = isRing(corners) ? corners.length : 0
  const sharpCorners = corners.filter((c) => c.radius === 0).length - smooth
  const roundCorners = corners.length - smooth - sharpCorners
  const radiusOf = (edge: Edge) => (edge.kind === 'bead' ? edge.size : 0)
  const rims = Object.fromEntries(piece.openings.map((o) => [o.id, o.rim[down]]))
  const rows: Omit<SealantRow, 'millilitres'>[] = [
    ...sidesOf(piece).map((side) => ({
      where: `${side} base joint`,
      lengthMm: straightLength(piece, side),
      radiusMm: radiusOf(piece.sides[side]![down]),
    })),
    ...roundedJoints(piece, radiusOf),
    {
      where: 'vertical corners',
      lengthMm: (sharpCorners + 2 * roundCorners) * piece.poured.full,
      radiusMm: 0,
    },
    ...boxedOpenings(geometry).map((o) => ({
      where: `round the ${o.name} knockout`,
      lengthMm: perimeterOf(o),
      radiusMm: radiusOf(rims[o.openingId]!),
    })),
  ]
  return rows.map((row) => ({ ...row, millilitres: sealantVolume(row.lengthMm, row.radiusMm) }))
}

/** Base joint round the rounded corners: each takes the larger bead of its two sides. */
function roundedJoints(
  piece: BoxedSlab,
  radiusOf: (edge: Edge) => number,
): Omit<SealantRow, 'millilitres'>[] {
  const { down } = piece.attitude
  const path = outlinePath(piece.outline)
  const arcs = path.flatMap((corner, i) => {
    const round = roundedCorner(path, i)
    const before = path[(i + path.length - 1) % path.length]!
    const bead = Math.max(...[corner, before].map((c) => radiusOf(piece.sides[c.side]![down])))
    return round ? [{ bead, length: round.arc }] : []
  })
  return [...new Set(arcs.map((a) => a.bead))].map((bead) => ({
    where: 'rounded corners base joint',
    lengthMm: arcs.filter((a) => a.bead === bead).reduce((sum, a) => sum + a.length, 0),
    radiusMm: bead,
  }))
}

/** mL for a length: 2 (1 - pi/4) r^2 a mm, half of it wiped away. r 6: 15.45 mL/m. */
export const sealantVolume = (length: number, radius: number): number =>
  (2 * (1 - Math.PI / 4) * Math.max(radius, WIPED) ** 2 * length) / 1000

/** Minutes at 20 degC until concrete may touch the sealant: by its throat, 0.41 r. */
export const sealantReady = (rows: readonly SealantRow[], sealant: Sealant): number =>
  Math.max(0, ...rows.map((r) => r.radiusMm)) * 0.41 <= 4 ? sealant.readyMinutes : sealant.readyThickMinutes
