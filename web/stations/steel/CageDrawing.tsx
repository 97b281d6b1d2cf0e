import type { Point, Region, Vector } from '../../../core/geometry/index.ts'
import type { MarkedBar } from '../../../core/steel/index.ts'
import { wordsStyle } from '../../../core/units/index.ts'
import { Label } from '../../stage/PlanParts.tsx'
import { ringPath } from '../../stage/paths.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { pointedAt } from '../../state/viewSlice.ts'
import { type Fitted, fitted, spanOf } from './fitted.ts'
import { placeLabels } from './placeLabels.ts'

const ROOM = { x: 46, top: 34, bottom: 26 }

/** Cages and hoops in a piece as it stands: from the front, and from above, each bar with its mark. */
export function CageDrawing() {
  const { piece, plan, scene, looks } = usePlan()
  const { attach, size } = useSize<HTMLDivElement>()
  const steel = plan?.stations.steel
  const style = useMeasureStyle()
  const front = steel?.front
  const above = scene?.seen.placed
  if (!front || !steel || !above) return null
  const plans: Region = [pairs(above)]
  const [fx, ax] = [spanOf(front.flat()), spanOf(plans.flat())]
  // Each takes of the width what it is wide, so that both have one scale.
  const [fw, aw] = [fx.max[0] - fx.min[0], ax.max[0] - ax.min[0]]
  const split = Math.max(0.3, Math.min(0.7, fw / (fw + aw)))
  const left = { width: size.width * split, height: size.height }
  const right = { width: size.width * (1 - split), height: size.height }
  const [f, a] = [fitted(fx.min, fx.max, left, ROOM), fitted(ax.min, ax.max, right, ROOM)]
  const scale = Math.min(f.scale, a.scale)
  const [one, two] = [held(fx, left, scale), held(ax, right, scale)]
  const beside = (p: Point): Point => [two(p)[0] + left.width, two(p)[1]]
  const told = steel.figures.bars
  return (
    <div
      ref={attach}
      className={`relative h-full min-h-0 w-full overflow-hidden ${looks.steel}`}
      data-testid="lens"
    >
      <span className="view-name absolute left-4 top-2">From the front, as placed</span>
      <span className="view-name absolute top-2" style={{ left: left.width + 16 }}>
        From above
      </span>
      {size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="img"
          aria-label={`What goes inside ${piece.name}`}
          className="absolute inset-0"
        >
          <path
            d={front.map((r) => ringPath(r, one)).join(' ')}
            fillRule="evenodd"
            fill="var(--concrete)"
            stroke="var(--ink)"
            strokeWidth="1.4"
          />
          <path d={linesPath(above, beside)} fill="none" stroke="var(--ink)" strokeWidth="1.1" />
          <Bars bars={steel.bars} to={one} flat={([x, , z]) => [x, z]} scale={scale} view={size} />
          <Bars bars={steel.bars} to={beside} flat={([x, y]) => [x, y]} scale={scale} view={size} />
          {told && (
            <Label
              at={[Math.min(left.width - 60, one([fx.max[0], 0])[0] + 4), size.height - 14]}
              text={`cover ${wordsStyle(style).mm(told.keptMm)}`}
            />
          )}
        </svg>
      )}
    </div>
  )
}

/** A box in the middle of its view at a scale both views share. */
const held =
  (
    { min, max }: ReturnType<typeof spanOf>,
    view: { width: number; height: number },
    scale: number,
  ): Fitted['to'] =>
  ([x, y]) => [
    view.width / 2 + (x - (min[0] + max[0]) / 2) * scale,
    (view.height + ROOM.top - ROOM.bottom) / 2 - (y - (min[1] + max[1]) / 2) * scale,
  ]

const pairs = (lines: Float32Array | readonly number[]): Point[] =>
  Array.from({ length: lines.length / 2 }, (_, i): Point => [lines[i * 2]!, lines[i * 2 + 1]!])

function linesPath(lines: ArrayLike<number>, to: Fitted['to']): string {
  const parts: string[] = []
  for (let i = 0; i + 3 < lines.length; i += 4) {
    const [a, b] = [to([lines[i]!, lines[i + 1]!]), to([lines[i + 2]!, lines[i + 3]!])]
    parts.push(`M${a[0].toFixed(1)} ${a[1].toFixed(1)}L${b[0].toFixed(1)} ${b[1].toFixed(1)}`)
  }
  return parts.join('')
}

/** Bars as thick as they are, seen one way; an upright seen from its end is a dot. One of each mark has its letter. */
function Bars({
  bars,
  to,
  flat,
  scale,
  view,
}: {
  bars: readonly MarkedBar[]
  to: Fitted['to']
  flat: (p: Vector) => Point
  scale: number
  view: { readonly width: number; readonly height: number }
}) {
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  const drawn = bars.map((b) => ({ ...b, points: b.path.map((p) => to(flat(p))) }))
  const firsts = drawn.filter((b, i) => drawn.findIndex((o) => o.mark === b.mark) === i)
  // Beside its rightmost point, where no other letter stands.
  const letters = placeLabels(
    firsts.map((b) => ({
      key: b.mark,
      at: b.points.reduce((m, p) => (p[0] > m[0] + 0.1 || (p[0] > m[0] - 0.1 && p[1] < m[1]) ? p : m)),
      away: 16,
      text: b.mark,
    })),
    view,
  )
  return (
    <>
      {drawn.map((b) => {
        const [x0, y0] = b.points[0]!
        const dot = b.points.every(([x, y]) => Math.hypot(x - x0, y - y0) < 0.5)
        const stroke = lit === `bar/${b.mark}` ? 'var(--oxide)' : 'var(--steel)'
        const light = {
          onPointerEnter: () => dispatch(pointedAt(`bar/${b.mark}`)),
          onPointerLeave: () => dispatch(pointedAt(null)),
        }
        return dot ? (
          <circle
            key={b.id}
            cx={x0}
            cy={y0}
            r={Math.max(2.4, (b.bar.diameter / 2) * scale)}
            fill={stroke}
            {...light}
          />
        ) : (
          <path
            key={b.id}
            d={`M ${b.points.map((p) => p.map((n) => n.toFixed(1)).join(' ')).join(' L ')}${b.closed ? ' Z' : ''}`}
            fill="none"
            stroke={stroke}
            strokeWidth={Math.max(1.6, b.bar.diameter * scale)}
            {...light}
          />
        )
      })}
      {firsts.map(({ mark }) => {
        const at = letters.get(mark)
        return at && <Label key={mark} at={at} text={mark} oxide={lit === `bar/${mark}`} />
      })}
    </>
  )
}
