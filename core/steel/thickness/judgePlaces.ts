import type { Level, Piece } from '../../job/index.ts'
import type { PieceGeometry } from '../../piece/index.ts'
import type { LeastThickness } from './leastThickness.ts'
import type { ThinPlace } from './thinPlaces.ts'

/** How a place is judged: as a wall, as small or as work that is thin on purpose, by its land, or not at all. */
export type JudgedPlace = ThinPlace & {
  readonly wantedMm: number
  readonly level: Level | null
  readonly judgedAs: 'wall' | 'work' | 'land' | 'stub' | 'letters'
}

/** Parts of a face's name that are work on the piece: what is thin there is thin on purpose. */
const WORK: ReadonlySet<string> = new Set(['opening', 'drainer', 'panel', 'drip'])
const part = (face: string): string => face.split('/')[0]!
export const isLetter = (face: string): boolean => part(face) === 'lettering'
/** Small is what reaches less than so many of its thicknesses from where it is thick (four each way over it); then half is enough. */
const [SMALL, HALF] = [2, 0.5]
/** What reaches less than so many of its thicknesses from where it is thick stops nothing [own]. */
const CARRIED = 3
/** A trim may stand out so many times its thickness. */
const RIDGE = 2
/** Under this share of what is wanted the pour stops. */
const STOP = 2 / 3

/**
 * What a place wants and what it gets: under the least it warns, under two thirds of it, over more than a tip, it stops.
 * Lands beside the openings of a slab are judged by their length, letters by their strokes: both elsewhere.
 */
export function judgePlace(
  piece: Piece,
  { relief }: Pick<PieceGeometry, 'relief'>,
  place: ThinPlace,
  least: LeastThickness,
): JudgedPlace {
  const { faces, leastMm: mm, lengthMm, widthMm, reachMm, upright } = place
  if (faces.some(isLetter)) return { ...place, wantedMm: 0, level: null, judgedAs: 'letters' }
  if (piece.kind === 'slab' && upright && faces.some((f) => part(f) === 'opening'))
    return { ...place, wantedMm: 0, level: null, judgedAs: 'land' }
  const worked = faces.some((f) => WORK.has(part(f)))
  // A nib, or the ridge of a trim, that stands out less than it is thick is carried by what it stands on.
  const trim = faces.every((f) => part(f) === 'panel' && f === faces[0]) && relief.top <= RIDGE * mm
  if ((worked && upright && reachMm < mm) || trim)
    return { ...place, wantedMm: 0, level: null, judgedAs: 'stub' }
  const work = reachMm < SMALL * mm
  const wantedMm = work ? HALF * least.mm : least.mm
  // Smaller than its own least each way it is a tip, and what lies behind it carries it.
  const tip = piece.kind === 'imported' || lengthMm * widthMm < wantedMm ** 2 || reachMm < CARRIED * mm
  const level = (): Level | null => {
    if (mm < STOP * wantedMm - 1e-6) return tip ? 'warn' : 'stop'
    if (mm < wantedMm - 1e-6) return 'warn'
    return !work && least.better !== null && mm < least.better - 1e-6 ? 'note' : null
  }
  return { ...place, wantedMm, level: level(), judgedAs: work ? 'work' : 'wall' }
}
