import { act, render } from '@testing-library/react'
import { type ComponentType, Suspense } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { expect, vi } from 'vitest'
import { openKernel } from '../../core/geometry/index.ts'
import { type Job, type Piece, readJob } from '../../core/job/index.ts'
import { holdFonts, LETTER_FONTS } from '../../core/piece/index.ts'
import type { PiecePlan } from '../../core/plan.ts'
import demoText from '../../demo/kestrel-rise.hollow.json?raw'
import { jobOpened } from '../state/jobSlice.ts'
import { looksOf, PlanShown, type PlanView } from '../state/PlanContext.tsx'
import { store } from '../state/store.ts'
import { noResizes } from './noResizes.ts'

/** One screen of a plan that is given, with no worker behind it: quick, and still whatever is done on it. */
vi.mock('../worker/planner.ts', () => {
  const silent = { listen: () => () => {}, post: () => {} }
  return { nextRun: () => 1, quickWorker: silent, solidWorker: silent, slowWorker: silent }
})
/** Charts ask how large they are; here they have no size. */
noResizes()

export const kernel = await openKernel({ coarser: 12 })
await holdFonts(LETTER_FONTS.map((f) => f.id))
const read = readJob(demoText)
if (!read.ok) throw new Error('the demo job does not read')
export const demo: Job = read.job

export const openJob = (job: Job): void => {
  store.dispatch(
    jobOpened({ id: job.id, name: job.name, job, past: [], future: [], revision: 1, savedAt: 0 }),
  )
}
export const viewOf = (job: Job, piece: Piece, plan: PiecePlan | null): PlanView => ({
  job,
  piece,
  plan,
  fresh: true,
  looks: looksOf(true, plan?.guessed.mould ?? false, true),
  whole: true,
  solidFresh: true,
  scene: null,
  findings: plan?.findings ?? [],
  tried: true,
  failed: null,
  layingOut: null,
  measuring: null,
  examining: null,
  stopped: false,
  stopMeasuring: () => {},
  measure: () => {},
  looking: false,
  preview: () => {},
  previewing: false,
})

/** Shows a screen, once what it loads has come. */
export async function show(Screen: ComponentType, view: PlanView): Promise<HTMLElement> {
  openJob(view.job)
  const { container } = await act(async () =>
    render(
      <Provider store={store}>
        <MemoryRouter>
          <PlanShown value={view}>
            <Suspense fallback="loading">
              <Screen />
            </Suspense>
          </PlanShown>
        </MemoryRouter>
      </Provider>,
    ),
  )
  await vi.waitFor(() => expect(container.textContent).not.toContain('loading'), { timeout: 180_000 })
  return container
}
