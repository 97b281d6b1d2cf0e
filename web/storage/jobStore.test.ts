import 'fake-indexeddb/auto'
import fs from 'node:fs'
import { beforeEach, expect, it, vi } from 'vitest'
import { emptyJob, JOB_VERSION } from '../../core/job/index.ts'
import { startingStock, stockSchema } from '../../core/stock/index.ts'
import { type HollowDatabase, openDatabase } from './database.ts'
import { listJobs, loadJob, loadShelf, saveJob, saveShelf, storageTrouble } from './jobStore.ts'

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

it('brings a job and a shelf kept by an older version up to this one', async () => {
  const old = JSON.parse(
    fs.readFileSync(new URL('../../core/job/versions/v2.hollow.json', import.meta.url), 'utf8'),
  )
  const step = { label: 'before', undo: [], redo: [] }
  await database.jobs.put({
    id: old.id,
    name: old.name,
    revision: 4,
    savedAt: 1,
    job: old,
    past: [step],
    future: [],
  })
  await database.shelf.put({ id: 'shelf', stock: old.stock })
  const row = (await loadJob(database, old.id))!
  expect([row.job.version, row.job.pieces.length, row.revision, row.past]).toEqual([
    JOB_VERSION,
    old.pieces.length,
    4,
    [],
  ])
  const shelf = await loadShelf(database)
  expect(stockSchema.parse(shelf)).toEqual(shelf)
  expect(shelf.boards.map((b) => b.id)).toEqual(old.stock.boards.map((b: { id: string }) => b.id))
  await saveShelf(database, shelf)
  expect(await loadShelf(database)).toEqual(shelf)
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
