import { useState } from 'react'
import { heightOfFill, type Point } from '../../core/geometry/index.ts'
import type { Piece, TurnedPiece } from '../../core/job/index.ts'
import { pieceBox, turnedProfile } from '../../core/piece/index.ts'
import type { SectionDrawing } from '../../core/sheets/index.ts'
import { formatLength } from '../../core/units/index.ts'
import { filledAt } from '../state/filledAt.ts'
import { usePlan } from '../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../state/store.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { lineDragged, pointedAt } from '../state/viewSlice.ts'
import { Turns } from '../ui/Turns.tsx'
import { Dimension } from './Dimension.tsx'
import { HATCH_OF, Hatches } from './Hatches.tsx'
import { ringPath } from './paths.ts'
import { type Line, usualLine } from './sectionLine.ts'
import { usePlanBox } from './usePlanBox.ts'
import { useSection } from './useSection.ts'
import { useSize } from './useSize.ts'

type Mode = 'ends' | 'whole' | 'raised'
/** Below this height on screen a whole section shows too little, px. */
const SHALLOW = 56
const ROOM = { side: 66, top: 48, bottom: 30 }
const GAP = 34
const RAISED = 3

/** The section, cut from the real solids: true to scale, the middle broken out where a shallow piece would not show. */
export function SectionView() {
  const { piece, plan, solidFresh } = usePlan()
  const { attitude, line: dragged } = useAppSelector((s) => s.view)
  const box = usePlanBox()
  const mirrored = attitude === 'poured' && piece.kind === 'slab' && piece.attitude.down === 'top'
  const plain = (way: 'along' | 'across') =>
    piece.kind === 'slab' ? usualLine(piece, mirrored, way) : usualLine(piece, false, way, box)
  const line = dragged ?? plain('along')
  const { drawing, fresh } = useSection(attitude, line.from, line.to)
  const { attach, size } = useSize<HTMLDivElement>()
  const [wanted, setWanted] = useState<Mode | null>(null)
  const dispatch = useAppDispatch()
  const across = Math.abs(line.from[0] - line.to[0]) < Math.abs(line.from[1] - line.to[1])
  const inner = { width: size.width - 2 * ROOM.side, height: size.height - ROOM.top - ROOM.bottom }
  const whole = drawing ? inner.width / drawing.length : 1
  const height = drawing ? drawing.high - drawing.low : 1
  const round = axisOn(line, piece, box) !== null
  const shallow = height * Math.min(whole, inner.height / height) < SHALLOW
  const mode: Mode = wanted ?? (shallow && !round ? 'ends' : 'whole')
  return (
    <div
      ref={attach}
      className={`relative h-full min-h-0 w-full overflow-hidden border-t ${fresh ? '' : 'stale'}`}
    >
      <div className="absolute left-4 right-3 top-1 z-[1] flex items-center gap-3">
        <span className="view-name">
          {axisOn(line, piece, box) !== null && mode !== 'ends' ? 'Half section' : 'Section'} A,{' '}
          {mode === 'raised' ? `heights × ${RAISED}` : 'true to scale'}
          {mode === 'ends' && ', middle broken out'}
        </span>
        <span className="flex-1" />
        {plan && !solidFresh && <span className="label text-[13px] text-soft">being cut again</span>}
        <button
          type="button"
          className="word label text-soft"
          onClick={() => dispatch(lineDragged(plain(across ? 'along' : 'across')))}
        >
          {across ? 'cut along' : 'cut across'}
        </button>
        <Turns
          label="How the section is drawn"
          value={mode}
          ways={[
            { value: 'ends', name: 'ends' },
            { value: 'whole', name: 'whole' },
            { value: 'raised', name: `heights × ${RAISED}` },
          ]}
          onTurn={setWanted}
          className="flex items-center gap-3"
          item={(on) => `word label ${on ? 'font-bold' : 'text-soft'}`}
        />
      </div>
      {drawing && size.width > 0 && (
        <Drawing
          drawing={drawing}
          mode={mode}
          width={size.width}
          height={size.height}
          axis={axisOn(line, piece, box)}
        />
      )}
      {!drawing && plan && !plan.stations.piece?.geometry.recipe && (
        <p className="label absolute left-4 top-9 text-soft">
          No section while a finding stops the piece from being built.
        </p>
      )}
    </div>
  )
}

