import { expect, it } from 'vitest'
import { testJob, testTop } from '../../core/testing/testPiece.ts'
import { jobChanged, jobOpened, jobSlice, redone, saveEnded, UNDO_LIMIT, undone } from './jobSlice.ts'

const { reducer } = jobSlice
const opened = () =>
  reducer(
    undefined,
    jobOpened({
      id: 'job',
      name: 'Job',
      revision: 3,
      savedAt: 1,
      job: testJob(testTop()),
      past: [],
      future: [],
    }),
  )
const thick = (thickness: number) =>
  jobChanged({
    label: `thickness ${thickness}`,
    changes: [{ type: 'thicknessChanged', pieceId: 'top', thickness }],
  })

it('undoes and redoes one step a change, and a new change ends the redo', () => {
  const start = opened()
  const changed = reducer(reducer(start, thick(50)), thick(60))
  const back = reducer(reducer(changed, undone()), undone())
  expect(back.job).toEqual(start.job)
  expect(reducer(reducer(back, redone()), redone()).job).toEqual(changed.job)
  expect(reducer(reducer(back, redone()), thick(70)).future).toEqual([])
  expect(reducer(start, undone())).toBe(start)
  expect(reducer(start, thick(45))).toBe(start)
})

it('keeps the last 200 steps, and an edit made while saving stays unsaved', () => {
  let state = opened()
  for (let i = 0; i < UNDO_LIMIT + 20; i += 1) state = reducer(state, thick(50 + i))
  expect(state.past).toHaveLength(UNDO_LIMIT)
  const { edit } = state
  state = reducer(state, thick(1000))
  state = reducer(state, saveEnded({ edit, revision: 4, save: { kind: 'saved', at: 2 } }))
  expect([state.save.kind, state.revision]).toEqual(['unsaved', 4])
})
