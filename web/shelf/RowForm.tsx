import { zodResolver } from '@hookform/resolvers/zod'
import { type FieldValues, get, useForm } from 'react-hook-form'
import type { z } from 'zod'
import { type Board, type Mix, ROW_SCHEMAS, type StockList } from '../../core/stock/index.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { Pick } from '../ui/Choice.tsx'
import { sentenceOf } from '../ui/complaints.ts'
import { FieldComplaint } from '../ui/FieldComplaint.tsx'
import { MeasureField } from '../ui/MeasureField.tsx'
import { NumberField } from '../ui/NumberField.tsx'
import { type FieldKind, QuantityField } from '../ui/Quantity.tsx'
import { Switch } from '../ui/Switch.tsx'
import { NameField } from './NameField.tsx'
import { Offcuts } from './Offcuts.tsx'
import type { Field, StockRow } from './stockLists.ts'

type Props = {
  readonly list: StockList
  readonly row: StockRow
  readonly one: string
  readonly fields: readonly Field[]
}

/** One row of stock. What its schema refuses is told at the field, stays as typed, and changes nothing. */
export function RowForm({ list, row, one, fields }: Props) {
  const change = useChange()
  const sign = useAppSelector((s) => s.job.job?.settings.currency?.sign)
  const { formState, handleSubmit, setValue, watch } = useForm<FieldValues>({
    values: row,
    resolver: zodResolver(ROW_SCHEMAS[list] as z.ZodType<FieldValues, FieldValues>),
  })
  const values = watch()
  const keep = (what: string, patch: Readonly<Record<string, unknown>>) => {
    for (const [key, value] of Object.entries(patch)) setValue(key, value)
    void handleSubmit((next) =>
      change(`${row.name}, ${what}`, { type: 'stockRowKept', list, row: next as unknown as StockRow }),
    )()
  }
  return (
    <section aria-label={row.name} data-row={row.id} className="border-b py-2">
      <NameField
        value={row.name}
        label={`Name of the ${one}`}
        onName={(name) => keep('its name', { name })}
      />
      {fields.map((field) => (
        <div key={field.key} className="field">
          <RowField
            field={field.kind === 'price' && sign ? { ...field, unit: sign } : field}
            value={get(values, field.key)}
            onValue={(value) => keep(field.label.toLowerCase(), withBag(list, row, field.key, value))}
          />
          <Complaint error={get(formState.errors, field.key)} />
        </div>
      ))}
      {list === 'boards' && (
        <Offcuts rows={(row as Board).offcuts} onRows={(offcuts) => keep('off-cuts', { offcuts })} />
      )}
      <button
        type="button"
        className="word text-oxide"
        aria-label={`remove ${row.name}`}
        onClick={() => change(`remove ${row.name}`, { type: 'stockRowRemoved', list, rowId: row.id })}
      >
        remove
      </button>
      <span className="text-[13px] text-soft">{row.source}</span>
    </section>
  )
}

function RowField({
  field,
  value,
  onValue,
}: {
  field: Field
  value: unknown
  onValue: (value: unknown) => void
}) {
  const { label, unit, kind } = field
  switch (kind) {
    case 'measure':
      return <MeasureField label={label} value={value as number} min={0} onCommit={onValue} />
    case 'flag':
      return <Switch label={label} on={value === true} onSwitch={onValue} />
    case 'choice':
      return (
        <Pick
          label={label}
          value={String(value)}
          options={Object.entries(field.options).map(([id, name]) => ({ id, name }))}
          onChoose={onValue}
        />
      )
    case 'number':
    case 'price': {
      const of = READ_AS[unit ?? '']
      if (of && kind === 'number')
        return (
          <QuantityField
            label={label}
            of={field.key === 'yieldLitres' ? 'volume' : of}
            value={value as number | null}
            min={0}
            onCommit={(n) => n !== null && onValue(n)}
          />
        )
      return (
        <NumberField
          label={label}
          {...(unit && { unit })}
          value={value as number | null}
          min={0}
          {...(kind === 'price' && { optional: true, placeholder: 'no price' })}
          onCommit={(n) => {
            if (n !== null || kind === 'price') onValue(n)
          }}
        />
      )
    }
  }
}

/** Units of the stock’s figures that are read in the shop’s own. */
const READ_AS: Readonly<Record<string, FieldKind>> = {
  kg: 'mass',
  L: 'liquid',
  mL: 'small',
  'kg/m³': 'density',
  MPa: 'stress',
  'm²': 'area',
}

const Complaint = ({ error }: { error: { message?: unknown } | undefined }) => {
  const text = error?.message
  return typeof text === 'string' ? <FieldComplaint stays text={sentenceOf(text)} /> : null
}

/** The fields that change with one: the water and the yield of a bag grow with it. */
function withBag(list: StockList, row: StockRow, key: string, value: unknown): Record<string, unknown> {
  if (list !== 'mixes' || key !== 'bagKg' || typeof value !== 'number') return { [key]: value }
  const mix = row as Mix
  const share = value / mix.bagKg
  const tidy = (n: number) => Math.round(n * share * 1000) / 1000
  const { stiff, medium, limit } = mix.waterLitres
  return {
    bagKg: value,
    yieldLitres: tidy(mix.yieldLitres),
    waterLitres: { stiff: tidy(stiff), medium: tidy(medium), limit: tidy(limit) },
  }
}
