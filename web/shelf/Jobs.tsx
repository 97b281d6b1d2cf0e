import { useCallback, useEffect, useState } from 'react'
import { useNavigate } from 'react-router'
import { emptyJob, type JobProblem, startingSettings } from '../../core/job/index.ts'
import { compareStock, startingStock } from '../../core/stock/index.ts'
import { addressOf, demoJob, openNew } from '../state/boot.ts'
import { newId } from '../state/files.ts'
import { jobClosed, jobOpened } from '../state/jobSlice.ts'
import { store, useAppDispatch } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import type { JobRow } from '../storage/database.ts'
import { listJobs, loadJob, loadShelf } from '../storage/jobStore.ts'
import { importFile } from '../worker/importFile.ts'
import type { ImportReply } from '../worker/importWork.ts'
import { JobTable, type Listed } from './JobTable.tsx'
import { usualSettings } from './usualSettings.ts'

/** All jobs on this device: open, start, import, rename, duplicate, export, delete. */
export function Jobs() {
  const navigate = useNavigate()
  const dispatch = useAppDispatch()
  const [jobs, setJobs] = useState<readonly Listed[] | null>(null)
  const [problems, setProblems] = useState<{ file: string; list: readonly JobProblem[] } | null>(null)
  const [removed, setRemoved] = useState<JobRow | null>(null)
  const [trouble, setTrouble] = useState<string | null>(null)
  const refresh = useCallback(() => {
    listJobs(database)
      .then(setJobs)
      .catch(() => {
        setJobs([])
        setTrouble(
          'The browser blocks storage for this page: jobs are kept only while it is open. Export them.',
        )
      })
  }, [])
  useEffect(refresh, [refresh])

  const open = async (id: string) => {
    const row = await loadJob(database, id)
    if (!row) return
    dispatch(jobOpened(row))
    navigate(addressOf(row.job))
  }
  const start = async () => {
    const settings = await usualSettings(startingSettings(), jobs?.[0]?.id ?? null)
    const sold = settings.units === 'inch' ? 'us' : 'metric'
    const stock = await loadShelf(database, sold).catch(() => startingStock(sold))
    const job = { ...emptyJob(newId('job'), 'New job', stock), settings }
    await openNew(job)
    navigate(addressOf(job))
  }
  const bring = async (file: File) => {
    setProblems(null)
    const answer = await new Promise<ImportReply>((resolve) => importFile({ kind: 'job', file }, resolve))
    if (answer.kind !== 'job') {
      const text = answer.kind === 'refused' ? answer.text : 'The file could not be read.'
      setProblems({ file: file.name, list: [{ code: 'notAJob', path: '', text }] })
      return
    }
    const { read, meshes } = answer
    if (!read.ok) {
      setProblems({ file: file.name, list: read.problems })
      return
    }
    // Where storage is full or blocked the pieces say that their meshes are not here.
    await database.files.bulkPut([...meshes]).catch(() => undefined)
    const taken = jobs?.some((j) => j.id === read.job.id)
    const job = taken ? { ...read.job, id: newId('job'), name: `${read.job.name} (imported)` } : read.job
    await openNew(job)
    const shelf = await loadShelf(database).catch(() => null)
    const differs = shelf && compareStock(job.stock, shelf).length > 0
    // A job whose stock is not the shop's own opens there, so that the difference is seen.
    navigate(differs ? `/job/${job.id}/stock` : addressOf(job))
  }
  const demo = async () => {
    const job = await demoJob()
    if (jobs?.some((j) => j.id === job.id)) return open(job.id)
    await openNew(job)
    navigate(addressOf(job))
  }
  const remove = async ({ id }: Listed) => {
    const row = await database.jobs.get(id)
    await database.jobs.delete(id)
    if (store.getState().job.job?.id === id) dispatch(jobClosed())
    setRemoved(row ?? null)
    refresh()
  }
  const bringBack = async (row: JobRow) => {
    await database.jobs.put(row)
    setRemoved(null)
    refresh()
  }
  return (
    <main className="h-full overflow-auto bg-sheet">
      <div className="mx-auto max-w-[760px] px-6 py-10">
        <h1 className="text-[40px]!">Steady Hollow</h1>
        <p className="text-soft">
          From a piece to its mould, its pour and its log. Everything is kept on this device.
        </p>
        {trouble && (
          <p role="alert" className="mt-4 text-oxide">
            {trouble}
          </p>
        )}
        <h2 className="mt-8">Jobs</h2>
        {jobs?.length === 0 && (
          <p className="py-2 text-soft">
            No jobs yet. Start one, bring in a job file, or open the demo job to look around.
          </p>
        )}
        {jobs && jobs.length > 0 && (
          <JobTable
            jobs={jobs}
            onOpen={(j) => void open(j.id)}
            onRemove={(j) => void remove(j)}
            onChanged={refresh}
          />
        )}
        <p role="status" className="min-h-8">
          {removed && (
            <>
              {removed.name} is deleted.{' '}
              <button type="button" className="word font-bold" onClick={() => void bringBack(removed)}>
                undo
              </button>
            </>
          )}
        </p>
        <div className="mt-6 flex flex-wrap gap-2">
          <button type="button" className="act" onClick={() => void start()}>
            New job
          </button>
          <label className="act flex cursor-pointer items-center focus-within:outline-2 focus-within:outline-[var(--focus)]">
            Import a job file
            <input
              type="file"
              accept=".json,.zip,application/json,application/zip"
              className="sr-only"
              onChange={(e) => {
                const file = e.target.files?.[0]
                e.target.value = ''
                if (file) void bring(file)
              }}
            />
          </label>
          <button type="button" className="act" onClick={() => void demo()}>
            Open the demo job
          </button>
        </div>
        {problems && (
          <div role="alert" className="caution">
            <strong>{problems.file} was not imported; nothing was changed.</strong>
            <ul className="list-disc pl-5">
              {problems.list.map((p) => (
                <li key={p.path + p.text}>
                  {p.path && <code>{p.path}: </code>}
                  {p.text}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
    </main>
  )
}
