import type { Bulk, Loop, Placement, Point, Region, SolidRecipe, Vector } from '../geometry/index.ts'
import type { Finding, Opening, OpeningShape, PieceKind, SideId } from '../job/index.ts'
/** One opening as it stands, its rules resolved; a row of three gives three. Coordinates as placed. */
import type { PlacedVoid } from './features/voidFormer.ts'
import type { ServiceFigures } from './service.ts'
import type { AttitudeReason, PieceNote } from './told.ts'

export type PlacedOpening = {
  readonly openingId: string
  /** `basin`, or `taps.1`, `taps.2` for a pattern. */
  readonly key: string
  readonly name: string
  readonly shape: OpeningShape
  readonly turnDeg: number
  readonly centre: Point
  readonly loop: Loop
  readonly on: 'top' | 'bottom'
  /** Null goes through. */
  readonly depth: number | null
  /** Whether the mould forms it, or it is drilled once the piece is out. */
  readonly made: Opening['made']
}

/** A flat face that lettering and inserts stand on and that can be down in the pour. */
export type FlatFace = {
  readonly name: string
  readonly words: string
  /** Origin in its middle; x is u, y is v, z points out of the piece. */
  readonly frame: Placement
  /** Its boundary in u and v. */
  readonly region: Region
  readonly size: readonly [number, number]
}

/** A part of the piece with a solid and weight of its own: a block of a cut seat, a panel of a built planter. */
export type Block = {
  readonly id: string
  readonly name: string
  readonly recipe: SolidRecipe
  readonly facts?: string
}

/** What keeps two blocks of one pour apart: a sheet as thick as the gap, seen along `normal` (a unit vector). */
export type Separator = {
  readonly id: string
  readonly gap: number
  readonly normal: Vector
  readonly recipe: SolidRecipe
}

/** What later stations build on; not part of the plan's figures. */
export type PieceGeometry = {
  readonly kind: PieceKind
  /** The box round it as placed; x from 0 to length, y from 0 to width, z from low to low + height. */
  readonly length: number
  readonly width: number
  readonly height: number
  readonly low: number
  /** Of the slab itself; of other kinds their height. */
  readonly thickness: number
  readonly outline: Loop
  /** What is cast in. */
  readonly openings: readonly PlacedOpening[]
  /** What is drilled later: the solid has none of it. */
  readonly drilled: readonly PlacedOpening[]
  /** Null where findings keep the solid from being built. */
  readonly recipe: SolidRecipe | null
  readonly faces: readonly FlatFace[]
  readonly blocks: readonly Block[]
  /** Where blocks are cast side by side: what stands between them, and all of it before it is parted. */
  readonly parted?: { readonly whole: SolidRecipe; readonly separators: readonly Separator[] }
  readonly thinnest: { readonly mm: number; readonly where: string } | null
  /** Parts of the plan that no mesh runs through besides openings: a basin. */
  readonly noMesh: readonly Region[]
  /** Work that is cut into a slab or stands out of it, letters too: what a mould forms beside the outline. */
  readonly formed: readonly FormedFeature[]
  /** How far work stands out of the top and the underside, mm. */
  readonly relief: { readonly top: number; readonly bottom: number }
  /** Markers of what is cast in, as solids in place. */
  readonly inserts: readonly { readonly id: string; readonly name: string; readonly recipe: SolidRecipe }[]
  /** The light body inside, as it lies; null of none. */
  readonly voidFormer: PlacedVoid | null
}

/** One recess, groove, panel or line of letters, as placed. */
export type FormedFeature = {
  readonly id: string
  readonly name: string
  /** The face it is on: `top`, `bottom`, or a side. */
  readonly face: string
  /** Whether it stands out of its face; else it is cut in, overshooting the face. */
  readonly raised: boolean
  readonly recipe: SolidRecipe
  /** mm3, as near as it is known without the solid. */
  readonly volume: number
}

