import { useState } from 'react'
import type { BoardLayout } from '../../../core/mould/index.ts'
import { usePlan } from '../../app/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../app/store.ts'
import { pointedAt } from '../../app/viewSlice.ts'
import { useSize } from '../../stage/useSize.ts'

const ROOM = { top: 30, side: 16, bottom: 10, gap: 18 }

/** A sheet is drawn no narrower than this, px; what does not fit is on the next page. */
const LEAST_SHEET = 170

/** What is known of the fewest sheets: proven, or no fewer than a bound. */
function boundWords(layouts: readonly BoardLayout[]): string {
  const bound = layouts.reduce((sum, l) => sum + l.lowerBoundSheets, 0)
  return layouts.every((l) => l.proven)
    ? ', no layout needs fewer'
    : `, no layout needs fewer than ${bound}; whether ${bound} do is not proven`
}

/** The cut list laid out on its boards: labels, cuts in order, off-cuts worth keeping. */
export function BoardSheets() {
  const { plan, job, fresh, layingOut } = usePlan()
  const foams = new Set(job.stock.foams.map((f) => f.id))
  const [page, setPage] = useState(0)
  const { attach, size } = useSize<HTMLDivElement>()
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  const figures = plan?.stations.mould?.figures
  const all = (figures?.layouts ?? []).flatMap((layout) =>
    layout.sheets.map((sheet, i) => ({ layout, sheet, n: i + 1 })),
  )
  const whole = all.filter((s) => !s.sheet.offcut).length
  const shown = Math.max(1, Math.floor((size.width - ROOM.side) / LEAST_SHEET))
  const last = Math.max(0, Math.ceil(all.length / shown) - 1)
  const at = Math.min(page, last)
  const sheets = all.slice(at * shown, (at + 1) * shown)
  const total = sheets.reduce((sum, s) => sum + s.sheet.lengthMm, 0)
  const tallest = Math.max(1, ...sheets.map((s) => s.sheet.widthMm))
  const scale = Math.min(
    (size.width - 2 * ROOM.side - ROOM.gap * Math.max(0, sheets.length - 1)) / Math.max(1, total),
    (size.height - ROOM.top - ROOM.bottom - 18) / tallest,
  )
  const ids = (label: string) => figures?.cutList.find((r) => r.label === label)?.partIds ?? []
  let x = ROOM.side
  return (
    <div ref={attach} className={`relative min-h-0 overflow-hidden border-t ${fresh ? '' : 'stale'}`}>
      <span className="view-name absolute left-4 top-1">
        Boards: {whole === 1 ? '1 sheet' : `${whole} sheets`}
        {whole < all.length &&
          ` and ${all.length - whole} ${all.length - whole === 1 ? 'off-cut' : 'off-cuts'}`}
        {figures && figures.layouts.length > 0 && boundWords(figures.layouts)}
        {layingOut && `; laying out ${layingOut.parts} parts, ${Math.round(layingOut.share * 100)}% searched`}
      </span>
      {last > 0 && (
        <span className="absolute right-4 top-1 flex gap-3">
          <button type="button" className="link" disabled={at === 0} onClick={() => setPage(at - 1)}>
            earlier
          </button>
          <span className="dim">
            {at * shown + 1} to {Math.min(all.length, (at + 1) * shown)} of {all.length}
          </span>
          <button type="button" className="link" disabled={at === last} onClick={() => setPage(at + 1)}>
            later
          </button>
        </span>
      )}
      {sheets.length === 0 && (
        <p className="label absolute left-4 top-9 text-soft">Nothing to lay out yet.</p>
      )}
      {size.width > 0 && scale > 0 && (
        <svg width={size.width} height={size.height} role="img" aria-label="Board sheets with their cuts">
          {sheets.map(({ layout, sheet, n }) => {
            const left = x
            x += sheet.lengthMm * scale + ROOM.gap
            const high = sheet.widthMm * scale
            const rect = (r: { xMm: number; yMm: number; lengthMm: number; widthMm: number }) => ({
              x: left + r.xMm * scale,
              y: ROOM.top + high - (r.yMm + r.widthMm) * scale,
              width: r.lengthMm * scale,
              height: r.widthMm * scale,
            })
            return (
              <g key={`${layout.boardId}${n}`}>
                <rect
                  x={left}
                  y={ROOM.top}
                  width={sheet.lengthMm * scale}
                  height={high}
                  fill="var(--paper)"
                  stroke="var(--ink)"
                />
                {sheet.offcuts
                  .filter((o) => o.kept)
                  .map((o) => (
                    <rect
                      key={`${o.xMm}|${o.yMm}`}
                      {...rect(o)}
                      fill="var(--sheet)"
                      stroke="var(--hair)"
                      strokeDasharray="4 3"
                    />
                  ))}
                {sheet.parts.map((p) => {
                  const r = rect(p)
                  const isLit = lit !== null && ids(p.label).includes(lit)
                  return (
                    <g
                      key={`${p.label}|${p.xMm}|${p.yMm}`}
                      onPointerEnter={() => dispatch(pointedAt(ids(p.label)[0] ?? null))}
                      onPointerLeave={() => dispatch(pointedAt(null))}
                    >
                      <rect
                        {...r}
                        fill={foams.has(layout.boardId) ? 'var(--foam)' : 'var(--board)'}
                        stroke={isLit ? 'var(--oxide)' : 'var(--ink)'}
                        strokeWidth={isLit ? 2.4 : 0.9}
                      />
                      {r.width > 9 && r.height > 9 && (
                        <text
                          x={r.x + r.width / 2}
                          y={r.y + r.height / 2 + 5}
                          textAnchor="middle"
                          className="dim"
                          style={{ fontSize: Math.min(15, r.height, r.width + 4) }}
                        >
                          {p.label}
                        </text>
                      )}
                    </g>
                  )
                })}
                {cutMarks(sheet.cuts, left, ROOM.top + high, scale).map(({ order, x: cx, y: cy }) => (
                  <g key={order} pointerEvents="none">
                    <circle cx={cx} cy={cy} r="7.5" fill="var(--ink)" />
                    <text
                      x={cx}
                      y={cy + 4.5}
                      textAnchor="middle"
                      fontSize="12"
                      fontWeight="700"
                      fill="var(--sheet)"
                      className="label"
                    >
                      {order}
                    </text>
                  </g>
                ))}
                <text
                  x={left}
                  y={ROOM.top + high + 15}
                  className="dim"
                  style={{ fontSize: 13, fontWeight: 500 }}
                >
                  {sheet.offcut
                    ? `off-cut, ${Math.round(sheet.usedShare * 100)}%`
                    : sheetLabel(layout.boardName, n, sheet.usedShare, sheet.lengthMm * scale)}
                </text>
              </g>
            )
          })}
        </svg>
      )}
    </div>
  )
}

