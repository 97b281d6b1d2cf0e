import { format } from 'date-fns'
import { useState } from 'react'
import { downloadJob, newId } from '../state/files.ts'
import { jobOpened } from '../state/jobSlice.ts'
import { store, useAppDispatch } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import { loadJob, saveJob } from '../storage/jobStore.ts'
import { Asked } from '../ui/Asked.tsx'
import { type Column, Table } from '../ui/Table.tsx'
import { NameField } from './NameField.tsx'

export type Listed = { readonly id: string; readonly name: string; readonly savedAt: number }

/** The jobs of this device: opened by their names, and what can be done with one as a whole. */
export function JobTable({
  jobs,
  onOpen,
  onRemove,
  onChanged,
}: {
  jobs: readonly Listed[]
  onOpen: (job: Listed) => void
  onRemove: (job: Listed) => void
  onChanged: () => void
}) {
  const dispatch = useAppDispatch()
  const [naming, setNaming] = useState<string | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const tell = (result: Awaited<ReturnType<typeof saveJob>>) => {
    if (result.kind === 'failed') setTrouble(result.why)
    if (result.kind === 'behind') setTrouble('Another tab saved this job meanwhile; nothing was changed.')
    onChanged()
  }
  const rename = async (id: string, name: string) => {
    setNaming(null)
    const row = await loadJob(database, id)
    if (!row) return
    const renamed = { ...row, job: { ...row.job, name } }
    const result = await saveJob(database, renamed, row.savedAt)
    if (result.kind === 'saved' && store.getState().job.job?.id === id)
      dispatch(jobOpened({ ...renamed, name, revision: result.revision }))
    tell(result)
  }
  const duplicate = async (id: string) => {
    const row = await loadJob(database, id)
    if (!row) return
    const copy = { ...row.job, id: newId('job'), name: `${row.job.name} (copy)`.slice(0, 120) }
    tell(await saveJob(database, { job: copy, past: [], future: [], revision: 0 }, Date.now()))
  }
  const columns: readonly Column<Listed>[] = [
    {
      id: 'name',
      head: 'Job',
      sortBy: (job) => job.name.toLowerCase(),
      cell: (job) =>
        naming === job.id ? (
          <NameField
            value={job.name}
            label={`New name of ${job.name}`}
            autoFocus
            onName={(name) => void rename(job.id, name)}
            onDone={() => setNaming(null)}
          />
        ) : (
          <button
            type="button"
            className="word p-0! text-left text-[19px]! font-bold"
            onClick={() => onOpen(job)}
          >
            {job.name}
          </button>
        ),
    },
    {
      id: 'saved',
      head: 'Saved',
      sortBy: (job) => job.savedAt,
      cell: (job) => (
        <span className="inline-flex min-h-8 items-center text-soft">
          {format(job.savedAt, 'd MMM yyyy, HH:mm')}
        </span>
      ),
    },
    {
      id: 'acts',
      head: 'Acts',
      quiet: true,
      cell: (job) => (
        <span className="flex flex-wrap justify-end gap-x-3">
          <button
            type="button"
            className="word"
            aria-label={`Rename ${job.name}`}
            onClick={() => setNaming(job.id)}
          >
            rename
          </button>
          <button
            type="button"
            className="word"
            aria-label={`Duplicate ${job.name}`}
            onClick={() => void duplicate(job.id)}
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
          <Asked
            name={`Delete ${job.name}`}
            word="delete"
            act="Delete the job"
            keep="Keep it"
            onAct={() => onRemove(job)}
          >
            Delete <strong>{job.name}</strong> with all its pieces and its log? Export it first if you may
            want it back.
          </Asked>
        </span>
      ),
    },
  ]
  return (
    <>
      <Table label="Jobs" columns={columns} rows={jobs} keyOf={(job) => job.id} />
      {trouble && (
        <p role="alert" className="text-oxide">
          {trouble}
        </p>
      )}
    </>
  )
}
