import { emptyJob, JOB_VERSION, type Job, readJob } from '../../core/job/index.ts'
import { type Stock, startingStock } from '../../core/stock/index.ts'
import type { HollowDatabase, JobRow, UndoStep } from './database.ts'

export type SaveResult =
  | { readonly kind: 'saved'; readonly revision: number }
  /** Another tab saved a newer revision: nothing was written. */
  | { readonly kind: 'behind'; readonly revision: number }
  | { readonly kind: 'failed'; readonly why: string }

type Saving = {
  readonly job: Job
  readonly past: readonly UndoStep[]
  readonly future: readonly UndoStep[]
  readonly revision: number
}

/** Saves a job in one transaction, unless another tab has saved it since `revision`. */
export async function saveJob(
  database: HollowDatabase,
  { job, past, future, revision }: Saving,
  now: number,
): Promise<SaveResult> {
  try {
    return await database.transaction('rw', database.jobs, async (): Promise<SaveResult> => {
      const held = await database.jobs.get(job.id)
      if (held && held.revision !== revision) return { kind: 'behind', revision: held.revision }
      const next = revision + 1
      await database.jobs.put({ id: job.id, name: job.name, revision: next, savedAt: now, job, past, future })
      return { kind: 'saved', revision: next }
    })
  } catch (error) {
    return { kind: 'failed', why: storageTrouble(error) }
  }
}

/** What went wrong with the browser's storage, in words. */
export function storageTrouble(error: unknown): string {
  const text = error instanceof Error ? `${error.name} ${error.message}` : String(error)
  if (/quota/i.test(text)) return 'The browser’s storage is full.'
  if (/MissingAPI|SecurityError|InvalidState|OpenFailed|DatabaseClosed|UnknownError/i.test(text))
    return 'The browser blocks storage for this page.'
  return 'The browser could not save.'
}

/** A job as it was saved, brought up to this version; steps of undo of an older one do not fit it and are let go. */
export async function loadJob(database: HollowDatabase, id: string): Promise<JobRow | undefined> {
  const row = await database.jobs.get(id)
  if (!row || row.job.version === JOB_VERSION) return row
  const read = readJob(JSON.stringify(row.job))
  return read.ok ? { ...row, job: read.job, past: [], future: [] } : row
}

export const listJobs = async (
  database: HollowDatabase,
): Promise<readonly Pick<JobRow, 'id' | 'name' | 'savedAt'>[]> =>
  (await database.jobs.orderBy('savedAt').reverse().toArray()).map(({ id, name, savedAt }) => ({
    id,
    name,
    savedAt,
  }))

/** The shop's own stock, or what a new shop starts with. */
export async function loadShelf(database: HollowDatabase, sold: 'metric' | 'us' = 'metric'): Promise<Stock> {
  const row = await database.shelf.get('shelf')
  if (!row) return startingStock(sold)
  const version = row.version ?? FIRST_SHELVES
  if (version === JOB_VERSION) return row.stock
  const read = readJob(JSON.stringify({ ...emptyJob('shelf', 'shelf', row.stock), version }))
  return read.ok ? read.job.stock : startingStock()
}
/** The document version of shelves that do not say theirs. */
const FIRST_SHELVES = 2

export const saveShelf = (database: HollowDatabase, stock: Stock) =>
  database.shelf.put({ id: 'shelf', version: JOB_VERSION, stock })
