import type { Finding } from '../job/index.ts'
import type { Operation } from '../work/index.ts'

export type Batch = {
  readonly number: number
  readonly bags: number
  readonly litres: number
  readonly dryKg: number
  readonly waterLitres: number
  /** Water held back at first and added in small steps. */
  readonly heldBackLitres: number
  readonly fibreKg: number
  /** Of glass-fibre concrete in coats: what it is for; `all` of any other. */
  readonly coat: 'all' | 'face' | 'back'
}

export type MixFigures = {
  readonly mixName: string
  readonly volumeLitres: number
  readonly wastePercent: number
  readonly wasteFrom: 'size' | 'choice'
  readonly neededLitres: number
  readonly bagsExact: number
  readonly bags: number
  readonly bagsPerJob: number
  readonly spareLitres: number
  readonly waterPerBagLitres: number
  readonly waterLeastPerBagLitres: number
  readonly waterMostPerBagLitres: number
  readonly waterLitres: number
  readonly dryKg: number
  /** With all that is mixed, waste too. */
  readonly fibreKg: number
  readonly f28Mpa: number
  readonly cementKg: number
  readonly densityCheckKgPerM3: number
  readonly mixer: string
  readonly bagsPerBatch: number
  readonly batches: readonly Batch[]
  readonly mixMinutes: number
  readonly costPerCast: number | null
  readonly costPerJob: number | null
}

export type MixStation = {
  readonly figures: MixFigures
  readonly findings: readonly Finding[]
  readonly operations: readonly Operation[]
}
