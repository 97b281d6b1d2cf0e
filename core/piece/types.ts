import type { Loop, Point, SolidRecipe } from '../geometry/index.ts'
import type { Finding, OpeningShape, SideId } from '../job/index.ts'

/** One opening as it stands, its rules resolved; a row of three gives three. Coordinates as placed. */
export type PlacedOpening = {
  readonly openingId: string
  /** `basin`, or `taps.1`, `taps.2` for a row. */
  readonly key: string
  readonly name: string
  readonly shape: OpeningShape
  readonly centre: Point
  readonly loop: Loop
}

/** What later stations build on; not part of the plan's figures. */
export type PieceGeometry = {
  readonly length: number
  readonly width: number
  readonly thickness: number
  readonly outline: Loop
  readonly openings: readonly PlacedOpening[]
  /** Null where findings keep the solid from being built. */
  readonly recipe: SolidRecipe | null
}

export type PieceFigures = {
  readonly kind: 'slab'
  readonly lengthMm: number
  readonly widthMm: number
  readonly thicknessMm: number
  readonly volumeLitres: number
  /** `quick` from exact areas and edge lengths, `solid` from the solid's triangles. */
  readonly volumeFrom: 'quick' | 'solid'
  /** Hardened concrete without steel. */
  readonly concreteKg: number
  readonly weightKg: number
  readonly weightPerAreaKgPerM2: number
  readonly centreOfGravity: { readonly xMm: number; readonly yMm: number; readonly zMm: number }
  readonly showFaceAreaM2: number
  readonly surfaceAreaM2: number
  readonly poured: 'show face down' | 'show face up'
  readonly edges: readonly {
    side: SideId
    topKind: string
    topSizeMm: number
    bottomKind: string
    bottomSizeMm: number
  }[]
  readonly openings: readonly {
    readonly id: string
    readonly key: string
    readonly name: string
    readonly shape: 'rectangle' | 'round'
    readonly lengthMm: number
    readonly widthMm: number
    readonly cornerRadiusMm: number
    readonly centreXMm: number
    readonly centreYMm: number
  }[]
}

export type PieceStation = {
  readonly figures: PieceFigures
  readonly findings: readonly Finding[]
  readonly geometry: PieceGeometry
}
