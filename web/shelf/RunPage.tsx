import { useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import type { Point } from '../../core/geometry/index.ts'
import type { Run } from '../../core/job/index.ts'
import { peopleToLift } from '../../core/pour/lifting.ts'
import { openingRing } from '../../core/runs/splitRun.ts'
import { formatLength } from '../../core/units/index.ts'
import { newId, usualStart } from '../app/files.ts'
import { useAppSelector, useChange } from '../app/store.ts'
import { Told } from '../app/Told.tsx'
import { HATCH_OF, Hatches } from '../stage/Hatches.tsx'
import { ringPath } from '../stage/paths.ts'
import { useSize } from '../stage/useSize.ts'
import { Choice, More, Row } from '../ui/Choice.tsx'
import { MeasureField, useMeasureStyle } from '../ui/MeasureField.tsx'
import { Measures } from '../ui/Measures.tsx'
import { nextRun, slowWorker } from '../worker/planner.ts'
import type { RunAnswer } from '../worker/protocol.ts'
import { runProblemText } from './runWords.ts'

/** A whole top along walls: its plan, the seams that part it, and the pieces it becomes. */
export function RunPage() {
  const { runId } = useParams()
  const job = useAppSelector((s) => s.job.job)!
  const run = job.runs.find((r) => r.id === runId)
  return run ? <RunEditor key={run.id} run={run} /> : <Missing jobId={job.id} />
}

const Missing = ({ jobId }: { jobId: string }) => (
  <main className="p-8">
    <p>This run is not in the job any more.</p>
    <Link className="word" to={`/job/${jobId}/new`}>
      new piece
    </Link>
  </main>
)

function RunEditor({ run }: { run: Run }) {
  const job = useAppSelector((s) => s.job.job)!
  const change = useChange()
  const navigate = useNavigate()
  const style = useMeasureStyle()
  const [shown, setShown] = useState<Run | null>(null)
  const current = shown ?? run
  const { answer, ask } = useRunAnswer(current)
  const set = (patch: Partial<Run>, label: string) =>
    change(`${run.name}: ${label}`, { type: 'runKept', run: { ...run, ...patch } })
  const mm = (n: number) => formatLength(n, style)
  const parts = answer?.split.parts ?? []
  const made = job.pieces.filter((p) => p.run?.run === run.id)
  const propose = (school: 'clear' | 'through') =>
    ask({ kind: 'seams', school }, (reply) => {
      if (reply.kind !== 'seams') return
      set(
        { seams: reply.seams.map((s) => ({ id: newId('seam'), ...s })) },
        school === 'clear' ? 'seams clear of openings' : 'seams through openings',
      )
    })
  const make = () =>
    ask({ kind: 'pieces', ids: parts.map(() => newId('piece')), ...usualStart() }, (reply) => {
      if (reply.kind !== 'pieces') return
      change(`${run.name}: ${parts.length} pieces`, ...reply.changes)
      const first = made[0]?.id ?? reply.changes.find((c) => c.type === 'pieceAdded')?.piece.id
      if (first) navigate(`/job/${job.id}/${first}/piece`)
    })
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_330px]">
      <main className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)_auto] bg-sheet" aria-label="Run of pieces">
        <div className="flex items-baseline gap-4 border-b px-5 py-2">
          <Link to={`/job/${job.id}`} className="word p-0!">
            back to {job.name}
          </Link>
          <input
            aria-label="Name of the run"
            className="label w-[220px] border-b border-transparent bg-transparent text-[20px] font-bold hover:border-hair focus:border-ink"
            defaultValue={run.name}
            onBlur={(e) => {
              const name = e.target.value.trim().slice(0, 120)
              if (name && name !== run.name) set({ name }, name)
            }}
          />
          <span className="label text-soft">from above, walls hatched; drag a seam along its leg</span>
        </div>
        <RunDrawing
          run={current}
          answer={answer}
          onSeam={(id, at, done) => {
            const seams = run.seams.map((s) => (s.id === id ? { ...s, at } : s))
            if (done) {
              setShown(null)
              set({ seams }, `seam at ${mm(at)}`)
            } else setShown({ ...run, seams })
          }}
        />
        <section aria-label="Findings" className="border-t border-ink px-5 py-2">
          {answer?.split.problems.map((p, i) => (
            <p key={i} className="label text-[16px]">
              <strong>{runProblemText(p, run, mm)}</strong>
            </p>
          ))}
          {answer?.split.problems.length === 0 && (
            <p className="label text-soft">Nothing stands in its way.</p>
          )}
        </section>
      </main>
      <aside className="bench" aria-label="Bench">
        <h1>Run of pieces</h1>
        <Choice
          label="Walls it follows"
          hideLabel
          value={String(run.legs.length)}
          options={[
            { value: '1', name: 'straight' },
            { value: '2', name: 'L' },
            { value: '3', name: 'U' },
          ]}
          onChoose={(n) => set(withLegs(run, Number(n)), `${n} walls`)}
        />
        {run.legs.map((leg, i) => (
          <div key={leg.id}>
            <h2>{['First wall', 'Wall to its right', 'Wall to its left'][i]}</h2>
            <Measures
              of={leg}
              rows={[
                { key: 'length', label: 'Along the wall', min: 1 },
                { key: 'depth', label: 'Cabinets, front to back', min: 1 },
              ]}
              onChange={(patch, label) =>
                set({ legs: run.legs.map((l) => (l.id === leg.id ? { ...l, ...patch } : l)) }, label)
              }
            />
            {i > 0 && (
              <CornerFields
                run={run}
                index={i - 1}
                set={set}
                deg={answer?.split.plan.cornersDeg[i - 1] ?? null}
              />
            )}
          </div>
        ))}
        <h2>The top</h2>
        <Measures
          of={run}
          rows={[
            { key: 'thickness', label: 'Thickness', min: 1 },
            { key: 'overhang', label: 'Overhang at the front' },
            { key: 'wallGap', label: 'Gap to the walls' },
            { key: 'seamWidth', label: 'Width of a seam' },
          ]}
          onChange={set}
        />
        {run.legs.length > 1 && (
          <Choice
            label="Corner"
            value={run.joint}
            options={[
              { value: 'butt-first', name: 'first runs through' },
              { value: 'butt-second', name: 'second runs through' },
              { value: 'mitre', name: 'mitred' },
            ]}
            onChoose={(joint) => set({ joint }, `corner ${joint}`)}
          />
        )}
        <ItemList
          title="Openings"
          items={run.openings}
          legs={run.legs.length}
          rows={[
            { key: 'at', label: 'Middle, along' },
            { key: 'fromFront', label: 'Middle, from the front' },
            { key: 'length', label: 'Length', min: 1 },
            { key: 'width', label: 'Width', min: 1 },
            { key: 'radius', label: 'Corner radius' },
          ]}
          add={() => ({
            id: newId('opening'),
            name: 'sink',
            leg: 0,
            at: run.legs[0]!.length / 2,
            fromFront: 300,
            length: 560,
            width: 420,
            radius: 15,
          })}
          onItems={(openings, label) => set({ openings }, label)}
        />
        <ItemList
          title="Left free for appliances"
          items={run.gaps}
          legs={run.legs.length}
          rows={[
            { key: 'at', label: 'From the start' },
            { key: 'width', label: 'Width', min: 1 },
          ]}
          add={() => ({ id: newId('gap'), name: 'cooker', leg: 0, at: 400, width: 600 })}
          onItems={(gaps, label) => set({ gaps }, label)}
        />
        <h2>Seams</h2>
        <div className="flex flex-wrap gap-2">
          <button type="button" className="act" onClick={() => propose('clear')}>
            Propose, clear of openings
          </button>
          <button type="button" className="act" onClick={() => propose('through')}>
            Propose, through openings
          </button>
        </div>
        <p>
          By what {job.settings.people} people lift and the longest board. Clear keeps openings whole; through
          hides a short seam, but leaves two weak bridges.
        </p>
        {run.seams.map((s, i) => (
          <div key={s.id} className="flex items-baseline gap-2">
            <div className="flex-1">
              <MeasureField
                label={`Seam ${i + 1}${run.legs.length > 1 ? `, leg ${s.leg + 1}` : ''}`}
                value={s.at}
                min={0}
                onCommit={(at) =>
                  set(
                    { seams: run.seams.map((o) => (o.id === s.id ? { ...o, at } : o)) },
                    `seam at ${mm(at)}`,
                  )
                }
              />
            </div>
            <button
              type="button"
              className="word text-oxide"
              aria-label={`Remove seam ${i + 1}`}
              onClick={() => set({ seams: run.seams.filter((o) => o.id !== s.id) }, 'one seam less')}
            >
              remove
            </button>
          </div>
        ))}
        <button
          type="button"
          className="word"
          onClick={() =>
            set(
              {
                seams: [...run.seams, { id: newId('seam'), leg: 0, at: Math.round(run.legs[0]!.length / 2) }],
              },
              'one seam more',
            )
          }
        >
          add a seam
        </button>
        <h2>Pieces</h2>
        {parts.map((p) => (
          <Row
            key={p.number}
            label={`${p.number}, ${peopleToLift(p.weightKg)} ${peopleToLift(p.weightKg) === 1 ? 'person' : 'people'}`}
            unit="kg"
          >
            {p.weightKg.toFixed(0)}
          </Row>
        ))}
        <More title="Diagonals that prove it">
          {parts
            .filter((p) => p.diagonalsMm.length === 2)
            .map((p) => (
              <Row key={p.number} label={`Piece ${p.number}`}>
                {p.diagonalsMm.map((d) => mm(d)).join(', ')}
              </Row>
            ))}
        </More>
        <button
          type="button"
          className="act act-oxide mt-3 text-[17px]!"
          disabled={parts.length === 0}
          onClick={make}
        >
          {made.length > 0 ? 'Bring its pieces up to date' : `Make ${parts.length} pieces`}
        </button>
        {made.length > 0 && (
          <p>
            Its pieces:{' '}
            {made.map((p) => (
              <Link key={p.id} className="word" to={`/job/${job.id}/${p.id}/piece`}>
                {p.name}
              </Link>
            ))}
          </p>
        )}
        <button
          type="button"
          className="word mt-2 text-oxide"
          onClick={() => {
            change(`remove ${run.name}`, { type: 'runRemoved', runId: run.id })
            navigate(`/job/${job.id}`)
          }}
        >
          Remove this run, keep its pieces
        </button>
      </aside>
      <Told />
    </div>
  )
}

