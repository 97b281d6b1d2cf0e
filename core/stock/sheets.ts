import type { Stock } from './schema.ts'

/** A row of stock that parts are cut from: a board, or a sheet that is bent. */
export type SheetStock = {
  readonly id: string
  readonly name: string
  readonly thickness: number
  readonly length: number
  readonly width: number
  /** Whether parts must lie along it. */
  readonly grain: boolean
  readonly densityKgPerM3: number
  readonly price: number | null
  /** Pieces to hand that are cut from first. */
  readonly offcuts?: readonly { readonly length: number; readonly width: number }[]
}

const SKIN_KG_PER_M3 = {
  hardboard: 950,
  'flexible-ply': 560,
  'birch-ply': 680,
  aluminium: 2700,
  vinyl: 1400,
  petg: 1270,
} as const

/** Everything that is laid out on sheets. */
export const sheetStock = ({ boards, skins, foams }: Stock): SheetStock[] => [
  ...boards,
  ...foams.map((f) => ({ ...f, grain: false })),
  ...skins.map((s) => ({ ...s, grain: false, densityKgPerM3: SKIN_KG_PER_M3[s.material] })),
]
