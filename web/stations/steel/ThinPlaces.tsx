import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { pointedAt, thinPlaceCut } from '../../state/viewSlice.ts'

/** The thinnest places, each between what and how thin; pressed, the piece is cut through there. */
export function ThinPlaces() {
  const { plan, looks } = usePlan()
  const style = useMeasureStyle()
  const dispatch = useAppDispatch()
  const lit = useAppSelector((s) => s.view.lit)
  const places = plan?.stations.steel?.figures.thinPlaces ?? []
  const mm = (n: number) => formatLength(n, style)
  return (
    <div className={looks.steel}>
      <h2>Thinnest places</h2>
      {places.map((p, i) => (
        <div
          key={`${p.between.join()}${p.xMm}${p.yMm}${p.zMm}`}
          className={`row ${lit === `place/${i}` ? 'lit' : ''}`}
          onPointerEnter={() => dispatch(pointedAt(`place/${i}`))}
          onPointerLeave={() => dispatch(pointedAt(null))}
        >
          <button type="button" className="word text-left" onClick={() => dispatch(thinPlaceCut(i))}>
            {p.whole ? 'the slab itself' : `${p.between[0]} to ${p.between[1]}`}
          </button>
          <span className="value">{mm(p.leastMm)}</span>
        </div>
      ))}
    </div>
  )
}
