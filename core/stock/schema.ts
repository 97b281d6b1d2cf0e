import { z } from 'zod'
import type { WordsStyle } from '../units/index.ts'
import { waterToAdd } from './recipe.ts'

const id = z.string().min(1).max(80)
const label = z.string().min(1).max(120)
const positive = z.number().positive('must be more than 0').max(100_000, 'at most 100,000')
const notNegative = z.number().min(0, 'cannot be less than 0').max(1_000_000, 'at most 1,000,000')
/** Money in the user's own currency; null shows as "no price", never as 0. */
const price = notNegative.nullable()
/** Where a row's figures come from; "own" marks a starting value of ours without a published source. */
const source = z.string().max(300)

export const boardSchema = z.strictObject({
  id,
  name: label,
  material: z.enum(['melamine', 'mdf', 'birch-ply', 'spruce-ply', 'film-faced-ply', 'hardboard']),
  thickness: positive,
  length: positive,
  width: positive,
  grain: z.boolean().describe('whether the face has a direction that parts must keep'),
  densityKgPerM3: positive,
  elasticity: positive.describe('MPa, along the face grain where there is one'),
  elasticityAcross: positive.describe('MPa, across the face grain; the same where there is none'),
  screwHold: positive.describe('allowable withdrawal of one screw in the edge, N'),
  offcuts: z
    .array(z.strictObject({ length: positive, width: positive }))
    .max(100)
    .describe('pieces of it to hand, cut from before a whole board, mm'),
  price: price.describe('a whole board'),
  source,
})

/** A sheet that is bent round: a strip of it is the face of a curved side. */
export const skinSchema = z.strictObject({
  id,
  name: label,
  material: z.enum(['hardboard', 'flexible-ply', 'birch-ply', 'aluminium', 'vinyl', 'petg']),
  thickness: positive,
  length: positive,
  width: positive,
  leastRadius: positive.describe('tightest bend of a dry strip, mm; try one first'),
  wettedRadius: positive.nullable().describe('tightest bend after a night in water, mm'),
  elasticity: positive.describe('MPa, the way it is bent'),
  casts: positive.describe('casts its face lasts'),
  price: price.describe('a sheet'),
  source,
})

/** A card tube that is a mould by itself; `inside` is its bore. */
export const tubeSchema = z.strictObject({
  id,
  name: label,
  inside: positive,
  wall: positive,
  length: positive,
  price: price.describe('a tube'),
  source,
})

/** A rubber of two parts for block moulds and brushed skins. */
export const rubberSchema = z.strictObject({
  id,
  name: label,
  family: z.enum(['polyurethane', 'tin-silicone', 'platinum-silicone']),
  densityKgPerM3: positive,
  /** Densities of the two parts, from which a ratio by weight becomes one by volume. */
  partsKgPerM3: z.strictObject({ a: positive, b: positive }),
  ratio: z.strictObject({
    by: z.enum(['weight', 'volume']),
    a: positive,
    b: positive,
  }),
  hardnessShoreA: positive,
  potMinutes: positive.describe('at 20 degC; halves for each 10 degC warmer'),
  demouldHours: positive.describe('at 23 degC'),
  leastWall: positive.describe('round a small pattern, mm'),
  shrinkagePercent: notNegative,
  casts: positive.describe('casts in concrete'),
  pricePerKg: price.describe('a kilogram of the two parts mixed'),
  source,
})

/** A sheet that moulds, cores and patterns are built up from in layers. */
export const foamSchema = z.strictObject({
  id,
  name: label,
  material: z.enum(['xps', 'eps', 'polyurethane']),
  thickness: positive,
  length: positive,
  width: positive,
  densityKgPerM3: positive,
  casts: positive.describe('casts a coated and sealed face lasts'),
  price: price.describe('a sheet'),
  source,
})

/** A printer of plastic filament and how it is set. */
export const printerSchema = z.strictObject({
  id,
  name: label,
  bedX: positive,
  bedY: positive,
  bedZ: positive,
  nozzle: positive.describe('width of one bead of plastic, mm'),
  layer: positive.describe('height of one layer, mm'),
  flow: positive.describe('plastic laid down while printing, mm3 a second'),
  idlePercent: notNegative.describe('time beside laying plastic: travel, heating, first layers'),
  source,
})

