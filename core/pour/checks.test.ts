import { beforeAll, describe, expect, it } from 'vitest'
import type { Kernel } from '../geometry/index.ts'
import { applyChange, type Job, type Piece, type PourRecord } from '../job/index.ts'
import { anyPiece, seeded } from '../testing/anyPiece.ts'
import { rounds } from '../testing/rounds.ts'
import { testKernel } from '../testing/testKernel.ts'
import { testJob, testSlab, testTop } from '../testing/testPiece.ts'
import { planPiece } from '../testing/wholeLine.ts'
import { checksOf, tickedWith, tickOf } from './checks.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const plan = (piece: Piece, job: Job = testJob(piece)) => planPiece(kernel, job, piece)
const rows = (piece: Piece, { work }: ReturnType<typeof plan>) =>
  checksOf(work, piece).map((c) => [c.operation.id, c.stops, c.ticked])

describe('checks before the pour', () => {
  it('those that nothing mends later stop it: bare spots where it bonds, and what lifts', () => {
    const top = testTop()
    expect(rows(top, plan(top))).toEqual([
      ['check/bare-spots', true, false],
      ['check/gripped', true, false],
      ['check/level', false, false],
      ['check/held', true, false],
      ['check/released', false, false],
      ['check/ready', false, false],
    ])
    const slab = testSlab()
    expect(rows(slab, plan(slab)).filter(([, stops]) => stops)).toEqual([])
  })
  it('a tick is kept in the job until a pour is logged, and taken back by itself', () => {
    const top = testTop()
    let job = testJob(top)
    const first = plan(top, job)
    for (const { operation } of checksOf(first.work, top)) {
      const piece = job.pieces.find((p) => p.id === top.id)!
      job = applyChange(job, {
        type: 'pourPlanned',
        pieceId: top.id,
        patch: { ticked: { ...tickedWith(piece, operation, true) } },
      })
    }
    const ticked = job.pieces.find((p) => p.id === top.id)!
    const now = plan(ticked, job)
    expect(checksOf(now.work, ticked).every((c) => c.ticked)).toBe(true)
    const back = tickedWith(ticked, checksOf(now.work, ticked)[0]!.operation, false)
    expect(Object.keys(back)).toEqual(Object.keys(ticked.pour.ticked).slice(1))
    const pour = { id: 'first', pieceId: top.id } as PourRecord
    const logged = applyChange(job, { type: 'pourLogged', pour })
    expect(logged.pieces.find((p) => p.id === top.id)!.pour.ticked).toEqual({})
  })
  it('what says something else since it was ticked is looked at again', () => {
    const top = { ...testTop(), release: { ...testTop().release, edgeSeal: 'lacquer' } }
    const before = plan(top)
    const ticked = Object.fromEntries(
      checksOf(before.work, top).map(({ operation }) => [operation.id, tickOf(operation)]),
    )
    const all = { ...top, pour: { ...top.pour, ticked } }
    const oiled = { ...all, release: { ...all.release, faceAgent: 'vegetable-oil' } }
    const open = checksOf(plan(oiled).work, oiled).filter((c) => !c.ticked)
    expect(open.map((c) => c.operation.id)).toEqual(['check/bare-spots', 'check/released'])
  })
  it('a vented pocket is looked through', () => {
    const arm = { ...testTop(), release: { ...testTop().release, vented: true } }
    const { stations, work } = plan(arm)
    const vented = stations.release!.figures.air.pockets.filter((p) => p.vented).length
    expect(work.some((op) => op.id === 'check/vents')).toBe(vented > 0)
  })
  it.each(Array.from({ length: rounds(6, 60) }, (_, i) => 400 + i))(
    'of any piece: what bonds and is released is looked at before the water, seed %d',
    (seed) => {
      const piece = anyPiece(seeded(seed))
      for (const leftOut of [null, 'a trial']) {
        const told = { ...piece, release: { ...piece.release, leftOut } }
        const { work, stations } = plan(told)
        if (!stations.release || !stations.pour) continue
        const bonds = stations.release.figures.agents.filter(
          (a) =>
            a.use === 'release' &&
            ['raw', 'raw edge', 'card', 'coated', 'soaks', 'bare metal', 'printed'].includes(a.surface),
        )
        const checks = checksOf(work, told)
        expect(checks.some((c) => c.operation.id === 'check/bare-spots')).toBe(bonds.length > 0)
        const water = work.findIndex((op) => op.code === 'mix-batch')
        expect(checks.every((c) => work.indexOf(c.operation) < water)).toBe(true)
      }
    },
  )
})
