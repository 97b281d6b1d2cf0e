import { type ReactNode, useMemo } from 'react'
import {
  explainMeasureError,
  MASSES,
  type MeasureStyle,
  otherUnits,
  parseMeasure,
  perUnit,
  type Quantity,
  showNumber,
  showQuantity,
  unitOf,
  VOLUMES,
  type WordsStyle,
  wordsStyle,
} from '../../core/units/index.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { Row } from './Choice.tsx'
import { NumberField, type NumberFieldProps } from './NumberField.tsx'

/** Words for this job's reader. */
export function useWordsStyle(): WordsStyle {
  const style = useMeasureStyle()
  return useMemo(() => wordsStyle(style), [style])
}

/** A line with a quantity in the reader's units; `value` in the base unit, to `digits` decimals of that. */
export function QuantityRow({
  label,
  of,
  value,
  digits,
}: {
  readonly label: ReactNode
  readonly of: Quantity
  readonly value: number
  readonly digits: number
}) {
  const { figure, unit } = showQuantity(of, value, digits, useMeasureStyle())
  return (
    <Row label={label} unit={unit}>
      {figure}
    </Row>
  )
}

/** What is typed: by its base unit kg, litre, degC, km/h, kg/m3 or MPa, and m2 or mL where a row of the stock asks. */
export type FieldKind =
  | 'mass'
  | 'liquid'
  | 'volume'
  | 'temperature'
  | 'speed'
  | 'density'
  | 'stress'
  | 'area'
  | 'small'

/** A field for a quantity in the reader's units; masses and volumes take any unit and sums, as lengths do. */
export function QuantityField({ of, ...rest }: Omit<NumberFieldProps, 'unit'> & { readonly of: FieldKind }) {
  const style = useMeasureStyle()
  const reading = useMemo(() => readingOf(of, style), [of, style])
  return <NumberField {...rest} {...reading} />
}

/** How a field of a kind shows, reads and steps: a shop's step is one of its unit. */
export function readingOf(
  of: FieldKind,
  style: MeasureStyle,
): Pick<NumberFieldProps, 'unit' | 'show' | 'read' | 'step'> {
  const { temperature, mass, volume } = otherUnits(style)
  if (of === 'temperature') {
    const f = temperature === 'F'
    return {
      unit: f ? '°F' : '°C',
      step: f ? 5 / 9 : 1,
      show: (c) => showNumber(f ? (c * 9) / 5 + 32 : c, 1),
      read: (text) => {
        const match = /^\s*([-+−]?\d+(?:\.\d+)?)\s*(?:°|deg)?\s*([cf])?\s*$/i.exec(text)
        if (!match) return { why: `“${text.trim()}” is not a temperature.` }
        const n = Number(match[1]!.replace('−', '-'))
        const isF = match[2] ? /f/i.test(match[2]) : f
        return { n: isF ? ((n - 32) * 5) / 9 : n }
      },
    }
  }
  const table = { mass: MASSES, liquid: VOLUMES, volume: VOLUMES, small: VOLUMES }[of as 'mass']
  if (table) {
    const unit =
      of === 'mass'
        ? mass
        : of === 'small'
          ? volume === 'us'
            ? 'fl oz'
            : 'mL'
          : volume === 'us'
            ? of === 'liquid'
              ? 'qt'
              : 'ft³'
            : 'L'
    const key = unit.toLowerCase().replace(' ', '').replace('³', '3')
    // A row of the stock keeps small volumes in millilitres.
    const base = of === 'small' ? 0.001 : 1
    const per = table.per[key]!
    return {
      unit,
      step: per / base,
      show: (n) => showNumber((n * base) / per, 3),
      read: (text) => {
        const parsed = parseMeasure(text, { table, fieldUnit: key, allowNegative: true })
        return parsed.ok ? { n: parsed.n / base } : { why: explainMeasureError(parsed.error) }
      },
    }
  }
  const unit = unitOf(of as Quantity, style)
  const per = perUnit(of as Quantity, style)
  return {
    unit,
    step: 1 / per,
    show: (n) => showNumber(n * per, per > 50 ? 0 : 2),
    read: (text) => {
      const n = Number(text)
      return Number.isFinite(n)
        ? { n: n / per }
        : { why: `“${text.trim()}” is not a number. Write decimals with a point.` }
    },
  }
}
