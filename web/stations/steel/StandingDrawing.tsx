import type { Point } from '../../../core/geometry/index.ts'
import { formatLength, wordsStyle } from '../../../core/units/index.ts'
import { Label } from '../../stage/PlanParts.tsx'
import { ringPath } from '../../stage/paths.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { fitted, spanOf } from './fitted.ts'

const ROOM = { x: 190, top: 16, bottom: 34 }
/** Length of the arrow that pushes, px. */
const ARROW = 74

/** A piece that stands, from the front: its middle of gravity, the push that tips it, the ground and what is set in it. */
export function StandingDrawing() {
  const { piece, plan } = usePlan()
  const { attach, size } = useSize<HTMLDivElement>()
  const style = useMeasureStyle()
  const say = wordsStyle(style)
  const standing = plan?.stations.steel?.figures.standing
  const gravity = plan?.stations.piece?.figures.centreOfGravity
  const front = plan?.stations.steel?.front
  if (!front || !gravity) return null
  const { min, max } = spanOf(front.flat())
  const { to } = fitted(min, max, size, ROOM)
  const ground = (standing?.footing?.depthMm ?? 0) + min[1]
  const middle = to([gravity.xMm, gravity.zMm])
  const pushed =
    standing?.tips && !standing.footing ? to([min[0], min[1] + standing.tips.pushHeightMm]) : null
  const line = (z: number): readonly [Point, Point] => [
    [Math.max(8, to([min[0], z])[0] - 150), to([0, z])[1]],
    [Math.min(size.width - 8, to([max[0], z])[0] + 150), to([0, z])[1]],
  ]
  const [g0, g1] = line(ground)
  return (
    <div ref={attach} className="relative h-full min-h-0 w-full">
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="img"
          aria-label={`${piece.name} as it stands`}
          className="absolute inset-0"
        >
          <path
            d={front.map((r) => ringPath(r, to)).join(' ')}
            fillRule="evenodd"
            fill="var(--concrete)"
            stroke="var(--ink)"
            strokeWidth="1.4"
          />
          {standing?.footing && (
            <rect
              x={g0[0]}
              y={g0[1]}
              width={g1[0] - g0[0]}
              height={to([0, min[1]])[1] - g0[1]}
              fill="var(--earth)"
              opacity="0.55"
            />
          )}
          <line x1={g0[0]} y1={g0[1]} x2={g1[0]} y2={g1[1]} stroke="var(--ink)" strokeWidth="2.4" />
          <g stroke="var(--ink)" strokeWidth="1.6">
            <circle cx={middle[0]} cy={middle[1]} r="7" fill="var(--sheet)" />
            <line x1={middle[0] - 7} y1={middle[1]} x2={middle[0] + 7} y2={middle[1]} />
            <line x1={middle[0]} y1={middle[1] - 7} x2={middle[0]} y2={middle[1] + 7} />
            <line
              x1={middle[0]}
              y1={middle[1] + 7}
              x2={middle[0]}
              y2={to([0, min[1]])[1]}
              strokeDasharray="5 4"
              strokeWidth="1"
            />
          </g>
          <Label
            at={[middle[0] + 62, middle[1]]}
            text={`balance, ${formatLength(gravity.zMm - min[1], style)} up`}
          />
          {pushed && standing?.tips && (
            <g>
              <line
                x1={pushed[0] - ARROW}
                y1={pushed[1]}
                x2={pushed[0] - 12}
                y2={pushed[1]}
                stroke="var(--oxide)"
                strokeWidth="3"
              />
              <path d={`M ${pushed[0] - 2} ${pushed[1]} l -13 -7 v 14 Z`} fill="var(--oxide)" />
              <Label
                at={[pushed[0] - ARROW - 10, pushed[1] + 20]}
                text={`tips at ${say.newtons(standing.tips.pushN)}`}
                oxide
              />
            </g>
          )}
          {standing?.footing && (
            <Label
              at={[g1[0] - 60, (g0[1] + to([0, min[1]])[1]) / 2]}
              text={`${formatLength(standing.footing.depthMm, style)} in the ground`}
            />
          )}
        </svg>
      )}
    </div>
  )
}
