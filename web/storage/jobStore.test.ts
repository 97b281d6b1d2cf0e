import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { emptyJob } from '../../core/job/index.ts'
import { startingStock } from '../../core/stock/index.ts'
import { type HollowDatabase, openDatabase } from './database.ts'
import { listJobs, loadJob, saveJob, storageTrouble } from './jobStore.ts'

let database: HollowDatabase
let count = 0
beforeEach(() => {
  count += 1
  database = openDatabase(`test-${count}`)
})
const job = emptyJob('j', 'Job', startingStock())
const saving = (name: string, revision: number) => ({ job: { ...job, name }, past: [], future: [], revision })

it('saves, loads and lists, and never overwrites a newer save of another tab', async () => {
  expect(await saveJob(database, saving('one', 0), 1)).toEqual({ kind: 'saved', revision: 1 })
  expect(await saveJob(database, saving('two', 1), 2)).toEqual({ kind: 'saved', revision: 2 })
  expect(await saveJob(database, saving('late', 1), 3)).toEqual({ kind: 'behind', revision: 2 })
  expect((await loadJob(database, 'j'))!.job.name).toBe('two')
  expect(await listJobs(database)).toEqual([{ id: 'j', name: 'two', savedAt: 2 }])
})

it('says so when storage is full or blocked, and keeps what was there', async () => {
  await saveJob(database, saving('one', 0), 1)
  const full = vi
    .spyOn(database.jobs, 'put')
    .mockRejectedValue(new DOMException('over', 'QuotaExceededError'))
  expect(await saveJob(database, saving('two', 1), 2)).toEqual({
    kind: 'failed',
    why: 'The browser’s storage is full.',
  })
  full.mockRestore()
  expect((await loadJob(database, 'j'))!.job.name).toBe('one')
  expect(storageTrouble(Object.assign(new Error('no'), { name: 'SecurityError' }))).toMatch(/blocks/)
})
