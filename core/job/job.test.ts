import fs from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { testJob, testTop } from '../testing/testPiece.ts'
import { applyChange, type Job, jobFileName, readJob, type SlabPiece, writeJob } from './index.ts'

const job = testJob(testTop())
const broken = (edit: (raw: ReturnType<typeof JSON.parse>) => void): string => {
  const raw = JSON.parse(writeJob(job))
  edit(raw)
  return JSON.stringify(raw)
}

it('reads back what it wrote, and the demo job', () => {
  expect(readJob(writeJob(job))).toEqual({ ok: true, job })
  const demo = fs.readFileSync(new URL('../../demo/kestrel-rise.hollow.json', import.meta.url), 'utf8')
  const read = readJob(demo)
  expect(read.ok && writeJob(read.job)).toBe(demo)
  expect([jobFileName('Kestrel Rise'), jobFileName('Ünïted: 1/2'), jobFileName('…')]).toEqual([
    'kestrel-rise.hollow.json',
    'united-1-2.hollow.json',
    'job.hollow.json',
  ])
})

describe('a file that cannot be used is refused with what and where', () => {
  it.each<[string, string, string, string]>([
    ['not JSON', '{"format": ', 'notJson', ''],
    ['empty', '', 'notJson', ''],
    ['another format', '{"format":"other"}', 'notAJob', 'format'],
    ['a list', '[1]', 'notAJob', 'format'],
    [
      'newer',
      broken((r) => {
        r.version = 99
      }),
      'newer',
      'version',
    ],
    [
      'version as text',
      broken((r) => {
        r.version = '1'
      }),
      'invalid',
      'version',
    ],
    [
      'a lacking field',
      broken((r) => {
        delete r.pieces[0].thickness
      }),
      'invalid',
      'pieces[0].thickness',
    ],
    [
      'an unknown field',
      broken((r) => {
        r.pieces[0].colour = 'red'
      }),
      'invalid',
      'pieces[0]',
    ],
    [
      'NaN',
      broken((r) => {
        r.pieces[0].thickness = Number.NaN
      }),
      'invalid',
      'pieces[0].thickness',
    ],
    [
      'a string for a number',
      broken((r) => {
        r.pieces[0].thickness = '45'
      }),
      'invalid',
      'pieces[0].thickness',
    ],
    [
      'a huge number',
      broken((r) => {
        r.pieces[0].outline.length = 1e300
      }),
      'invalid',
      'pieces[0].outline.length',
    ],
    [
      'zero thickness',
      broken((r) => {
        r.pieces[0].thickness = 0
      }),
      'invalid',
      'pieces[0].thickness',
    ],
    [
      'negative width',
      broken((r) => {
        r.pieces[0].outline.width = -500
      }),
      'invalid',
      'pieces[0].outline.width',
    ],
    [
      'the same id twice',
      broken((r) => {
        r.pieces.push(r.pieces[0])
      }),
      'invalid',
      'pieces[1].id',
    ],
    [
      'hours that fall',
      broken((r) => {
        r.pieces[0].pour.temperature = {
          kind: 'list',
          points: [
            { hour: 3, degC: 5 },
            { hour: 2, degC: 5 },
          ],
        }
      }),
      'invalid',
      'pieces[0].pour.temperature.points',
    ],
    [
      'a million pieces',
      `{"format":"hollow","version":1,"pieces":[${'0,'.repeat(999_999)}0]}`,
      'tooMany',
      'pieces',
    ],
    ['larger than 20 MB', ' '.repeat(20_000_001), 'tooLarge', ''],
    ['a prototype', '{"__proto__":{"format":"hollow"},"version":1}', 'notAJob', 'format'],
  ])('%s', (_, text, code, path) => {
    const read = readJob(text)
    if (read.ok) throw new Error('it was read')
    expect([read.problems[0]!.code, read.problems[0]!.path]).toEqual([code, path])
    expect(read.problems[0]!.text).toMatch(/\.$/)
  })
  it('throws at nothing a fuzzer makes of a job file', () => {
    const text = writeJob(job)
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: text.length }),
        fc.nat(30),
        fc.string({ maxLength: 12 }),
        (at, cut, put) => {
          const read = readJob(text.slice(0, at) + put + text.slice(at + cut))
          return read.ok || read.problems.length > 0
        },
      ),
      { seed: 9, numRuns: 300 },
    )
    fc.assert(
      fc.property(
        fc.jsonValue(),
        (value) => !readJob(JSON.stringify({ format: 'hollow', version: 1, pieces: value })).ok,
      ),
      { seed: 4 },
    )
  })
})

it('brings the first version up to this one: nothing of its pieces is lost', () => {
  const old = fs.readFileSync(new URL('./versions/v1.hollow.json', import.meta.url), 'utf8')
  expect(JSON.parse(old).version).toBe(1)
  const read = readJob(old)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  const [top, tread] = read.job.pieces as SlabPiece[]
  expect([top!.openings.length, top!.openings[1]!.pattern, tread!.sides.front!.top]).toEqual([
    3,
    { kind: 'row', count: 2, pitch: 120, along: 'u' },
    { kind: 'chamfer', size: 8 },
  ])
  expect(readJob(writeJob(read.job))).toEqual({ ok: true, job: read.job })
})

it('brings the second version up to this one: every kind of piece, its mould mitred at inside corners', () => {
  const old = fs.readFileSync(new URL('./versions/v2.hollow.json', import.meta.url), 'utf8')
  expect(JSON.parse(old).version).toBe(2)
  const read = readJob(old)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  expect(read.job.pieces.map((p) => [p.kind, p.mould.insideCorners])).toEqual([
    ['slab', 'mitre'],
    ['turned', 'mitre'],
    ['swept', 'mitre'],
    ['box', 'mitre'],
    ['fitted', 'mitre'],
  ])
  expect(readJob(writeJob(read.job))).toEqual({ ok: true, job: read.job })
})

describe('changes', () => {
  const openingOf = (j: Job) => (j.pieces[0] as SlabPiece).openings[0]!
  const basin = () => openingOf(job)
  it('leave the job they were given as it was', () => {
    const before = writeJob(job)
    applyChange(job, { type: 'thicknessChanged', pieceId: 'top', thickness: 50 })
    applyChange(job, { type: 'openingRemoved', pieceId: 'top', openingId: 'taps' })
    applyChange(job, { type: 'stockRowRemoved', list: 'boards', rowId: 'mdf-9' })
    expect(writeJob(job)).toBe(before)
  })
  it('size an opening from its fixture, and let the fixture go when it gets a size of its own', () => {
    const fixture = {
      shape: { kind: 'rectangle', length: 400, width: 300, radius: 30 },
      clearance: 5,
    } as const
    const fitted = openingOf(
      applyChange(job, {
        type: 'openingChanged',
        pieceId: 'top',
        openingId: basin().id,
        patch: { fixture },
      }),
    )
    expect(fitted.shape).toEqual({ kind: 'rectangle', length: 410, width: 310, radius: 35 })
    const typed = applyChange(testJob({ ...testTop(), openings: [fitted] }), {
      type: 'openingChanged',
      pieceId: 'top',
      openingId: basin().id,
      patch: { shape: basin().shape },
    })
    expect(openingOf(typed)).toMatchObject({ shape: basin().shape, fixture: null })
  })
  it('throw for what is not there: that is a bug', () => {
    expect(() => applyChange(job, { type: 'pieceRemoved', pieceId: 'gone' })).toThrow('no piece gone')
    expect(() => applyChange(job, { type: 'pourRemoved', pourId: 'gone' })).toThrow('no pour gone')
  })
})
