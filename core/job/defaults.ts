import type { Stock } from '../stock/schema.ts'
import { METRIC_UNITS } from '../units/index.ts'
import {
  fieldsOf,
  type MethodId,
  MOULD_DEFAULTS,
  type MouldChoice,
  type MouldDefaults,
  type MouldPatch,
  SHARED_FIELDS,
  withChoice,
} from './mouldChoice.ts'
import type {
  BoxPiece,
  Edge,
  FittedPiece,
  ImportedPiece,
  Job,
  Opening,
  Run,
  Settings,
  Side,
  SlabPiece,
  SweptPiece,
  TurnedPiece,
} from './schema.ts'
import {
  JOB_VERSION,
  USUAL_BARS,
  USUAL_CARRY_M,
  USUAL_COATS,
  USUAL_FIBRE,
  USUAL_HANDLING,
  USUAL_HOURS,
  USUAL_PATTERN,
  USUAL_STANDING,
} from './schema.ts'

export const SQUARE: Edge = { kind: 'square' }
export const squareRim = () => ({ top: SQUARE, bottom: SQUARE })
export const plainSide = (over: Partial<Side> = {}): Side => ({
  top: SQUARE,
  bottom: SQUARE,
  taper: 0,
  liner: 0,
  drip: null,
  apron: null,
  seam: false,
  ...over,
})

export const startingSettings = (): Settings => ({
  units: 'mm',
  others: METRIC_UNITS,
  inchDenominator: 16,
  people: 2,
  paper: 'A4',
  hours: USUAL_HOURS,
  hourPrice: null,
  currency: null,
})

/** The first row's id of a stock list, or '' when the list is empty: then the plan says what is missing. */
const firstId = (list: readonly { id: string }[]): string => list[0]?.id ?? 'none'

/** A job with no pieces. `id` is made at the screen's edge. */
export const emptyJob = (id: string, name: string, stock: Stock): Job => ({
  format: 'hollow',
  version: JOB_VERSION,
  id,
  name,
  settings: startingSettings(),
  stock,
  pieces: [],
  runs: [],
  moulds: [],
  pours: [],
})

/** What every new piece is told. */
export type NewPiece = {
  readonly id: string
  readonly name: string
  /** Local date-time of the pour. */
  readonly start: string
  readonly zone: string
}
export type NewSlab = NewPiece & {
  readonly length: number
  readonly width: number
  readonly thickness: number
}

type SharedFields = Pick<
  SlabPiece,
  Exclude<
    keyof SlabPiece,
    'kind' | 'outline' | 'thickness' | 'sides' | 'openings' | 'drainers' | 'panels' | 'basin'
  >
>

/** Every field of every method, rows by the first of the stock. */
export const mouldDefaults = (stock: Stock): MouldDefaults => ({
  ...MOULD_DEFAULTS,
  baseBoard: firstId(stock.boards),
  sideBoard: firstId(stock.boards),
  skin: firstId(stock.skins),
  sealant: firstId(stock.sealants),
  printer: firstId(stock.printers),
  filament: firstId(stock.filaments),
  tube: firstId(stock.tubes),
  layerStock: firstId(stock.foams),
  rubber: firstId(stock.rubbers),
  jacket: firstId(stock.jackets),
  vessel: firstId(stock.vessels),
})

/** A fresh choice of a method, its fields as the stock suggests. */
export function choiceFromStock(method: MethodId, stock: Stock): MouldChoice {
  const all = mouldDefaults(stock) as Record<string, unknown>
  const fields = [...SHARED_FIELDS, ...fieldsOf(method)].map((f) => [f, all[f]])
  return { method, ...Object.fromEntries(fields), others: {} } as MouldChoice
}

