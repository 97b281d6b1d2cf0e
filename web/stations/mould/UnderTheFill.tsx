import { boxChoiceOf } from '../../../core/job/index.ts'
import type { MouldFigures } from '../../../core/mould/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow, useWordsStyle } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'

/** What the wet concrete does to the sides, and what holds them. */
export function UnderTheFill({ figures }: { figures: MouldFigures }) {
  const { piece, looks } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const words = useWordsStyle()
  const { braceSpacing, braceRows } = boxChoiceOf(piece.mould)
  const choose = (spacing: number | null) =>
    change(spacing === null ? 'tops left free' : `braces every ${formatLength(spacing, style)}`, {
      type: 'mouldChosen',
      pieceId: piece.id,
      patch: { braceSpacing: spacing },
    })
  const worst = figures.bowing.reduce<(typeof figures.bowing)[number] | null>(
    (most, row) => (most && most.bowMm >= row.bowMm ? most : row),
    null,
  )
  const braces = figures.bowing.reduce((sum, row) => sum + row.bracesMm.length, 0)
  return (
    <>
      <h2>Under the fill</h2>
      <div className={looks.mould}>
        <QuantityRow label="Pressure at the foot" of="pressure" value={figures.footPressureKPa} digits={1} />
        {worst && <Row label={`Most bow, ${worst.name}`}>{words.fine(worst.bowMm)}</Row>}
        {braces > 0 && (
          <Row label={braceRows === 2 ? 'Braces, top and mid height' : 'Braces across the tops'}>
            {braces}
          </Row>
        )}
      </div>
      <Switch
        label="Tops held by braces"
        on={braceSpacing !== null}
        onSwitch={(on) => choose(on ? 400 : null)}
      />
      {braceSpacing !== null && (
        <MeasureField
          label="Braces no further apart"
          value={braceSpacing}
          min={20}
          onCommit={(spacing) => choose(spacing)}
        />
      )}
      {braceSpacing !== null && (
        <Switch
          label="A rail at mid height too"
          on={braceRows === 2}
          onSwitch={(on) =>
            change(on ? 'a rail at mid height' : 'tops held alone', {
              type: 'mouldChosen',
              pieceId: piece.id,
              patch: { braceRows: on ? 2 : 1 },
            })
          }
        />
      )}
    </>
  )
}
