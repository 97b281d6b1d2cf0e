import { z } from 'zod'
import { distance, id, LIMITS } from './measures.ts'

/** What every way of building shares: the boards and how they are sawn, what holds things down, the table. */
const SHARED = {
  baseBoard: id,
  sideBoard: id,
  corners: z.enum(['front-and-back-long', 'ends-long', 'pinwheel']).describe('of a box of boards'),
  runPast: distance.describe('ends of a box’s sides as handles, mm'),
  holdBy: z
    .enum(['screws', 'glue', 'weight'])
    .default('screws')
    .describe('what holds knockouts, cores and patterns down'),
  table: z
    .array(z.number().min(-1000).max(1000))
    .min(3)
    .max(4)
    .nullable()
    .describe('heights of the table at its corners, front left first, anticlockwise, mm; null is level'),
  kerf: z.number().min(0).max(20),
  trim: z.number().min(0).max(200),
  joinLong: z
    .boolean()
    .default(false)
    .describe('what is larger than a sheet is joined from pieces, a splice behind each joint'),
  turnParts: z.boolean().describe('whether a part may lie either way on the sheet'),
}

const printing = { printer: id, filament: id }
const shellWall = distance.describe('wall of a printed or laid-up shell, mm')
const flanges = {
  flange: distance.describe('width of the flanges by which shells are held together, mm'),
  boltSpacing: z.number().min(20).max(2000).describe('along a flange, mm'),
}
const shells = z.union([z.literal(1), z.literal(2), z.literal(4)]).describe('shells round the piece')
const skin = id.describe('the sheet that curved sides are bent from')
const rubber = id.describe('of a block or a brushed skin')
const seam = z
  .enum(['straight', 'curve'])
  .default('straight')
  .describe('shells parted by upright planes, or two of them along where the piece is widest all round')
const pull = z
  .object({ leanDeg: z.number().min(0).max(90), roundDeg: z.number().min(0).max(360) })
  .nullable()
  .default(null)
  .describe(
    'the way two shells are drawn apart: how far off upright as poured, and towards where, from the right anticlockwise; null has it found',
  )
const jacket = id.describe('what stiff shells are laid up from')
const blockMargin = distance.describe('layers or packing round the piece, mm')

/** A box of boards in its three schools, with all that is fixed in it. */
const BOX = {
  school: z
    .enum(['wrap', 'stand', 'mitre'])
    .describe('sides round the base edge, on the base, or mitred and stuck on after'),
  insideCorners: z
    .enum(['mitre', 'short'])
    .describe('two strips mitred, or one short of the other, whose raw end then faces the concrete'),
  rounds: z.enum(['block', 'bent']).describe('rounded outside corners by blocks, or by a bent skin'),
  skin,
  overlap: distance.describe('of a bent ring on itself, mm'),
  sideBoards: z
    .record(id, id)
    .default({})
    .describe('boards of single sides by side, where another than sideBoard'),
  baseMargin: distance.describe('stand only: base beyond the sides, mm'),
  knockoutBoards: z
    .array(id)
    .max(50)
    .nullable()
    .describe('boards to laminate from; null is every board in stock'),
  knockoutKinds: z
    .record(id, z.enum(['laminate', 'edge', 'foam', 'tube', 'split', 'bought']))
    .default({})
    .describe(
      'by opening: boards glued up lying (where none is named), boards on edge, foam, card tube, two halves and a wedge, or a bought plug',
    ),
  knockoutBelow: z.number().min(0).max(5).describe('top of a knockout below strike-off level, mm'),
  wrap: z.number().min(0).max(20).describe('thickness of tape or foam round each knockout, mm'),
  sealant: id,
  bead: z
    .enum(['bead-first', 'wax-first'])
    .describe(
      'the sealant bead before the wax, where it bonds better, or after it, where its waste peels off',
    ),
  braceSpacing: z
    .number()
    .positive()
    .max(LIMITS.coordinate)
    .nullable()
    .describe('tops of the sides held by braces no further apart, mm; null leaves them free'),
  braceRows: z
    .union([z.literal(1), z.literal(2)])
    .default(1)
    .describe('where each brace holds its side: at its top, or at its top and by a rail at mid height'),
  fixing: z
    .enum(['screws', 'angled-screws', 'brads', 'instant-glue', 'hot-glue', 'tape'])
    .default('screws')
    .describe('what holds the sides to the base and to each other'),
  formersPrinted: z
    .boolean()
    .default(false)
    .describe('formers of a board box printed, a wall as shellWall all round, instead of shaped by hand'),
  ...printing,
  shellWall,
}

