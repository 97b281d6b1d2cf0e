import { Link, useParams } from 'react-router'
import { type Finding, STATIONS, type StationName } from '../../core/job/index.ts'
import type { PiecePlan } from '../../core/plan.ts'
import { type Look, usePlan } from '../state/PlanContext.tsx'
import { useAppSelector } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { type Headline, headline } from './headlines.ts'

export type StationState = 'settled' | 'look' | 'stops' | 'open'

/** What a station's findings come to: a stop stops the pour, a warning wants a look, notes settle; what is not worked out is open. */
export function stationState(
  station: StationName,
  findings: readonly Finding[],
  plan: PiecePlan | null,
): StationState {
  const own = findings.filter((f) => f.station === station)
  if (own.some((f) => f.level === 'stop')) return 'stops'
  if (plan?.failed.some((f) => f.station === station)) return 'stops'
  // What never comes off is told where it is built, and is no better here.
  if (station === 'release' && (plan?.stations.release?.figures.partsTrapped ?? 0) > 0) return 'stops'
  if (own.some((f) => f.level === 'warn')) return 'look'
  // What is planned without a part of the piece is not settled.
  if (plan?.leftOut.length && plan.stations[station]) return 'look'
  return plan?.stations[station] ? 'settled' : 'open'
}

export const STATE_WORD: Readonly<Record<StationState, string>> = {
  settled: 'settled',
  look: 'look',
  stops: 'stops the pour',
  open: 'not worked out',
}

/** The line: nine stations on one thread, which is broken at the first that stops the pour. */
export function Rail({ station }: { station: StationName }) {
  const { plan, fresh, findings, looks } = usePlan()
  const style = useMeasureStyle()
  const printed = useAppSelector((s) => s.view.printed)
  const states = STATIONS.map((name) => stationState(name, findings, plan))
  const broken = states.indexOf('stops')
  // What is said is what is shown.
  const spoken = plan?.stations.piece ? headline('piece', plan, style, printed) : null
  return (
    <nav
      aria-label="The line"
      className="rail relative flex min-h-0 flex-col overflow-y-auto border-r border-ink bg-paper"
    >
      <ol className="flex min-h-[600px] flex-1 flex-col">
        {STATIONS.map((name, i) => (
          <Stop
            key={name}
            name={name}
            current={name === station}
            state={states[i]!}
            lead={plan ? headline(name, plan, style, printed) : null}
            without={name === 'piece' ? [] : (plan?.leftOut ?? [])}
            look={looks[name]}
            threadAbove={i > 0 && (broken < 0 || i <= broken)}
            threadBelow={i < STATIONS.length - 1 && (broken < 0 || i < broken)}
          />
        ))}
      </ol>
      <div className="sr-only" role="status">
        {spoken && fresh ? `${spoken.figure} ${SPOKEN[spoken.unit] ?? spoken.unit}, ${spoken.line}` : ''}
      </div>
    </nav>
  )
}

/** Units as they are read out. */
const SPOKEN: Readonly<Record<string, string>> = {
  L: 'litres',
  'ft³': 'cubic feet',
  qt: 'quarts',
  'fl oz': 'fluid ounces',
}

type StopProps = {
  readonly name: StationName
  readonly current: boolean
  readonly state: StationState
  readonly lead: Headline | null
  /** What of the piece it is planned without. */
  readonly without: readonly { readonly name: string }[]
  readonly look: Look
  readonly threadAbove: boolean
  readonly threadBelow: boolean
}

function Stop({ name, current, state, lead, without, look, threadAbove, threadBelow }: StopProps) {
  const { jobId, pieceId } = useParams()
  const title = name.charAt(0).toUpperCase() + name.slice(1)
  return (
    <li className={`relative flex-1 ${current ? 'bg-sheet' : ''}`}>
      {threadAbove && <span aria-hidden className="thread absolute left-[24px] top-0 h-[16px] w-px bg-ink" />}
      {threadBelow && (
        <span aria-hidden className="thread absolute bottom-0 left-[24px] top-[16px] w-px bg-ink" />
      )}
      {current && <span aria-hidden className="absolute inset-y-0 right-0 w-[4px] bg-ink" />}
      <Link
        to={`/job/${jobId}/${pieceId}/${name}`}
        aria-current={current ? 'page' : undefined}
        className="block h-full py-[7px] pl-[44px] pr-2 hover:bg-sheet focus-visible:-outline-offset-2"
      >
        <StateMark state={state} />
        <span className="label block text-[15px] font-semibold leading-[1.15]">{title}</span>
        <span className={`label block leading-none ${look}`}>
          {look === 'guess' && <span className="unit mr-1">about</span>}
          <span className={`font-bold ${current ? 'text-[28px]' : 'text-[22px]'}`}>
            {lead?.figure ?? '…'}
          </span>
          <span className="unit">{lead?.unit}</span>
        </span>
        {(current || state === 'look' || state === 'stops') && (
          <span className="label block text-[13px] leading-tight text-soft">
            {state === 'look' && without.length > 0
              ? `without ${without.map((w) => w.name).join(', ')}`
              : lead?.line}
          </span>
        )}
        <span className="sr-only">, {STATE_WORD[state]}</span>
      </Link>
    </li>
  )
}

/** Settled is a filled square, look an open diamond, a stop a bar across the thread. */
export function StateMark({ state }: { state: StationState }) {
  const shape =
    state === 'settled' ? (
      <rect x="6" y="6" width="12" height="12" fill="var(--settled)" />
    ) : state === 'look' ? (
      <path d="M12 4.5 19.5 12 12 19.5 4.5 12z" fill="var(--paper)" stroke="var(--oxide)" strokeWidth="2.2" />
    ) : state === 'stops' ? (
      <rect x="1" y="8.5" width="22" height="7" fill="var(--oxide)" />
    ) : (
      <rect x="7" y="7" width="10" height="10" fill="var(--paper)" stroke="var(--soft)" strokeWidth="1.6" />
    )
  return (
    <svg aria-hidden className="absolute left-[12px] top-[4px]" width="24" height="24" viewBox="0 0 24 24">
      {shape}
    </svg>
  )
}
