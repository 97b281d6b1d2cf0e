import { type PointerEvent, useRef, useState } from 'react'
import type { Point } from '../../../core/geometry/index.ts'
import type { Handling, Move, MoveCheck } from '../../../core/steel/index.ts'
import { forceToMass } from '../../../core/units/convert.ts'
import { formatLength, shopStep, wordsStyle } from '../../../core/units/index.ts'
import { slideTo } from '../../stage/keySteps.ts'
import { Label } from '../../stage/PlanParts.tsx'
import { ringPath } from '../../stage/paths.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Turns } from '../../ui/Turns.tsx'
import { agesOf, LEAST, marginAt } from './ages.ts'
import { type Fitted, fitted, spanOf } from './fitted.ts'
import { Hands } from './Hands.tsx'
import { above, atNodes } from './isoBands.ts'
import { MOVE_NAMES, marginWords, whenWords } from './moveWords.ts'
import { StandingDrawing } from './StandingDrawing.tsx'

const ROOM = { x: 70, top: 96, bottom: 46 }
/** Handling jerks by this: what a hand holds at rest is so much less. */
const JERK = 1.5

/** The piece as it is held: how much it bends everywhere, what holds it, and what that leaves. */
export function HandlingLens() {
  const { piece, plan, looks, whole } = usePlan()
  const { attach, size } = useSize<HTMLDivElement>()
  const style = useMeasureStyle()
  const say = wordsStyle(style)
  const steel = plan?.stations.steel
  const gravity = plan?.stations.piece?.figures.centreOfGravity
  const handling = steel?.handling ?? null
  const beam = handling ? null : (steel?.figures.handling ?? null)
  const [wanted, setWanted] = useState<Move>('turn')
  const [at, setAt] = useState('start')
  const check = handling?.checks.find((c) => c.move === wanted) ?? handling?.checks[0]
  const told = steel?.figures.handling?.moves.find((m) => m.move === check?.move)
  const span = handling && spanOf(handling.plan.flat())
  const fit = span && fitted(span.min, span.max, size, ROOM)
  const ages = agesOf(plan?.stations.pour?.figures.strength ?? [])
  const mpa = ages.find((a) => a.value === at)?.mpa ?? null
  const margin = told && marginAt(told, at === 'start' && told.move !== 'use', mpa)
  const allowed = check && margin ? check.peakMpa * margin : 1
  return (
    <div
      ref={attach}
      className={`relative h-full min-h-0 w-full overflow-hidden ${looks.steel}`}
      data-testid="lens"
    >
      {handling && (
        <div className="absolute left-4 right-3 top-2 z-[1] flex flex-wrap items-center gap-x-4">
          <Turns
            label="How it is held"
            value={check?.move ?? wanted}
            ways={handling.checks.map((c) => ({ value: c.move, name: MOVE_NAMES[c.move] }))}
            onTurn={setWanted}
            className="flex items-center gap-3"
            item={(on) => `word label text-[15px] ${on ? 'font-bold' : 'text-soft'}`}
          />
          <span className="flex-1" />
          {check?.move !== 'use' && (
            <Turns
              label="At what strength"
              value={at}
              ways={[
                { value: 'start', name: `at ${say.mpa(10, 0)}` },
                ...ages.map(({ value, name }) => ({ value, name })),
                { value: 'full', name: '28 days' },
              ]}
              onTurn={setAt}
              className="flex items-center gap-3"
              item={(on) => `word label ${on ? 'font-bold' : 'text-soft'}`}
            />
          )}
        </div>
      )}
      {told && margin !== undefined && (
        <p className="label absolute left-4 top-11 z-[1] m-0 text-[16px]">
          <strong className={`text-[24px] leading-none ${margin < 1 ? 'text-oxide' : ''}`}>
            margin {margin > 20 ? 'over 20' : margin.toFixed(2)}
          </strong>{' '}
          {mpa !== null && mpa < LEAST && told.move !== 'use'
            ? `not below ${say.mpa(LEAST, 0)}: it has ${say.mpa(mpa, 1)}`
            : marginWords(margin)}
          . {whenWords(told, say)}
        </p>
      )}
      {!handling && whole && (
        <div className="absolute inset-0 grid grid-rows-[auto_minmax(0,1fr)]">
          <p className="label m-0 px-4 pt-3 text-[16px]">
            {!plan?.stations.piece?.geometry.recipe ? (
              'Nothing to hold while a finding stops the piece from being built.'
            ) : beam ? (
              beam.moves.map((m) => {
                const left = m.move === 'use' ? m.fullMarginShare : m.startMarginShare
                return (
                  <span key={m.move} className="block">
                    <strong className={left < 1 ? 'text-oxide' : ''}>
                      {MOVE_NAMES[m.move]}: margin {left > 20 ? 'over 20' : left.toFixed(2)}
                    </strong>{' '}
                    <span className="text-soft">
                      {m.move === 'use' ? '' : `at ${say.mpa(LEAST, 0)}, the weaker way round. `}
                      {whenWords(m, say)}
                    </span>
                  </span>
                )
              })
            ) : (
              <>
                <strong>No bending is told of this shape.</strong>{' '}
                <span className="text-soft">
                  Not moved before {say.mpa(10, 0)}. Lifted on straps round its thickest part, never by a rim,
                  a wall or a neck; set down on its whole foot, on something soft.
                </span>
              </>
            )}
          </p>
          <StandingDrawing />
        </div>
      )}
      {handling && check && fit && size.width > 0 && (
        <svg
          width={size.width}
          height={size.height}
          role="group"
          aria-label={`${piece.name}, ${MOVE_NAMES[check.move]}`}
          className="absolute inset-0 touch-none"
        >
          <Bands handling={handling} check={check} allowed={allowed} to={fit.to} />
          <path
            d={handling.plan.map((r) => ringPath(r, fit.to)).join(' ')}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
          <Held
            check={check}
            fit={fit}
            kg={(n) => say.kg(forceToMass(n / (check.move === 'use' ? 1 : JERK)), 1)}
          />
          {(check.move === 'bearers' ||
            (check.move === 'use' && piece.steel.handling.use === 'supports')) && (
            <Bearers handling={handling} fit={fit} />
          )}
          {check.move === 'carry' && <Hands handling={handling} fit={fit} />}
          {gravity && <Balance at={fit.to([gravity.xMm, gravity.yMm])} />}
          <Peak check={check} fit={fit} mpa={say.mpa(check.peakMpa, 2)} />
          <Key size={size} />
        </svg>
      )}
      {handling && handling.unstable.length > 0 && (
        <p className="label absolute bottom-2 left-4 text-oxide">
          Tips off: {handling.unstable.map((m) => MOVE_NAMES[m]).join(', ')}. No figures are told of that.
        </p>
      )}
      {handling && check?.move === 'bearers' && (
        <p className="label absolute bottom-2 right-4 m-0 text-soft">
          {handling.bearers.map((s) => formatLength(s, style)).join(' and ')} along it
        </p>
      )}
    </div>
  )
}

