import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import type { Change, Piece, SideId, StationName } from '../../core/job/index.ts'
import {
  moveOpening,
  outlineLoop,
  placeOpenings,
  reach,
  removeOpening,
  resolvePlacing,
  SIDES,
} from '../../core/piece/index.ts'
import { formatLength, shopStep } from '../../core/units/index.ts'
import { usePlan } from '../app/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../app/store.ts'
import { lineDragged, pointedAt, selected } from '../app/viewSlice.ts'
import { MeasureField, useMeasureStyle } from '../ui/MeasureField.tsx'
import { Dimension } from './Dimension.tsx'
import { HATCH_OF, Hatches } from './Hatches.tsx'
import { loopPath } from './paths.ts'
import { planTarget } from './planTarget.ts'
import { usualLine } from './sectionLine.ts'
import { snapOpening } from './snap.ts'
import { useSize } from './useSize.ts'

/** Room round the drawing for dimensions, px. */
const ROOM = { x: 58, top: 46, bottom: 26 }
const SNAP_PX = 8
type Drag =
  | { readonly kind: 'opening'; readonly id: string; readonly grab: Point; readonly start: Point }
  | { readonly kind: 'side'; readonly side: SideId; readonly start: Point }
  | {
      readonly kind: 'line'
      readonly end: 'from' | 'to' | 'both'
      readonly start: Point
      readonly line: { from: Point; to: Point }
    }
type Editing = { readonly what: 'length' | 'width' | SideId; readonly at: Point; readonly value: number }

