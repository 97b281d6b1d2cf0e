import { equivalentAge, strengthAt } from '../../../core/ageing/index.ts'
import type { PourStation } from '../../../core/pour/index.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import type { Scale } from './DayAxis.tsx'

/** Strengths that let something be done, MPa, under the highest that is drawn. */
const ASKED = [5, 10] as const
const MOST = 20

/** How strong the youngest of it is, over the same time. */
export function StrengthStrip({
  scale: { x, stretch, width, left, right },
  pour: { ageing },
  bottom,
  high,
}: {
  scale: Scale
  pour: PourStation
  bottom: number
  high: number
}) {
  const words = useWordsStyle()
  const y = (mpa: number) => bottom - (Math.min(mpa, MOST) / MOST) * high
  const points = Array.from({ length: 121 }, (_, i) => {
    const m = stretch.from + ((stretch.to - stretch.from) * i) / 120
    const mpa = strengthAt(ageing.curve, equivalentAge(ageing.course, Math.max(0, m - ageing.lastWater)))
    return `${x(m)},${y(mpa)}`
  })
  return (
    <g>
      <text x="16" y={bottom - high + 12} className="dim" fontSize="14" style={{ fill: 'var(--soft)' }}>
        strength
      </text>
      {ASKED.map((mpa) => (
        <g key={mpa}>
          <line
            x1={left}
            x2={width - right}
            y1={y(mpa)}
            y2={y(mpa)}
            stroke="var(--oxide)"
            strokeDasharray="4 3"
          />
          <text
            x={left - 6}
            y={y(mpa) + 4}
            textAnchor="end"
            className="dim"
            fontSize="12"
            style={{ fill: 'var(--oxide)' }}
          >
            {words.mpa(mpa)}
          </text>
        </g>
      ))}
      <polyline points={points.join(' ')} fill="none" stroke="var(--ink)" strokeWidth="2" />
    </g>
  )
}