/** Shares of what is allowed, and how they are drawn. */
const CLASSES = [
  { from: 0.25, fill: 'color-mix(in srgb, var(--settled) 16%, var(--sheet))', name: '¼' },
  { from: 0.5, fill: 'color-mix(in srgb, var(--settled) 36%, var(--sheet))', name: '½' },
  { from: 0.75, fill: 'color-mix(in srgb, var(--oxide) 34%, var(--sheet))', name: '¾' },
  { from: 1, fill: 'color-mix(in srgb, var(--oxide) 72%, var(--sheet))', name: 'all that is allowed' },
] as const

/** How much of what is allowed it is stressed, each band over the one before. */
function Bands({
  handling: { mesh },
  check,
  allowed,
  to,
}: {
  handling: Handling
  check: MoveCheck
  allowed: number
  to: (p: Point) => Point
}) {
  const values = atNodes(mesh, check.bands.map(Math.abs))
  const paths = CLASSES.map((c) =>
    above(mesh, values, c.from * allowed)
      .map((ring) => ringPath(ring, to))
      .join(''),
  )
  return CLASSES.map((c, k) => (
    <path key={c.from} d={paths[k]} fill={c.fill} stroke={c.fill} strokeWidth="0.6" pointerEvents="none" />
  ))
}

function Key({ size }: { size: { width: number; height: number } }) {
  return (
    <g transform={`translate(${size.width / 2 - 170} ${size.height - 26})`} pointerEvents="none">
      {CLASSES.map((c, k) => (
        <g key={c.from} transform={`translate(${k * 64} 0)`}>
          <rect width="16" height="12" fill={c.fill} stroke="var(--hair)" />
          <text x="21" y="11" className="dim" style={{ fontSize: 13 }}>
            {c.name}
          </text>
        </g>
      ))}
    </g>
  )
}

/** What holds it: an edge it turns on, hands with their share of the weight, supports. */
function Held({ check, fit, kg }: { check: MoveCheck; fit: Fitted; kg: (n: number) => string }) {
  const edge = check.held.filter((h) => h.by === 'edge').map((h) => fit.to(h.at))
  return (
    <g pointerEvents="none">
      {edge.length > 1 && (
        <line
          x1={edge[0]![0]}
          y1={edge[0]![1]}
          x2={edge.at(-1)![0]}
          y2={edge.at(-1)![1]}
          stroke="var(--slate)"
          strokeWidth="7"
        />
      )}
      {check.held.map((h) => {
        const [x, y] = fit.to(h.at)
        if (h.by === 'edge' || h.by === 'bearer') return null
        if (h.by === 'support')
          return h.forceN > 0 ? (
            <rect key={h.at.join()} x={x - 4} y={y - 4} width="8" height="8" fill="var(--slate)" />
          ) : null
        const none = h.forceN < 1e-6
        return (
          <g key={h.at.join()}>
            <path
              d={`M ${x} ${y - 9} L ${x + 10} ${y + 9} L ${x - 10} ${y + 9} Z`}
              fill={none ? 'var(--sheet)' : 'var(--slate)'}
              stroke="var(--slate)"
              strokeWidth="1.5"
            />
            <Label at={[x, y + 22]} text={none ? 'lifts off' : kg(h.forceN)} />
          </g>
        )
      })}
    </g>
  )
}