function withLegs(run: Run, n: number): Partial<Run> {
  const legs = [...run.legs]
  while (legs.length < n) legs.push({ id: newId('leg'), length: 1400, depth: legs[0]!.depth })
  return {
    legs: legs.slice(0, n),
    corners: Array.from({ length: n - 1 }, (_, i) => run.corners[i] ?? { by: 'square' as const }),
  }
}

function CornerFields({
  run,
  index,
  set,
  deg,
}: {
  run: Run
  index: number
  set: (patch: Partial<Run>, label: string) => void
  deg: number | null
}) {
  const corner = run.corners[index] ?? { by: 'square' as const }
  const put = (next: Run['corners'][number], label: string) =>
    set(
      {
        corners: Array.from({ length: run.legs.length - 1 }, (_, i) =>
          i === index ? next : (run.corners[i] ?? { by: 'square' as const }),
        ),
      },
      label,
    )
  return (
    <>
      <Choice
        label="Corner of the walls"
        value={corner.by}
        options={[
          { value: 'square', name: 'square' },
          { value: 'diagonal', name: 'by diagonal' },
          { value: 'offset', name: 'by offset' },
        ]}
        onChoose={(by) => {
          if (by === 'square') put({ by }, 'corner square')
          if (by === 'diagonal') put({ by, along: 900, across: 1200, diagonal: 1500 }, 'corner by diagonal')
          if (by === 'offset') put({ by, over: 1000, off: 0 }, 'corner by offset')
        }}
      />
      {corner.by === 'diagonal' && (
        <Measures
          of={corner}
          rows={[
            { key: 'along', label: 'Along the first wall', min: 1 },
            { key: 'across', label: 'Along this wall', min: 1 },
            { key: 'diagonal', label: 'Between the marks', min: 1 },
          ]}
          onChange={(patch, label) => put({ ...corner, ...patch }, label)}
        />
      )}
      {corner.by === 'offset' && (
        <Measures
          of={corner}
          rows={[
            { key: 'over', label: 'Out from the first wall', min: 1 },
            { key: 'off', label: 'This wall leans away', signed: true },
          ]}
          onChange={(patch, label) => put({ ...corner, ...patch }, label)}
        />
      )}
      {deg !== null && corner.by !== 'square' && <Row label="Corner">{deg.toFixed(2)}°</Row>}
    </>
  )
}

