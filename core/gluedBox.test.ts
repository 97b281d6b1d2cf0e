import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from './geometry/index.ts'
import { applyChange, type BoxPiece, type Job, newBox } from './job/index.ts'
import { panelPieces, planPieceStation } from './piece/index.ts'
import { planPiece } from './plan.ts'
import { proveRemedies } from './remedies.ts'
import { seeded } from './testing/anyPiece.ts'
import { testKernel } from './testing/testKernel.ts'
import { testJob, testStock } from './testing/testPiece.ts'
import { METRIC, wordsStyle } from './units/index.ts'
import { explain } from './words.ts'
import { sayAct } from './work/index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const told = { id: 'pot', name: 'Pot', start: '2026-05-30T09:00', zone: 'UTC' }
type Built = NonNullable<BoxPiece['built']>
const pot = (built: Partial<Built> = {}, over: Partial<BoxPiece> = {}): BoxPiece =>
  newBox(told, testStock, {
    length: 900,
    width: 320,
    height: 300,
    taper: 0,
    wall: 40,
    floor: 40,
    built: { corners: 'mitre', floor: 'between', glue: 2, dividers: 0, ...built },
    ...over,
  })
const style = wordsStyle(METRIC)

describe('panels as pieces', () => {
  it.each<[string, Partial<Built>, Partial<BoxPiece>, string[]]>([
    ['mitred', {}, {}, ['floor panel × 1', 'front and back panels × 2', 'right and left panels × 2']],
    [
      'pinwheel',
      { corners: 'pinwheel' },
      {},
      ['floor panel × 1', 'front and back panels × 2', 'right and left panels × 2'],
    ],
    [
      'square, pinwheel: all four alike',
      { corners: 'pinwheel' },
      { width: 900 },
      ['floor panel × 1', 'front, right, back and left panels × 4'],
    ],
    [
      'with a divider',
      { dividers: 1 },
      {},
      ['floor panel × 1', 'front and back panels × 2', 'right and left panels × 2', 'divider 1 × 1'],
    ],
    [
      'three of them',
      { dividers: 2 },
      { quantity: 3 },
      [
        'floor panel × 3',
        'front and back panels × 6',
        'right and left panels × 6',
        'divider 1 and divider 2 × 6',
      ],
    ],
  ])('%s', (_, built, over, want) => {
    const slabs = panelPieces(pot(built, over), testStock)
    expect(slabs.map((p) => `${p.name.replace('Pot: ', '')} × ${p.quantity}`)).toEqual(want)
    for (const p of slabs) expect([p.mouldCount, p.plannedCasts >= p.quantity]).toEqual([1, true])
  })
  it('hold together what the box does, any size, any joint', () => {
    const random = seeded(31)
    const between = (a: number, b: number) => a + (b - a) * random()
    for (let i = 0; i < 40; i += 1) {
      const wall = between(15, 60)
      const box = pot(
        {
          corners: (['mitre', 'butt', 'pinwheel'] as const)[i % 3]!,
          floor: (['between', 'under'] as const)[i % 2]!,
          glue: between(0, 5),
          dividers: i % 4,
        },
        {
          length: between(600, 1500),
          width: between(250, 600),
          height: between(150, 700),
          wall,
          floor: between(15, 60),
        },
      )
      const volume = (p: Parameters<typeof planPieceStation>[1]) =>
        planPieceStation(kernel, p, 2300, true).figures.volumeLitres
      const parts = panelPieces(box, testStock).reduce((sum, p) => sum + p.quantity * volume(p), 0)
      expect([i, parts / planPieceStation(kernel, box, 2300, false).figures.volumeLitres]).toEqual([
        i,
        expect.closeTo(1, 4),
      ])
    }
  })
  it('can be built, each in a board box, its ends mitred', () => {
    for (const piece of panelPieces(pot(), testStock)) {
      const { stations, findings } = planPiece(kernel, testJob(piece), piece)
      expect([piece.name, findings.filter((f) => f.level === 'stop').map((f) => f.code)]).toEqual([
        piece.name,
        [],
      ])
      // The ends stand against a 45 degree lean: the base's edges or the strips are sawn to it.
      const leaning = stations.mould!.figures.cutList.filter((r) => Math.abs(Math.abs(r.edgeDeg) - 45) < 1e-6)
      expect([piece.name, leaning.length > 0]).toEqual([piece.name, piece.sides.left!.taper > 0])
    }
  })
})

describe('the box itself', () => {
  const planned = (job: Job) => planPiece(kernel, job, job.pieces[0]!)
  it('is not cast: no station after the first answers for it, and its work is its panels and gluing them', () => {
    const { stations, work, panels, failed, findings } = planned(testJob(pot({ dividers: 1 })))
    const { piece, ...rest } = stations
    expect([piece !== null, Object.values(rest).every((s) => s === null), failed]).toEqual([true, true, []])
    expect(work.map((op) => sayAct(op, style))).toEqual([
      'One mould makes the floor panel: it is cast once.',
      'One mould makes the front and back panels: it is cast 2 times.',
      'One mould makes the right and left panels: it is cast 2 times.',
      'One mould makes the divider 1: it is cast once.',
      expect.stringContaining('Glue the 6 panels together'),
    ])
    const under = planned(testJob(pot({ floor: 'under' }))).work.at(-1)!
    expect(sayAct(under, style)).toContain('walls on the floor first')
    expect(panels!.map((p) => p.inJob)).toEqual([false, false, false, false])
    expect(findings.filter((f) => f.station === 'mould').map((f) => f.code)).toEqual(['panels-missing'])
  })
  it('offers its panels, then their new sizes when it changes, each remedy proven', () => {
    let job = testJob(pot())
    const steps: string[] = []
    const cure = () => {
      const { findings } = proveRemedies(kernel, job, planned(job))
      const own = findings.filter((f) => f.station === 'mould')
      steps.push(...own.map((f) => `${f.code} ${f.level} ${f.remedies.length}`))
      for (const f of own) expect(JSON.stringify(explain(f, style))).not.toMatch(/undefined|NaN/)
      job = own
        .flatMap((f) => f.remedies)
        .flatMap((r) => r.changes)
        .reduce(applyChange, job)
    }
    cure()
    cure()
    job = applyChange(job, { type: 'shapeChanged', pieceId: 'pot', patch: { height: 350 } as never })
    cure()
    cure()
    job = applyChange(job, { type: 'pieceDescribed', pieceId: 'pot', patch: { quantity: 2 } })
    cure()
    cure()
    job = applyChange(job, { type: 'pieceRemoved', pieceId: job.pieces[2]!.id })
    cure()
    cure()
    expect(steps).toEqual([
      'panels-missing warn 1',
      'cast-as-panels note 0',
      'panels-differ warn 1',
      'cast-as-panels note 0',
      'panels-differ warn 1',
      'cast-as-panels note 0',
      'panels-missing warn 1',
      'cast-as-panels note 0',
    ])
  })
})
