import { z } from 'zod'
import { stockSchema } from '../stock/schema.ts'
import type {
  basinSchema,
  drainerSchema,
  fieldShapeSchema,
  insertSchema,
  letteringSchema,
  openingSchema,
  openingShapeSchema,
  panelSchema,
  patternSchema,
  placeRuleSchema,
  voidFormerSchema,
} from './features.ts'
import {
  KIND_SHAPES,
  type measuredSchema,
  type outlineSchema,
  runLinkSchema,
  type serviceSchema,
  type sideSchema,
  solidFeatures,
  type turnedFormSchema,
} from './kinds.ts'
import {
  distance,
  type edgeSchema,
  id,
  LIMITS,
  name,
  offset,
  type pathCornerSchema,
  type rimSchema,
  size,
  uniqueIds,
} from './measures.ts'
import { type MouldChoice, mouldChoiceSchema } from './mouldChoice.ts'
import { pourRecordSchema, runningPourSchema } from './pourRecord.ts'
import { runSchema } from './runSchema.ts'

export { LIMITS } from './measures.ts'

/** The version this program writes. Older ones migrate, newer ones are refused with words. */
export const JOB_VERSION = 7

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

/** Short alkali-resistant glass against cracks while it is young. */
export const USUAL_FIBRE = { of: 'ar-glass', kgPerM3: 0.6 } as const

/** Where it bends least, by how many carry it, and bedded all over. */
export const USUAL_HANDLING: {
  bearers: number[] | null
  hands: [number, number][] | null
  use: 'bedded' | 'ends' | 'rails' | 'supports'
} = { bearers: null, hands: null, use: 'bedded' }

/** On the ground, and nothing holds it. */
export const USUAL_STANDING: { how: 'free' | 'footing'; depth: number } = { how: 'free', depth: 0 }

/** A face without fibre, and a back that is two and a half percent glass. */
export const USUAL_COATS: { face: number; glassPercent: number; by: 'sprayed' | 'brushed' | 'poured' } = {
  face: 3,
  glassPercent: 2.5,
  by: 'sprayed',
}

/** None until they are asked for. */
export const USUAL_BARS: {
  row: string | null
  rails: boolean
  corners: boolean
  hoops: boolean
  cage: boolean
  ribs: boolean
  own: { id: string; from: [number, number]; to: [number, number] }[]
  apart: number | null
} = { row: null, rails: false, corners: false, hoops: false, cage: false, ribs: false, own: [], apart: null }

