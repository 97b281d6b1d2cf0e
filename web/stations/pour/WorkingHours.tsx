import { useAppSelector, useChange } from '../../state/store.ts'
import { Choice, More } from '../../ui/Choice.tsx'

const clockOf = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`
const minuteOf = (text: string): number | null => {
  const match = /^(\d\d):(\d\d)$/.exec(text)
  return match ? Number(match[1]) * 60 + Number(match[2]) : null
}
/** What the shop begins with when its hours are set again. */
const FIRST = { fromMinute: 420, toMinute: 1200 }

/** When the shop works: what may wait is left to the morning, what may not is told. */
export function WorkingHours() {
  const hours = useAppSelector((s) => s.job.job?.settings.hours ?? null)
  const change = useChange()
  const put = (next: typeof hours) =>
    change(
      next ? `work from ${clockOf(next.fromMinute)} to ${clockOf(next.toMinute)}` : 'work day and night',
      {
        type: 'settingsChanged',
        patch: { hours: next },
      },
    )
  const typed = (key: 'fromMinute' | 'toMinute') => (text: string) => {
    const minute = minuteOf(text)
    if (minute === null || !hours || minute === hours[key]) return
    const next = { ...hours, [key]: key === 'toMinute' && minute === 0 ? 1440 : minute }
    // Shorter than an hour is no day of work: what is typed is kept in the field, and changes nothing.
    if (next.toMinute - next.fromMinute >= 60) put(next)
  }
  return (
    <More title="Working hours">
      <Choice
        label="The shop works"
        value={hours ? 'hours' : 'always'}
        options={[
          { value: 'hours', name: 'by the clock' },
          { value: 'always', name: 'day and night' },
        ]}
        onChoose={(kind) => (kind === 'hours') !== (hours !== null) && put(kind === 'hours' ? FIRST : null)}
      />
      {hours && (
        <>
          <Clock label="From" value={hours.fromMinute} onType={typed('fromMinute')} />
          <Clock label="To" value={hours.toMinute % 1440} onType={typed('toMinute')} />
        </>
      )}
    </More>
  )
}

function Clock({ label, value, onType }: { label: string; value: number; onType: (text: string) => void }) {
  return (
    <div className="row">
      <label htmlFor={`hours-${label}`}>{label}</label>
      <input
        id={`hours-${label}`}
        type="time"
        className="plain-select"
        key={value}
        defaultValue={clockOf(value)}
        onBlur={(e) => onType(e.target.value)}
      />
    </div>
  )
}
