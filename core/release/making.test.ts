import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../geometry/index.ts'
import {
  applyChange,
  type MouldPatch,
  newTurned,
  type Piece,
  type ReleaseChoice,
  withChoice,
} from '../job/index.ts'
import { METRIC } from '../testing/says.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testStock } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { isBuilding, sayAct, spanMinutes } from '../work/index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
type Pattern = Partial<ReleaseChoice['pattern']>
const TOLD = { id: 'ball', name: 'Ball', start: '2026-05-30T09:00', zone: 'UTC' }
const ball = (mould: MouldPatch, pattern: Pattern = {}): Piece => {
  const piece = newTurned(TOLD, testStock, { turned: { form: 'cylinder', diameter: 200, height: 150 } })
  return {
    ...piece,
    mould: withChoice(piece.mould, mould),
    release: { ...piece.release, pattern: { ...piece.release.pattern, ...pattern } },
  }
}
const [PU, TIN, PLATINUM] = ['polyurethane-40', 'tin-silicone-25', 'platinum-silicone-20']
const block = (rubber: string, parts: number, pattern?: Pattern) =>
  ball({ method: 'block', rubber, rubberParts: parts }, pattern)
const brushed = (rubber: string, pattern?: Pattern) => ball({ method: 'brushed', rubber }, pattern)
const plan = (piece: Piece, job = testJob(piece)) => planPiece(kernel, job, piece, { quick: true })

describe('what a mould is made on', () => {
  it.each<[string, Piece, [string, string | null, string | null][]]>([
    [
      'polyurethane sticks to nearly everything',
      block(PU, 1),
      [['pattern', 'quick lacquer', 'silicone release']],
    ],
    [
      'and to itself',
      block(PU, 2),
      [
        ['pattern', 'quick lacquer', 'silicone release'],
        ['cured-half', null, 'silicone release'],
      ],
    ],
    ['silicone lets go by itself', block(TIN, 1), [['pattern', 'quick lacquer', null]]],
    [
      'but not of silicone',
      block(PLATINUM, 2),
      [
        ['pattern', 'quick lacquer', null],
        ['cured-half', null, 'petroleum jelly'],
      ],
    ],
    [
      'a jacket is kept off polyurethane',
      brushed(PU),
      [
        ['pattern', 'quick lacquer', 'silicone release'],
        ['rubber-back', null, 'petroleum jelly'],
      ],
    ],
    [
      'solvent eats foam',
      brushed(TIN, { of: 'foam' }),
      [
        ['pattern', 'polyurethane varnish', null],
        ['rubber-back', null, null],
      ],
    ],
    [
      'a laid-up shell keys into its pattern',
      ball({ method: 'closed' }),
      [['pattern', 'quick lacquer', 'silicone-free paste wax']],
    ],
    ['a box of boards is made on nothing', ball({ method: 'tube' }), []],
  ])('%s', (_, piece, rows) => {
    const told = { ...piece, release: { ...piece.release, edgeSeal: 'lacquer' } }
    const { stations, work } = plan(told)
    const { making } = stations.release!.figures
    expect(making.map((r) => [r.making, r.seal?.name ?? null, r.agent])).toEqual(rows)
    // What is told of is done, in its place: sealed, released, then poured on.
    const at = (id: string) => work.findIndex((op) => op.id === id)
    for (const [i, { making: id, seal, agent }] of making.entries()) {
      const face = stations.mould!.figures.making[i]!
      if (seal) expect(at(`seal/${id}`)).toBeGreaterThanOrEqual(0)
      expect(at(`release/${id}`) >= 0).toBe(agent !== null)
      for (const before of face.before) {
        expect(at(before)).toBeGreaterThan(Math.max(at(`seal/${id}`), at(`release/${id}`)))
        for (const after of face.after) expect(at(before)).toBeGreaterThan(at(after))
      }
    }
  })
  it.each(['paste-wax', 'packing-tape', 'vegetable-oil'])(
    'what is no seal closes no pattern: %s',
    (edgeSeal) => {
      const piece = block(PU, 1)
      const told = plan({ ...piece, release: { ...piece.release, edgeSeal } })
      expect(told.stations.release!.figures.making[0]!.seal!.name).toBe('polyurethane varnish')
    },
  )
  it('an agent of the pattern that is gone from the stock is told, not passed over', () => {
    const codes = (piece: Piece) => plan(piece).findings.map((f) => f.code)
    expect(codes(block(PU, 1, { agent: 'gone' }))).toContain('agent-missing')
    expect(codes(ball({ method: 'tube' }, { agent: 'gone' }))).not.toContain('agent-missing')
  })
  it('a hand that works to the end of the day before finds the rubber it may pour', () => {
    const { work } = plan(block(PU, 2))
    const ids = work.filter((op) => op.per === 'mould').map((op) => op.id)
    expect(ids.filter((id) => /pattern|half|halves|upper|lower|clay/.test(id))).toEqual([
      'seal/pattern',
      'bed/pattern',
      'release/pattern',
      'pour/upper',
      'off/clay',
      'release/cured-half',
      'pour/lower',
      'part/halves',
    ])
    // The pattern's seal hardens as its stock row says, and each half cures for a day.
    const seal = work.find((op) => op.id === 'seal/pattern')!
    const varnish = testStock.agents.find((a) => a.kind === 'varnish')!
    expect(seal.takes[0]!.name).toBe(varnish.name)
    expect(seal.work.waitMinutes).toBe(varnish.coats * varnish.waitMinutes + varnish.readyMinutes)
    expect(spanMinutes(work.filter(isBuilding))).toBeGreaterThan(seal.work.waitMinutes + 2 * 24 * 60)
    expect(sayAct(work.find((op) => op.id === 'release/cured-half')!, METRIC)).toContain(
      'rubber bonds to rubber',
    )
  })
})

