import { againstBought, costOfCast, totalCost } from '../../../core/cost.ts'
import { moneyOrNone, showNumber } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { More, Row } from '../../ui/Choice.tsx'
import { NumberField } from '../../ui/NumberField.tsx'

/** What one cast costs over all stations, and against one that is bought. */
export function Money() {
  const { job, piece, plan, looks } = usePlan()
  const change = useChange()
  const cost = plan && costOfCast(job, piece, plan)
  if (!cost) return null
  const money = (n: number | null) => moneyOrNone(n, job.settings.currency)
  const { boughtPrice } = piece.mix
  const against = boughtPrice === null ? null : againstBought(cost, boughtPrice)
  const sign = job.settings.currency?.sign
  return (
    <More title="What one cast costs">
      <div className={looks.finish}>
        <Row label={`Mould, one of ${piece.plannedCasts}`}>{money(cost.mould)}</Row>
        <Row label="Mix">{money(cost.mix)}</Row>
        <Row label="Steel">{money(cost.steel)}</Row>
        <Row
          label={
            cost.unpricedCount > 0 ? `On the faces; ${cost.unpricedCount} without a price` : 'On the faces'
          }
        >
          {money(cost.faces)}
        </Row>
        <Row label={`Hands, ${showNumber(cost.hours, 1)} h`}>{money(cost.work)}</Row>
        <Row
          label={[
            'Together',
            ...(cost.work === null ? ['without the hours'] : []),
            ...(cost.unpricedCount > 0 ? ['without what has no price'] : []),
          ].join(', ')}
        >
          <strong>{money(totalCost(cost))}</strong>
        </Row>
      </div>
      <NumberField
        label="One that is bought"
        {...(sign && { unit: sign })}
        optional
        min={0}
        max={1_000_000}
        placeholder="no price"
        value={boughtPrice}
        onCommit={(n) =>
          change(n === null ? 'no bought price' : `bought for ${n}`, {
            type: 'mixChosen',
            pieceId: piece.id,
            patch: { boughtPrice: n },
          })
        }
      />
      {against && (
        <p role="status">
          {against.saved >= 0
            ? `Your own is ${money(against.saved)} cheaper.`
            : `Your own costs ${money(-against.saved)} more.`}
          {against.perHour !== null &&
            ` With a bought one saved, an hour of your hands brings ${money(against.perHour)}.`}
        </p>
      )}
    </More>
  )
}
