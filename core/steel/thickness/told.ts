import type { Piece } from '../../job/index.ts'
import { faceWordsOf, type PieceGeometry } from '../../piece/index.ts'
import type { JudgedLand } from '../lands.ts'
import type { SteelFigures } from '../types.ts'
import { isLetter, type JudgedPlace, judgePlace } from './judgePlaces.ts'
import type { LeastThickness } from './leastThickness.ts'
import { type ThicknessMap, wallSamples } from './thicknessMap.ts'
import { thinPlaces } from './thinPlaces.ts'

/** A feather edge sharper than this breaks off, degrees [own]. */
export const SHARP = 30

/** Feather edges by what meets there: all arrises of a fluted shaft are one. Strokes of letters are judged by themselves. */
export function feathersOf(map: ThicknessMap | null, geometry: PieceGeometry) {
  const words = faceWordsOf(geometry)
  const found = new Map<string, { a: string; b: string; angleDeg: number; lengthMm: number }>()
  for (const { faces, angleDeg, length } of map?.feathers ?? []) {
    if (faces.some(isLetter)) continue
    const [a, b] = faces.map(words).sort() as [string, string]
    const known = found.get(`${a}|${b}`)
    found.set(`${a}|${b}`, {
      a,
      b,
      angleDeg: Math.min(angleDeg, known?.angleDeg ?? 180),
      lengthMm: length + (known?.lengthMm ?? 0),
    })
  }
  return [...found.values()]
}

export const placesOf = (
  piece: Piece,
  geometry: PieceGeometry,
  map: ThicknessMap,
  least: LeastThickness,
): JudgedPlace[] =>
  thinPlaces(map, Math.max(least.mm, least.better ?? 0), faceWordsOf(geometry)).map((place) =>
    judgePlace(piece, geometry, place, least),
  )

type Thinnest = { readonly mm: number; readonly where: string; readonly exact: boolean }

/** The thinnest of the piece: from its solid once it rests; before that only where its own measures tell it. */
export function thinnestOf(
  piece: Piece,
  geometry: PieceGeometry,
  places: readonly JudgedPlace[] | null,
  lands: readonly JudgedLand[],
): Thinnest | null {
  const land = lands.reduce<JudgedLand | null>((a, b) => (!a || b.leastMm < a.leastMm ? b : a), null)
  const words = faceWordsOf(geometry)
  const place = places?.find((p) => p.judgedAs !== 'letters' && p.judgedAs !== 'stub')
  const own: Thinnest | null = place
    ? { mm: place.leastMm, where: whereOf(piece, place, words), exact: place.exact }
    : places === null
      ? byMeasures(piece, geometry)
      : null
  const narrow: Thinnest | null = land && {
    mm: land.leastMm,
    where: `between ${land.between[0]} and ${land.between[1]}`,
    exact: true,
  }
  const round: Thinnest | null =
    own && geometry.voidFormer && piece.voidFormer
      ? { mm: piece.voidFormer.cover, where: 'round the void former', exact: true }
      : null
  // A land counts once the rest is known.
  if (!own) return null
  return [own, narrow, round].reduce<Thinnest>((a, b) => (b && b.mm < a.mm ? b : a), own)
}

const WHOLE = 'the slab itself'
const isWhole = (faces: readonly string[]): boolean => faces.includes('top') && faces.includes('bottom')
const whereOf = (piece: Piece, { faces }: JudgedPlace, words: (face: string) => string): string => {
  if (isWhole(faces)) return piece.kind === 'slab' ? WHOLE : 'from underside to top'
  const [a, b] = faces.map(words) as [string, string]
  return a === b ? `across the ${a}` : `between ${a} and ${b}`
}

/** What a piece's own measures say of its thinnest; null where only its solid tells. */
function byMeasures(piece: Piece, { thickness, thinnest, formed, recipe }: PieceGeometry): Thinnest | null {
  if (!recipe) return null
  // The wall of a bowl is thinner between its rim and its foot than either.
  if (thinnest && !(piece.kind === 'turned' && piece.turned.form === 'bowl'))
    return { ...thinnest, exact: true }
  return piece.kind === 'slab' && formed.length === 0 ? { mm: thickness, where: WHOLE, exact: true } : null
}

/** Samples as they are drawn: walls, without nibs, ridges and letters, which are carried by what they stand on. */
export function walls(
  map: ThicknessMap,
  places: readonly JudgedPlace[],
  words: (face: string) => string,
): ThicknessMap['samples'] {
  const pairs = new Set(
    places.flatMap((p) =>
      p.judgedAs === 'stub' || p.judgedAs === 'letters' ? [pairOf(p.faces.map(words))] : [],
    ),
  )
  return wallSamples(map).filter((s) => !pairs.has(pairOf([words(s.face), words(s.across)])))
}

const pairOf = (names: readonly string[]): string => [...names].sort().join('|')

/** A place thicker than so many times what is wanted, or than the thinnest, is none [own]. */
const [THICK, NEAR] = [2, 1.25]
/** Places told in figures at most, one of each pair of faces. */
const TOLD = 8

export const toldPlaces = (
  geometry: PieceGeometry,
  places: readonly JudgedPlace[],
  wanted: number,
): SteelFigures['thinPlaces'] => {
  const words = faceWordsOf(geometry)
  const most = Math.max(THICK * wanted, NEAR * (places[0]?.leastMm ?? 0))
  return places
    .filter((p) => p.judgedAs !== 'letters' && p.judgedAs !== 'stub' && p.leastMm <= most)
    .filter(
      (p, i, all) => all.findIndex((o) => pairOf(o.faces.map(words)) === pairOf(p.faces.map(words))) === i,
    )
    .slice(0, TOLD)
    .map((p) => ({
      between: [words(p.faces[0]), words(p.faces[1])],
      judgedAs: p.judgedAs as 'wall' | 'work' | 'land',
      whole: isWhole(p.faces),
      leastMm: p.leastMm,
      lengthMm: p.lengthMm,
      widthMm: p.widthMm,
      wantedMm: p.judgedAs === 'wall' || p.judgedAs === 'work' ? p.wantedMm : null,
      xMm: p.at[0] + (p.into[0] * p.leastMm) / 2,
      yMm: p.at[1] + (p.into[1] * p.leastMm) / 2,
      zMm: p.at[2] + (p.into[2] * p.leastMm) / 2,
    }))
}
