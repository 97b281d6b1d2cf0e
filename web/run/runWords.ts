import type { Run } from '../../core/job/index.ts'
import type { RunProblem } from '../../core/runs/splitRun.ts'

/** What is wrong with a run, in words. */
export function runProblemText(problem: RunProblem, run: Run, mm: (n: number) => string): string {
  const name = (id: string) => run.openings.find((o) => o.id === id)?.name ?? 'An opening'
  switch (problem.code) {
    case 'corner-impossible':
      return `The corner at wall ${problem.corner + 2} cannot have these measures: check the tape`
    case 'seam-misses':
      return `The seam at ${mm(problem.at)} misses leg ${problem.leg + 1}`
    case 'opening-cut':
      return `A seam runs through ${name(problem.openingId)}: a notch in each of its two pieces, with a weak bridge front and back`
    case 'opening-outside':
      return `${name(problem.openingId)} lies in no piece`
    case 'leg-missing':
      return `Something stands on leg ${problem.leg + 1}, which the run does not have`
  }
}