/** The plan: the piece and its mould seen from above, edited in place. Front at the bottom in either attitude. */
export function PlanView({ station }: { station: StationName }) {
  const { job, piece, plan, preview } = usePlan()
  const { attach, element: box, size } = useSize<HTMLDivElement>()
  const view = useAppSelector((s) => s.view)
  const dispatch = useAppDispatch()
  const change = useChange()
  const style = useMeasureStyle()
  const drag = useRef<Drag | null>(null)
  const pending = useRef<{ label: string; changes: readonly Change[] } | null>(null)
  const [guides, setGuides] = useState<readonly { axis: 'u' | 'v'; at: number }[]>([])
  const [editing, setEditing] = useState<Editing | null>(null)

  const poured = view.attitude === 'poured'
  const mirrored = poured && piece.attitude.down === 'top'
  const { length, width } = piece.outline
  const mouldParts = poured ? (plan?.stations.mould?.parts ?? []) : []
  const margin = poured
    ? 24 + piece.mould.runPast + (piece.mould.school === 'stand' ? piece.mould.baseMargin : 0)
    : 0
  const scale = Math.max(
    0.01,
    Math.min(
      (size.width - 2 * ROOM.x) / (length + 2 * margin),
      (size.height - ROOM.top - ROOM.bottom) / (width + 2 * margin),
    ),
  )
  const ox = (size.width - length * scale) / 2
  const oy = ROOM.top + (size.height - ROOM.top - ROOM.bottom + width * scale) / 2
  const onScreen = ([x, y]: Point): Point => [ox + x * scale, oy - y * scale]
  const shown = ([x, y]: Point): Point => (mirrored ? [length - x, y] : [x, y])
  const toScreen = (p: Point): Point => onScreen(shown(p))
  const fromScreen = ([px, py]: Point): Point => shown([(px - ox) / scale, (oy - py) / scale])
  const localPoint = (event: { clientX: number; clientY: number }): Point => {
    const rect = box.current!.getBoundingClientRect()
    return [event.clientX - rect.left, event.clientY - rect.top]
  }
  planTarget.current = (clientX, clientY) => {
    const rect = box.current?.getBoundingClientRect()
    if (!rect || clientX < rect.left || clientX > rect.right || clientY < rect.top || clientY > rect.bottom)
      return null
    return fromScreen([clientX - rect.left, clientY - rect.top])
  }

  const placing = useMemo(() => resolvePlacing(piece), [piece])
  const openings = useMemo(() => placeOpenings(piece, placing), [piece, placing])
  const outline = useMemo(() => outlineLoop(piece.outline), [piece.outline])
  const line = view.line ?? usualLine(piece, mirrored, 'along')
  const base = job.pieces.find((p) => p.id === piece.id)!
  const text = (mm: number) => formatLength(mm, style)

  const startDrag = (event: PointerEvent, next: Drag) => {
    if (event.button !== 0) return
    event.stopPropagation()
    ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
    drag.current = next
    pending.current = null
  }
  const moveDrag = (event: PointerEvent) => {
    const d = drag.current
    if (!d) return
    const at = localPoint(event)
    const moved: Point = [at[0] - d.start[0], at[1] - d.start[1]]
    if (Math.hypot(...moved) < 3 && !pending.current && d.kind !== 'line') return
    if (d.kind === 'line') {
      const by: Point = [moved[0] / scale, -moved[1] / scale]
      const shift = ([x, y]: Point, on: boolean): Point => (on ? [x + by[0], y + by[1]] : [x, y])
      const level = Math.abs(d.line.from[1] - d.line.to[1]) < 1e-6
      const only: Point = d.end === 'both' ? (level ? [0, by[1]] : [by[0], 0]) : by
      const shiftOnly = ([x, y]: Point): Point => [x + only[0], y + only[1]]
      const next =
        d.end === 'both'
          ? { from: shiftOnly(d.line.from), to: shiftOnly(d.line.to) }
          : { from: shift(d.line.from, d.end === 'from'), to: shift(d.line.to, d.end === 'to') }
      dispatch(lineDragged(next))
      return
    }
    const next = d.kind === 'opening' ? dragOpening(d, at) : dragSide(d, moved)
    pending.current = next
    preview(next.changes)
  }
  const dragOpening = (d: Extract<Drag, { kind: 'opening' }>, at: Point) => {
    const world = fromScreen(at)
    const { changes, guides: found } = snapOpening(
      basePiece(),
      d.id,
      [world[0] - d.grab[0], world[1] - d.grab[1]],
      SNAP_PX / scale,
      shopStep(style),
    )
    setGuides(found)
    return { label: `move ${piece.openings.find((o) => o.id === d.id)!.name}`, changes }
  }
  const dragSide = (d: Extract<Drag, { kind: 'side' }>, moved: Point) => {
    const step = shopStep(style)
    const along = d.side === 'left' || d.side === 'right'
    const outward = along
      ? d.side === (mirrored ? 'left' : 'right')
        ? moved[0]
        : -moved[0]
      : d.side === 'back'
        ? -moved[1]
        : moved[1]
    const start = basePiece().outline
    const grown = (mm: number) => Math.max(step, Math.round((mm + outward / scale) / step) * step)
    const next = along ? { ...start, length: grown(start.length) } : { ...start, width: grown(start.width) }
    return {
      label: along ? `length ${text(next.length)}` : `width ${text(next.width)}`,
      changes: [{ type: 'outlineChanged', pieceId: piece.id, outline: next }] as Change[],
    }
  }
  /** The piece as it is in the document, without what is being dragged. */
  const storeJob = useAppSelector((s) => s.job.job)!
  const basePiece = (): Piece => storeJob.pieces.find((p) => p.id === piece.id) ?? base
  const endDrag = () => {
    const next = pending.current
    const d = drag.current
    drag.current = null
    pending.current = null
    setGuides([])
    preview(null)
    if (next && next.changes.length > 0) change(next.label, ...next.changes)
    if (d?.kind === 'opening') dispatch(selected({ kind: 'opening', id: d.id }))
    if (d?.kind === 'side' && !next) dispatch(selected({ kind: 'side', id: d.side }))
  }

  const keyOnOpening = (event: KeyboardEvent, id: string) => {
    const step = shopStep(style) * (event.shiftKey ? 10 : 1)
    const way = (
      { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] } as Record<string, Point>
    )[event.key]
    const name = piece.openings.find((o) => o.id === id)!.name
    if (way) {
      event.preventDefault()
      change(`move ${name}`, moveOpening(piece, id, [way[0] * step * (mirrored ? -1 : 1), way[1] * step]))
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      change(`remove ${name}`, ...removeOpening(piece, id))
      dispatch(selected(null))
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      dispatch(selected({ kind: 'opening', id }))
    }
  }

  const lit = (id: string) => view.lit === id
  const light = (id: string | null) => ({
    onPointerEnter: () => dispatch(pointedAt(id)),
    onPointerLeave: () => dispatch(pointedAt(null)),
  })
  const chosen =
    view.selection?.kind === 'opening' ? piece.openings.find((o) => o.id === view.selection?.id) : undefined
  const edit = (what: Editing['what'], value: number, at: Point) => setEditing({ what, value, at })
  const commitEdit = (mm: number) => {
    if (!editing) return
    const { what } = editing
    if (what === 'length' || what === 'width')
      change(`${what} ${text(mm)}`, {
        type: 'outlineChanged',
        pieceId: piece.id,
        outline: { ...piece.outline, [what]: mm },
      })
    else if (chosen) {
      const side = mirrored && what === 'left' ? 'right' : mirrored && what === 'right' ? 'left' : what
      const axis = side === 'left' || side === 'right' ? 'u' : 'v'
      const rule = side === 'left' || side === 'front' ? 'fromStart' : 'fromEnd'
      change(`${chosen.name} ${text(mm)} from the ${side}`, {
        type: 'openingChanged',
        pieceId: piece.id,
        openingId: chosen.id,
        patch: { [axis]: { rule, distance: mm } },
      })
    }
  }

  const above = margin * scale + 18
  const away = Math.max(margin * scale + 16, (piece.mould.runPast + 40) * scale + 34)
  const [left, bottom] = onScreen([0, 0])
  const [right, top] = onScreen([length, width])
  const narrow = (plan?.findings ?? []).filter((f) => f.code === 'land-narrow')
  const lands =
    narrow.length > 0
      ? (plan?.stations.steel?.figures.lands ?? []).filter((l) =>
          narrow.some((f) => Math.abs(Number(f.facts.landMm) - l.leastMm) < 0.6),
        )
      : []

  return (
    <div ref={attach} className="relative h-full min-h-0 w-full overflow-hidden" data-testid="plan">
      <span className="view-name absolute left-4 top-2">Plan</span>
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`Plan of ${piece.name}, ${poured ? 'as poured' : 'as placed'}`}
          onPointerMove={moveDrag}
          onPointerUp={endDrag}
          onPointerCancel={endDrag}
          className="absolute inset-0 touch-none select-none"
        >
          <Hatches />
          {mouldParts
            .filter((p) => p.role === 'base' && piece.mould.school === 'stand')
            .map(
              (p) =>
                p.recipe.kind === 'prism' && (
                  <path
                    key={p.id}
                    d={loopPath(p.recipe.outline, onScreen, scale, false)}
                    fill="var(--board)"
                    stroke="var(--ink)"
                    strokeWidth="0.8"
                    {...light(p.id)}
                  />
                ),
            )}
          <path
            d={[outline, ...openings.map((o) => o.loop)]
              .map((l) => loopPath(l, toScreen, scale, mirrored))
              .join(' ')}
            fillRule="evenodd"
            fill={HATCH_OF.concrete}
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
          <text
            transform={`translate(${(left + right) / 2} ${bottom - 10}) scale(${mirrored ? -1 : 1} 1)`}
            textAnchor="middle"
            className="label"
            fontSize="14"
            fill="var(--concrete-mark)"
            fontWeight="700"
            aria-hidden
          >
            {piece.name}
          </text>
          <EdgeLines piece={piece} toScreen={toScreen} scale={scale} lit={view.lit} />
          {station !== 'piece' &&
            plan?.stations.steel?.wires.map((w) => {
              const [a, b] = [toScreen(w.from), toScreen(w.to)]
              return (
                <line
                  key={`${w.from}|${w.to}`}
                  x1={a[0]}
                  y1={a[1]}
                  x2={b[0]}
                  y2={b[1]}
                  stroke="var(--steel)"
                  strokeWidth={station === 'steel' ? 1.6 : 0.7}
                  strokeDasharray={station === 'steel' ? undefined : '5 4'}
                  pointerEvents="none"
                />
              )
            })}
          {mouldParts.map((p) => {
            if (p.recipe.kind !== 'prism' || p.role === 'base') return null
            const upright = p.role === 'strip' && p.recipe.outline.length > 0 && p.name.endsWith(' end')
            return (
              <path
                key={p.id}
                d={loopPath(p.recipe.outline, onScreen, scale, false)}
                fill={p.role === 'wrap' ? HATCH_OF.foam : upright ? 'url(#hatch-board-up)' : HATCH_OF.board}
                stroke={lit(p.id) ? 'var(--oxide)' : 'var(--ink)'}
                strokeWidth={lit(p.id) ? 2.4 : 1}
                {...light(p.id)}
              />
            )
          })}
          {SIDES.map((side) => {
            const [a, b] = sideEnds(side, length, width).map(toScreen) as [Point, Point]
            const upright = side === 'left' || side === 'right'
            return (
              <line
                key={side}
                x1={a[0]}
                y1={a[1]}
                x2={b[0]}
                y2={b[1]}
                stroke={
                  lit(`side/${side}`) || (view.selection?.kind === 'side' && view.selection.id === side)
                    ? 'var(--oxide)'
                    : 'transparent'
                }
                strokeWidth="9"
                strokeOpacity="0.55"
                style={{ cursor: upright ? 'ew-resize' : 'ns-resize' }}
                data-side={side}
                {...light(`side/${side}`)}
                onPointerDown={(e) => startDrag(e, { kind: 'side', side, start: localPoint(e) })}
              />
            )
          })}
          <SectionLine
            line={line}
            onScreen={onScreen}
            onDrag={(e, end) => startDrag(e, { kind: 'line', end, start: localPoint(e), line })}
            onStep={(by) =>
              dispatch(
                lineDragged({ from: [line.from[0], line.from[1] + by], to: [line.to[0], line.to[1] + by] }),
              )
            }
          />
          {piece.openings.map((o) => {
            const own = openings.filter((p) => p.openingId === o.id)
            const middle = placing.middles.get(o.id)!
            const at = toScreen(middle)
            const isChosen = chosen?.id === o.id
            const sizeText =
              o.shape.kind === 'round'
                ? `d ${text(o.shape.diameter)}`
                : `${text(o.shape.length)} × ${text(o.shape.width)}${o.shape.radius > 0 ? ` r ${text(o.shape.radius)}` : ''}`
            const small = reach(o, 'u') * 2 * scale < 90
            const labelAt: Point = small ? [at[0], at[1] - reach(o, 'v') * scale - 7] : at
            return (
              <g
                key={o.id}
                role="button"
                tabIndex={0}
                aria-label={`${o.name}, ${sizeText}, ${text(middle[0] - reach(o, 'u'))} from the left, ${text(middle[1] - reach(o, 'v'))} from the front`}
                aria-pressed={isChosen}
                data-opening={o.id}
                style={{ cursor: 'grab' }}
                onKeyDown={(e) => keyOnOpening(e, o.id)}
                onPointerDown={(e) => {
                  const start = localPoint(e)
                  const world = fromScreen(start)
                  startDrag(e, {
                    kind: 'opening',
                    id: o.id,
                    start,
                    grab: [world[0] - middle[0], world[1] - middle[1]],
                  })
                }}
                {...light(`opening/${o.id}`)}
              >
                {own.map((p) => (
                  <path
                    key={p.key}
                    d={loopPath(p.loop, toScreen, scale, mirrored)}
                    fill={poured ? 'transparent' : 'var(--sheet)'}
                    stroke={
                      isChosen || lit(`opening/${o.id}`) || lit(`knockout/${p.key}`)
                        ? 'var(--oxide)'
                        : 'var(--ink)'
                    }
                    strokeWidth={isChosen ? 2.6 : 1.4}
                  />
                ))}
                <Label at={labelAt} text={small ? o.name : `${o.name} ${sizeText}`} />
              </g>
            )
          })}
          {guides.map((g) => {
            const [a, b] = (
              g.axis === 'u'
                ? [
                    [g.at, -30],
                    [g.at, width + 30],
                  ]
                : [
                    [-30, g.at],
                    [length + 30, g.at],
                  ]
            ).map((p) => toScreen(p as unknown as Point)) as [Point, Point]
            return (
              <line
                key={g.axis}
                x1={a[0]}
                y1={a[1]}
                x2={b[0]}
                y2={b[1]}
                stroke="var(--oxide)"
                strokeDasharray="7 3 2 3"
              />
            )
          })}
          {lands.map((l, i) => {
            const [a, b] = [toScreen([l.fromXMm, l.fromYMm]), toScreen([l.toXMm, l.toYMm])]
            return (
              <g key={`${l.between[0]}|${l.between[1]}`} pointerEvents="none">
                <line x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="var(--oxide)" strokeWidth="3" />
                {i === 0 && <Label at={[a[0] - 22, (a[1] + b[1]) / 2]} text={text(l.leastMm)} oxide />}
              </g>
            )
          })}
          <Dimension
            from={[left, top - above]}
            to={[right, top - above]}
            text={text(length)}
            name="length"
            onEdit={() => edit('length', length, [(left + right) / 2, top - above])}
          />
          <Dimension
            from={[right + away, bottom]}
            to={[right + away, top]}
            text={text(width)}
            name="width"
            onEdit={() => edit('width', width, [right + away - 30, (top + bottom) / 2])}
          />
          {chosen && (
            <OpeningDimensions
              piece={piece}
              openingId={chosen.id}
              name={chosen.name}
              middle={shown(placing.middles.get(chosen.id)!)}
              onScreen={onScreen}
              text={text}
              onEdit={edit}
              mirrored={mirrored}
            />
          )}
          <text x={left - 4} y={size.height - 8} className="view-name" fill="var(--soft)">
            front
          </text>
        </svg>
      )}
      {editing && (
        <div
          className="absolute z-10 -translate-x-1/2 -translate-y-1/2 border border-ink bg-sheet px-2 py-1"
          style={{
            left: Math.max(70, Math.min(size.width - 70, editing.at[0])),
            top: Math.max(24, Math.min(size.height - 24, editing.at[1])),
          }}
        >
          <MeasureField
            bare
            autoFocus
            label={`${editing.what === 'length' || editing.what === 'width' ? editing.what : `${chosen?.name} from the ${editing.what}`}`}
            value={editing.value}
            min={editing.what === 'length' || editing.what === 'width' ? 1 : -100000}
            allowNegative={editing.what !== 'length' && editing.what !== 'width'}
            onCommit={commitEdit}
            onDone={() => setEditing(null)}
          />
        </div>
      )}
    </div>
  )
}

