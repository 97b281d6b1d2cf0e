import { lazy, Suspense } from 'react'
import { Link, useParams } from 'react-router'
import type { StationName } from '../../core/job/index.ts'
import { Silhouette } from '../stage/Silhouette.tsx'
import { openNew } from '../state/boot.ts'
import { downloadJob, newId } from '../state/files.ts'
import { jobOpened, redone, undone } from '../state/jobSlice.ts'
import { store, useAppDispatch, useAppSelector, useChange } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import { rememberTheme } from '../state/useTheme.ts'
import { themeTurned } from '../state/viewSlice.ts'
import { loadJob } from '../storage/jobStore.ts'

const PieceMenu = lazy(() => import('./PieceMenu.tsx').then((m) => ({ default: m.PieceMenu })))

/** How many pieces stand in the row beside the one shown. */
const IN_ROW = 6

export function TopRow({ station }: { station: StationName }) {
  const { jobId, pieceId } = useParams()
  const job = useAppSelector((s) => s.job.job)!
  const past = useAppSelector((s) => s.job.past.at(-1)?.label)
  const future = useAppSelector((s) => s.job.future.at(-1)?.label)
  const theme = useAppSelector((s) => s.view.theme)
  const dispatch = useAppDispatch()
  const change = useChange()
  const at = job.pieces.findIndex((p) => p.id === pieceId)
  const first = Math.max(0, Math.min(at - IN_ROW / 2, job.pieces.length - IN_ROW))
  const row = job.pieces.slice(first, first + IN_ROW)
  const other = job.settings.units === 'mm' ? 'inch' : 'mm'
  return (
    <header
      className="top-row col-span-3 flex items-stretch"
      style={{ background: 'var(--slate)', color: 'var(--slate-ink)' }}
    >
      <Link
        to="/jobs"
        className="flex w-[172px] flex-none flex-col justify-center px-4 hover:underline"
        aria-label={`Job ${job.name}, all jobs`}
      >
        <span className="label text-[19px] font-bold leading-tight">{job.name}</span>
        <span className="label text-[13px] leading-tight" style={{ color: 'var(--slate-soft)' }}>
          all jobs
        </span>
      </Link>
      <nav aria-label="Pieces" className="flex min-w-0 flex-1 items-stretch overflow-hidden">
        {row.map((p) => (
          <Link
            key={p.id}
            to={`/job/${jobId}/${p.id}/${station}`}
            aria-current={p.id === pieceId ? 'true' : undefined}
            className={`flex w-[104px] flex-none flex-col items-center justify-end pb-[3px] focus-visible:-outline-offset-2 ${p.id === pieceId ? '' : 'hover:underline'}`}
            style={p.id === pieceId ? { background: 'var(--sheet)', color: 'var(--ink)' } : undefined}
          >
            <Silhouette piece={p} />
            <span className="label max-w-full truncate px-1 text-[13px] leading-tight">
              {p.name}
              {p.quantity > 1 && ` × ${p.quantity}`}
            </span>
          </Link>
        ))}
        <AllPieces station={station} />
        <Link to={`/job/${jobId}/new`} className="label flex items-center px-3 text-[15px] hover:underline">
          + new piece
        </Link>
      </nav>
      <div className="label flex flex-none items-center gap-1 pr-3 text-[15px]">
        <button
          type="button"
          className="word"
          onClick={() => change(`units to ${other}`, { type: 'settingsChanged', patch: { units: other } })}
          aria-label={`Units: ${job.settings.units}. Change to ${other}`}
        >
          {job.settings.units}
        </button>
        <button
          type="button"
          className="word"
          disabled={!past}
          onClick={() => dispatch(undone())}
          title={past}
        >
          undo
        </button>
        <button
          type="button"
          className="word"
          disabled={!future}
          onClick={() => dispatch(redone())}
          title={future}
        >
          redo
        </button>
        <button
          type="button"
          className="word"
          onClick={() => {
            dispatch(themeTurned())
            rememberTheme()
          }}
        >
          {theme === 'day' ? 'night' : 'day'}
        </button>
        <Link className="word flex items-center" to={`/job/${jobId}/stock`}>
          stock
        </Link>
        <SaveWord />
      </div>
    </header>
  )
}

/** The button stands there at once; its list comes when the page has settled. */
function AllPieces({ station }: { station: StationName }) {
  const count = useAppSelector((s) => s.job.job?.pieces.length ?? 0)
  if (count <= IN_ROW) return null
  return (
    <Suspense
      fallback={
        <button type="button" className="word label px-3" disabled>
          all {count} pieces
        </button>
      }
    >
      <PieceMenu station={station} />
    </Suspense>
  )
}

/** Whether the work is safe, and what to do where it is not. */
function SaveWord() {
  const save = useAppSelector((s) => s.job.save)
  const job = useAppSelector((s) => s.job.job)!
  const dispatch = useAppDispatch()
  if (save.kind === 'saved' || save.kind === 'unsaved')
    return (
      <span className="w-[84px] px-1 text-right font-bold" role="status">
        {save.kind === 'saved'
          ? `saved${save.at ? ` ${new Date(save.at).toTimeString().slice(0, 5)}` : ''}`
          : 'saving …'}
      </span>
    )
  if (save.kind === 'failed')
    return (
      <span className="flex items-center gap-2 px-1" role="alert">
        <strong>not saved: {save.why}</strong>
        <button
          type="button"
          className="act border-current! text-inherit!"
          onClick={() => void downloadJob(job)}
        >
          Download the job
        </button>
      </span>
    )
  const reload = async () => {
    const row = await loadJob(database, job.id)
    if (row) dispatch(jobOpened(row))
  }
  const copy = async () => {
    const { job: mine } = store.getState().job
    if (mine) await openNew({ ...mine, id: newId('job'), name: `${mine.name} (copy)` })
    location.assign('/')
  }
  return (
    <span className="flex items-center gap-2 px-1" role="alert">
      <strong>another tab saved this job</strong>
      <button type="button" className="act border-current! text-inherit!" onClick={() => void reload()}>
        Reload it
      </button>
      <button type="button" className="act border-current! text-inherit!" onClick={() => void copy()}>
        Keep mine as a copy
      </button>
    </span>
  )
}
