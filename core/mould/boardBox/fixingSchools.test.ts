import { describe, expect, it } from 'vitest'
import { applyChange, type Job } from '../../job/index.ts'
import { planPiece } from '../../plan.ts'
import { METRIC } from '../../testing/says.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { testJob, testSlab, testStock } from '../../testing/testPiece.ts'
import { sayAct } from '../../work/index.ts'
import { sayItem } from '../itemWords.ts'
import { asBoxed } from './boxedSlab.ts'
import { bondHolds, type FixingId, isScrewed, SCHOOLS } from './fixingSchools.ts'
import { screwSpacing } from './fixings.ts'

const kernel = await testKernel()
const IDS = Object.keys(SCHOOLS) as FixingId[]
const [board] = testStock.boards
const mix = { freshKgPerM3: 2350 }
const slab = (thickness: number, fixing: FixingId, over: object = {}) => {
  const piece = testSlab({ thickness })
  return { ...piece, mould: { ...piece.mould, fixing, ...over } } as typeof piece
}
const jobOf = (piece: ReturnType<typeof slab>, stock = testStock): Job => ({ ...testJob(piece), stock })
const planned = (job: Job) => planPiece(kernel, job, job.pieces[0]!)

// Push rho g h^2/2 at h/3 on an edge of 18 mm: 6 M/t^2 + F/t against 0.12 MPa; at 100 deep, wrapped, F = 0.1153 N/mm,
// M = F (33.3 + 9) = 4.88, so 0.0968; at 110 F = 0.1395, M = 6.37, so 0.1257.
it.each<[FixingId, number, object, boolean]>([
  ['brads', 100, {}, true],
  ['brads', 110, {}, false],
  ['brads', 110, { school: 'stand' }, true],
  ['brads', 130, { school: 'stand' }, false],
  ['brads', 300, { braceSpacing: 300 }, true],
  ['instant-glue', 100, {}, true],
  ['instant-glue', 110, {}, false],
  ['hot-glue', 60, {}, true],
  ['hot-glue', 61, {}, false],
  ['tape', 40, {}, true],
  ['tape', 41, { braceSpacing: 200 }, false],
])('%s on sides %d deep, %j: holds is %s', (fixing, depth, over, holds) => {
  const boxed = asBoxed(slab(depth, fixing, over))!
  expect(bondHolds(boxed, board!, board!, mix)).toBe(holds)
})

it('an angled screw holds six tenths of one along the edge: as many more of them', () => {
  const spacing = (fixing: FixingId) => screwSpacing(asBoxed(slab(150, fixing))!, board!, board!, mix).spacing
  expect(spacing('angled-screws') / spacing('screws')).toBeCloseTo(0.6, 6)
})

describe.each(IDS)('a box by %s', (fixing) => {
  const plan = planned(jobOf(slab(40, fixing)))
  const mould = plan.stations.mould!
  const said = plan.work.map((op) => sayAct(op, METRIC))

  it('is bought, built and taken off by what it is fixed with, and by nothing else', () => {
    const bought = mould.figures.hardware.map((row) => sayItem(row, METRIC).name).join('; ')
    const own: Record<FixingId, RegExp> = {
      screws: /^screws/,
      'angled-screws': /^screws/,
      brads: /brads 36; wood glue or/,
      'instant-glue': /instant glue/,
      'hot-glue': /hot glue sticks/,
      tape: /round the sides/,
    }
    expect(bought).toMatch(own[fixing])
    expect(mould.figures.screwCount > 0).toBe(isScrewed(fixing))
    if (!isScrewed(fixing)) expect(said.filter((s) => /screw/i.test(s))).toEqual([])
    expect(
      said.filter((s) =>
        /^(Take out the screws of the sides|Drive a wedge|A sharp knock|Run spirit|Slit the tape)/.test(s),
      ),
    ).toHaveLength(1)
  })
  it('waits for its joints, and wears as its edges do', () => {
    const fixed = mould.operations.filter((op) => op.code === 'fix-side')
    expect(fixed.map((op) => op.work.waitMinutes)).toEqual(fixed.map(() => SCHOOLS[fixing].wait))
    const plain = planned(jobOf(slab(40, 'screws'))).stations.mould!.figures.lifeCasts
    expect(mould.figures.lifeCasts).toBe(Math.min(plain, SCHOOLS[fixing].casts ?? plain))
  })
  it('raises nothing on a shallow form', () => {
    const codes = mould.findings.map((f) => f.code)
    expect(codes.filter((c) => /fixing|edge-splits|hold-the-top|bows/.test(c))).toEqual([])
  })
})

it.each(IDS)('a round mould has no side strips to hold: by %s nothing is bought, found or torn', (fixing) => {
  const run = { kind: 'arc', rise: 200 } as const
  const disc = {
    ...slab(70, fixing),
    outline: {
      kind: 'polygon' as const,
      corners: [
        { x: 0, y: 200, radius: 0, side: 'front', run },
        { x: 400, y: 200, radius: 0, side: 'back', run },
      ],
    },
  }
  const by = (own: typeof disc) =>
    planned(jobOf({ ...own, sides: { front: own.sides.front!, back: own.sides.back! } }))
  const [plan, plain] = [
    by(disc),
    by({ ...disc, mould: { ...disc.mould, fixing: 'screws' } as typeof disc.mould }),
  ]
  expect(plan.stations.mould!.figures.hardware).toEqual(plain.stations.mould!.figures.hardware)
  expect(plan.stations.mould!.figures.lifeCasts).toBe(plain.stations.mould!.figures.lifeCasts)
  expect(plan.findings.map((f) => f.code)).toEqual(plain.findings.map((f) => f.code))
})

it.each<[FixingId, number, number, string | null]>([
  ['hot-glue', 90, 18, 'fixing-holds-little'],
  ['tape', 90, 18, 'fixing-holds-little'],
  ['brads', 150, 18, 'hold-the-top'],
  ['instant-glue', 150, 18, 'hold-the-top'],
  ['screws', 40, 9, 'edge-splits'],
  ['hot-glue', 90, 9, 'fixing-holds-little'],
  ['angled-screws', 40, 9, null],
  ['brads', 40, 9, null],
])(
  '%s on sides %d deep of board %d thick: %s, with a remedy that cures it',
  (fixing, depth, thickness, code) => {
    const own = { ...board!, thickness }
    const stock = { ...testStock, boards: [own, ...testStock.boards.slice(1)] }
    const job = jobOf(slab(depth, fixing, { baseBoard: own.id, sideBoard: own.id }), stock)
    const about = /fixing|edge-splits|hold-the-top/
    const found = planned(job).findings.filter((f) => about.test(f.code))
    expect(found.map((f) => f.code)).toEqual(code === null ? [] : [code])
    for (const { remedies } of found) {
      const cured = planned(remedies[0]!.changes.reduce(applyChange, job))
      expect(cured.findings.filter((f) => f.code === code)).toEqual([])
    }
  },
)
