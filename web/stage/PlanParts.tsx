import type { KeyboardEvent, PointerEvent } from 'react'
import { loftPoints, type Point } from '../../core/geometry/index.ts'
import type { SlabPiece } from '../../core/job/index.ts'
import { outlineLoft, outlineSize, reach } from '../../core/piece/index.ts'
import { Dimension } from './Dimension.tsx'
import { slideTo } from './keySteps.ts'
import { ringPath } from './paths.ts'
import type { ViewSide } from './planFrame.ts'
import type { Line } from './sectionLine.ts'

/** The edge of the top face where sides are eased, tapered or lined: the outline's own loop at that height. */
export function EdgeLines({ piece, toScreen }: { piece: SlabPiece; toScreen: (p: Point) => Point }) {
  const eased = Object.values(piece.sides).some((s) => s.top.kind !== 'square' || s.liner > 0 || s.taper < 0)
  const foot = Object.values(piece.sides).some((s) => s.taper > 0)
  if (!eased && !foot) return null
  const loft = outlineLoft(piece)
  return (
    <g pointerEvents="none" fill="none" stroke="var(--ink)" strokeWidth="0.7">
      {eased && <path d={ringPath(loftPoints(loft, piece.thickness), toScreen)} />}
      {foot && <path d={ringPath(loftPoints(loft, 0), toScreen)} strokeDasharray="6 2" />}
    </g>
  )
}

/** Text on a ground of its own, in the middle of a point. */
export function Label({ at: [x, y], text, oxide }: { at: Point; text: string; oxide?: boolean }) {
  const width = text.length * 6.7 + 10
  return (
    <g pointerEvents="none">
      <rect x={x - width / 2} y={y - 10} width={width} height="19" fill="var(--sheet)" fillOpacity="0.94" />
      <text
        x={x}
        y={y + 5}
        textAnchor="middle"
        className="dim"
        style={oxide ? { fill: 'var(--oxide)', fontWeight: 700 } : undefined}
      >
        {text}
      </text>
    </g>
  )
}

type LineProps = {
  line: Line
  /** Length and width of the plan: the line runs from side to side of it. */
  reach: Point
  text: (mm: number) => string
  onScreen: (p: Point) => Point
  onDrag: (event: PointerEvent, end: 'from' | 'to' | 'both') => void
  onLine: (line: Line) => void
}

/** Steps of the section line by key, mm. */
const LINE_STEP = 5

/** The section line, under what lies on the plan; it is dragged whole. */
export function SectionLine({ line, onScreen, onDrag }: Pick<LineProps, 'line' | 'onScreen' | 'onDrag'>) {
  const [a, b] = [onScreen(line.from), onScreen(line.to)]
  return (
    <g>
      <line
        x1={a[0]}
        y1={a[1]}
        x2={b[0]}
        y2={b[1]}
        stroke="transparent"
        strokeWidth="10"
        style={{ cursor: 'move' }}
        onPointerDown={(e) => onDrag(e, 'both')}
        data-section-line
      />
      <line
        x1={a[0]}
        y1={a[1]}
        x2={b[0]}
        y2={b[1]}
        stroke="var(--ink)"
        strokeWidth="1.1"
        strokeDasharray="14 4 2 4"
        pointerEvents="none"
      />
    </g>
  )
}

/** The marks at the ends of the section line, over all else: dragged by either; by keys from side to side, with Alt one end alone. */
export function SectionMarks({ line, reach, text, onScreen, onDrag, onLine }: LineProps) {
  const marks: [Point, 'from' | 'to'][] = [
    [onScreen(line.from), 'from'],
    [onScreen(line.to), 'to'],
  ]
  // The way the line is moved: across itself.
  const k = Math.abs(line.to[0] - line.from[0]) >= Math.abs(line.to[1] - line.from[1]) ? 1 : 0
  const onKey = (event: KeyboardEvent, end: 'from' | 'to') => {
    const at = line[end][k]
    const next = slideTo(event, { at, min: 0, max: reach[k], step: LINE_STEP })
    if (next === null) return
    event.preventDefault()
    const moved = (p: Point): Point => (k === 0 ? [p[0] + next - at, p[1]] : [p[0], p[1] + next - at])
    onLine(
      event.altKey ? { ...line, [end]: moved(line[end]) } : { from: moved(line.from), to: moved(line.to) },
    )
  }
  return (
    <g>
      {marks.map(([p, end]) => (
        <g
          key={end}
          role="slider"
          tabIndex={0}
          aria-label={`Section line A, ${end === 'from' ? 'first' : 'second'} end`}
          aria-orientation={k === 1 ? 'vertical' : 'horizontal'}
          aria-valuemin={0}
          aria-valuemax={Math.round(reach[k])}
          aria-valuenow={Math.round(line[end][k])}
          aria-valuetext={`${text(line[end][k])} from the ${k === 1 ? 'front' : 'left'}`}
          style={{ cursor: 'grab' }}
          onPointerDown={(e) => onDrag(e, end)}
          onKeyDown={(e) => onKey(e, end)}
        >
          <rect x={p[0] - 16} y={p[1] - 16} width="32" height="32" fill="transparent" />
          <rect x={p[0] - 11} y={p[1] - 11} width="22" height="22" fill="var(--ink)" />
          <text
            x={p[0]}
            y={p[1] + 5.5}
            textAnchor="middle"
            fontSize="15"
            fontWeight="700"
            fill="var(--sheet)"
            className="label"
          >
            A
          </text>
        </g>
      ))}
    </g>
  )
}

type OpeningDimensionsProps = {
  piece: SlabPiece
  openingId: string
  name: string
  middle: Point
  onScreen: (p: Point) => Point
  text: (mm: number) => string
  onEdit: (what: ViewSide, value: number, at: Point) => void
  mirrored: boolean
}

/** From each side to the selected opening; each can be clicked and typed. */
export function OpeningDimensions({
  piece,
  openingId,
  name,
  middle: [x, y],
  onScreen,
  text,
  onEdit,
  mirrored,
}: OpeningDimensionsProps) {
  const opening = piece.openings.find((o) => o.id === openingId)!
  const [ru, rv] = [reach(opening, 'u'), reach(opening, 'v')]
  const { length, width } = outlineSize(piece.outline)
  // Off the middle, where labels and the section line stand.
  const beside = x + ru * 0.78
  const spans: [ViewSide, Point, Point, number][] = [
    ['left', [0, y], [x - ru, y], x - ru],
    ['right', [x + ru, y], [length, y], length - x - ru],
    ['front', [beside, 0], [beside, y - rv], y - rv],
    ['back', [beside, y + rv], [beside, width], width - y - rv],
  ]
  return (
    <g>
      {spans.map(([side, from, to, value]) => {
        const [a, b] = [onScreen(from), onScreen(to)]
        const side_ = mirrored && side === 'left' ? 'right' : mirrored && side === 'right' ? 'left' : side
        return (
          <Dimension
            key={side}
            from={a}
            to={b}
            text={text(value)}
            name={`${name} from the ${side_}`}
            inside
            onEdit={() => onEdit(side, Math.round(value * 1e4) / 1e4, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2])}
          />
        )
      })}
    </g>
  )
}