/** The usual choices of all stations; the first rows of the stock. */
function usualChoices(
  { id, name, start, zone }: NewPiece,
  stock: Stock,
  down: string,
  inside: 'mesh' | 'none' = 'none',
): SharedFields {
  return {
    id,
    name,
    quantity: 1,
    mouldCount: 1,
    plannedCasts: 1,
    exposure: 'dry',
    attitude: { down, turnDeg: 0 },
    inserts: [],
    lettering: [],
    voidFormer: null,
    run: null,
    mould: choiceFromStock('board-box', stock),
    steel: {
      kind: inside,
      mesh: firstId(stock.meshes),
      cover: null,
      depth: null,
      twice: false,
      placed: 'on-fill',
      fibre: USUAL_FIBRE,
      coats: USUAL_COATS,
      bars: USUAL_BARS,
      handling: USUAL_HANDLING,
      standing: USUAL_STANDING,
    },
    release: {
      faceAgent: firstId(stock.agents),
      edgeSeal: stock.agents.find((a) => a.kind === 'packing-tape')?.id ?? firstId(stock.agents),
      leftOut: null,
      faces: {},
      vented: false,
      pattern: USUAL_PATTERN,
    },
    mix: {
      mix: firstId(stock.mixes),
      water: 'medium',
      wastePercent: null,
      mixer: firstId(stock.mixers),
      portion: null,
      doses: [],
      slurryMm: 0,
      boughtPrice: null,
    },
    pour: {
      start,
      zone,
      temperature: { kind: 'constant', degC: 20 },
      humidity: 0.5,
      windKmPerH: 0,
      concreteDegC: null,
      mouldDegC: null,
      sun: false,
      carryM: USUAL_CARRY_M,
      stairSteps: 0,
      running: null,
      compaction: null,
      ticked: {},
    },
    finish: { sealer: firstId(stock.sealers), sanding: 'light' },
  }
}

/** A plain slab with the usual choices: poured show face down in a wrapped box of the first board. */
export const newSlab = ({ length, width, thickness, ...told }: NewSlab, stock: Stock): SlabPiece => ({
  ...usualChoices(told, stock, 'top', 'mesh'),
  kind: 'slab',
  outline: { kind: 'rectangle', length, width, radii: [0, 0, 0, 0] },
  thickness,
  sides: { front: plainSide(), right: plainSide(), back: plainSide(), left: plainSide() },
  openings: [],
  drainers: [],
  panels: [],
  basin: null,
})

type Own<P> = Partial<Omit<P, 'kind' | 'id' | 'name'>>

/** The method a piece is begun in, where a board box does not form it. */
const begunBy = (shared: SharedFields, choice: MouldPatch, stock: Stock): SharedFields => {
  return { ...shared, mould: withChoice(shared.mould, choice, mouldDefaults(stock)) }
}

/** Stacked from the foam of the widest sheet, the thickest of these. */
function inLayers({ foams }: Stock): MouldPatch {
  const across = (f: (typeof foams)[number]) => Math.min(f.length, f.width)
  const [widest] = [...foams].sort((a, b) => across(b) - across(a) || b.thickness - a.thickness)
  return { method: 'layers', ...(widest && { layerStock: widest.id }) }
}

/** A turned form: a closed mould round a ball, prints for flutes, stacked foam for the rest. */
const TURNED_BY: Readonly<Partial<Record<TurnedPiece['turned']['form'], MouldPatch>>> = {
  sphere: { method: 'closed' },
  // Straight flutes draw out of one shell.
  fluted: { method: 'printed', shells: 1 },
}

/** A round column whose diameter a tube in stock has is begun in that tube, a flat disc in the stiffest sheet that bends round it. */
function begunInTube(piece: TurnedPiece, { tubes, skins }: Stock): TurnedPiece {
  const { turned, mould } = piece
  const across = turned.form === 'cylinder' ? turned.diameter : turned.form === 'tube' ? turned.outside : null
  const tube = across !== null && tubes.find((t) => Math.abs(t.inside - across) < 0.5)
  if (tube) return { ...piece, mould: withChoice(mould, { method: 'tube', tube: tube.id }) }
  if (turned.form !== 'cylinder' || turned.height > turned.diameter / 2) return piece
  const [skin] = skins
    .filter((s) => s.leastRadius <= turned.diameter / 2)
    .sort((a, b) => b.leastRadius - a.leastRadius)
  return skin ? { ...piece, mould: withChoice(mould, { method: 'ring', skin: skin.id }) } : piece
}

