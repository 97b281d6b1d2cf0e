import { z } from 'zod'
import { stockSchema } from '../stock/schema.ts'
import { pourRecordSchema } from './pourRecord.ts'

/** The version this program writes. Older ones migrate, newer ones are refused with words. */
export const JOB_VERSION = 1
export const LIMITS = { fileBytes: 20_000_000, pieces: 500, features: 500, coordinate: 100_000 } as const

const id = z
  .string()
  .regex(
    /^[A-Za-z0-9][A-Za-z0-9_-]{0,59}$/,
    'an id is 1 to 60 letters, digits, - or _, and starts with a letter or digit',
  )
const name = z.string().min(1).max(120)
/** A size in mm, above 0. */
const size = z.number().positive().max(LIMITS.coordinate)
/** A distance in mm, 0 or more. */
const distance = z.number().min(0).max(LIMITS.coordinate)
/** An offset in mm, either way. */
const offset = z.number().min(-LIMITS.coordinate).max(LIMITS.coordinate)

export const edgeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('square') }),
  z.strictObject({ kind: z.literal('bead'), size: size.describe('radius, mm') }),
  z.strictObject({ kind: z.literal('chamfer'), size: size.describe('leg, mm') }),
])

const rimSchema = z.strictObject({
  top: edgeSchema.describe('the edge of the top face, as placed'),
  bottom: edgeSchema.describe('the edge of the underside, as placed'),
})

export const sideIdSchema = z.enum(['front', 'right', 'back', 'left'])

export const outlineSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('rectangle'),
    length: size.describe('along the front, mm'),
    width: size.describe('front to back, mm'),
    radii: z
      .tuple([distance, distance, distance, distance])
      .describe('corner radii, mm: front left, front right, back right, back left'),
  }),
])

/** Where a feature's middle stands along one direction of its face. Rules are kept, and resolved when planned. */
export const placeRuleSchema = z.discriminatedUnion('rule', [
  z.strictObject({
    rule: z.literal('fromStart'),
    distance: offset.describe('left or front side to its near edge, mm'),
  }),
  z.strictObject({
    rule: z.literal('fromEnd'),
    distance: offset.describe('right or back side to its near edge, mm'),
  }),
  z.strictObject({ rule: z.literal('centred'), offset: offset.describe('from the piece’s middle, mm') }),
  z.strictObject({
    rule: z.literal('centredOn'),
    opening: id,
    offset: offset.describe('from that opening’s middle, mm'),
  }),
  z.strictObject({
    rule: z.literal('beyond'),
    opening: id,
    gap: offset.describe('to the right of or behind it, mm'),
  }),
  z.strictObject({
    rule: z.literal('short'),
    opening: id,
    gap: offset.describe('to the left of or in front of it, mm'),
  }),
])

export const openingShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rectangle'), length: size, width: size, radius: distance }),
  z.strictObject({ kind: z.literal('round'), diameter: size }),
])

export const openingSchema = z.strictObject({
  id,
  name,
  on: z.literal('top').describe('the face its u and v lie on'),
  shape: openingShapeSchema.describe('finished size'),
  fixture: z
    .strictObject({ shape: openingShapeSchema, clearance: distance })
    .nullable()
    .describe('when set, the finished size is the fixture and its clearance all round'),
  u: placeRuleSchema,
  v: placeRuleSchema,
  row: z
    .strictObject({ count: z.number().int().min(2).max(100), pitch: size, along: z.enum(['u', 'v']) })
    .nullable()
    .describe('equal openings, middle to middle, the row’s middle placed by u and v'),
  rim: rimSchema,
})

export const temperatureSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('constant'), degC: z.number().min(-30).max(60) }),
  z.strictObject({
    kind: z.literal('list'),
    points: z
      .array(z.strictObject({ hour: z.number().min(0).max(2000), degC: z.number().min(-30).max(60) }))
      .min(1)
      .max(500)
      .refine(
        (points) => points.every((p, i) => i === 0 || p.hour > points[i - 1]!.hour),
        'hours must rise along the list',
      ),
  }),
])

export const mouldChoiceSchema = z.strictObject({
  method: z.literal('board-box'),
  school: z.enum(['wrap', 'stand']),
  corners: z.enum(['front-and-back-long', 'ends-long', 'pinwheel']),
  runPast: distance,
  baseBoard: id,
  sideBoard: id,
  baseMargin: distance.describe('stand only: base beyond the sides, mm'),
  knockoutBoards: z
    .array(id)
    .max(50)
    .nullable()
    .describe('boards to laminate from; null is every board in stock'),
  knockoutBelow: z.number().min(0).max(5).describe('top of a knockout below strike-off level, mm'),
  wrap: z.number().min(0).max(20).describe('thickness of tape or foam round each knockout, mm'),
  sealant: id,
  kerf: z.number().min(0).max(20),
  trim: z.number().min(0).max(200),
  turnParts: z.boolean().describe('whether a part may lie either way on the sheet'),
})

