import { amountWords, type MaterialRow, sayItem } from '../../../core/mould/index.ts'
import { wordsStyle } from '../../../core/units/index.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'

/** What is bought for a mould beside boards, each with what to know about it. */
export function Materials({ title, rows }: { title: string; rows: readonly MaterialRow[] }) {
  const style = wordsStyle(useMeasureStyle())
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
          {rows.map((row) => {
            const { name, note } = sayItem(row, style)
            return (
              <tr key={name}>
                <td>
                  {name}
                  <span className="block text-[13px] leading-tight text-soft">{note}</span>
                </td>
                <td className="n">{amountWords(row.amount, row.unit, style)}</td>
                <td className="n">{row.cost === null ? 'no price' : style.money(row.cost)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}
