import { TABLE_CORNERS } from '../../../core/mould/index.ts'
import { formatCut } from '../../../core/units/index.ts'
import { More, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { QuantityRow } from '../../ui/Quantity.tsx'
import { Switch } from '../../ui/Switch.tsx'
import { useMould } from './useMould.ts'

/** Heights measured at the corners of the table, and what to put under each. */
export function TableLevel() {
  const { mould, figures, choose, style } = useMould()
  const { table } = mould
  const level = figures?.level
  return (
    <More title="Level of the table">
      <Switch
        label="Measured at its corners"
        on={table !== null}
        onSwitch={(on) => choose(on ? 'table measured' : 'table level', { table: on ? [0, 0, 0, 0] : null })}
      />
      {table?.map((height, i) => (
        <MeasureField
          key={TABLE_CORNERS[i]}
          label={`Height ${TABLE_CORNERS[i]}`}
          value={height}
          min={-1000}
          max={1000}
          allowNegative
          onCommit={(h) =>
            choose(`table ${TABLE_CORNERS[i]}`, { table: table.map((own, j) => (j === i ? h : own)) })
          }
        />
      ))}
      {level && (
        <>
          {level.shimsMm.map((shim, i) => (
            <Row key={TABLE_CORNERS[i]} label={`Shim ${TABLE_CORNERS[i]}`}>
              {formatCut(shim, style)}
            </Row>
          ))}
          <Row label="Left as it is, deeper at the low corner by">{formatCut(level.depthErrorMm, style)}</Row>
          <QuantityRow label="and heavier by" of="mass" value={level.extraKg} digits={1} />
        </>
      )}
    </More>
  )
}
