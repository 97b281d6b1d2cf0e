import { Pick, Row } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { CutTable } from './CutTable.tsx'
import { Materials } from './Materials.tsx'
import { BasePick } from './StockPicks.tsx'
import { useMould } from './useMould.ts'

/** A card tube: which one, the board it stands on, what holds it against the fill. */
export function TubeBench() {
  const { mould, figures, job, choose, mm } = useMould('tube')
  const words = useWordsStyle()
  return (
    <>
      <Pick
        label="Tube"
        value={mould.tube}
        options={job.stock.tubes}
        onChoose={(tube) => choose('tube', { tube })}
      />
      <BasePick />
      {figures && <Materials title="Tube and core" rows={figures.materials} />}
      {figures && figures.straps.count > 0 && (
        <Row
          label={`${words.sold('50 mm', '2"')} filament tape, every ${mm(figures.straps.spacingMm)} from the foot`}
          unit="turns"
        >
          {figures.straps.count}
        </Row>
      )}
      {figures && (
        <p>
          {words.kpa(figures.footPressureKPa)} at the foot. Card swells in wet concrete: wax or line it
          inside, keep it dry outside, and never plan to slide it off.
        </p>
      )}
      <CutTable />
    </>
  )
}
