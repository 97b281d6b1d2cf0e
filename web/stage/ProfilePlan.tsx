import { loopChords, type PathCorner, type Point, pathLoop } from '../../core/geometry/index.ts'
import { type Change, type SweptPiece, storedPath, type TurnedPiece } from '../../core/job/index.ts'
import { OUTLINE_NAMES, outlineEdges } from '../../core/piece/index.ts'
import { formatLength, shopStep } from '../../core/units/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector, useChange } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { selected } from '../state/viewSlice.ts'
import { Dimension } from './Dimension.tsx'
import { HATCH_OF, Hatches } from './Hatches.tsx'
import { PathHandles } from './PathHandles.tsx'
import { openPath, ringPath, type ToScreen } from './paths.ts'
import { useSize } from './useSize.ts'

const ROOM = { x: 70, top: 44, bottom: 44 }

/** The drawn profile of a swept or turned piece, edited in place: side view or half section. */
export function ProfilePlan({ piece }: { piece: SweptPiece | TurnedPiece }) {
  const { preview } = usePlan()
  const { attach, element, size } = useSize<HTMLDivElement>()
  const view = useAppSelector((s) => s.view)
  const dispatch = useAppDispatch()
  const change = useChange()
  const style = useMeasureStyle()
  const found = useAppSelector((s) => s.job.job)!.pieces.find((p) => p.id === piece.id)
  const kept = found?.kind === piece.kind ? (found as typeof piece) : piece
  const corners = cornersOf(piece)
  const keptCorners = cornersOf(kept)
  const turned = piece.kind === 'turned'
  const loop = pathLoop(corners, OUTLINE_NAMES)
  const edges = outlineEdges(corners)
  const { points } = loopChords(loop)
  const box = boundsOf(loopChords(pathLoop(keptCorners, { side: (i) => i, corner: (a) => a })).points, turned)
  const across = turned ? 2 * box.max[0] : box.max[0] - box.min[0]
  const scale = Math.max(
    0.01,
    Math.min(
      (size.width - 2 * ROOM.x) / across,
      (size.height - ROOM.top - ROOM.bottom) / (box.max[1] - box.min[1]),
    ),
  )
  const ox = turned ? size.width / 2 : (size.width - across * scale) / 2 - box.min[0] * scale
  const oy =
    ROOM.top +
    (size.height - ROOM.top - ROOM.bottom + (box.max[1] - box.min[1]) * scale) / 2 +
    box.min[1] * scale
  const toScreen: ToScreen = ([x, y]) => [ox + x * scale, oy - y * scale]
  const fromScreen = ([px, py]: Point): Point => [(px - ox) / scale, (oy - py) / scale]
  const text = (mm: number) => formatLength(mm, style)
  const shape = (next: readonly PathCorner[]): Change => ({
    type: 'shapeChanged',
    pieceId: piece.id,
    patch: turned
      ? { turned: { form: 'profile', corners: storedPath(next) } }
      : { corners: storedPath(next) },
  })
  const [left, foot] = toScreen([turned ? 0 : box.min[0], box.min[1]])
  const [right, head] = toScreen(box.max)
  return (
    <div ref={attach} className="relative h-full min-h-0 w-full overflow-hidden" data-testid="plan">
      <span className="view-name absolute left-4 top-2">
        {turned ? 'Half section, turned about the centre line' : 'Side profile'}
      </span>
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`Profile of ${piece.name}`}
          className="absolute inset-0 touch-none select-none"
        >
          <Hatches />
          {turned && (
            <>
              <path
                d={ringPath(
                  points.map(([x, y]): Point => [-x, y]),
                  toScreen,
                )}
                fill="none"
                stroke="var(--soft)"
                strokeWidth="1"
              />
              <line
                x1={ox}
                x2={ox}
                y1={head - 24}
                y2={foot + 24}
                stroke="var(--ink)"
                strokeWidth="0.9"
                strokeDasharray="14 4 2 4"
              />
            </>
          )}
          <path
            d={ringPath(points, toScreen)}
            fill={HATCH_OF.concrete}
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
          {piece.kind === 'swept' && <Separators piece={piece} toScreen={toScreen} box={box} />}
          {loop
            .filter((s) => edges.get(s.name)?.of === 'side')
            .map((segment, i) => {
              const { id } = edges.get(segment.name)!
              const on = view.selection?.kind === 'side' && view.selection.id === id
              return (
                <path
                  key={`${segment.name}|${i}`}
                  d={openPath(segment, toScreen, scale, false)}
                  fill="none"
                  stroke={on ? 'var(--oxide)' : 'transparent'}
                  strokeWidth="9"
                  strokeOpacity="0.55"
                  style={{ cursor: 'pointer' }}
                  onPointerDown={() => dispatch(selected({ kind: 'side', id }))}
                />
              )
            })}
          <PathHandles
            corners={keptCorners}
            toScreen={toScreen}
            fromScreen={fromScreen}
            localPoint={(e) => {
              const rect = element.current!.getBoundingClientRect()
              return [e.clientX - rect.left, e.clientY - rect.top]
            }}
            step={shopStep(style)}
            selected={view.selection?.kind === 'corner' ? view.selection.id : null}
            onSelect={(id) => dispatch(selected({ kind: 'corner', id }))}
            onPreview={(next) => preview(next && [shape(next)])}
            onCommit={(next, label) => change(label, shape(next))}
          />
          <Dimension
            from={[left, foot + 26]}
            to={[right, foot + 26]}
            text={`${turned ? 'r ' : ''}${text(turned ? box.max[0] : across)}`}
            name={turned ? 'radius' : 'length'}
          />
          <Dimension
            from={[right + 30, foot]}
            to={[right + 30, head]}
            text={text(box.max[1] - box.min[1])}
            name="height"
          />
        </svg>
      )}
    </div>
  )
}

const cornersOf = (piece: SweptPiece | TurnedPiece): readonly PathCorner[] =>
  piece.kind === 'swept' ? piece.corners : piece.turned.form === 'profile' ? piece.turned.corners : []

function boundsOf(points: readonly Point[], fromAxis: boolean): { min: Point; max: Point } {
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  return {
    min: [fromAxis ? 0 : Math.min(...xs), Math.min(...ys)],
    max: [Math.max(1e-3, ...xs), Math.max(...ys)],
  }
}

function Separators({
  piece,
  toScreen,
  box,
}: {
  piece: SweptPiece
  toScreen: ToScreen
  box: { min: Point; max: Point }
}) {
  const dispatch = useAppDispatch()
  const chosen = useAppSelector((s) => s.view.selection)
  const height = box.max[1] - box.min[1]
  return piece.separators.map((s) => {
    const lean = Math.tan((s.leanDeg * Math.PI) / 180) * (height / 2 + height * 0.06)
    const [a, b] = [
      toScreen([box.min[0] + s.at - lean, box.min[1] - height * 0.06]),
      toScreen([box.min[0] + s.at + lean, box.max[1] + height * 0.06]),
    ]
    const on = chosen?.kind === 'separators' && chosen.id === s.id
    return (
      <g
        key={s.id}
        style={{ cursor: 'pointer' }}
        onPointerDown={() => dispatch(selected({ kind: 'separators', id: s.id }))}
      >
        <line x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="transparent" strokeWidth="12" />
        <line
          x1={a[0]}
          y1={a[1]}
          x2={b[0]}
          y2={b[1]}
          stroke={on ? 'var(--oxide)' : 'var(--ink)'}
          strokeWidth={on ? 2.4 : 1.6}
          strokeDasharray="9 4"
        />
      </g>
    )
  })
}