const sideEnds = (side: SideId, length: number, width: number): [Point, Point] => {
  const corners: Record<SideId, [Point, Point]> = {
    front: [
      [0, 0],
      [length, 0],
    ],
    right: [
      [length, 0],
      [length, width],
    ],
    back: [
      [length, width],
      [0, width],
    ],
    left: [
      [0, width],
      [0, 0],
    ],
  }
  return corners[side]
}

/** A line just inside each side whose show edge is rounded or chamfered, at its true width. */
function EdgeLines({
  piece,
  toScreen,
  scale,
  lit,
}: {
  piece: Piece
  toScreen: (p: Point) => Point
  scale: number
  lit: string | null
}) {
  const { length, width } = piece.outline
  const inset = (side: SideId) => (piece.sides[side].top.kind === 'square' ? 0 : piece.sides[side].top.size)
  const [l, r, f, b] = [inset('left'), inset('right'), inset('front'), inset('back')]
  const lines: Record<SideId, [Point, Point]> = {
    front: [
      [l, f],
      [length - r, f],
    ],
    back: [
      [l, width - b],
      [length - r, width - b],
    ],
    left: [
      [l, f],
      [l, width - b],
    ],
    right: [
      [length - r, f],
      [length - r, width - b],
    ],
  }
  return (
    <g pointerEvents="none">
      {SIDES.filter((s) => inset(s) * scale > 1).map((s) => {
        const [a, c] = lines[s].map(toScreen) as [Point, Point]
        return (
          <line
            key={s}
            x1={a[0]}
            y1={a[1]}
            x2={c[0]}
            y2={c[1]}
            stroke={lit === `side/${s}` ? 'var(--oxide)' : 'var(--ink)'}
            strokeWidth="0.7"
            strokeDasharray={piece.sides[s].top.kind === 'bead' ? undefined : '6 2'}
          />
        )
      })}
    </g>
  )
}

