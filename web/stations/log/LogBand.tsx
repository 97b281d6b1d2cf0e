import { Bar, BarChart, CartesianGrid, LabelList, Legend, XAxis, YAxis } from 'recharts'
import { dayWords } from '../../../core/units/index.ts'
import { useSize } from '../../stage/useSize.ts'
import { usePlan } from '../../state/PlanContext.tsx'

/** Bags planned against bags used, pour by pour. */
export function LogBand() {
  const { plan, looks } = usePlan()
  const { attach, size } = useSize<HTMLDivElement>()
  const pours = plan?.stations.log?.figures.pours ?? []
  const data = pours.map((p) => ({ on: dayWords(p.on), planned: p.bags.planned, used: p.bags.actual }))
  return (
    <div ref={attach} className={`relative min-h-0 overflow-hidden border-t ${looks.log}`}>
      <span className="view-name absolute left-4 top-1">Bags a cast, planned and used</span>
      {data.length === 0 && (
        <p className="label absolute left-4 top-8 text-soft">
          Log a pour on the right: from then on each plan is held against what happened.
        </p>
      )}
      {data.length > 0 && size.width > 0 && (
        <BarChart
          width={size.width}
          height={size.height}
          data={data}
          margin={{ top: 30, right: 20, left: -10, bottom: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--faint)" vertical={false} />
          <XAxis dataKey="on" stroke="var(--soft)" fontSize={13} />
          <YAxis stroke="var(--soft)" fontSize={13} allowDecimals={false} />
          <Legend
            verticalAlign="top"
            align="right"
            height={22}
            iconType="square"
            formatter={(name: string) => <span style={{ color: 'var(--ink)' }}>{name}</span>}
          />
          <Bar dataKey="planned" fill="var(--hair)" isAnimationActive={false} maxBarSize={46}>
            <LabelList dataKey="planned" position="top" fill="var(--ink)" fontSize={13} />
          </Bar>
          <Bar dataKey="used" fill="var(--settled)" isAnimationActive={false} maxBarSize={46}>
            <LabelList dataKey="used" position="top" fill="var(--ink)" fontSize={13} />
          </Bar>
        </BarChart>
      )}
    </div>
  )
}
