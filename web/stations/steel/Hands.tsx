import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import type { Point } from '../../../core/geometry/index.ts'
import type { Handling } from '../../../core/steel/index.ts'
import { formatLength, shopStep } from '../../../core/units/index.ts'
import { arrowStep } from '../../stage/keySteps.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import type { Fitted } from './fitted.ts'

/** Where it is carried: hands that are dragged, or moved by the arrow keys. */
export function Hands({ handling, fit }: { handling: Handling; fit: Fitted }) {
  const { piece, preview } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const drag = useRef<{ index: number; grab: Point } | null>(null)
  const [moved, setMoved] = useState<readonly Point[] | null>(null)
  const places = moved ?? handling.hands
  const changed = (hands: readonly Point[]) => ({
    type: 'steelChosen' as const,
    pieceId: piece.id,
    patch: {
      handling: { ...piece.steel.handling, hands: hands.map(([x, y]): [number, number] => [x, y]) },
    },
  })
  const under = (event: PointerEvent): Point => {
    const box = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect()
    return fit.from([event.clientX - box.left, event.clientY - box.top])
  }
  const put = (index: number, [x, y]: Point): Point[] => {
    const step = shopStep(style)
    const at: Point = [Math.round(x / step) * step, Math.round(y / step) * step]
    return places.map((p, i) => (i === index ? at : p))
  }
  const commit = (hands: readonly Point[]) => change('move a hand', changed(hands))
  const end = () => {
    drag.current = null
    setMoved(null)
    preview(null)
  }
  return places.map((p, i) => {
    const [x, y] = fit.to(p)
    return (
      <g
        key={i}
        role="button"
        tabIndex={0}
        aria-label={`Hand ${i + 1}, ${formatLength(p[0], style)} from the left, ${formatLength(p[1], style)} from the front`}
        className="cursor-move"
        onKeyDown={(event: KeyboardEvent) => {
          const by = arrowStep(event, shopStep(style) * 5)
          if (!by) return
          event.preventDefault()
          commit(put(i, [p[0] + by[0], p[1] + by[1]]))
        }}
        onPointerDown={(event) => {
          if (event.button !== 0) return
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
          if (moved) commit(moved)
        }}
        onPointerCancel={end}
      >
        <circle cx={x} cy={y} r="18" fill="transparent" />
        <circle
          cx={x}
          cy={y}
          r="13"
          fill="none"
          stroke="var(--slate)"
          strokeWidth="1.5"
          strokeDasharray="3 3"
        />
      </g>
    )
  })
}
