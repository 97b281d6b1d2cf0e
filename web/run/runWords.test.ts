import { describe, expect, it } from 'vitest'
import { newRun } from '../../core/job/index.ts'
import type { RunProblem } from '../../core/runs/splitRun.ts'
import { runProblemText } from './runWords.ts'

const run = { ...newRun('run-1') }
const opening = run.openings[0]
const mm = (n: number) => `${n} mm`

describe('what is wrong with a run', () => {
  it.each<[RunProblem, RegExp]>([
    [{ code: 'corner-impossible', corner: 0 } as RunProblem, /corner at wall 2 cannot have these measures/],
    [{ code: 'seam-misses', at: 2500, leg: 1 } as RunProblem, /seam at 2500 mm misses leg 2$/],
    [{ code: 'opening-cut', openingId: 'gone' } as RunProblem, /through An opening: a notch in each/],
    [{ code: 'opening-outside', openingId: 'gone' } as RunProblem, /^An opening lies in no piece$/],
    [{ code: 'leg-missing', leg: 2 } as RunProblem, /stands on leg 3, which the run does not have/],
  ])('%o is said with its numbers as a maker counts them', (problem, says) => {
    expect(runProblemText(problem, run, mm)).toMatch(says)
  })
  it('names an opening by its name', () => {
    const named = { ...run, openings: [{ ...opening, id: 'sink', name: 'sink' }] } as typeof run
    const problem = { code: 'opening-outside', openingId: 'sink' } as RunProblem
    expect(runProblemText(problem, named, mm)).toBe('sink lies in no piece')
  })
})
