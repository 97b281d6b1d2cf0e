import type { Arc, Loop, Point } from './outline.ts'
import type { CutPlane, Region } from './sectionSolid.ts'

/** The treatment of an edge, mm: `size` is the bead's radius, or how far in from the side; `rise` how far down it, as far where it is left out. */
export type EdgeShape =
  | { readonly kind: 'square' }
  | { readonly kind: 'bead'; readonly size: number }
  | { readonly kind: 'chamfer'; readonly size: number; readonly rise?: number | undefined }
  | { readonly kind: 'cove' | 'ovolo' | 'ogee'; readonly size: number; readonly rise: number }

/** Column-major 3 x 4 placement: images of x, y, z, then the origin. */
export type Placement = {
  readonly x: Vector
  readonly y: Vector
  readonly z: Vector
  readonly origin: Vector
}

/** Upright as it was, only moved. */
export const movedBy = (origin: Vector): Placement => ({ x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin })
export type Vector = readonly [number, number, number]

/**
 * How far in a side stands, from the bottom up; `name` is the face from this step to the next. An eased edge goes on
 * round a rounded corner, where the wall beside it gives way to the corner's own face.
 */
export type SideProfile = readonly {
  readonly z: number
  readonly inset: number
  readonly name: string
  readonly eased?: true
}[]

/** One side of a loft's loop, material on its left; `radius` rounds the corner at its start. */
export type LoftSide = {
  readonly name: string
  readonly from: Point
  readonly to: Point
  readonly arc: Arc | null
  readonly radius: number
  /** Face name of the rounded corner at its start. */
  readonly corner: string
  readonly profile: SideProfile
}
export type LoftLoop = readonly LoftSide[]

/**
 * How a solid is made, as plain data: it survives structuredClone, is hashed for the cache, and any host with a
 * kernel can build it. Lengths in mm.
 */
export type SolidRecipe =
  | {
      readonly kind: 'prism'
      readonly outline: Loop
      readonly holes: readonly Loop[]
      readonly low: number
      readonly high: number
      readonly lowName: string
      readonly highName: string
      /** Instead of `low`: the underside follows the plane z = at + slopeX x + slopeY y. */
      readonly lowPlane?: { readonly at: number; readonly slopeX: number; readonly slopeY: number }
    }
  | {
      /** An upright body whose sides each follow a profile, mitred where they meet; holes run clockwise. */
      readonly kind: 'loft'
      readonly outline: LoftLoop
      readonly holes: readonly LoftLoop[]
      readonly low: number
      readonly high: number
      readonly lowName: string
      readonly highName: string
    }
  | {
      /** A closed section (inset from the loop, z) swept once round a loop, mitred at its corners. */
      readonly kind: 'ring'
      readonly loop: LoftLoop
      readonly section: readonly { readonly inset: number; readonly z: number; readonly name: string }[]
    }
  | {
      /** A closed half section turned about the upright axis at `at`; anticlockwise in (radius, z). */
      readonly kind: 'turned'
      readonly profile: readonly { readonly radius: number; readonly z: number; readonly name: string }[]
      readonly at: Point
    }
  | {
      /** A body through loops of equal point counts, one above the other. */
      readonly kind: 'stack'
      readonly levels: readonly { readonly z: number; readonly points: readonly Point[] }[]
      readonly name: string
      readonly lowName: string
      readonly highName: string
    }
  | {
      /** A flat region of any rings, as letters are, between two heights. */
      readonly kind: 'plate'
      readonly region: Region
      readonly low: number
      readonly high: number
      readonly name: string
    }
  | {
      /** A mesh the host holds under an id: an imported solid. */
      readonly kind: 'mesh'
      readonly id: string
      readonly name: string
    }
  | {
      /** What lies on the side of a plane that its normal points to is kept. */
      readonly kind: 'trimmed'
      readonly solid: SolidRecipe
      readonly normal: Vector
      readonly offset: number
      readonly name: string
    }
  | {
      /** A body with a coat round it, at least `by` mm thick everywhere, stepped in upright bands. */
      readonly kind: 'grown'
      readonly solid: SolidRecipe
      readonly by: number
      readonly name: string
    }
  | {
      /** Slivers under `within` mm taken out and its faces made one, so that it stays closed in single precision. */
      readonly kind: 'tidied'
      readonly solid: SolidRecipe
      readonly within: number
      readonly name: string
    }
  | {
      /** The section of a body by a plane, `by` mm larger all round, as a plate that thick to either side of it. */
      readonly kind: 'flange'
      readonly solid: SolidRecipe
      readonly by: number
      readonly plane: CutPlane
      readonly half: number
      readonly name: string
    }
  | {
      /**
       * All that lies under a surface, down to `low`, as far round its box as `reach`. The surface is told by its heights
       * on squares: rows from the front, each from the left, from `origin`; beyond its box it goes on level.
       */
      readonly kind: 'under'
      readonly origin: Point
      readonly cell: number
      readonly heights: readonly (readonly number[])[]
      readonly reach: number
      readonly low: number
      readonly name: string
    }
  | {
      /** The plan of a body as seen from above, `by` mm larger all round, between two heights. */
      readonly kind: 'outset'
      readonly solid: SolidRecipe
      readonly by: number
      readonly low: number
      readonly high: number
      readonly name: string
    }
  | {
      /** One of the bodies of a solid that hang together, by its place among them from 0. */
      readonly kind: 'body'
      readonly solid: SolidRecipe
      readonly at: number
      readonly name: string
    }
  | { readonly kind: 'difference'; readonly from: SolidRecipe; readonly minus: readonly SolidRecipe[] }
  | { readonly kind: 'intersection'; readonly of: readonly SolidRecipe[] }
  | { readonly kind: 'union'; readonly of: readonly SolidRecipe[] }
  | { readonly kind: 'moved'; readonly solid: SolidRecipe; readonly by: Placement }
