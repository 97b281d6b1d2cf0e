import { formatLength } from '../../core/units/index.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { MeasureField } from './MeasureField.tsx'

export type MeasureRow<K extends string> = {
  readonly key: K
  readonly label: string
  readonly note?: string
  readonly min?: number
  readonly signed?: boolean
}

/** Fields for the measures of one thing, in the order they are decided; each commits its own key. */
export function Measures<K extends string>({
  of,
  rows,
  onChange,
}: {
  of: Readonly<Record<K, number>>
  rows: readonly MeasureRow<K>[]
  onChange: (patch: Partial<Record<K, number>>, label: string) => void
}) {
  const style = useMeasureStyle()
  return rows.map(({ key, label, note, min, signed }) => (
    <MeasureField
      key={key}
      label={label}
      {...(note && { note })}
      value={of[key]}
      {...(signed ? { allowNegative: true } : { min: min ?? 0 })}
      onCommit={(mm) =>
        onChange(
          { [key]: mm } as Partial<Record<K, number>>,
          `${label.toLowerCase()} ${formatLength(mm, style)}`,
        )
      }
    />
  ))
}
