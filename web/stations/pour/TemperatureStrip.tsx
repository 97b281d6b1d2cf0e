import { temperatureAt } from '../../../core/ageing/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import type { Scale } from './DayAxis.tsx'
import { useDrag } from './useDrag.ts'

/** From the coldest to the warmest that is drawn, degC. */
const [LOW, HIGH] = [0, 40]
const clamp = (degC: number) => Math.min(60, Math.max(-30, Math.round(degC)))

/** How warm it is over the day: each point is taken and dragged, and all windows go with it. */
export function TemperatureStrip({
  scale: { x, stretch, width, left, right },
  bottom,
  high,
}: {
  scale: Scale
  bottom: number
  high: number
}) {
  const { piece } = usePlan()
  const words = useWordsStyle()
  const change = useChange()
  const course = piece.pour.temperature
  const y = (degC: number) => bottom - ((Math.min(HIGH, Math.max(LOW, degC)) - LOW) / (HIGH - LOW)) * high
  const points =
    course.kind === 'constant' ? [{ hour: Math.max(0, stretch.from / 60), degC: course.degC }] : course.points
  const put = (i: number, degC: number) => {
    const next = clamp(degC)
    if (next === points[i]!.degC) return
    change(`${words.degC(next)}`, {
      type: 'pourPlanned',
      pieceId: piece.id,
      patch: {
        temperature:
          course.kind === 'constant'
            ? { kind: 'constant', degC: next }
            : { kind: 'list', points: course.points.map((p, k) => (k === i ? { ...p, degC: next } : p)) },
      },
    })
  }
  const line = Array.from({ length: 81 }, (_, i) => {
    const m = stretch.from + ((stretch.to - stretch.from) * i) / 80
    return `${x(m)},${y(temperatureAt(course, Math.max(0, m)))}`
  })
  return (
    <g>
      <text x="16" y={bottom - high + 12} className="dim" fontSize="14" style={{ fill: 'var(--soft)' }}>
        air
      </text>
      {[LOW, 20, HIGH].map((degC) => (
        <g key={degC}>
          <line x1={left} x2={width - right} y1={y(degC)} y2={y(degC)} stroke="var(--faint)" />
          <text
            x={left - 6}
            y={y(degC) + 4}
            textAnchor="end"
            className="dim"
            fontSize="12"
            style={{ fill: 'var(--soft)' }}
          >
            {words.degC(degC)}
          </text>
        </g>
      ))}
      <polyline points={line.join(' ')} fill="none" stroke="var(--steel)" strokeWidth="2" />
      {points.map((p, i) =>
        p.hour * 60 < stretch.from || p.hour * 60 > stretch.to ? null : (
          <TemperaturePoint
            key={p.hour}
            at={[x(p.hour * 60), y(p.degC)]}
            degC={p.degC}
            label={course.kind === 'constant' ? 'Temperature' : `Temperature at ${p.hour} h`}
            perPx={(HIGH - LOW) / high}
            onPut={(degC) => put(i, degC)}
          />
        ),
      )}
    </g>
  )
}

function TemperaturePoint({
  at: [x, y],
  degC,
  label,
  perPx,
  onPut,
}: {
  at: [number, number]
  degC: number
  label: string
  perPx: number
  onPut: (degC: number) => void
}) {
  const words = useWordsStyle()
  const { by, handle } = useDrag('y', (px) => onPut(degC - px * perPx))
  const now = clamp(degC - by * perPx)
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={-30}
      aria-valuemax={60}
      aria-valuenow={degC}
      aria-valuetext={words.degC(degC)}
      className="day-handle"
      style={{ cursor: 'ns-resize', touchAction: 'none' }}
      onKeyDown={(e) => {
        const step = e.key === 'ArrowUp' ? 1 : e.key === 'ArrowDown' ? -1 : 0
        if (step === 0) return
        e.preventDefault()
        onPut(degC + step * (e.shiftKey ? 5 : 1))
      }}
      {...handle}
    >
      <circle cx={x} cy={y + by} r="16" fill="transparent" />
      <circle cx={x} cy={y + by} r="6" fill="var(--steel)" stroke="var(--sheet)" strokeWidth="1.5" />
      <text x={x + 10} y={y + by - 7} className="dim" fontSize="14">
        {words.degC(by === 0 ? degC : now)}
      </text>
    </g>
  )
}
