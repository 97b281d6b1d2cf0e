import { Dialog } from 'radix-ui'
import type { BoardLayout } from '../../../core/mould/index.ts'
import { formatCut } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useAppDispatch, useAppSelector } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { pointedAt } from '../../state/viewSlice.ts'

type Sheet = BoardLayout['sheets'][number]
type Props = {
  readonly layout: BoardLayout
  readonly sheet: Sheet
  /** Its upper left corner on the screen. */
  readonly at: readonly [number, number]
  /** px a mm. */
  readonly scale: number
  /** Whether there is room for the size of each part. */
  readonly sizes?: boolean
}

/** One sheet of a mould. Pointing at a part lights it everywhere. */
export function SheetDrawing(props: Props) {
  const { plan, job } = usePlan()
  const lit = useAppSelector((s) => s.view.lit)
  const dispatch = useAppDispatch()
  const ids = (label: string) =>
    plan?.stations.mould?.figures.cutList.find((r) => r.label === label)?.partIds ?? []
  return (
    <SheetOf
      {...props}
      foam={job.stock.foams.some((f) => f.id === props.layout.boardId)}
      isLit={(label) => lit !== null && ids(label).includes(lit)}
      onPoint={(label) => dispatch(pointedAt(label === null ? null : (ids(label)[0] ?? null)))}
    />
  )
}

type Drawn = Props & {
  readonly foam?: boolean
  readonly isLit?: (label: string) => boolean
  readonly onPoint?: (label: string | null) => void
}

/** A sheet with its parts, the off-cuts worth keeping and its cuts in order. */
export function SheetOf({
  sheet,
  at: [left, top],
  scale,
  sizes = false,
  foam = false,
  isLit = () => false,
  onPoint = () => {},
}: Drawn) {
  const style = useMeasureStyle()
  const high = sheet.widthMm * scale
  const marks = cutMarks(sheet.cuts, left, top + high, scale)
  const rect = (r: { xMm: number; yMm: number; lengthMm: number; widthMm: number }) => ({
    x: left + r.xMm * scale,
    y: top + high - (r.yMm + r.widthMm) * scale,
    width: r.lengthMm * scale,
    height: r.widthMm * scale,
  })
  return (
    <>
      <rect
        x={left}
        y={top}
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
        // The letter stands in the middle, or where no cut's number stands over it.
        const named = [0.5, 0.25, 0.75]
          .flatMap((k) => [
            { x: r.x + r.width * k, y: r.y + r.height / 2 },
            { x: r.x + r.width / 2, y: r.y + r.height * k },
          ])
          .find((at) => marks.every((m) => Math.abs(m.x - at.x) > 14 || Math.abs(m.y - at.y) > 13))
        const lit = isLit(p.label)
        return (
          <g
            key={`${p.label}|${p.xMm}|${p.yMm}`}
            onPointerEnter={() => onPoint(p.label)}
            onPointerLeave={() => onPoint(null)}
          >
            <rect
              {...r}
              fill={foam ? 'var(--foam)' : 'var(--board)'}
              stroke={lit ? 'var(--oxide)' : 'var(--ink)'}
              strokeWidth={lit ? 2.4 : 0.9}
            />
            {named && r.width > 9 && r.height > 9 && (
              <text
                x={named.x}
                y={named.y + 5}
                textAnchor="middle"
                className="dim"
                style={{ fontSize: Math.min(15, r.height, r.width + 4) }}
              >
                {p.label}
                {sizes && r.width > 110 && r.height > 16 && (
                  <tspan fontSize="13" fontWeight="400">
                    {'  '}
                    {formatCut(p.turned ? p.widthMm : p.lengthMm, style)} ×{' '}
                    {formatCut(p.turned ? p.lengthMm : p.widthMm, style)}
                  </tspan>
                )}
              </text>
            )}
          </g>
        )
      })}
      {marks.map(({ order, x: cx, y: cy }) => (
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
    </>
  )
}

/** Room for a sheet drawn large, px. */
const LARGE = { width: 1100, height: 560 }

/** A sheet drawn as large as the window allows, with sizes: what is carried to the saw. */
export function LargeSheet({
  layout,
  sheet,
  n,
  onClose,
}: {
  readonly layout: BoardLayout
  readonly sheet: Sheet
  readonly n: number
  readonly onClose: () => void
}) {
  const style = useMeasureStyle()
  const [width, height] = [
    Math.min(LARGE.width, window.innerWidth * 0.92 - 50),
    Math.min(LARGE.height, window.innerHeight * 0.76 - 110),
  ]
  const scale = Math.min((width - 4) / sheet.lengthMm, (height - 4) / sheet.widthMm)
  return (
    <Dialog.Root open onOpenChange={onClose}>
      <Dialog.Portal>
        <Dialog.Overlay className="dialog-back" />
        <Dialog.Content className="dialog max-w-none! w-auto!" aria-describedby={undefined}>
          <Dialog.Title className="text-xl font-bold">
            {sheet.offcut ? 'Off-cut' : `Sheet ${n}`} of {layout.boardName}
          </Dialog.Title>
          <p className="label">
            {formatCut(sheet.lengthMm, style)} × {formatCut(sheet.widthMm, style)},{' '}
            {Math.round(sheet.usedShare * 100)}% used; cuts in the order of their numbers.
          </p>
          <svg
            width={sheet.lengthMm * scale + 4}
            height={sheet.widthMm * scale + 4}
            role="img"
            aria-label={`Sheet ${n} of ${layout.boardName}, enlarged`}
          >
            <SheetDrawing layout={layout} sheet={sheet} at={[2, 2]} scale={scale} sizes />
          </svg>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

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
