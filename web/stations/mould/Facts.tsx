import { sayItem } from '../../../core/mould/index.ts'
import { showNumber, wordsStyle } from '../../../core/units/index.ts'
import { Row } from '../../ui/Choice.tsx'
import { useMould } from './useMould.ts'

/** What the maker sets out by, line by line, with what it means. */
export function Facts() {
  const { figures, look, mm, style } = useMould()
  if (!figures || figures.facts.length === 0) return null
  return (
    <div className={look}>
      {figures.facts.map((fact) => {
        const { value, unit } = fact
        const { name, note } = sayItem(fact, wordsStyle(style))
        return (
          <Row
            key={fact.code}
            label={
              <>
                {name}
                {note && <span className="block text-[13px] leading-tight text-soft">{note}</span>}
              </>
            }
            unit={unit === 'mm' ? '' : unit.replace('m2', 'm²').replace('deg', '°')}
          >
            {unit === 'mm' ? mm(value) : showNumber(value, value < 10 && unit !== '' ? 2 : 0)}
          </Row>
        )
      })}
    </div>
  )
}
