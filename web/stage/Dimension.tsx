import type { Point } from '../../core/geometry/index.ts'

type Props = {
  readonly from: Point
  readonly to: Point
  readonly text: string
  readonly name: string
  readonly inside?: boolean
  readonly onEdit?: () => void
}

/** A dimension as drawn on a board: ticks at both ends, the figure in a gap of the line. It can be clicked and typed. */
export function Dimension({ from: [x1, y1], to: [x2, y2], text, name, inside, onEdit }: Props) {
  const length = Math.hypot(x2 - x1, y2 - y1)
  if (length < 1) return null
  const [ux, uy] = [(x2 - x1) / length, (y2 - y1) / length]
  const upright = Math.abs(uy) > Math.abs(ux)
  const half = upright ? 11 : text.length * 4 + 7
  const [mx, my] = [(x1 + x2) / 2, (y1 + y2) / 2]
  const colour = inside ? 'var(--oxide)' : 'var(--ink)'
  const tick = (x: number, y: number) => (
    <line x1={x - 5 * uy} y1={y + 5 * ux} x2={x + 5 * uy} y2={y - 5 * ux} stroke={colour} strokeWidth="1.6" />
  )
  const fits = length > half * 2 + 4
  const body = (
    <>
      {fits && <line x1={x1} y1={y1} x2={mx - ux * half} y2={my - uy * half} stroke={colour} />}
      {fits && <line x1={mx + ux * half} y1={my + uy * half} x2={x2} y2={y2} stroke={colour} />}
      {!fits && <line x1={x1} y1={y1} x2={x2} y2={y2} stroke={colour} />}
      {tick(x1, y1)}
      {tick(x2, y2)}
      {onEdit && (
        <rect
          x={mx - Math.max(16, text.length * 4 + 6)}
          y={my - 16}
          width={Math.max(32, text.length * 8 + 12)}
          height="32"
          fill="transparent"
        />
      )}
      <rect
        x={mx - text.length * 4 - 6}
        y={my - 11}
        width={text.length * 8 + 12}
        height="22"
        fill="var(--sheet)"
      />
      <text
        x={mx}
        y={my + 5.5}
        textAnchor="middle"
        className="dim"
        style={inside ? { fill: 'var(--oxide)' } : undefined}
      >
        {text}
      </text>
    </>
  )
  if (!onEdit) return <g>{body}</g>
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${name} ${text}, type it`}
      className="dim-button"
      onClick={onEdit}
      onPointerDown={(e) => e.stopPropagation()}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return
        e.preventDefault()
        onEdit()
      }}
    >
      {body}
    </g>
  )
}
