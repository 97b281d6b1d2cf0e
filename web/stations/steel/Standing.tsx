import { formatLength, wordsStyle } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Choice, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'

/** How it stands: what tips it, or its footing. */
export function Standing() {
  const { piece, plan, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const told = plan?.stations.steel?.figures.standing
  const { standing } = piece.steel
  const height = plan?.stations.piece?.geometry.height ?? 0
  if (!told || height < TALL) return null
  const choose = (label: string, patch: Partial<typeof standing>) =>
    change(label, { type: 'steelChosen', pieceId: piece.id, patch: { standing: { ...standing, ...patch } } })
  const mm = (n: number) => formatLength(n, style)
  return (
    <div className={looks.steel}>
      <h2>Standing</h2>
      <Choice
        label="Stands"
        value={standing.how}
        options={[
          { value: 'free', name: 'free', note: 'on the ground' },
          { value: 'footing', name: 'in a footing', note: 'set into the ground' },
        ]}
        onChoose={(how) =>
          choose(how === 'free' ? 'stands free' : 'set in a footing', {
            how,
            depth: standing.depth > 0 ? standing.depth : Math.ceil(height / 40) * 10,
          })
        }
      />
      {standing.how === 'footing' && (
        <MeasureField
          label="Into the ground"
          value={standing.depth}
          min={10}
          max={Math.max(20, height - 10)}
          onCommit={(depth) => choose(`${mm(depth)} into the ground`, { depth })}
        />
      )}
      {told.footing ? (
        <>
          <Row label="Above ground">{mm(told.footing.aboveMm)}</Row>
          <Row label="Hole across × deep">
            {mm(told.footing.holeMm)} × {mm(told.footing.holeDepthMm)}
          </Row>
          <QuantityRow label="Concrete round it" of="volume" value={told.footing.concreteLitres} digits={1} />
          <QuantityRow label="Gravel under it" of="volume" value={told.footing.bedLitres} digits={1} />
        </>
      ) : (
        told.tips && (
          <>
            <Row label={`Tips at a push, ${mm(told.tips.pushHeightMm)} up`}>
              {wordsStyle(style).newtons(told.tips.pushN)}
            </Row>
            <Row label="Tips by itself on a slope of">{Math.round(told.tips.angleDeg)}°</Row>
          </>
        )
      )}
    </div>
  )
}
/** What is lower lies, and is not said to stand, mm. */
const TALL = 150
