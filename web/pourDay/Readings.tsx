import { useState } from 'react'
import type { RunningPour } from '../../core/job/index.ts'
import { QuantityField, useWordsStyle } from '../ui/Quantity.tsx'
import { Switch } from '../ui/Switch.tsx'
import type { Instruments } from './useInstruments.ts'

/** What the thermometers show, in one line; typed, or heard, when it is opened. */
export function Readings({
  heard,
  on,
  listen,
  running,
  onRead,
}: {
  heard: Instruments
  on: boolean
  listen: (on: boolean) => void
  running: RunningPour | null
  onRead: (of: 'concrete' | 'air', degC: number) => void
}) {
  const words = useWordsStyle()
  const [open, setOpen] = useState(false)
  const lastOf = (of: 'concrete' | 'air') => running?.readings.findLast((r) => r.of === of)?.degC ?? null
  const concrete = heard.concreteDegC ?? lastOf('concrete')
  const air = heard.airDegC ?? lastOf('air')
  const said = (n: number | null) => (n === null ? 'not read' : words.degC(n))
  return (
    <div className="flex-none border-t border-hair px-4">
      <button
        type="button"
        aria-expanded={open}
        className="label flex min-h-12 w-full items-center gap-4 text-left text-[18px]"
        onClick={() => setOpen(!open)}
      >
        <span className="flex-1">
          concrete {said(concrete)} · air {said(air)}
        </span>
        <span className="text-soft">{open ? 'close' : 'readings'}</span>
      </button>
      {open && (
        <div className="grid gap-1 pb-3 text-[18px]">
          {running?.water ? (
            (['concrete', 'air'] as const).map((of) => (
              <QuantityField
                key={of}
                label={of === 'concrete' ? 'Concrete' : 'Air'}
                of="temperature"
                optional
                min={-30}
                max={60}
                value={lastOf(of)}
                onCommit={(n) => n !== null && onRead(of, n)}
              />
            ))
          ) : (
            <p className="label text-soft">Readings are kept from the first water.</p>
          )}
          <Switch label="Listen to the scale and thermometers" on={on} onSwitch={listen} />
          {on && heard.fault && (
            <p role="alert" className="label text-oxide">
              {heard.fault}
            </p>
          )}
        </div>
      )}
    </div>
  )
}
