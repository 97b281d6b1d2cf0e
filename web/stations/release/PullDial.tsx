import { type KeyboardEvent, type PointerEvent, useRef } from 'react'
import type { PullWay } from '../../../core/mould/index.ts'
import { leanWords } from '../leanWords.ts'

/** The dial's radius, px: its middle is up, its rim level. */
const R = 62
const MIDDLE = R + 14
const RINGS = [30, 60]
/** A key turns it by so much, degrees. */
const STEP = 5
/** As near to upright or to level as this it is taken for that, degrees. */
const SNAPS = 3

const RAD = Math.PI / 180

/** Where two halves are drawn apart: a point pulled over half a sphere as it is seen from above. */
export function PullDial({
  value,
  best,
  onTurn,
}: {
  value: PullWay
  /** The ways that a search found, the best first. */
  best: readonly PullWay[]
  onTurn: (way: PullWay) => void
}) {
  const box = useRef<SVGSVGElement>(null)
  const turn = (event: PointerEvent) => {
    const { left, top, width } = box.current!.getBoundingClientRect()
    const scale = (2 * MIDDLE) / (width || 2 * MIDDLE)
    const [x, y] = [(event.clientX - left) * scale - MIDDLE, MIDDLE - (event.clientY - top) * scale]
    onTurn(settled({ leanDeg: (Math.hypot(x, y) / R) * 90, roundDeg: Math.atan2(y, x) / RAD }))
  }
  const key = (event: KeyboardEvent) => {
    const by = { ArrowUp: [-STEP, 0], ArrowDown: [STEP, 0], ArrowLeft: [0, STEP], ArrowRight: [0, -STEP] }[
      event.key
    ]
    if (!by) return
    event.preventDefault()
    onTurn({
      leanDeg: Math.min(90, Math.max(0, Math.round(value.leanDeg) + by[0]!)),
      roundDeg: (Math.round(value.roundDeg) + by[1]! + 360) % 360,
    })
  }
  const [x, y] = seen(value)
  return (
    <div
      className="label w-fit touch-none cursor-crosshair select-none text-[12px]"
      role="slider"
      tabIndex={0}
      aria-label="Way the halves are drawn apart"
      aria-valuemin={0}
      aria-valuemax={90}
      aria-valuenow={Math.round(value.leanDeg)}
      aria-valuetext={leanWords(value)}
      onKeyDown={key}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture?.(event.pointerId)
        turn(event)
      }}
      onPointerMove={(event) => {
        if (event.buttons === 1) turn(event)
      }}
    >
      <svg
        ref={box}
        aria-hidden
        className="block"
        width={2 * MIDDLE}
        height={2 * MIDDLE}
        viewBox={`0 0 ${2 * MIDDLE} ${2 * MIDDLE}`}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={R} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} />
        {RINGS.map((deg) => (
          <circle
            key={deg}
            cx={MIDDLE}
            cy={MIDDLE}
            r={(R * deg) / 90}
            fill="none"
            stroke="var(--hair)"
            strokeDasharray="2 3"
          />
        ))}
        {(
          [
            ['back', MIDDLE, 10],
            ['front', MIDDLE, 2 * MIDDLE - 2],
          ] as const
        ).map(([word, cx, cy]) => (
          <text key={word} x={cx} y={cy} textAnchor="middle" fill="var(--soft)">
            {word}
          </text>
        ))}
        {best.map((way, i) => {
          const [bx, by] = seen(way)
          return (
            <path
              key={`${way.leanDeg},${way.roundDeg}`}
              d={`M${bx - 5} ${by} H${bx + 5} M${bx} ${by - 5} V${by + 5}`}
              stroke="var(--settled)"
              strokeWidth={i === 0 ? 2.5 : 1.25}
            />
          )
        })}
        <line x1={MIDDLE} y1={MIDDLE} x2={x} y2={y} stroke="var(--oxide)" strokeWidth={1.5} />
        <circle cx={x} cy={y} r={6} fill="var(--oxide)" stroke="var(--sheet)" strokeWidth={1.5} />
      </svg>
    </div>
  )
}

const seen = ({ leanDeg, roundDeg }: PullWay): readonly [number, number] => {
  const r = (R * leanDeg) / 90
  return [MIDDLE + r * Math.cos(roundDeg * RAD), MIDDLE - r * Math.sin(roundDeg * RAD)]
}

/** A hand's place on the dial: whole degrees, upright and level found easily. */
export const settled = ({ leanDeg, roundDeg }: PullWay): PullWay => {
  const lean = leanDeg < SNAPS ? 0 : leanDeg > 90 - SNAPS ? 90 : Math.round(leanDeg)
  return { leanDeg: lean, roundDeg: lean === 0 ? 0 : (Math.round(roundDeg) + 360) % 360 }
}
