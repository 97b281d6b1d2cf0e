import { sayItem } from '../../../core/mould/index.ts'
import { showNumber, showQuantity, wordsStyle } from '../../../core/units/index.ts'
import { Row } from '../../ui/Choice.tsx'
import { useMould } from './useMould.ts'

/** Which of the units of a fact are told in the reader’s own. */
const KINDS = { kg: 'mass', L: 'volume', N: 'force', m: 'run', m2: 'area', g: 'grams', cm2: 'patch' } as const

/** A measure with its unit apart: inches carry their own mark. */
function told(text: string): { readonly figure: string; readonly unit: string } {
  const [figure, unit] = text.split(' mm')
  return unit === undefined ? { figure: text, unit: '' } : { figure: figure!, unit: 'mm' }
}

/** What the maker sets out by, line by line, with what it means. */
export function Facts() {
  const { figures, look, style } = useMould()
  if (!figures || figures.facts.length === 0) return null
  const words = wordsStyle(style)
  return (
    <div className={look}>
      {figures.facts.map((fact, i) => {
        const { value, unit } = fact
        const { name, note } = sayItem(fact, words)
        const kind = KINDS[unit as keyof typeof KINDS]
        const shown =
          unit === 'mm'
            ? told(value < 10 ? words.fine(value) : words.mm(value))
            : kind
              ? showQuantity(kind, value, value < 10 ? 2 : 0, style)
              : {
                  figure: showNumber(value, value < 10 && unit !== '' ? 2 : 0),
                  unit: unit.replace('deg', '°'),
                }
        return (
          <Row
            key={`${fact.code}/${i}`}
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
