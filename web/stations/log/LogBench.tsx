import { useState } from 'react'
import type { Fault, PlannedPour } from '../../../core/job/index.ts'
import { newId } from '../../state/files.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { Box } from '../../ui/Box.tsx'
import { NumberField } from '../../ui/NumberField.tsx'

const FAULTS: readonly (readonly [Fault, string])[] = [
  ['bug-holes', 'bug holes'],
  ['honeycomb', 'honeycomb'],
  ['ghosting', 'ghosting'],
  ['crack', 'crack'],
  ['crumbled-arris', 'crumbled arris'],
  ['stuck', 'stuck'],
  ['uneven-colour', 'uneven colour'],
]
type Actual = {
  bags: number | null
  waterLitresPerBag: number | null
  temperatureDegC: number | null
  vibratedMinutes: number | null
  stripHours: number | null
  weightKg: number | null
}
const NOTHING: Actual = {
  bags: null,
  waterLitresPerBag: null,
  temperatureDegC: null,
  vibratedMinutes: null,
  stripHours: null,
  weightKg: null,
}

export function LogBench() {
  const { piece, plan } = usePlan()
  const change = useChange()
  const figures = plan?.stations.log?.figures
  const signed = (n: number | null) => (n === null ? '' : `${n > 0 ? '+' : ''}${n.toFixed(0)}%`)
  return (
    <>
      <h1>Log</h1>
      <p>What did happen, beside what was planned.</p>
      {figures ? (
        <NewRecord
          key={`${piece.id}${figures.pourCount}`}
          planned={figures.plannedNow}
          mixName={plan?.stations.mix?.figures.mixName ?? ''}
        />
      ) : (
        <p>A pour can be logged when nothing stops it.</p>
      )}
      <h2>Pours of this piece</h2>
      {figures?.pours.length === 0 && <p>None yet. The first record starts the comparison.</p>}
      {[...(figures?.pours ?? [])].reverse().map((p) => (
        <div key={p.id} className="border-b py-2">
          <div className="label flex items-baseline justify-between text-[16px]">
            <strong>{p.on}</strong>
            <button
              type="button"
              className="word text-soft"
              onClick={() => change(`remove the pour of ${p.on}`, { type: 'pourRemoved', pourId: p.id })}
            >
              remove
            </button>
          </div>
          <table className="list">
            <thead>
              <tr>
                <th>figure</th>
                <th className="n">planned</th>
                <th className="n">real</th>
                <th className="n">off</th>
              </tr>
            </thead>
            <tbody>
              {(
                [
                  ['bags', p.bags, 2],
                  ['water a bag, L', p.waterLitresPerBag, 1],
                  ['strip, h', p.stripHours, 0],
                  ['weight, kg', p.weightKg, 1],
                ] as const
              ).map(([name, c, digits]) => (
                <tr key={name}>
                  <td>{name}</td>
                  <td className="n">{c.planned?.toFixed(digits) ?? '–'}</td>
                  <td className="n">{c.actual?.toFixed(digits) ?? '–'}</td>
                  <td className="n">{signed(c.offByPercent)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {p.causes.length > 0 && (
            <p>
              {p.faults.map((f) => FAULTS.find(([id]) => id === f)?.[1] ?? f).join(', ')}: check{' '}
              {p.causes.slice(0, 3).join(', ')}.
            </p>
          )}
          {p.nextTime && <p>Next time: {p.nextTime}</p>}
        </div>
      ))}
    </>
  )
}

/** Everything that can be measured on the day; what was not is left empty. */
function NewRecord({ planned, mixName }: { planned: PlannedPour; mixName: string }) {
  const { piece } = usePlan()
  const change = useChange()
  const [on, setOn] = useState(piece.pour.start.slice(0, 10))
  const [actual, setActual] = useState<Actual>(NOTHING)
  const [faults, setFaults] = useState<readonly Fault[]>([])
  const [nextTime, setNextTime] = useState('')
  const field = (label: string, key: keyof Actual, unit: string, hint: number | null, digits = 1) => (
    <NumberField
      label={label}
      unit={unit}
      optional
      min={key === 'temperatureDegC' ? -30 : 0}
      max={1e6}
      value={actual[key]}
      placeholder={hint === null ? '' : hint.toFixed(digits)}
      onCommit={(n) => setActual({ ...actual, [key]: n })}
    />
  )
  const save = () =>
    change(`log the pour of ${on}`, {
      type: 'pourLogged',
      pour: {
        id: newId('pour'),
        pieceId: piece.id,
        pieceName: piece.name,
        on,
        mixName,
        planned,
        actual,
        faults: faults.length > 0 ? [...faults] : ['none'],
        nextTime: nextTime.trim(),
      },
    })
  return (
    <section aria-label="Log a pour">
      <h2>Log a pour</h2>
      <div className="row">
        <label htmlFor="log-on">Poured on</label>
        <input
          id="log-on"
          type="date"
          className="plain-select"
          value={on}
          onChange={(e) => e.target.value && setOn(e.target.value)}
        />
      </div>
      {field('Bags used', 'bags', 'bags', planned.bags)}
      {field('Water a bag', 'waterLitresPerBag', 'L', planned.waterLitresPerBag, 2)}
      {field('Temperature', 'temperatureDegC', '°C', planned.temperatureDegC, 0)}
      {field('Vibrated', 'vibratedMinutes', 'min', null)}
      {field('Stripped after', 'stripHours', 'h', planned.stripHours, 0)}
      {field('Weighed', 'weightKg', 'kg', planned.concreteKg)}
      <fieldset className="pt-2">
        <legend className="label text-[15px] text-soft">Faults seen</legend>
        <div className="flex flex-wrap gap-x-3">
          {FAULTS.map(([id, name]) => (
            <span key={id} className="flex min-h-8 items-center gap-1">
              <Box
                id={`fault-${id}`}
                on={faults.includes(id)}
                onTick={(on) => setFaults(on ? [...faults, id] : faults.filter((f) => f !== id))}
              />
              <label htmlFor={`fault-${id}`} className="label text-[15px]">
                {name}
              </label>
            </span>
          ))}
        </div>
      </fieldset>
      <label className="label block pt-1 text-[15px] text-soft">
        Next time
        <textarea
          className="w-full border border-hair bg-sheet p-1 text-ink"
          rows={2}
          maxLength={2000}
          value={nextTime}
          onChange={(e) => setNextTime(e.target.value)}
        />
      </label>
      <button type="button" className="act mt-2" onClick={save}>
        Log this pour
      </button>
    </section>
  )
}
