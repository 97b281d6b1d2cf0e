import { showNumber } from '../../../core/units/index.ts'
import { More } from '../../ui/Choice.tsx'
import { useMould } from './useMould.ts'

/** What is bought by the piece: screws by length, sealant, tape, glue, bolts. */
export function Hardware() {
  const { figures } = useMould()
  if (!figures || figures.hardware.length === 0) return null
  return (
    <More title="Hardware">
      <table className="list">
        <thead className="sr-only">
          <tr>
            <th>What</th>
            <th>How much</th>
          </tr>
        </thead>
        <tbody>
          {figures.hardware.map((row) => (
            <tr key={row.name}>
              <td>
                {row.name}
                {row.note && <span className="block text-[13px] leading-tight text-soft">{row.note}</span>}
              </td>
              <td className="n">
                {showNumber(row.amount, 2)} {row.unit}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </More>
  )
}
