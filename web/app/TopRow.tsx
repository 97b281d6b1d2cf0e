import { lazy, Suspense } from 'react'
import { Link, useParams } from 'react-router'
import type { StationName } from '../../core/job/index.ts'
import { shopUnits } from '../../core/units/index.ts'
import { Silhouette } from '../stage/Silhouette.tsx'
import { useSize } from '../stage/useSize.ts'
import { openNew } from '../state/boot.ts'
import { downloadJob, newId } from '../state/files.ts'
import { jobOpened } from '../state/jobSlice.ts'
import { store, useAppDispatch, useAppSelector, useChange } from '../state/store.ts'
import { database } from '../state/useAutosave.ts'
import { rememberTheme } from '../state/useTheme.ts'
import { useUndo } from '../state/useUndo.ts'
import { themeTurned } from '../state/viewSlice.ts'
import { loadJob } from '../storage/jobStore.ts'
import { Hint } from '../ui/Hint.tsx'

const PieceMenu = lazy(() => import('./PieceMenu.tsx').then((m) => ({ default: m.PieceMenu })))

/** How many pieces stand in the row with the one shown: as many as it has room for. */
const [FEWEST, MOST] = [1, 9]
const PIECE_WIDE = 104

/** The units of a shop by what they are called. */
const SETS = { mm: 'metric', inch: 'US' } as const

export function TopRow({ station }: { station: StationName }) {
  const { jobId, pieceId } = useParams()
  const job = useAppSelector((s) => s.job.job)!
  const past = useAppSelector((s) => s.job.past.at(-1)?.label)
  const future = useAppSelector((s) => s.job.future.at(-1)?.label)
  const theme = useAppSelector((s) => s.view.theme)
  const dispatch = useAppDispatch()
  const change = useChange()
  const { undo, redo } = useUndo()
  const { attach, size } = useSize<HTMLDivElement>()
  const inRow = Math.max(FEWEST, Math.min(MOST, Math.floor(size.width / PIECE_WIDE)))
  const at = job.pieces.findIndex((p) => p.id === pieceId)
  const first = Math.max(0, Math.min(at - Math.floor(inRow / 2), job.pieces.length - inRow))
  const row = job.pieces.slice(first, first + inRow)
  const other = job.settings.units === 'mm' ? 'inch' : 'mm'
  return (
    <header
      className="top-row flex items-stretch"
      style={{ background: 'var(--slate)', color: 'var(--slate-ink)' }}
    >
      <Link
        to="/jobs"
        className="job-name flex flex-none flex-col justify-center px-4 hover:underline"
        aria-label={`Job ${job.name}, all jobs`}
      >
        <span className="label line-clamp-2 text-[19px] font-bold leading-none">{job.name}</span>
        <span className="label text-[13px] leading-tight" style={{ color: 'var(--slate-soft)' }}>
          all jobs
        </span>
      </Link>
      <nav aria-label="Pieces" className="flex min-w-0 flex-1 items-stretch">
        <div ref={attach} className="flex min-w-0 flex-1 items-stretch overflow-hidden">
          {row.map((p) => (
            <Link
              key={p.id}
              to={`/job/${jobId}/${p.id}/${station}`}
              aria-current={p.id === pieceId ? 'true' : undefined}
              className={`flex w-[104px] flex-none flex-col items-center justify-end pb-[3px] focus-visible:-outline-offset-2 ${p.id === pieceId ? '' : 'hover:underline'}`}
              style={p.id === pieceId ? { background: 'var(--sheet)', color: 'var(--ink)' } : undefined}
            >
              <Silhouette piece={p} />
              <span
                title={p.name}
                className={`label line-clamp-2 max-w-full px-1 text-center text-[13px] ${p.name.length > 15 ? 'leading-[0.85]' : 'leading-tight'}`}
              >
                {p.quantity > 1 ? `${p.name} × ${p.quantity}` : p.name}
              </span>
            </Link>
          ))}
        </div>
        <AllPieces station={station} inRow={inRow} />
        <Link
          to={`/job/${jobId}/new`}
          className="label flex flex-none items-center whitespace-nowrap px-3 text-[15px] hover:underline"
        >
          + new piece
        </Link>
      </nav>
      <div className="label flex flex-none items-center gap-1 pr-3 text-[15px]">
        <button
          type="button"
          className="word"
          onClick={() =>
            change(`units to ${SETS[other]}`, { type: 'settingsChanged', patch: shopUnits(other) })
          }
          aria-label={`Units: ${SETS[job.settings.units]}. Change to ${SETS[other]}`}
        >
          {job.settings.units === 'mm' ? 'mm, kg' : 'in, lb'}
        </button>
        <Hint text={past}>
          <button type="button" className="word" disabled={!past} onClick={undo}>
            undo
          </button>
        </Hint>
        <Hint text={future}>
          <button type="button" className="word" disabled={!future} onClick={redo}>
            redo
          </button>
        </Hint>
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
function AllPieces({ station, inRow }: { station: StationName; inRow: number }) {
  const count = useAppSelector((s) => s.job.job?.pieces.length ?? 0)
  if (count <= inRow) return null
  return (
    <Suspense
      fallback={
        <button type="button" className="word label flex-none whitespace-nowrap px-3" disabled>
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
