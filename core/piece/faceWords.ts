import { facesIn } from '../geometry/index.ts'
import type { Built, FlatFace, FormedFeature } from './types.ts'

/** Where nothing has a name for it: an eased edge, the wall of something turned. */
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
  return (face) => words.get(face) ?? ANY
}