/** What stands under a sheet: its board's name once, where there is room for it. */
function sheetLabel(board: string, n: number, used: number, width: number): string {
  const share = `${Math.round(used * 100)}% used`
  const room = Math.floor((width + ROOM.gap) / CHARACTER) - share.length - 2
  if (n === 1 && room >= board.length) return `${board}, ${share}`
  if (n === 1 && room > 8) return `${board.slice(0, room - 1)}…, ${share}`
  return share.length * CHARACTER < width + ROOM.gap ? share : share.replace(' used', '')
}
/** Width of a character at this size, px. */
const CHARACTER = 6

type Cut = {
  readonly order: number
  readonly way: 'crossways' | 'lengthways'
  readonly atMm: number
  readonly fromMm: number
}

/** Where the numbers of the cuts stand; one that would lie on an earlier number is left out. */
function cutMarks(
  cuts: readonly Cut[],
  left: number,
  bottom: number,
  scale: number,
): { order: number; x: number; y: number }[] {
  const marks: { order: number; x: number; y: number }[] = []
  for (const c of cuts) {
    const across = c.way === 'crossways'
    const x = left + (across ? c.atMm : c.fromMm) * scale + (across ? 0 : 9)
    const y = bottom - (across ? c.fromMm : c.atMm) * scale - (across ? 9 : 0)
    if (marks.every((m) => Math.hypot(m.x - x, m.y - y) > 17)) marks.push({ order: c.order, x, y })
  }
  return marks
}
