import { Pick, Row } from '../../ui/Choice.tsx'
import { MeasureField } from '../../ui/MeasureField.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { CutTable } from './CutTable.tsx'
import { Facts } from './Facts.tsx'
import { BasePick, SealantPick } from './StockPicks.tsx'
import { useMould } from './useMould.ts'

/** A sheet bent into a ring: which, how far it laps, the board it stands on, what holds it against the fill. */
export function RingBench() {
  const { mould, figures, job, choose, mm } = useMould('ring')
  const words = useWordsStyle()
  return (
    <>
      <Pick
        label="Sheet"
        value={mould.skin}
        options={job.stock.skins}
        onChoose={(skin) => choose('sheet', { skin })}
      />
      <MeasureField
        label="Overlap"
        value={mould.overlap}
        min={0}
        max={500}
        onCommit={(overlap) => choose(`overlap ${mm(overlap)}`, { overlap })}
      />
      <BasePick />
      <SealantPick />
      {figures && (
        <Row
          label={
            figures.straps.count > 1
              ? `${words.sold('50 mm', '2"')} filament tape, every ${mm(figures.straps.spacingMm)} from the foot`
              : `${words.sold('50 mm', '2"')} filament tape, at mid height`
          }
          unit={figures.straps.count === 1 ? 'turn' : 'turns'}
        >
          {figures.straps.count}
        </Row>
      )}
      <Facts />
      <CutTable />
    </>
  )
}
