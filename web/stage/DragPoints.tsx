import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import type { Change } from '../../core/job/index.ts'
import { shopStep } from '../../core/units/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useChange } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { arrowStep } from './keySteps.ts'

/** An arrow key moves a point by so many shop steps. */
const KEYED = 5

type Props = {
  readonly points: readonly Point[]
  readonly to: (p: Point) => Point
  readonly from: (p: Point) => Point
  readonly name: (p: Point, i: number) => string
  /** What it is called among the steps that can be undone. */
  readonly act: string
  readonly changed: (points: readonly Point[]) => Change
  readonly mark: (screen: Point) => ReactNode
  readonly onRemove?: (i: number) => void
}

/** Points of a plan that are dragged, or moved by the arrow keys: shown as they move, changed once they are let go. */
export function DragPoints({ points, to, from, name, act, changed, mark, onRemove }: Props) {
  const { preview } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const drag = useRef<{ index: number; grab: Point } | null>(null)
  const [moved, setMoved] = useState<readonly Point[] | null>(null)
  const places = moved ?? points
  const under = (event: PointerEvent): Point => {
    const box = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect()
    return from([event.clientX - box.left, event.clientY - box.top])
  }
  const put = (index: number, [x, y]: Point): Point[] => {
    const step = shopStep(style)
    const at: Point = [Math.round(x / step) * step, Math.round(y / step) * step]
    return places.map((p, i) => (i === index ? at : p))
  }
  const end = () => {
    drag.current = null
    setMoved(null)
    preview(null)
  }
  return places.map((p, i) => {
    const [x, y] = to(p)
    return (
      <g
        key={i}
        role="button"
        tabIndex={0}
        aria-label={name(p, i)}
        className="cursor-move"
        onKeyDown={(event: KeyboardEvent) => {
          if (onRemove && (event.key === 'Delete' || event.key === 'Backspace')) {
            event.preventDefault()
            onRemove(i)
            return
          }
          const by = arrowStep(event, shopStep(style) * KEYED)
          if (!by) return
          event.preventDefault()
          // Right is right on the screen, whichever way the plan lies.
          const [o, q] = [from([0, 0]), from([1, 0])]
          const way = q[0] < o[0] ? -1 : 1
          change(act, changed(put(i, [p[0] + way * by[0], p[1] + by[1]])))
        }}
        onPointerDown={(event) => {
          if (event.button !== 0) return
          event.stopPropagation()
          event.currentTarget.setPointerCapture(event.pointerId)
          const [a, b] = under(event)
          drag.current = { index: i, grab: [a - p[0], b - p[1]] }
        }}
        onPointerMove={(event) => {
          if (drag.current?.index !== i) return
          const [a, b] = under(event)
          const next = put(i, [a - drag.current.grab[0], b - drag.current.grab[1]])
          setMoved(next)
          preview([changed(next)])
        }}
        onPointerUp={() => {
          if (drag.current?.index !== i) return
          end()
          if (moved) change(act, changed(moved))
        }}
        onPointerCancel={end}
      >
        <circle cx={x} cy={y} r="18" fill="transparent" />
        {mark([x, y])}
      </g>
    )
  })
}
