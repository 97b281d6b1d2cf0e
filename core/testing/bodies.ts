import { rectangleLoop, type SolidRecipe, surfaceOver, type Under, type Vector } from '../geometry/index.ts'
import type { MouldPart, Undoing } from '../mould/index.ts'

/** Plain bodies and bare parts for tests that move them. */
const SIDES = {
  sides: ['front', 'right', 'back', 'left'] as const,
  corners: ['c', 'c', 'c', 'c'] as const,
}

/** A block from its front left corner, between two heights. */
export const block = (
  x: number,
  y: number,
  l: number,
  w: number,
  low: number,
  high: number,
): SolidRecipe => ({
  kind: 'prism',
  outline: rectangleLoop([x, y], l, w, [0, 0, 0, 0], SIDES),
  holes: [],
  low,
  high,
  lowName: 'low',
  highName: 'high',
})
/** A turned body by its radii at heights, anticlockwise. */
export const turnedBody = (points: readonly (readonly [number, number])[]): SolidRecipe => ({
  kind: 'turned',
  at: [0, 0],
  profile: points.map(([radius, z]) => ({ radius, z, name: 'wall' })),
})
export const less = (from: SolidRecipe, ...minus: SolidRecipe[]): SolidRecipe => ({
  kind: 'difference',
  from,
  minus,
})
export const union = (...of: SolidRecipe[]): SolidRecipe => ({ kind: 'union', of })

/** A part of a mould with what moving it asks for, and nothing else. */
export const barePart = (id: string, recipe: SolidRecipe, pull: Vector): MouldPart =>
  ({ id, name: id, recipe, pull }) as unknown as MouldPart
export const bareAct = (partIds: string[], rigid = true): Undoing =>
  ({ id: partIds.join(), partIds, rigid }) as unknown as Undoing

/**
 * A dish 196 across and so thick, bent into a saddle that rises by `rise` along x and falls as much along y: neither level
 * nor by upright planes do stiff halves leave it.
 */
export const saddle = (thick: number, rise: number): SolidRecipe => {
  const surface = (by: number): Under => ({
    kind: 'under',
    ...surfaceOver(
      [
        [-100, -100],
        [100, 100],
      ],
      40,
      ([x, y]) => by + (rise * (x * x - y * y)) / 1e4,
    ),
    reach: 300,
    low: -400,
    name: 'saddle',
  })
  const disc = turnedBody([
    [0, -200],
    [98, -200],
    [98, 200],
    [0, 200],
  ])
  return {
    kind: 'difference',
    from: { kind: 'intersection', of: [disc, surface(thick)] },
    minus: [surface(0)],
  }
}
