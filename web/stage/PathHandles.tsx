import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import { arcByRise, type PathCorner, type Point } from '../../core/geometry/index.ts'
import { sideWords } from '../../core/piece/index.ts'
import { newId } from '../state/files.ts'
import { inRun } from '../state/stepRuns.ts'
import { arrowStep } from './keySteps.ts'

type Corners = readonly PathCorner[]
type Props = {
  readonly corners: Corners
  readonly toScreen: (p: Point) => Point
  readonly fromScreen: (p: Point) => Point
  readonly localPoint: (event: { clientX: number; clientY: number }) => Point
  /** Whole steps that a dragged corner comes to rest on, mm. */
  readonly step: number
  readonly selected: string | null
  readonly onSelect: (side: string) => void
  readonly onPreview: (corners: Corners | null) => void
  readonly onCommit: (corners: CornersOut, label: string) => void
}
type CornersOut = PathCorner[]

const NEAR_PX = 8
const STILL_PX = 3
/** How far round a handle a hand finds it, px; handles on a short side share its length. */
const HAND = 16
const handReach = (sidePx: number): number => Math.max(5, Math.min(HAND, sidePx / 4))

/** A free side id beside the ones in use: `side-7`. */
export function freeSide(corners: Corners): string {
  const taken = new Set(corners.map((c) => c.side))
  for (let n = corners.length + 1; ; n += 1) if (!taken.has(`side-${n}`)) return `side-${n}`
}

/** The middle of a side as it runs, and the corners with one more there. */
export function withCorner(corners: Corners, i: number): { at: Point; corners: PathCorner[] } {
  const [a, b] = [corners[i]!, corners[(i + 1) % corners.length]!]
  const at = sideMiddle(a, b)
  const side = freeSide(corners)
  const half = (c: PathCorner): PathCorner['run'] =>
    c.run.kind === 'arc' ? { kind: 'arc', rise: c.run.rise / 4 } : { kind: 'line' }
  const added: PathCorner = { x: round(at[0]), y: round(at[1]), radius: 0, side, run: half(a) }
  return { at, corners: corners.toSpliced(i, 1, { ...a, run: half(a) }).toSpliced(i + 1, 0, added) }
}

const round = (n: number): number => Math.round(n * 100) / 100

export function sideMiddle(a: PathCorner, b: PathCorner): Point {
  if (a.run.kind === 'spline') return a.run.through[Math.floor((a.run.through.length - 1) / 2)]!
  const arc = a.run.kind === 'arc' ? arcByRise([a.x, a.y], [b.x, b.y], a.run.rise) : null
  if (!arc) return [(a.x + b.x) / 2, (a.y + b.y) / 2]
  const start = Math.atan2(a.y - arc.centre[1], a.x - arc.centre[0]) + arc.sweepRad / 2
  return [arc.centre[0] + arc.radius * Math.cos(start), arc.centre[1] + arc.radius * Math.sin(start)]
}

/**
 * The corners of a drawn path: squares to drag, or to move with the arrow keys; a cross in the middle of each side adds
 * a corner there. A dragged corner rests on whole steps, or level with another corner.
 */
