import {
  creaseLines,
  fillLevels,
  type Kernel,
  meshSolid,
  outlineFromAbove,
  type Placement,
  type SolidRecipe,
  seenLines,
} from '../../core/geometry/index.ts'
import type { Piece } from '../../core/job/index.ts'
import { inversePlacement, pouredPlacement, pouredSize } from '../../core/piece/index.ts'
import type { PiecePlan } from '../../core/plan.ts'
import type { PartMesh, Scene } from './protocol.ts'

/** Whether a part's outline from above can be read from its recipe. */
const told = (recipe: SolidRecipe): boolean =>
  recipe.kind === 'prism' ||
  recipe.kind === 'turned' ||
  recipe.kind === 'plate' ||
  (recipe.kind === 'difference' && told(recipe.from))

const STAYS: Placement = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [0, 0, 0] }

/** The piece and its mould as meshes, edges and outlines, in the frame of the pour. */
export function sceneOf(kernel: Kernel, piece: Piece, plan: PiecePlan): Scene {
  const { geometry } = plan.stations.piece!
  const by = pouredPlacement(piece.attitude, geometry)
  const cast: SolidRecipe = { kind: 'moved', solid: geometry.recipe!, by }
  const lies = piece.attitude.down === 'top' || piece.attitude.down === 'bottom'
  const parts = kernel.withSolids((scope) => {
    const part = (
      id: string,
      role: PartMesh['role'],
      recipe: SolidRecipe,
      pull: PartMesh['pull'] = null,
      plan: PartMesh['plan'] = null,
      openingId: string | null = null,
    ): PartMesh => {
      const mesh = meshSolid(scope.solid(recipe))
      return { id, role, openingId, mesh, pull, plan, lines: creaseLines(mesh) }
    }
    return [
      // One that lies on its top or underside is drawn by its own outline.
      part('piece', 'piece', cast, null, lies ? null : outlineFromAbove(kernel, cast)),
      ...geometry.inserts.map((i) =>
        part(`insert/${i.id}`, 'insert', { kind: 'moved', solid: i.recipe, by }),
      ),
      ...(geometry.voidFormer
        ? [part('void-former', 'insert', { kind: 'moved', solid: geometry.voidFormer.recipe, by })]
        : []),
      ...(plan.stations.mould?.parts ?? []).map((p) =>
        part(
          p.id,
          p.role,
          p.recipe,
          p.pull,
          told(p.recipe) ? null : outlineFromAbove(kernel, p.recipe),
          p.source.of === 'opening' ? p.source.openingId : null,
        ),
      ),
    ]
  })
  const { xMm, yMm, zMm } = plan.stations.piece!.figures.centreOfGravity
  const body = parts[0]!.mesh
  return {
    parts,
    toPoured: by,
    size: pouredSize(piece.attitude, geometry),
    seen: { poured: seenLines(body, STAYS), placed: seenLines(body, inversePlacement(by)) },
    levels: fillLevels(body.positions, body.triangles),
    centre: [xMm, yMm, zMm],
  }
}

/** What of a scene is handed over, not copied. */
export const buffersOf = (scene: Scene): Transferable[] => [
  ...scene.parts.flatMap(({ mesh, lines }) => [
    mesh.positions.buffer,
    mesh.triangles.buffer,
    mesh.faceOfTriangle.buffer,
    lines.buffer,
  ]),
  scene.seen.poured.buffer,
  scene.seen.placed.buffer,
  scene.levels.buffer,
]
