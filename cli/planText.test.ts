import { expect, it } from 'vitest'
import { openKernel } from '../core/geometry/index.ts'
import { STATIONS } from '../core/job/index.ts'
import { type Memo, noMemo } from '../core/memo.ts'
import { planJob } from '../core/planJson.ts'
import { testJob, testSlab, testTaps, testTop } from '../core/testing/testPiece.ts'
import { planText } from './planText.ts'

const kernel = await openKernel({ coarser: 12 })

it.each(STATIONS)('prints what failed in %s beside the other pieces, which stand', (name) => {
  const job = testJob(testTop(), { ...testSlab(), id: 'other', name: 'Other' })
  const [first] = job.pieces
  // Only the first piece meets the fault: it is the first to reach the station.
  let met = false
  const once: Memo = (station, key, work) => {
    if (station === name && !met) {
      met = true
      throw new Error('a fault')
    }
    return noMemo(station, key, work)
  }
  const plan = planJob(kernel, job, once)
  expect(plan.failed).toEqual([{ pieceId: first!.id, station: name, message: 'a fault' }])
  expect(plan.pieces[0]!.stations[name]).toBeNull()
  expect(Object.values(plan.pieces[1]!.stations).every((s) => s !== null)).toBe(true)
  expect(planText(plan, job.settings)).toContain(`FAILED   ${name}: a fault`)
})

it('says what a piece is planned without, and of a whole one nothing', () => {
  const job = testJob(testTop({ openings: [testTaps] }), { ...testSlab(), id: 'other', name: 'Other' })
  const text = planText(planJob(kernel, job), job.settings)
  expect(text.match(/WITHOUT .*/g)).toEqual([
    expect.stringContaining(`${testTaps.name}: it cannot be as it is`),
  ])
})
