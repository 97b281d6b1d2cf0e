import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boundRecipe, movedBy, openKernel, rectangleLoop, type SolidRecipe } from './index.ts'

const kernel = await openKernel({ coarser: 4 })
const boxOf = (recipe: SolidRecipe) => kernel.withSolids((s) => s.solid(recipe).body.boundingBox())
const loop = (x: number, y: number, l: number, w: number, r: number) =>
  rectangleLoop([x, y], l, w, [r, r, r, r], {
    sides: ['a', 'b', 'c', 'd'],
    corners: ['p', 'q', 'r', 's'],
  })
const block = (
  x: number,
  y: number,
  l: number,
  w: number,
  low: number,
  high: number,
  r = 0,
): SolidRecipe => ({
  kind: 'prism',
  outline: loop(x, y, l, w, r),
  holes: [],
  low,
  high,
  lowName: 'low',
  highName: 'high',
})
const ball: SolidRecipe = {
  kind: 'turned',
  profile: [
    { radius: 0, z: -10, name: 'a' },
    { radius: 30, z: 5, name: 'b' },
    { radius: 0, z: 20, name: 'c' },
  ],
  at: [7, 8],
}
const cone: SolidRecipe = {
  kind: 'stack',
  levels: [0, 40].map((z, i) => ({
    z,
    points: [
      [0, 0],
      [50 - 10 * i, 0],
      [50 - 10 * i, 30],
      [0, 30],
    ] as [number, number][],
  })),
  name: 'x',
  lowName: 'x',
  highName: 'x',
}

describe('the box of a recipe', () => {
  it.each<[string, SolidRecipe]>([
    ['a block with rounded corners', block(10, 20, 100, 60, 5, 30, 20)],
    ['a turned body', ball],
    ['a stack', cone],
    ['two apart', { kind: 'union', of: [block(0, 0, 10, 10, 0, 5), ball] }],
    [
      'a moved one',
      { kind: 'moved', solid: cone, by: { x: [-1, 0, 0], y: [0, 1, 0], z: [0, 0, -1], origin: [9, 8, 7] } },
    ],
    [
      'what two have in common',
      { kind: 'intersection', of: [block(0, 0, 50, 50, 0, 20), block(30, 10, 50, 20, 5, 40)] },
    ],
    [
      'less a hole',
      { kind: 'difference', from: block(0, 0, 50, 50, 0, 20), minus: [block(10, 10, 5, 5, -1, 21)] },
    ],
    [
      'a plate',
      {
        kind: 'plate',
        region: [
          [
            [1, 2],
            [9, 2],
            [9, 8],
            [1, 8],
          ],
        ],
        low: 3,
        high: 4,
        name: 'p',
      },
    ],
  ])('is that of its solid: %s', (_, recipe) => {
    const [box, solid] = [boundRecipe(recipe)!, boxOf(recipe)]
    // Chords of a round body stand a little inside it.
    for (const end of ['min', 'max'] as const)
      for (const [k, n] of box[end].entries()) expect(Math.abs(n - solid[end][k]!)).toBeLessThan(0.35)
  })
  it('holds whatever is cut from it, wherever it is moved', () => {
    const size = fc.integer({ min: 5, max: 80 })
    fc.assert(
      fc.property(size, size, size, size, size, size, (x, y, l, w, h, gone) => {
        const recipe: SolidRecipe = {
          kind: 'moved',
          by: movedBy([x, -y, h]),
          solid: {
            kind: 'difference',
            from: block(0, 0, l, w, 0, h),
            minus: [block(-1, -1, gone, w + 2, -1, gone)],
          },
        }
        const [box, solid] = [boundRecipe(recipe)!, boxOf(recipe)]
        if (gone > l && gone > h) return
        for (const k of [0, 1, 2]) {
          expect(solid.min[k]!).toBeGreaterThanOrEqual(box.min[k]! - 1e-3)
          expect(solid.max[k]!).toBeLessThanOrEqual(box.max[k]! + 1e-3)
        }
      }),
      { seed: 4, numRuns: 60 },
    )
  })
  it('is not known of what only the solid tells', () => {
    expect(boundRecipe({ kind: 'grown', solid: cone, by: 3, name: 'g' })).toBeNull()
    expect(boundRecipe({ kind: 'union', of: [cone, { kind: 'mesh', id: 'm', name: 'm' }] })).toBeNull()
  })
})
