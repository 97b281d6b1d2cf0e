import { zodResolver } from '@hookform/resolvers/zod'
import { type FieldValues, get, useForm } from 'react-hook-form'
import type { z } from 'zod'
import {
  type Fault,
  NOTHING_MEASURED,
  type PlannedPour,
  type PourRecord,
  pourRecordSchema,
} from '../../../core/job/index.ts'
import { recordOf } from '../../../core/pour/index.ts'
import { takenByPour } from '../../../core/shopping.ts'
import { dayWords, showNumber } from '../../../core/units/index.ts'
import { newId } from '../../state/files.ts'
import { takeOffShelf } from '../../state/onShelf.ts'
import { usePlan } from '../../state/PlanContext.tsx'
import { useChange } from '../../state/store.ts'
import { useMeasureStyle } from '../../state/useMeasureStyle.ts'
import { Box } from '../../ui/Box.tsx'
import { sentenceOf } from '../../ui/complaints.ts'
import { FieldComplaint } from '../../ui/FieldComplaint.tsx'
import { NumberField, type NumberFieldProps } from '../../ui/NumberField.tsx'
import { readingOf } from '../../ui/Quantity.tsx'
import { CheckList, useChecks } from '../CheckList.tsx'

export const FAULTS: readonly (readonly [Fault, string])[] = [
  ['bug-holes', 'bug holes'],
  ['honeycomb', 'honeycomb'],
  ['ghosting', 'ghosting'],
  ['crack', 'crack'],
  ['crumbled-arris', 'crumbled arris'],
  ['stuck', 'stuck'],
  ['uneven-colour', 'uneven colour'],
]

/** What is told of a pour; the rest of its record is the plan's. */
const TOLD = pourRecordSchema.pick({ on: true, actual: true, faults: true, nextTime: true })
type Told = Pick<PourRecord, 'on' | 'actual' | 'faults' | 'nextTime'>
type Measured = keyof PourRecord['actual']

const nothingYet = (on: string): Told => ({
  on,
  actual: NOTHING_MEASURED,
  faults: [],
  nextTime: '',
})

