import { boundLoop, boundRecipe, type Loop, type SolidRecipe } from '../../geometry/index.ts'
import { type PieceGeometry, pouredLoop, pouredPlacement } from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import { type BarePart, barePart, DOWN, UP } from '../bareParts.ts'
import { volumeOf } from '../castBody.ts'
import { chooseLaminate } from '../laminate.ts'
import type { MethodInput } from '../method.ts'
import type { BoxedSlab } from './boxedSlab.ts'
import { boxInside } from './boxInside.ts'
import { laminated } from './splitKnockout.ts'

/** A former of sealed board, foam or print, kg/m3 [own]. */
const KG_PER_M3 = 500

/**
 * What forms the work in and on a slab: a body for each recess, groove, sunken field and line of letters, and one
 * ground board round all that stands out of the face that is down. Those on the face that lies open hang from a bridge.
 */
export function formers(
  input: MethodInput,
  piece: BoxedSlab,
  geometry: PieceGeometry,
  knockouts: readonly BarePart[],
  boards: readonly Board[],
): BarePart[] {
  const { down } = piece.attitude
  const by = pouredPlacement(piece.attitude, geometry)
  const cast: SolidRecipe = { kind: 'moved', solid: geometry.recipe!, by }
  const outline = pouredLoop(geometry.outline, piece.attitude, geometry)
  const { rise } = piece.poured
  const size = boundLoop(outline)
  const standing = knockouts.map((k) => k.recipe)
  // Raised work may stand in a sunken field; else a feature is wholly outside the cast.
  const raised = geometry.formed.some((f) => f.raised)
  const parts: BarePart[] = []
  if (rise > 0) {
    const recipe: SolidRecipe = {
      kind: 'difference',
      from: boxInside(piece, geometry, 0, rise, 'former/ground'),
      minus: [cast, ...standing],
    }
    parts.push(
      barePart({
        id: 'former/ground',
        role: 'former',
        source: { of: 'ground', n: 1, count: 1 },
        name: 'ground board round the raised work',
        lengthMm: size.max[0] - size.min[0],
        widthMm: size.max[1] - size.min[1],
        thicknessMm: rise,
        pull: DOWN,
        mass: { volume: volumeOf(input, recipe, areaOf(outline) * rise * 0.8), kgPerM3: KG_PER_M3 },
        recipe,
      }),
    )
  }
  const earlier: SolidRecipe[] = []
  // A feature's own volume is known; the solid is measured only where raised work stands in it.
  const own = (known: number, recipe: SolidRecipe) =>
    Math.max(0, raised || known === 0 ? volumeOf(input, recipe, known) : known)
  for (const feature of geometry.formed.filter(
    (f) => !f.raised && (f.face === 'top' || f.face === 'bottom'),
  )) {
    const hung = feature.face !== down
    const solid: SolidRecipe = { kind: 'moved', solid: feature.recipe, by }
    const recipe: SolidRecipe = {
      kind: 'difference',
      from: {
        kind: 'intersection',
        of: [solid, boxInside(piece, geometry, rise, piece.poured.full, `former/${feature.id}`)],
      },
      minus: [...(raised ? [cast] : []), ...standing, ...earlier],
    }
    earlier.push(solid)
    parts.push(
      barePart({
        id: `former/${feature.id}`,
        role: 'former',
        source: { of: 'feature', featureId: feature.id, n: 1, count: 1 },
        name: hung ? `${feature.name} former, hung from above` : `${feature.name} former`,
        pull: hung ? UP : DOWN,
        mass: { volume: own(feature.volume, recipe), kgPerM3: KG_PER_M3 },
        recipe,
      }),
    )
  }
  return parts.filter((p) => p.mass!.volume > LEAST).map((p) => fromBoards(p, boards))
}

/** A former cut from boards glued to its height where boards come to it; else it is made as the maker can. */
function fromBoards(part: BarePart, boards: readonly Board[]): BarePart {
  const box = boundRecipe(part.recipe)
  if (!box) return part
  const [lengthMm, widthMm, thicknessMm] = [0, 1, 2].map((k) => box.max[k]! - box.min[k]!) as [
    number,
    number,
    number,
  ]
  const sized = { ...part, lengthMm, widthMm, thicknessMm }
  const laminate =
    part.source.of === 'feature' || part.source.of === 'ground' ? chooseLaminate(thicknessMm, boards) : null
  if (!laminate?.fits) return sized
  const cut = laminated(
    sized,
    { recipe: part.recipe, volume: part.mass?.volume ?? 0, straight: false },
    boards,
  )
  return { ...cut, foot: null }
}

/** Slivers between chords are no former, mm3. */
const LEAST = 1

const areaOf = (loop: Loop): number => {
  const { min, max } = boundLoop(loop)
  return (max[0] - min[0]) * (max[1] - min[1])
}
