import { useId, useState } from 'react'
import type { Settings } from '../../core/job/index.ts'
import { formatMoney } from '../../core/units/index.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { Choice } from '../ui/Choice.tsx'

/** How the job's money is written: its sign, if it has one, and the side it stands on. */
export function MoneySign() {
  const currency = useAppSelector((s) => s.job.job!.settings.currency)
  const change = useChange()
  const id = useId()
  const [typed, setTyped] = useState<string | null>(null)
  const set = (label: string, next: Settings['currency']) =>
    change(label, { type: 'settingsChanged', patch: { currency: next } })
  const commit = () => {
    const sign = typed?.trim()
    setTyped(null)
    if (sign === undefined || sign === (currency?.sign ?? '')) return
    if (sign === '') set('money without a sign', null)
    else set(`money in ${sign}`, { sign, side: currency?.side ?? 'before' })
  }
  return (
    <div className="max-w-[340px]">
      <div className="row">
        <label htmlFor={id}>Sign of your money</label>
        <input
          id={id}
          className="field-input"
          maxLength={6}
          placeholder="none"
          autoComplete="off"
          value={typed ?? currency?.sign ?? ''}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => {
            if (e.key === 'Enter') commit()
            if (e.key === 'Escape') setTyped(null)
          }}
        />
      </div>
      {currency && (
        <Choice
          label="Money is written"
          hideLabel
          value={currency.side}
          options={(['before', 'after'] as const).map((side) => ({
            value: side,
            name: formatMoney(24.5, { ...currency, side }),
          }))}
          onChoose={(side) =>
            set(`money as ${formatMoney(24.5, { ...currency, side })}`, { ...currency, side })
          }
        />
      )}
    </div>
  )
}
