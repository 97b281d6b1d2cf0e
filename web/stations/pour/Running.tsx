import { Link } from 'react-router'
import { equivalentAge, maturity, strengthAt } from '../../../core/ageing/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { Row } from '../../ui/Choice.tsx'
import { QuantityRow, useWordsStyle } from '../../ui/Quantity.tsx'
import { dayTime } from './dayTime.ts'
import { LoggerFile } from './LoggerFile.tsx'
import { loggedPour, usedUp } from './loggedPour.ts'

/** The way to the screen of the pour itself, and how far a pour is that goes on. */
export function Running() {
  const { piece, job, plan } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  const { running, zone } = piece.pour
  const record = plan && loggedPour(piece, plan)
  const ageing = plan?.stations.pour?.ageing
  const readings = running?.readings.filter((r) => r.of === 'concrete') ?? []
  const last = readings.at(-1)
  return (
    <>
      <p>
        <Link className="act inline-flex items-center" to={`/job/${job.id}/${piece.id}/pour-day`}>
          {running ? 'Go on with the pour' : 'Pour it now, step by step'}
        </Link>
      </p>
      {running && (
        <p role="status">
          {running.water
            ? `A pour goes on since ${dayTime(running.water, zone, 0)}: ${running.done.length} done. The day below follows it.`
            : 'Something is weighed already; no water has met it yet.'}{' '}
          <button
            type="button"
            className="word"
            onClick={() =>
              change('give up the pour', {
                type: 'pourPlanned',
                pieceId: piece.id,
                patch: { running: null },
              })
            }
          >
            give it up
          </button>
          {record && running.done.length > 0 && (
            <>
              {' '}
              <button
                type="button"
                className="word"
                onClick={() => {
                  change('log the pour', record)
                  usedUp(plan)
                }}
              >
                log it as it is
              </button>
            </>
          )}
        </p>
      )}
      {running?.water && <LoggerFile running={running} water={running.water} />}
      {last && ageing && running?.water && (
        <>
          <h2>As it was read last, {dayTime(running.water, zone, last.minutes)}</h2>
          <Row label="Concrete" unit="">
            {words.degC(last.degC)}
          </Row>
          <QuantityRow
            label="Strength reckoned from it"
            of="stress"
            value={strengthAt(
              ageing.curve,
              equivalentAge(ageing.course, last.minutes) - equivalentAge(ageing.course, ageing.lastWater),
            )}
            digits={1}
          />
          <Row label={`As old as if at ${words.degC(20)}`} unit="h">
            {showNumber(equivalentAge(ageing.course, last.minutes) / 60, 1)}
          </Row>
          <Row label="Degree hours from -10 °C, as a logger sums them" unit="°C h">
            {showNumber(maturity(ageing.course, last.minutes, -10), 0)}
          </Row>
        </>
      )}
    </>
  )
}
