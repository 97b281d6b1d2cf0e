import { describe, expect, it } from 'vitest'
import { applyChange, type Change, diffTrees, emptyJob, type Job, newSlab } from '../../core/job/index.ts'
import { startingStock } from '../../core/stock/index.ts'
import { currentRun, inRun } from './stepRuns.ts'
import { pieceChanged, stepWords } from './stepWords.ts'

const stock = startingStock()
const slab = (id: string, name: string) =>
  newSlab({ id, name, start: '2026-05-30T09:00', zone: 'UTC', length: 900, width: 500, thickness: 45 }, stock)
const job = (units: Job['settings']['units'] = 'mm'): Job => ({
  ...emptyJob('j', 'Job', stock),
  settings: { ...emptyJob('j', 'Job', stock).settings, units },
  pieces: [slab('a', 'Top'), slab('b', 'Shelf')],
})
const thicker = (pieceId: string, thickness: number): Change => ({
  type: 'thicknessChanged',
  pieceId,
  thickness,
})

describe('the piece that a step changes', () => {
  it.each<[string, readonly Change[], string | undefined]>([
    ['one', [thicker('a', 50)], 'a'],
    ['one, twice', [thicker('a', 50), thicker('a', 60)], 'a'],
    ['two', [thicker('a', 50), thicker('b', 60)], undefined],
    ['one that is added', [{ type: 'pieceAdded', piece: slab('c', 'C') }], 'c'],
    ['one that is removed', [{ type: 'pieceRemoved', pieceId: 'b' }], 'b'],
    ['none', [{ type: 'jobRenamed', name: 'X' }], undefined],
    ['one and the job', [thicker('a', 50), { type: 'jobRenamed', name: 'X' }], undefined],
  ])('%s', (_, changes, id) => expect(pieceChanged(changes).pieceId).toBe(id))
})

describe('what is said of a step that is undone', () => {
  const undone = (label: string, change: Change, units?: Job['settings']['units']) => {
    const before = job(units)
    const after = applyChange(before, change)
    const step = {
      label,
      undo: diffTrees(after, before),
      redo: diffTrees(before, after),
      ...pieceChanged([change]),
    }
    return [stepWords(before, step), stepWords(after, step, false)]
  }
  it.each<[string, string, Change, Job['settings']['units'] | undefined, string, string]>([
    [
      'a measure',
      'thickness 50',
      thicker('a', 50),
      undefined,
      'Top, thickness 50; 45 again',
      'Top, thickness 50',
    ],
    [
      'a measure in inches',
      'thickness 2"',
      thicker('b', 50.8),
      'inch',
      'Shelf, thickness 2"; 1 3/4" again',
      'Shelf, thickness 2"',
    ],
    [
      'a word',
      'units to inch',
      { type: 'settingsChanged', patch: { units: 'inch' } },
      undefined,
      'units to inch; mm again',
      'units to inch',
    ],
    // The words do not tell the value, so none is said to stand again.
    [
      'no value in its words',
      'made thicker',
      thicker('a', 50),
      undefined,
      'Top, made thicker',
      'Top, made thicker',
    ],
    [
      'a piece in its words',
      'remove Shelf',
      { type: 'pieceRemoved', pieceId: 'b' },
      undefined,
      'remove Shelf',
      'remove Shelf',
    ],
  ])('%s', (_, label, change, units, back, again) =>
    expect(undone(label, change, units)).toEqual([back, again]),
  )
})

it('a run of steps holds within it and no longer, also past a fault', () => {
  const seen: (string | null)[] = [currentRun()]
  inRun('a', () => {
    seen.push(currentRun())
    inRun('b', () => seen.push(currentRun()))
    seen.push(currentRun())
  })
  expect(() =>
    inRun('c', () => {
      throw new Error('no')
    }),
  ).toThrow('no')
  expect([...seen, currentRun()]).toEqual([null, 'a', 'b', 'a', null])
})
