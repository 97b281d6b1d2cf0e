import { Suspense, useEffect } from 'react'
import { Navigate, useParams } from 'react-router'
import { STATIONS, type StationName } from '../../core/job/index.ts'
import { Stage } from '../stage/Stage.tsx'
import { benches } from '../stations/benches.ts'
import { Findings } from './Findings.tsx'
import { Keys } from './Keys.tsx'
import { PlanProvider } from './PlanContext.tsx'
import { Rail } from './Rail.tsx'
import { useAppDispatch, useAppSelector } from './store.ts'
import { Told } from './Told.tsx'
import { TopRow } from './TopRow.tsx'
import { pieceShown } from './viewSlice.ts'

/** The frame: top row, the line on the left, the stage with its findings, the bench on the right. */
export function Shell() {
  const { jobId, pieceId, station } = useParams()
  const job = useAppSelector((s) => s.job.job)
  const dispatch = useAppDispatch()
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new piece starts with nothing selected
  useEffect(() => {
    dispatch(pieceShown())
  }, [pieceId, dispatch])
  if (!job || !pieceId) return null
  if (!job.pieces.some((p) => p.id === pieceId)) return <Navigate to={`/job/${jobId}`} replace />
  if (!STATIONS.includes(station as StationName))
    return <Navigate to={`/job/${jobId}/${pieceId}/piece`} replace />
  const name = station as StationName
  const Bench = benches[name]
  return (
    <PlanProvider key={job.id} job={job} pieceId={pieceId}>
      <div className="frame">
        <TopRow station={name} />
        <Rail station={name} />
        <main
          className="grid min-w-0 grid-cols-[minmax(0,1fr)] overflow-hidden grid-rows-[minmax(0,1fr)_auto] bg-sheet"
          aria-label="Stage"
        >
          <Stage station={name} />
          <Findings />
        </main>
        <aside className="bench" aria-label="Bench">
          <Suspense fallback={<h1 className="capitalize">{name}</h1>}>
            <Bench />
          </Suspense>
        </aside>
      </div>
      <Told />
      <Keys station={name} />
    </PlanProvider>
  )
}
