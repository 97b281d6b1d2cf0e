import { type Job, jobFileName, writeJob } from '../../core/job/index.ts'
import { database } from './useAutosave.ts'

/** Hands a file to the browser to keep. */
export function download(name: string, data: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([data], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}

/** Hands over the job's file; with the meshes it uses, where it uses any, as a zip. */
export async function downloadJob(job: Job): Promise<void> {
  const ids = [...new Set(job.pieces.flatMap((p) => (p.kind === 'imported' ? [p.file.id] : [])))]
  const rows = ids.length > 0 ? await database.files.bulkGet(ids).catch(() => []) : []
  const meshes = rows.filter((row) => row !== undefined)
  const name = jobFileName(job.name)
  if (meshes.length === 0) {
    download(name, writeJob(job), 'application/json')
    return
  }
  const { packJob } = await import('../../core/readers/jobZip.ts')
  download(name.replace(/\.json$/, '.zip'), packJob(job, meshes), 'application/zip')
}

/** A new id, made at the screen's edge: `opening-k3f9x2`. */
export const newId = (what: string): string =>
  `${what}-${crypto
    .getRandomValues(new Uint32Array(2))
    .reduce((text, n) => text + n.toString(36), '')
    .slice(0, 10)}`
