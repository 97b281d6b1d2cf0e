import { edgeSize, type Kernel, measureSolid } from '../geometry/index.ts'
import type { Piece } from '../job/index.ts'
import { massOf, mm3ToLitres } from '../units/convert.ts'
import { checkPiece } from './checkPiece.ts'
import { halfSize, outlineLoop, SIDES } from './outlineLoop.ts'
import { slabRecipe } from './pieceRecipe.ts'
import { placeOpenings, resolvePlacing } from './placing.ts'
import { quickMeasure } from './quickMeasure.ts'
import type { PieceFigures, PieceStation } from './types.ts'

/**
 * The first station: what is cast, as it will stand. `quick` gives figures from exact areas at once; the full run
 * measures the solid. A piece that cannot be built still has its quick figures, and findings that say why.
 */
export function planPieceStation(
  kernel: Kernel,
  piece: Piece,
  hardenedKgPerM3: number,
  quick: boolean,
): PieceStation {
  const outline = outlineLoop(piece.outline)
  const placing = resolvePlacing(piece)
  const openings = placeOpenings(piece, placing)
  const findings = checkPiece(kernel, piece, outline, openings, placing)
  const stopped = findings.some((f) => f.level === 'stop')
  const recipe = stopped ? null : slabRecipe(piece, outline, openings)
  const rough = quickMeasure(piece, outline, openings)
  const solid = recipe && !quick ? kernel.withSolids((scope) => measureSolid(scope.solid(recipe).body)) : null
  const volume = solid?.volume ?? Math.max(0, rough.volume)
  const centroid = solid?.centroid ?? rough.centroid
  const concreteKg = massOf(volume, hardenedKgPerM3)
  const faceArea = Math.max(1, rough.faceArea)
  const figures: PieceFigures = {
    kind: 'slab',
    lengthMm: piece.outline.length,
    widthMm: piece.outline.width,
    thicknessMm: piece.thickness,
    volumeLitres: mm3ToLitres(volume),
    volumeFrom: solid ? 'solid' : 'quick',
    concreteKg,
    weightKg: concreteKg,
    weightPerAreaKgPerM2: concreteKg / (faceArea * 1e-6),
    centreOfGravity: { xMm: centroid[0], yMm: centroid[1], zMm: centroid[2] },
    showFaceAreaM2: faceArea * 1e-6,
    surfaceAreaM2: (solid?.area ?? 2 * faceArea + sideArea(piece)) * 1e-6,
    poured: piece.attitude.down === 'top' ? 'show face down' : 'show face up',
    edges: SIDES.map((side) => {
      const { top, bottom } = piece.sides[side]
      return {
        side,
        topKind: top.kind,
        topSizeMm: edgeSize(top),
        bottomKind: bottom.kind,
        bottomSizeMm: edgeSize(bottom),
      }
    }),
    openings: openings.map((o) => {
      const [u, v] = halfSize(o.shape)
      return {
        id: o.openingId,
        key: o.key,
        name: o.name,
        shape: o.shape.kind,
        lengthMm: 2 * u,
        widthMm: 2 * v,
        cornerRadiusMm: o.shape.kind === 'round' ? u : o.shape.radius,
        centreXMm: o.centre[0],
        centreYMm: o.centre[1],
      }
    }),
  }
  const { length, width } = piece.outline
  return {
    figures,
    findings,
    geometry: { length, width, thickness: piece.thickness, outline, openings, recipe },
  }
}

const sideArea = (piece: Piece): number => 2 * (piece.outline.length + piece.outline.width) * piece.thickness
