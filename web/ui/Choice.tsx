import { RadioGroup } from 'radix-ui'
import { type ReactNode, useId } from 'react'

type Option<T extends string> = {
  readonly value: T
  readonly name: ReactNode
  readonly note?: ReactNode
  readonly drawing?: ReactNode
}

/** A few options side by side, each with what follows from it. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChoose,
  hideLabel,
}: {
  label: string
  value: T
  options: readonly Option<T>[]
  onChoose: (value: T) => void
  hideLabel?: boolean
}) {
  const id = useId()
  return (
    <div>
      <div id={id} className={hideLabel ? 'sr-only' : 'label text-[16px] mt-2'}>
        {label}
      </div>
      <RadioGroup.Root
        className="choices"
        aria-labelledby={id}
        value={value}
        onValueChange={(v) => onChoose(v as T)}
        orientation="horizontal"
      >
        {options.map((o) => (
          <RadioGroup.Item key={o.value} value={o.value} className="choice">
            {o.drawing}
            {o.name}
            {o.note && <small>{o.note}</small>}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  )
}

/** One of many rows, by name. */
export function Pick({
  label,
  value,
  options,
  onChoose,
}: {
  label: string
  value: string
  options: readonly { id: string; name: string }[]
  onChoose: (id: string) => void
}) {
  const id = useId()
  const known = options.some((o) => o.id === value)
  return (
    <div className="row">
      <label htmlFor={id}>{label}</label>
      <select id={id} className="plain-select" value={value} onChange={(e) => onChoose(e.target.value)}>
        {!known && <option value={value}>{value} (not in stock)</option>}
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.name}
          </option>
        ))}
      </select>
    </div>
  )
}

export function Row({ label, children, unit }: { label: ReactNode; children: ReactNode; unit?: string }) {
  return (
    <div className="row">
      <span>{label}</span>
      <span className="value">
        {children}
        {unit && <span className="unit">{unit}</span>}
      </span>
    </div>
  )
}

export function More({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details className="mt-3">
      <summary className="label cursor-pointer text-[16px] min-h-8 py-1 border-b">{title}</summary>
      <div className="pb-1">{children}</div>
    </details>
  )
}

export function Caution({ children }: { children: ReactNode }) {
  return (
    <p className="caution">
      <strong>Mind: </strong>
      {children}
    </p>
  )
}
