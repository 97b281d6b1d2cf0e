import { amountWords, sayItem } from '../../../core/mould/index.ts'
import { wordsStyle } from '../../../core/units/index.ts'
import { More } from '../../ui/Choice.tsx'
import { Lengths } from './Lengths.tsx'
import { useMould } from './useMould.ts'

/** What is bought by the piece: screws by length, sealant, tape, glue, bolts. */
export function Hardware() {
  const { figures, style } = useMould()
  if (!figures || figures.hardware.length + figures.lengths.length === 0) return null
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
          {figures.hardware.map((row) => {
            const { name, note } = sayItem(row, wordsStyle(style))
            return (
              <tr key={name}>
                <td>
                  {name}
                  {note && <span className="block text-[13px] leading-tight text-soft">{note}</span>}
                </td>
                <td className="n">{amountWords(row.amount, row.unit, wordsStyle(style))}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {figures.lengths.map((l) => (
        <Lengths key={l.name} layout={l} />
      ))}
    </More>
  )
}
