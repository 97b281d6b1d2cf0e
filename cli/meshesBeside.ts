import fs from 'node:fs'
import path from 'node:path'
import type { Kernel } from '../core/geometry/index.ts'
import type { Job } from '../core/job/index.ts'
import { prepareMesh } from '../core/readers/index.ts'

/** Meshes that lie beside the job file under the names they were read by; another mesh of that name is not taken. */
export function holdMeshesBeside(kernel: Kernel, file: string, job: Job): void {
  for (const piece of job.pieces) {
    if (piece.kind !== 'imported') continue
    const beside = path.join(path.dirname(file), path.basename(piece.file.name))
    if (!fs.existsSync(beside)) continue
    const prepared = prepareMesh(piece.file.name, fs.readFileSync(beside))
    if (prepared.ok && prepared.id === piece.file.id) kernel.holdMesh(prepared.id, prepared.mesh)
  }
}
