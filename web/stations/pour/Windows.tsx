import type { Scale } from './DayAxis.tsx'
import type { Window } from './dayRows.ts'

const HIGH = 18

/** What the concrete lets be done, from when to when: an end that is open runs on in dashes. */
export function Windows({
  scale: { x, stretch, width, left, right },
  windows,
  top,
}: {
  scale: Scale
  windows: readonly Window[]
  top: number
}) {
  const clip = (m: number) => Math.min(width - right, Math.max(left, x(m)))
  return (
    <g>
      <text x="16" y={top + 13} className="dim" fontSize="14" style={{ fill: 'var(--soft)' }}>
        concrete
      </text>
      {windows.map((w, i) => {
        const y = top + i * HIGH
        const to = w.to ?? stretch.to
        if (w.from >= stretch.to || to <= stretch.from)
          return (
            <text
              key={w.name}
              x={width - right}
              y={y + 13}
              textAnchor="end"
              className="dim"
              fontSize="13"
              style={{ fill: 'var(--soft)' }}
            >
              {w.name}: later
            </text>
          )
        const [a, z] = [clip(w.from), clip(to)]
        const room = w.name.length * 6.6
        const inside = z - a > room + 10
        const after = z + room + 8 < width - right
        return (
          <g key={w.name}>
            <rect
              x={a}
              width={Math.max(2, z - a)}
              y={y + 2}
              height={HIGH - 5}
              fill="var(--settled)"
              opacity="0.32"
            />
            <line x1={a} x2={a} y1={y} y2={y + HIGH - 2} stroke="var(--settled)" strokeWidth="2" />
            {w.to !== null && w.to < stretch.to && (
              <line x1={z} x2={z} y1={y} y2={y + HIGH - 2} stroke="var(--settled)" strokeWidth="2" />
            )}
            <text
              x={inside ? a + 6 : after ? z + 6 : a - 6}
              y={y + 13}
              textAnchor={inside || after ? 'start' : 'end'}
              className="dim"
              fontSize="13"
            >
              {w.name}
            </text>
          </g>
        )
      })}
    </g>
  )
}
