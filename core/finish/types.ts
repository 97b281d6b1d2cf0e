import type { Finding } from '../job/index.ts'

export type FinishStep = {
  readonly code: 'ease-arrises' | 'sand' | 'fill-pores' | 'sand-filler' | 'clean' | 'coat' | 'cure-coat'
  readonly text: string
  readonly faceUp: 'show face' | 'underside'
  readonly startHours: number
  readonly waitHours: number
  readonly amount: number | null
  readonly unit: string
}

export type FinishFigures = {
  readonly sealer: string
  readonly coats: number
  readonly sealerAmount: number
  readonly sealerUnit: string
  readonly sealerCost: number | null
  readonly faceAreaM2: number
  readonly steps: readonly FinishStep[]
  readonly turns: number
  readonly turnPeople: number
  readonly daysToUse: number
}

export type FinishStation = { readonly figures: FinishFigures; readonly findings: readonly Finding[] }