export const filamentSchema = z.strictObject({
  id,
  name: label,
  diameter: positive,
  densityKgPerM3: positive,
  casts: positive.describe('casts a printed face lasts'),
  softensDegC: positive.max(400).default(50).describe('above this it gives under the fill'),
  pricePerKg: price,
  source,
})

/** What stiff shells are laid up from: jackets round rubber, and shells that are moulds by themselves. */
export const jacketSchema = z.strictObject({
  id,
  name: label,
  densityKgPerM3: positive,
  leastWall: positive.describe('thinnest that keeps its shape, mm'),
  hoursPerM2: positive.describe('of laying up'),
  soaks: z.boolean().describe('whether its bare face takes up water and must be sealed'),
  casts: positive,
  pricePerKg: price,
  source,
})

/** A round vessel to hand or bought to be cast in: a bucket, bin or bowl. */
export const vesselSchema = z.strictObject({
  id,
  name: label,
  rings: z
    .array(z.strictObject({ height: notNegative, diameter: positive }))
    .min(2)
    .max(20)
    .refine(
      (rings) => rings[0]!.height === 0 && rings.every((r, i) => i === 0 || r.height > rings[i - 1]!.height),
      'heights begin at 0 and rise along the list',
    )
    .describe('inside diameters at heights above the floor, mm'),
  wall: positive,
  elasticity: positive.describe('of its wall, MPa'),
  lip: z.boolean().describe('whether its rim turns inward'),
  casts: positive,
  price: price.describe('a vessel'),
  source,
})

/** A bought plug that makes an opening: its true size at the wide end, tapering to the other. */
export const plugSchema = z.strictObject({
  id,
  name: label,
  length: positive.describe('at its wide end; the diameter of a round one, mm'),
  width: positive.describe('at its wide end, mm'),
  radius: notNegative.describe('of its corners; half the length makes it round, mm'),
  height: positive,
  draftDeg: notNegative.describe('of its walls'),
  casts: positive,
  price: price.describe('a plug'),
  source,
})

/** A textured sheet as it is bought, laid on the base of a form or stuck to a side. */
export const linerSchema = z.strictObject({
  id,
  name: label,
  length: positive,
  width: positive,
  thickness: positive.describe('back and texture together, mm'),
  casts: positive,
  price: price.describe('a sheet'),
  source,
})

export const strengthSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('law'), s: z.number().min(0.05).max(1) }),
  z.strictObject({
    kind: z.literal('points'),
    points: z
      .array(z.strictObject({ hours: positive, mpa: positive }))
      .min(1)
      .max(40),
  }),
])

/** A figure for each of three waters; `order` says which way they run. */
const perWater = (order: 'rises' | 'falls') =>
  z.strictObject({ stiff: positive, medium: positive, limit: positive }).superRefine((of, context) => {
    const steps = [of.stiff, of.medium, of.limit]
    for (const [i, key] of [
      [1, 'medium'],
      [2, 'limit'],
    ] as const) {
      const by = (steps[i]! - steps[i - 1]!) * (order === 'rises' ? 1 : -1)
      if (by < 0)
        context.addIssue({
          code: 'custom',
          path: [key],
          message:
            order === 'rises'
              ? `must not be less than for a ${i === 1 ? 'stiff mix' : 'usual mix'}`
              : `must not be more than with ${i === 1 ? 'less' : 'the usual'} water`,
        })
    }
  })

export const mixSchema = z
  .strictObject({
    id,
    name: label,
    family: z.enum(['structural', 'mortar', 'glass-fibre', 'fast', 'lightweight']),
    bagKg: positive,
    yieldLitres: positive,
    waterLitres: perWater('rises').describe('a bag'),
    f28: perWater('falls').describe('mean strength at 28 days for each water, MPa'),
    strength: strengthSchema,
    freshKgPerM3: positive,
    hardenedKgPerM3: positive,
    cementPercent: z.number().min(0).max(100),
    initialSet: positive.describe('minutes at 20 degC'),
    finalSet: positive.describe('minutes at 20 degC'),
    largestStone: notNegative,
    leastThickness: z.strictObject({ plain: positive, mesh: positive }),
    price: price.describe('a bag'),
    source,
  })
  .refine((mix) => mix.finalSet >= mix.initialSet, {
    path: ['finalSet'],
    message: 'must not be before it begins to set',
  })

