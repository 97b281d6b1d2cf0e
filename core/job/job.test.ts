import fs from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { startingStock } from '../stock/index.ts'
import { testJob, testSlab, testStock, testTop } from '../testing/testPiece.ts'
import { METRIC_UNITS, US_UNITS } from '../units/index.ts'
import {
  applyChange,
  boxChoiceOf,
  choiceFor,
  choiceFromStock,
  fieldsOf,
  type Job,
  jobFileName,
  METHOD_IDS,
  MOULD_DEFAULTS,
  type MouldChoice,
  mouldChoiceSchema,
  readJob,
  SHARED_FIELDS,
  type SlabPiece,
  USUAL_HOURS,
  withChoice,
  writeJob,
} from './index.ts'

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
  expect(read.job.pieces.map((p) => [p.kind, boxChoiceOf(p.mould).insideCorners])).toEqual([
    ['slab', 'mitre'],
    ['turned', 'mitre'],
    ['swept', 'mitre'],
    ['box', 'mitre'],
    ['fitted', 'mitre'],
  ])
  expect(readJob(writeJob(read.job))).toEqual({ ok: true, job: read.job })
})

describe('the third version, whose choices stood in one record whatever the method', () => {
  const load = (name: string) => {
    const old = fs.readFileSync(new URL(`./versions/${name}.hollow.json`, import.meta.url), 'utf8')
    const raw = JSON.parse(old) as { version: number; pieces: { mould: Record<string, unknown> }[] }
    expect(raw.version).toBe(3)
    const read = readJob(old)
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(readJob(writeJob(read.job))).toEqual({ ok: true, job: read.job })
    return { raw, job: read.job }
  }
  it.each(['v3-first', 'v3-last'])('%s: each piece keeps its method and what was chosen for it', (name) => {
    const { raw, job: now } = load(name)
    raw.pieces.forEach((piece, i) => {
      const choice = now.pieces[i]!.mould as Record<string, unknown> & MouldChoice
      expect(choice.method).toBe(piece.mould.method ?? 'board-box')
      for (const field of [...SHARED_FIELDS, ...fieldsOf(choice.method)])
        if (field in piece.mould) expect([field, choice[field]]).toEqual([field, piece.mould[field]])
    })
  })
  it('keeps what was chosen for other methods, for when one goes back to them', () => {
    const { raw, job: now } = load('v3-last')
    raw.pieces.forEach((piece, i) => {
      for (const method of METHOD_IDS) {
        const back = choiceFor(now.pieces[i]!.mould, method) as unknown as Record<string, unknown>
        for (const field of fieldsOf(method))
          expect([method, field, back[field]]).toEqual([
            method,
            field,
            // What came since stands as nobody chose it.
            piece.mould[field] ?? (MOULD_DEFAULTS as Record<string, unknown>)[field],
          ])
      }
    })
  })
  it('fills in what it lacked while it grew: prices of hours, off-cuts, stiffness across the grain', () => {
    const { job: now } = load('v3-first')
    expect(now.settings.hourPrice).toBeNull()
    for (const board of now.stock.boards) {
      expect(board.offcuts).toEqual([])
      expect(board.elasticityAcross).toBeGreaterThan(0)
      expect(board.elasticityAcross).toBeLessThanOrEqual(board.elasticity)
    }
    expect(now.stock.jackets.some((j) => j.soaks) && now.stock.jackets.some((j) => !j.soaks)).toBe(true)
  })
})

/** A document as it stands now: which lists to prove is no longer told. */
const withoutProofs = (raw: { pieces: { mould: Record<string, unknown> }[] }) => ({
  ...raw,
  pieces: raw.pieces.map(({ mould: { proveSheets: _, ...mould }, ...piece }) => ({ ...piece, mould })),
})

it('brings the fourth version up to this one: bars to choose from, money without a sign, all else as it was', () => {
  const old = fs.readFileSync(new URL('./versions/v4.hollow.json', import.meta.url), 'utf8')
  const raw = JSON.parse(old)
  expect(raw.version).toBe(4)
  const read = readJob(old)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  const { stock, settings, ...rest } = read.job
  expect(settings).toEqual({ ...raw.settings, hours: USUAL_HOURS, currency: null, others: METRIC_UNITS })
  expect(stock.bars).toEqual(startingStock().bars)
  expect({ ...rest, version: 4, stock: { ...stock, bars: undefined }, settings: raw.settings }).toMatchObject(
    withoutProofs(raw),
  )
  expect(readJob(writeJob(read.job))).toEqual({ ok: true, job: read.job })
})