/** What a builder of one kind gives: its geometry, its bulk where it is known without the solid, and findings. */
export type Built = {
  readonly geometry: Omit<
    PieceGeometry,
    'kind' | 'inserts' | 'voidFormer' | 'noMesh' | 'relief' | 'formed' | 'drilled'
  > &
    Partial<Pick<PieceGeometry, 'noMesh' | 'relief' | 'formed' | 'drilled'>>
  readonly bulk: Bulk | null
  /** Area of the face that is looked at, mm2. */
  readonly showFaceArea: number
  readonly findings: readonly Finding[]
  readonly notes?: PieceFigures['notes']
  /** What a hollow piece holds, level with its rim, its drains shut, mm3; left out where it holds nothing or nobody knows. */
  readonly holds?: number
  /** Its hollow at the rim and at its floor, and the wall there, mm. */
  readonly inside?: {
    readonly rim: readonly [length: number, width: number]
    readonly floor: readonly [length: number, width: number]
    readonly wallRim: number
    readonly wallFloor: number
    readonly depth: number
  }
  /** Its plan where liners take some of it, mm. */
  readonly finished?: readonly [length: number, width: number]
}

export type PieceFigures = {
  readonly kind: PieceKind
  readonly lengthMm: number
  readonly widthMm: number
  readonly heightMm: number
  readonly thicknessMm: number
  readonly volumeLitres: number
  /** `quick` from exact sums, `solid` from the solid's triangles. */
  readonly volumeFrom: 'quick' | 'solid'
  /** Hardened concrete and inserts, without steel. */
  readonly concreteKg: number
  readonly weightKg: number
  readonly weightPerAreaKgPerM2: number
  readonly centreOfGravity: { readonly xMm: number; readonly yMm: number; readonly zMm: number }
  readonly showFaceAreaM2: number
  /** Round the plan, its outline only. */
  readonly perimeterMm: number
  readonly surfaceAreaM2: number
  readonly poured: string
  readonly attitude: { readonly down: string; readonly advised: string; readonly reason: AttitudeReason }
  readonly thinnestMm: number | null
  readonly thinnestWhere: string
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
    readonly shape: OpeningShape['kind']
    readonly lengthMm: number
    readonly widthMm: number
    readonly cornerRadiusMm: number
    readonly depthMm: number | null
    readonly made: Opening['made']
    readonly centreXMm: number
    readonly centreYMm: number
  }[]
  /** What it holds to the rim with its drains shut, and what it weighs full of water; null where it is not hollow. */
  readonly holds: { readonly volumeLitres: number; readonly fullKg: number } | null
  /** Filled and in use; null where nobody asked, or it holds nothing. */
  readonly service: ServiceFigures | null
  /** Its hollow at the rim and at the floor, and the wall there; null where it has none of straight walls. */
  readonly inside: {
    readonly rimLengthMm: number
    readonly rimWidthMm: number
    readonly floorLengthMm: number
    readonly floorWidthMm: number
    readonly wallAtRimMm: number
    readonly wallAtFloorMm: number
    readonly depthMm: number
  } | null
  /** Its plan as it is cast where textured liners take some of it; null where none does. */
  readonly finished: { readonly lengthMm: number; readonly widthMm: number } | null
  /** What is drilled out later: poured, lifted out of the mould, and not in the finished piece. */
  readonly drilled: { readonly count: number; readonly volumeLitres: number; readonly massKg: number }
  readonly blocks: readonly {
    readonly id: string
    readonly name: string
    readonly volumeLitres: number
    readonly weightKg: number
  }[]
  /** The light body cast inside, and what it saves; null of none. */
  readonly voidFormer: {
    readonly volumeLitres: number
    readonly massKg: number
    readonly savedKg: number
    readonly coverMm: number
    readonly lengthMm: number
    readonly widthMm: number
    readonly heightMm: number
  } | null
  readonly inserts: {
    readonly count: number
    readonly massKg: number
    readonly displacedLitres: number
    readonly items: readonly {
      readonly id: string
      readonly name: string
      readonly massKg: number
      readonly displacedLitres: number
      readonly coverMm: number
      /** What is nearest, as it is called: `top`, `front side`, the name of an opening. */
      readonly coverTo: string
    }[]
  }
  /** What a kind has to say besides: play after taper, glue lines, the timber cap's size. */
  readonly notes: readonly PieceNote[]
}

export type PieceStation = {
  readonly figures: PieceFigures
  readonly findings: readonly Finding[]
  readonly geometry: PieceGeometry
}
