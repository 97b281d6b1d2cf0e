import { showNumber } from '../../../core/units/index.ts'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { useMould } from './useMould.ts'

/** One row a printed part; pointing at it lights the part. */
export function Prints() {
  const { figures, look, mm } = useMould()
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  if (!figures || figures.prints.length === 0) return null
  const sizes = new Map(figures.parts.map((p) => [p.id, p]))
  return (
    <>
      <h2>To print</h2>
      <table className={`list ${look}`}>
        <thead>
          <tr>
            <th>Part</th>
            <th className="n">Size</th>
            <th className="n">g</th>
            <th className="n">h</th>
          </tr>
        </thead>
        <tbody>
          {figures.prints.map((row) => {
            const size = sizes.get(row.partId)
            return (
              <tr
                key={row.partId}
                className={lit === row.partId ? 'lit' : ''}
                onPointerEnter={() => dispatch(pointedAt(row.partId))}
                onPointerLeave={() => dispatch(pointedAt(null))}
              >
                <td>{row.name}</td>
                <td className="n">
                  {size &&
                    size.lengthMm > 0 &&
                    `${mm(size.lengthMm)} × ${mm(size.widthMm)} × ${mm(size.thicknessMm)}`}
                </td>
                <td className="n">{showNumber(row.grams, 0)}</td>
                <td className="n">{showNumber(row.hours, 1)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}