type Item = { id: string; name: string; leg: number }

function ItemList<T extends Item>({
  title,
  items,
  legs,
  rows,
  add,
  onItems,
}: {
  title: string
  items: readonly T[]
  legs: number
  rows: readonly { key: Exclude<keyof T, 'id' | 'name' | 'leg'> & string; label: string; min?: number }[]
  add: () => T
  onItems: (items: T[], label: string) => void
}) {
  return (
    <>
      <h2>{title}</h2>
      {items.map((item) => {
        const put = (patch: Partial<T>, label: string) =>
          onItems(
            items.map((o) => (o.id === item.id ? { ...o, ...patch } : o)),
            `${item.name}: ${label}`,
          )
        return (
          <More key={item.id} title={item.name}>
            {legs > 1 && (
              <Choice
                label="On leg"
                value={String(item.leg)}
                options={Array.from({ length: legs }, (_, i) => ({ value: String(i), name: `leg ${i + 1}` }))}
                onChoose={(leg) => put({ leg: Number(leg) } as Partial<T>, `leg ${Number(leg) + 1}`)}
              />
            )}
            <Measures
              of={item as unknown as Readonly<Record<(typeof rows)[number]['key'], number>>}
              rows={rows}
              onChange={(patch, label) => put(patch as Partial<T>, label)}
            />
            <button
              type="button"
              className="word text-oxide"
              onClick={() =>
                onItems(
                  items.filter((o) => o.id !== item.id),
                  `no ${item.name}`,
                )
              }
            >
              remove {item.name}
            </button>
          </More>
        )
      })}
      <button type="button" className="word" onClick={() => onItems([...items, add()], `one more`)}>
        add
      </button>
    </>
  )
}

