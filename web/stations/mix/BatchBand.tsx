import { usePlan } from '../../state/PlanContext.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** The batches drawn as vessels, filled to what each holds, with what goes in. */
export function BatchBand() {
  const { plan, looks, job, piece } = usePlan()
  const figures = plan?.stations.mix?.figures
  const words = useWordsStyle()
  const mixer = job.stock.mixers.find((m) => m.id === piece.mix.mixer)
  if (!figures) return <div className="border-t" />
  return (
    <div className={`min-h-0 overflow-auto border-t px-4 pt-1 ${looks.mix}`}>
      <span className="view-name">
        Batches in {figures.mixer}: up to {figures.bagsPerBatch} {figures.bagsPerBatch === 1 ? 'bag' : 'bags'}{' '}
        each, {figures.mixMinutes} min of mixing
      </span>
      <ol className="mt-2 flex gap-6">
        {figures.batches.map((b) => {
          const level = Math.min(1, b.litres / (mixer?.litres ?? b.litres))
          return (
            <li key={b.number} className="flex items-end gap-3">
              <svg aria-hidden width="92" height="92" viewBox="0 0 92 92">
                <clipPath id={`tub-${b.number}`}>
                  <path d="M6 8 L16 86 H76 L86 8z" />
                </clipPath>
                <rect
                  x="0"
                  y={86 - 74 * level}
                  width="92"
                  height="92"
                  fill="url(#hatch-concrete)"
                  clipPath={`url(#tub-${b.number})`}
                />
                <path d="M6 8 L16 86 H76 L86 8" fill="none" stroke="var(--ink)" strokeWidth="2" />
                <path
                  d={`M${6 + 10 * (1 - level)} ${86 - 74 * level}h${80 - 20 * (1 - level)}`}
                  stroke="var(--ink)"
                  strokeDasharray="4 3"
                />
              </svg>
              <span className="label text-[15px] leading-tight">
                <strong className="text-[20px]">
                  Batch {b.number}
                  {b.coat === 'all' ? '' : `, ${b.coat} coat`}
                </strong>
                <br />
                {b.bags} {b.bags === 1 ? 'bag' : 'bags'}, {words.kg(b.dryKg, 1)}
                <br />
                {words.liquid(b.waterLitres)} water
                <br />
                {b.fibreKg > 0 && (
                  <>
                    {words.kg(b.fibreKg, b.fibreKg < 1 ? 3 : 2)} fibre, last
                    <br />
                  </>
                )}
                <span className="text-soft">hold back {words.liquid(b.heldBackLitres)}</span>
              </span>
            </li>
          )
        })}
      </ol>
    </div>
  )
}
