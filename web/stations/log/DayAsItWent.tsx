import type { PourRecord } from '../../../core/job/index.ts'
import { clock } from '../../../core/sheets/index.ts'
import { More } from '../../ui/Choice.tsx'
import { useWordsStyle } from '../../ui/Quantity.tsx'

/** What was done in a pour and when, and what was read, as it was kept while it went on. */
export function DayAsItWent({ pour }: { pour: PourRecord | undefined }) {
  const words = useWordsStyle()
  const day = pour?.day
  if (!day || day.done.length === 0) return null
  const warm = day.readings.filter((r) => r.of === 'concrete').map((r) => r.degC)
  const scaled = day.weighed.filter((w) => w.by !== 'told')
  const off = scaled.map((w) => Math.abs(w.kg - w.plannedKg)).reduce((a, b) => Math.max(a, b), 0)
  return (
    <More title="The day as it went">
      <ol className="list-none pl-0">
        {day.done.map((d) => (
          <li key={d.op} className="border-b py-1 text-[15px]">
            <strong className="label">{clock(d.startMinutes)}</strong>
            {d.endMinutes !== null && <span className="label text-soft"> to {clock(d.endMinutes)}</span>}{' '}
            {d.said}
          </li>
        ))}
      </ol>
      {scaled.length > 0 && (
        <p>
          {scaled.length} weighed, {words.kg(off, 3)} off at most.
        </p>
      )}
      {warm.length > 0 && (
        <p>
          Concrete read {warm.length} times, {words.degC(Math.min(...warm))} to{' '}
          {words.degC(Math.max(...warm))}.
        </p>
      )}
    </More>
  )
}
