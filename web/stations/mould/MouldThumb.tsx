import { boundLoop, type Point } from '../../../core/geometry/index.ts'
import type { MouldPart } from '../../../core/mould/index.ts'
import { partLoops } from '../../stage/MouldParts.tsx'
import { loopPath } from '../../stage/paths.ts'

const SIZE = { width: 58, height: 44 } as const

/** What stands in the mould by now, from above, front at the bottom; what is placed now is dark. */
export function MouldThumb({ parts, now }: { parts: readonly MouldPart[]; now: readonly string[] }) {
  const drawn = parts.map((p) => ({ id: p.id, loops: partLoops(p) })).filter((p) => p.loops.length > 0)
  const boxes = drawn.flatMap((p) => p.loops.map(boundLoop))
  if (boxes.length === 0) return null
  const [x0, y0] = [Math.min(...boxes.map((b) => b.min[0])), Math.min(...boxes.map((b) => b.min[1]))]
  const [x1, y1] = [Math.max(...boxes.map((b) => b.max[0])), Math.max(...boxes.map((b) => b.max[1]))]
  const scale = Math.min((SIZE.width - 4) / (x1 - x0 || 1), (SIZE.height - 4) / (y1 - y0 || 1))
  const at = ([x, y]: Point): Point => [
    SIZE.width / 2 + (x - (x0 + x1) / 2) * scale,
    SIZE.height / 2 - (y - (y0 + y1) / 2) * scale,
  ]
  return (
    <svg aria-hidden width={SIZE.width} height={SIZE.height} className="flex-none">
      {drawn.map(({ id, loops }) => (
        <path
          key={id}
          d={loops.map((l) => loopPath(l, at, scale, false)).join(' ')}
          fillRule="evenodd"
          fill={now.includes(id) ? 'var(--oxide)' : 'var(--board)'}
          stroke="var(--ink)"
          strokeWidth="0.6"
        />
      ))}
    </svg>
  )
}
