import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { type Job, jobFileName, LIMITS, type ReadJob, readJob, writeJob } from '../job/index.ts'
import type { WeldedMesh } from './meshHealth.ts'
import { prepareMesh } from './meshId.ts'
import { READ_LIMITS } from './types.ts'

/** A mesh as it is kept on a device, under the hash of its content. */
export type KeptMesh = WeldedMesh & { readonly id: string; readonly name: string }

/** A job with the meshes it uses as one zip: the job file, and each mesh as a binary STL under its id. */
export function packJob(job: Job, meshes: readonly KeptMesh[]): Uint8Array<ArrayBuffer> {
  const entries: Record<string, Uint8Array> = { [jobFileName(job.name)]: strToU8(writeJob(job)) }
  for (const mesh of meshes) entries[`meshes/${mesh.id}.stl`] = writeStl(mesh)
  return new Uint8Array(zipSync(entries))
}

/** Whether bytes begin as a zip does. */
export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

/**
 * A job from its file's bytes: plain, or a zip with its meshes. A mesh that does not read, or is not the one the job
 * names, is left out; the piece that wants it then says that it is not here.
 */
export function unpackJob(bytes: Uint8Array): { readonly read: ReadJob; readonly meshes: KeptMesh[] } {
  const refuse = (text: string) => ({
    read: { ok: false as const, problems: [{ code: 'notAJob' as const, path: '', text }] },
    meshes: [],
  })
  if (!isZip(bytes)) return { read: readJob(strFromU8(bytes)), meshes: [] }
  let entries: Record<string, Uint8Array>
  let tooLarge = ''
  try {
    entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        const isJob = /^[^/]+\.json$/.test(name)
        if (!isJob && !/^meshes\/[\w-]+\.stl$/.test(name)) return false
        const large = originalSize > (isJob ? LIMITS.fileBytes : READ_LIMITS.meshBytes)
        if (large) tooLarge = name
        return !large
      },
    })
  } catch (error) {
    return refuse(`The zip cannot be read: ${error instanceof Error ? error.message : 'it is broken'}.`)
  }
  if (tooLarge) return refuse(`${tooLarge} in the zip is too large.`)
  const files = Object.keys(entries).filter((n) => n.endsWith('.json'))
  if (files.length !== 1)
    return refuse(
      files.length === 0
        ? 'There is no job file in the zip.'
        : `The zip holds ${files.length} job files: ${files.slice(0, 3).join(', ')}.`,
    )
  const read = readJob(strFromU8(entries[files[0]!]!))
  if (!read.ok) return { read, meshes: [] }
  const meshes = read.job.pieces.flatMap((piece): KeptMesh[] => {
    if (piece.kind !== 'imported') return []
    const { id, name, triangles } = piece.file
    const stl = entries[`meshes/${id}.stl`]
    const prepared = stl && prepareMesh('mesh.stl', stl)
    if (!prepared?.ok || prepared.mended.triangleCount !== triangles) return []
    return [{ id, name, ...prepared.mesh }]
  })
  return { read, meshes: meshes.filter((m, i) => meshes.findIndex((o) => o.id === m.id) === i) }
}

/** A mesh as a binary STL, its facets in order; normals are left to the reader. */
export function writeStl({ positions, triangles }: WeldedMesh): Uint8Array {
  const bytes = new Uint8Array(84 + (50 * triangles.length) / 3)
  const view = new DataView(bytes.buffer)
  view.setUint32(80, triangles.length / 3, true)
  triangles.forEach((vertex, i) => {
    const at = 84 + 50 * Math.floor(i / 3) + 12 * (1 + (i % 3))
    for (let d = 0; d < 3; d += 1) view.setFloat32(at + 4 * d, positions[vertex * 3 + d]!, true)
  })
  return bytes
}
