import { isFinishing } from '../../../core/work/index.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useWork } from '../../state/useWork.ts'

/** Finishing over the days: a bar for each step, and what the waiting is for. */
export function FinishBand() {
  const { plan, looks } = usePlan()
  const { attach, size } = useSize<HTMLDivElement>()
  const figures = plan?.stations.finish?.figures
  const lines = useWork(isFinishing)
  if (!figures)
    return (
      <p className="label border-t px-4 pt-2 text-soft">
        {plan ? 'No finishing plan while a finding stops the pour.' : 'It is being worked out.'}
      </p>
    )
  const steps = lines.flatMap(({ text, of: [op] }) =>
    op!.startMinutes === null || op!.endMinutes === null
      ? []
      : [
          {
            id: op!.id,
            text,
            start: op!.startMinutes / 60,
            end: (op!.endMinutes + op!.work.waitMinutes) / 60,
            coats: op!.code === 'coat' || op!.code === 'coat-hardens',
          },
        ],
  )
  const end = Math.max(24, ...steps.map((s) => s.end))
  const left = 190
  const begin = Math.floor((steps[0]?.start ?? 0) / 24) * 24
  const at = (hours: number) => left + ((hours - begin) / (end - begin)) * (size.width - left - 30)
  const row = Math.min(18, (size.height - 48) / Math.max(1, steps.length))
  const days = (end - begin) / 24
  const step = days > 14 ? 7 : days > 6 ? 2 : 1
  return (
    <div ref={attach} className={`min-h-0 overflow-hidden border-t ${looks.finish}`}>
      <svg width={size.width} height={size.height} role="img" aria-label="Finishing steps over days">
        <text x="16" y="16" className="view-name" fill="var(--soft)">
          Finishing, days after the pour
        </text>
        {Array.from({ length: Math.floor(days / step) + 1 }, (_, i) => begin / 24 + i * step).map((d) => (
          <g key={d}>
            <line x1={at(d * 24)} x2={at(d * 24)} y1="24" y2={size.height - 20} stroke="var(--faint)" />
            <text
              x={at(d * 24)}
              y={size.height - 6}
              textAnchor="middle"
              className="dim"
              style={{ fontSize: 13, fontWeight: 500 }}
            >
              {d}
            </text>
          </g>
        ))}
        {steps.map((s, i) => (
          <g key={s.id}>
            <text
              x={left - 8}
              y={26 + row * (i + 0.75)}
              textAnchor="end"
              className="dim"
              style={{ fontSize: 13, fontWeight: 500 }}
            >
              {s.text.length > 30 ? `${s.text.slice(0, 29)}…` : s.text}
            </text>
            <rect
              x={at(s.start)}
              width={Math.max(3, at(s.end) - at(s.start))}
              y={26 + row * i + 2}
              height={Math.max(4, row - 5)}
              fill={s.coats ? 'var(--settled)' : 'var(--ink)'}
            />
          </g>
        ))}
      </svg>
    </div>
  )
}
