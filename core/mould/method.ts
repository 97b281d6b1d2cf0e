import type { Kernel } from '../geometry/index.ts'
import type { Finding, MouldChoice, Piece } from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { Mix, Stock } from '../stock/index.ts'
import type { BarePart } from './bareParts.ts'
import type {
  BoardLayout,
  BowRow,
  BuildStep,
  HardwareRow,
  MaterialRow,
  MouldFact,
  MouldFigures,
  MouldStation,
  ScrewRow,
  SealantRow,
} from './types.ts'

export type MethodId = MouldChoice['method']

export type MethodInput = {
  readonly piece: Piece
  readonly pieceStation: PieceStation
  readonly stock: Stock
  readonly mix: Mix
  readonly kernel: Kernel
  /** While something is dragged: what only solids tell is guessed from sizes. */
  readonly quick: boolean
  /** Built only to compare its cost: nothing is worked out that costs nothing. */
  readonly costsOnly?: boolean
}

/** A mould as its parts stand, before boards are laid out and costs are summed. */
export type BuiltMould = {
  readonly parts: readonly BarePart[]
  /** What is bought beside boards: tubes, rubber, tape. */
  readonly materials: readonly MaterialRow[]
  /** The same from other rows of the stock, to choose by. */
  readonly alternatives: readonly MaterialRow[]
  readonly screws: readonly ScrewRow[]
  readonly sealant: readonly SealantRow[]
  readonly holdDown: readonly Omit<MouldFigures['holdDown'][number], 'by' | 'glueMm2' | 'weightKg'>[]
  readonly bowing: readonly BowRow[]
  readonly straps: MouldFigures['straps']
  readonly tapeLengthMm: number
  readonly hours: number
  /** Casts its faces last. */
  readonly life: number
  /** Mould face that is cleaned and waxed for each cast, m2. */
  readonly faceM2: number
  /** Depth of the fill, mm. */
  readonly depth: number
  /** What the maker sets out by, beside the lists. */
  readonly facts?: readonly MouldFact[]
  /** Passes of the router that cut a hollow, from the top down. */
  readonly router?: MouldFigures['router']
  readonly outlines?: MouldStation['outlines']
  /** Bolts, dowels and the like. */
  readonly fixings?: readonly HardwareRow[]
  /** What is cut from tubes and strips: of each mould, or anew for each cast. */
  readonly lengths?: readonly StockLengths[]
  /** What is printed, part by part. */
  readonly prints?: MouldFigures['prints']
  /** From bare stock to ready to pour. */
  readonly order: readonly BuildStep[]
  /** How it comes off the cast, step by step, where the method tells it itself. */
  readonly comesOff?: MouldFigures['comesOff']
  /** What the concrete meets, and how that is released. */
  readonly face?: MouldFigures['face']
  /** What is wrong with it, once its boards are laid out. */
  readonly check: (layouts: readonly BoardLayout[]) => Finding[]
}

export type StockLengths = {
  readonly name: string
  readonly stockLengthMm: number
  readonly each: 'mould' | 'cast'
  readonly parts: readonly { readonly name: string; readonly lengthMm: number }[]
}

/** What a method would cost, from sizes alone: for the comparison, where building it in full takes long. */
export type MethodEstimate = Pick<BuiltMould, 'hours' | 'life' | 'faceM2'> & {
  readonly materialCost: number | null
}

/** What most shaped moulds have none of; a method tells over it what it has. */
export const NOTHING_BESIDE = {
  materials: [],
  alternatives: [],
  screws: [],
  sealant: [],
  holdDown: [],
  bowing: [],
  straps: { count: 0, spacingMm: 0 },
  tapeLengthMm: 0,
} satisfies Partial<BuiltMould>

/** Of a mould that is held by its own joints. */
export const NO_STRAPS: MouldFigures['straps'] = { count: 0, spacingMm: 0 }

/** One way of building a mould. To add one: a folder that makes its parts, and a row in `METHODS`. */
export type MouldMethod = {
  readonly id: MethodId
  readonly name: string
  /** Why it cannot form a piece, in a few words; null when it can. */
  readonly why: (piece: Piece) => string | null
  /** What speaks for it. */
  readonly reason: string
  readonly finish: string
  /** Null where it cannot be told. Without it the method is built to be compared. */
  readonly estimate?: (input: MethodInput) => MethodEstimate | null
  /** Null where something it needs is missing from the stock; the findings say what. */
  readonly build: (input: MethodInput) => {
    readonly built: BuiltMould | null
    readonly findings: readonly Finding[]
  }
}
