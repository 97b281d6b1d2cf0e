import { z } from 'zod'
import { distance, features, id, name, offset, size } from './measures.ts'

/** One leg of a run of pieces: along one wall. */
const legSchema = z.strictObject({
  id,
  length: size.describe('along the wall, mm'),
  depth: size.describe('wall to front edge, mm'),
})

/** A whole top along walls, split by seams into pieces. Coordinates: the first leg runs along x, its wall at the back. */
export const runSchema = z.strictObject({
  id,
  name,
  legs: z.array(legSchema).min(1).max(3).describe('one is straight, two an L, three a U'),
  /** How far the corner between two legs is from square. */
  corners: z
    .array(
      z.discriminatedUnion('by', [
        z.strictObject({ by: z.literal('square') }),
        z.strictObject({
          by: z.literal('diagonal'),
          along: size.describe('along the first wall, mm'),
          across: size.describe('along the second wall, mm'),
          diagonal: size,
        }),
        z.strictObject({
          by: z.literal('offset'),
          over: size.describe('out from the first wall, mm'),
          off: offset.describe('how far the second wall leans away there, mm'),
        }),
      ]),
    )
    .max(2),
  thickness: size,
  wallGap: distance.describe('left to the walls, mm'),
  overhang: distance.describe('beyond the cabinets at the front, mm'),
  seamWidth: distance,
  gaps: features(
    z.strictObject({
      id,
      name,
      leg: z.number().int().min(0).max(2),
      at: distance.describe('from the start of the leg, mm'),
      width: size.describe('left free for an appliance, mm'),
    }),
  ),
  openings: features(
    z.strictObject({
      id,
      name,
      leg: z.number().int().min(0).max(2),
      at: distance.describe('its middle from the start of the leg, mm'),
      fromFront: distance.describe('its middle from the front edge, mm'),
      length: size,
      width: size,
      radius: distance,
    }),
  ),
  seams: features(
    z.strictObject({
      id,
      leg: z.number().int().min(0).max(2),
      at: distance.describe('from the start of the leg, mm'),
    }),
  ),
  /** How an L or U is divided at its corners. */
  joint: z.enum(['butt-first', 'butt-second', 'mitre']),
})
