import { type Job, readJob } from '../../core/job/index.ts'
import type { JobRow } from '../storage/database.ts'
import { listJobs, loadJob, saveJob, storageTrouble } from '../storage/jobStore.ts'
import { jobOpened, saveEnded } from './jobSlice.ts'
import { store } from './store.ts'
import { database } from './useAutosave.ts'

/** The demonstration job, from its own chunk so that it is there without a network. */
export async function demoJob(): Promise<Job> {
  const file = (await import('../../demo/kestrel-rise.hollow.json?raw')).default
  const read = readJob(file)
  if (!read.ok) throw new Error(`the demo job cannot be read: ${read.problems[0]?.text}`)
  void keepDemoMeshes(read.job)
  return read.job
}

/** Puts the demo's pattern mesh among this device's files; until it is there its piece says that it is missing. */
export async function keepDemoMeshes(job: Job): Promise<void> {
  const piece = job.pieces.find((p) => p.kind === 'imported')
  if (piece?.kind !== 'imported' || piece.file.name !== 'star-tile.stl') return
  try {
    if (await database.files.get(piece.file.id)) return
    const [{ default: url }, { prepareMesh }] = await Promise.all([
      import('../../demo/star-tile.stl?url'),
      import('../../core/readers/meshId.ts'),
    ])
    const prepared = prepareMesh(piece.file.name, new Uint8Array(await (await fetch(url)).arrayBuffer()))
    if (prepared.ok) await database.files.put({ id: prepared.id, name: piece.file.name, ...prepared.mesh })
  } catch {
    // Storage is blocked or the network is away: the piece says that its mesh is not here.
  }
}

const asRow = (job: Job): JobRow => ({
  id: job.id,
  name: job.name,
  revision: 0,
  savedAt: Date.now(),
  job,
  past: [],
  future: [],
})

/** Puts a job in the open place and saves it; where storage is blocked it stays in memory and the page says so. */
export async function openNew(job: Job): Promise<void> {
  store.dispatch(jobOpened(asRow(job)))
  const { edit } = store.getState().job
  const now = Date.now()
  const result = await saveJob(database, { job, past: [], future: [], revision: 0 }, now)
  store.dispatch(
    saveEnded({
      edit,
      revision: result.kind === 'saved' ? result.revision : 0,
      save:
        result.kind === 'saved'
          ? { kind: 'saved', at: now }
          : result.kind === 'behind'
            ? { kind: 'behind' }
            : result,
    }),
  )
}

/** The address to start at: the job last worked on, or on a first visit the demo job. */
export async function firstAddress(): Promise<string> {
  const open = store.getState().job.job
  if (open) return addressOf(open)
  try {
    const [newest] = await listJobs(database)
    const visited = await database.settings.get('visited')
    if (newest) {
      const row = await loadJob(database, newest.id)
      if (row) {
        store.dispatch(jobOpened(row))
        return addressOf(row.job)
      }
    }
    if (visited) return '/jobs'
    await database.settings.put({ id: 'visited', value: true })
    const demo = await demoJob()
    await openNew(demo)
    return addressOf(demo)
  } catch (error) {
    const demo = await demoJob()
    store.dispatch(jobOpened(asRow(demo)))
    const { edit, revision } = store.getState().job
    store.dispatch(saveEnded({ edit, revision, save: { kind: 'failed', why: storageTrouble(error) } }))
    return addressOf(demo)
  }
}

export const addressOf = (job: Job): string =>
  job.pieces[0] ? `/job/${job.id}/${job.pieces[0].id}/piece` : `/job/${job.id}/new`
