import type { About, Finding, Piece } from '../../job/index.ts'
import { faceWordsOf, openingOfFace, type PieceGeometry } from '../../piece/index.ts'
import type { Mix } from '../../stock/index.ts'
import type { JudgedPlace } from './judgePlaces.ts'
import type { LeastThickness } from './leastThickness.ts'
import { thinRemedies } from './thicker.ts'

/** Places told at most: the rest are as thin or thicker. */
const TOLD = 4

/** A finding for each place that is too thin, with what cures it. */
export function thinFindings(
  piece: Piece,
  geometry: PieceGeometry,
  places: readonly JudgedPlace[],
  {
    least,
    mix,
    mixes,
    inside,
  }: {
    readonly least: LeastThickness
    readonly mix: Mix
    readonly mixes: readonly Mix[]
    readonly inside: 'mesh' | 'fibre' | 'none'
  },
): Finding[] {
  const words = faceWordsOf(geometry)
  return alike(places.filter((p) => p.level !== null))
    .slice(0, TOLD)
    .map(([place, ...more]): Finding => {
      const [a, b] = place.faces.map(words) as [string, string]
      const opening = openingOf(piece, geometry, place.faces)
      return {
        code: place.level === 'note' ? 'thin-enough' : 'too-thin',
        level: place.level!,
        station: 'steel',
        about: [opening ?? { pieceId: piece.id, kind: 'piece', id: piece.id, face: place.faces[0] }],
        facts: {
          thicknessMm: place.leastMm,
          leastMm: place.level === 'note' ? least.better! : place.wantedMm,
          mix: mix.name,
          with: inside,
          rule: place.judgedAs === 'work' ? 'work' : least.rule,
          a,
          b,
          lengthMm: place.lengthMm,
          widthMm: place.widthMm,
          more: more.length,
        },
        remedies:
          place.level === 'note'
            ? []
            : thinRemedies(piece, geometry, place, opening?.id ?? null, mix, mixes, inside),
      }
    })
}

/** Places of one level that want the same and are as thin as one another, the thinnest first: cured together. */
function alike(places: readonly JudgedPlace[]): [JudgedPlace, ...JudgedPlace[]][] {
  const groups: [JudgedPlace, ...JudgedPlace[]][] = []
  for (const place of places) {
    const group = groups.find(
      ([first]) =>
        first.level === place.level &&
        first.wantedMm === place.wantedMm &&
        place.leastMm <= first.leastMm * ALIKE,
    )
    if (group) group.push(place)
    else groups.push([place])
  }
  return groups
}
/** As thin as one another [own]. */
const ALIKE = 1.1

/** The opening that one of the faces belongs to. */
function openingOf(piece: Piece, geometry: PieceGeometry, faces: readonly string[]): About | null {
  for (const face of faces) {
    const key = openingOfFace(face)
    const opening = key && geometry.openings.find((o) => o.key === key)
    if (opening) return { pieceId: piece.id, kind: 'opening', id: opening.openingId, face }
  }
  return null
}
