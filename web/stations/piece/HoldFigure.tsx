import { useEffect, useRef, useState } from 'react'
import { type HoldAnswer, type HoldWhat, holdDimensions } from '../../../core/hold.ts'
import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { More, Pick } from '../../ui/Choice.tsx'
import { MeasureField, useMeasureStyle } from '../../ui/MeasureField.tsx'
import { nextRun, slowWorker } from '../../worker/planner.ts'
import { useEdit } from './useEdit.ts'

const WHATS: readonly { id: HoldWhat; name: string; unit: string }[] = [
  { id: 'weight', name: 'weight', unit: 'kg' },
  { id: 'volume', name: 'volume', unit: 'L' },
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
  const [answers, setAnswers] = useState<readonly HoldAnswer[] | null>(null)
  const [working, setWorking] = useState(false)
  const latest = useRef(0)
  useEffect(
    () =>
      slowWorker.listen((reply) => {
        if (reply.kind !== 'hold' || reply.runId !== latest.current) return
        setAnswers(reply.answers)
        setWorking(false)
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
  const unit = WHATS.find((w) => w.id === what)!.unit
  const mm = (n: number) => formatLength(n, style)
  const ask = () => {
    latest.current = nextRun()
    setWorking(true)
    setAnswers(null)
    slowWorker.post({
      kind: 'hold',
      runId: latest.current,
      job,
      pieceId: piece.id,
      dimension: dimension.key,
      what,
      targets: targets.slice(0, 12),
      min: own.min,
      max: own.max,
    })
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
        {working ? 'working …' : 'Find it'}
      </button>
      {answers?.map((a) => (
        <div key={a.target} className="row" role="status">
          <span>
            {a.kind === 'held'
              ? `${a.target} ${unit}: ${dimension.label} ${mm(a.mm)}`
              : a.kind === 'nearest'
                ? `No size gives ${a.target} ${unit}. Nearest: ${mm(a.mm)}, which is ${a.reached.toFixed(1)}`
                : `Nothing can be built between ${mm(own.min)} and ${mm(own.max)}`}
          </span>
          {a.kind !== 'none' && (
            <button
              type="button"
              className="act"
              onClick={() => change(`${dimension.label} ${mm(a.mm)} for ${a.target} ${unit}`, ...a.changes)}
            >
              Use
            </button>
          )}
        </div>
      ))}
    </More>
  )
}
