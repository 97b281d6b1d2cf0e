import type { Odds } from '../../../core/pour/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { Row } from '../../ui/Choice.tsx'

const percent = (n: number): string => showNumber(n, n < 10 ? 1 : 0)

/** How often each thing goes wrong when the pour is gone through many times, with the limits of each. */
export function RehearsalOdds() {
  const { plan, solidFresh } = usePlan()
  const pour = plan?.stations.pour
  if (!pour) return null
  const { rehearsal } = pour
  const coats = plan.work.some((op) => op.code === 'place-face')
  return (
    <>
      <h2>Rehearsed</h2>
      {rehearsal ? (
        <div className={solidFresh ? '' : 'stale'}>
          <p>
            Of {showNumber(rehearsal.runCount, 0)} pours with other luck: longer at one thing, shorter at
            another, a mix that sets sooner, a day that is colder.
          </p>
          <OddsRow label="Meets concrete that has set" odds={rehearsal.coldJoint} />
          <OddsRow label="The mix does not fill the form" odds={rehearsal.outOfMix} />
          <OddsRow label="Stiff before it is struck off" odds={rehearsal.outOfTime} />
          <OddsRow label="Stripped over a quarter later" odds={rehearsal.stripLate} />
        </div>
      ) : (
        <p>
          {coats
            ? 'Coats are not rehearsed: the back waits for its face, which only a finger tells.'
            : 'It is rehearsed once the solids are there.'}
        </p>
      )}
    </>
  )
}

function OddsRow({ label, odds }: { label: string; odds: Odds }) {
  return (
    <Row label={label} unit={`in 100 (${percent(odds.lowPercent)} to ${percent(odds.highPercent)})`}>
      {percent(odds.percent)}
    </Row>
  )
}
