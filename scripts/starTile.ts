/** A tile with a raised eight-pointed star in steps, as a layered pattern would be sawn; written as binary STL. */
import type { SolidRecipe } from '../core/geometry/index.ts'

const star = (outer: number, inner: number, z0: number, z1: number, scale = 1): SolidRecipe => {
  const points = Array.from({ length: 16 }, (_, i) => {
    const r = (i % 2 === 0 ? outer : inner) * scale
    const a = (Math.PI * i) / 8
    return [100 + r * Math.cos(a), 100 + r * Math.sin(a)] as const
  })
  return {
    kind: 'stack',
    name: 'star',
    lowName: 'star',
    highName: 'star',
    levels: [
      { z: z0, points },
      { z: z1, points: points.map(([x, y]) => [100 + (x - 100) * 0.94, 100 + (y - 100) * 0.94] as const) },
    ],
  }
}

/** The tile 200 x 200, 18 thick, its star to 30. */
export const starTile: SolidRecipe = {
  kind: 'union',
  of: [
    {
      kind: 'stack',
      name: 'side',
      lowName: 'bottom',
      highName: 'top',
      levels: [
        {
          z: 0,
          points: [
            [0, 0],
            [200, 0],
            [200, 200],
            [0, 200],
          ],
        },
        {
          z: 18,
          points: [
            [2, 2],
            [198, 2],
            [198, 198],
            [2, 198],
          ],
        },
      ],
    },
    star(88, 46, 17, 22),
    star(88, 46, 21, 26, 0.78),
    star(88, 46, 25, 30, 0.52),
  ],
}
