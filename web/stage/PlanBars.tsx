import type { Point } from '../../core/geometry/index.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { pointedAt } from '../state/viewSlice.ts'
import { Label } from './PlanParts.tsx'

/** Bars in a slab, as thick as they are; with their marks where steel is looked at. */
export function PlanBars({
  toScreen,
  scale,
  thin,
}: {
  toScreen: (p: Point) => Point
  scale: number
  thin: boolean
}) {
  const { plan } = usePlan()
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  return (plan?.stations.steel?.bars ?? []).map((b) => {
    const points = b.path.map(([x, y]) => toScreen([x, y]))
    const on = lit === `bar/${b.mark}`
    const [a, c] = [points[0]!, points.at(-1)!]
    return (
      <g
        key={b.id}
        onPointerEnter={() => dispatch(pointedAt(`bar/${b.mark}`))}
        onPointerLeave={() => dispatch(pointedAt(null))}
      >
        <path
          d={`M ${points.map((p) => p.map((n) => n.toFixed(1)).join(' ')).join(' L ')}${b.closed ? ' Z' : ''}`}
          fill="none"
          stroke={on ? 'var(--oxide)' : 'var(--steel)'}
          strokeWidth={thin ? 1.4 : Math.max(3, b.bar.diameter * scale)}
          strokeDasharray={thin ? '5 4' : undefined}
          strokeLinejoin="round"
        />
        {!thin && <Label at={[a[0] * 0.8 + c[0] * 0.2, a[1] * 0.8 + c[1] * 0.2]} text={b.mark} oxide={on} />}
      </g>
    )
  })
}
