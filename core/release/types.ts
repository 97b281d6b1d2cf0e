import type { Finding } from '../job/index.ts'

export type AgentRow = {
  readonly face: string
  readonly material: string
  readonly partIds: readonly string[]
  readonly areaM2: number
  readonly agent: string
  readonly coats: number
  readonly waitMinutes: number
  readonly amount: number
  readonly unit: string
  readonly cost: number | null
  readonly note: string
}

export type StripStep = {
  readonly code:
    | 'knockout-screws'
    | 'ease-knockouts'
    | 'strip-screws'
    | 'strip'
    | 'flip'
    | 'lift-base'
    | 'knockouts-out'
  readonly partIds: readonly string[]
  readonly text: string
}

export type ReleaseFigures = {
  readonly agents: readonly AgentRow[]
  readonly partsTrapped: number
  readonly waitMinutes: number
  readonly faceAreaM2: number
  readonly suctionN: number
  readonly stripping: readonly StripStep[]
  readonly leftOut: string | null
}

export type ReleaseStation = { readonly figures: ReleaseFigures; readonly findings: readonly Finding[] }
