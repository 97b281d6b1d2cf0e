import { useEffect, useRef, useState } from 'react'
import { Link, useParams } from 'react-router'
import type { Finding } from '../../core/job/index.ts'
import { wordsStyle } from '../../core/units/index.ts'
import { explain, remedyText } from '../../core/words.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useChange } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { pointedAt } from '../state/viewSlice.ts'
import { Told } from '../ui/Told.tsx'

const SHOWN = 3
const COUNT_WORDS: Readonly<Record<Finding['level'], (count: number) => string>> = {
  stop: (n) => `${n} ${n === 1 ? 'stops' : 'stop'} the pour`,
  warn: (n) => `${n} to look at`,
  note: (n) => `${n} ${n === 1 ? 'note' : 'notes'}`,
}
const LEVEL_WORD = { stop: 'stops the pour', warn: 'look', note: 'note' } as const

/** Findings, worst first: a line each with its figure and, where one exists, the button that cures it. */
export function Findings() {
  const { findings, failed, fresh, plan, tried } = usePlan()
  const [all, setAll] = useState(false)
  const [open, setOpen] = useState<string | null>(null)
  const shown = all ? findings : findings.slice(0, SHOWN)
  const counts = (['stop', 'warn', 'note'] as const)
    .map((level) => ({ level, count: findings.filter((f) => f.level === level).length }))
    .filter(({ count }) => count > 0)
  const key = (f: Finding, i: number) => `${f.station}/${f.code}/${f.about.map((a) => a.id).join('+')}/${i}`
  return (
    <section
      aria-label="Findings"
      id="findings"
      tabIndex={-1}
      className={`findings ${all ? 'findings-all' : ''}`}
    >
      <div className="flex min-h-8 items-center gap-3 px-4">
        <span className={`label flex-none text-[15px] text-soft ${fresh ? '' : 'stale'}`}>
          {plan && findings.length === 0 && !failed
            ? 'Nothing stops the pour. No findings.'
            : counts.map(({ level, count }) => COUNT_WORDS[level](count)).join(', ')}
        </span>
        {findings.length > SHOWN && (
          <button
            type="button"
            className="word label flex-none"
            onClick={() => setAll(!all)}
            aria-expanded={all}
          >
            {all ? 'fewer' : `${findings.length - SHOWN} more`}
          </button>
        )}
        <Told />
      </div>
      <div className={`min-h-0 overflow-y-auto ${fresh ? '' : 'stale'}`}>
        {failed && (
          <p role="alert" className="px-4 py-2 text-oxide">
            Not worked out by a fault of ours: {failed}. The rest stands. Undo the last change, or report it.
          </p>
        )}
        <ul>
          {shown.map((f, i) => (
            <Line
              key={key(f, i)}
              finding={f}
              tried={tried}
              open={open === key(f, i)}
              onOpen={() => setOpen(open === key(f, i) ? null : key(f, i))}
            />
          ))}
        </ul>
      </div>
      <NewFindings />
    </section>
  )
}

/** Tells a reader of findings that were not there before; those of a piece just opened are no news. */
function NewFindings() {
  const { findings, tried, piece, plan } = usePlan()
  const style = useMeasureStyle()
  const known = useRef<{ piece: string; keys: ReadonlySet<string> } | null>(null)
  const [said, setSaid] = useState<{ words: string; of: readonly string[] }>({ words: '', of: [] })
  useEffect(() => {
    // What comes while a piece is still being worked out is no news.
    if (!tried || !plan) return
    const keyOf = (f: Finding) => `${f.code}/${f.about.map((a) => a.id).join('+')}`
    const before = known.current
    known.current = { piece: piece.id, keys: new Set(findings.map(keyOf)) }
    const { keys } = known.current
    // What is not so any more is not said any more.
    setSaid((last) => (last.of.every((k) => keys.has(k)) ? last : { words: '', of: [] }))
    if (before?.piece !== piece.id) return
    const fresher = findings.filter((f) => !before.keys.has(keyOf(f)))
    if (fresher.length === 0) return
    const words = fresher
      .slice(0, 2)
      .map((f) => `${LEVEL_WORD[f.level]}: ${explain(f, wordsStyle(style)).what}`)
    const more = fresher.length > 2 ? `, and ${fresher.length - 2} more` : ''
    setSaid({ words: `${words.join('; ')}${more}`, of: fresher.map(keyOf) })
  }, [findings, tried, piece, plan, style])
  return (
    <p className="sr-only" role="log">
      {said.words}
    </p>
  )
}

function Line({
  finding,
  tried,
  open,
  onOpen,
}: {
  finding: Finding
  tried: boolean
  open: boolean
  onOpen: () => void
}) {
  const style = useMeasureStyle()
  const change = useChange()
  const dispatch = useAppDispatch()
  const { jobId, pieceId } = useParams()
  const words = explain(finding, wordsStyle(style))
  const about = finding.about[0]
  const lit = about
    ? about.kind === 'opening'
      ? `opening/${about.id}`
      : about.kind === 'side'
        ? `side/${about.id}`
        : about.kind === 'part'
          ? about.id
          : null
    : null
  return (
    <li
      className="border-b last:border-b-0"
      onPointerEnter={() => dispatch(pointedAt(lit))}
      onPointerLeave={() => dispatch(pointedAt(null))}
    >
      <div className="flex min-h-[42px] items-center gap-3 px-4 py-[3px]">
        <LevelMark level={finding.level} />
        <button
          type="button"
          className="label min-h-8 min-w-0 flex-1 text-left text-[16px] leading-tight hover:underline"
          onClick={onOpen}
          aria-expanded={open}
        >
          <span className="sr-only">{LEVEL_WORD[finding.level]}: </span>
          <strong className="font-semibold">{words.what}</strong>
          {!open && <span className="text-soft">{`  ${words.why.split(/[:.] /)[0]}`}</span>}
        </button>
        <Link to={`/job/${jobId}/${pieceId}/${finding.station}`} className="word label text-soft">
          {finding.station}
        </Link>
        {finding.remedies.slice(0, open ? undefined : 1).map((r) => (
          <button
            key={r.code}
            type="button"
            disabled={!tried}
            className={`act ${finding.level === 'note' ? '' : 'act-oxide'}`}
            onClick={() => change(remedyText(words, r), ...r.changes)}
          >
            {remedyText(words, r)}
          </button>
        ))}
      </div>
      {open && <p className="px-4 pb-2 pl-[52px] text-[14px] text-soft">{words.why}</p>}
    </li>
  )
}

function LevelMark({ level }: { level: Finding['level'] }) {
  return (
    <svg aria-hidden width="22" height="22" viewBox="0 0 24 24" className="flex-none">
      {level === 'stop' && <rect x="1" y="8.5" width="22" height="7" fill="var(--oxide)" />}
      {level === 'warn' && (
        <path d="M12 4.5 19.5 12 12 19.5 4.5 12z" fill="none" stroke="var(--oxide)" strokeWidth="2.2" />
      )}
      {level === 'note' && (
        <circle cx="12" cy="12" r="6" fill="none" stroke="var(--soft)" strokeWidth="1.8" />
      )}
    </svg>
  )
}
