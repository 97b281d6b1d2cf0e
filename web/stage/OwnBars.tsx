import type { Point } from '../../core/geometry/index.ts'
import type { Change } from '../../core/job/index.ts'
import { formatLength } from '../../core/units/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useChange } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { DragPoints } from './DragPoints.tsx'

/** The ends of bars laid by hand: dragged where they shall lie; Delete takes a bar out. */
export function OwnBars({
  toScreen,
  fromScreen,
}: {
  toScreen: (p: Point) => Point
  fromScreen: (p: Point) => Point
}) {
  const { piece } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const { bars } = piece.steel
  const laid = (own: typeof bars.own): Change => ({
    type: 'steelChosen',
    pieceId: piece.id,
    patch: { bars: { ...bars, own } },
  })
  return bars.own.map((bar, n) => (
    <DragPoints
      key={bar.id}
      points={[bar.from, bar.to]}
      to={toScreen}
      from={fromScreen}
      name={(p, i) =>
        `Bar ${n + 1} laid by hand, ${i === 0 ? 'one end' : 'other end'}, ${formatLength(p[0], style)} from the left, ${formatLength(p[1], style)} from the front`
      }
      act="move a bar"
      changed={([from, to]) =>
        laid(
          bars.own.map((b) =>
            b.id === bar.id ? { ...b, from: [from![0], from![1]], to: [to![0], to![1]] } : b,
          ),
        )
      }
      onRemove={() => change('take a bar out', laid(bars.own.filter((b) => b.id !== bar.id)))}
      mark={([x, y]) => (
        <rect
          x={x - 6}
          y={y - 6}
          width="12"
          height="12"
          fill="var(--sheet)"
          stroke="var(--steel)"
          strokeWidth="2"
        />
      )}
    />
  ))
}
