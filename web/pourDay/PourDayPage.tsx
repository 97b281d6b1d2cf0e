import { useEffect } from 'react'
import { Link, Navigate, useParams } from 'react-router'
import { PlanProvider, usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { placeTaken } from '../state/viewSlice.ts'
import { FaultBoundary } from '../ui/FaultBoundary.tsx'
import { PourDay } from './PourDay.tsx'
import { useAwake } from './useAwake.ts'

/** The pour itself, at an address of its own: one thing to do at a time, for a wet hand and from two metres. */
export function PourDayPage() {
  const { jobId, pieceId } = useParams()
  const job = useAppSelector((s) => s.job.job)
  const dispatch = useAppDispatch()
  useAwake()
  useEffect(() => {
    if (pieceId) dispatch(placeTaken({ pieceId, station: 'pour' }))
  }, [pieceId, dispatch])
  if (!job || !pieceId) return null
  if (!job.pieces.some((p) => p.id === pieceId)) return <Navigate to={`/job/${jobId}`} replace />
  return (
    <PlanProvider key={job.id} job={job} pieceId={pieceId}>
      <FaultBoundary what="The pour day" of={pieceId}>
        <Frame back={`/job/${job.id}/${pieceId}/pour`} />
      </FaultBoundary>
    </PlanProvider>
  )
}

function Frame({ back }: { back: string }) {
  const { piece, plan, whole, findings } = usePlan()
  const stops = findings.filter((f) => f.level === 'stop').length
  const ready = plan?.stations.pour && plan.stations.mix
  return (
    <main className="flex h-dvh flex-col bg-sheet" aria-label="Pour day">
      <header className="flex min-h-12 flex-none items-center gap-3 border-b border-ink px-4">
        <h1 className="min-w-0 flex-1 truncate text-[22px]">{piece.name}</h1>
        <Link to={back} className="word label min-h-12 px-2">
          leave
        </Link>
      </header>
      {ready ? (
        <PourDay />
      ) : (
        <p className="label p-6 text-[24px]" role="status">
          {!plan || !whole
            ? 'Worked out ...'
            : stops > 0
              ? `${stops} ${stops === 1 ? 'finding stops' : 'findings stop'} it. Nothing is poured before that is put right.`
              : 'This piece is not poured by itself.'}
        </p>
      )}
    </main>
  )
}