function Drawing({
  drawing,
  mode,
  width,
  height,
  axis,
}: {
  drawing: SectionDrawing
  mode: Mode
  width: number
  height: number
  /** Where a turned piece's axis crosses the section: then its left half is drawn from outside. */
  axis: number | null
}) {
  const { piece, plan } = usePlan()
  const attitude = useAppSelector((s) => s.view.attitude)
  const style = useMeasureStyle()
  const tall = drawing.high - drawing.low
  const inner = { width: width - 2 * ROOM.side, height: height - ROOM.top - ROOM.bottom }
  const fit = inner.width / drawing.length
  const kx =
    mode === 'ends'
      ? Math.min(fit * 2.3, inner.height / tall)
      : Math.min(fit, inner.height / (tall * (mode === 'raised' ? RAISED : 1)))
  const ky = mode === 'raised' ? kx * RAISED : kx
  const broken = mode === 'ends' && drawing.length * kx > inner.width
  const half = (inner.width - GAP) / 2
  const startX = broken ? ROOM.side : (width - drawing.length * kx) / 2
  const baseY = ROOM.top + (inner.height + tall * ky) / 2 + drawing.low * ky
  const bodyYs = drawing.parts
    .find((p) => p.id === 'piece')
    ?.region.flat()
    .map(([, y]) => y) ?? [0]
  const [bodyLow, bodyHigh] = [Math.min(...bodyYs), Math.max(...bodyYs)]
  const low = (p: Point): Point => [startX + p[0] * kx, baseY - p[1] * ky]
  const high = (p: Point): Point => [width - ROOM.side - (drawing.length - p[0]) * kx, baseY - p[1] * ky]
  const text = (mm: number) => formatLength(mm, style)
  const body = drawing.parts.find((p) => p.id === 'piece')
  const xs = body?.region.flat().map(([x]) => x) ?? [0]
  const edge = low([Math.min(...xs), 0])[0]
  const farEdge = (broken ? high : low)([Math.max(...xs), 0])[0]
  // Clear of a mould that stands wide of the piece.
  const leftmost = Math.min(edge, ...drawing.parts.flatMap((p) => p.region.flat().map((q) => low(q)[0])))
  const highText = text(bodyHigh - bodyLow)
  // Half of the figure stands on either side of its line.
  const dimensionX = Math.max(highText.length * 4 + 8, Math.min(edge - 58, leftmost - 22))
  const filled = useFilled()
  const steel = plan?.stations.steel?.figures
  const frontEdge = piece.kind === 'slab' ? piece.sides.front?.top : undefined
  const poured = attitude === 'poured'
  const mould = plan?.stations.mould
  const base = mould?.parts.find((p) => p.role === 'base')
  const boxed = mould?.figures.top === 'sides' && mould.figures.fillLater !== 'upper-form'
  const stripHigh = base && boxed && mould.figures.school === 'wrap' ? base.thicknessMm : 0
  const rightmost = Math.max(
    ...drawing.parts.flatMap((p) => p.region.flat().map((q) => (broken ? high : low)(q)[0])),
  )
  const stripX = Math.min(width - text(bodyHigh + stripHigh).length * 4 - 8, rightmost + 24)
  return (
    <svg
      width={width}
      height={height}
      className="absolute inset-0"
      role="img"
      aria-label={`Section of ${piece.name}, ${poured ? 'as poured with its mould' : 'as placed'}`}
    >
      <Hatches />
      <clipPath id="section-low">
        <rect x="0" y="0" width={broken ? ROOM.side + half : width} height={height} />
      </clipPath>
      <clipPath id="section-high">
        <rect x={ROOM.side + half + GAP} y="0" width={width} height={height} />
      </clipPath>
      {axis !== null && piece.kind === 'turned' && !broken && (
        <clipPath id="section-half">
          <rect x={low([axis, 0])[0]} y="0" width={width} height={height} />
        </clipPath>
      )}
      <g clipPath={axis !== null && !broken ? 'url(#section-half)' : 'url(#section-low)'}>
        <Parts drawing={drawing} at={low} />
      </g>
      {axis !== null && piece.kind === 'turned' && !broken && (
        <OutsideHalf
          piece={piece}
          upsideDown={poured && piece.attitude.down === 'top'}
          axis={axis}
          at={low}
        />
      )}
      {poured && filled !== null && (
        <Unfilled drawing={drawing} at={low} level={low([0, bodyLow + filled * (bodyHigh - bodyLow)])[1]} />
      )}
      {broken && (
        <>
          <g clipPath="url(#section-high)">
            <Parts drawing={drawing} at={high} />
          </g>
          <Break
            x={ROOM.side + half}
            top={low([0, drawing.high])[1] - 10}
            bottom={low([0, drawing.low])[1] + 10}
          />
          <Break
            x={ROOM.side + half + GAP}
            top={low([0, drawing.high])[1] - 10}
            bottom={low([0, drawing.low])[1] + 10}
          />
        </>
      )}
      <Dimension
        from={[dimensionX, low([0, bodyLow])[1]]}
        to={[dimensionX, low([0, bodyHigh])[1]]}
        text={highText}
        name={piece.kind === 'slab' ? 'thickness' : 'height'}
      />
      {poured && stripHigh > 0 && (
        <Dimension
          from={[stripX, low([0, -stripHigh])[1]]}
          to={[stripX, low([0, bodyHigh])[1]]}
          text={text(bodyHigh + stripHigh)}
          name="side board width"
        />
      )}
      {poured && !plan?.panels && (
        <g>
          <line
            x1={farEdge - 150}
            x2={farEdge}
            y1={low([0, bodyHigh])[1] - 5}
            y2={low([0, bodyHigh])[1] - 5}
            stroke="var(--oxide)"
            strokeWidth="1.6"
          />
          <text
            x={farEdge - 4}
            y={low([0, bodyHigh])[1] - 10}
            textAnchor="end"
            className="dim"
            style={{ fill: 'var(--oxide)', fontSize: 14 }}
          >
            fill to here
          </text>
        </g>
      )}
      <text
        x={edge}
        y={low([0, drawing.low])[1] + 19}
        className="dim"
        style={{ fontSize: 14, fontWeight: 500 }}
      >
        {[
          poured && base ? `base ${base.layers[0]?.name}` : '',
          steel?.meshName && poured
            ? `mesh ${steel.placed === 'on-fill' ? `at ${text(steel.layAtFillMm ?? 0)} fill` : `${text(steel.layAtFillMm ?? 0)} above the base`}, cover ${text(steel.coverMm)}`
            : '',
          frontEdge && frontEdge.kind !== 'square'
            ? `front ${frontEdge.kind} ${text(frontEdge.size)}${'rise' in frontEdge && frontEdge.rise !== undefined ? ` × ${text(frontEdge.rise)}` : ''}`
            : '',
        ]
          .filter(Boolean)
          .join('   ·   ')}
      </text>
    </svg>
  )
}

