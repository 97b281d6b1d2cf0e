import { usePlan } from '../../state/PlanContext.tsx'
import { Row } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** What the steel is tied and held with. */
export function Tied() {
  const { plan, looks } = usePlan()
  const words = useWordsStyle()
  const figures = plan?.stations.steel?.figures
  if (!figures || figures.tying.tieCount + figures.tying.holdCount === 0) return null
  const { tieCount, tieWireMm, holdCount } = figures.tying
  return (
    <div className={looks.steel}>
      {tieCount > 0 && (
        <Row label={`${tieCount} ${tieCount === 1 ? 'tie' : 'ties'}, soft wire`}>
          {words.metres(tieWireMm / 1000, 1)}
        </Row>
      )}
      {holdCount > 0 && (
        <Row label={figures.placed === 'chairs' ? 'Mortar chairs' : 'Hanging wires'}>{holdCount}</Row>
      )}
    </div>
  )
}
