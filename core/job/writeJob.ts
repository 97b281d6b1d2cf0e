import type { Job } from './schema.ts'

/** A job file's text: JSON, two spaces, one line at the end. It reads back equal. */
export const writeJob = (job: Job): string => `${JSON.stringify(job, null, 2)}\n`

/** A file name from the job's name: `Kestrel Rise` gives `kestrel-rise.hollow.json`. */
export function jobFileName(name: string): string {
  const slug = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
  return `${slug || 'job'}.hollow.json`
}
