import { showNumber } from '../../../core/units/index.ts'
import { Row } from '../../ui/Choice.tsx'
import { useMould } from './useMould.ts'

/** What the maker sets out by, line by line, with what it means. */
export function Facts() {
  const { figures, mm } = useMould()
  if (!figures || figures.facts.length === 0) return null
  return (
    <>
      {figures.facts.map(({ label, value, unit, note }) => (
        <div key={label}>
          <Row label={label} unit={unit === 'mm' ? '' : unit}>
            {unit === 'mm' ? mm(value) : showNumber(value, value < 10 && unit !== '' ? 2 : 0)}
          </Row>
          {note && <p className="text-[13px] leading-tight text-soft -mt-1 mb-1">{note}</p>}
        </div>
      ))}
    </>
  )
}