export const steelChoiceSchema = z.strictObject({
  kind: z.enum(['mesh', 'fibre', 'coats', 'none']),
  mesh: id,
  cover: distance.nullable().describe('mm; null takes it from the exposure'),
  depth: z
    .enum(['middle', 'stretched-face', 'weather-face'])
    .nullable()
    .describe('weather-face keeps the cover on the show face only; null takes it from the thickness'),
  twice: z
    .boolean()
    .default(false)
    .describe('a mat at either face of a slab thick enough for two, whatever the depth says'),
  placed: z
    .enum(['on-fill', 'pressed', 'hung', 'chairs'])
    .default('on-fill')
    .describe(
      'a mat is laid on the fill at its level, pressed into the full form, hung in it before, or stood on mortar chairs',
    ),
  fibre: z
    .strictObject({
      of: z.enum(['ar-glass', 'pva']),
      kgPerM3: z.number().min(0.1).max(100),
    })
    .default(USUAL_FIBRE)
    .describe('used where fibre is chosen'),
  coats: z
    .strictObject({
      face: size.describe('of the face coat, mm'),
      glassPercent: z.number().min(0.5).max(6).describe('of the back coat, by mass'),
      by: z.enum(['sprayed', 'brushed', 'poured']).describe('how the face coat goes on'),
    })
    .default(USUAL_COATS)
    .describe('used where glass-fibre coats are chosen'),
  bars: z
    .strictObject({
      row: id.nullable().describe('null takes the bar nearest to 8 mm that is thin enough'),
      rails: z.boolean().describe('two along each long narrow land beside an opening'),
      corners: z.boolean().describe('one across each inside corner'),
      hoops: z.boolean().describe('round in the wall of what is hollow'),
      cage: z.boolean().describe('uprights and ties in a post or column'),
      ribs: z
        .boolean()
        .default(false)
        .describe('ties along the profile of a swept piece, and bars across them'),
      own: z
        .array(
          z.strictObject({
            id,
            from: z.tuple([offset, offset]),
            to: z.tuple([offset, offset]),
          }),
        )
        .max(40)
        .default([])
        .describe('straight bars laid in a slab by hand, in plan, mm'),
      apart: size.nullable().describe('ties and hoops, mm; null by the bar and the piece'),
    })
    .default(USUAL_BARS)
    .describe('bars, beside mesh or fibre'),
  handling: z
    .strictObject({
      bearers: z
        .array(distance)
        .min(2)
        .max(6)
        .nullable()
        .describe('along its longer way, mm; null where they bend it least'),
      hands: z
        .array(z.tuple([offset, offset]))
        .min(3)
        .max(4)
        .nullable()
        .describe('where it is carried, in plan, mm; null by how many carry it'),
      use: z
        .enum(['bedded', 'ends', 'rails', 'supports'])
        .describe('how it lies when it is used; supports stand where its bearers do'),
    })
    .default(USUAL_HANDLING)
    .describe('how a flat piece is held'),
  standing: z
    .strictObject({
      how: z.enum(['free', 'footing']),
      depth: distance.describe('of it in the ground, mm; used where it is set in a footing'),
    })
    .default(USUAL_STANDING)
    .describe('how it stands where it is placed'),
})

const patternChoiceSchema = z.strictObject({
  of: z
    .enum(['wood', 'print', 'resin-print', 'foam', 'plaster'])
    .describe('what rubber or a shell is made on'),
  before: z
    .enum(['nothing', 'tin-silicone', 'sealant', 'latex', 'damp'])
    .default('nothing')
    .describe(
      'what met the pattern last: another rubber, a sealant that has not cured, latex or its gloves, or water',
    ),
  clay: z
    .enum(['sulphur-free', 'sulphur', 'water'])
    .describe(
      'what it is bedded in for its first half: oil clay without sulphur or with it, or clay with water',
    ),
  agent: id.nullable().describe('on the pattern; null takes the one that suits'),
})
export const USUAL_PATTERN: z.infer<typeof patternChoiceSchema> = {
  of: 'wood',
  before: 'nothing',
  clay: 'sulphur-free',
  agent: null,
}

export const releaseChoiceSchema = z.strictObject({
  faceAgent: id.describe('on faced board'),
  edgeSeal: id.describe('on raw edges that face concrete'),
  leftOut: z.string().max(500).nullable().describe('reason for using no release, when left out on purpose'),
  faces: z
    .record(
      z.string().max(40),
      z.strictObject({
        agent: id.nullable().describe('instead of faceAgent; null takes that'),
        leftOut: z.string().max(500).nullable().describe('reason for using none on it'),
      }),
    )
    .default({})
    .describe('by face of the mould, where one is treated otherwise than the rest'),
  vented: z
    .boolean()
    .default(false)
    .describe('a vent is drilled at the highest place of every pocket that holds air in the pour'),
  pattern: patternChoiceSchema
    .default(USUAL_PATTERN)
    .describe('what a block, a brushed skin or a laid-up shell is made on'),
})

