import fs from 'node:fs'
import { strToU8, zipSync } from 'fflate'
import { expect, test } from 'vitest'
import { readJob } from '../job/index.ts'
import { type KeptMesh, packJob, unpackJob, writeStl } from './jobZip.ts'
import { prepareMesh } from './meshId.ts'

const read = readJob(fs.readFileSync('demo/kestrel-rise.hollow.json', 'utf8'))
const job = (read as Extract<typeof read, { ok: true }>).job
const star = prepareMesh('star.stl', fs.readFileSync('demo/star-tile.stl'))
const mesh = { name: 'star-tile.stl', ...(star as Extract<typeof star, { ok: true }>) }
const kept: KeptMesh = { id: mesh.id, name: mesh.name, ...mesh.mesh }

test('a job and its meshes come back from their zip as they were', () => {
  const { read, meshes } = unpackJob(packJob(job, [kept]))
  expect(read.ok && read.job).toEqual(job)
  expect(meshes).toHaveLength(1)
  expect(meshes[0]!.id).toBe(kept.id)
  expect(meshes[0]!.triangles).toEqual(kept.triangles)
  expect(meshes[0]!.positions).toEqual(kept.positions)
})

const text = strToU8(JSON.stringify(job))
const other = writeStl({ ...kept, triangles: kept.triangles.subarray(0, 60) })
test.each<[string, Uint8Array, RegExp | null, number]>([
  ['a plain job file', text, null, 0],
  ['a zip without its mesh', zipSync({ 'job.json': text }), null, 0],
  ['a zip with another mesh', zipSync({ 'job.json': text, [`meshes/${kept.id}.stl`]: other }), null, 0],
  [
    'a mesh cut short',
    zipSync({ 'job.json': text, [`meshes/${kept.id}.stl`]: other.subarray(0, 90) }),
    null,
    0,
  ],
  ['an empty zip', zipSync({}), /no job file|cannot be read/, 0],
  ['two jobs', zipSync({ 'a.json': text, 'b.json': text }), /2 job files: a.json, b.json/, 0],
  ['a zip cut short', zipSync({ 'job.json': text }).subarray(0, 900), /cannot be read/, 0],
  ['a path outside', zipSync({ '../job.json': text }), /no job file/, 0],
  ['not a job inside', zipSync({ 'job.json': strToU8('[]') }), /format/, 0],
])('%s', (_, bytes, why, count) => {
  const { read, meshes } = unpackJob(bytes)
  expect(read.ok).toBe(why === null)
  if (!read.ok) expect(read.problems[0]!.text).toMatch(why!)
  expect(meshes).toHaveLength(count)
})
