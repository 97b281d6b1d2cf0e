import { lazy, Suspense, useEffect } from 'react'
import { Navigate, useParams } from 'react-router'
import { STATIONS, type StationName } from '../../core/job/index.ts'
import { PlanProvider, usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { pieceShown, placeTaken } from '../state/viewSlice.ts'
import { FaultBoundary } from '../ui/FaultBoundary.tsx'
import { Findings } from './Findings.tsx'
import { Keys } from './Keys.tsx'
import { Rail } from './Rail.tsx'
import { SkipLinks } from './SkipLinks.tsx'
import { Stage } from './Stage.tsx'
import { SCREENS } from './stations.ts'
import { TopRow } from './TopRow.tsx'

const PanelsBench = lazy(() =>
  import('../stations/PanelsBench.tsx').then((m) => ({ default: m.PanelsBench })),
)

/** A station's own bench; of a box that is glued up, its panels stand in place of all but the first. */
function StationBench({ name }: { name: StationName }) {
  const { plan } = usePlan()
  const { bench: Bench } = SCREENS[name]
  return plan?.panels && name !== 'piece' ? <PanelsBench /> : <Bench />
}

/** The frame: top row, the line on the left, the stage with its findings, the bench on the right. */
export function Shell() {
  const { jobId, pieceId, station } = useParams()
  const job = useAppSelector((s) => s.job.job)
  const dispatch = useAppDispatch()
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new piece starts with nothing selected
  useEffect(() => {
    dispatch(pieceShown())
  }, [pieceId, dispatch])
  useEffect(() => {
    if (pieceId && station) dispatch(placeTaken({ pieceId, station }))
  }, [pieceId, station, dispatch])
  if (!job || !pieceId) return null
  if (!job.pieces.some((p) => p.id === pieceId)) return <Navigate to={`/job/${jobId}`} replace />
  if (!STATIONS.includes(station as StationName))
    return <Navigate to={`/job/${jobId}/${pieceId}/piece`} replace />
  const name = station as StationName
  const here = `${pieceId}/${name}`
  return (
    <PlanProvider key={job.id} job={job} pieceId={pieceId}>
      <SkipLinks />
      <div className="frame">
        <TopRow station={name} />
        <Rail station={name} />
        <main
          className="stage grid min-w-0 grid-cols-[minmax(0,1fr)] overflow-hidden grid-rows-[minmax(0,1fr)_auto] bg-sheet"
          aria-label="Stage"
          id="stage"
          tabIndex={-1}
        >
          <FaultBoundary what="The stage" of={here}>
            <Stage station={name} />
          </FaultBoundary>
          <FaultBoundary what="The findings" of={here}>
            <Findings />
          </FaultBoundary>
        </main>
        <aside className="bench" aria-label="Bench" id="bench" tabIndex={-1}>
          <FaultBoundary what={`The ${name} bench`} of={here}>
            <Suspense fallback={<h1 className="capitalize">{name}</h1>}>
              <StationBench name={name} />
            </Suspense>
          </FaultBoundary>
        </aside>
      </div>
      <Keys station={name} />
    </PlanProvider>
  )
}
