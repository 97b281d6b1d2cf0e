import type { Job } from '../../core/job/index.ts'
import { startingStock } from '../../core/stock/index.ts'
import { METRIC_UNITS, type OtherUnits, shopUnits, US_UNITS } from '../../core/units/index.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { Choice, More } from './Choice.tsx'

const SOLD = { mm: 'metric', inch: 'us' } as const
type Units = keyof typeof SOLD

/** A job without pieces whose stock is as it came takes the stock that is sold in its units. */
const takesStock = ({ pieces, stock, settings }: Job): boolean =>
  pieces.length === 0 && JSON.stringify(stock) === JSON.stringify(startingStock(SOLD[settings.units]))

/** The units of the job as a whole set. */
export function UnitChoice() {
  const job = useAppSelector((s) => s.job.job)
  const change = useChange()
  const units = job?.settings.units ?? 'mm'
  const choose = (next: Units) => {
    if (next === units || !job) return
    change(
      `units to ${next === 'mm' ? 'metric' : 'US'}`,
      { type: 'settingsChanged', patch: shopUnits(next) },
      ...(takesStock(job) ? [{ type: 'stockReplaced', stock: startingStock(SOLD[next]) } as const] : []),
    )
  }
  return (
    <Choice
      label="Units"
      hideLabel
      value={units}
      options={[
        { value: 'mm', name: 'metric', note: 'mm, kg, L, °C' },
        { value: 'inch', name: 'US', note: 'in, lb, gal, °F' },
      ]}
      onChoose={choose}
    />
  )
}

const EACH: readonly {
  readonly key: keyof OtherUnits
  readonly label: string
  readonly names: readonly [string, string]
}[] = [
  { key: 'mass', label: 'Weights', names: ['kg', 'lb, oz'] },
  { key: 'volume', label: 'Volumes', names: ['L', 'ft³, gal, qt'] },
  { key: 'temperature', label: 'Temperatures', names: ['°C', '°F'] },
  { key: 'pressure', label: 'Strength and pressure', names: ['MPa, kPa', 'psi, psf'] },
]

/** Each unit of the set by itself, and how fine an inch is cut. */
export function UnitsOneByOne() {
  const settings = useAppSelector((s) => s.job.job!.settings)
  const change = useChange()
  const { others, inchDenominator, units } = settings
  return (
    <More title="Units one by one">
      <Choice
        label="Lengths"
        value={units}
        options={[
          { value: 'mm', name: 'mm' },
          { value: 'inch', name: 'inches' },
        ]}
        onChoose={(next) =>
          change(`lengths in ${next === 'mm' ? 'mm' : 'inches'}`, {
            type: 'settingsChanged',
            patch: { units: next },
          })
        }
      />
      {units === 'inch' && (
        <Choice
          label="Cut to"
          value={String(inchDenominator)}
          options={([8, 16, 32, 64] as const).map((n) => ({ value: String(n), name: `1/${n}"` }))}
          onChoose={(n) =>
            change(`inches cut to 1/${n}`, {
              type: 'settingsChanged',
              patch: { inchDenominator: Number(n) as 8 | 16 | 32 | 64 },
            })
          }
        />
      )}
      {EACH.map(({ key, label, names }) => (
        <Choice
          key={key}
          label={label}
          value={others[key]}
          options={[METRIC_UNITS, US_UNITS].map((set, i) => ({ value: set[key], name: names[i]! }))}
          onChoose={(next) =>
            change(`${label.toLowerCase()} in other units`, {
              type: 'settingsChanged',
              patch: { others: { ...others, [key]: next } },
            })
          }
        />
      ))}
    </More>
  )
}