describe('what must not meet while it is made', () => {
  const CODES = ['pattern-spoils', 'cure-inhibited', 'rubber-foams', 'making-bonds']
  it.each<[string, Piece, string | null, string | null]>([
    ['platinum on clay with sulphur', block(PLATINUM, 2, { clay: 'sulphur' }), 'cure-inhibited', 'stop'],
    ['in one block no clay meets it', block(PLATINUM, 1, { clay: 'sulphur' }), null, null],
    ['tin does not mind sulphur', block(TIN, 2, { clay: 'sulphur' }), null, null],
    ['platinum on a resin print', brushed(PLATINUM, { of: 'resin-print' }), 'cure-inhibited', 'warn'],
    ['tin on a resin print', brushed(TIN, { of: 'resin-print' }), null, null],
    ['polyurethane on wet clay', block(PU, 2, { clay: 'water' }), 'rubber-foams', 'warn'],
    ['tin on wet clay', block(TIN, 2, { clay: 'water' }), null, null],
    ['wax under polyurethane', block(PU, 1, { agent: 'paste-wax' }), 'making-bonds', 'warn'],
    ['lacquer alone under polyurethane', brushed(PU, { agent: 'lacquer' }), 'making-bonds', 'stop'],
    ['jelly under a shell', ball({ method: 'closed' }, { agent: 'petroleum-jelly' }), null, null],
    ['tape under a shell', ball({ method: 'closed' }, { agent: 'packing-tape' }), 'making-bonds', 'warn'],
    ['platinum after tin', block(PLATINUM, 1, { before: 'tin-silicone' }), 'pattern-spoils', 'warn'],
    ['tin after tin', block(TIN, 1, { before: 'tin-silicone' }), null, null],
    ['platinum after latex gloves', brushed(PLATINUM, { before: 'latex' }), 'pattern-spoils', 'warn'],
    ['tin over wet sealant', block(TIN, 1, { before: 'sealant' }), 'pattern-spoils', 'warn'],
    ['polyurethane on damp wood', brushed(PU, { before: 'damp' }), 'pattern-spoils', 'warn'],
    ['platinum does not mind water', block(PLATINUM, 1, { before: 'damp' }), null, null],
    ['a shell minds none of it', ball({ method: 'closed' }, { before: 'sealant' }), null, null],
    ['a tube is made on nothing', ball({ method: 'tube' }, { clay: 'sulphur' }), null, null],
  ])('%s', (_, piece, code, level) => {
    const job = testJob(piece)
    const told = plan(piece).findings.filter((f) => CODES.includes(f.code))
    expect(told.map((f) => [f.code, f.level])).toEqual(code ? [[code, level]] : [])
    for (const f of told)
      for (const r of f.remedies) {
        const mended = r.changes.reduce(applyChange, job)
        const again = plan(mended.pieces[0]!, mended).findings.map((g) => g.code)
        expect([r.code, again.includes(f.code)]).toEqual([r.code, false])
      }
    expect(told.every((f) => f.remedies.length > 0)).toBe(true)
  })
  it('a stock without what suits gets it with the cure', () => {
    const piece = block(PU, 1)
    const job = testJob(piece)
    const bare = {
      ...job,
      stock: { ...job.stock, agents: job.stock.agents.filter((a) => a.kind !== 'silicone') },
    }
    const [told] = plan(piece, bare).findings.filter((f) => f.code === 'making-bonds')
    expect([told?.level, told?.facts.agent]).toEqual(['stop', ''])
    const mended = told!.remedies[0]!.changes.reduce(applyChange, bare)
    expect(mended.stock.agents.filter((a) => a.kind === 'silicone')).toHaveLength(1)
    expect(plan(mended.pieces[0]!, mended).findings.some((f) => f.code === 'making-bonds')).toBe(false)
  })
})