const wc = z.number().min(0.25, 'at least 0.25').max(1, 'at most 1')

/** A mix of one's own by parts: what goes in by volume, the water by the cement's mass. */
export const recipeSchema = z
  .strictObject({
    id,
    name: label,
    cement: positive.max(100).describe('parts by volume'),
    sand: notNegative.max(100).describe('parts by volume'),
    stone: notNegative.max(100).describe('parts by volume; 0 is mortar'),
    damp: z.boolean().describe('whether the sand is damp: it lies looser and brings water'),
    polymerPercent: z.number().min(0).max(30).describe('solids of a polymer, of the cement’s mass'),
    waterCement: z
      .strictObject({ stiff: wc, medium: wc, limit: wc })
      .refine((w) => w.stiff <= w.medium && w.medium <= w.limit, {
        path: ['medium'],
        message: 'must lie between the least and the most',
      })
      .describe('water by the mass of the cement'),
    airPercent: z
      .number()
      .min(0)
      .max(20)
      .nullable()
      .describe('air that stays in; null takes 2 with stone, 5 of mortar'),
    largestStone: notNegative.max(100),
    slow: z.boolean().describe('whether the cement is blended or slow'),
    cementBagKg: positive.max(100),
    vesselLitres: positive.max(1000).describe('one’s own vessel that parts are measured in'),
    prices: z
      .strictObject({ cement: price, sand: price, stone: price, polymer: price })
      .describe('a kilogram of each'),
    source,
  })
  .refine((r) => r.sand + r.stone > 0, { path: ['sand'], message: 'wants sand or stone beside the cement' })
  .refine((r) => waterToAdd(r, r.waterCement.stiff) > 0, {
    path: ['damp'],
    message: 'cannot be: the sand or the polymer brings more water than the stiff mix wants',
  })

export const meshSchema = z.strictObject({
  id,
  name: label,
  spacing: positive,
  wire: positive,
  length: positive,
  width: positive,
  finish: z.enum(['plain', 'galvanised', 'stainless', 'ar-glass']),
  densityKgPerM3: positive,
  price: price.describe('a sheet'),
  source,
})

/** A bar as it is bought: straight, of one diameter. */
export const barSchema = z.strictObject({
  id,
  name: label,
  material: z.enum(['plain', 'galvanised', 'stainless', 'glass-fibre']),
  diameter: positive,
  length: positive,
  strength: positive.describe('at which it yields, or breaks where it does not yield, MPa'),
  densityKgPerM3: positive,
  price: price.describe('a bar'),
  source,
})

export const mixerSchema = z.strictObject({
  id,
  name: label,
  litres: positive,
  mixMinutes: positive,
  source,
})

/** What is weighed into a mix by the mass of its cement. */
export const doseSchema = z
  .strictObject({
    id,
    name: label,
    kind: z.enum(['pigment', 'plasticiser', 'accelerator', 'retarder', 'chloride']),
    percent: positive.max(100).describe('usual, of the cement’s mass'),
    mostPercent: positive.max(100),
    setFactor: positive.max(10).describe('times as long until it sets'),
    price: price.describe('a kilogram'),
    source,
  })
  .refine((d) => d.percent <= d.mostPercent, { path: ['percent'], message: 'must not be above its most' })

export const sealantSchema = z.strictObject({
  id,
  name: label,
  millilitres: positive,
  wastePercent: z.number().min(0).max(90),
  readyMinutes: positive.describe('at 20 degC, for a throat up to 4 mm'),
  readyThickMinutes: positive.describe('at 20 degC, for a throat up to 8 mm'),
  price: price.describe('a cartridge'),
  source,
})

export const agentSchema = z.strictObject({
  id,
  name: label,
  kind: z.enum([
    'paste-wax',
    'oil',
    'water-based',
    'petroleum-jelly',
    'film',
    'silicone',
    'packing-tape',
    'lacquer',
    'varnish',
    'fuel',
    'none',
  ]),
  coats: z.number().int().min(0).max(10),
  waitMinutes: notNegative.describe('after each coat at 20 degC'),
  readyMinutes: notNegative.describe('after the last coat, before what follows'),
  coverM2PerUnit: positive.describe('m2 per kg or litre and coat'),
  unit: z.enum(['kg', 'litre', 'metre']),
  price: price.describe('a unit'),
  source,
})

