import { CartesianGrid, Line, LineChart, XAxis, YAxis } from 'recharts'
import { costOverCasts, type MethodRow, methodOf } from '../../../core/mould/index.ts'
import { formatMoney, moneyOrNone, showNumber } from '../../../core/units/index.ts'
import { useChange } from '../../state/store.ts'
import { NumberField } from '../../ui/NumberField.tsx'
import { useMould } from './useMould.ts'

/** Casts along the chart: close together where methods cross. */
const CASTS = [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100]
const STROKES = ['var(--oxide)', 'var(--steel)', 'var(--settled)', 'var(--soft)', 'var(--ink)'] as const
const DASHES = ['', '6 3', '2 3', '8 3 2 3', '1 4'] as const

/** Cost of a cast over 1 to 100 casts, each method beside the others, with what it takes and what it gives. */
export function MethodChart({ rows }: { rows: readonly MethodRow[] }) {
  const { job, piece, choose } = useMould()
  const change = useChange()
  const { currency } = job.settings
  const hour = job.settings.hourPrice ?? 0
  const data = CASTS.map((casts) => ({
    casts,
    ...Object.fromEntries(rows.map((r) => [r.name, costOverCasts(r, casts, hour)])),
  }))
  return (
    <>
      <NumberField
        label="An hour costs"
        value={job.settings.hourPrice}
        {...(currency && { unit: currency.sign })}
        optional
        min={0}
        placeholder="not counted"
        onCommit={(hourPrice) =>
          change('price of an hour', { type: 'settingsChanged', patch: { hourPrice } })
        }
      />
      <p>Cost of a cast over 1 to 100 casts, boards by what is used of them</p>
      <LineChart
        width={272}
        height={180}
        data={data}
        margin={{ top: 6, right: 8, left: -12, bottom: 0 }}
        accessibilityLayer={false}
      >
        <CartesianGrid stroke="var(--faint)" vertical={false} />
        <XAxis
          dataKey="casts"
          scale="log"
          type="number"
          domain={[1, 100]}
          ticks={[1, 3, 10, 30, 100]}
          stroke="var(--soft)"
          fontSize={13}
        />
        <YAxis
          scale="log"
          domain={['auto', 'auto']}
          stroke="var(--soft)"
          fontSize={13}
          tickFormatter={(v: number) => showNumber(v, v < 10 ? 1 : 0)}
        />
        {rows.map((r, i) => (
          <Line
            key={r.id}
            dataKey={r.name}
            stroke={STROKES[i % STROKES.length]!}
            strokeDasharray={DASHES[i % DASHES.length]!}
            strokeWidth={r.chosen ? 2.6 : 1.6}
            dot={false}
            isAnimationActive={false}
          />
        ))}
      </LineChart>
      <table className="list">
        <thead>
          <tr>
            <th>Method</th>
            <th className="n">build</th>
            <th className="n">lasts</th>
            <th className="n">a cast</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => {
            const cost = costOverCasts(r, piece.plannedCasts, hour)
            return (
              <tr key={r.id}>
                <td>
                  <svg aria-hidden width="26" height="8" className="mr-1 inline-block">
                    <line
                      x1="0"
                      y1="4"
                      x2="26"
                      y2="4"
                      stroke={STROKES[i % STROKES.length]!}
                      strokeDasharray={DASHES[i % DASHES.length]!}
                      strokeWidth={r.chosen ? 2.6 : 1.6}
                    />
                  </svg>
                  {r.chosen ? (
                    <strong>{r.name}</strong>
                  ) : (
                    <button
                      type="button"
                      className="word p-0!"
                      onClick={() => choose(`mould: ${r.name}`, { method: r.id })}
                    >
                      {r.name}
                    </button>
                  )}
                  <span className="block text-[13px] leading-tight text-soft">
                    {methodOf(r.id).reason}; {methodOf(r.id).finish}
                  </span>
                </td>
                <td className="n">
                  {moneyOrNone(r.materialCost, currency)}
                  <span className="unit block">{showNumber(r.buildHours, 1)} h</span>
                </td>
                <td className="n">{r.lifeCasts}</td>
                <td className="n">{cost === null ? '–' : formatMoney(cost, currency)}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}
