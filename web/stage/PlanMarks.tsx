import type { Point } from '../../core/geometry/index.ts'
import type { SteelStation } from '../../core/steel/index.ts'
import { Label } from './PlanParts.tsx'
import type { Guide } from './usePlanDrag.ts'

/** How far a guide runs past the plan, mm. */
const PAST = 30

/** The lines that what is being dragged rests on. */
export function Guides({
  guides,
  length,
  width,
  toScreen,
}: {
  guides: readonly Guide[]
  length: number
  width: number
  toScreen: (p: Point) => Point
}) {
  return guides.map(({ axis, at }) => {
    const ends: readonly [Point, Point] =
      axis === 'u'
        ? [
            [at, -PAST],
            [at, width + PAST],
          ]
        : [
            [-PAST, at],
            [length + PAST, at],
          ]
    const [a, b] = [toScreen(ends[0]), toScreen(ends[1])]
    return (
      <line
        key={axis}
        x1={a[0]}
        y1={a[1]}
        x2={b[0]}
        y2={b[1]}
        stroke="var(--oxide)"
        strokeDasharray="7 3 2 3"
      />
    )
  })
}

/** Where the concrete that is left is narrow; the narrowest with its figure. */
export function NarrowLands({
  lands,
  toScreen,
  text,
}: {
  lands: SteelStation['figures']['lands']
  toScreen: (p: Point) => Point
  text: (mm: number) => string
}) {
  return lands.map((l, i) => {
    const [a, b] = [toScreen([l.fromXMm, l.fromYMm]), toScreen([l.toXMm, l.toYMm])]
    return (
      <g key={`${l.between[0]}|${l.between[1]}`} pointerEvents="none">
        <line x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="var(--oxide)" strokeWidth="3" />
        {i === 0 && <Label at={[a[0] - 22, (a[1] + b[1]) / 2]} text={text(l.leastMm)} oxide />}
      </g>
    )
  })
}
