import { facesIn } from '../geometry/index.ts'
import type { Built, FlatFace, FormedFeature, PieceGeometry } from './types.ts'

/** Where nothing has a name for it: an imported mesh, the join of two bodies. */
const ANY = 'surface'

/** How the faces of a piece are called, by their names: flat ones by their own words, others by what they belong to. */
export function faceWords(
  faces: readonly FlatFace[],
  openings: Built['geometry']['openings'],
  formed: readonly Pick<FormedFeature, 'name' | 'recipe'>[],
): (face: string) => string {
  const words = new Map<string, string>()
  for (const { name, recipe } of formed) for (const face of facesIn(recipe)) words.set(face, name)
  for (const { name, loop } of openings) for (const side of loop) words.set(side.name, name)
  for (const face of faces) words.set(face.name, face.words)
  return (face) => words.get(face) ?? partWords(face)
}

/** Faces without a name of their own, by the part of the piece they bound: the first parts of a face's name are the builders' own words. */
const PARTS: Readonly<Record<string, string>> = {
  side: 'side',
  inside: 'inside',
  'inside/floor': 'floor inside',
  bore: 'bore',
  edge: 'edge',
  corner: 'rounded edge',
  'basin/shell': 'outside of the basin',
  'basin/foot': 'outside of the basin',
  basin: 'basin',
  apron: 'apron',
  drain: 'drain hole',
  hole: 'hole',
  seat: 'seat of the rim',
  cut: 'cut face',
}

function partWords(face: string): string {
  const [first, second] = face.split('/')
  return PARTS[`${first}/${second}`] ?? PARTS[first!] ?? ANY
}

/** The same of a piece that is described: `faceWordsOf(geometry)('bottom')` is `underside`. */
export const faceWordsOf = ({
  faces,
  openings,
  drilled,
  formed,
}: PieceGeometry): ((face: string) => string) => faceWords(faces, [...openings, ...drilled], formed)

/** The key of the opening a face bounds, as its own: `taps.1` of `opening/taps.1/wall/1`; null of any other face. */
export function openingOfFace(face: string): string | null {
  const [first, key] = face.split('/')
  return first === 'opening' ? (key ?? null) : null
}
