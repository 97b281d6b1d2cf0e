import type { Loop } from './outline.ts'

/** The treatment of an edge; `size` is the bead's radius or the chamfer's leg, mm. */
export type EdgeShape =
  | { readonly kind: 'square' }
  | { readonly kind: 'bead' | 'chamfer'; readonly size: number }

/** Column-major 3 x 4 placement: images of x, y, z, then the origin. */
export type Placement = {
  readonly x: readonly [number, number, number]
  readonly y: readonly [number, number, number]
  readonly z: readonly [number, number, number]
  readonly origin: readonly [number, number, number]
}

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
    }
  | {
      /** What an edge treatment takes off one rim, overshooting 1 mm beyond the open faces. */
      readonly kind: 'rimCutter'
      /** Material lies to the left of each segment as it is walked. */
      readonly loop: Loop
      readonly edges: Readonly<Record<string, EdgeShape>>
      readonly names: Readonly<Record<string, string>>
      readonly level: number
      /** The way from the rim into the material along z. */
      readonly into: 1 | -1
    }
  | { readonly kind: 'difference'; readonly from: SolidRecipe; readonly minus: readonly SolidRecipe[] }
  | { readonly kind: 'intersection'; readonly of: readonly SolidRecipe[] }
  | { readonly kind: 'union'; readonly of: readonly SolidRecipe[] }
  | {
      readonly kind: 'revolve'
      readonly profile: readonly (readonly [radius: number, z: number])[]
      readonly name: string
    }
  | { readonly kind: 'moved'; readonly solid: SolidRecipe; readonly by: Placement }
