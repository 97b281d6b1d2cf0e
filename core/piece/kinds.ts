import type { Region } from '../geometry/index.ts'
import type { Change, Piece, VoidFormer } from '../job/index.ts'
import { boxKind } from './box/boxKind.ts'
import { fittedKind } from './fitted/fittedKind.ts'
import { importedKind } from './imported/importedKind.ts'
import { slabKind } from './slab/slabKind.ts'
import { sweptKind } from './swept/sweptKind.ts'
import type { AttitudeReason } from './told.ts'
import { turnedKind } from './turned/turnedKind.ts'

export type PieceSize = { readonly length: number; readonly width: number; readonly height: number }

/** A measure of a piece that can be solved for. */
export type HeldDimension = {
  readonly key: string
  readonly label: string
  readonly value: number
  readonly changes: (mm: number) => readonly Change[]
}

type Advice = { down: string; reason: AttitudeReason }
type Kind = Piece['kind']
type Of<K extends Kind> = Extract<Piece, { readonly kind: K }>

/** What is known of a kind of piece from its own figures alone. Its solid is made by its builder in `planPiece.ts`. */
export type PieceKind<K extends Kind = Kind> = {
  /** Which face is best down in the pour, and why. */
  readonly advise: (piece: Of<K>) => Advice
  /** Its box as placed, mm. */
  readonly box: (piece: Of<K>) => PieceSize
  /** A small drawing of it: flat work in plan, what stands from the front. Rings, y up, mm. */
  readonly marks: (piece: Of<K>, size: PieceSize) => Region
  /** The measures by which a figure of it can be held, in the order a maker would try them. */
  readonly held: (piece: Of<K>) => HeldDimension[]
}

/** One row a kind. To add one: its schema in `job/kinds.ts`, a folder here, a row here and in `BUILDERS`, and a bench. */
const KINDS: { readonly [K in Kind]: PieceKind<K> } = {
  slab: slabKind,
  turned: turnedKind,
  swept: sweptKind,
  box: boxKind,
  imported: importedKind,
  fitted: fittedKind,
}
const kindOf = (piece: Piece) => KINDS[piece.kind] as PieceKind

/** The box of a piece as placed, from its own figures alone: for frames and icons before it is planned. */
export const pieceBox = (piece: Piece): PieceSize => kindOf(piece).box(piece)

/** A small drawing of what the piece is. Rings, y up, mm. */
export const silhouette = (piece: Piece): Region => kindOf(piece).marks(piece, pieceBox(piece))

/** Which face is best down in the pour, and why. */
export const adviseAttitude = (piece: Piece): Advice => kindOf(piece).advise(piece)

/** The measures of a piece by which a figure can be held, in the order a maker would try them. */
export const holdDimensions = (piece: Piece): HeldDimension[] => [
  ...(piece.voidFormer ? [coverOfVoid(piece, piece.voidFormer)] : []),
  ...kindOf(piece).held(piece),
]

/** Concrete round a void former: the size of the former is what it leaves. */
const coverOfVoid = (piece: Piece, former: VoidFormer): HeldDimension => ({
  key: 'void-cover',
  label: 'concrete round the void former',
  value: former.cover,
  changes: (cover) => [
    { type: 'pieceDescribed', pieceId: piece.id, patch: { voidFormer: { ...former, cover } } },
  ],
})
