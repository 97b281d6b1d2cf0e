import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import {
  applyChange,
  type Job,
  newBox,
  newFitted,
  newSwept,
  newTurned,
  type Piece,
  type PourRecord,
  plainSide,
  withChoice,
} from './job/index.ts'
import { planPiece } from './plan.ts'
import { proveRemedies } from './remedies.ts'
import type { Mix, Stock } from './stock/index.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testSlab, testStock, testTop } from './testing/testPiece.ts'
import { METRIC, wordsStyle } from './units/index.ts'
import { explain } from './words.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})

const told = { id: 'top', name: 'P', start: '2026-05-30T09:00', zone: 'UTC' }
const withMix = (patch: Partial<Mix>): Partial<Job> => ({
  stock: { ...testStock, mixes: testStock.mixes.map((m) => ({ ...m, ...patch })) },
})
const withStock = (patch: Partial<Stock>): Partial<Job> => ({ stock: { ...testStock, ...patch } })
const agent = (kind: Stock['agents'][number]['kind']): string =>
  testStock.agents.find((a) => a.kind === kind)!.id
const sealer = (school: Stock['sealers'][number]['school']): string =>
  testStock.sealers.find((s) => s.school === school)!.id
const finish = (school: Stock['sealers'][number]['school']) => ({
  ...testSlab().finish,
  sealer: sealer(school),
})
const f28 = (mpa: number): Mix['f28'] => ({ stiff: mpa, medium: mpa, limit: mpa })
const poured = (bags: number): Partial<Job> => ({
  pours: [1, 2, 3].map(
    (n): PourRecord => ({
      id: `pour-${n}`,
      pieceId: 'top',
      pieceName: 'Top',
      on: `2026-05-0${n}`,
      mixName: testStock.mixes[0]!.name,
      planned: {
        catalogueVersion: 1,
        volumeLitres: 20.25,
        bags: 2,
        waterLitresPerBag: 3,
        concreteKg: 46,
        stripHours: 24,
        temperatureDegC: 20,
      },
      actual: {
        bags,
        waterLitresPerBag: 3,
        temperatureDegC: 20,
        vibratedMinutes: 4,
        stripHours: 24,
        weightKg: 46,
      },
      faults: ['none'],
      nextTime: '',
      day: null,
    }),
  ),
})

/** What may be wrong after the piece itself: a document that has it, and how it is told. */
const WRONG: [code: string, level: string, piece: Piece, job?: Partial<Job>][] = [
  ...[
    newTurned(told, testStock, { turned: { form: 'sphere', diameter: 300, foot: 0 } }),
    newSwept(told, testStock),
    newBox(told, testStock),
    newFitted(told, testStock),
  ].map((p): [string, string, Piece] => [
    'no-method',
    'warn',
    { ...p, mould: withChoice(p.mould, { method: 'board-box' }) } as Piece,
  ]),
  [
    'no-method',
    'warn',
    testSlab({
      sides: {
        front: plainSide({ taper: 4, apron: { drop: 30, thickness: 30 } }),
        right: plainSide({ taper: 4 }),
        back: plainSide(),
        left: plainSide(),
      },
    }),
  ],
  [
    'not-in-mould',
    'warn',
    testSlab({
      inserts: [
        {
          id: 'stud',
          name: 'stud',
          kind: 'stud',
          on: 'bottom',
          u: 0,
          v: 0,
          tiltDeg: 0,
          tiltTowardDeg: 0,
          diameter: 10,
          bore: 0,
          depth: 25,
          past: 20,
          material: 'steel',
          held: 'mould',
          carriesKg: 0,
        },
      ],
    }),
  ],
  [
    'mesh-for-slabs',
    'note',
    ((p) => ({ ...p, steel: { ...p.steel, kind: 'mesh' as const } }))(newTurned(told, testStock)),
  ],
  [
    'cover-short',
    'warn',
    testSlab({
      exposure: 'outdoors',
      thickness: 60,
      basin: {
        form: 'frustum',
        length: 400,
        width: 300,
        radius: 40,
        depth: 160,
        draftDeg: 6,
        exponent: 2.5,
        fall: 0,
        shell: 60,
        u: 450,
        v: 250,
        waste: 50,
        overflow: 0,
      },
    }),
  ],
  ['knockout-locks', 'warn', testTop()],
  ['release-left-out', 'warn', testSlab({ release: { ...testSlab().release, leftOut: 'new film face' } })],
  [
    'oil-under-sealer',
    'warn',
    testSlab({ release: { ...testSlab().release, faceAgent: agent('oil') }, finish: finish('film') }),
  ],
  ['mixer-too-small', 'warn', testSlab(), withStock({ mixers: [{ ...testStock.mixers[0]!, litres: 4 }] })],
  ['yield-doubtful', 'note', testSlab(), withMix({ freshKgPerM3: 1800 })],
  ['water-at-limit', 'note', testSlab({ mix: { ...testSlab().mix, water: 'limit' } })],
  ['never-strong', 'stop', testSlab(), withMix({ f28: f28(3) })],
  ['never-flipped', 'stop', testSlab(), withMix({ f28: f28(6) })],
  [
    'longer-than-working-time',
    'warn',
    testSlab({
      thickness: 110,
      outline: { kind: 'rectangle', length: 1800, width: 900, radii: [0, 0, 0, 0] },
    }),
  ],
  ['film-outdoors', 'warn', testSlab({ exposure: 'outdoors', finish: finish('film') })],
  ['wax-in-kitchen', 'note', testSlab({ exposure: 'kitchen', finish: finish('wax') })],
  ['waste-learned', 'note', testSlab(), poured(2.0)],
  ['waste-doubtful', 'note', testSlab(), poured(3.4)],
]

describe('what may be wrong down the line', () => {
  it.each(WRONG)('%s, %s', (code, level, piece, over = {}) => {
    const job = { ...testJob(piece), ...over }
    const plan = planPiece(kernel, job, piece)
    expect(plan.failed).toEqual([])
    expect(plan.findings.map((f) => `${f.code} ${f.level}`)).toContain(`${code} ${level}`)
    const finding = plan.findings.find((f) => f.code === code)!
    const words = explain(finding, wordsStyle(METRIC))
    expect(`${words.what} ${words.why}`).not.toMatch(/undefined|NaN|Infinity/)
    // A remedy that stays after it was proven cures: the line, run again with it, has lost the finding.
    const proven = proveRemedies(kernel, job, plan).findings.find((f) => f.code === code)!
    for (const remedy of proven.remedies) {
      const after = remedy.changes.reduce(applyChange, job)
      const again = planPiece(kernel, after, after.pieces[0]!)
      expect(again.findings.map((f) => f.code)).not.toContain(code)
    }
  })
})
