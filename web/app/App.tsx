import { lazy, Suspense, useEffect, useState } from 'react'
import { Navigate, Route, Routes, useNavigate, useParams } from 'react-router'
import { addressOf, firstAddress, keepDemoMeshes } from '../state/boot.ts'
import { jobOpened } from '../state/jobSlice.ts'
import { watchPresses } from '../state/pressed.ts'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { database, useAutosave } from '../state/useAutosave.ts'
import { useTheme } from '../state/useTheme.ts'
import { loadJob } from '../storage/jobStore.ts'
import { keepFocus } from './focus.ts'
import { Shell } from './Shell.tsx'
import { useUndoKeys } from './useUndoKeys.ts'

const Jobs = lazy(() => import('../shelf/Jobs.tsx').then((m) => ({ default: m.Jobs })))
const Stock = lazy(() => import('../shelf/StockPage.tsx').then((m) => ({ default: m.StockPage })))
const RunPage = lazy(() => import('../run/RunPage.tsx').then((m) => ({ default: m.RunPage })))
const Pieces = lazy(() => import('../shelf/PiecesPage.tsx').then((m) => ({ default: m.PiecesPage })))
const Cutting = lazy(() => import('../shelf/CuttingPage.tsx').then((m) => ({ default: m.CuttingPage })))
const Shopping = lazy(() => import('../shelf/ShoppingPage.tsx').then((m) => ({ default: m.ShoppingPage })))
const PourDayPage = lazy(() => import('../pourDay/PourDayPage.tsx').then((m) => ({ default: m.PourDayPage })))
const NewPiece = lazy(() => import('../shelf/NewPiece.tsx').then((m) => ({ default: m.NewPiece })))

export function App() {
  useTheme()
  useAutosave()
  useEffect(() => keepFocus(document), [])
  useEffect(() => watchPresses(window), [])
  return (
    <Suspense fallback={<Waiting />}>
      <Routes>
        <Route path="/" element={<Start />} />
        <Route path="/jobs" element={<Jobs />} />
        <Route path="/job/:jobId" element={<OpenJob />} />
        <Route path="/job/:jobId/stock" element={<WithJob page={<Stock />} />} />
        <Route path="/job/:jobId/cutting" element={<WithJob page={<Cutting />} />} />
        <Route path="/job/:jobId/shopping" element={<WithJob page={<Shopping />} />} />
        <Route path="/job/:jobId/pieces" element={<WithJob page={<Pieces />} />} />
        <Route path="/job/:jobId/run/:runId" element={<WithJob page={<RunPage />} />} />
        <Route path="/job/:jobId/new" element={<WithJob page={<NewPiece />} />} />
        <Route path="/job/:jobId/:pieceId/pour-day" element={<WithJob page={<PourDayPage />} />} />
        <Route path="/job/:jobId/:pieceId/:station" element={<WithJob page={<Shell />} />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </Suspense>
  )
}

const Waiting = () => <p className="p-8 text-soft">Opening the job ...</p>

function Start() {
  const navigate = useNavigate()
  useEffect(() => {
    let gone = false
    void firstAddress().then((address) => {
      if (!gone) navigate(address, { replace: true })
    })
    return () => {
      gone = true
    }
  }, [navigate])
  return <Waiting />
}

function OpenJob() {
  const job = useAppSelector((s) => s.job.job)
  const { jobId } = useParams()
  return <WithJob page={job && job.id === jobId ? <Navigate to={addressOf(job)} replace /> : <Waiting />} />
}

/** Loads the job the address names before its page is shown. */
function WithJob({ page }: { page: React.ReactNode }) {
  useUndoKeys()
  const { jobId } = useParams()
  const open = useAppSelector((s) => s.job.job?.id)
  const dispatch = useAppDispatch()
  const [missing, setMissing] = useState<string | null>(null)
  useEffect(() => {
    if (!jobId || open === jobId) return
    let gone = false
    loadJob(database, jobId)
      .then(async (row) => {
        // A first visit that was left at once may not have kept it.
        if (row) await keepDemoMeshes(row.job)
        if (gone) return
        if (row) dispatch(jobOpened(row))
        else setMissing(jobId)
      })
      .catch(() => {
        if (!gone) setMissing(jobId)
      })
    return () => {
      gone = true
    }
  }, [jobId, open, dispatch])
  if (open === jobId) return page
  return missing === jobId ? <Navigate to="/jobs" replace /> : <Waiting />
}
