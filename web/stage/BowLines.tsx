import type { Loop, Point } from '../../core/geometry/index.ts'
import { type MouldStation, planOf, stripFace } from '../../core/mould/index.ts'
import { showNumber } from '../../core/units/index.ts'

/** The largest bow is drawn this many px out, whatever it is. */
const DRAWN = 16
/** Below this, mm, there is nothing to see. */
const LEAST = 0.05

type Props = { readonly mould: MouldStation; readonly onScreen: (p: Point) => Point; readonly scale: number }

/** How far the sides bow under the fill, outside each strip at a stated exaggeration, and the braces that hold them. */
export function BowLines({ mould, onScreen, scale }: Props) {
  const rows = mould.figures.bowing
  const most = Math.max(...rows.map((r) => Math.max(...r.topMm)), 0)
  const times = most > LEAST ? Math.max(1, Math.round(DRAWN / (most * scale))) : 0
  const worst = rows.find((r) => Math.max(...r.topMm) === most)
  return (
    <g aria-hidden pointerEvents="none" data-testid="bow">
      {rows.map((row) => {
        const part = mould.parts.find((p) => p.id === row.partId)
        const outline = part && planOf(part)
        const face = outline && part.source.of === 'side' ? faceOf(outline, part.source.side) : null
        if (!part || !face) return null
        const { from, along, out } = face
        const place = (s: number, o: number): Point =>
          onScreen([from[0] + along[0] * s + out[0] * o, from[1] + along[1] * s + out[1] * o])
        const step = face.length / (row.topMm.length - 1)
        const line = row.topMm.map((bow, i) => place(i * step, part.thicknessMm + bow * times))
        const middle = row.topMm.indexOf(Math.max(...row.topMm))
        // Beside an end its words stand off the middle, where the section line has its letter.
        const said = line[Math.abs(out[1]) > 0.5 ? middle : Math.floor(line.length / 4)]!
        return (
          <g key={row.partId}>
            {Math.max(...row.topMm) > LEAST && (
              <polyline
                points={line.map((p) => p.join()).join(' ')}
                fill="none"
                stroke="var(--oxide)"
                strokeWidth="1.4"
                strokeDasharray="4 3"
              />
            )}
            {row === worst && times > 0 && (
              <text
                x={said[0] + 6}
                y={said[1] + (out[1] > 0 ? -4 : 13)}
                className="label"
                fontSize="13"
                fill="var(--oxide)"
              >
                bow {showNumber(row.bowMm, 1)}, drawn × {times}
              </text>
            )}
            {row.bracesMm.map((s) => {
              const [a, b] = [place(s, -4 / scale), place(s, part.thicknessMm + 9 / scale)]
              return (
                <line key={s} x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="var(--ink)" strokeWidth="4" />
              )
            })}
          </g>
        )
      })}
    </g>
  )
}

/** The face of a strip that meets the concrete, walked from its start, and the way out of the mould. */
function faceOf(
  outline: Loop,
  side: string,
): { from: Point; along: Point; out: Point; length: number } | null {
  const face = outline.find((s) => s.name === stripFace(side))
  if (!face) return null
  // The strip's own loop runs against the piece's side.
  const [from, to] = [face.to, face.from]
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1
  const along: Point = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  return { from, along, out: [along[1], -along[0]], length }
}
