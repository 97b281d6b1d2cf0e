import type { Kernel } from '../geometry/index.ts'
import {
  type BoxChoice,
  type ChoiceOf,
  choiceFor,
  type Finding,
  type MethodId,
  mouldDefaults,
  type Piece,
} from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { FreshMix, Stock } from '../stock/index.ts'
import type { Operation } from '../work/index.ts'
import type { BarePart } from './bareParts.ts'
import type { Misfit } from './misfit.ts'
import type {
  BoardLayout,
  BowRow,
  HardwareRow,
  MakingFace,
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

export type { MethodId } from '../job/index.ts'

/** A piece that is built this way: its choice is this method's. */
export type MouldedPiece<M extends MethodId = MethodId> = Piece & { readonly mould: ChoiceOf<M> }
/** The ways that begin with a box of boards. */
export type BoxMethodId = BoxChoice['method']

export type MethodInput<M extends MethodId = MethodId> = {
  readonly piece: MouldedPiece<M>
  readonly pieceStation: PieceStation
  readonly stock: Stock
  readonly mix: FreshMix
  readonly kernel: Kernel
  /** While something is dragged: what only solids tell is guessed from sizes. */
  readonly quick: boolean
  /** Built only to compare its cost: nothing is worked out that costs nothing. */
  readonly costsOnly?: boolean
}

/** The same piece as it would be built another way: as that was chosen before, or as the stock suggests. */
export const inputFor = <M extends MethodId>(input: MethodInput, method: M): MethodInput<M> =>
  ({
    ...input,
    piece: { ...input.piece, mould: choiceFor(input.piece.mould, method, mouldDefaults(input.stock)) },
  }) as unknown as MethodInput<M>

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
  /** What it is made against, where it is poured or laid up. */
  readonly making?: readonly MakingFace[]
  readonly top: MouldTop
  /** What is filled on the slab once that has stiffened; left out where all is one fill. */
  readonly fillLater?: MouldFigures['fillLater']
  readonly crownByHand?: boolean
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
export type MouldMethod<M extends MethodId = MethodId> = {
  readonly id: M
  readonly name: string
  /** What speaks for it. */
  readonly reason: string
  readonly finish: string
  /** Why it cannot form a piece; null when it can. */
  misfit(piece: Piece): Misfit | null
  /** Whether its figures are told from solids, and guessed until those are built; left out where they never are. */
  guesses?(choice: ChoiceOf<M>): boolean
  /** Null where it cannot be told. Without it the method is built to be compared. */
  estimate?(input: MethodInput<M>): MethodEstimate | null
  /** Null where something it needs is missing from the stock; the findings say what. */
  build(input: MethodInput<M>): { readonly built: BuiltMould | null; readonly findings: readonly Finding[] }
}
