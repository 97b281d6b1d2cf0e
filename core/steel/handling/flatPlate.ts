import {
  columnDepths,
  type Kernel,
  meshSolid,
  outlineFromAbove,
  type Point,
  type Region,
} from '../../geometry/index.ts'
import type { Piece } from '../../job/index.ts'
import { connectedMesh, LooseSystem, planMesh, RestingPlate } from '../../mechanics/index.ts'
import type { PieceGeometry } from '../../piece/index.ts'
import { trianglesAround } from './peakStress.ts'

/** Nodes of a plan, about; and the finest and coarsest it is cut, mm [own]. */
const [NODES, FINEST, COARSEST] = [600, 8, 80]
/** Poisson's ratio of concrete. */
const POISSON = 0.2
/** Stress does not depend on it, deflection does: Ec = 4700 sqrt(fc) at 20 MPa. */
const ELASTICITY = 4700 * Math.sqrt(20)
/** A body is flat where it is this much lower than it is wide [own]. */
const FLAT = 0.3
/** Where a hair of concrete is left it still has some stiffness, mm. */
const HAIR = 1

/** A flat piece as a plate of its real plan and its thickness everywhere, as placed. */
export type FlatPlate = {
  readonly plate: RestingPlate
  readonly plan: Region
  /** Chosen spacing of its mesh, mm. */
  readonly size: number
  /** For each triangle those over which its stress is averaged. */
  readonly around: readonly Uint16Array[]
}

/**
 * Whether a piece bends as a plate: a slab, a lid or a disc that is low against its width. A slab with a basin does not:
 * its shell stiffens it in a way that no plate tells.
 */
export function isFlat(piece: Piece, { length, width, height, thickness }: PieceGeometry): boolean {
  // An apron, or what stands on a slab, is a rib of it.
  const deep = piece.kind === 'slab' ? thickness : height
  if (deep > FLAT * Math.min(length, width)) return false
  if (piece.kind === 'slab') return piece.basin === null
  if (piece.kind === 'fitted') return piece.part === 'lid' || piece.part === 'plug'
  return piece.kind === 'turned' && (piece.turned.form === 'cylinder' || piece.turned.form === 'frustum')
}

/** The plate of a flat piece; null where its plan is empty, falls apart or hangs by a hair. */
export function flatPlate(kernel: Kernel, geometry: PieceGeometry): FlatPlate | null {
  const { recipe } = geometry
  if (!recipe) return null
  const plan = outlineFromAbove(kernel, recipe)
  if (plan.length === 0) return null
  const area = plan.reduce((sum, ring) => sum + ringArea(ring), 0)
  const size = Math.min(COARSEST, Math.max(FINEST, Math.sqrt(area / (NODES * 0.87))))
  const mesh = connectedMesh(planMesh(plan, size))
  if (!mesh) return null
  const middles = mesh.triangles.map(
    (t): Point =>
      [0, 1].map((k) => t.reduce((sum, n) => sum + mesh.nodes[n]![k as 0], 0) / 3) as [number, number],
  )
  const solid = kernel.withSolids((s) => meshSolid(s.solid(recipe)))
  const depths = columnDepths(solid, middles).map((c) => Math.max(HAIR, c?.depth ?? HAIR))
  try {
    const plate = new RestingPlate(mesh, depths, ELASTICITY, POISSON)
    return { plate, plan, size, around: trianglesAround(plate) }
  } catch (error) {
    if (error instanceof LooseSystem) return null
    throw error
  }
}

const ringArea = (ring: readonly Point[]): number =>
  ring.reduce((sum, [x, y], i) => {
    const [nx, ny] = ring[(i + 1) % ring.length]!
    return sum + (x * ny - nx * y) / 2
  }, 0)