/** What each way of building decides for itself. */
const FIELDS = {
  'board-box': BOX,
  'upper-form': {
    ...BOX,
    basinCore: id.nullable().default(null).describe('a bought core of the basin; null is made'),
  },
  lined: {
    ...BOX,
    liner: z
      .strictObject({ thickness: z.number().positive().max(200), backing: z.number().min(0).max(200) })
      .describe('a textured sheet on the base and the foam behind it, mm'),
    linerSheet: id.nullable().default(null).describe('the bought liner; null for one of own making'),
  },
  planks: {
    sealant: id,
    core: z
      .enum(['drafted', 'collapsible'])
      .default('drafted')
      .describe('the box in a hollow: drawn out whole, or one wall of it parted by a wedge'),
    battens: z
      .number()
      .positive()
      .max(LIMITS.coordinate)
      .nullable()
      .default(null)
      .describe('behind the boards, no further apart, mm; null has none'),
  },
  ring: { skin, overlap: BOX.overlap, sealant: id },
  tube: { tube: id.describe('the card tube a cylinder is cast in') },
  ribs: {
    skin,
    ribSpacing: z
      .number()
      .positive()
      .max(LIMITS.coordinate)
      .nullable()
      .describe('mm; null takes it from the skin’s stiffness'),
  },
  packed: { skin, packing: z.enum(['earth', 'sand']), blockMargin },
  layers: {
    layerStock: id.describe('the foam or board that is stacked in layers'),
    blockMargin,
    routerPass: z.number().min(0.1).max(100).describe('depth of one pass of the router, mm'),
  },
  printed: { ...printing, shellWall, shells, seam, pull, ...flanges },
  block: {
    rubber,
    rubberWall: distance.nullable().describe('round the pattern, mm; null takes it from the pattern’s size'),
    rubberOver: distance
      .nullable()
      .default(null)
      .describe('over the pattern, and under it in two halves, mm; null is as round it'),
    rubberWaste: z.number().min(0).max(100).default(7).describe('poured beside the gap, percent'),
    rubberParts: z.number().int().min(1).max(2).describe('a block poured in one, or in two halves'),
    rubberParting: z
      .enum(['level', 'curve'])
      .default('level')
      .describe('two halves parted level, or along where the pattern is widest all round'),
  },
  brushed: {
    rubber,
    skinCoat: distance.describe('thickness of a brushed rubber skin, mm'),
    coats: z
      .number()
      .int()
      .min(1)
      .max(40)
      .nullable()
      .default(null)
      .describe('brushed one over the other; null takes them from the skin’s thickness'),
    rim: distance.default(25).describe('rubber out from the open face all round, mm'),
    brushWaste: z.number().min(0).max(100).default(25).describe('left in the pot and the brush, percent'),
    jacket,
    shellWall,
    shells,
    seam,
    pull,
    ...flanges,
  },
  closed: { jacket, shellWall, pull, ...flanges },
  found: {
    vessel: id.describe('the bucket, bin or bowl that is cast in'),
    stands: z
      .enum(['upright', 'upside-down', 'joined'])
      .default('upright')
      .describe('as it is filled: on its floor, rim down with its floor cut out, or two of them rim to rim'),
    bag: z.boolean().default(false).describe('lined with a bag, which the cast leaves by'),
    comesOff: z
      .enum(['whole', 'cut', 'left-on'])
      .default('whole')
      .describe('kept for the next cast, cut off and lost, or left on the piece'),
    vesselWaterKg: z
      .number()
      .positive()
      .max(10_000)
      .nullable()
      .describe('what it held to the height of the piece, weighed; null is not measured'),
    vesselFill: z
      .enum(['water', 'rice', 'dry-sand'])
      .default('water')
      .describe('what the vessel was weighed with'),
  },
} as const

export type MethodId = keyof typeof FIELDS
export const METHOD_IDS = Object.keys(FIELDS) as readonly MethodId[]

const own = <M extends MethodId>(method: M) => z.strictObject(FIELDS[method]).optional()

/** Choices of ways that were tried before: one goes back to them as they were. */
const others = z
  .strictObject(
    Object.fromEntries(METHOD_IDS.map((m) => [m, own(m)])) as {
      [M in MethodId]: ReturnType<typeof own<M>>
    },
  )
  .default({})
  .describe('choices of other methods, kept from when they were chosen')

const member = <M extends MethodId>(method: M) =>
  z.strictObject({ method: z.literal(method), ...SHARED, ...FIELDS[method], others })

type Member = { [M in MethodId]: ReturnType<typeof member<M>> }[MethodId]

/** How a piece is moulded: what all methods share, and the chosen method's own fields. */
export const mouldChoiceSchema = z.discriminatedUnion(
  'method',
  METHOD_IDS.map((m) => member(m)) as unknown as [Member, ...Member[]],
)

export type MouldChoice = z.infer<typeof mouldChoiceSchema>
/** The choice of a piece that is built this way. */
export type ChoiceOf<M extends MethodId> = Choices[M]
type Choices = { [M in MethodId]: Extract<MouldChoice, { readonly method: M }> }
/** What the ways that begin with a box of boards share. */
export type BoxChoice = ChoiceOf<'board-box'> | ChoiceOf<'upper-form'> | ChoiceOf<'lined'>