export const mixChoiceSchema = z.strictObject({
  mix: id,
  water: z.enum(['stiff', 'medium', 'limit']),
  wastePercent: z.number().min(0).max(100).nullable().describe('null takes 10, or 15 under 10 litres'),
  mixer: id,
  portion: z
    .enum(['bags', 'weighed'])
    .nullable()
    .default(null)
    .describe(
      'whole and half bags, or weighed out in equal batches of what is needed; null weighs what takes less than a bag',
    ),
  doses: z
    .array(
      z.strictObject({ dose: id, percent: z.number().positive().max(100).describe('of the cement’s mass') }),
    )
    .max(8)
    .default([])
    .describe('pigment, plasticiser, accelerator or retarder that goes in'),
  slurryMm: z
    .number()
    .min(0)
    .max(5)
    .default(0)
    .describe('neat cement brushed on the mould’s show face before the first concrete; 0 is none'),
  boughtPrice: z
    .number()
    .min(0)
    .max(1_000_000)
    .nullable()
    .default(null)
    .describe('what one costs that is bought'),
})

/** From the mixer to the mould where nobody says, m [own]. */
export const USUAL_CARRY_M = 12

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
  concreteDegC: z
    .number()
    .min(-30)
    .max(60)
    .nullable()
    .default(null)
    .describe('the mix as it is placed; null where it is as warm as the air'),
  mouldDegC: z
    .number()
    .min(-30)
    .max(80)
    .nullable()
    .default(null)
    .describe('the mould before the pour; null where it is as warm as the air'),
  sun: z.boolean().default(false).describe('whether the open face lies in the sun'),
  carryM: z.number().min(0).max(1000).default(USUAL_CARRY_M).describe('from the mixer to the mould, m'),
  stairSteps: z.number().int().min(0).max(500).default(0).describe('up or down on the way'),
  running: runningPourSchema.nullable().default(null).describe('the pour that goes on, until it is logged'),
  compaction: z
    .enum(['rod', 'mallet', 'bench', 'saw', 'poker', 'none'])
    .nullable()
    .default(null)
    .describe('what concrete is driven together with; null takes what suits the mould and the mix'),
  ticked: z
    .record(z.string().max(120), z.string().max(80))
    .default({})
    .describe(
      'checks ticked for the next pour: of each its key and that of what it said then; gone once a pour is logged',
    ),
})

export const finishChoiceSchema = z.strictObject({
  sealer: id,
  sanding: z.enum(['as-cast', 'light', 'wet-400']),
})

const sharedShape = {
  id,
  name,
  quantity: z.number().int().min(1).max(10_000),
  mouldCount: z.number().int().min(1).max(1000),
  plannedCasts: z.number().int().min(1).max(10_000).describe('casts this mould is planned for'),
  exposure: z.enum(['dry', 'kitchen', 'wet-room', 'outdoors', 'soil', 'heat']),
  attitude: z
    .strictObject({ down: z.string().min(1).max(80), turnDeg: z.literal(0) })
    .describe('the flat face that is down in the pour'),
  ...solidFeatures,
  run: runLinkSchema,
  // By its name: spelled out for every kind of piece its type would be longer than the compiler writes.
  mould: mouldChoiceSchema as z.ZodType<MouldChoice>,
  steel: steelChoiceSchema,
  release: releaseChoiceSchema,
  mix: mixChoiceSchema,
  pour: pourChoiceSchema,
  finish: finishChoiceSchema,
}

const [slab, turned, swept, box, imported, fitted] = KIND_SHAPES
export const pieceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...sharedShape, ...slab }),
  z.strictObject({ ...sharedShape, ...turned }),
  z.strictObject({ ...sharedShape, ...swept }),
  z.strictObject({ ...sharedShape, ...box }),
  z.strictObject({ ...sharedShape, ...imported }),
  z.strictObject({ ...sharedShape, ...fitted }),
])

/** From seven in the morning to eight in the evening [own]. */
export const USUAL_HOURS = { fromMinute: 420, toMinute: 1200 }

