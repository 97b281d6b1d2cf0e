import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react'
import {
  applyChange,
  type Change,
  type Finding,
  type Job,
  type Piece,
  STATIONS,
  type StationName,
} from '../../core/job/index.ts'
import type { PiecePlan } from '../../core/plan.ts'
import { nextRun, quickWorker, solidWorker } from '../worker/planner.ts'
import type { Reply, Scene } from '../worker/protocol.ts'
import { keepRelease } from './keepRelease.ts'
import { keepSteel } from './keepSteel.ts'
import { onceReleased } from './pressed.ts'
import { useAppSelector } from './store.ts'
import { useBetterSheets, withSheets } from './useBetterSheets.ts'
import { usePlanned } from './usePlanned.ts'

export type PlanView = {
  readonly job: Job
  /** The piece as shown: with what is being dragged. */
  readonly piece: Piece
  readonly plan: PiecePlan | null
  /** Whether the figures are those of the piece as shown. */
  readonly fresh: boolean
  /** How figures and texts of each station look: `stale` while they are worked out again, `guess` while they are guessed from sizes. */
  readonly looks: Readonly<Record<StationName, Look>>
  /** Whether they are all measured: nothing of them is guessed or still to come. */
  readonly whole: boolean
  /** Whether the solid is that of the piece as shown. */
  readonly solidFresh: boolean
  readonly scene: Scene | null
  readonly findings: readonly Finding[]
  /** Whether the remedies of the findings were proven; until then they are only what would be tried. */
  readonly tried: boolean
  readonly failed: string | null
  /** A long cut list that is being laid out. */
  readonly layingOut: { readonly parts: number; readonly share: number } | null
  /** How far the look for its thickness is; null while none goes on. */
  readonly measuring: number | null
  /** How far the look for its way out of the mould is; null while none goes on. */
  readonly examining: number | null
  /** Whether the measuring of this piece was stopped by hand; it is begun again by `measure`. */
  readonly stopped: boolean
  readonly stopMeasuring: () => void
  readonly measure: () => void
  /** Whether fewer sheets or bars are still looked for. */
  readonly looking: boolean
  readonly preview: (changes: readonly Change[] | null) => void
  readonly previewing: boolean
}

export type Look = '' | 'stale' | 'guess'

/** Stations whose figures come from the mould's solids, and are guessed with them. */
const FROM_MOULD: ReadonlySet<StationName> = new Set(['mould', 'release', 'pour', 'finish', 'sheets'])

/** Stations whose hours wait for the strength at which a piece may be turned, which only its solid tells. */
const FROM_TURN: ReadonlySet<StationName> = new Set(['release', 'pour', 'finish', 'sheets'])

/** The look of each station's figures; `waits` where the piece was last turned over only from more than the usual strength. */
export const looksOf = (fresh: boolean, guessed: boolean, solid: boolean, waits = false): PlanView['looks'] =>
  Object.fromEntries(
    STATIONS.map((s): [StationName, Look] => [
      s,
      // How thick it is and how it bends is told by the solid alone.
      fresh && (solid || !(s === 'steel' || (waits && FROM_TURN.has(s))))
        ? guessed && FROM_MOULD.has(s)
          ? 'guess'
          : ''
        : 'stale',
    ]),
  ) as PlanView['looks']

/** Strength at which a piece is usually turned, MPa. */
const USUAL_TURN = 10
const turnsLate = (last: PiecePlan | null, pieceId: string): boolean =>
  last?.id === pieceId && (last.stations.steel?.figures.turnMpa ?? 0) > USUAL_TURN

const Context = createContext<PlanView | null>(null)

/** A plan shown as it is given, with no worker behind it. */
export const PlanShown = Context.Provider

/** The plan of the piece shown. */
export function usePlan(): PlanView {
  const view = useContext(Context)
  if (!view) throw new Error('usePlan needs a piece')
  return view
}

