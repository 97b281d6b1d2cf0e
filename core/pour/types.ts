import type { Finding, Piece, Settings } from '../job/index.ts'
import type { MixStation } from '../mix/index.ts'
import type { MouldStation } from '../mould/index.ts'
import type { PieceStation } from '../piece/index.ts'
import type { ReleaseStation } from '../release/index.ts'
import type { SteelStation } from '../steel/index.ts'
import type { Mix, Mixer } from '../stock/index.ts'

export type PourInput = {
  readonly piece: Piece
  readonly settings: Settings
  readonly mix: Mix
  readonly mixer: Mixer
  readonly stations: {
    readonly piece: PieceStation
    readonly mould: MouldStation | null
    readonly steel: SteelStation
    readonly release: ReleaseStation | null
    readonly mix: MixStation
  }
}

export type StepCode =
  | 'seal-joints'
  | 'wax'
  | 'checks'
  | 'batch'
  | 'lay-mesh'
  | 'compact'
  | 'screed'
  | 'fill-aprons'
  | 'cover'
  | 'trowel'
  | 'tool-edges'
  | 'ease-knockouts'
  | 'sides-off'
  | 'sharp-sides-off'
  | 'flip'
  | 'knockouts-out'
  | 'cure'

/** One step of the pour day; times in minutes from the first water, negative before it. */
export type ScheduleStep = {
  readonly code: StepCode
  readonly startMinutes: number
  readonly endMinutes: number
  /** When it is too late; null where it may wait. */
  readonly latestMinutes: number | null
  readonly text: string
  readonly batch: number | null
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
  readonly easeFromMinutes: number
  readonly easeUntilMinutes: number
  readonly firstStripMinutes: number | null
  readonly sharpStripMinutes: number | null
  readonly flipMinutes: number | null
  readonly curedMinutes: number | null
  readonly f28Mpa: number
  readonly dryingKgPerM2H: number
  readonly liftKg: number
  readonly liftPeople: number
  readonly schedule: readonly ScheduleStep[]
  readonly strength: readonly { readonly hours: number; readonly mpa: number }[]
}

export type PourStation = { readonly figures: PourFigures; readonly findings: readonly Finding[] }
