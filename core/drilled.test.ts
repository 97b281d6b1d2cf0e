import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { type Opening, type SlabPiece, withChoice } from './job/index.ts'
import { whyNoMould } from './mould/index.ts'
import { type PiecePlan, planPiece } from './plan.ts'
import { proveRemedies } from './remedies.ts'
import { openingLines } from './sheets/openingTable.ts'
import { METRIC } from './testing/says.ts'
import { testKernel } from './testing/testKernel.ts'
import { testBasin, testJob, testTaps, testTop } from './testing/testPiece.ts'
import { sayAct } from './work/index.ts'

/** Openings that are drilled once the piece is out of its mould, along the whole line. */
let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const basin: Opening = { ...testBasin, v: { rule: 'fromStart', distance: 90 } }
const taps = (over: Partial<Opening>): SlabPiece => testTop({ openings: [basin, { ...testTaps, ...over }] })
const plan = (piece: SlabPiece): PiecePlan => planPiece(kernel, testJob(piece), piece)
const far = { v: { rule: 'beyond', opening: 'basin', gap: 40 } } as const

describe('two tap holes drilled later', () => {
  let cast: PiecePlan
  let none: PiecePlan
  let later: PiecePlan
  beforeAll(() => {
    cast = plan(taps(far))
    none = plan(testTop({ openings: [basin] }))
    later = plan(taps({ ...far, made: 'drilled' }))
  })
  it('are poured with the piece: its volume and weight are those of one without them, and what goes is told', () => {
    const { figures } = later.stations.piece!
    expect(figures.volumeLitres).toBeCloseTo(none.stations.piece!.figures.volumeLitres, 9)
    expect(figures.concreteKg).toBeCloseTo(none.stations.piece!.figures.concreteKg, 9)
    const each = (Math.PI / 4) * 35 ** 2 * 45
    expect(figures.drilled).toEqual({
      count: 2,
      volumeLitres: expect.closeTo((2 * each) / 1e6, 4),
      massKg: expect.closeTo((2 * each * 2300) / 1e9, 3),
    })
    expect(figures.volumeLitres - figures.drilled.volumeLitres).toBeCloseTo(
      cast.stations.piece!.figures.volumeLitres,
      3,
    )
  })
  it('have no knockout, nothing to screw down, ease or press out', () => {
    const made = (p: PiecePlan) =>
      p.stations.mould!.parts.filter((part) => part.role === 'knockout').map((k) => k.name)
    expect(made(later)).toEqual(made(none))
    expect(made(cast).length).toBe(made(none).length + 2)
    const acts = later.work.filter((op) => op.station !== 'finish').map((op) => sayAct(op, METRIC))
    expect(acts.filter((text) => text.includes('tap hole'))).toEqual([])
  })
  it('are drilled after the piece is out, before it is sanded, a day old and at 10 MPa', () => {
    const at = later.work.findIndex((op) => op.code === 'drill-openings')
    const op = later.work[at]!
    expect(sayAct(op, METRIC)).toMatch(
      /^Drill tap hole 1 and tap hole 2 with a diamond core bit, 35 mm across, .*respirator/,
    )
    expect(op.startMinutes!).toBeGreaterThan(24 * 60)
    for (const after of later.work.filter((o) => o.station === 'release' && o.attitude !== null))
      expect(after.startMinutes!).toBeLessThan(op.startMinutes!)
    expect(later.work.findIndex((o) => o.code === 'sand')).toBeGreaterThan(at)
    expect(cast.work.some((o) => o.code === 'drill-openings')).toBe(false)
  })
  it('the mat keeps clear of them, their lands are judged, and paper says when they are made', () => {
    const places = (p: PiecePlan) =>
      p.stations.steel!.wires.map((w) => [w.from, w.to].flat().map(Math.round).join())
    expect(places(later)).toEqual(places(cast))
    expect(later.stations.steel!.figures.thinnestMm).toBeCloseTo(cast.stations.steel!.figures.thinnestMm!, 6)
    const lines = openingLines({
      piece: taps({ ...far, made: 'drilled' }),
      settings: testJob().settings,
      stations: later.stations,
    } as never)
    expect(lines.map((l) => l.lines.join(' ')).filter((l) => l.includes('drilled later')).length).toBe(2)
  })
})

it('keep no method from forming the piece that forms it without them', () => {
  const lined = (made: Opening['made']) => {
    const piece = taps({ ...far, made })
    const openings = piece.openings
      .filter((o) => o.id === 'taps')
      .map((o) => ({
        ...o,
        u: { rule: 'centred' as const, offset: 0 },
        v: { rule: 'centred' as const, offset: 0 },
      }))
    return { ...piece, openings, mould: withChoice(piece.mould, { method: 'lined' }) }
  }
  expect([whyNoMould(lined('cast')), whyNoMould(lined('drilled'))]).toEqual([
    'openings would cut the liner',
    null,
  ])
  expect(plan(lined('drilled')).stations.mould).not.toBeNull()
})

describe('what a drill cannot do is told, with a remedy that works', () => {
  it.each<[string, Partial<Opening>, readonly string[]]>([
    ['far from everything', far, []],
    ['22 mm from the basin', {}, ['drilled-near-edge']],
    [
      'a square',
      { ...far, shape: { kind: 'rectangle', length: 40, width: 40, radius: 2 } },
      ['drilled-not-round'],
    ],
    ['half through', { ...far, depth: 20 }, ['drilled-blind']],
    ['leaning walls', { ...far, draftDeg: 3 }, ['drilled-plain']],
    [
      'an eased rim',
      { ...far, rim: { top: { kind: 'bead', size: 4 }, bottom: { kind: 'square' } } },
      ['drilled-plain'],
    ],
  ])('%s', (_, over, codes) => {
    const piece = taps({ ...over, made: 'drilled' })
    const job = testJob(piece)
    const found = plan(piece).findings.filter((f) => f.code.startsWith('drilled-'))
    expect(found.map((f) => f.code)).toEqual(codes)
    for (const finding of found) {
      const proven = proveRemedies(kernel, job, plan(piece)).findings.find((f) => f.code === finding.code)!
      expect(proven.remedies.length).toBeGreaterThan(0)
    }
    expect(
      plan({
        ...piece,
        openings: piece.openings.map((o) => ({ ...o, made: 'cast' as const })),
      }).findings.filter((f) => f.code.startsWith('drilled-')),
    ).toEqual([])
  })
})