/** How long the piece rests before its remedies are proven, ms. */
const REST = 150
/** How long solids and proofs wait on a page just opened, ms. */
const FIRST_SOLID = 350
const FIRST_PROOF = 1200

/** What is being dragged: its changes, the job they were made to, and what that becomes by them. */
type Dragged = { readonly changes: readonly Change[]; readonly from: Job; readonly job: Job }
type Wanted = {
  readonly job: Job
  readonly pieceId: string
  readonly edit: number
  readonly preview: boolean
}
type Asked = Wanted & { readonly request: ReturnType<typeof askFigures> }

const isSame = (a: Wanted, b: Wanted): boolean =>
  a.job === b.job && a.pieceId === b.pieceId && a.edit === b.edit && a.preview === b.preview

/** Sends for the figures of a piece, under a number of its own. */
function askFigures({ job, pieceId, edit, preview }: Wanted) {
  const request = { kind: 'plan', runId: nextRun(), jobRevision: edit, job, pieceId, preview } as const
  quickWorker.post({ ...request, want: 'figures' })
  return request
}

/** Asks the workers for the plan of a piece, keeps the last answer, drops late ones and says whether it is stale. */
export function PlanProvider({ job, pieceId, children }: { job: Job; pieceId: string; children: ReactNode }) {
  const edit = useAppSelector((s) => s.job.edit)
  const [dragged, setDragged] = useState<Dragged | null>(null)
  const [plan, setPlan] = useState<{ plan: PiecePlan; runId: number; stage: 'figures' | 'solid' } | null>(
    null,
  )
  const [scene, setScene] = useState<{ scene: Scene; runId: number } | null>(null)
  const [proven, setProven] = useState<{ findings: readonly Finding[]; runId: number } | null>(null)
  const [failed, setFailed] = useState<string | null>(null)
  const [asked, setAsked] = useState(0)
  const [layingOut, setLayingOut] = useState<PlanView['layingOut']>(null)
  const [measuring, setMeasuring] = useState<number | null>(null)
  const [examining, setExamining] = useState<number | null>(null)
  const [stopped, setStopped] = useState(0)
  const [again, setAgain] = useState(0)
  const latest = useRef(0)
  const figured = useRef(false)
  const begun = useRef<Asked | null>(null)
  const dragging = useRef(false)
  const shown = useMemo(
    () => (!dragged ? job : dragged.from === job ? dragged.job : dragged.changes.reduce(applyChange, job)),
    [dragged, job],
  )
  const asks = usePlanned(shown, edit)

  useEffect(() => {
    const show = (reply: Reply) => {
      if (reply.runId !== latest.current) return
      if (reply.kind === 'plan') {
        figured.current = true
        const { runId, stage } = reply
        if (stage === 'solid') setLayingOut(null)
        if (stage === 'solid') setMeasuring(null)
        if (stage === 'solid') setExamining(null)
        setPlan((old) =>
          old?.runId === runId && old.stage === 'solid' ? old : { plan: reply.plan, runId, stage },
        )
        setFailed(reply.plan.failed.map((f) => `${f.station}: ${f.message}`).join('; ') || null)
      }
      if (reply.kind === 'scene' && reply.scene) setScene({ scene: reply.scene, runId: reply.runId })
      if (reply.kind === 'remedies') setProven({ findings: reply.plan.findings, runId: reply.runId })
      if (reply.kind === 'layout') setLayingOut(reply)
      if (reply.kind === 'thickness') setMeasuring(reply.share)
      if (reply.kind === 'way-out') setExamining(reply.share)
      if (reply.kind === 'failed') setFailed(reply.message)
    }
    // What is being dragged follows the hand; all else waits until nothing is pressed, or it would move under the hand.
    const take = (reply: Reply) => (dragging.current ? show(reply) : onceReleased(() => show(reply)))
    const stops = [quickWorker, solidWorker].map((worker) => worker.listen(take))
    return () => {
      for (const stop of stops) stop()
    }
  }, [])

  // biome-ignore lint/correctness/useExhaustiveDependencies: what was stopped is asked for again
  useEffect(() => {
    const own = { job: asks.job, pieceId, edit: asks.edit, preview: dragged !== null }
    const request = begun.current && isSame(begun.current, own) ? begun.current.request : askFigures(own)
    begun.current = null
    const { runId } = request
    latest.current = runId
    setAsked(runId)
    setMeasuring(null)
    setExamining(null)
    // On a page just opened the figures have the machine to themselves.
    const begin = setTimeout(
      () => solidWorker.post({ ...request, want: 'solid' }),
      figured.current ? 0 : FIRST_SOLID,
    )
    const prove = dragged
      ? undefined
      : setTimeout(
          () => solidWorker.post({ kind: 'remedies', runId, job: asks.job, pieceId }),
          figured.current ? REST : FIRST_PROOF,
        )
    return () => {
      clearTimeout(begin)
      clearTimeout(prove)
    }
  }, [asks.job, asks.edit, pieceId, dragged, again])

  const stopMeasuring = useCallback(() => {
    solidWorker.stop()
    setStopped(latest.current)
    setMeasuring(null)
    setExamining(null)
  }, [])
  const measure = useCallback(() => setAgain((n) => n + 1), [])

  const preview = useCallback(
    (changes: readonly Change[] | null) => {
      const dragged = changes && { changes, from: job, job: changes.reduce(applyChange, job) }
      if (dragged) {
        // Asked for before the page is drawn as it is dragged: both are at work at once.
        const own = { job: dragged.job, pieceId, edit, preview: true }
        begun.current = { ...own, request: askFigures(own) }
        // Its answer may come before the page is drawn.
        latest.current = begun.current.request.runId
      }
      dragging.current = dragged !== null
      setDragged(dragged)
    },
    [job, pieceId, edit],
  )
  const piece = shown.pieces.find((p) => p.id === pieceId)
  const planned = plan?.plan.id === pieceId ? plan : null
  const settled = planned?.runId === asked && planned.stage === 'solid' && !dragged ? planned.plan : null
  const { better, looking } = useBetterSheets(
    settled,
    asks.job,
    asks.job.pieces.find((p) => p.id === pieceId),
  )
  const lastSolid = useRef<PiecePlan | null>(null)
  const current = useMemo(() => {
    if (!planned) return null
    if (planned.stage === 'solid') lastSolid.current = planned.plan
    const known =
      planned.stage === 'solid'
        ? planned.plan
        : keepRelease(keepSteel(planned.plan, lastSolid.current), lastSolid.current)
    return { ...planned, plan: better && settled ? withSheets(settled, better) : known }
  }, [planned, settled, better])
  const view = useMemo((): PlanView | null => {
    if (!piece) return null
    const fresh = current?.runId === asked
    const tried = proven !== null && proven.runId === asked
    return {
      job: shown,
      piece,
      plan: current?.plan ?? null,
      fresh,
      looks: looksOf(
        fresh,
        current?.plan.guessed.mould ?? false,
        current?.stage === 'solid',
        turnsLate(lastSolid.current, pieceId),
      ),
      whole: fresh && current?.stage === 'solid',
      solidFresh: fresh && scene?.runId === asked,
      scene: scene?.scene ?? null,
      findings: tried ? proven.findings : (current?.plan.findings ?? []),
      tried,
      failed,
      layingOut,
      measuring,
      examining,
      stopped: stopped === asked && asked > 0,
      stopMeasuring,
      measure,
      looking,
      preview,
      previewing: dragged !== null,
    }
  }, [
    piece,
    shown,
    current,
    asked,
    scene,
    proven,
    failed,
    layingOut,
    measuring,
    examining,
    stopped,
    stopMeasuring,
    measure,
    looking,
    preview,
    dragged,
    pieceId,
  ])
  return view && <Context.Provider value={view}>{children}</Context.Provider>
}
