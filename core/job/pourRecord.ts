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
