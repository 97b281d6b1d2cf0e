import { RadioGroup } from 'radix-ui'
import { type ReactNode, useId } from 'react'
import { Fold } from './Fold.tsx'
import { Select } from './Select.tsx'

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
  stacked,
}: {
  label: string
  value: T
  options: readonly Option<T>[]
  onChoose: (value: T) => void
  hideLabel?: boolean
  /** One below the other, what follows from each beside it. */
  stacked?: boolean
}) {
  const id = useId()
  return (
    <div>
      <div id={id} className={hideLabel ? 'sr-only' : 'label text-[16px] mt-2'}>
        {label}
      </div>
      <RadioGroup.Root
        className={stacked ? 'choices choices-stacked' : 'choices'}
        aria-labelledby={id}
        value={value}
        onValueChange={(v) => onChoose(v as T)}
        orientation={stacked ? 'vertical' : 'horizontal'}
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
  return (
    <div className="row">
      <label htmlFor={id}>{label}</label>
      <Select id={id} value={value} options={options} onChoose={onChoose} />
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

export const More = ({ title, children }: { title: string; children: ReactNode }) => (
  <Fold title={title}>{children}</Fold>
)

export function Caution({ children }: { children: ReactNode }) {
  return (
    <p className="caution">
      <strong>Mind: </strong>
      {children}
    </p>
  )
}
