import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import type { Run } from '../../core/job/index.ts'
import { formatLength } from '../../core/units/index.ts'
import { judgeLift, LIFT, peopleToLift } from '../../core/work/lifting.ts'
import { newId } from '../state/files.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { usualStart } from '../state/usualStart.ts'
import { BackLink } from '../ui/BackLink.tsx'
import { Choice } from '../ui/Choice.tsx'
import { MeasureField } from '../ui/MeasureField.tsx'
import { Measures } from '../ui/Measures.tsx'
import { QuantityRow, useWordsStyle } from '../ui/Quantity.tsx'
import { Told } from '../ui/Told.tsx'
import { RunDrawing } from './RunDrawing.tsx'
import { CornerFields, ItemList, withLegs } from './RunFields.tsx'
import { runProblemText } from './runWords.ts'
import { SticksOf } from './SticksOf.tsx'
import { useRunAnswer } from './useRunAnswer.ts'

/** A door and a hall let about so long a piece turn, mm [own]. */
const WAY_IN = 2400

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
  const words = useWordsStyle()
  const [shown, setShown] = useState<Run | null>(null)
  const current = shown ?? run
  const { answer, fresh, ask } = useRunAnswer(current)
  /** The longest piece that doors, stairs and the van take, mm. */
  const [through, setThrough] = useState(WAY_IN)
  const { people } = job.settings
  const set = (patch: Partial<Run>, label: string) =>
    change(`${run.name}: ${label}`, { type: 'runKept', run: { ...run, ...patch } })
  const mm = (n: number) => formatLength(n, style)
  const parts = answer?.split.parts ?? []
  const hands = Math.min(people, LIFT.mostPeople)
  const heavy = parts.filter((p) => !['fine', 'plan'].includes(judgeLift(p.weightKg, people)))
  const made = job.pieces.filter((p) => p.run?.run === run.id)
  const propose = (school: 'clear' | 'through') =>
    ask({ kind: 'seams', school, throughMm: through }, (reply) => {
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
    <div className="page-columns grid h-full grid-cols-[minmax(0,1fr)_330px]">
      <main className="grid min-h-0 grid-rows-[auto_minmax(0,1fr)_auto] bg-sheet" aria-label="Run of pieces">
        <div className="flex items-baseline gap-4 border-b px-5 py-2">
          <BackLink />
          <input
            aria-label="Name of the run"
            className="min-h-8 label w-[220px] border-b border-transparent bg-transparent text-[20px] font-bold hover:border-hair focus:border-ink"
            defaultValue={run.name}
            onBlur={(e) => {
              const name = e.target.value.trim().slice(0, 120)
              if (name && name !== run.name) set({ name }, name)
            }}
          />
          <span className="label text-soft">from above, walls hatched; drag a seam along its leg</span>
          <Told />
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
          {heavy.map((p) => (
            <p key={p.number} className="label text-[16px]">
              <strong>
                Piece {p.number} weighs {words.kg(p.weightKg)}, {words.kg(p.weightKg / hands)} a head for{' '}
                {people === 1 ? 'one' : people}
              </strong>{' '}
              <span className="text-soft">
                {judgeLift(p.weightKg, people) === 'by machine'
                  ? 'It is not moved by hand: a hoist, an A-frame or a trolley, or one seam more.'
                  : `Up to ${words.kg(25)} a head can be planned: more people, a trolley, or one seam more.`}
              </span>
            </p>
          ))}
          {answer?.split.problems.length === 0 && heavy.length === 0 && (
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
        <MeasureField label="Longest that the way in takes" value={through} min={300} onCommit={setThrough} />
        <p>
          The fewest that {people === 1 ? 'one person moves' : `${people} people move`} once by plan,{' '}
          {words.kg(25)} a head, that a board is long enough for and that come in. Clear keeps openings whole;
          through hides a short seam, but leaves two weak bridges.
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
        <div className={fresh ? '' : 'stale'}>
          {parts.map((p) => (
            <QuantityRow
              key={p.number}
              label={`${p.number}, ${liftWords(peopleToLift(p.weightKg))}`}
              of="mass"
              value={p.weightKg}
              digits={0}
            />
          ))}
        </div>
        {parts.length > 0 && <SticksOf parts={parts} />}
        <button
          type="button"
          className="act act-oxide mt-3 text-[17px]!"
          disabled={parts.length === 0 || !fresh}
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
    </div>
  )
}

const liftWords = (people: number | null): string =>
  people === null ? 'by machine' : people === 1 ? 'one person' : `${people} people`
