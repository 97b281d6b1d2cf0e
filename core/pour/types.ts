import type { Finding, Piece, Settings } from '../job/index.ts'
import type { MixStation } from '../mix/index.ts'
import type { MouldStation } from '../mould/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { ReleaseStation } from '../release/index.ts'
import type { SteelStation } from '../steel/index.ts'
import type { Mix, Stock } from '../stock/index.ts'
import type { Ageing, Hours, Operation, Timed } from '../work/index.ts'
import type { Compaction } from './compaction.ts'
import type { Rehearsal } from './rehearse.ts'

export type PourInput = {
  readonly piece: Piece
  /** When the shop works; null works day and night. */
  readonly hours: Settings['hours']
  /** People on the day. */
  readonly people: number
  readonly mix: Mix
  /** What a pour that takes too long may be made with instead. */
  readonly stock: Pick<Stock, 'mixers' | 'doses' | 'mixes' | 'filaments'>
  /** What its mould is printed from; null of any other. */
  readonly filament: string | null
  readonly stations: {
    readonly piece: PieceStation
    readonly mould: MouldStation | null
    readonly steel: SteelStation
    readonly release: ReleaseStation | null
    readonly mix: MixStation
  }
}

export type PourFigures = {
  readonly start: string
  readonly zone: string
  readonly temperatureDegC: number
  readonly coldestDegC: number
  readonly rate: number
  readonly workingMinutes: number
  readonly initialSetMinutes: number
  readonly finalSetMinutes: number
  readonly sheenGoneMinutes: number
  readonly placedByMinutes: number
  /** The longest that concrete lies before the next lift is on it, or the last is struck off, from its own water. */
  readonly openMinutes: number
  /** When the last batch meets its water. */
  readonly lastWaterMinutes: number
  readonly compaction: Compaction
  readonly easeFromMinutes: number
  readonly easeUntilMinutes: number
  readonly firstStripMinutes: number | null
  readonly sharpStripMinutes: number | null
  readonly flipMinutes: number | null
  /** Strength at which it is turned over. */
  readonly flipMpa: number
  readonly curedMinutes: number | null
  readonly f28Mpa: number
  readonly dryingKgPerM2H: number
  /** How warm it grows by its own setting, in its middle and at its face. */
  readonly coreDegC: number
  readonly faceDegC: number
  /** What is moved at the heaviest turn or lift, with all that is still on it, and whether it is turned over. */
  readonly liftKg: number
  /** The fewest who stay under 25 kg a head; null where it is not lifted by hand. */
  readonly liftPeople: number | null
  readonly liftTurns: boolean
  readonly strength: readonly { readonly hours: number; readonly mpa: number }[]
}

export type PourStation = {
  readonly figures: PourFigures
  readonly findings: readonly Finding[]
  readonly operations: readonly Operation[]
  /** Building, release, batches, steel, pour and strip in order, with their times. */
  readonly work: readonly Timed[]
  readonly ageing: Ageing
  readonly hours: Hours | null
  /** Null until it is rehearsed, and of what cannot be. */
  readonly rehearsal: Rehearsal | null
}