export const settingsSchema = z.strictObject({
  units: z.enum(['mm', 'inch']),
  others: z
    .strictObject({
      mass: z.enum(['kg', 'lb']),
      volume: z.enum(['litre', 'us']).describe('us: cubic feet, gallons, quarts and fluid ounces'),
      temperature: z.enum(['C', 'F']),
      pressure: z.enum(['si', 'us']).describe('si: MPa and kPa; us: psi and psf'),
    })
    .describe('units of all but lengths'),
  inchDenominator: z.union([z.literal(8), z.literal(16), z.literal(32), z.literal(64)]),
  people: z.number().int().min(1).max(20),
  paper: z.enum(['A4', 'Letter']),
  hours: z
    .strictObject({
      fromMinute: z.number().int().min(0).max(1439),
      toMinute: z.number().int().min(1).max(1440),
    })
    .refine((h) => h.toMinute - h.fromMinute >= 60, 'a working day is an hour at least')
    .nullable()
    .default(USUAL_HOURS)
    .describe('when work is done, minutes of the day; null works day and night'),
  hourPrice: z
    .number()
    .min(0)
    .max(100_000)
    .nullable()
    .describe('of an hour’s work, in the costs of moulds; null leaves hours out'),
  currency: z
    .strictObject({
      sign: z.string().trim().min(1, 'needs a sign').max(6, 'at most six letters or signs'),
      side: z.enum(['before', 'after']).describe('where the sign stands beside the figure'),
    })
    .nullable()
    .describe('how money is written; null writes bare figures'),
})

export const jobSchema = z.strictObject({
  format: z.literal('hollow'),
  version: z.literal(JOB_VERSION),
  id,
  name,
  settings: settingsSchema,
  stock: stockSchema,
  pieces: z.array(pieceSchema).max(LIMITS.pieces).superRefine(uniqueIds),
  runs: z.array(runSchema).max(LIMITS.runs).superRefine(uniqueIds),
  moulds: z.array(z.never()).describe('moulds kept for reuse: none in this version'),
  pours: z.array(pourRecordSchema).max(5000).superRefine(uniqueIds),
})

export type Job = z.infer<typeof jobSchema>
export type Piece = Job['pieces'][number]
export type Settings = z.infer<typeof settingsSchema>
export type PieceKind = Piece['kind']
export type SlabPiece = Extract<Piece, { kind: 'slab' }>
export type TurnedPiece = Extract<Piece, { kind: 'turned' }>
export type SweptPiece = Extract<Piece, { kind: 'swept' }>
export type BoxPiece = Extract<Piece, { kind: 'box' }>
export type ImportedPiece = Extract<Piece, { kind: 'imported' }>
export type FittedPiece = Extract<Piece, { kind: 'fitted' }>
export type Opening = z.infer<typeof openingSchema>
export type OpeningShape = z.infer<typeof openingShapeSchema>
export type Pattern = z.infer<typeof patternSchema>
export type PlaceRule = z.infer<typeof placeRuleSchema>
export type Drainer = z.infer<typeof drainerSchema>
export type Panel = z.infer<typeof panelSchema>
export type FieldShape = z.infer<typeof fieldShapeSchema>
export type Lettering = z.infer<typeof letteringSchema>
export type Insert = z.infer<typeof insertSchema>
export type VoidFormer = z.infer<typeof voidFormerSchema>
export type Basin = z.infer<typeof basinSchema>
export type Edge = z.infer<typeof edgeSchema>
export type Rim = z.infer<typeof rimSchema>
export type Side = z.infer<typeof sideSchema>
export type SideId = string
export type CornerOfPath = z.infer<typeof pathCornerSchema>
export type Outline = z.infer<typeof outlineSchema>
export type Service = NonNullable<z.infer<typeof serviceSchema>>
export type TurnedForm = z.infer<typeof turnedFormSchema>
export type Measured = z.infer<typeof measuredSchema>
export type Run = z.infer<typeof runSchema>
export type SteelChoice = z.infer<typeof steelChoiceSchema>
export type ReleaseChoice = z.infer<typeof releaseChoiceSchema>
export type MixChoice = z.infer<typeof mixChoiceSchema>
export type PourChoice = z.infer<typeof pourChoiceSchema>
export type FinishChoice = z.infer<typeof finishChoiceSchema>
export type { PourRecord } from './pourRecord.ts'
