import type { Point, Region, Vector } from '../geometry/index.ts'
import type { Finding } from '../job/index.ts'
import type { Operation } from '../work/index.ts'
import type { InsideAdvice } from './adviseInside.ts'
import type { BarFigures } from './bars/barFigures.ts'
import type { MarkedBar } from './bars/types.ts'
import type { Coats } from './coats.ts'
import type { ToldMove } from './handling/judgeHandling.ts'
import type { Handling } from './handling/planHandling.ts'
import type { Fixing } from './pullOut.ts'
import type { ThinCut } from './thickness/cutsThrough.ts'
import type { LeastRule } from './thickness/leastThickness.ts'
import type { ThicknessMap } from './thickness/thicknessMap.ts'
import type { Tying } from './tying.ts'
import type { VoidHold } from './voidHold.ts'

/** One straight piece of wire, as placed. */
export type Wire = { readonly from: Point; readonly to: Point }

type CutPiece = {
  readonly xMm: number
  readonly yMm: number
  readonly lengthMm: number
  readonly widthMm: number
}

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
  readonly kind: 'mesh' | 'fibre' | 'coats' | 'none'
  /** What usually goes inside such a piece; null until the solid is there. */
  readonly advice: InsideAdvice | null
  readonly meshName: string | null
  readonly wireMm: number
  readonly coverMm: number
  readonly coverFrom: 'exposure' | 'choice'
  /** From the underside as placed to the middle of the sheet. */
  readonly heightMm: number | null
  /** Lay the sheet when the fill stands this high in the mould. */
  readonly layAtFillMm: number | null
  /** The mat at the other face, where there are two. */
  readonly second: { readonly heightMm: number; readonly layAtFillMm: number } | null
  /** How a mat, or bars laid like one, come to lie there. */
  readonly placed: 'on-fill' | 'pressed' | 'hung' | 'chairs'
  /** What it is tied and held with. */
  readonly tying: Tying
  /** Strips of mesh bent along the corners of aprons, with what is cut for each; empty of none. */
  readonly apronStrips: readonly {
    readonly side: string
    readonly lengthMm: number
    readonly liesMm: number
    readonly hangsMm: number
    readonly cutWidthMm: number
  }[]
  readonly depthSchool: 'middle' | 'stretched face' | 'weather face' | null
  readonly coverToShowFaceMm: number | null
  readonly lengthwaysWires: number
  readonly crosswaysWires: number
  readonly wirePieces: number
  readonly totalWireMm: number
  readonly sheetLengthMm: number
  readonly sheetWidthMm: number
  readonly sheetCount: number
  readonly lapsMm: number
  /** The mat as it is cut: its pieces where they lie in it, and on sheets of the stock for one cast or all; null of none. */
  readonly meshCut: {
    readonly lapMm: number
    readonly castCount: number
    readonly stockLengthMm: number
    readonly stockWidthMm: number
    readonly pieces: readonly CutPiece[]
    /** Strips that are bent, numbered after the pieces. */
    readonly strips: readonly { readonly lengthMm: number; readonly widthMm: number }[]
    readonly sheets: readonly (readonly (CutPiece & { readonly number: number })[])[]
  } | null
  readonly massKg: number
  readonly cost: number | null
  readonly steelShare: number
  /** Of this pour. */
  readonly fibreKg: number
  readonly leastThicknessMm: number
  readonly leastRule: LeastRule
  /** Null where it is not told: while something is dragged, or of a piece that cannot be built. */
  readonly thinnestMm: number | null
  readonly thinnestWhere: string
  /** From the piece's own measures, or looked for in its solid at points: then it may be a little less between them. */
  readonly thinnestFrom: 'measures' | 'solid'
  /** The thinnest first; empty until the solid is there. */
  readonly thinPlaces: readonly {
    readonly between: readonly [string, string]
    /** A wall by the least of its mix; small work on it by half of that; a land beside an opening by its length. */
    readonly judgedAs: 'wall' | 'work' | 'land'
    /** The slab itself, from its underside to its top. */
    readonly whole: boolean
    readonly leastMm: number
    readonly lengthMm: number
    readonly widthMm: number
    readonly wantedMm: number | null
    /** The middle of the ball that just fits. */
    readonly xMm: number
    readonly yMm: number
    readonly zMm: number
  }[]
  /** What bars there are and could be; null until the solid is there. */
  readonly bars: BarFigures | null
  /** Glass-fibre concrete in coats; null of anything else. */
  readonly coats: Coats | null
  /** What holds a void former down while it is poured; null of none. */
  readonly voidHold: VoidHold | null
  readonly placedKg: number
  readonly strippingKg: number
  /** What tips it where it stands free, and its footing where it is set in the ground; null until the solid is there. */
  readonly standing: {
    readonly tips: {
      readonly pushN: number
      readonly pushHeightMm: number
      readonly angleDeg: number
    } | null
    readonly footing: {
      readonly depthMm: number
      readonly aboveMm: number
      readonly holeMm: number
      readonly holeDepthMm: number
      readonly concreteLitres: number
      readonly bedLitres: number
    } | null
  } | null
  /** What is cast in and may carry, each with what it bears. */
  readonly fixings: readonly Fixing[]
  /** Strength at which it may be turned over and set down, never less than 10. */
  readonly turnMpa: number
  /** Bending of a flat piece as it is moved and used; null of one that no plate tells of, and while it is dragged. */
  readonly handling: {
    readonly longerWayMm: number
    readonly bearersMm: readonly number[]
    readonly proposedMm: readonly number[]
    readonly moves: readonly ToldMove[]
  } | null
  readonly lands: readonly Land[]
}

export type SteelStation = {
  readonly figures: SteelFigures
  readonly findings: readonly Finding[]
  readonly wires: readonly Wire[]
  /** Of the second mat. */
  readonly secondWires: readonly Wire[]
  /** Wires of the strips bent into aprons. */
  readonly bentWires: readonly (readonly Vector[])[]
  readonly bars: readonly MarkedBar[]
  /** Null until the solid is there. */
  readonly thickness: ThicknessMap | null
  /** A cut through each of its thin places, in their order; empty until the solid is there. */
  readonly cuts: readonly ThinCut[]
  readonly handling: Handling | null
  /** Its outline from the front; null until the solid is there. */
  readonly front: Region | null
  readonly operations: readonly Operation[]
  /** What is done with it once it comes off its mould. */
  readonly moving: readonly Operation[]
}
