import type { LengthLayout } from '../../../core/mould/index.ts'
import { formatCut } from '../../../core/units/index.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'

/** What is cut from tubes or strips of one length: drawn bar by bar, equal bars once. */
export function Lengths({ layout, untitled = false }: { layout: LengthLayout; untitled?: boolean }) {
  const style = useMeasureStyle()
  const bars = new Map<string, { bar: LengthLayout['bars'][number]; count: number }>()
  for (const bar of layout.bars) {
    const key = bar.parts.map((p) => p.lengthMm.toFixed(1)).join()
    bars.set(key, { bar, count: (bars.get(key)?.count ?? 0) + 1 })
  }
  return (
    <section aria-label={`Lengths of ${layout.name}`} className="mt-2">
      <h3 className={untitled ? 'sr-only' : 'text-[15px] font-bold'}>
        {layout.name}: {layout.bars.length} of {formatCut(layout.stockLengthMm, style)}
        <span className="font-normal text-soft">
          {layout.proven
            ? ', no fewer do'
            : `, no fewer than ${layout.lowerBound} do; whether so few do is not proven`}
        </span>
      </h3>
      {layout.tooLong.length > 0 && (
        <p className="text-[13px]">Longer than one: {layout.tooLong.join(', ')}.</p>
      )}
      {[...bars.values()].map(({ bar, count }) => (
        <div key={bar.parts.map((p) => p.lengthMm).join()} className="pb-1">
          <span className="block text-[13px] leading-tight">
            {count > 1 && `${count} of these: `}
            {bar.parts.map((p) => formatCut(p.lengthMm, style)).join(' + ')}
            <span className="text-soft">, rest {formatCut(bar.restMm, style)}</span>
          </span>
          <svg
            viewBox="0 0 1000 40"
            className="block h-5 w-full"
            preserveAspectRatio="none"
            role="img"
            aria-label={`${bar.parts.map((p) => `${p.name} ${formatCut(p.lengthMm, style)}`).join(', ')}, rest ${formatCut(bar.restMm, style)}`}
          >
            <rect x="0" y="4" width="1000" height="32" fill="var(--paper)" stroke="var(--hair)" />
            {bar.parts.map((p, i) => {
              const before = bar.parts.slice(0, i).reduce((sum, q) => sum + q.lengthMm, 0)
              const per = 1000 / layout.stockLengthMm
              return (
                <rect
                  key={`${p.name}${before}`}
                  x={before * per}
                  y="4"
                  width={p.lengthMm * per}
                  height="32"
                  fill="var(--board)"
                  stroke="var(--ink)"
                  vectorEffect="non-scaling-stroke"
                />
              )
            })}
          </svg>
        </div>
      ))}
    </section>
  )
}