/** The run split by the worker: the last answer stays until the next is there. */
function useRunAnswer(run: Run) {
  const job = useAppSelector((s) => s.job.job)!
  const [answer, setAnswer] = useState<Extract<RunAnswer, { kind: 'split' }> | null>(null)
  const latest = useRef(0)
  const waiting = useRef(new Map<number, (reply: RunAnswer) => void>())
  useEffect(
    () =>
      slowWorker.listen((reply) => {
        if (reply.kind !== 'run') return
        if (reply.answer.kind === 'split') {
          if (reply.runId === latest.current) setAnswer(reply.answer)
          return
        }
        waiting.current.get(reply.runId)?.(reply.answer)
        waiting.current.delete(reply.runId)
      }),
    [],
  )
  useEffect(() => {
    latest.current = nextRun()
    slowWorker.post({ kind: 'run', runId: latest.current, job, run, ask: { kind: 'split' } })
  }, [job, run])
  const ask = (
    question:
      | { kind: 'seams'; school: 'clear' | 'through' }
      | { kind: 'pieces'; ids: readonly string[]; start: string; zone: string },
    then: (reply: RunAnswer) => void,
  ) => {
    const id = nextRun()
    waiting.current.set(id, then)
    slowWorker.post({ kind: 'run', runId: id, job, run, ask: question })
  }
  return { answer, ask }
}

const middleOf = (ring: readonly Point[]): Point => [
  ring.reduce((s, p) => s + p[0], 0) / ring.length,
  ring.reduce((s, p) => s + p[1], 0) / ring.length,
]

