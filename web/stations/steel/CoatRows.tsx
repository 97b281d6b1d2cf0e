import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'

/** Glass-fibre concrete in coats: how thick the face is, how it goes on, how much glass is in the back. */
export function CoatRows() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const { coats } = piece.steel
  const told = plan?.stations.steel?.figures.coats
  const choose = (label: string, patch: Partial<typeof coats>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { coats: { ...coats, ...patch } } })
  const mm = (n: number) => formatLength(n, style)
  return (
    <>
      <MeasureField
        label="Face coat"
        note="no fibre in it"
        value={coats.face}
        min={1}
        max={20}
        onCommit={(face) => choose(`face coat ${mm(face)}`, { face })}
      />
      <Choice
        label="The face is"
        value={coats.by}
        options={[
          { value: 'sprayed', name: 'sprayed', note: 'even, fine' },
          { value: 'brushed', name: 'brushed', note: 'weaker at edges' },
          { value: 'poured', name: 'poured', note: 'and tilted' },
        ]}
        onChoose={(by) => choose(`face ${by}`, { by })}
      />
      <NumberField
        label="Glass in the back"
        unit="percent"
        value={coats.glassPercent}
        min={0.5}
        max={6}
        show={(n) => String(Math.round(n * 100) / 100)}
        read={(text) => {
          const n = Number(text.replace(',', '.'))
          return Number.isFinite(n) && text.trim() !== '' ? { n } : { why: 'a number is wanted' }
        }}
        onCommit={(glassPercent) =>
          glassPercent !== null && choose(`glass ${glassPercent}`, { glassPercent })
        }
      />
      {told && (
        <div className={looks.steel}>
          <Row label="Back coat, at the thinnest">{mm(told.backMm)}</Row>
          <QuantityRow label="Face" of="volume" value={told.faceLitres} digits={1} />
          <QuantityRow label="Back" of="volume" value={told.backLitres} digits={1} />
          <QuantityRow label="Glass" of="mass" value={told.glassKg} digits={2} />
        </div>
      )}
    </>
  )
}