it('brings the fifth version up to this one: with inches it reads pounds, gallons, degF and psi', () => {
  const old = fs.readFileSync(new URL('./versions/v5.hollow.json', import.meta.url), 'utf8')
  const raw = JSON.parse(old)
  expect([raw.version, raw.settings.units, raw.settings.others]).toEqual([5, 'inch', undefined])
  const read = readJob(old)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  expect(read.job.settings).toEqual({ ...raw.settings, hours: USUAL_HOURS, others: US_UNITS })
  expect({ ...read.job, version: 5, settings: raw.settings }).toMatchObject(withoutProofs(raw))
  const metric = readJob(JSON.stringify({ ...raw, settings: { ...raw.settings, units: 'mm' } }))
  expect(metric.ok && metric.job.settings.others).toEqual(METRIC_UNITS)
})

it('brings the sixth version up to this one: no list is told to be proven, all else as it was', () => {
  const old = fs.readFileSync(new URL('./versions/v6.hollow.json', import.meta.url), 'utf8')
  const raw = JSON.parse(old)
  expect([raw.version, raw.pieces[0].mould.proveSheets]).toEqual([6, true])
  const read = readJob(old)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  expect({ ...read.job, version: 6 }).toMatchObject(withoutProofs(raw))
})

describe('an old file that is broken is refused with its place, never opened by half', () => {
  const text = (name: string) =>
    fs.readFileSync(new URL(`./versions/${name}.hollow.json`, import.meta.url), 'utf8')
  const names = ['v1', 'v2', 'v3-first', 'v3-last', 'v4', 'v5', 'v6']
  it.each(names)('%s cut short', (name) => {
    for (const share of [0.1, 0.5, 0.9, 0.999]) {
      const read = readJob(text(name).slice(0, text(name).length * share))
      expect(read.ok || read.problems[0]!.code).toBe('notJson')
    }
  })
  type Broken = [string, (mould: Record<string, unknown>, piece: Record<string, unknown>) => void, RegExp]
  it.each<Broken>([
    ['a method that nobody knows', (m) => (m.method = 'thrown'), /^pieces\[0\]\.mould/],
    ['a part of the choice that is no number', (m) => (m.kerf = 'wide'), /^pieces\[0\]\.mould\.kerf/],
    ['a field that no method has', (m) => (m.colour = 'red'), /^pieces\[0\]\.mould/],
    ['no mould at all', (_, p) => delete p.mould, /^pieces\[0\]\.mould/],
    ['a piece of no kind', (_, p) => (p.kind = 'cloud'), /^pieces\[0\]/],
  ])('%s', (_, spoil, path) => {
    for (const name of names.slice(2)) {
      const raw = JSON.parse(text(name)) as { pieces: Record<string, Record<string, unknown>>[] }
      const [piece] = raw.pieces
      spoil(piece!.mould!, piece as Record<string, unknown>)
      const read = readJob(JSON.stringify(raw))
      expect(read.ok).toBe(false)
      if (!read.ok) expect(read.problems.some((p) => path.test(p.path))).toBe(true)
    }
  })
  it('fills in a part of the choice that is missing, in an old file; asks for it in one of this version', () => {
    for (const name of names.slice(2, 4)) {
      const raw = JSON.parse(text(name)) as { pieces: { mould: Record<string, unknown> }[] }
      delete raw.pieces[0]!.mould.kerf
      expect(readJob(JSON.stringify(raw)).ok).toBe(true)
    }
    const now = JSON.parse(writeJob(job)) as { pieces: { mould: Record<string, unknown> }[] }
    delete now.pieces[0]!.mould.kerf
    const read = readJob(JSON.stringify(now))
    expect(read.ok || read.problems[0]!.path).toBe('pieces[0].mould.kerf')
  })
})

describe('the choice of a mould', () => {
  const slab = testSlab().mould
  it('goes to another method and back as it was', () => {
    const chosen = withChoice(slab, { school: 'stand', runPast: 40, wrap: 3 })
    const away = withChoice(chosen, { method: 'tube', tube: 'tube-200' })
    expect(away).not.toHaveProperty('wrap')
    expect(away.runPast).toBe(40)
    const back = withChoice(away, { method: 'board-box' })
    expect(back).toMatchObject({ school: 'stand', wrap: 3, runPast: 40 })
    expect(withChoice(back, { method: 'tube' })).toMatchObject({ tube: 'tube-200' })
  })
  it('carries what both methods have', () => {
    const printed = withChoice(slab, { method: 'printed', printer: 'printer-300', shellWall: 7 })
    expect(withChoice(printed, { method: 'brushed' })).toMatchObject({ shellWall: 7 })
    const box = withChoice(slab, { wrap: 5 })
    expect(withChoice(box, { method: 'lined' })).toMatchObject({ wrap: 5, linerSheet: null })
  })
  it('is a whole choice of every method from any other, and refuses a field that the method has not', () => {
    for (const from of METHOD_IDS)
      for (const method of METHOD_IDS) {
        const choice = choiceFor(choiceFromStock(from, testStock), method)
        expect([from, method, mouldChoiceSchema.safeParse(choice).error?.issues ?? []]).toEqual([
          from,
          method,
          [],
        ])
      }
    expect(() => withChoice(slab, { tube: 'tube-150' })).toThrow('a board-box has no tube')
  })
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
