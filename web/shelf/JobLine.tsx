import { format } from 'date-fns'
import { useState } from 'react'
import { downloadJob, newId } from '../state/files.ts'
import { jobOpened } from '../state/jobSlice.ts'
import { store, useAppDispatch } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import { loadJob, saveJob } from '../storage/jobStore.ts'
import { Asked } from '../ui/Asked.tsx'
import { NameField } from './NameField.tsx'

export type Listed = { readonly id: string; readonly name: string; readonly savedAt: number }

/** A job of the list: opened by its name, and what can be done with it as a whole. */
export function JobLine({
  job,
  onOpen,
  onRemove,
  onChanged,
}: {
  job: Listed
  onOpen: () => void
  onRemove: () => void
  onChanged: () => void
}) {
  const dispatch = useAppDispatch()
  const [naming, setNaming] = useState(false)
  const [trouble, setTrouble] = useState<string | null>(null)
  const tell = (result: Awaited<ReturnType<typeof saveJob>>) => {
    if (result.kind === 'failed') setTrouble(result.why)
    if (result.kind === 'behind') setTrouble('Another tab saved this job meanwhile; nothing was changed.')
    onChanged()
  }
  const rename = async (name: string) => {
    setNaming(false)
    const row = await loadJob(database, job.id)
    if (!row) return
    const renamed = { ...row, job: { ...row.job, name } }
    const result = await saveJob(database, renamed, row.savedAt)
    if (result.kind === 'saved' && store.getState().job.job?.id === job.id)
      dispatch(jobOpened({ ...renamed, name, revision: result.revision }))
    tell(result)
  }
  const duplicate = async () => {
    const row = await loadJob(database, job.id)
    if (!row) return
    const copy = { ...row.job, id: newId('job'), name: `${row.job.name} (copy)`.slice(0, 120) }
    tell(await saveJob(database, { job: copy, past: [], future: [], revision: 0 }, Date.now()))
  }
  return (
    <li className="row flex-wrap">
      {naming ? (
        <span className="min-w-[200px] flex-1">
          <NameField
            value={job.name}
            label={`New name of ${job.name}`}
            autoFocus
            onName={(name) => void rename(name)}
            onDone={() => setNaming(false)}
          />
        </span>
      ) : (
        <button type="button" className="word p-0! text-left text-[19px]! font-bold" onClick={onOpen}>
          {job.name}
        </button>
      )}
      <span className="flex flex-wrap items-baseline gap-3">
        <span className="text-[14px] text-soft">{format(job.savedAt, 'd MMM yyyy, HH:mm')}</span>
        <button
          type="button"
          className="word"
          aria-label={`Rename ${job.name}`}
          onClick={() => setNaming(true)}
        >
          rename
        </button>
        <button
          type="button"
          className="word"
          aria-label={`Duplicate ${job.name}`}
          onClick={() => void duplicate()}
        >
          duplicate
        </button>
        <button
          type="button"
          className="word"
          aria-label={`Export ${job.name}`}
          onClick={async () => downloadJob((await loadJob(database, job.id))!.job)}
        >
          export
        </button>
        <Asked name={`Delete ${job.name}`} word="delete" act="Delete the job" keep="Keep it" onAct={onRemove}>
          Delete <strong>{job.name}</strong> with all its pieces and its log? Export it first if you may want
          it back.
        </Asked>
      </span>
      {trouble && (
        <span role="alert" className="w-full text-oxide">
          {trouble}
        </span>
      )}
    </li>
  )
}
