import {
  bandFromAbove,
  boundRecipe,
  combineRegions,
  type Kernel,
  loftPoints,
  offsetRegion,
  type Region,
} from '../../geometry/index.ts'
import type { SlabPiece } from '../../job/index.ts'
import { outlineLoft, type PieceGeometry, type PlacedOpening } from '../../piece/index.ts'
import { castIn } from '../castIn.ts'
import { meshRegion } from './meshSheet.ts'

/** Where the wires of a mat lie between, from the underside, mm; and how much concrete it wants round them. */
export type MatLevel = { readonly low: number; readonly high: number; readonly cover: number }

/**
 * Where a mat may run at its own depth, in plan: inside the outline as wide as it is there, clear of openings, of
 * whatever is cut in so deep, of basins and of what is cast in, by the cover all round. Above and below it keeps the cover
 * as far as the slab is thick enough for it.
 */
export function matRegion(
  kernel: Kernel,
  piece: SlabPiece,
  geometry: Pick<PieceGeometry, 'outline' | 'noMesh' | 'formed' | 'inserts' | 'voidFormer' | 'thickness'>,
  openings: readonly PlacedOpening[],
  { low, high, cover }: MatLevel,
): Region {
  const { thickness } = geometry
  const from = low - Math.min(cover, Math.max(0, low))
  const to = high + Math.min(cover, Math.max(0, thickness - high))
  const reaches = openings.filter(
    (o) => o.depth === null || (o.on === 'top' ? thickness - o.depth < to - 1e-6 : o.depth > from + 1e-6),
  )
  const plans = [low, high].map(
    (z): Region => [loftPoints(outlineLoft(piece), Math.min(Math.max(z, 0), thickness))],
  )
  const inside = offsetRegion(kernel, combineRegions(kernel, 'intersection', plans), -cover, 'mitre')
  const clear = combineRegions(kernel, 'intersection', [
    inside,
    meshRegion(kernel, geometry.outline, reaches, cover),
  ])
  const cuts = [
    // Recesses are openings already.
    ...geometry.formed
      .filter((f) => !f.raised && !openings.some((o) => o.key === f.id))
      .map(({ recipe }) => ({ recipe, low: from, high: to })),
    ...castIn(geometry).map((recipe) => ({ recipe, low, high })),
  ].flatMap((cut): Region[] => {
    const box = boundRecipe(cut.recipe)
    if (box && (box.max[2] <= cut.low + 1e-6 || box.min[2] >= cut.high - 1e-6)) return []
    const seen = bandFromAbove(kernel, cut.recipe, cut.low, cut.high)
    return seen.length === 0 ? [] : [offsetRegion(kernel, seen, cover, 'round')]
  })
  const away = [...geometry.noMesh, ...cuts]
  return away.length === 0 ? clear : combineRegions(kernel, 'difference', [clear, ...away])
}