export function PathHandles(props: Props) {
  const { corners, toScreen, fromScreen, localPoint, step, selected, onSelect, onPreview, onCommit } = props
  const drag = useRef<{ i: number; start: Point; moved: CornersOut | null } | null>(null)
  const run = useRef(newId('run'))

  const rest = (i: number, [x, y]: Point): Point => {
    const [px, py] = toScreen([x, y])
    const others = corners.filter((_, k) => k !== i).map((c): Point => toScreen([c.x, c.y]))
    const levelX = corners.filter((_, k) => k !== i)[others.findIndex((o) => Math.abs(o[0] - px) < NEAR_PX)]
    const levelY = corners.filter((_, k) => k !== i)[others.findIndex((o) => Math.abs(o[1] - py) < NEAR_PX)]
    return [levelX?.x ?? Math.round(x / step) * step, levelY?.y ?? Math.round(y / step) * step]
  }
  const put = (i: number, [x, y]: Point): CornersOut =>
    corners.map((c, k) => (k === i ? { ...c, x: round(x), y: round(y) } : c))

  const move = (event: PointerEvent) => {
    const d = drag.current
    if (!d) return
    const at = localPoint(event)
    if (!d.moved && Math.hypot(at[0] - d.start[0], at[1] - d.start[1]) < STILL_PX) return
    d.moved = put(d.i, rest(d.i, fromScreen(at)))
    onPreview(d.moved)
  }
  const end = () => {
    const d = drag.current
    drag.current = null
    onPreview(null)
    if (!d) return
    if (d.moved) onCommit(d.moved, 'move a corner')
    onSelect(corners[d.i]!.side)
  }
  const remove = (i: number) => {
    if (corners.length > 3) onCommit(corners.toSpliced(i, 1), 'remove a corner')
  }
  const onKey = (event: KeyboardEvent, i: number) => {
    const by = arrowStep(event, step)
    const c = corners[i]!
    const beside =
      event.key === 'Home'
        ? corners.at(i - 1)!
        : event.key === 'End'
          ? corners[(i + 1) % corners.length]!
          : null
    if (by) {
      event.preventDefault()
      // What goes up or right on the screen goes up or right under the arrow, whichever way the plan is shown.
      const [a, b] = [toScreen([0, 0]), toScreen([1, 0])]
      const to: Point = [c.x + by[0] * Math.sign(b[0] - a[0]), c.y + by[1]]
      inRun(run.current, () =>
        onCommit(put(i, to), `corner ${i + 1} to ${Math.round(to[0])}, ${Math.round(to[1])}`),
      )
    } else if (beside) {
      // Level with the corner beside it, the way it is nearer to that.
      event.preventDefault()
      const level: Point =
        Math.abs(beside.x - c.x) < Math.abs(beside.y - c.y) ? [beside.x, c.y] : [c.x, beside.y]
      onCommit(put(i, level), `corner ${i + 1} level with the one beside it`)
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      remove(i)
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      onSelect(corners[i]!.side)
    }
  }
  /** How long the side after a corner is on the screen, px. */
  const sideOnScreen = (i: number): number => {
    const [a, b] = [corners[i]!, corners[(i + 1) % corners.length]!].map((c) => toScreen([c.x, c.y]))
    return Math.hypot(b![0] - a![0], b![1] - a![1])
  }
  return (
    <g
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
      onFocusCapture={() => {
        run.current = newId('run')
      }}
    >
      {corners.length <= 60 &&
        corners.map((c, i) => {
          const next = corners[(i + 1) % corners.length]!
          const [x, y] = toScreen(sideMiddle(c, next))
          const around = handReach(sideOnScreen(i))
          return (
            <g
              key={`add-${c.side}`}
              data-crowded={around < HAND || undefined}
              role="button"
              tabIndex={0}
              aria-label={`Add a corner on side ${sideWords(c.side)}`}
              style={{ cursor: 'copy' }}
              onPointerDown={(e) => {
                e.stopPropagation()
                onCommit(withCorner(corners, i).corners, 'add a corner')
              }}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' && e.key !== ' ') return
                e.preventDefault()
                onCommit(withCorner(corners, i).corners, 'add a corner')
              }}
            >
              <circle cx={x} cy={y} r={around} fill="transparent" />
              <path d={`M ${x - 4} ${y} h 8 M ${x} ${y - 4} v 8`} stroke="var(--soft)" strokeWidth="1.4" />
            </g>
          )
        })}
      {corners.map((c, i) => {
        const [x, y] = toScreen([c.x, c.y])
        const on = selected === c.side
        const around = handReach(
          Math.min(sideOnScreen(i), sideOnScreen((i + corners.length - 1) % corners.length)),
        )
        return (
          <g
            key={c.side}
            data-crowded={around < HAND || undefined}
            role="button"
            tabIndex={0}
            aria-label={`Corner ${i + 1}, at ${Math.round(c.x)}, ${Math.round(c.y)}`}
            aria-pressed={on}
            data-corner={i + 1}
            style={{ cursor: 'grab' }}
            onPointerDown={(e) => {
              if (e.button !== 0) return
              e.stopPropagation()
              e.currentTarget.setPointerCapture(e.pointerId)
              drag.current = { i, start: localPoint(e), moved: null }
            }}
            onKeyDown={(e) => onKey(e, i)}
          >
            <rect x={x - around} y={y - around} width={2 * around} height={2 * around} fill="transparent" />
            <rect
              x={x - 4.5}
              y={y - 4.5}
              width="9"
              height="9"
              fill={on ? 'var(--oxide)' : 'var(--sheet)'}
              stroke={on ? 'var(--oxide)' : 'var(--ink)'}
              strokeWidth="1.5"
            />
          </g>
        )
      })}
    </g>
  )
}
