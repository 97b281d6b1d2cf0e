import { dayWords, perUnit, unitOf } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { DayAsItWent } from './DayAsItWent.tsx'
import { FAULTS, NewRecord } from './NewRecord.tsx'

export function LogBench() {
  const { job, piece, plan } = usePlan()
  const change = useChange()
  const figures = plan?.stations.log?.figures
  const style = useMeasureStyle()
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
            <strong>{dayWords(p.on)}</strong>
            <button
              type="button"
              className="word text-soft"
              onClick={() =>
                change(`remove the pour of ${dayWords(p.on)}`, { type: 'pourRemoved', pourId: p.id })
              }
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
                  ['bags', p.bags, 2, 1],
                  [
                    `water a bag, ${unitOf('liquid', style, 1)}`,
                    p.waterLitresPerBag,
                    1,
                    perUnit('liquid', style, 1),
                  ],
                  ['strip, h', p.stripHours, 0, 1],
                  [`weight, ${unitOf('mass', style)}`, p.weightKg, 1, perUnit('mass', style)],
                ] as const
              ).map(([name, c, digits, per]) => (
                <tr key={name}>
                  <td>{name}</td>
                  <td className="n">{c.planned === null ? '–' : (c.planned * per).toFixed(digits)}</td>
                  <td className="n">{c.actual === null ? '–' : (c.actual * per).toFixed(digits)}</td>
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
          <DayAsItWent pour={job.pours.find((own) => own.id === p.id)} />
        </div>
      ))}
    </>
  )
}
