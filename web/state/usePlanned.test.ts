import { expect, it } from 'vitest'
import { applyChange, type Change, type Job } from '../../core/job/index.ts'
import { testJob, testTop } from '../../core/testing/testPiece.ts'
import { plannedAlike } from './usePlanned.ts'

const top = testTop()
const job: Job = testJob(top)
const after = (change: Change): Job => applyChange(job, change)

it('only ticks leave a plan as it is', () => {
  const pieceId = top.id
  const cases: [Job, boolean][] = [
    [after({ type: 'pourPlanned', pieceId, patch: { ticked: { 'check/level': 'x' } } }), true],
    [after({ type: 'pieceDescribed', pieceId, patch: {} }), true],
    [after({ type: 'pourPlanned', pieceId, patch: { ticked: {}, humidity: 0.3 } }), false],
    [after({ type: 'thicknessChanged', pieceId, thickness: top.thickness + 1 }), false],
    [after({ type: 'settingsChanged', patch: { people: 5 } }), false],
    [after({ type: 'pieceRemoved', pieceId }), false],
  ]
  expect(cases.map(([other]) => plannedAlike(job, other))).toEqual(cases.map(([, alike]) => alike))
})
