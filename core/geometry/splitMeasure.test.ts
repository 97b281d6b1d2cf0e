import { describe, expect, it } from 'vitest'
import { seeded } from '../testing/anyPiece.ts'
import { testKernel } from '../testing/testKernel.ts'
import { rectangleLoop } from './outline.ts'
import type { SolidRecipe, Vector } from './recipe.ts'
import { type Cuts, splitMeasure } from './splitMeasure.ts'

const kernel = await testKernel()
const box = (x: number, y: number, z: number, l: number, w: number, h: number): SolidRecipe => ({
  kind: 'prism',
  outline: rectangleLoop([x, y], l, w, [0, 0, 0, 0], {
    sides: ['a', 'b', 'c', 'd'],
    corners: ['e', 'e', 'e', 'e'],
  }),
  holes: [],
  low: z,
  high: z + h,
  lowName: 'low',
  highName: 'high',
})
const shell = (l: number, w: number, h: number, t: number): SolidRecipe => ({
  kind: 'difference',
  from: box(-t, -t, -t, l + 2 * t, w + 2 * t, h + t),
  minus: [box(0, 0, 0, l, w, h + 1)],
})
const ball: SolidRecipe = {
  kind: 'turned',
  at: [10, 5],
  profile: Array.from({ length: 33 }, (_, i) => ({
    radius: 30 * Math.sin((Math.PI * i) / 32),
    z: -30 * Math.cos((Math.PI * i) / 32),
    name: 'ball',
  })),
}
const UP: Vector = [0, 0, 1]
/** Two level ways at right angles, turned by an angle. */
const level = (a: number): [Vector, Vector] => [
  [Math.cos(a), Math.sin(a), 0],
  [-Math.sin(a), Math.cos(a), 0],
]

/** The same cells by cutting the solid. */
const byCutting = (recipe: SolidRecipe, cuts: readonly Cuts[]) =>
  kernel.withSolids((scope) => {
    let bodies = [scope.solid(recipe).body]
    for (const { way, offsets } of cuts)
      bodies = bodies.flatMap((body) => {
        let rest = body
        const slabs = offsets.map((offset) => {
          const [above, below] = rest.splitByPlane([...way], offset).map((b) => scope.keep(b))
          rest = above!
          return below!
        })
        return [...slabs, rest]
      })
    return bodies
      .filter((b) => !b.isEmpty() && b.volume() > 1)
      .map((b) => ({ volume: b.volume(), ...b.boundingBox() }))
  })
const measured = (recipe: SolidRecipe, cuts: readonly Cuts[]) =>
  kernel.withSolids((scope) => splitMeasure(scope.solid(recipe), cuts))

describe('what planes leave of a solid', () => {
  it('is the whole where there are none', () => {
    const [cell, ...none] = measured(box(1, 2, 3, 10, 20, 30), [])
    expect(none).toEqual([])
    expect(cell!.volume).toBeCloseTo(6000, 3)
    expect([cell!.min, cell!.max]).toEqual([
      [1, 2, 3],
      [11, 22, 33],
    ])
  })

  it('is by hand what it must be in a box', () => {
    const cells = measured(box(0, 0, 0, 10, 20, 30), [
      { way: [1, 0, 0], offsets: [2, 5] },
      { way: UP, offsets: [12] },
    ])
    expect(cells.map((c) => Math.round(c.volume)).sort((a, b) => a - b)).toEqual(
      [480, 720, 720, 1080, 1200, 1800].sort((a, b) => a - b),
    )
  })

  it('is what cutting leaves, with its box, for any turn of the planes', () => {
    const random = seeded(271)
    for (const recipe of [ball, shell(60, 40, 30, 4), box(-20, -20, -20, 70, 50, 45)])
      for (let n = 0; n < 12; n += 1) {
        const [u, v] = level(n < 2 ? 0 : random() * 3)
        const some = (most: number) =>
          Array.from({ length: Math.floor(random() * most) }, () => 60 * random() - 20).sort((a, b) => a - b)
        const cuts = [
          { way: u, offsets: some(4) },
          { way: v, offsets: some(3) },
          { way: UP, offsets: some(3) },
        ]
        const own = measured(recipe, cuts)
        const library = byCutting(recipe, cuts)
        const volumes = (list: readonly { readonly volume: number }[]) =>
          list.map((c) => c.volume).sort((a, b) => a - b)
        // A cell of hardly more than nothing may count in one and not in the other.
        const told = (list: readonly number[]) => list.filter((x) => x > 1.5)
        const [a, b] = [told(volumes(own)), told(volumes(library))]
        expect(a.length).toBe(b.length)
        a.forEach((x, i) => {
          expect(Math.abs(x - b[i]!)).toBeLessThan(1e-4 * b[i]! + 0.05)
        })
        for (const cell of own)
          cuts.forEach(({ way, offsets }, k) => {
            const inside = cell.middle[k]!
            expect(offsets.every((o) => o !== inside)).toBe(true)
            if (offsets.length === 0) return
            const centre = [0, 1, 2].map((i) => (cell.min[i]! + cell.max[i]!) / 2)
            if (n < 2) {
              const at = centre.reduce((sum, c, i) => sum + c * way[i]!, 0)
              expect(offsets.filter((o) => o < at).length).toBe(offsets.filter((o) => o < inside).length)
            }
          })
      }
  })
})