/** Where it balances: a strap or a trolley stands under it. */
function Balance({ at: [x, y] }: { at: Point }) {
  return (
    <g pointerEvents="none" stroke="var(--ink)" strokeWidth="1.4">
      <title>balance</title>
      <circle cx={x} cy={y} r="7" fill="var(--sheet)" />
      <path d={`M ${x} ${y} h 7 a 7 7 0 0 0 -7 -7 Z M ${x} ${y} h -7 a 7 7 0 0 0 7 7 Z`} fill="var(--ink)" />
    </g>
  )
}

function Peak({ check, fit, mpa }: { check: MoveCheck; fit: Fitted; mpa: string }) {
  const [x, y] = fit.to(check.at)
  // Where no hand's weight stands.
  const weights = check.held.flatMap((h) => (h.by === 'hand' ? [fit.to(h.at)] : []))
  const free = (dy: number) =>
    weights.every(([hx, hy]) => Math.abs(hx - x) > 110 || Math.abs(hy + 22 - y - dy) > 20)
  const beside = [y > 150 ? -18 : 20, 20, 46, -46].find(free) ?? 20
  return (
    <g pointerEvents="none">
      <circle cx={x} cy={y} r="6" fill="none" stroke="var(--oxide)" strokeWidth="2.5" />
      <Label
        at={[x, y + beside]}
        text={`${mpa}, stretched ${check.stretched === 'top' ? 'on top' : 'below'}`}
        oxide
      />
    </g>
  )
}

/** Bars under the piece that are dragged along it. */
function Bearers({ handling, fit }: { handling: Handling; fit: Fitted }) {
  const { piece, preview } = usePlan()
  const change = useChange()
  const style = useMeasureStyle()
  const { from, to, length, width } = handling.way
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  const drag = useRef<{ index: number; grab: number } | null>(null)
  const [moved, setMoved] = useState<readonly number[] | null>(null)
  const places = moved ?? handling.bearers
  const changed = (bearers: readonly number[]) => ({
    type: 'steelChosen' as const,
    pieceId: piece.id,
    patch: { handling: { ...piece.steel.handling, bearers: [...bearers] } },
  })
  const along = (event: PointerEvent): number => {
    const box = (event.currentTarget as SVGElement).ownerSVGElement!.getBoundingClientRect()
    const [x, y] = fit.from([event.clientX - box.left, event.clientY - box.top])
    return (x - from[0]) * ux + (y - from[1]) * uy
  }
  const put = (index: number, s: number): number[] => {
    const step = shopStep(style)
    const at = Math.round(Math.max(0, Math.min(length, s)) / step) * step
    return places.map((p, i) => (i === index ? at : p))
  }
  const commit = (bearers: readonly number[]) => change('move a bearer', changed(bearers))
  return places.map((s, i) => {
    const end = (d: number) => fit.to([from[0] + ux * s - uy * d, from[1] + uy * s + ux * d])
    const [a, b] = [end(-width / 2 - 30), end(width / 2 + 30)]
    return (
      <g
        key={i}
        role="slider"
        tabIndex={0}
        aria-label={`Bearer ${i + 1}`}
        aria-valuemin={0}
        aria-valuemax={Math.round(length)}
        aria-valuenow={Math.round(s)}
        aria-valuetext={`${formatLength(s, style)} along`}
        className="cursor-ew-resize"
        onKeyDown={(event) => {
          const next = slideTo(event, { at: s, min: 0, max: length, step: shopStep(style) * 5 })
          if (next === null) return
          event.preventDefault()
          commit(put(i, next))
        }}
        onPointerDown={(event) => {
          if (event.button !== 0) return
          event.currentTarget.setPointerCapture(event.pointerId)
          drag.current = { index: i, grab: along(event) - s }
        }}
        onPointerMove={(event) => {
          if (drag.current?.index !== i) return
          const next = put(i, along(event) - drag.current.grab)
          setMoved(next)
          preview([changed(next)])
        }}
        onPointerUp={() => {
          if (drag.current?.index !== i) return
          drag.current = null
          setMoved(null)
          preview(null)
          if (moved) commit(moved)
        }}
        onPointerCancel={() => {
          drag.current = null
          preview(null)
          setMoved(null)
        }}
      >
        <line x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="transparent" strokeWidth="34" />
        <line
          x1={a[0]}
          y1={a[1]}
          x2={b[0]}
          y2={b[1]}
          stroke="var(--board-mark)"
          strokeWidth="12"
          opacity="0.75"
        />
        <Label at={[b[0], b[1] - 12]} text={formatLength(s, style)} />
      </g>
    )
  })
}
