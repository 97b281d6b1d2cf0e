import { useEffect } from 'react'
import { type HollowDatabase, openDatabase } from '../storage/database.ts'
import { loadJob, saveJob } from '../storage/jobStore.ts'
import { jobOpened, saveEnded } from './jobSlice.ts'
import { store, useAppDispatch, useAppSelector } from './store.ts'

export const database: HollowDatabase = openDatabase()
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('steady-hollow')

type Saved = { readonly id: string; readonly revision: number }
let saving = false

/** Saves the open job as it stands, one save at a time; an edit made meanwhile is saved next. */
async function saveNow(): Promise<void> {
  const { job, past, future, revision, edit, save } = store.getState().job
  if (!job || save.kind === 'behind' || saving) return
  saving = true
  const now = Date.now()
  const result = await saveJob(database, { job, past, future, revision }, now)
  saving = false
  if (result.kind === 'saved') {
    store.dispatch(saveEnded({ edit, revision: result.revision, save: { kind: 'saved', at: now } }))
    channel?.postMessage({ id: job.id, revision: result.revision } satisfies Saved)
    if (store.getState().job.edit !== edit) await saveNow()
  } else
    store.dispatch(
      saveEnded({ edit, revision, save: result.kind === 'behind' ? { kind: 'behind' } : result }),
    )
}

/** Saves after every change, and follows what other tabs save; a tab with unsaved work is told, never overwritten. */
export function useAutosave(): void {
  const edit = useAppSelector((s) => s.job.edit)
  const dispatch = useAppDispatch()
  // biome-ignore lint/correctness/useExhaustiveDependencies: every edit is saved
  useEffect(() => {
    if (store.getState().job.save.kind === 'saved') return
    void saveNow()
  }, [edit])
  useEffect(() => {
    const hear = async ({ data }: MessageEvent<Saved>) => {
      const { job, revision, save, edit: before } = store.getState().job
      if (job?.id !== data.id || data.revision <= revision) return
      if (save.kind !== 'saved') {
        dispatch(saveEnded({ edit: before, revision, save: { kind: 'behind' } }))
        return
      }
      const row = await loadJob(database, data.id)
      if (row && store.getState().job.edit === before) dispatch(jobOpened(row))
    }
    channel?.addEventListener('message', hear)
    return () => channel?.removeEventListener('message', hear)
  }, [dispatch])
}