function RunDrawing({
  run,
  answer,
  onSeam,
}: {
  run: Run
  answer: Extract<RunAnswer, { kind: 'split' }> | null
  onSeam: (id: string, at: number, done: boolean) => void
}) {
  const { attach, element, size } = useSize<HTMLDivElement>()
  const style = useMeasureStyle()
  const drag = useRef<{ id: string; leg: number; at: number } | null>(null)
  const plan = answer?.split.plan
  const frame = useMemo(() => {
    const points = [...(plan?.outline ?? [[0, 0] as Point]), ...(plan?.walls.flat() ?? [])]
    const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
    const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
    const k = Math.max(
      0.01,
      Math.min((size.width - 150) / Math.max(1, x1 - x0), (size.height - 120) / Math.max(1, y1 - y0)),
    )
    const toScreen = ([x, y]: Point): Point => [
      size.width / 2 + (x - (x0 + x1) / 2) * k,
      size.height / 2 - (y - (y0 + y1) / 2) * k,
    ]
    const fromScreen = ([px, py]: Point): Point => [
      (px - size.width / 2) / k + (x0 + x1) / 2,
      (y0 + y1) / 2 - (py - size.height / 2) / k,
    ]
    return { k, toScreen, fromScreen }
  }, [plan, size])
  const { toScreen, fromScreen, k } = frame
  return (
    <div ref={attach} className="relative min-h-0 overflow-hidden" data-testid="run">
      {size.width > 0 && plan && answer && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`Plan of ${run.name}`}
          className="absolute inset-0 touch-none select-none"
        >
          <Hatches />
          {plan.walls.map(([a, b], i) => {
            const leg = plan.legs[i]!
            const away = (p: Point): Point => [p[0] - leg.out[0] * (14 / k), p[1] - leg.out[1] * (14 / k)]
            return (
              <path
                key={i}
                d={ringPath([a, b, away(b), away(a)], toScreen)}
                fill="var(--hair)"
                stroke="var(--soft)"
                strokeWidth="0.8"
              />
            )
          })}
          {answer.split.parts.map((part) => {
            return (
              <g key={part.number}>
                <path
                  d={ringPath(part.ring, toScreen)}
                  fill={HATCH_OF.concrete}
                  stroke="var(--ink)"
                  strokeWidth="1.6"
                />
                {part.ring.map((a, i) =>
                  part.sides[i] === 'seam' ? (
                    <path
                      key={i}
                      d={`M ${toScreen(a).join(' ')} L ${toScreen(part.ring[(i + 1) % part.ring.length]!).join(' ')}`}
                      stroke="var(--oxide)"
                      strokeWidth="2.4"
                    />
                  ) : null,
                )}
              </g>
            )
          })}
          {run.openings.map((o) => {
            const leg = plan.legs[o.leg]
            if (!leg) return null
            const ring = openingRing(leg, o)
            return (
              <g key={o.id}>
                <path
                  d={ringPath(ring, toScreen)}
                  fill="var(--sheet)"
                  stroke="var(--ink)"
                  strokeWidth="1.3"
                />
                <text x={toScreen(ring[0]!)[0]} y={toScreen(ring[0]!)[1] - 5} className="dim">
                  {o.name}
                </text>
              </g>
            )
          })}
          {answer.split.parts.map((part) => {
            const [mx, my] = toScreen(middleOf(part.ring))
            return (
              <g key={part.number} pointerEvents="none">
                <rect x={mx - 46} y={my - 22} width="92" height="44" fill="var(--sheet)" fillOpacity="0.94" />
                <text
                  x={mx}
                  y={my - 2}
                  textAnchor="middle"
                  className="label"
                  fontSize="19"
                  fontWeight="700"
                  fill="var(--ink)"
                >
                  {part.number}
                </text>
                <text x={mx} y={my + 16} textAnchor="middle" className="dim">
                  {part.weightKg.toFixed(0)} kg
                </text>
              </g>
            )
          })}
          {run.seams.map((s, i) => {
            const leg = plan.legs[s.leg]
            if (!leg) return null
            const at = (out: number): Point => [
              leg.start[0] + leg.along[0] * s.at + leg.out[0] * out,
              leg.start[1] + leg.along[1] * s.at + leg.out[1] * out,
            ]
            const [a, b] = [toScreen(at(-30 / k)), toScreen(at(leg.depth + 30 / k))]
            return (
              <g
                key={s.id}
                role="slider"
                tabIndex={0}
                aria-label={`Seam ${i + 1}`}
                aria-valuenow={Math.round(s.at)}
                aria-valuemin={0}
                aria-valuemax={Math.round(leg.length)}
                style={{ cursor: 'grab' }}
                onPointerDown={(e) => {
                  e.currentTarget.setPointerCapture(e.pointerId)
                  drag.current = { id: s.id, leg: s.leg, at: s.at }
                }}
                onPointerMove={(e) => {
                  const d = drag.current
                  if (!d || d.id !== s.id) return
                  const box = element.current!.getBoundingClientRect()
                  const p = fromScreen([e.clientX - box.left, e.clientY - box.top])
                  d.at = Math.round(
                    (p[0] - leg.start[0]) * leg.along[0] + (p[1] - leg.start[1]) * leg.along[1],
                  )
                  onSeam(s.id, Math.max(0, d.at), false)
                }}
                onPointerUp={() => {
                  const d = drag.current
                  drag.current = null
                  if (d) onSeam(d.id, Math.max(0, d.at), true)
                }}
                onKeyDown={(e) => {
                  const by =
                    e.key === 'ArrowRight' || e.key === 'ArrowUp'
                      ? 1
                      : e.key === 'ArrowLeft' || e.key === 'ArrowDown'
                        ? -1
                        : 0
                  if (by === 0) return
                  e.preventDefault()
                  onSeam(s.id, Math.max(0, s.at + by * (e.shiftKey ? 10 : 1)), true)
                }}
              >
                <line x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="transparent" strokeWidth="16" />
                <line
                  x1={a[0]}
                  y1={a[1]}
                  x2={b[0]}
                  y2={b[1]}
                  stroke="var(--oxide)"
                  strokeWidth="1.4"
                  strokeDasharray="8 3"
                />
                <text x={b[0] + 6} y={b[1] + 14} className="dim">
                  {formatLength(s.at, style)}
                </text>
              </g>
            )
          })}
        </svg>
      )}
    </div>
  )
}
