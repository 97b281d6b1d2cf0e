import type { Kernel } from '../geometry/index.ts'
import type { Finding, MouldChoice, Piece } from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { FreshMix, Stock } from '../stock/index.ts'
import type { Operation } from '../work/index.ts'
import type { BarePart } from './bareParts.ts'
import type {
  BoardLayout,
  BowRow,
  HardwareRow,
  MaterialRow,
  MouldFace,
  MouldFact,
  MouldFigures,
  MouldStation,
  MouldTop,
  ScrewRow,
  SealantRow,
  Undoing,
} from './types.ts'

export type MethodId = MouldChoice['method']

export type MethodInput = {
  readonly piece: Piece
  readonly pieceStation: PieceStation
  readonly stock: Stock
  readonly mix: FreshMix
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
  /** From bare stock to what can be waxed and filled. */
  readonly building: readonly Operation[]
  /** Of these, what comes after its faces are released: shells are waxed open, a bead may be run on wax. */
  readonly afterRelease?: readonly string[]
  /** How it comes off the cast, each part in one of these. */
  readonly off: readonly Undoing[]
  readonly faces: readonly MouldFace[]
  readonly top: MouldTop
  /** What is filled on the slab once that has stiffened; left out where all is one fill. */
  readonly fillLater?: MouldFigures['fillLater']
  readonly vents?: number
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
