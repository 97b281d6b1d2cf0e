import { canonicalJson, hashText } from '../geometry/index.ts'
import {
  findNeighbours,
  hasTwins,
  type MeshHealth,
  measureHealth,
  repairMesh,
  type WeldedMesh,
  weldMesh,
} from './meshHealth.ts'
import { readMesh } from './readMesh.ts'
import type { ReadProblem } from './types.ts'

/** What a mesh is kept under: a hash of its counts and of some thousand of its numbers, spread evenly. */
export const meshId = ({ positions, triangles }: WeldedMesh): string =>
  `mesh-${hashText(canonicalJson([positions.length, triangles.length, sample(positions), sample(triangles)]))}`

function sample(list: Float32Array | Uint32Array): number[] {
  const step = Math.max(1, Math.floor(list.length / 4000))
  const out: number[] = []
  for (let i = 0; i < list.length; i += step) out.push(list[i]!)
  return out
}

export type PreparedMesh = {
  readonly ok: true
  readonly id: string
  readonly mesh: WeldedMesh
  readonly found: MeshHealth
  readonly mended: MeshHealth
  readonly turnedCount: number
  readonly closedHoleCount: number
  readonly mmPerUnit: number | null
}

/** Reads a mesh file, welds it, judges it and mends what is safe: the one way a file becomes a mesh that is kept. */
export function prepareMesh(
  name: string,
  bytes: Uint8Array,
): PreparedMesh | { readonly ok: false; readonly problem: ReadProblem } {
  const read = readMesh(name, bytes)
  if (!read.ok) return read
  // Twins are rare and dear to look for: only where sides tell that there may be some.
  const plain = weldMesh(read.positions, read.triangles, { twins: false })
  const beside = findNeighbours(plain.mesh)
  const twins = hasTwins(beside.sides)
  const { mesh, zeroAreaCount, duplicateCount } = twins ? weldMesh(read.positions, read.triangles) : plain
  const neighbours = twins ? findNeighbours(mesh) : beside
  const found = measureHealth(mesh, { zeroAreaCount, duplicateCount, neighbours })
  const repair = repairMesh(mesh, neighbours)
  return {
    ok: true,
    id: meshId(repair.mesh),
    mesh: repair.mesh,
    found,
    mended:
      repair.mesh === mesh ? { ...found, zeroAreaCount: 0, duplicateCount: 0 } : measureHealth(repair.mesh),
    turnedCount: repair.turnedCount,
    closedHoleCount: repair.closedHoleCount,
    mmPerUnit: read.mmPerUnit,
  }
}
