import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { type Stretch, ticksOf } from './dayRows.ts'
import { dayTime, movedStart } from './dayTime.ts'
import { useDrag } from './useDrag.ts'

/** From minutes to px, and what of the width is theirs. */
export type Scale = {
  readonly x: (minutes: number) => number
  readonly stretch: Stretch
  readonly width: number
  readonly left: number
  readonly right: number
}
/** The start goes by so many minutes. */
const STEP = 5

/** The hours of the clock, and the first water, which is dragged to another. */
export function DayAxis({
  scale: { x, stretch, width, left, right },
  waterMinute,
  height,
}: {
  scale: Scale
  waterMinute: number
  height: number
}) {
  const { piece } = usePlan()
  const change = useChange()
  const { start, zone } = piece.pour
  const perPx = (stretch.to - stretch.from) / (width - left - right)
  const move = (by: number) => {
    const next = movedStart(start, by)
    if (next !== start)
      change(`start ${next.replace('T', ' ')}`, {
        type: 'pourPlanned',
        pieceId: piece.id,
        patch: { start: next },
      })
  }
  const stepped = (px: number) => Math.round((px * perPx) / STEP) * STEP
  const { by, handle } = useDrag('x', (px) => move(stepped(px)))
  const long = stretch.to - stretch.from > 2 * 1440
  return (
    <g>
      {ticksOf(stretch, width - left - right, waterMinute).map((m) => (
        <g key={m}>
          <line x1={x(m)} x2={x(m)} y1="20" y2={height} stroke="var(--faint)" />
          <text x={x(m)} y="14" textAnchor="middle" className="dim" fontSize="13">
            {long ? dayTime(start, zone, m).replace(' 00:00', '') : dayTime(start, zone, m).slice(4)}
          </text>
        </g>
      ))}
      <line x1={left} x2={width - right} y1="20" y2="20" stroke="var(--ink)" />
      <g
        role="slider"
        tabIndex={0}
        aria-label="First water"
        aria-valuenow={waterMinute}
        aria-valuemin={0}
        aria-valuemax={1439}
        aria-valuetext={dayTime(start, zone, 0)}
        className="day-handle"
        style={{ cursor: 'ew-resize', touchAction: 'none' }}
        onKeyDown={(e) => {
          const by1 = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0
          if (by1 === 0) return
          e.preventDefault()
          move(by1 * (e.shiftKey ? 60 : STEP))
        }}
        {...handle}
      >
        <rect x={x(0) + by - 16} y="0" width="32" height={height} fill="transparent" />
        <line
          x1={x(0) + by}
          x2={x(0) + by}
          y1="20"
          y2={height}
          stroke="var(--oxide)"
          strokeWidth="2.5"
          strokeDasharray={by === 0 ? undefined : '5 4'}
        />
        <path d={`M${x(0) + by} 32l-7 -6v-6h14v6z`} fill="var(--oxide)" />
        {by !== 0 && (
          <text x={x(0) + by + 10} y="34" className="dim" fontSize="14">
            {movedStart(start, stepped(by)).slice(11)}
          </text>
        )}
      </g>
    </g>
  )
}
