import type { Finding } from '../job/index.ts'
import type { Sealer } from '../stock/index.ts'
import type { Operation, Timed } from '../work/index.ts'

export type FinishFigures = {
  readonly sealer: string
  readonly coats: number
  readonly sealerAmount: number
  readonly sealerUnit: Sealer['unit']
  readonly sealerCost: number | null
  readonly faceAreaM2: number
  readonly turns: number
  /** All that is moved at the heaviest turn, kg; null where nothing is turned over. */
  readonly turnKg: number | null
  /** The fewest for it; null where nothing is turned, or not by hand. */
  readonly turnPeople: number | null
  /** From the first water; null where the concrete never gets so far. */
  readonly daysToUse: number | null
}

export type FinishStation = {
  readonly figures: FinishFigures
  readonly findings: readonly Finding[]
  readonly operations: readonly Operation[]
  /** All of the piece's operations with their times, its finishing last. */
  readonly work: readonly Timed[]
}
