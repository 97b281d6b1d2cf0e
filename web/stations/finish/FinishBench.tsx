import { rowAmount } from '../../../core/stock/index.ts'
import { showNumber } from '../../../core/units/index.ts'
import { isFinishing, takenWords } from '../../../core/work/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useWork } from '../../state/useWork.ts'
import { Caution, Choice, Pick, Row } from '../../ui/Choice.tsx'
import { QuantityRow, useWordsStyle } from '../../ui/Quantity.tsx'

export function FinishBench() {
  const { piece, plan, job, looks } = usePlan()
  const change = useChange()
  const words = useWordsStyle()
  const figures = plan?.stations.finish?.figures
  const steps = useWork(isFinishing)
  const choose = (label: string, patch: Partial<typeof piece.finish>) =>
    change(label, { type: 'finishChosen', pieceId: piece.id, patch })
  return (
    <>
      <h1>Finish</h1>
      <p>
        {figures
          ? figures.daysToUse === null
            ? 'It never gets strong enough to finish.'
            : `Ready for use ${figures.daysToUse} days after the pour.`
          : ''}
      </p>
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
        <div className={looks.finish}>
          <Row label={`${figures.sealer}, ${figures.coats} ${figures.coats === 1 ? 'coat' : 'coats'}`}>
            {rowAmount(figures.sealerAmount, figures.sealerUnit, 2, words)}
          </Row>
          <QuantityRow label="Face and edges" of="area" value={figures.faceAreaM2} digits={2} />
          {figures.turnKg === null ? (
            <Row label="Turned over">never</Row>
          ) : (
            <Row
              label={`Turned over ${figures.turns === 1 ? 'once' : `${figures.turns} times`}, ${words.kg(figures.turnKg)}`}
              unit={figures.turnPeople === null ? '' : figures.turnPeople === 1 ? 'person' : 'people'}
            >
              {figures.turnPeople ?? 'by machine'}
            </Row>
          )}
          <h2>Steps</h2>
          <table className="list">
            <tbody>
              {steps.map(({ text, of: [op] }) => (
                <tr key={op!.id}>
                  <td className="n text-left! pr-2!">
                    {op!.startMinutes === null ? 'never' : `${showNumber(op!.startMinutes / 1440, 1)} d`}
                  </td>
                  <td className="leading-tight">
                    {text}
                    {op!.takes.map((t) => (
                      <span key={t.name} className="block text-[13px] text-soft">
                        {takenWords(t, words)}
                      </span>
                    ))}
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
