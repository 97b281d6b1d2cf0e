import { useMemo, useRef } from 'react'
import type { Point } from '../../core/geometry/index.ts'
import type { Run } from '../../core/job/index.ts'
import { openingRing } from '../../core/runs/splitRun.ts'
import { formatLength } from '../../core/units/index.ts'
import { HATCH_OF, Hatches } from '../stage/Hatches.tsx'
import { slideTo } from '../stage/keySteps.ts'
import { ringPath } from '../stage/paths.ts'
import { useSize } from '../stage/useSize.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { useWordsStyle } from '../ui/Quantity.tsx'
import type { RunAnswer } from '../worker/protocol.ts'

const middleOf = (ring: readonly Point[]): Point => [
  ring.reduce((s, p) => s + p[0], 0) / ring.length,
  ring.reduce((s, p) => s + p[1], 0) / ring.length,
]

export function RunDrawing({
  run,
  answer,
  onSeam,
}: {
  run: Run
  answer: Extract<RunAnswer, { kind: 'split' }> | null
  onSeam: (id: string, at: number, done: boolean) => void
}) {
  const { attach, element, size } = useSize<HTMLDivElement>()
  const style = useMeasureStyle()
  const words = useWordsStyle()
  const drag = useRef<{ id: string; leg: number; at: number } | null>(null)
  const plan = answer?.split.plan
  const frame = useMemo(() => {
    const points = [...(plan?.outline ?? [[0, 0] as Point]), ...(plan?.walls.flat() ?? [])]
    const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
    const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
    const k = Math.max(
      0.01,
      Math.min((size.width - 150) / Math.max(1, x1 - x0), (size.height - 120) / Math.max(1, y1 - y0)),
    )
    const toScreen = ([x, y]: Point): Point => [
      size.width / 2 + (x - (x0 + x1) / 2) * k,
      size.height / 2 - (y - (y0 + y1) / 2) * k,
    ]
    const fromScreen = ([px, py]: Point): Point => [
      (px - size.width / 2) / k + (x0 + x1) / 2,
      (y0 + y1) / 2 - (py - size.height / 2) / k,
    ]
    return { k, toScreen, fromScreen }
  }, [plan, size])
  const { toScreen, fromScreen, k } = frame
  return (
    <div ref={attach} className="relative min-h-0 overflow-hidden" data-testid="run">
      {size.width > 0 && plan && answer && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`Plan of ${run.name}`}
          className="absolute inset-0 touch-none select-none"
        >
          <Hatches />
          {plan.walls.map(([a, b], i) => {
            const leg = plan.legs[i]!
            const away = (p: Point): Point => [p[0] - leg.out[0] * (14 / k), p[1] - leg.out[1] * (14 / k)]
            return (
              <path
                key={i}
                d={ringPath([a, b, away(b), away(a)], toScreen)}
                fill="var(--hair)"
                stroke="var(--soft)"
                strokeWidth="0.8"
              />
            )
          })}
          {answer.split.parts.map((part) => {
            return (
              <g key={part.number}>
                <path
                  d={ringPath(part.ring, toScreen)}
                  fill={HATCH_OF.concrete}
                  stroke="var(--ink)"
                  strokeWidth="1.6"
                />
                {part.ring.map((a, i) =>
                  part.sides[i] === 'seam' ? (
                    <path
                      key={i}
                      d={`M ${toScreen(a).join(' ')} L ${toScreen(part.ring[(i + 1) % part.ring.length]!).join(' ')}`}
                      stroke="var(--oxide)"
                      strokeWidth="2.4"
                    />
                  ) : null,
                )}
              </g>
            )
          })}
          {run.openings.map((o) => {
            const leg = plan.legs[o.leg]
            if (!leg) return null
            const ring = openingRing(leg, o)
            return (
              <g key={o.id}>
                <path
                  d={ringPath(ring, toScreen)}
                  fill="var(--sheet)"
                  stroke="var(--ink)"
                  strokeWidth="1.3"
                />
                <text x={toScreen(ring[0]!)[0]} y={toScreen(ring[0]!)[1] - 5} className="dim">
                  {o.name}
                </text>
              </g>
            )
          })}
          {answer.split.parts.map((part) => {
            const [mx, my] = toScreen(middleOf(part.ring))
            return (
              <g key={part.number} pointerEvents="none">
                <rect x={mx - 46} y={my - 22} width="92" height="44" fill="var(--sheet)" fillOpacity="0.94" />
                <text
                  x={mx}
                  y={my - 2}
                  textAnchor="middle"
                  className="label"
                  fontSize="19"
                  fontWeight="700"
                  fill="var(--ink)"
                >
                  {part.number}
                </text>
                <text x={mx} y={my + 16} textAnchor="middle" className="dim">
                  {words.kg(part.weightKg)}
                </text>
              </g>
            )
          })}
          {run.seams.map((s, i) => {
            const leg = plan.legs[s.leg]
            if (!leg) return null
            const at = (out: number): Point => [
              leg.start[0] + leg.along[0] * s.at + leg.out[0] * out,
              leg.start[1] + leg.along[1] * s.at + leg.out[1] * out,
            ]
            const [a, b] = [toScreen(at(-30 / k)), toScreen(at(leg.depth + 30 / k))]
            return (
              <g
                key={s.id}
                role="slider"
                tabIndex={0}
                aria-label={`Seam ${i + 1}`}
                aria-valuenow={Math.round(s.at)}
                aria-valuemin={0}
                aria-valuetext={`${formatLength(s.at, style)} along wall ${s.leg + 1}`}
                aria-valuemax={Math.round(leg.length)}
                style={{ cursor: 'grab' }}
                onPointerDown={(e) => {
                  e.currentTarget.setPointerCapture(e.pointerId)
                  drag.current = { id: s.id, leg: s.leg, at: s.at }
                }}
                onPointerMove={(e) => {
                  const d = drag.current
                  if (!d || d.id !== s.id) return
                  const box = element.current!.getBoundingClientRect()
                  const p = fromScreen([e.clientX - box.left, e.clientY - box.top])
                  d.at = Math.round(
                    (p[0] - leg.start[0]) * leg.along[0] + (p[1] - leg.start[1]) * leg.along[1],
                  )
                  onSeam(s.id, Math.max(0, d.at), false)
                }}
                onPointerUp={() => {
                  const d = drag.current
                  drag.current = null
                  if (d) onSeam(d.id, Math.max(0, d.at), true)
                }}
                onKeyDown={(e) => {
                  const next = slideTo(e, { at: s.at, min: 0, max: Math.round(leg.length), step: 1 })
                  if (next === null) return
                  e.preventDefault()
                  onSeam(s.id, next, true)
                }}
              >
                <line x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="transparent" strokeWidth="16" />
                <line
                  x1={a[0]}
                  y1={a[1]}
                  x2={b[0]}
                  y2={b[1]}
                  stroke="var(--oxide)"
                  strokeWidth="1.4"
                  strokeDasharray="8 3"
                />
                <text x={b[0] + 6} y={b[1] + 14} className="dim">
                  {formatLength(s.at, style)}
                </text>
              </g>
            )
          })}
        </svg>
      )}
    </div>
  )
}
