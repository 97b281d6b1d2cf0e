import { type PointerEvent, useRef, useState } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import type { Change, SlabPiece } from '../../core/job/index.ts'
import { asPolygon, nameOfSide } from '../../core/piece/index.ts'
import { formatLength, type MeasureStyle, shopStep } from '../../core/units/index.ts'
import { newId } from '../state/files.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { inRun } from '../state/stepRuns.ts'
import { useAppDispatch, useChange } from '../state/store.ts'
import { lineDragged, selected } from '../state/viewSlice.ts'
import { dragLine, dragSide } from './drags.ts'
import { type Feature, moveFeature } from './planFeatures.ts'
import type { PlanFrame, ViewSide } from './planFrame.ts'
import type { Line } from './sectionLine.ts'
import { snapOpening } from './snap.ts'

const SNAP_PX = 8
/** Less than this is a press, not a drag, px. */
const STILL_PX = 3

export type Drag =
  | { readonly kind: 'feature'; readonly feature: Feature; readonly start: Point }
  | { readonly kind: 'polygonSide'; readonly id: string; readonly start: Point }
  | { readonly kind: 'opening'; readonly id: string; readonly grab: Point; readonly start: Point }
  | { readonly kind: 'side'; readonly side: ViewSide; readonly start: Point }
  | {
      readonly kind: 'line'
      readonly end: 'from' | 'to' | 'both'
      readonly start: Point
      readonly line: Line
    }

const tidy = (n: number): number => Math.round(n * 1e4) / 1e4

export type Guide = { readonly axis: 'u' | 'v'; readonly at: number }

/**
 * Drags on the plan: previewed while the hand moves, one undoable change when it lets go. `piece` is the piece as it is
 * in the document, without what is being dragged.
 */
export function usePlanDrag(
  piece: SlabPiece,
  frame: PlanFrame,
  style: MeasureStyle,
  localPoint: (event: PointerEvent) => Point,
) {
  const { preview } = usePlan()
  const dispatch = useAppDispatch()
  const change = useChange()
  const drag = useRef<Drag | null>(null)
  const pending = useRef<{ label: string; changes: readonly Change[] } | null>(null)
  const [guides, setGuides] = useState<readonly Guide[]>([])

  const start = (event: PointerEvent, next: Drag) => {
    if (event.button !== 0) return
    event.stopPropagation()
    event.currentTarget.setPointerCapture(event.pointerId)
    drag.current = next
    pending.current = null
  }
  const move = (event: PointerEvent) => {
    const d = drag.current
    if (!d) return
    const at = localPoint(event)
    const by: Point = [at[0] - d.start[0], at[1] - d.start[1]]
    if (d.kind === 'line') {
      dispatch(lineDragged(dragLine(d.line, d.end, by, frame.scale)))
      return
    }
    if (Math.hypot(...by) < STILL_PX && !pending.current) return
    pending.current =
      d.kind === 'opening'
        ? carryOpening(d, at)
        : d.kind === 'feature'
          ? carryFeature(d, by)
          : d.kind === 'polygonSide'
            ? pushSide(d, by)
            : pullSide(d, by)
    preview(pending.current.changes)
  }
  const carryOpening = (d: Extract<Drag, { kind: 'opening' }>, at: Point) => {
    const [x, y] = frame.fromScreen(at)
    const wanted: Point = [x - d.grab[0], y - d.grab[1]]
    const { changes, guides: found } = snapOpening(
      piece,
      d.id,
      wanted,
      SNAP_PX / frame.scale,
      shopStep(style),
    )
    setGuides(found)
    return { label: `move ${piece.openings.find((o) => o.id === d.id)!.name}`, changes }
  }
  const inPlan = (by: Point): Point => {
    const [a, b] = [frame.fromScreen([0, 0]), frame.fromScreen(by)]
    return [b[0] - a[0], b[1] - a[1]]
  }
  const carryFeature = ({ feature }: Extract<Drag, { kind: 'feature' }>, by: Point) => {
    const step = shopStep(style)
    const [dx, dy] = inPlan(by).map((n) => Math.round(n / step) * step) as [number, number]
    return { label: `move ${feature.name}`, changes: moveFeature(piece, feature, [dx, dy]) }
  }
  /** A side of a polygon moved square to itself, with both its corners. */
  const pushSide = ({ id }: Extract<Drag, { kind: 'polygonSide' }>, by: Point) => {
    const outline = asPolygon(piece.outline)
    const i = outline.corners.findIndex((c) => c.side === id)
    const [a, b] = [outline.corners[i]!, outline.corners[(i + 1) % outline.corners.length]!]
    const length = Math.hypot(b.x - a.x, b.y - a.y) || 1
    const n: Point = [(b.y - a.y) / length, -(b.x - a.x) / length]
    const [dx, dy] = inPlan(by)
    const step = shopStep(style)
    const out = Math.round((dx * n[0] + dy * n[1]) / step) * step
    const corners = outline.corners.map((c) =>
      c === a || c === b ? { ...c, x: tidy(c.x + n[0] * out), y: tidy(c.y + n[1] * out) } : c,
    )
    return {
      label: `side ${nameOfSide(piece.outline, id)} ${formatLength(out, style)} out`,
      changes: [
        { type: 'outlineChanged', pieceId: piece.id, outline: { ...outline, corners } } satisfies Change,
      ],
    }
  }
  const pullSide = (d: Extract<Drag, { kind: 'side' }>, by: Point) => {
    const { what, mm, changes } = dragSide(piece, d.side, by, frame, shopStep(style))
    return { label: `${what} ${formatLength(mm, style)}`, changes }
  }
  const end = () => {
    const [d, next] = [drag.current, pending.current]
    drag.current = null
    pending.current = null
    setGuides([])
    preview(null)
    if (next && next.changes.length > 0) change(next.label, ...next.changes)
    if (d?.kind === 'feature') dispatch(selected({ kind: d.feature.list, id: d.feature.id }))
    if (d?.kind === 'polygonSide' && !next) dispatch(selected({ kind: 'side', id: d.id }))
    if (d?.kind === 'opening') dispatch(selected({ kind: 'opening', id: d.id }))
    if (d?.kind === 'side' && !next) dispatch(selected({ kind: 'side', id: d.side }))
  }
  const run = useRef(newId('run'))
  /** Steps by key are one step of undo for as long as the focus stays where it is. */
  const stepped = (act: () => void) => inRun(run.current, act)
  return {
    start,
    move,
    end,
    guides,
    stepped,
    newRun: () => {
      run.current = newId('run')
    },
    /** Moves a feature by some mm as it is seen, up and right counted as more. */
    nudgeFeature: (feature: Feature, [dx, dy]: Point) =>
      stepped(() => {
        const by = moveFeature(piece, feature, [dx * (frame.mirrored ? -1 : 1), dy])
        if (by.length > 0) change(`move ${feature.name}`, ...by)
      }),
    removeFeature: ({ list, id, name }: Feature) => {
      const pieceId = piece.id
      change(
        `remove ${name}`,
        list === 'basin'
          ? { type: 'shapeChanged', pieceId, patch: { basin: null } }
          : { type: 'featureRemoved', pieceId, list, featureId: id },
      )
      dispatch(selected(null))
    },
  }
}
export type PlanDrag = ReturnType<typeof usePlanDrag>
