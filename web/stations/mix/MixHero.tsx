import { useState } from 'react'
import type { Batch } from '../../../core/mix/index.ts'
import { exactDecimals } from '../../../core/units/index.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'
import { alike, type Layer, layersOf, numbersSaid } from './layers.ts'

/** Vessels drawn at most: what is more is counted. */
const DRAWN = 16
/** A vessel is drawn so high, px: by how many there are. */
const highOf = (count: number): number => (count <= 2 ? 210 : count <= 4 ? 160 : count <= 9 ? 110 : 84)
const FILLS: Readonly<Record<Layer['what'], string>> = {
  water: 'var(--rubber)',
  dose: 'var(--oxide)',
  powder: 'var(--concrete)',
  fibre: 'var(--board)',
}

/** The mixing row: each batch a vessel at its size, filled in the order things go in, with what the scale reads. */
export function MixHero() {
  const { plan, looks, job, piece } = usePlan()
  const figures = plan?.stations.mix?.figures
  const words = useWordsStyle()
  const [pressed, setPressed] = useState(1)
  if (!figures)
    return (
      <p className="label p-4 text-soft" role="status">
        {plan ? 'No batches are worked out: see the findings.' : 'Working out the batches.'}
      </p>
    )
  const { batches, mixName } = figures
  const mixer = job.stock.mixers.find((m) => m.id === piece.mix.mixer)
  const holds = Math.max(mixer?.litres ?? 0, ...batches.map((b) => b.litres))
  const high = highOf(batches.length)
  const groups = alike(batches)
  const shown = groups.find((g) => g.numbers.includes(pressed)) ?? groups[0]
  const title = (b: Batch) => `Batch ${b.number}${b.coat === 'all' ? '' : `, ${b.coat} coat`}`
  return (
    <div
      className={`grid min-h-0 grid-cols-[minmax(0,1fr)_minmax(320px,1fr)] grid-rows-[auto_minmax(0,1fr)] gap-x-4 px-4 pt-2 ${looks.mix}`}
    >
      <p className="view-name col-span-2">
        {batches.length === 1 ? 'One batch' : `${batches.length} batches`} in {figures.mixer}
        {batches.length > 1 && (groups.length === 1 ? ', all alike' : ', not all alike')};{' '}
        {figures.mixMinutes} min of mixing in all
      </p>
      <ol
        className="flex min-h-0 flex-wrap content-start items-end gap-3 overflow-auto pt-3"
        aria-label="Batches"
      >
        {batches.slice(0, DRAWN).map((b) => (
          <li key={b.number}>
            <button
              type="button"
              className="grid justify-items-center"
              aria-pressed={shown?.numbers.includes(b.number) ?? false}
              aria-label={`${title(b)}: ${words.litres(b.litres)} of ${words.litres(holds)}`}
              onClick={() => setPressed(b.number)}
            >
              <Vessel
                layers={layersOf(b, mixName)}
                level={b.litres / holds}
                high={high}
                lit={
                  b.number === pressed || (!groups.some((g) => g.numbers.includes(pressed)) && b.number === 1)
                }
              />
              <span className="label text-[15px] leading-tight">
                {b.number}
                {b.coat === 'all' ? '' : ` ${b.coat}`}
              </span>
            </button>
          </li>
        ))}
        {batches.length > DRAWN && (
          <li className="label self-center text-[16px]">and {batches.length - DRAWN} more</li>
        )}
      </ol>
      {shown && (
        <section
          className="min-h-0 overflow-auto pt-3"
          aria-label={`What goes into batch ${numbersSaid(shown.numbers)}`}
        >
          <h2 className="label text-[22px] font-bold leading-tight">
            {shown.numbers.length > 1 ? 'Batches' : 'Batch'} {numbersSaid(shown.numbers)}
            {shown.numbers.length > 1 ? ', each' : ''}
            {shown.batch.coat === 'all' ? '' : `, ${shown.batch.coat} coat`}:{' '}
            {words.litres(shown.batch.litres, 1)}
          </h2>
          <table className="list text-[18px]">
            <thead>
              <tr>
                <th>in this order</th>
                <th className="n">weigh in</th>
                <th className="n">scale reads</th>
              </tr>
            </thead>
            <tbody>
              {layersOf(shown.batch, mixName).map((l) => (
                <tr key={l.key}>
                  <td>
                    <span
                      aria-hidden
                      className="mr-2 inline-block size-[14px] border border-ink align-[-1px]"
                      style={{ background: FILLS[l.what] }}
                    />
                    {l.name}
                    {l.what === 'powder' && figures.portion === 'bags' && (
                      <span className="text-soft">
                        , {shown.batch.bags} {shown.batch.bags === 1 ? 'bag' : 'bags'}
                      </span>
                    )}
                  </td>
                  <td className="n font-bold">
                    {l.what === 'water'
                      ? words.liquid(l.amountKg)
                      : words.kg(
                          l.amountKg,
                          l.what === 'dose' ? exactDecimals(l.amountKg) : l.amountKg < 1 ? 3 : 2,
                        )}
                  </td>
                  <td className="n">{words.kg(l.readsKg, l.readsKg < 10 ? 3 : 2)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="label pt-1 text-[15px] text-soft">
            The empty vessel taken off the scale first. Stop adding water as soon as it moves as it should.
          </p>
        </section>
      )}
    </div>
  )
}

/** A vessel in section, its layers by their share of the weight, up to the level that the mixed batch comes to. */
function Vessel({
  layers,
  level,
  high,
  lit,
}: {
  layers: readonly Layer[]
  level: number
  high: number
  lit: boolean
}) {
  const [wide, taper, pad] = [high * 0.86, high * 0.1, 3]
  const whole = layers.reduce((sum, l) => sum + l.amountKg, 0)
  const foot = high - pad
  /** How far in a side stands at a height above the foot. */
  const inset = (up: number) => pad + taper * (1 - up / (high - 2 * pad))
  const room = (high - 2 * pad) * Math.min(1, level)
  let up = 0
  const bands = layers.map((l) => {
    const from = up
    up += whole > 0 ? (l.amountKg / whole) * room : 0
    return { ...l, from, to: up }
  })
  const trapezium = (from: number, to: number) =>
    `M${inset(from)} ${foot - from} L${inset(to)} ${foot - to} L${wide - inset(to)} ${foot - to} L${wide - inset(from)} ${foot - from}z`
  return (
    <svg aria-hidden width={wide} height={high} viewBox={`0 0 ${wide} ${high}`}>
      {bands.map((b) => (
        <path key={b.key} d={trapezium(b.from, b.to)} fill={FILLS[b.what]} />
      ))}
      {bands.slice(0, -1).map((b) => (
        <path
          key={b.key}
          d={`M${inset(b.to)} ${foot - b.to} H${wide - inset(b.to)}`}
          stroke="var(--ink)"
          strokeWidth={0.75}
        />
      ))}
      <path
        d={`M${inset(high - 2 * pad)} ${pad} L${inset(0)} ${foot} H${wide - inset(0)} L${wide - inset(high - 2 * pad)} ${pad}`}
        fill="none"
        stroke={lit ? 'var(--oxide)' : 'var(--ink)'}
        strokeWidth={lit ? 3 : 2}
      />
      <path
        d={`M${inset(room) - 3} ${foot - room} H${wide - inset(room) + 3}`}
        stroke="var(--ink)"
        strokeDasharray="4 3"
      />
    </svg>
  )
}