type Union<T> = (T extends unknown ? (t: T) => void : never) extends (t: infer I) => void ? I : never
type Loose<T> = { [K in keyof T]?: T[K] }
type EveryField = Omit<Union<{ [M in MethodId]: Omit<ChoiceOf<M>, 'method' | 'others'> }[MethodId]>, never>
/** A change of a choice: to another method, and of fields that the method then has. */
export type MouldPatch = Loose<EveryField> & { readonly method?: MethodId }
/** A value for every field of every method. */
export type MouldDefaults = EveryField

/** The names of a method's own fields, and of those all share. */
export const fieldsOf = (method: MethodId): readonly string[] => Object.keys(FIELDS[method])
export const SHARED_FIELDS: readonly string[] = Object.keys(SHARED)

/** Where nothing was chosen and no stock says better: starting values; rows by the ids of the starting catalogue. */
export const MOULD_DEFAULTS: MouldDefaults = {
  baseBoard: 'melamine-18',
  sideBoard: 'melamine-18',
  corners: 'front-and-back-long',
  runPast: 0,
  holdBy: 'screws',
  table: null,
  kerf: 3,
  trim: 10,
  joinLong: false,
  turnParts: true,
  school: 'wrap',
  insideCorners: 'mitre',
  rounds: 'block',
  skin: 'skin-hardboard-3',
  overlap: 30,
  sideBoards: {},
  baseMargin: 0,
  knockoutBoards: null,
  knockoutKinds: {},
  knockoutBelow: 0,
  wrap: 0,
  sealant: 'silicone-300',
  bead: 'bead-first',
  braceSpacing: null,
  braceRows: 1,
  fixing: 'screws',
  formersPrinted: false,
  basinCore: null,
  rubberParting: 'level',
  core: 'drafted',
  battens: null,
  printer: 'printer-220',
  filament: 'filament-pla',
  shellWall: 4,
  liner: { thickness: 6, backing: 20 },
  linerSheet: null,
  tube: 'tube-150',
  ribSpacing: null,
  packing: 'earth',
  blockMargin: 40,
  layerStock: 'foam-xps-20',
  routerPass: 6,
  shells: 2,
  seam: 'straight',
  pull: null,
  flange: 20,
  boltSpacing: 120,
  rubber: 'polyurethane-40',
  rubberWall: null,
  rubberOver: null,
  rubberWaste: 7,
  rubberParts: 1,
  coats: null,
  rim: 25,
  brushWaste: 25,
  skinCoat: 8,
  jacket: 'jacket-plaster',
  vessel: 'vessel-bucket-12',
  stands: 'upright',
  bag: false,
  comesOff: 'whole',
  vesselWaterKg: null,
  vesselFill: 'water',
}

type Flat = Readonly<Record<string, unknown>>

/**
 * The choice by another method: as it was when that was last chosen, else fields of the same name as they are now, else
 * the defaults. By the method it has, itself.
 */
export function choiceFor<M extends MethodId>(
  choice: MouldChoice,
  method: M,
  defaults: MouldDefaults = MOULD_DEFAULTS,
): ChoiceOf<M> {
  if (choice.method === method) return choice as ChoiceOf<M>
  const [now, before] = [choice as Flat, (choice.others[method] ?? {}) as Flat]
  const { [method]: _, ...rest } = choice.others
  const left = { [choice.method]: pick(now, fieldsOf(choice.method)) }
  return {
    method,
    ...pick(now, SHARED_FIELDS),
    ...Object.fromEntries(fieldsOf(method).map((f) => [f, before[f] ?? now[f] ?? (defaults as Flat)[f]])),
    others: { ...rest, ...left },
  } as unknown as ChoiceOf<M>
}

/** The box of boards that a way begins with: its own where it is one, else as the board box would be. */
export const boxChoiceOf = (choice: MouldChoice): BoxChoice =>
  choice.method === 'upper-form' || choice.method === 'lined' ? choice : choiceFor(choice, 'board-box')

/** A choice changed: first to another method where the change names one. Fields that the method has not are a bug of ours. */
export function withChoice(
  choice: MouldChoice,
  { method, ...fields }: MouldPatch,
  defaults: MouldDefaults = MOULD_DEFAULTS,
): MouldChoice {
  const at = method ? choiceFor(choice, method, defaults) : choice
  const known = new Set([...SHARED_FIELDS, ...fieldsOf(at.method)])
  for (const field of Object.keys(fields))
    if (!known.has(field)) throw new Error(`a ${at.method} has no ${field}`)
  return { ...at, ...fields } as MouldChoice
}

const pick = (from: Flat, keys: readonly string[]): Flat =>
  Object.fromEntries(keys.filter((k) => k in from).map((k) => [k, from[k]]))
