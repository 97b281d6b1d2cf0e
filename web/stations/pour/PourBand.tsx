import { CartesianGrid, Line, LineChart, ReferenceLine, XAxis, YAxis } from 'recharts'
import { perUnit, unitOf } from '../../../core/units/index.ts'
import { isOfTheDay, sameStart, type Timed } from '../../../core/work/index.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { useWork } from '../../state/useWork.ts'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** What the line leaves out: it has no hour of its own, or is one tick among others. */
const NOT_DRAWN: ReadonlySet<Timed['code']> = new Set(['keep-damp', 'place-batch', 'join-lift'])
const isDrawn = (op: Timed): boolean =>
  isOfTheDay(op) && op.tick === null && op.startMinutes !== null && !NOT_DRAWN.has(op.code)

/** The pour day on one line, early hours drawn wide, and strength against time with what it allows. */
export function PourBand() {
  const { plan, looks } = usePlan()
  const { attach, size } = useSize<HTMLDivElement>()
  const figures = plan?.stations.pour?.figures
  const words = useWordsStyle()
  const style = useMeasureStyle()
  const perMpa = perUnit('stress', style)
  const lines = useWork(isDrawn, sameStart)
  if (!figures)
    return (
      <p className="label border-t px-4 pt-2 text-soft">
        {plan ? 'No pour day while a finding stops the pour.' : 'The day is being worked out.'}
      </p>
    )
  const steps = lines.map(({ short, of }) => ({
    id: of[0]!.id,
    short,
    start: of[0]!.startMinutes!,
    end: of.at(-1)!.endMinutes!,
  }))
  const line = size.width * 0.56
  const first = steps[0]?.start ?? 0
  const last = Math.max(60, ...steps.map((s) => s.end))
  // Hours after the pour are many and empty, minutes in it few and full: the axis runs with the cube root of time.
  const root = (m: number) => Math.cbrt(m)
  const at = (m: number) => 30 + ((root(m) - root(first)) / (root(last) - root(first))) * (line - 90)
  const rows: number[] = []
  const named = new Set<string>()
  const most = Math.max(1, Math.floor((size.height - 66) / 19))
  const placed = steps.map((s) => {
    const x = at(s.start)
    // What comes again (a batch, a block) is a point like the others; a name has room above the line or is left out.
    const again = named.has(s.short)
    named.add(s.short)
    if (again) return { s, x, row: null }
    const width = s.short.length * 7 + 16
    let row = rows.findIndex((end) => end < x)
    if (row < 0) row = rows.push(0) - 1
    rows[row] = x + width
    return { s, x, row: row < most ? row : null }
  })
  const flip = figures.flipMinutes
  return (
    <div ref={attach} className={`relative flex min-h-0 overflow-hidden border-t ${looks.pour}`}>
      <svg width={line} height={size.height} role="img" aria-label="Pour day on a line">
        <text x="16" y="16" className="view-name" fill="var(--soft)">
          Pour day, {words.degC(figures.temperatureDegC)}
        </text>
        <line x1="16" x2={line - 10} y1={size.height - 26} y2={size.height - 26} stroke="var(--ink)" />
        {[0, 60, 240, 720, 1440, 2880, 4320]
          .filter((m) => m <= last)
          .map((m) => (
            <g key={m}>
              <line
                x1={at(m)}
                x2={at(m)}
                y1={size.height - 30}
                y2={size.height - 22}
                stroke="var(--ink)"
                strokeWidth={m === 0 ? 3 : 1}
              />
              <text
                x={at(m)}
                y={size.height - 8}
                textAnchor="middle"
                className="dim"
                style={{ fontSize: 13, fontWeight: 500 }}
              >
                {m === 0 ? 'first water' : m < 1440 ? `${m / 60} h` : `${m / 1440} d`}
              </text>
            </g>
          ))}
        <rect
          x={at(0)}
          width={Math.max(2, at(figures.workingMinutes) - at(0))}
          y={size.height - 34}
          height="8"
          fill="var(--settled)"
          opacity="0.5"
        />
        {placed.map(({ s, x, row }) => (
          <g key={s.id}>
            <title>{s.short}</title>
            {row !== null && (
              <>
                <line x1={x} x2={x} y1={24 + row * 19 + 12} y2={size.height - 26} stroke="var(--hair)" />
                <text x={x} y={24 + row * 19 + 10} className="dim" style={{ fontSize: 14 }}>
                  {s.short}
                </text>
              </>
            )}
            <circle cx={x} cy={size.height - 26} r="3.5" fill="var(--ink)" />
          </g>
        ))}
      </svg>
      <figure className="relative flex-1 border-l" aria-label="Strength against time">
        <figcaption className="view-name absolute left-3 top-1">
          Strength, {unitOf('stress', style)}, over hours
        </figcaption>
        {size.width > 0 && (
          <LineChart
            width={size.width - line - 2}
            height={size.height}
            data={figures.strength.map(({ hours, mpa }) => ({ hours, strength: mpa * perMpa }))}
            margin={{ top: 24, right: 14, left: perMpa === 1 ? -18 : -6, bottom: 0 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--faint)" vertical={false} />
            <XAxis
              dataKey="hours"
              type="number"
              domain={[0, 72]}
              ticks={[0, 12, 24, 36, 48, 60, 72]}
              stroke="var(--soft)"
              fontSize={13}
            />
            <YAxis
              stroke="var(--soft)"
              fontSize={13}
              domain={[0, perMpa === 1 ? 15 : 2200]}
              ticks={perMpa === 1 ? [0, 5, 10, 15] : [0, 500, 1000, 1500, 2000]}
              allowDataOverflow
            />
            {[5, 8, 10].map((mpa) => (
              <ReferenceLine
                key={mpa * perMpa}
                y={mpa * perMpa}
                stroke="var(--oxide)"
                strokeDasharray="4 3"
                label={{
                  value: mpa === 5 ? 'sides' : mpa === 8 ? 'sharp' : 'turn',
                  position: 'insideLeft',
                  fill: 'var(--oxide)',
                  fontSize: 12,
                  dy: -7,
                }}
              />
            ))}
            {flip !== null && flip <= 72 * 60 && <ReferenceLine x={flip / 60} stroke="var(--settled)" />}
            <Line
              dataKey="strength"
              stroke="var(--ink)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        )}
      </figure>
    </div>
  )
}
