import { useId, useRef, useState } from 'react'
import { newId } from '../state/files.ts'
import { beforeClick } from '../state/pressed.ts'
import { inRun } from '../state/stepRuns.ts'
import { FieldComplaint } from './FieldComplaint.tsx'

type Props = {
  readonly label: string
  readonly unit?: string
  readonly value: number | null
  readonly onCommit: (value: number | null) => void
  readonly min?: number
  readonly max?: number
  readonly whole?: boolean
  /** An empty field is legal and means "not measured" or "by default". */
  readonly optional?: boolean
  readonly placeholder?: string
  readonly step?: number
}

/** A field for a plain number with its unit. A wrong entry says why and changes nothing. */
export function NumberField({
  label,
  unit,
  value,
  onCommit,
  min,
  max,
  whole,
  optional,
  placeholder,
  step = 1,
}: Props) {
  const [typed, setTyped] = useState<string | null>(null)
  const id = useId()
  const run = useRef('')
  const text = typed ?? (value === null ? '' : String(Math.round(value * 1000) / 1000))
  const wrong = typed === null ? null : complaint(typed, { min, max, whole, optional })
  const commit = () => {
    if (typed === null || wrong) return
    setTyped(null)
    const next = typed.trim() === '' ? null : Number(typed)
    if (next !== value) onCommit(next)
  }
  return (
    <div className="field">
      <div className="row">
        <label htmlFor={id}>{label}</label>
        <span className="inline-flex items-baseline">
          <input
            id={id}
            className="field-input"
            inputMode="decimal"
            autoComplete="off"
            placeholder={placeholder}
            value={text}
            data-typed={typed === null ? 'no' : undefined}
            aria-invalid={wrong ? true : undefined}
            aria-describedby={wrong ? `${id}-why` : undefined}
            onChange={(e) => setTyped(e.target.value)}
            onFocus={(e) => {
              run.current = newId('run')
              e.target.select()
            }}
            onBlur={() => beforeClick(commit)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') commit()
              if (e.key === 'Escape') setTyped(null)
              if ((e.key === 'ArrowUp' || e.key === 'ArrowDown') && value !== null) {
                e.preventDefault()
                const next = value + (e.key === 'ArrowUp' ? step : -step)
                if (!complaint(String(next), { min, max, whole, optional }))
                  inRun(run.current, () => onCommit(Math.round(next * 1000) / 1000))
              }
            }}
          />
          {unit && <span className="unit">{unit}</span>}
        </span>
      </div>
      {wrong && <FieldComplaint id={`${id}-why`} text={wrong} />}
    </div>
  )
}

type Bounds = {
  min?: number | undefined
  max?: number | undefined
  whole?: boolean | undefined
  optional?: boolean | undefined
}

function complaint(text: string, { min, max, whole, optional }: Bounds): string | null {
  if (text.trim() === '') return optional ? null : 'A number is needed here.'
  const n = Number(text)
  if (!Number.isFinite(n)) return `“${text.trim()}” is not a number. Write decimals with a point.`
  if (whole && !Number.isInteger(n)) return 'A whole number is needed here.'
  if (min !== undefined && n < min) return `At least ${min}.`
  if (max !== undefined && n > max) return `At most ${max}.`
  return null
}
