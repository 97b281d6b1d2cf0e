import type { Kernel } from '../../core/geometry/index.ts'
import type { Piece } from '../../core/job/index.ts'
import { openDatabase } from '../storage/database.ts'

const database = openDatabase()

/** Gives the kernel the mesh of an imported piece from this device's files; where it is not here the plan says so. */
export async function holdPieceMesh(kernel: Kernel, piece: Piece): Promise<void> {
  if (piece.kind !== 'imported' || kernel.hasMesh(piece.file.id)) return
  try {
    const row = await database.files.get(piece.file.id)
    if (row) kernel.holdMesh(row.id, { positions: row.positions, triangles: row.triangles })
  } catch {
    // Storage is blocked: the piece is planned without its mesh, and a finding says what to do.
  }
}
