import { z } from 'zod'
import {
  basinSchema,
  drainerSchema,
  insertSchema,
  letteringSchema,
  openingSchema,
  panelSchema,
  voidFormerSchema,
} from './features.ts'
import {
  count,
  distance,
  draft,
  edgeSchema,
  features,
  id,
  name,
  offset,
  pathSchema,
  rimSchema,
  size,
} from './measures.ts'

export const outlineSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('rectangle'),
    length: size.describe('along the front, mm'),
    width: size.describe('front to back, mm'),
    radii: z
      .tuple([distance, distance, distance, distance])
      .describe('corner radii, mm: front left, front right, back right, back left'),
  }),
  z.strictObject({
    kind: z.literal('polygon'),
    corners: pathSchema.describe('anticlockwise; the plan’s front left corner becomes the origin'),
  }),
])

/** What a side of a slab takes besides its two edges. */
export const sideSchema = z.strictObject({
  top: edgeSchema.describe('the edge of the top face, as placed'),
  bottom: edgeSchema.describe('the edge of the underside, as placed'),
  taper: offset.describe('how much further in the underside stands than the top, mm; less than 0 leans out'),
  liner: distance.describe('thickness of a textured liner, which the cast loses, mm'),
  drip: z
    .strictObject({ inset: distance, width: size, depth: size })
    .nullable()
    .describe('a groove under the side, from its face, mm'),
  apron: z
    .strictObject({ drop: size.describe('below the underside, mm'), thickness: size })
    .nullable()
    .describe('a deeper edge'),
  seam: z.boolean().describe('meets another piece: stays square'),
})

const slabShape = {
  kind: z.literal('slab'),
  outline: outlineSchema,
  thickness: size,
  sides: z.record(id, sideSchema).describe('by side; front, right, back, left for a rectangle'),
  openings: features(openingSchema),
  drainers: features(drainerSchema),
  panels: features(panelSchema),
  basin: basinSchema.nullable().describe('a basin cast in one with the slab'),
}

export const turnedFormSchema = z.discriminatedUnion('form', [
  z.strictObject({ form: z.literal('cylinder'), diameter: size, height: size }),
  z.strictObject({
    form: z.literal('tube'),
    outside: size,
    inside: size,
    height: size,
    floor: distance.describe('0 goes through, mm'),
  }),
  z.strictObject({ form: z.literal('frustum'), bottom: size, top: size, height: size }),
  z.strictObject({
    form: z.literal('fluted'),
    diameter: size,
    height: size,
    count: z.number().int().min(3).max(200),
    depth: size,
    cut: z.enum(['round', 'flat']),
    way: z.enum(['flutes', 'ribs']),
    share: z.number().min(0.1).max(0.95).describe('of each division that a flute or rib takes'),
  }),
  z.strictObject({
    form: z.literal('sphere'),
    diameter: size,
    foot: distance.describe('diameter of a flat foot, mm'),
  }),
  z.strictObject({ form: z.literal('cap'), diameter: size.describe('of the sphere, mm'), height: size }),
  z.strictObject({
    form: z.literal('bowl'),
    outside: size.describe('diameter at the rim, mm'),
    height: size,
    wall: size,
    exponent: z
      .number()
      .min(1.2)
      .max(12)
      .describe('2 is an ellipse (a hemisphere when the height is half), more is fuller'),
    foot: distance.describe('diameter of a flat foot, mm'),
  }),
  z.strictObject({
    form: z.literal('profile'),
    corners: pathSchema.describe('half section: x is the radius, y the height, mm'),
  }),
])

export const serviceSchema = z
  .strictObject({
    fill: z.enum(['soil', 'gravel', 'water']),
    feet: z.number().int().min(0).max(12).describe('it stands on; 0 is flat on the ground'),
    lined: z.boolean().describe('soft board inside its walls, that ice may press into'),
  })
  .nullable()
  .default(null)
  .describe('what it holds when it is used; null is not asked')

const turnedShape = {
  kind: z.literal('turned'),
  service: serviceSchema,
  turned: turnedFormSchema,
  rim: rimSchema.describe('edges of cylinder, tube and frustum'),
  bore: distance.describe('diameter of a hole along the axis, mm; 0 has none'),
  sleeve: z
    .strictObject({
      outside: size,
      wall: size,
      material: z.enum(['steel', 'stainless', 'pvc', 'copper', 'aluminium']),
    })
    .nullable()
    .describe('a pipe that stays in the axis'),
}

