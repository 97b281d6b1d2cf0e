import { useEffect, useRef, useState } from 'react'
import type { HoldAnswer, HoldWhat } from '../../../core/hold.ts'
import { applyChange, type Change, type Job, type Piece } from '../../../core/job/index.ts'
import { holdDimensions } from '../../../core/piece/index.ts'
import { formatLength, perUnit, showNumber, unitOf } from '../../../core/units/index.ts'
import { newId } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { More, Pick } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { nextRun, slowWorker } from '../../worker/planner.ts'
import { useEdit } from './useEdit.ts'

const WHATS: readonly { id: HoldWhat; name: string; unit: string; of?: 'mass' | 'volume' }[] = [
  { id: 'weight', name: 'weight', unit: 'kg', of: 'mass' },
  { id: 'volume', name: 'volume', unit: 'L', of: 'volume' },
  { id: 'bags', name: 'bags', unit: 'bags' },
  { id: 'people', name: 'people to lift it', unit: 'people' },
]

/** Holds a figure: a result, a measure, and limits; the tool finds the measure that gives it. Several targets make a set. */
export function HoldFigure() {
  const { job } = usePlan()
  const { piece, change } = useEdit()
  const style = useMeasureStyle()
  const dimensions = holdDimensions(piece)
  const [what, setWhat] = useState<HoldWhat>('weight')
  const [key, setKey] = useState(dimensions[0]?.key ?? '')
  const dimension = dimensions.find((d) => d.key === key) ?? dimensions[0]
  const [typed, setTyped] = useState('')
  const [limits, setLimits] = useState<{ key: string; min: number; max: number } | null>(null)
  const [asked, setAsked] = useState<Asked | null>(null)
  const [answers, setAnswers] = useState<readonly HoldAnswer[]>([])
  const [working, setWorking] = useState(false)
  const latest = useRef(0)
  useEffect(
    () =>
      slowWorker.listen((reply) => {
        if (reply.runId !== latest.current) return
        if (reply.kind === 'failed') setWorking(false)
        if (reply.kind !== 'hold') return
        setAnswers(reply.answers)
        setWorking(!reply.done)
      }),
    [],
  )
  if (!dimension) return null
  const own =
    limits?.key === dimension.key
      ? limits
      : { key: dimension.key, min: dimension.value / 4, max: dimension.value * 4 }
  const targets = typed
    .split(/[,;\s]+/)
    .filter(Boolean)
    .map(Number)
  const wrong = typed !== '' && (targets.length === 0 || targets.some((t) => !Number.isFinite(t) || t <= 0))
  const { unit: counted, of } = WHATS.find((w) => w.id === what)!
  const unit = of ? unitOf(of, style) : counted
  /** How many of the reader’s unit one of the base unit is. */
  const per = of ? perUnit(of, style) : 1
  const mm = (n: number) => formatLength(n, style)
  const post = (list: readonly number[]) => {
    latest.current = nextRun()
    const { min, max } = own
    slowWorker.post({
      kind: 'hold',
      runId: latest.current,
      job,
      pieceId: piece.id,
      dimension: dimension.key,
      what,
      targets: list.map((t) => t / per),
      min,
      max,
    })
  }
  const ask = () => {
    setWorking(true)
    setAnswers([])
    setAsked({ piece, key: dimension.key, label: dimension.label, unit, per, min: own.min, max: own.max })
    post(targets.slice(0, 12))
  }
  const stop = () => {
    setWorking(false)
    post([])
  }
  // What was found for the piece as it was is told as such; its own sizes do not age it.
  const aged = asked !== null && withoutMeasure(job, asked, asked.piece) !== withoutMeasure(job, asked, piece)
  const use = (a: HoldAnswer) => {
    const now = dimensions.find((d) => d.key === asked?.key)
    if (now)
      change(
        `${now.label} ${mm(a.mm)} for ${showNumber(a.target * asked!.per, 3)} ${asked!.unit}`,
        ...now.changes(a.mm),
      )
  }
  const held = answers.filter((a) => a.kind === 'held')
  /** A piece for each target, with what it shares with this one as it is: its bore, its thickness. */
  const makeAll = () => {
    const now = dimensions.find((d) => d.key === asked?.key)
    if (!now || !asked) return
    change(
      `${held.length} pieces of ${piece.name}`,
      ...held.map((a): Change => {
        const told = `${showNumber(a.target * asked.per, 3)} ${asked.unit}`
        const made = now.changes(a.mm).reduce(applyChange, { ...job, pieces: [piece] }).pieces[0]!
        return {
          type: 'pieceAdded',
          piece: {
            ...made,
            id: newId('piece'),
            name: `${piece.name}, ${told}`.slice(0, 120),
            run: null,
          } as Piece,
        }
      }),
    )
  }
  return (
    <More title="Hold a figure">
      <Pick label="Hold the" value={what} options={WHATS} onChoose={(id) => setWhat(id as HoldWhat)} />
      <div className="row">
        <label htmlFor="hold-at">At</label>
        <span>
          <input
            id="hold-at"
            className="field-input"
            inputMode="decimal"
            placeholder="20"
            value={typed}
            aria-invalid={wrong || undefined}
            onChange={(e) => setTyped(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && !wrong && typed && ask()}
          />
          <span className="unit">{unit}</span>
        </span>
      </div>
      {wrong && (
        <div role="alert" className="text-sm text-oxide">
          Numbers above zero, with commas between them for a set.
        </div>
      )}
      <Pick
        label="By its"
        value={dimension.key}
        options={dimensions.map((d) => ({ id: d.key, name: d.label }))}
        onChoose={setKey}
      />
      <MeasureField
        label="At least"
        value={own.min}
        min={0.1}
        onCommit={(min) => setLimits({ ...own, min })}
      />
      <MeasureField
        label="At most"
        value={own.max}
        min={0.1}
        onCommit={(max) => setLimits({ ...own, max })}
      />
      <button type="button" className="act mt-2" disabled={wrong || typed === '' || working} onClick={ask}>
        {working ? `trying, ${answers.length} of ${Math.min(12, targets.length)}` : 'Find it'}
      </button>
      {/* Why the button is grey; its room is always there. */}
      <p className="min-h-6">
        {typed === '' && !working && 'Type what it should come to, then it can be found.'}
      </p>
      {working && (
        <button type="button" className="word" onClick={stop}>
          cancel
        </button>
      )}
      {asked && (
        <div className={aged ? 'stale' : ''}>
          {aged && <p>For the piece as it was: find it again.</p>}
          {held.length > 1 && !aged && !working && (
            <button type="button" className="act" onClick={makeAll}>
              Make these {held.length} pieces
            </button>
          )}
          {answers.map((a) => (
            <div key={a.target} className="row" role="status">
              <span>{answerText(a, asked, mm)}</span>
              {a.kind !== 'none' && !aged && (
                <button type="button" className="act" onClick={() => use(a)}>
                  Use
                </button>
              )}
            </div>
          ))}
        </div>
      )}
    </More>
  )
}

/** What was asked, kept beside its answers. */
type Asked = {
  readonly piece: Piece
  readonly key: string
  readonly label: string
  readonly unit: string
  readonly per: number
  readonly min: number
  readonly max: number
}

/** The piece with the asked measure set to one size for all, as text: equal while nothing else was changed. */
function withoutMeasure(job: Job, { key, min }: Asked, piece: Piece): string {
  const dimension = holdDimensions(piece).find((d) => d.key === key)
  const alone = { ...job, pieces: [piece] }
  const same = dimension ? dimension.changes(min).reduce(applyChange, alone).pieces[0] : piece
  return JSON.stringify(same)
}

function answerText(a: HoldAnswer, { label, unit, per, min, max }: Asked, mm: (n: number) => string): string {
  const target = showNumber(a.target * per, 3)
  switch (a.kind) {
    case 'held':
      return `${target} ${unit}: ${label} ${mm(a.mm)}`
    case 'nearest':
      return `No size gives ${target} ${unit}. Nearest: ${mm(a.mm)}, which is ${showNumber(a.reached * per, 1)}`
    case 'none':
      return `Nothing can be built between ${mm(min)} and ${mm(max)}`
  }
}
