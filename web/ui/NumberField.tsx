import { useId, useRef, useState } from 'react'
import { newId } from '../state/files.ts'
import { beforeClick } from '../state/pressed.ts'
import { inRun } from '../state/stepRuns.ts'
import { FieldComplaint } from './FieldComplaint.tsx'

export type NumberFieldProps = {
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
  /** How the value is written and read, where its unit is not the one it is kept in. */
  readonly show?: (value: number) => string
  readonly read?: (text: string) => { readonly n: number } | { readonly why: string }
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
  show = (n) => String(Math.round(n * 1000) / 1000),
  read = readNumber,
}: NumberFieldProps) {
  const [typed, setTyped] = useState<string | null>(null)
  const id = useId()
  const run = useRef('')
  const text = typed ?? (value === null ? '' : show(value))
  const bounds = { min, max, whole, optional, show }
  const got = typed === null || typed.trim() === '' ? null : read(typed)
  const wrong = typed === null ? null : got && 'why' in got ? got.why : complaint(got?.n ?? null, bounds)
  const commit = () => {
    if (typed === null || wrong) return
    setTyped(null)
    const next = got && 'n' in got ? got.n : null
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
                if (!complaint(next, bounds))
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
  show: (value: number) => string
}

function readNumber(text: string): { n: number } | { why: string } {
  const n = Number(text)
  return Number.isFinite(n)
    ? { n }
    : { why: `“${text.trim()}” is not a number. Write decimals with a point.` }
}

function complaint(n: number | null, { min, max, whole, optional, show }: Bounds): string | null {
  if (n === null) return optional ? null : 'A number is needed here.'
  if (whole && !Number.isInteger(n)) return 'A whole number is needed here.'
  if (min !== undefined && n < min - 1e-9) return `At least ${show(min)}.`
  if (max !== undefined && n > max + 1e-9) return `At most ${show(max)}.`
  return null
}
