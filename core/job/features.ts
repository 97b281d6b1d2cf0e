import { z } from 'zod'
import { count, distance, draft, id, LIMITS, name, offset, pathSchema, rimSchema, size } from './measures.ts'

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
  z.strictObject({ kind: z.literal('slot'), length: size.describe('over its round ends, mm'), width: size }),
  z.strictObject({
    kind: z.literal('polygon'),
    corners: pathSchema.describe('about its middle, mm'),
  }),
])

/** Equal openings by rule; the middle of the pattern is placed by u and v. */
export const patternSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('row'),
    count: z.number().int().min(2).max(100),
    pitch: size.describe('middle to middle, mm'),
    along: z.enum(['u', 'v']),
  }),
  z.strictObject({
    kind: z.literal('grid'),
    countU: z.number().int().min(1).max(100),
    countV: z.number().int().min(1).max(100),
    pitchU: size,
    pitchV: size,
  }),
  z.strictObject({
    kind: z.literal('circle'),
    count: z.number().int().min(2).max(100),
    diameter: size.describe('of the circle their middles lie on, mm'),
    startDeg: z.number().min(-360).max(360),
  }),
  z.strictObject({
    kind: z.literal('spread'),
    count: z.number().int().min(1).max(100),
    along: z.enum(['u', 'v']).describe('equal gaps between them and to both sides of the piece'),
  }),
])

export const openingSchema = z.strictObject({
  id,
  name,
  on: z.enum(['top', 'bottom']).describe('the face it is measured and entered from'),
  shape: openingShapeSchema.describe('finished size'),
  depth: size.nullable().describe('mm; null goes through'),
  draftDeg: draft.describe('how its walls lean in, away from the face it is entered from'),
  turnDeg: z.number().min(-360).max(360),
  fixture: z
    .strictObject({ shape: openingShapeSchema, clearance: distance })
    .nullable()
    .describe('when set, the finished size is the fixture and its clearance all round'),
  made: z
    .enum(['cast', 'drilled'])
    .describe('drilled ones are not in the mould; they still leave the figures'),
  u: placeRuleSchema,
  v: placeRuleSchema,
  pattern: patternSchema.nullable(),
  rim: rimSchema,
})

export const drainerSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('ramp'),
    id,
    name,
    length: size,
    width: size,
    radius: distance.describe('rounds its plan, mm'),
    shallow: distance.describe('depth at the high end, mm'),
    deep: size.describe('depth at the low end, mm'),
    toward: z.enum(['left', 'right', 'front', 'back']).describe('where it drains to'),
    u: offset.describe('its middle, from the left, mm'),
    v: offset.describe('its middle, from the front, mm'),
  }),
  z.strictObject({
    kind: z.literal('grooves'),
    id,
    name,
    count,
    length: size,
    width: size,
    pitch: size,
    shallow: distance,
    deep: size,
    toward: z.enum(['left', 'right', 'front', 'back']),
    u: offset,
    v: offset,
  }),
])

export const fieldShapeSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('inset'), margin: size.describe('all round, from the outline, mm') }),
  z.strictObject({ kind: z.literal('rectangle'), length: size, width: size, radius: distance }),
  z.strictObject({ kind: z.literal('round'), diameter: size }),
  z.strictObject({
    kind: z.literal('drawn'),
    corners: pathSchema.describe('a closed outline, wherever it starts: the middle of its box is placed'),
    islands: z.array(pathSchema).max(100).describe('what is left out of it, in the same measure'),
  }),
])

export const TRIMS = ['cove', 'ovolo', 'ogee', 'bevel', 'bead', 'stepped', 'own'] as const

export const panelSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('field'),
    id,
    name,
    shape: fieldShapeSchema,
    u: offset.describe('its middle from the piece’s middle, mm'),
    v: offset,
    rise: offset.describe('above the face, mm; sunken when negative'),
    draftDeg: draft,
  }),
  z.strictObject({
    kind: z.literal('frame'),
    id,
    name,
    shape: fieldShapeSchema.describe('the outside of the frame'),
    u: offset,
    v: offset,
    trim: z.enum(TRIMS),
    own: z
      .array(z.tuple([offset, offset]))
      .max(LIMITS.corners)
      .describe('an imported section, closed, scaled to width and height; empty unless the trim is own'),
    width: size,
    height: size,
    tallSide: z.enum(['inner', 'outer']),
    sunk: z.boolean().describe('cut into the face instead of standing on it'),
  }),
])

export const letteringSchema = z.strictObject({
  id,
  text: z.string().min(1).max(400),
  font: id,
  fontHash: z.string().max(40).describe('of the font’s outlines; a difference is told'),
  on: z.string().min(1).max(80).describe('the flat face it stands on'),
  u: offset.describe('from the middle of the face, mm'),
  v: offset,
  turnDeg: z.number().min(-360).max(360),
  height: size.describe('of a capital, mm'),
  depth: offset.describe('raised, mm; sunk when negative'),
  spacing: z.number().min(-50).max(500).describe('added between letters, percent of the height'),
  align: z.enum(['left', 'middle', 'right']),
})

export const INSERT_KINDS = [
  'pipe',
  'sleeve',
  'stud',
  'socket',
  'bolt',
  'wire',
  'cleat-screws',
  'handle',
  'bar',
] as const

export const insertSchema = z.strictObject({
  id,
  name,
  kind: z.enum(INSERT_KINDS),
  on: z.string().min(1).max(80).describe('the flat face it enters'),
  u: offset.describe('from the middle of the face, mm'),
  v: offset,
  tiltDeg: z.number().min(-60).max(60).describe('from square to the face'),
  tiltTowardDeg: z.number().min(-360).max(360).describe('the way it tilts, from the face’s u'),
  diameter: size.describe('outside, mm'),
  bore: distance.describe('inside of a pipe or sleeve, mm; 0 is solid'),
  depth: size.nullable().describe('in the concrete, mm; null goes through'),
  past: distance.describe('beyond the face, mm'),
  material: z.enum(['steel', 'stainless', 'brass', 'copper', 'pvc', 'aluminium']),
  held: z.enum(['mould', 'bridge', 'wet']).describe('fixed to the mould, hung from a bridge, pushed in wet'),
  carriesKg: z
    .number()
    .min(0)
    .max(100_000)
    .default(0)
    .describe('what hangs from it, or pulls it straight out'),
})

export const voidFormerSchema = z.strictObject({
  material: z.enum(['xps', 'eps']),
  cover: size.describe('concrete that stays round it on every side, mm'),
  drain: distance.describe('diameter of a tube from its foot to the underside, mm; 0 has none'),
})

export const basinSchema = z.strictObject({
  form: z.enum(['frustum', 'bowl', 'ramp', 'superellipse']),
  length: size.describe('of the opening at the top, mm'),
  width: size,
  radius: distance.describe('rounds the corners of the opening, mm'),
  depth: size.describe('from the top of the slab, mm'),
  draftDeg: draft,
  exponent: z
    .number()
    .min(1.2)
    .max(12)
    .describe('bowl and superellipse only: 2 is an ellipse, more is fuller'),
  fall: distance.describe('ramp only: how much deeper the far end is, mm'),
  shell: size.describe('thickness round and under it, mm'),
  u: offset.describe('its middle, from the left, mm'),
  v: offset.describe('its middle, from the front, mm'),
  waste: distance.describe('diameter of the waste hole, mm; 0 has none'),
  overflow: distance.describe('diameter of the overflow in the back wall, mm; 0 has none'),
})
