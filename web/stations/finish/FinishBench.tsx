import { showNumber } from '../../../core/units/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useChange } from '../../app/store.ts'
import { Caution, Choice, Pick, Row } from '../../ui/Choice.tsx'

export function FinishBench() {
  const { piece, plan, job, fresh } = usePlan()
  const change = useChange()
  const figures = plan?.stations.finish?.figures
  const choose = (label: string, patch: Partial<typeof piece.finish>) =>
    change(label, { type: 'finishChosen', pieceId: piece.id, patch })
  return (
    <>
      <h1>Finish</h1>
      <p>{figures ? `Ready for use ${figures.daysToUse} days after the pour.` : ''}</p>
      <Choice
        label="Face"
        value={piece.finish.sanding}
        options={[
          { value: 'as-cast', name: 'as cast' },
          { value: 'light', name: 'light', note: '220' },
          { value: 'wet-400', name: 'wet', note: '220, 400' },
        ]}
        onChoose={(sanding) => choose(`sanding ${sanding}`, { sanding })}
      />
      <Pick
        label="Sealer"
        value={piece.finish.sealer}
        options={job.stock.sealers}
        onChoose={(sealer) => choose('sealer', { sealer })}
      />
      {figures && (
        <div className={fresh ? '' : 'stale'}>
          <Row label={`${figures.sealer}, ${figures.coats} coats`} unit={figures.sealerUnit}>
            {figures.sealerAmount.toFixed(2)}
          </Row>
          <Row label="Face and edges" unit="m²">
            {figures.faceAreaM2.toFixed(2)}
          </Row>
          <Row label="Turns, with people" unit={figures.turnPeople > 8 ? 'machine' : 'people'}>
            {figures.turns} × {figures.turnPeople > 8 ? '' : figures.turnPeople}
          </Row>
          <h2>Steps</h2>
          <table className="list">
            <tbody>
              {figures.steps.map((s, i) => (
                <tr key={`${s.code}${i}`}>
                  <td className="n text-left! pr-2!">{showNumber(s.startHours / 24, 1)} d</td>
                  <td className="leading-tight">
                    {s.text}
                    {s.amount !== null && (
                      <span className="block text-[13px] text-soft">
                        {showNumber(s.amount, 2)} {s.unit}
                      </span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Caution>
        Concrete dust scars the lungs: sand wet or with extraction, and wear a respirator. Electric tools and
        water: only through a residual-current switch.
      </Caution>
    </>
  )
}
