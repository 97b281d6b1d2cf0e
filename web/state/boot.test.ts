// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyJob, type Job } from '../../core/job/index.ts'
import { testSlab, testStock } from '../../core/testing/testPiece.ts'
import { listJobs, loadJob, saveJob } from '../storage/jobStore.ts'
import { addressOf, demoJob, firstAddress, openNew } from './boot.ts'
import { jobChanged, jobClosed, jobOpened } from './jobSlice.ts'
import { store } from './store.ts'
import { database } from './useAutosave.ts'

vi.mock('../../demo/star-tile.stl?url', () => ({ default: 'data:,' }))
const state = () => store.getState().job
const job = (id: string): Job => ({ ...emptyJob(id, id, testStock), pieces: [testSlab()] })
beforeEach(async () => {
  store.dispatch(jobClosed())
  await database.jobs.clear()
  await database.settings.clear()
})

describe('where the app begins', () => {
  it('is the demo job at a first visit, which is kept', async () => {
    const address = await firstAddress()
    expect(address).toBe('/job/kestrel-rise/wash-top/piece')
    expect([state().job!.name, state().save.kind]).toEqual(['Kestrel Rise', 'saved'])
    expect((await listJobs(database)).map((j) => j.id)).toEqual(['kestrel-rise'])
  })
  it('is the job last worked on, with its steps of undo', async () => {
    const step = { label: 'name b', undo: [], redo: [] }
    await saveJob(database, { job: job('a'), past: [], future: [], revision: 0 }, 1)
    await saveJob(database, { job: job('b'), past: [step], future: [], revision: 0 }, 2)
    expect(await firstAddress()).toBe('/job/b/top/piece')
    expect([state().job!.id, state().past, state().revision]).toEqual(['b', [step], 1])
  })
  it('is the list of jobs where all were removed, not the demo again', async () => {
    await database.settings.put({ id: 'visited', value: true })
    expect(await firstAddress()).toBe('/jobs')
    expect(state().job).toBeNull()
  })
  it('is the job that is open, whatever was saved since', async () => {
    await saveJob(database, { job: job('a'), past: [], future: [], revision: 0 }, 1)
    store.dispatch(
      jobOpened({
        id: 'open',
        name: 'open',
        job: job('open'),
        past: [],
        future: [],
        revision: 3,
        savedAt: 0,
      }),
    )
    expect(await firstAddress()).toBe('/job/open/top/piece')
  })
  it('is the demo in memory where storage is blocked, and says that it is not saved', async () => {
    const blocked = vi
      .spyOn(database.settings, 'get')
      .mockRejectedValue(Object.assign(new Error('blocked'), { name: 'SecurityError' }))
    expect(await firstAddress()).toBe('/job/kestrel-rise/wash-top/piece')
    expect(state().save).toEqual({ kind: 'failed', why: expect.stringMatching(/blocks storage/) })
    blocked.mockRestore()
  })
  it('of a job without pieces is the page that makes one', () => {
    expect(addressOf({ ...job('a'), pieces: [] })).toBe('/job/a/new')
  })
})

describe('a job that is put in the open place', () => {
  it('is saved, and a change made to it since is told as unsaved', async () => {
    await openNew(job('new'))
    expect(state().save.kind).toBe('saved')
    expect((await loadJob(database, 'new'))!.revision).toBe(1)
    store.dispatch(jobChanged({ label: 'name', changes: [{ type: 'jobRenamed', name: 'Other' }] }))
    expect(state().save.kind).toBe('unsaved')
  })
  it('does not overwrite one of its id that another tab has kept', async () => {
    await saveJob(database, { job: { ...job('new'), name: 'theirs' }, past: [], future: [], revision: 0 }, 1)
    await openNew(job('new'))
    expect(state().save.kind).toBe('behind')
    expect((await loadJob(database, 'new'))!.job.name).toBe('theirs')
  })
  it('stays in memory where it cannot be saved, with the reason', async () => {
    const full = vi
      .spyOn(database.jobs, 'put')
      .mockRejectedValue(new DOMException('over', 'QuotaExceededError'))
    await openNew(job('new'))
    expect([state().job!.id, state().save]).toEqual([
      'new',
      { kind: 'failed', why: 'The browser’s storage is full.' },
    ])
    full.mockRestore()
  })
})

it('reads the demo job from its own file, whole', async () => {
  const demo = await demoJob()
  expect([demo.id, demo.pieces.length > 20, new Set(demo.pieces.map((p) => p.kind)).size]).toEqual([
    'kestrel-rise',
    true,
    6,
  ])
})
