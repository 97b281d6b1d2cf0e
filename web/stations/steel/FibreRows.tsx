import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Choice } from '../../ui/Choice.tsx'
import { NumberField } from '../../ui/NumberField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'

/** Which fibre, how much a cubic metre, and what that is for this pour. */
export function FibreRows() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const { fibre } = piece.steel
  const choose = (label: string, patch: Partial<typeof fibre>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { fibre: { ...fibre, ...patch } } })
  const kg = plan?.stations.steel?.figures.fibreKg
  const us = useMeasureStyle().units !== 'mm'
  const per = us ? LB_PER_YD3 : 1
  return (
    <>
      <Choice
        label="Fibre"
        value={fibre.of}
        options={[
          { value: 'ar-glass', name: 'AR glass', note: '12 mm, alkali-resistant' },
          { value: 'pva', name: 'PVA', note: 'holds wider cracks' },
        ]}
        onChoose={(of) => choose(`${of} fibre`, { of })}
      />
      <NumberField
        label="Dose"
        unit={us ? 'lb a yd³' : 'kg a m³'}
        value={fibre.kgPerM3}
        min={0.1}
        max={100}
        show={(n) => String(Math.round(n * per * 100) / 100)}
        read={(text) => {
          const n = Number(text.replace(',', '.'))
          return Number.isFinite(n) && text.trim() !== '' ? { n: n / per } : { why: 'a number is wanted' }
        }}
        onCommit={(kgPerM3) => kgPerM3 !== null && choose(`fibre ${fibre.of}`, { kgPerM3 })}
      />
      {kg !== undefined && (
        <div className={looks.steel}>
          <QuantityRow label="In the cast" of="mass" value={kg} digits={3} />
        </div>
      )}
    </>
  )
}

/** Of 1 kg/m3. */
const LB_PER_YD3 = 1.68555