/** What is still empty above the fill, at the moment of the day that is looked at. */
function Unfilled({
  drawing,
  at,
  level,
}: {
  drawing: SectionDrawing
  at: (p: Point) => Point
  level: number
}) {
  const body = drawing.parts.find((p) => p.id === 'piece')
  if (!body) return null
  return (
    <g data-fill-level={Math.round(level)} pointerEvents="none">
      <clipPath id="section-empty">
        <path d={body.region.map((ring) => ringPath(ring, at)).join(' ')} clipRule="evenodd" />
      </clipPath>
      <g clipPath="url(#section-empty)">
        <rect x="-9999" y={level - 9999} width="99999" height="9999" fill="var(--sheet)" opacity="0.86" />
        <line x1="-9999" x2="99999" y1={level} y2={level} stroke="var(--ink)" strokeWidth="1.6" />
      </g>
    </g>
  )
}

/** How high the fill stands at the moment of the day that is looked at, a share of the height; null where none is. */
function useFilled(): number | null {
  const { plan, scene } = usePlan()
  const moment = useAppSelector((s) => s.view.moment)
  if (moment === null || !plan || !scene) return null
  const share = filledAt(plan.work, moment)
  return share >= 1 ? null : heightOfFill(scene.levels, share)
}

/** Where the axis of a turned piece crosses a section line that runs through it; null elsewhere. */
function axisOn(line: Line, piece: Piece, box: { length: number; width: number }): number | null {
  if (piece.kind !== 'turned') return null
  const run = Math.hypot(line.to[0] - line.from[0], line.to[1] - line.from[1])
  const [dx, dy] = [(line.to[0] - line.from[0]) / run, (line.to[1] - line.from[1]) / run]
  const [cx, cy] = [box.length / 2 - line.from[0], box.width / 2 - line.from[1]]
  return Math.abs(dx * cy - dy * cx) < 1 ? dx * cx + dy * cy : null
}

