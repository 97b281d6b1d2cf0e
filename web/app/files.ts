import { type Job, jobFileName, writeJob } from '../../core/job/index.ts'

/** Hands a file to the browser to keep. */
export function download(name: string, data: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([data], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}

export const downloadJob = (job: Job): void =>
  download(jobFileName(job.name), writeJob(job), 'application/json')

/** A new id, made at the screen's edge: `opening-k3f9x2`. */
export const newId = (what: string): string =>
  `${what}-${crypto
    .getRandomValues(new Uint32Array(2))
    .reduce((text, n) => text + n.toString(36), '')
    .slice(0, 10)}`

/** Tomorrow at nine, as a start is written, and this machine's zone. */
export function usualStart(): { start: string; zone: string } {
  const day = new Date(Date.now() + 86_400_000)
  const two = (n: number) => String(n).padStart(2, '0')
  return {
    start: `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}T09:00`,
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
  }
}
