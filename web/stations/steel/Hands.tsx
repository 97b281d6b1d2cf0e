import type { Handling } from '../../../core/steel/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { DragPoints } from '../../stage/DragPoints.tsx'
import { usePlan } from '../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import type { Fitted } from './fitted.ts'

/** Where it is carried: hands that are dragged, or moved by the arrow keys. */
export function Hands({ handling, fit }: { handling: Handling; fit: Fitted }) {
  const { piece } = usePlan()
  const style = useMeasureStyle()
  return (
    <DragPoints
      points={handling.hands}
      to={fit.to}
      from={fit.from}
      name={(p, i) =>
        `Hand ${i + 1}, ${formatLength(p[0], style)} from the left, ${formatLength(p[1], style)} from the front`
      }
      act="move a hand"
      changed={(hands) => ({
        type: 'steelChosen',
        pieceId: piece.id,
        patch: {
          handling: { ...piece.steel.handling, hands: hands.map(([x, y]): [number, number] => [x, y]) },
        },
      })}
      mark={([x, y]) => (
        <circle
          cx={x}
          cy={y}
          r="13"
          fill="none"
          stroke="var(--slate)"
          strokeWidth="1.5"
          strokeDasharray="3 3"
        />
      )}
    />
  )
}
