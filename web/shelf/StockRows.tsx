import type { Stock, StockList } from '../../core/stock/index.ts'
import { newId } from '../state/files.ts'
import { useAppSelector, useChange } from '../state/store.ts'
import { MeasureField } from '../ui/MeasureField.tsx'
import { NumberField } from '../ui/NumberField.tsx'
import { NameField } from './NameField.tsx'

type Row = Stock[StockList][number]
type Field = {
  readonly key: string
  readonly label: string
  readonly kind: 'measure' | 'number' | 'price'
  readonly unit?: string
}
const price = (label: string, key = 'price'): Field => ({ key, label, kind: 'price' })
const size = (key: string, label: string): Field => ({ key, label, kind: 'measure' })
const casts: Field = { key: 'casts', label: 'Lasts, casts', kind: 'number' }

/** What a maker measures or pays of each list beside boards and bags. */
const LISTS: readonly { list: StockList; heading: string; one: string; fields: readonly Field[] }[] = [
  {
    list: 'skins',
    heading: 'Sheets that are bent',
    one: 'sheet',
    fields: [
      size('thickness', 'True thickness'),
      size('length', 'Sheet length'),
      size('width', 'Sheet width'),
      size('leastRadius', 'Tightest bend'),
      price('Price of a sheet'),
    ],
  },
  {
    list: 'foams',
    heading: 'Foam',
    one: 'foam',
    fields: [
      size('thickness', 'True thickness'),
      size('length', 'Sheet length'),
      size('width', 'Sheet width'),
      price('Price of a sheet'),
    ],
  },
  {
    list: 'tubes',
    heading: 'Card tubes',
    one: 'tube',
    fields: [
      size('inside', 'Inside'),
      size('wall', 'Wall'),
      size('length', 'Length'),
      price('Price of a tube'),
    ],
  },
  {
    list: 'rubbers',
    heading: 'Rubbers',
    one: 'rubber',
    fields: [
      { key: 'potMinutes', label: 'Pot life', kind: 'number', unit: 'min' },
      { key: 'demouldHours', label: 'Out after', kind: 'number', unit: 'h' },
      casts,
      price('Price of a kilogram', 'pricePerKg'),
    ],
  },
  {
    list: 'jackets',
    heading: 'Shells and jackets',
    one: 'material',
    fields: [size('leastWall', 'Least wall'), casts, price('Price of a kilogram', 'pricePerKg')],
  },
  {
    list: 'printers',
    heading: 'Printers',
    one: 'printer',
    fields: [
      size('bedX', 'Bed, across'),
      size('bedY', 'Bed, deep'),
      size('bedZ', 'Bed, high'),
      { key: 'nozzle', label: 'Nozzle', kind: 'number', unit: 'mm' },
      { key: 'flow', label: 'Plastic laid down', kind: 'number', unit: 'mm³/s' },
    ],
  },
  {
    list: 'filaments',
    heading: 'Filament',
    one: 'filament',
    fields: [casts, price('Price of a kilogram', 'pricePerKg')],
  },
  {
    list: 'vessels',
    heading: 'Vessels and bought round shells',
    one: 'vessel',
    fields: [size('wall', 'Wall'), casts, price('Price')],
  },
  {
    list: 'plugs',
    heading: 'Bought plugs and cores',
    one: 'plug',
    fields: [
      size('length', 'Length or diameter, wide end'),
      size('width', 'Width, wide end'),
      size('radius', 'Corner radius; half the width is round'),
      size('height', 'Height'),
      { key: 'draftDeg', label: 'Draft', kind: 'number', unit: '°' },
      casts,
      price('Price'),
    ],
  },
  {
    list: 'liners',
    heading: 'Bought liners',
    one: 'liner',
    fields: [
      size('length', 'Length'),
      size('width', 'Width'),
      size('thickness', 'Thickness, texture and back'),
      casts,
      price('Price of a sheet'),
    ],
  },
]

/** The rows of every list beside boards and bags, folded away until they are asked for. */
export function StockRows() {
  const stock = useAppSelector((s) => s.job.job!.stock)
  return LISTS.map(({ list, heading, one, fields }) => (
    <details key={list} className="mt-3">
      <summary className="label min-h-8 cursor-pointer border-b py-1 text-[16px]">
        {heading}, {stock[list].length}
      </summary>
      <div className="grid grid-cols-2 gap-x-8">
        {stock[list].map((row) => (
          <RowFields key={row.id} list={list} row={row} one={one} fields={fields} />
        ))}
      </div>
      {stock[list][0] && <AddRow list={list} like={stock[list][0]} one={one} />}
    </details>
  ))
}

function RowFields({
  list,
  row,
  one,
  fields,
}: {
  readonly list: StockList
  readonly row: Row
  readonly one: string
  readonly fields: readonly Field[]
}) {
  const change = useChange()
  const keep = (patch: Record<string, unknown>) =>
    change(row.name, { type: 'stockRowKept', list, row: { ...row, ...patch } as Row })
  const values = row as unknown as Readonly<Record<string, unknown>>
  return (
    <section aria-label={row.name} className="border-b py-2">
      <NameField value={row.name} label={`Name of the ${one}`} onName={(name) => keep({ name })} />
      {fields.map(({ key, label, kind, unit }) =>
        kind === 'measure' ? (
          <MeasureField
            key={key}
            label={label}
            value={values[key] as number}
            min={0.05}
            onCommit={(value) => keep({ [key]: value })}
          />
        ) : (
          <NumberField
            key={key}
            label={label}
            {...(unit && { unit })}
            value={values[key] as number | null}
            min={kind === 'price' ? 0 : 0.01}
            {...(kind === 'price' && { optional: true, placeholder: 'no price' })}
            onCommit={(value) => (value !== null || kind === 'price') && keep({ [key]: value })}
          />
        ),
      )}
      <button
        type="button"
        className="word text-oxide"
        onClick={() => change(`remove ${row.name}`, { type: 'stockRowRemoved', list, rowId: row.id })}
      >
        remove
      </button>
      <span className="text-[13px] text-soft">{row.source}</span>
    </section>
  )
}

function AddRow({ list, like, one }: { readonly list: StockList; readonly like: Row; readonly one: string }) {
  const change = useChange()
  return (
    <button
      type="button"
      className="act mt-3"
      onClick={() =>
        change(`add a ${one}`, {
          type: 'stockRowKept',
          list,
          row: { ...like, id: newId(one), name: `my ${one}`, source: 'typed here' },
        })
      }
    >
      Add a {one}
    </button>
  )
}
