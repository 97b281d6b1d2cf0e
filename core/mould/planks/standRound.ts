import type { FlatRegion } from '../../geometry/index.ts'
import { pouredPlacement } from '../../piece/index.ts'
import type { Board } from '../../stock/index.ts'
import type { CastBody } from '../castBody.ts'
import type { MethodInput } from '../method.ts'
import { coresOf } from './cores.ts'
import { facing, partWall, plankParts } from './plankParts.ts'
import { coversOf, plankShape, standOf } from './plankShapes.ts'

/** What stands round the cast for a board of a thickness. */
export function standRound(
  input: MethodInput<'planks'>,
  faces: readonly FlatRegion[],
  body: CastBody,
  board: Board,
) {
  const { piece, pieceStation } = input
  const stands = faces.map((f) => standOf(f, body.height))
  const covers = coversOf(faces, piece.mould.corners)
  const shapes = faces.flatMap((_, i) =>
    stands[i] === 'plank' ? [plankShape(faces, i, stands, board.thickness, covers)] : [],
  )
  const cores = coresOf(faces, stands, shapes)
  const by = pouredPlacement(piece.attitude, pieceStation.geometry)
  const words = new Map(pieceStation.geometry.faces.map((f) => [f.name, f.words]))
  const whole = plankParts(faces, shapes, cores, board, (f) => words.get(f.name) ?? facing(f.normal, by))
  const planks =
    piece.mould.core === 'collapsible' ? cores.reduce((all, core) => partWall(all, core), whole) : whole
  return { stands, shapes, cores, planks }
}
