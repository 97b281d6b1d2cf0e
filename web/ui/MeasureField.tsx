import { type KeyboardEvent, type ReactNode, useEffect, useId, useRef, useState } from 'react'
import {
  explainMeasureError,
  formatTyped,
  type MeasureStyle,
  parseLength,
  shopStep,
} from '../../core/units/index.ts'
import { newId } from '../state/files.ts'
import { beforeClick } from '../state/pressed.ts'
import { inRun } from '../state/stepRuns.ts'
import { useMeasureStyle } from '../state/useMeasureStyle.ts'
import { FieldComplaint } from './FieldComplaint.tsx'

type Props = {
  readonly label: string
  readonly value: number
  readonly onCommit: (mm: number) => void
  readonly min?: number
  readonly max?: number
  readonly allowNegative?: boolean
  readonly note?: ReactNode
  /** The label is only for readers; the field stands alone. */
  readonly bare?: boolean
  readonly autoFocus?: boolean
  readonly onDone?: () => void
}

/** Why a measure is out of bounds, in words; null when it is fine. */
function outOfBounds(
  mm: number,
  style: MeasureStyle,
  min: number | undefined,
  max: number | undefined,
): string | null {
  if (min !== undefined && mm < min)
    return min === 0 ? 'This cannot be less than zero.' : `At least ${formatTyped(min, style)}.`
  if (max !== undefined && mm > max) return `At most ${formatTyped(max, style)}.`
  return null
}

/**
 * A field for a length: fractions, feet, mm and sums. What was typed stays here until it is understood; a wrong entry
 * says why below and changes nothing. Arrow keys step by one shop step, with Shift by ten.
 */
export function MeasureField({
  label,
  value,
  onCommit,
  min,
  max,
  allowNegative = false,
  note,
  bare = false,
  autoFocus,
  onDone,
}: Props) {
  const style = useMeasureStyle()
  const shown = formatTyped(value, style)
  const [typed, setTyped] = useState<string | null>(null)
  const id = useId()
  const input = useRef<HTMLInputElement>(null)
  const run = useRef('')
  useEffect(() => {
    if (!autoFocus) return
    input.current?.focus()
    input.current?.select()
  }, [autoFocus])
  const text = typed ?? shown
  const parsed = parseLength(text, { fieldUnit: style.units === 'inch' ? 'in' : 'mm', allowNegative })
  const wrong =
    typed === null
      ? null
      : parsed.ok
        ? outOfBounds(parsed.mm, style, min, max)
        : explainMeasureError(parsed.error)
  const understood =
    typed !== null && parsed.ok && !wrong && !isPlain(typed, style)
      ? `${formatTyped(parsed.mm, style)}${style.units === 'mm' ? ' mm' : ''}`
      : null

  const commit = (): boolean => {
    if (typed === null) return true
    if (!parsed.ok || wrong) return false
    setTyped(null)
    const mm = Math.round(parsed.mm * 1e4) / 1e4
    if (Math.abs(mm - value) > 1e-6) onCommit(mm)
    return true
  }
  const step = (by: number) => {
    const from = typed !== null && parsed.ok ? parsed.mm : value
    const next = Math.max(
      min ?? (allowNegative ? -Infinity : 0),
      Math.min(max ?? Infinity, from + by * shopStep(style)),
    )
    setTyped(null)
    inRun(run.current, () => onCommit(Math.round(next * 1e4) / 1e4))
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') {
      if (commit()) onDone?.()
      else if (!parsed.ok)
        input.current?.setSelectionRange(parsed.error.at, parsed.error.at + parsed.error.length)
    } else if (event.key === 'Escape') {
      setTyped(null)
      onDone?.()
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault()
      step((event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1))
    }
  }
  const field = (
    <span className="relative inline-flex items-baseline">
      {/* Beside what is typed, over the end of the label: nothing below it moves when it comes or goes. */}
      {understood && (
        <span id={`${id}-is`} className="understood">
          = {understood}
        </span>
      )}
      <input
        ref={input}
        id={id}
        className="field-input"
        data-measure
        inputMode="text"
        autoComplete="off"
        spellCheck={false}
        value={text}
        data-typed={typed === null ? 'no' : undefined}
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong ? `${id}-why` : understood ? `${id}-is` : undefined}
        onChange={(e) => setTyped(e.target.value)}
        onFocus={(e) => {
          run.current = newId('run')
          e.target.select()
        }}
        // Taken once nothing is pressed: what is pressed below must not move under the hand.
        onBlur={() =>
          beforeClick(() => {
            if (commit()) onDone?.()
          })
        }
        onKeyDown={onKeyDown}
      />
      {style.units === 'mm' && <span className="unit">mm</span>}
    </span>
  )
  return (
    <div className="field">
      <div className={bare ? '' : 'row'}>
        <label htmlFor={id} className={bare ? 'sr-only' : ''}>
          {label}
          {note && <span className="unit">{note}</span>}
        </label>
        {field}
      </div>
      {wrong && <FieldComplaint id={`${id}-why`} text={wrong} />}
    </div>
  )
}

const isPlain = (text: string, style: MeasureStyle): boolean =>
  style.units === 'mm' && /^\s*\d+(\.\d{1,2})?\s*$/.test(text)
