import { sayItem } from '../../../core/mould/index.ts'
import { showNumber, showQuantity, wordsStyle } from '../../../core/units/index.ts'
import { Row } from '../../ui/Choice.tsx'
import { useMould } from './useMould.ts'

/** Which of the units of a fact are told in the reader’s own. */
const KINDS = { kg: 'mass', L: 'volume', N: 'force', m: 'run', m2: 'area', g: 'grams', cm2: 'patch' } as const

/** What the maker sets out by, line by line, with what it means. */
export function Facts() {
  const { figures, look, mm, style } = useMould()
  if (!figures || figures.facts.length === 0) return null
  return (
    <div className={look}>
      {figures.facts.map((fact) => {
        const { value, unit } = fact
        const { name, note } = sayItem(fact, wordsStyle(style))
        const kind = KINDS[unit as keyof typeof KINDS]
        const shown =
          unit === 'mm'
            ? { figure: mm(value), unit: '' }
            : kind
              ? showQuantity(kind, value, value < 10 ? 2 : 0, style)
              : {
                  figure: showNumber(value, value < 10 && unit !== '' ? 2 : 0),
                  unit: unit.replace('deg', '°'),
                }
        return (
          <Row
            key={fact.code}
            label={
              <>
                {name}
                {note && <span className="block text-[13px] leading-tight text-soft">{note}</span>}
              </>
            }
            unit={shown.unit}
          >
            {shown.figure}
          </Row>
        )
      })}
    </div>
  )
}
