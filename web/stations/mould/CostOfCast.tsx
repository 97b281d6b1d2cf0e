import { useState } from 'react'
import type { MouldFigures } from '../../../core/mould/index.ts'
import { formatMoney } from '../../../core/units/index.ts'
import { useAppSelector } from '../../state/store.ts'

/** What a cast costs, and of which boards: whole sheets as they are bought, or what is used of them, at a press. */
export function CostOfCast({
  figures: { costPerCast, usedCostPerCast },
  casts,
}: {
  figures: Pick<MouldFigures, 'costPerCast' | 'usedCostPerCast'>
  casts: number
}) {
  const currency = useAppSelector((s) => s.job.job!.settings.currency)
  const [used, setUsed] = useState(false)
  const shown = used ? usedCostPerCast : costPerCast
  if (shown === null) return <>No price for these boards</>
  return (
    <>
      Costs {formatMoney(shown, currency)} a cast over {casts},{' '}
      <button type="button" className="word p-0!" aria-pressed={used} onClick={() => setUsed(!used)}>
        {used ? 'by what is used of the sheets' : 'whole sheets bought'}
      </button>
    </>
  )
}