export const steelChoiceSchema = z.strictObject({
  kind: z.enum(['mesh', 'none']),
  mesh: id,
  cover: distance.nullable().describe('mm; null takes it from the exposure'),
  depth: z.enum(['middle', 'stretched-face']).nullable().describe('null takes it from the thickness'),
})

export const releaseChoiceSchema = z.strictObject({
  faceAgent: id.describe('on faced board'),
  edgeSeal: id.describe('on raw edges that face concrete'),
  leftOut: z.string().max(500).nullable().describe('reason for using no release, when left out on purpose'),
})

export const mixChoiceSchema = z.strictObject({
  mix: id,
  water: z.enum(['stiff', 'medium', 'limit']),
  wastePercent: z.number().min(0).max(100).nullable().describe('null takes 10, or 15 under 10 litres'),
  mixer: id,
})

export const pourChoiceSchema = z.strictObject({
  start: z
    .string()
    .regex(
      /^\d{4}-(0\d|1[0-2])-([0-2]\d|3[01])T([01]\d|2[0-3]):[0-5]\d$/,
      'a start is written 2026-05-30T09:00',
    ),
  zone: z.string().min(1).max(60),
  temperature: temperatureSchema,
  humidity: z.number().min(0).max(1),
  windKmPerH: z.number().min(0).max(120),
})

export const finishChoiceSchema = z.strictObject({
  sealer: id,
  sanding: z.enum(['as-cast', 'light', 'wet-400']),
})

export const pieceSchema = z.strictObject({
  id,
  name,
  kind: z.literal('slab'),
  quantity: z.number().int().min(1).max(10_000),
  mouldCount: z.number().int().min(1).max(1000),
  plannedCasts: z.number().int().min(1).max(10_000).describe('casts this mould is planned for'),
  exposure: z.enum(['dry', 'kitchen', 'wet-room', 'outdoors']),
  outline: outlineSchema,
  thickness: size,
  sides: z.strictObject({ front: rimSchema, right: rimSchema, back: rimSchema, left: rimSchema }),
  openings: z.array(openingSchema).max(LIMITS.features),
  attitude: z
    .strictObject({ down: z.enum(['top', 'bottom']), turnDeg: z.literal(0) })
    .describe('face down in the pour'),
  mould: mouldChoiceSchema,
  steel: steelChoiceSchema,
  release: releaseChoiceSchema,
  mix: mixChoiceSchema,
  pour: pourChoiceSchema,
  finish: finishChoiceSchema,
})

export const settingsSchema = z.strictObject({
  units: z.enum(['mm', 'inch']),
  inchDenominator: z.union([z.literal(8), z.literal(16), z.literal(32), z.literal(64)]),
  people: z.number().int().min(1).max(20),
  paper: z.enum(['A4', 'Letter']),
})

const uniqueIds = (list: readonly { id: string }[], context: z.RefinementCtx) => {
  const seen = new Set<string>()
  list.forEach((item, i) => {
    if (seen.has(item.id))
      context.addIssue({ code: 'custom', path: [i, 'id'], message: `the id ${item.id} is used twice` })
    seen.add(item.id)
  })
}

export const jobSchema = z.strictObject({
  format: z.literal('hollow'),
  version: z.literal(JOB_VERSION),
  id,
  name,
  settings: settingsSchema,
  stock: stockSchema,
  pieces: z
    .array(pieceSchema.superRefine((piece, context) => uniqueIds(piece.openings, context)))
    .max(LIMITS.pieces)
    .superRefine(uniqueIds),
  runs: z.array(z.never()).describe('runs of pieces: none in this version'),
  moulds: z.array(z.never()).describe('moulds kept for reuse: none in this version'),
  pours: z.array(pourRecordSchema).max(5000).superRefine(uniqueIds),
})

export type Job = z.infer<typeof jobSchema>
export type Piece = Job['pieces'][number]
export type Settings = z.infer<typeof settingsSchema>
export type Opening = z.infer<typeof openingSchema>
export type OpeningShape = z.infer<typeof openingShapeSchema>
export type PlaceRule = z.infer<typeof placeRuleSchema>
export type Edge = z.infer<typeof edgeSchema>
export type Rim = z.infer<typeof rimSchema>
export type SideId = z.infer<typeof sideIdSchema>
export type Outline = z.infer<typeof outlineSchema>
export type MouldChoice = z.infer<typeof mouldChoiceSchema>
export type SteelChoice = z.infer<typeof steelChoiceSchema>
export type ReleaseChoice = z.infer<typeof releaseChoiceSchema>
export type MixChoice = z.infer<typeof mixChoiceSchema>
export type PourChoice = z.infer<typeof pourChoiceSchema>
export type FinishChoice = z.infer<typeof finishChoiceSchema>
export type { PourRecord } from './pourRecord.ts'
