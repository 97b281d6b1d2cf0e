import { mirrorPath, type PathCorner, type SolidRecipe } from '../../geometry/index.ts'
import {
  loftLoop,
  OUTLINE_NAMES,
  outlinePath,
  type PieceGeometry,
  pouredLoop,
  sidesOf,
} from '../../piece/index.ts'
import { prism } from '../bareParts.ts'
import { type BoxedSlab, leanOf } from './boxedSlab.ts'
import { leanInset, leans } from './leaning.ts'

/** The plan as poured: its corners, anticlockwise again when it lies mirrored. */
export function boxPath(piece: BoxedSlab, { length }: Pick<PieceGeometry, 'length'>): PathCorner[] {
  const path = outlinePath(piece.outline)
  return piece.attitude.down === 'top' ? mirrorPath(path, length / 2) : path
}

/** What the sides and their liners enclose between two heights, rounded corners as the piece has them. */
export function boxInside(
  piece: BoxedSlab,
  geometry: Pick<PieceGeometry, 'length' | 'outline'>,
  low: number,
  high: number,
  name: string,
): SolidRecipe {
  const bare = sidesOf(piece).every((s) => !leans(leanOf(piece, s)) && piece.sides[s]!.liner === 0)
  if (bare) {
    const outline = pouredLoop(geometry.outline, piece.attitude, geometry as PieceGeometry)
    return prism(outline, low, high, name)
  }
  return {
    kind: 'loft',
    outline: loftLoop(boxPath(piece, geometry), OUTLINE_NAMES, (side) => {
      const { liner } = piece.sides[side]!
      return [low, high].map((z) => ({
        z,
        inset: liner + leanInset(leanOf(piece, side), z),
        name: `${name}/${side}`,
      }))
    }),
    holes: [],
    low,
    high,
    lowName: `${name}/under`,
    highName: `${name}/top`,
  }
}