export const sealerSchema = z.strictObject({
  id,
  name: label,
  school: z.enum(['penetrating', 'film', 'wax']),
  coats: z.number().int().min(1).max(10),
  coverM2PerUnit: positive.describe('m2 per litre or kg and coat on a sealed face'),
  unit: z.enum(['litre', 'kg']),
  firstCoatFactor: z.number().positive().max(1).describe('share of that cover on raw concrete'),
  betweenCoatsMinutes: notNegative,
  notBeforeDays: notNegative,
  inUseDays: notNegative.describe('from the last coat to use'),
  price: price.describe('a unit'),
  source,
})

const rows = <T extends z.ZodType<{ id: string }>>(row: T) =>
  z
    .array(row)
    .max(200)
    .superRefine((list, context) => {
      const seen = new Set<string>()
      list.forEach((item, i) => {
        if (seen.has(item.id))
          context.addIssue({ code: 'custom', path: [i, 'id'], message: `the id ${item.id} is used twice` })
        seen.add(item.id)
      })
    })

/** What a row of each list must be. */
export const ROW_SCHEMAS = {
  boards: boardSchema,
  skins: skinSchema,
  tubes: tubeSchema,
  rubbers: rubberSchema,
  foams: foamSchema,
  printers: printerSchema,
  filaments: filamentSchema,
  jackets: jacketSchema,
  vessels: vesselSchema,
  plugs: plugSchema,
  liners: linerSchema,
  mixes: mixSchema,
  recipes: recipeSchema,
  meshes: meshSchema,
  bars: barSchema,
  mixers: mixerSchema,
  doses: doseSchema,
  sealants: sealantSchema,
  agents: agentSchema,
  sealers: sealerSchema,
} as const

/** The stock a job carries: a copy of every row it can use. */
export const stockSchema = z.strictObject({
  boards: rows(boardSchema),
  skins: rows(skinSchema),
  tubes: rows(tubeSchema),
  rubbers: rows(rubberSchema),
  foams: rows(foamSchema),
  printers: rows(printerSchema),
  filaments: rows(filamentSchema),
  jackets: rows(jacketSchema),
  vessels: rows(vesselSchema),
  plugs: rows(plugSchema),
  liners: rows(linerSchema),
  mixes: rows(mixSchema),
  recipes: rows(recipeSchema).default([]),
  meshes: rows(meshSchema),
  bars: rows(barSchema),
  mixers: rows(mixerSchema),
  doses: rows(doseSchema).default([]),
  sealants: rows(sealantSchema),
  agents: rows(agentSchema),
  sealers: rows(sealerSchema),
})

export type Stock = z.infer<typeof stockSchema>
export type Board = z.infer<typeof boardSchema>
export type Recipe = z.infer<typeof recipeSchema>
export type Skin = z.infer<typeof skinSchema>
export type Tube = z.infer<typeof tubeSchema>
export type Rubber = z.infer<typeof rubberSchema>
export type Foam = z.infer<typeof foamSchema>
export type Printer = z.infer<typeof printerSchema>
export type Filament = z.infer<typeof filamentSchema>
export type Jacket = z.infer<typeof jacketSchema>
export type Vessel = z.infer<typeof vesselSchema>
export type Plug = z.infer<typeof plugSchema>
export type Liner = z.infer<typeof linerSchema>
export type Mix = z.infer<typeof mixSchema>
/** What a mould needs to know of a mix: how it presses. */
export type FreshMix = Pick<Mix, 'freshKgPerM3'>
export type Mesh = z.infer<typeof meshSchema>
export type Bar = z.infer<typeof barSchema>
export type Dose = z.infer<typeof doseSchema>
export type Mixer = z.infer<typeof mixerSchema>
export type Sealant = z.infer<typeof sealantSchema>
export type Agent = z.infer<typeof agentSchema>
export type Sealer = z.infer<typeof sealerSchema>
/** The name of a list in the stock. */
export type StockList = keyof Stock

/** An amount of an agent or a sealer, in what it is measured out by. */
export function rowAmount(
  amount: number,
  unit: Agent['unit'] | Sealer['unit'],
  digits: number,
  style: WordsStyle,
): string {
  switch (unit) {
    case 'kg':
      return style.kg(amount, digits)
    case 'litre':
      return style.liquid(amount, digits)
    case 'metre':
      return style.metres(amount, 1)
  }
}
