import { z } from 'zod'

const amount = z.number().min(0, 'cannot be less than 0').max(1_000_000, 'at most 1,000,000')
const degC = z.number().min(-30, 'at least -30').max(60, 'at most 60')
const id = z.string().min(1).max(60)

/** The planned figures a pour was made from, frozen when it was logged. */
export const plannedPourSchema = z.strictObject({
  catalogueVersion: z.number().int(),
  volumeLitres: amount,
  bags: amount,
  waterLitresPerBag: amount,
  concreteKg: amount,
  stripHours: amount.nullable(),
  temperatureDegC: degC,
})

/** Minutes from the first water, over a year at most. */
const minutes = z.number().min(0).max(600_000)

/** What was done in a pour, as it was said then; without an end while it goes on. */
export const doneActSchema = z.strictObject({
  op: z.string().min(1).max(120).describe('the operation that was done'),
  said: z.string().max(600),
  startMinutes: minutes,
  endMinutes: minutes.nullable(),
})

/** What a thermometer read, of the concrete or of the air. */
export const readingSchema = z.strictObject({ of: z.enum(['concrete', 'air']), minutes, degC })

/** What was weighed into a batch. */
export const weighedSchema = z.strictObject({
  op: z.string().min(1).max(120),
  what: z.string().max(120),
  plannedKg: amount,
  kg: amount,
  by: z.enum(['scale', 'typed', 'told']).describe('read off a scale, typed, or only told to be as planned'),
})

const lists = {
  done: z.array(doneActSchema).max(2000).default([]),
  readings: z.array(readingSchema).max(10_000).default([]),
  weighed: z.array(weighedSchema).max(5000).default([]),
}

/** A pour that goes on: from the first thing that is weighed until it is logged. */
export const runningPourSchema = z.strictObject({
  water: z
    .string()
    .regex(
      /^\d{4}-(0\d|1[0-2])-([0-2]\d|3[01])T([01]\d|2[0-3]):[0-5]\d:[0-5]\d$/,
      'a moment is written 2026-05-30T09:00:00',
    )
    .nullable()
    .describe('when the first water met the mix; null until it has'),
  mixName: z.string().max(120),
  planned: plannedPourSchema,
  ...lists,
})

export type RunningPour = z.infer<typeof runningPourSchema>
export type DoneAct = z.infer<typeof doneActSchema>
export type Reading = z.infer<typeof readingSchema>
export type Weighed = z.infer<typeof weighedSchema>

/** One pour as it happened, beside what was planned. What was not measured is null, never 0. */
export const pourRecordSchema = z.strictObject({
  id,
  pieceId: id,
  pieceName: z.string().max(120),
  on: z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'a date is written 2026-05-30'),
  mixName: z.string().max(120),
  planned: plannedPourSchema,
  actual: z.strictObject({
    bags: amount.nullable(),
    waterLitresPerBag: amount.nullable(),
    temperatureDegC: degC.nullable(),
    vibratedMinutes: amount.nullable(),
    stripHours: amount.nullable(),
    weightKg: amount.nullable(),
  }),
  faults: z
    .array(
      z.enum([
        'none',
        'bug-holes',
        'honeycomb',
        'ghosting',
        'crack',
        'crumbled-arris',
        'stuck',
        'uneven-colour',
      ]),
    )
    .max(8),
  nextTime: z.string().max(2000, 'at most 2,000 letters'),
  day: z
    .strictObject(lists)
    .nullable()
    .default(null)
    .describe('what was done, read and weighed as it went on; null of a pour that was told afterwards'),
})

export type PourRecord = z.infer<typeof pourRecordSchema>
export type PlannedPour = z.infer<typeof plannedPourSchema>
export type Fault = PourRecord['faults'][number]

/** A pour of which nothing was measured yet. */
export const NOTHING_MEASURED: PourRecord['actual'] = {
  bags: null,
  waterLitresPerBag: null,
  temperatureDegC: null,
  vibratedMinutes: null,
  stripHours: null,
  weightKg: null,
}
