import type { Job } from '../../core/job/index.ts'
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

export const loadJob = (database: HollowDatabase, id: string): Promise<JobRow | undefined> =>
  database.jobs.get(id)

export const listJobs = async (
  database: HollowDatabase,
): Promise<readonly Pick<JobRow, 'id' | 'name' | 'savedAt'>[]> =>
  (await database.jobs.orderBy('savedAt').reverse().toArray()).map(({ id, name, savedAt }) => ({
    id,
    name,
    savedAt,
  }))

/** The shop's own stock, or what a new shop starts with. */
export const loadShelf = async (database: HollowDatabase): Promise<Stock> =>
  (await database.shelf.get('shelf'))?.stock ?? startingStock()

export const saveShelf = (database: HollowDatabase, stock: Stock) =>
  database.shelf.put({ id: 'shelf', stock })