/** Everything that can be measured on the day; what was not is left empty. What the record refuses is told at its field. */
export function NewRecord({ planned, mixName }: { planned: PlannedPour; mixName: string }) {
  const { piece, plan, whole, stopped } = usePlan()
  const change = useChange()
  const { running } = piece.pour
  const { pour, mix } = plan?.stations ?? {}
  /** What a pour that was gone through step by step told already: nothing is typed twice. */
  const ran = running && pour && mix ? recordOf(running, pour.work, mix.figures.batches) : null
  const { formState, handleSubmit, register, setValue, watch } = useForm<FieldValues & Told>({
    defaultValues: {
      ...nothingYet(ran?.on ?? piece.pour.start.slice(0, 10)),
      ...(ran && { actual: ran.actual }),
    },
    resolver: zodResolver(TOLD as z.ZodType<FieldValues & Told, FieldValues & Told>),
  })
  const told = watch()
  /** What the pour waits for. */
  const checks = useChecks().filter((c) => c.stops)
  const open = checks.filter((c) => !c.ticked).length
  /** What grips and what holds air is told by the solids alone. */
  const known = whole || stopped
  const style = useMeasureStyle()
  const reading = (unit: string): Partial<NumberFieldProps> =>
    unit === 'liquid' || unit === 'temperature' || unit === 'mass' ? readingOf(unit, style) : { unit }
  const measured: readonly [Measured, string, string, number | null][] = [
    ['bags', 'Bags used', 'bags', planned.bags],
    ['waterLitresPerBag', 'Water a bag', 'liquid', planned.waterLitresPerBag],
    ['temperatureDegC', 'Temperature', 'temperature', planned.temperatureDegC],
    ['vibratedMinutes', 'Vibrated', 'min', null],
    ['stripHours', 'Stripped after', 'h', planned.stripHours],
    ['weightKg', 'Weighed', 'mass', planned.concreteKg],
  ]
  const wrong = (at: string) => {
    const text = (get(formState.errors, at) as { message?: unknown } | undefined)?.message
    return typeof text === 'string' ? <FieldComplaint stays text={sentenceOf(text)} /> : null
  }
  const save = ({ on, actual, faults, nextTime }: Told) => {
    if (mix) void takeOffShelf(takenByPour(mix.figures))
    change(`log the pour of ${dayWords(on)}`, {
      type: 'pourLogged',
      pour: {
        id: newId('pour'),
        pieceId: piece.id,
        pieceName: piece.name,
        on,
        mixName,
        planned,
        actual,
        faults: faults.length > 0 ? faults : ['none'],
        nextTime: nextTime.trim(),
        // A pour that was gone through step by step is kept with its day.
        day: ran?.day ?? null,
      },
    })
  }
  const tick = (fault: Fault, seen: boolean) =>
    setValue('faults', seen ? [...told.faults, fault] : told.faults.filter((f) => f !== fault))
  return (
    <form
      aria-label="Log a pour"
      noValidate
      onSubmit={(e) => {
        e.preventDefault()
        // What is typed and not understood is not left out of the record unseen.
        const wrongly = e.currentTarget.querySelector<HTMLElement>('[aria-invalid=true]')
        if (wrongly) wrongly.focus()
        else if (open > 0 || !known)
          e.currentTarget.querySelector<HTMLElement>('ul [aria-checked=false]')?.focus()
        else void handleSubmit(save)(e)
      }}
      // Enter takes what is typed in a field; only the button logs.
      onKeyDown={(e) => {
        if (e.key === 'Enter' && e.target instanceof HTMLInputElement) e.preventDefault()
      }}
    >
      <h2>Log a pour</h2>
      {(checks.length > 0 || !known) && (
        <>
          <p role="status">
            {!known
              ? 'What is to be looked at first is still being worked out.'
              : open > 0
                ? `${open === 1 ? 'One check' : `${open} checks`} to tick before it: without ${open === 1 ? 'it' : 'them'} nothing is poured.`
                : 'Looked over before it was poured.'}
          </p>
          <CheckList checks={checks} label="What the pour waited for" />
        </>
      )}
      <div className="field">
        <div className="row">
          <label htmlFor="log-on">Poured on</label>
          <input id="log-on" type="date" className="plain-select" {...register('on')} />
        </div>
        {wrong('on')}
      </div>
      {measured.map(([key, label, unit, hint]) => (
        <div key={key} className="field">
          <NumberField
            label={label}
            {...reading(unit)}
            optional
            value={told.actual[key]}
            placeholder={hint === null ? '' : (reading(unit).show?.(hint) ?? showNumber(hint, 1))}
            onCommit={(n) => setValue(`actual.${key}`, n, { shouldValidate: true })}
          />
          {wrong(`actual.${key}`)}
        </div>
      ))}
      <fieldset className="pt-2">
        <legend className="label text-[15px] text-soft">Faults seen</legend>
        <div className="flex flex-wrap gap-x-3">
          {FAULTS.map(([id, name]) => (
            <span key={id} className="flex min-h-8 items-center gap-1">
              <Box id={`fault-${id}`} on={told.faults.includes(id)} onTick={(on) => tick(id, on)} />
              <label htmlFor={`fault-${id}`} className="label flex min-h-8 items-center text-[15px]">
                {name}
              </label>
            </span>
          ))}
        </div>
      </fieldset>
      <div className="field">
        <label className="label block pt-1 text-[15px] text-soft">
          Next time
          <textarea
            className="w-full border border-hair bg-sheet p-1 text-ink"
            rows={2}
            {...register('nextTime')}
          />
        </label>
        {wrong('nextTime')}
      </div>
      <button type="submit" className="act mt-2">
        Log this pour
      </button>
    </form>
  )
}
