import { formatLength, wordsStyle } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'

/** Thinner than this a piece has no room for a former with concrete round it, mm. */
const THICK = 140
const USUAL = { material: 'xps', cover: 60, drain: 12 } as const

/** A light body inside a thick piece: how much concrete stays round it, what it saves, what holds it down. */
export function VoidBench() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const geometry = plan?.stations.piece?.geometry
  const told = plan?.stations.piece?.figures.voidFormer
  const hold = plan?.stations.steel?.figures.voidHold
  const { voidFormer } = piece
  const mm = (n: number) => formatLength(n, style)
  const thick = geometry && Math.min(geometry.length, geometry.width, geometry.thickness) >= THICK
  if (!thick && !voidFormer) return null
  const choose = (label: string, next: typeof voidFormer) =>
    change(label, { type: 'pieceDescribed', pieceId: piece.id, patch: { voidFormer: next } })
  return (
    <div className={looks.steel}>
      <h2>Lightened</h2>
      <Switch
        label="Void former inside"
        on={voidFormer !== null}
        onSwitch={(on) => choose(on ? 'a void former' : 'cast solid', on ? USUAL : null)}
      />
      {voidFormer && (
        <>
          <Choice
            label="Of"
            hideLabel
            value={voidFormer.material}
            options={[
              { value: 'xps', name: 'XPS', note: 'takes no water' },
              { value: 'eps', name: 'EPS', note: 'wrapped in film' },
            ]}
            onChoose={(material) => choose(`void former of ${material}`, { ...voidFormer, material })}
          />
          <MeasureField
            label="Concrete round it"
            value={voidFormer.cover}
            min={20}
            max={1000}
            onCommit={(cover) => choose(`${mm(cover)} round the void former`, { ...voidFormer, cover })}
          />
          <MeasureField
            label="Drain"
            note="0 for none"
            value={voidFormer.drain}
            min={0}
            max={60}
            onCommit={(drain) => choose(`drain ${mm(drain)}`, { ...voidFormer, drain })}
          />
          {told && (
            <>
              <Row label="Former">
                {mm(told.lengthMm)} × {mm(told.widthMm)} × {mm(told.heightMm)}
              </Row>
              <QuantityRow label="Saves" of="mass" value={told.savedKg} digits={1} />
            </>
          )}
          {hold && (
            <Row label={`Held down by ${hold.straps} straps against`}>
              {wordsStyle(style).newtons(hold.holdForceN)}
            </Row>
          )}
        </>
      )}
    </div>
  )
}