/** The left half of a turned piece as it is seen from outside: its outline, and a line round it at each sharp turn. */
function OutsideHalf({
  piece,
  upsideDown,
  axis,
  at,
}: {
  piece: TurnedPiece
  upsideDown: boolean
  axis: number
  at: (p: Point) => Point
}) {
  const profile = turnedProfile(piece)
  const { height, length } = pieceBox(piece)
  const z = (h: number) => (upsideDown ? height - h : h)
  if (!profile) {
    // A fluted shaft: its outline and the middles of its flutes as they turn away.
    const { count, diameter } = piece.turned as Extract<TurnedPiece['turned'], { form: 'fluted' }>
    const xs = Array.from({ length: count }, (_, i) => Math.cos((2 * Math.PI * i) / count + Math.PI / 2))
      .filter((c) => c < -1e-6)
      .map((c) => axis + (diameter / 2) * c)
    return (
      <g stroke="var(--ink)" fill="none">
        <path
          d={`${ringPath(
            [
              [axis, 0],
              [axis - length / 2, 0],
              [axis - length / 2, height],
              [axis, height],
            ],
            at,
          )}`}
          strokeWidth="1.4"
        />
        {xs.map((x) => (
          <path key={x} d={`M ${at([x, 0]).join(' ')} L ${at([x, height]).join(' ')}`} strokeWidth="0.8" />
        ))}
      </g>
    )
  }
  const outer = profile.filter((p) => !['inside', 'bore', 'floor'].includes(p.name))
  const ring: Point[] = [
    ...outer.map((p): Point => [axis - p.radius, z(p.z)]),
    [axis, z(outer.at(-1)!.z)],
    [axis, z(outer[0]!.z)],
  ]
  const edges = outer.filter((p, i) => {
    const [a, b] = [outer[i - 1], outer[i + 1]]
    if (!a || !b) return false
    const turn = Math.atan2(b.z - p.z, b.radius - p.radius) - Math.atan2(p.z - a.z, p.radius - a.radius)
    return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > 0.35
  })
  return (
    <g>
      <path d={ringPath(ring, at)} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.4" />
      {edges.map((p, i) => (
        <path
          key={i}
          d={`M ${at([axis, z(p.z)]).join(' ')} L ${at([axis - p.radius, z(p.z)]).join(' ')}`}
          stroke="var(--ink)"
          strokeWidth="0.8"
        />
      ))}
      <path
        d={`M ${at([axis, -height * 0.06]).join(' ')} L ${at([axis, height * 1.06]).join(' ')}`}
        stroke="var(--ink)"
        strokeWidth="0.8"
        strokeDasharray="12 3 2 3"
      />
    </g>
  )
}

function Parts({ drawing, at }: { drawing: SectionDrawing; at: (p: Point) => Point }) {
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  return (
    <>
      {drawing.parts.map((part) => {
        const ys = part.region.flat().map(([, y]) => y)
        // In a board thinner on the screen than its hatch, the hatch would only blacken it.
        const thin =
          part.material === 'board' && Math.abs(at([0, Math.max(...ys)])[1] - at([0, Math.min(...ys)])[1]) < 7
        const upright = part.role === 'strip'
        const isLit = lit === part.id || (part.openingId !== null && lit === `opening/${part.openingId}`)
        return (
          <g
            key={part.id}
            onPointerEnter={() => dispatch(pointedAt(part.id))}
            onPointerLeave={() => dispatch(pointedAt(null))}
          >
            <path
              d={part.region.map((ring) => ringPath(ring, at)).join(' ')}
              fill={thin ? 'var(--board)' : upright ? 'url(#hatch-board-up)' : HATCH_OF[part.material]}
              stroke={isLit ? 'var(--oxide)' : 'var(--ink)'}
              strokeWidth={isLit ? 2.4 : part.material === 'concrete' ? 1.6 : thin ? 0.5 : 0.9}
            />
            {part.region.flatMap((ring) =>
              part.layers.map((h) => {
                const rx = ring.map(([x]) => x)
                const y = Math.min(...ys) + h
                const [a, b] = [at([Math.min(...rx), y]), at([Math.max(...rx), y])]
                return (
                  <line
                    key={`${rx[0]}|${h}`}
                    x1={a[0]}
                    y1={a[1]}
                    x2={b[0]}
                    y2={b[1]}
                    stroke="var(--ink)"
                    strokeWidth="0.9"
                  />
                )
              }),
            )}
          </g>
        )
      })}
    </>
  )
}

/** A break line: a straight line with one zigzag. */
function Break({ x, top, bottom }: { x: number; top: number; bottom: number }) {
  const middle = (top + bottom) / 2
  return (
    <path
      d={`M ${x} ${top} V ${middle - 10} l -6 5 l 12 10 l -6 5 V ${bottom}`}
      fill="none"
      stroke="var(--ink)"
      strokeWidth="1"
    />
  )
}
