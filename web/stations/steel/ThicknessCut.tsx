import { useMemo } from 'react'
import type { ThicknessMap, ThinCut } from '../../../core/steel/index.ts'
import { formatLength } from '../../../core/units/index.ts'
import { Label } from '../../stage/PlanParts.tsx'
import { ringPath } from '../../stage/paths.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { cutBands } from './cutBands.ts'
import { fitted, spanOf } from './fitted.ts'
import { placeLabels } from './placeLabels.ts'
import { fillOf } from './thicknessFill.ts'
import { contourLevels, INSIDE } from './thicknessGrid.ts'

const ROOM = { x: 60, top: 84, bottom: 34 }

/** A cut through a thin place: how thick it is all over it, and the ball that just fits there. */
export function ThicknessCut({
  map,
  cut,
  ball,
  wanted,
  size,
  name,
}: {
  map: ThicknessMap
  cut: ThinCut
  ball: { readonly across: number; readonly z: number; readonly mm: number; readonly thin: boolean }
  wanted: number
  size: { readonly width: number; readonly height: number }
  name: string
}) {
  const style = useMeasureStyle()
  const bands = useMemo(() => cutBands(map, cut, contourLevels(map.samples, wanted)), [map, cut, wanted])
  if (cut.region.length === 0 || size.width === 0) return null
  const { min, max } = spanOf(cut.region.flat())
  const at = fitted(min, max, size, ROOM)
  const mm = (n: number) => formatLength(n, style)
  const [x, y] = at.to([ball.across, ball.z])
  const r = Math.max(3, (ball.mm / 2) * at.scale)
  const tops = bands.flatMap(({ upToMm, rings }) => {
    const longest = [...rings].sort((a, b) => b.length - a.length)[0]
    if (upToMm === INSIDE || !longest || longest.length < 8) return []
    const inside = longest.filter((p) => p[0] > min[0] && p[0] < max[0] && p[1] > min[1] && p[1] < max[1])
    if (inside.length === 0) return []
    return [{ upToMm, at: at.to(inside.reduce((best, p) => (p[0] > best[0] ? p : best))) }]
  })
  const labels = placeLabels(
    [
      { key: 'ball', at: [x, y], away: r, text: mm(ball.mm) },
      ...tops.map((t) => ({ key: `${t.upToMm}`, at: t.at, away: 2, text: mm(t.upToMm) })),
    ],
    size,
  )
  const outline = cut.region.map((ring) => ringPath(ring, at.to)).join(' ')
  return (
    <svg width={size.width} height={size.height} role="img" aria-label={name} className="absolute inset-0">
      <clipPath id="thick-cut">
        <path d={outline} clipRule="evenodd" />
      </clipPath>
      <g clipPath="url(#thick-cut)">
        {bands.map(({ upToMm, rings }) => (
          <path
            key={upToMm}
            d={rings.map((ring) => ringPath(ring, at.to)).join(' ')}
            fillRule="evenodd"
            fill={fillOf(upToMm, wanted)}
            stroke={upToMm === INSIDE ? 'none' : 'var(--ink)'}
            strokeWidth={upToMm === wanted ? 1.6 : 0.7}
          />
        ))}
      </g>
      <path d={outline} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
      <circle
        cx={x}
        cy={y}
        r={r}
        fill="none"
        stroke={ball.thin ? 'var(--oxide)' : 'var(--ink)'}
        strokeWidth="2.2"
      />
      {tops.map(({ upToMm }) => {
        const place = labels.get(`${upToMm}`)
        return place && <Label key={upToMm} at={place} text={mm(upToMm)} />
      })}
      {labels.get('ball') && <Label at={labels.get('ball')!} text={mm(ball.mm)} oxide={ball.thin} />}
    </svg>
  )
}
