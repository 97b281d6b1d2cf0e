import { BANDS, type Band, SPREAD } from '../../../core/mix/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { More } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** How the mix of each band stands. */
const BAND_WORDS: Record<Band, string> = {
  packing: 'to be packed',
  placing: 'to be placed',
  flowing: 'to flow',
  levelling: 'levels itself',
}
/** Widest that is drawn, mm; the cup, mm; px for each mm. */
const [WIDEST, CUP, SCALE] = [250, 100, 1.12]

/** The cup test: a cup is lifted off and what it leaves is measured across, with what to do where that is not as planned. */
export function CupSpread() {
  const { plan, looks } = usePlan()
  const words = useWordsStyle()
  const style = useMeasureStyle()
  const figures = plan?.stations.mix?.figures
  if (!figures) return null
  const { fromMm, toMm } = figures.spread
  const range = toMm === null ? `over ${words.mm(fromMm)}` : `${words.mm(fromMm)} to ${words.mm(toMm)}`
  const width = WIDEST * SCALE
  const middle = width / 2
  const half = (mm: number) => (mm / 2) * SCALE
  // What is in the cup keeps its volume: the wider it lies the lower it stands, as a flat cone.
  const across = ((fromMm + (toMm ?? WIDEST)) / 2 / CUP) ** 2
  const high = Math.max(8, Math.min(CUP, (CUP * 1.6) / across) * SCALE)
  const floor = CUP * SCALE + 14
  return (
    <More title="How it should run">
      <div className={looks.mix}>
        <p>
          Fill a cup {words.mm(CUP)} across and as high, lift it off, measure across: <strong>{range}</strong>
          , mixed {BAND_WORDS[figures.band]}.
        </p>
        <svg
          viewBox={`0 0 ${width} ${floor + 46}`}
          className="w-full"
          role="img"
          aria-label={`A cup of the mix lies ${range} wide`}
        >
          <path
            d={`M${middle - half(toMm ?? WIDEST)} ${floor}Q${middle - half(fromMm) * 0.75} ${floor - high} ${middle} ${floor - high}T${middle + half(toMm ?? WIDEST)} ${floor}Z`}
            fill="var(--concrete)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <rect
            x={middle - half(CUP)}
            y={floor - CUP * SCALE}
            width={CUP * SCALE}
            height={CUP * SCALE}
            fill="none"
            stroke="var(--soft)"
            strokeDasharray="5 4"
          />
          <line x1="0" x2={width} y1={floor} y2={floor} stroke="var(--ink)" />
          {BANDS.map((band, i) => {
            const of = SPREAD[band]
            const [x, end] = [half(of.fromMm), half(of.toMm ?? WIDEST)]
            const on = band === figures.band
            return (
              <g key={band}>
                {[-1, 1].map((side) => (
                  <line
                    key={side}
                    x1={middle + side * x}
                    x2={middle + side * end}
                    y1={floor + 7}
                    y2={floor + 7}
                    stroke={on ? 'var(--settled)' : 'var(--hair)'}
                    strokeWidth={on ? 6 : 3}
                  />
                ))}
                {of.toMm !== null && (
                  <text
                    x={middle + (i % 2 === 0 ? -end : end)}
                    y={floor + 26}
                    textAnchor="middle"
                    className="dim"
                    fontSize="12"
                  >
                    {words.mm(of.toMm).replace(style.units === 'mm' ? ' mm' : '', '')}
                  </text>
                )}
              </g>
            )
          })}
          <text x={middle} y={floor + 26} textAnchor="middle" className="dim" fontSize="12">
            across{style.units === 'mm' ? ', mm' : ''}
          </text>
        </svg>
        <p>
          <strong>Wider:</strong> stop the water, and stir in the dry mix held back, a handful at a time.
          Concrete that is too wet is weaker and shrinks: the figures above are for the water above.
        </p>
        <p>
          <strong>Narrower:</strong> the water held back first, in small steps; then a plasticiser. Never past{' '}
          {words.liquid(figures.waterMostPerBagLitres)} a bag.
        </p>
      </div>
    </More>
  )
}