/** A turned piece, a cylinder unless told otherwise. */
export const newTurned = (told: NewPiece, stock: Stock, over: Own<TurnedPiece> = {}): TurnedPiece =>
  begunInTube(
    {
      ...begunBy(
        usualChoices(told, stock, 'bottom'),
        TURNED_BY[over.turned?.form ?? 'cylinder'] ?? inLayers(stock),
        stock,
      ),
      kind: 'turned',
      service: null,
      turned: { form: 'cylinder', diameter: 300, height: 400 },
      rim: squareRim(),
      bore: 0,
      sleeve: null,
      ...over,
    },
    stock,
  )

/** A swept profile, by default a block with a seat cut into it. */
export const newSwept = (told: NewPiece, stock: Stock, over: Own<SweptPiece> = {}): SweptPiece => ({
  ...begunBy(usualChoices(told, stock, 'end/front'), inLayers(stock), stock),
  kind: 'swept',
  corners: [
    { x: 0, y: 0, radius: 0, side: 'foot', run: { kind: 'line' } },
    { x: 700, y: 0, radius: 0, side: 'back', run: { kind: 'line' } },
    { x: 760, y: 720, radius: 30, side: 'rest', run: { kind: 'line' } },
    { x: 680, y: 720, radius: 30, side: 'lean', run: { kind: 'line' } },
    { x: 560, y: 400, radius: 60, side: 'seat', run: { kind: 'line' } },
    { x: 0, y: 430, radius: 40, side: 'front', run: { kind: 'line' } },
  ],
  width: 500,
  separators: [],
  ...over,
})

/** A planter cast in one, upside down over its core. */
export const newBox = (told: NewPiece, stock: Stock, over: Own<BoxPiece> = {}): BoxPiece => ({
  ...begunBy(usualChoices(told, stock, 'top'), inLayers(stock), stock),
  kind: 'box',
  service: null,
  length: 600,
  width: 300,
  height: 300,
  taper: 20,
  wall: 35,
  floor: 40,
  coreDraftDeg: 3,
  radiusOutside: 20,
  radiusInside: 15,
  rim: SQUARE,
  foot: SQUARE,
  drains: { count: 2, diameter: 25 },
  sideHoles: [],
  built: null,
  ...over,
})

export const newImported = (
  told: NewPiece,
  stock: Stock,
  file: ImportedPiece['file'],
  mmPerUnit: number,
  over: Own<ImportedPiece> = {},
): ImportedPiece => ({
  // A mesh is as freely shaped as its file: rubber forms it.
  ...begunBy(usualChoices(told, stock, 'bottom'), { method: 'block' }, stock),
  kind: 'imported',
  file,
  mmPerUnit,
  turn: 'as-is',
  foot: 0,
  use: 'piece',
  ...over,
})

/** Made to fit what exists: by default a round lid with a seat. */
export const newFitted = (told: NewPiece, stock: Stock, over: Own<FittedPiece> = {}): FittedPiece => ({
  ...begunBy(usualChoices(told, stock, 'top'), inLayers(stock), stock),
  kind: 'fitted',
  part: 'lid',
  measured: { kind: 'round', diameter: 600 },
  clearance: 3,
  overlap: 40,
  seat: 30,
  taperDeg: 3,
  thickness: 50,
  wall: 40,
  edge: SQUARE,
  ...over,
})

export const newOpening = (id: string, name: string, shape: Opening['shape']): Opening => ({
  id,
  name,
  on: 'top',
  shape,
  depth: null,
  draftDeg: 0,
  turnDeg: 0,
  fixture: null,
  made: 'cast',
  u: { rule: 'centred', offset: 0 },
  v: { rule: 'centred', offset: 0 },
  pattern: null,
  rim: squareRim(),
})

/** An L-shaped top to start from. */
export const newRun = (id: string): Run => ({
  id,
  name: 'Galley top',
  legs: [
    { id: 'leg-1', length: 2400, depth: 620 },
    { id: 'leg-2', length: 1500, depth: 620 },
  ],
  corners: [{ by: 'square' }],
  thickness: 40,
  wallGap: 3,
  overhang: 20,
  seamWidth: 2,
  gaps: [],
  openings: [],
  seams: [],
  joint: 'butt-first',
})