function Label({ at: [x, y], text, oxide }: { at: Point; text: string; oxide?: boolean }) {
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
  line: { from: Point; to: Point }
  onScreen: (p: Point) => Point
  onDrag: (event: PointerEvent, end: 'from' | 'to' | 'both') => void
  onStep: (by: number) => void
}

/** The section line with its two marks; dragged whole, or by either end. */
function SectionLine({ line, onScreen, onDrag, onStep }: LineProps) {
  const [a, b] = [onScreen(line.from), onScreen(line.to)]
  const marks: [Point, 'from' | 'to'][] = [
    [a, 'from'],
    [b, 'to'],
  ]
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
      {marks.map(([p, end]) => (
        <g
          key={end}
          role="slider"
          tabIndex={0}
          aria-label={`Section line A, ${end === 'from' ? 'first' : 'second'} end`}
          aria-valuenow={Math.round(line[end][1])}
          style={{ cursor: 'grab' }}
          onPointerDown={(e) => onDrag(e, end)}
          onKeyDown={(e) => {
            if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return
            e.preventDefault()
            onStep((e.key === 'ArrowUp' ? 1 : -1) * (e.shiftKey ? 20 : 5))
          }}
        >
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
  piece: Piece
  openingId: string
  name: string
  middle: Point
  onScreen: (p: Point) => Point
  text: (mm: number) => string
  onEdit: (what: SideId, value: number, at: Point) => void
  mirrored: boolean
}

/** From each side to the selected opening; each can be clicked and typed. */
function OpeningDimensions({
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
  const { length, width } = piece.outline
  // Off the middle, where labels and the section line stand.
  const beside = x - ru * 0.55
  const spans: [SideId, Point, Point, number][] = [
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
