import type { Point } from '../geometry/index.ts'
import type { Finding } from '../job/index.ts'
import type { Operation } from '../work/index.ts'

/** One straight piece of wire, as placed. */
export type Wire = { readonly from: Point; readonly to: Point }

export type Land = {
  readonly between: readonly [string, string]
  readonly openingIds: readonly string[]
  readonly leastMm: number
  readonly narrowLengthMm: number
  readonly fromXMm: number
  readonly fromYMm: number
  readonly toXMm: number
  readonly toYMm: number
}

export type SteelFigures = {
  readonly kind: 'mesh' | 'none'
  readonly meshName: string | null
  readonly wireMm: number
  readonly coverMm: number
  readonly coverFrom: 'exposure' | 'choice'
  /** From the underside as placed to the middle of the sheet. */
  readonly heightMm: number | null
  /** Lay the sheet when the fill stands this high in the mould. */
  readonly layAtFillMm: number | null
  readonly depthSchool: 'middle' | 'stretched face' | null
  readonly coverToShowFaceMm: number | null
  readonly lengthwaysWires: number
  readonly crosswaysWires: number
  readonly wirePieces: number
  readonly totalWireMm: number
  readonly sheetLengthMm: number
  readonly sheetWidthMm: number
  readonly sheetCount: number
  readonly lapsMm: number
  readonly massKg: number
  readonly cost: number | null
  readonly steelShare: number
  readonly leastThicknessMm: number
  /** Null where it is not told: while something is dragged, or of a piece that cannot be built. */
  readonly thinnestMm: number | null
  readonly thinnestWhere: string
  /** From the piece's own measures, or looked for in its solid at points: then it may be a little less between them. */
  readonly thinnestFrom: 'measures' | 'solid'
  readonly placedKg: number
  readonly strippingKg: number
  readonly lands: readonly Land[]
}

export type SteelStation = {
  readonly figures: SteelFigures
  readonly findings: readonly Finding[]
  readonly wires: readonly Wire[]
  readonly operations: readonly Operation[]
}
