import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Row } from '../../ui/Choice.tsx'

/** The thinnest places, each between what, how thin, and over how much. */
export function ThinPlaces() {
  const { plan, looks } = usePlan()
  const style = useMeasureStyle()
  const figures = plan?.stations.steel?.figures
  const mm = (n: number) => formatLength(n, style)
  return (
    <div className={looks.steel}>
      <h2>Thinnest places</h2>
      {figures?.thinPlaces.map((p) => (
        <Row
          key={`${p.between.join()}${p.xMm}${p.yMm}${p.zMm}`}
          label={p.whole ? 'the slab itself' : `${p.between[0]} to ${p.between[1]}`}
        >
          {mm(p.leastMm)}
        </Row>
      ))}
    </div>
  )
}
