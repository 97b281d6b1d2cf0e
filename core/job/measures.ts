import { z } from 'zod'

export const LIMITS = {
  fileBytes: 20_000_000,
  pieces: 500,
  features: 500,
  coordinate: 100_000,
  corners: 5000,
  runs: 100,
} as const

export const id = z
  .string()
  .regex(
    /^[A-Za-z0-9][A-Za-z0-9_-]{0,59}$/,
    'an id is 1 to 60 letters, digits, - or _, and starts with a letter or digit',
  )
export const name = z.string().min(1).max(120)
/** A size in mm, above 0. */
export const size = z.number().positive().max(LIMITS.coordinate)
/** A distance in mm, 0 or more. */
export const distance = z.number().min(0).max(LIMITS.coordinate)
/** An offset in mm, either way. */
export const offset = z.number().min(-LIMITS.coordinate).max(LIMITS.coordinate)
/** A slope away from upright, degrees. */
export const draft = z.number().min(-45).max(45)
export const count = z.number().int().min(1).max(1000)

export const edgeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('square') }),
  z.strictObject({ kind: z.literal('bead'), size: size.describe('radius, mm') }),
  z.strictObject({
    kind: z.literal('chamfer'),
    size: size.describe('leg on the face, mm'),
    rise: size.optional().describe('leg down the side, mm; left out it is the same'),
  }),
  z.strictObject({
    kind: z.enum(['cove', 'ovolo', 'ogee']).describe('hollow, full, or hollow and full'),
    size: size.describe('in from the side, mm'),
    rise: size.describe('down from the face, mm'),
  }),
])

export const rimSchema = z.strictObject({
  top: edgeSchema.describe('the edge of the top face, as placed'),
  bottom: edgeSchema.describe('the edge of the underside, as placed'),
})

const pointSchema = z.tuple([offset, offset])

export const pathCornerSchema = z.strictObject({
  x: offset,
  y: offset,
  radius: distance.describe('rounds the corner between two straight sides, mm'),
  side: id.describe('the side from this corner to the next'),
  run: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('line') }),
    z.strictObject({
      kind: z.literal('arc'),
      rise: offset.describe(
        'how far its middle stands outward of the straight side, mm; inward when negative',
      ),
    }),
    z.strictObject({
      kind: z.literal('spline'),
      through: z.array(pointSchema).min(1).max(200).describe('points between its ends, mm'),
    }),
  ]),
})

/** A closed path, anticlockwise. */
export const pathSchema = z.array(pathCornerSchema).min(2).max(LIMITS.corners)

export const uniqueIds = (list: readonly { id: string }[], context: z.RefinementCtx) => {
  const seen = new Set<string>()
  list.forEach((item, i) => {
    if (seen.has(item.id))
      context.addIssue({ code: 'custom', path: [i, 'id'], message: `the id ${item.id} is used twice` })
    seen.add(item.id)
  })
}

export const features = <T extends z.ZodType<{ id: string }>>(schema: T) =>
  z.array(schema).max(LIMITS.features).superRefine(uniqueIds)
