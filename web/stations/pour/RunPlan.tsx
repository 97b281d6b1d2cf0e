import { addDays, format } from 'date-fns'
import { useMemo, useState } from 'react'
import { cycleMinutes, mouldsInDays, runDays, turnOf } from '../../../core/pour/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { More, Row } from '../../ui/Choice.tsx'
import { NumberField } from '../../ui/NumberField.tsx'

/** Days told of a long run. */
const TOLD = 14

/** How moulds are turned over until all pieces of a kind are cast, day by day, and how many moulds a date wants. */
export function RunPlan() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const [inDays, setInDays] = useState<number | null>(null)
  const pour = plan?.stations.pour
  const { quantity, mouldCount } = piece
  const { hours } = job.settings
  const turn = useMemo(() => (pour ? turnOf(pour.work, pour.figures.placedByMinutes) : null), [pour])
  const days = useMemo(
    () => (turn ? runDays({ pieces: quantity, moulds: mouldCount, turn, hours }) : null),
    [turn, quantity, mouldCount, hours],
  )
  const wanted = useMemo(
    () =>
      turn && inDays !== null && quantity <= 200
        ? mouldsInDays({ pieces: quantity, turn, hours }, inDays)
        : null,
    [turn, inDays, quantity, hours],
  )
  const casts = plan?.stations.mould?.figures.lifeCasts ?? Infinity
  if (quantity < 2 || !turn) return null
  // What is cut off its cast is not turned over.
  if (casts <= 1)
    return (
      <More title={`All ${quantity}, day by day`}>
        <p>Each cast takes a mould of its own: this one lasts for one, so none is turned over.</p>
      </More>
    )
  const start = new Date(`${piece.pour.start}:00`)
  const numbers = (list: readonly number[]) => (mouldCount > 1 ? ` (mould ${list.join(', ')})` : '')
  return (
    <More title={`All ${quantity}, day by day`}>
      <div className={looks.pour}>
        <Row label="One turn of a mould" unit="h">
          {showNumber(cycleMinutes(turn) / 60, 1)}
        </Row>
        <NumberField
          label="Moulds"
          value={mouldCount}
          min={1}
          max={1000}
          whole
          onCommit={(n) =>
            n !== null &&
            change(`${n} moulds`, { type: 'pieceDescribed', pieceId: piece.id, patch: { mouldCount: n } })
          }
        />
        {days ? (
          <>
            <p>
              The last comes off on day {days.at(-1)!.day},{' '}
              {format(addDays(start, days.at(-1)!.day - 1), 'EEE d MMM')}.
            </p>
            <ol className="list-none pl-0">
              {days.slice(0, TOLD).map((d) => (
                <li key={d.day} className="label border-b py-1 text-[15px]">
                  <strong>{format(addDays(start, d.day - 1), 'EEE d MMM')}</strong>:{' '}
                  {[
                    ...(d.stripped.length > 0 ? [`strip ${d.stripped.length}${numbers(d.stripped)}`] : []),
                    ...(d.poured.length > 0 ? [`pour ${d.poured.length}${numbers(d.poured)}`] : []),
                  ].join(', ')}
                </li>
              ))}
            </ol>
            {days.length > TOLD && <p>and {days.length - TOLD} days more.</p>}
          </>
        ) : (
          <p>With so few moulds it takes over a year.</p>
        )}
        <NumberField
          label="All of them in"
          unit="days"
          optional
          min={1}
          max={400}
          whole
          value={inDays}
          onCommit={setInDays}
        />
        {inDays !== null && (
          <p role="status">
            {wanted === null
              ? `No number of moulds that is looked at is enough for ${inDays} ${inDays === 1 ? 'day' : 'days'}.`
              : `${wanted} ${wanted === 1 ? 'mould is' : 'moulds are'} enough.`}
          </p>
        )}
      </div>
    </More>
  )
}
