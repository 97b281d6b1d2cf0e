import type { MaterialRow } from '../../../core/mould/index.ts'
import { sayLengths, showNumber } from '../../../core/units/index.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'

/** What is bought for a mould beside boards, each with what to know about it. */
export function Materials({ title, rows }: { title: string; rows: readonly MaterialRow[] }) {
  const style = useMeasureStyle()
  if (rows.length === 0) return null
  return (
    <>
      <h2>{title}</h2>
      <table className="list">
        <thead className="sr-only">
          <tr>
            <th>What</th>
            <th>How much</th>
            <th>Cost</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.name}>
              <td>
                {row.name}
                <span className="block text-[13px] leading-tight text-soft">
                  {sayLengths(row.note, style)}
                </span>
              </td>
              <td className="n">
                {showNumber(row.amount, 2)} {row.unit}
              </td>
              <td className="n">{row.cost === null ? 'no price' : row.cost.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
