import { holdWords } from '../../../core/mould/index.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { useMould } from './useMould.ts'

/** What floats, how hard, and what holds it down. */
export function HoldDown() {
  const { figures, mould, choose } = useMould()
  const words = useWordsStyle()
  const rows = figures?.holdDown.filter((h) => h.holdForceN > 0) ?? []
  if (rows.length === 0) return null
  return (
    <>
      <Choice
        label="Held down by"
        value={mould.holdBy}
        options={[
          { value: 'screws', name: 'screws', note: 'from below' },
          { value: 'glue', name: 'glue', note: 'under it' },
          { value: 'weight', name: 'weight', note: 'on a bridge' },
        ]}
        onChoose={(holdBy) => choose(`held down by ${holdBy}`, { holdBy })}
      />
      {rows.map((h) => (
        <Row
          key={`${h.partId}${h.name}`}
          label={
            <>
              {h.name}
              <span className="block text-[13px] leading-tight text-soft">
                against {words.newtons(h.holdForceN)}
              </span>
            </>
          }
        >
          {holdWords(h, words)}
        </Row>
      ))}
    </>
  )
}
