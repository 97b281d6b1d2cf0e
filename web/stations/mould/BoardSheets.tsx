import { useState } from 'react'
import type { BoardLayout } from '../../../core/mould/index.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { LargeSheet, SheetDrawing } from './SheetDrawing.tsx'

const ROOM = { top: 30, side: 16, bottom: 10, gap: 18 }

/** A sheet is drawn no narrower than this, px; what does not fit is on the next page. */
const LEAST_SHEET = 170

type Shown = {
  readonly layout: BoardLayout
  readonly sheet: BoardLayout['sheets'][number]
  readonly n: number
}

/** What is known of the fewest sheets: proven, or no fewer than a bound; whether they are still looked for. */
function boundWords(layouts: readonly BoardLayout[], looking: boolean): string {
  if (layouts.every((l) => l.proven)) return ', no layout needs fewer'
  const bound = layouts.reduce((sum, l) => sum + l.lowerBoundSheets, 0)
  return looking
    ? `, no layout needs fewer than ${bound}: still looking`
    : `, no layout needs fewer than ${bound}; whether ${bound} do is not proven`
}

/** The cut list laid out on its boards: labels, cuts in order, off-cuts worth keeping. */
export function BoardSheets() {
  const { plan, looks, layingOut, looking } = usePlan()
  const [page, setPage] = useState(0)
  const { attach, size } = useSize<HTMLDivElement>()
  const [large, setLarge] = useState<Shown | null>(null)
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
  let x = ROOM.side
  return (
    <div ref={attach} className={`relative min-h-0 overflow-hidden border-t ${looks.mould}`}>
      <span className="view-name absolute left-4 top-1">
        Boards: {whole === 1 ? '1 sheet' : `${whole} sheets`}
        {whole < all.length &&
          ` and ${all.length - whole} ${all.length - whole === 1 ? 'off-cut' : 'off-cuts'}`}
        {figures && figures.layouts.length > 0 && boundWords(figures.layouts, looking)}
        {layingOut && `; laying out ${layingOut.parts} parts, ${Math.round(layingOut.share * 100)}% searched`}
      </span>
      {last > 0 && (
        <span className="absolute right-4 top-0 flex items-center gap-3">
          <button type="button" className="word" disabled={at === 0} onClick={() => setPage(at - 1)}>
            earlier
          </button>
          <span className="dim">
            {at * shown + 1} to {Math.min(all.length, (at + 1) * shown)} of {all.length}
          </span>
          <button type="button" className="word" disabled={at === last} onClick={() => setPage(at + 1)}>
            later
          </button>
        </span>
      )}
      {sheets.length === 0 && (
        <p className="label absolute left-4 top-9 text-soft">Nothing to lay out yet.</p>
      )}
      {size.width > 0 && scale > 0 && (
        <svg width={size.width} height={size.height} role="group" aria-label="Board sheets with their cuts">
          {sheets.map(({ layout, sheet, n }) => {
            const left = x
            x += sheet.lengthMm * scale + ROOM.gap
            const high = sheet.widthMm * scale
            return (
              <g key={`${layout.boardId}${n}`}>
                <SheetDrawing layout={layout} sheet={sheet} at={[left, ROOM.top]} scale={scale} />
                <g
                  role="button"
                  tabIndex={0}
                  aria-label={`Enlarge sheet ${n}, ${layout.boardName}`}
                  className="cursor-pointer"
                  onClick={() => setLarge({ layout, sheet, n })}
                  onKeyDown={(e) => {
                    if (e.key === 'Enter' || e.key === ' ') setLarge({ layout, sheet, n })
                  }}
                >
                  <rect
                    x={left}
                    y={ROOM.top + high - 6}
                    width={Math.max(32, sheet.lengthMm * scale)}
                    height="32"
                    fill="transparent"
                  />
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
              </g>
            )
          })}
        </svg>
      )}
      {large && <LargeSheet {...large} onClose={() => setLarge(null)} />}
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