const sweptShape = {
  kind: z.literal('swept'),
  corners: pathSchema.describe('side profile: x along the piece, y up, mm'),
  width: size,
  separators: features(
    z.strictObject({
      id,
      at: offset.describe('where it crosses mid height, along the piece, mm'),
      leanDeg: z.number().min(-80).max(80).describe('from upright, to the right'),
      gap: distance.describe('thickness of the separator, mm'),
    }),
  ),
}

const boxShape = {
  kind: z.literal('box'),
  service: serviceSchema,
  length: size.describe('outside at the rim, mm'),
  width: size,
  height: size,
  taper: offset.describe('how much further in each side stands at the foot, mm'),
  wall: size.describe('at the rim, mm'),
  floor: size,
  coreDraftDeg: draft.describe('slope of the inside'),
  radiusOutside: distance,
  radiusInside: distance,
  rim: edgeSchema.describe('outer edge of the rim'),
  foot: edgeSchema.describe('outer edge of the foot'),
  drains: z.strictObject({ count: z.number().int().min(0).max(50), diameter: size }),
  sideHoles: features(
    z.strictObject({
      id,
      name,
      side: z.enum(['front', 'right', 'back', 'left']),
      u: offset.describe('from the middle of the side, mm'),
      v: offset.describe('from the foot, mm'),
      diameter: size,
    }),
  ),
  built: z
    .strictObject({
      corners: z.enum(['pinwheel', 'butt', 'mitre']),
      floor: z.enum(['under', 'between']),
      glue: distance.describe('thickness of the glue line, mm'),
      dividers: z.number().int().min(0).max(20).describe('panels across the inside, evenly spaced'),
    })
    .nullable()
    .describe('of panels glued together; null is cast in one'),
}

const importedShape = {
  kind: z.literal('imported'),
  file: z.strictObject({
    id: z.string().min(1).max(80).describe('hash of the mesh, under which it is kept beside the job'),
    name,
    triangles: z.number().int().min(0).max(1_000_000),
    /** Extents as in the file, before the unit. */
    extents: z.tuple([z.number(), z.number(), z.number()]),
  }),
  mmPerUnit: z.number().positive().max(100_000),
  turn: z.enum(['as-is', 'x-up', 'y-up', 'z-down']),
  foot: distance.describe('cut off flat at this height, mm; 0 cuts nothing'),
  use: z.enum(['piece', 'pattern']),
}

export const measuredSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('round'), diameter: size }),
  z.strictObject({
    kind: z.literal('rectangle'),
    front: size,
    right: size,
    back: size,
    left: size,
    diagonal: size.nullable().describe('front left to back right, mm; null takes it as square'),
  }),
  z.strictObject({ kind: z.literal('polygon'), corners: pathSchema }),
])

const fittedShape = {
  kind: z.literal('fitted'),
  part: z.enum(['lid', 'plug', 'cap', 'sleeve']),
  measured: measuredSchema.describe('the opening, or for a cap the outside that it goes over'),
  clearance: distance.describe('each side, mm'),
  overlap: distance.describe('lid: beyond the opening, each side, mm'),
  seat: distance.describe('how far it reaches in, or a cap down, mm'),
  taperDeg: draft,
  thickness: size.describe('lid plate, plug, or top of a cap, mm'),
  wall: size.describe('cap and sleeve, mm'),
  edge: edgeSchema.describe('the upper outer edge'),
}

/** The kinds of piece, by their own fields; what all pieces share is in the job's schema. */
export const KIND_SHAPES = [slabShape, turnedShape, sweptShape, boxShape, importedShape, fittedShape] as const

/** What every piece has besides its kind's own fields. */
export const solidFeatures = {
  inserts: features(insertSchema),
  lettering: features(letteringSchema),
  voidFormer: voidFormerSchema
    .nullable()
    .default(null)
    .describe('a light body cast into a thick piece, that stays; null has none'),
}
export const runLinkSchema = z
  .strictObject({ run: id, part: count })
  .nullable()
  .describe('the run this piece was split from')
