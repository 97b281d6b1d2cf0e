import { expect, it } from 'vitest'
import { testKernel } from '../testing/testKernel.ts'
import { type FlatRegion, flatFaces, rectangleLoop, type SolidRecipe } from './index.ts'

const kernel = await testKernel()
const facesOf = (recipe: SolidRecipe, most = 60) => kernel.withSolids((s) => flatFaces(s.solid(recipe), most))
const box = (x: number, y: number, l: number, w: number, low: number, high: number): SolidRecipe => ({
  kind: 'prism',
  outline: rectangleLoop([x, y], l, w, [0, 0, 0, 0], {
    sides: ['front', 'right', 'back', 'left'],
    corners: ['c', 'c', 'c', 'c'],
  }),
  holes: [],
  low,
  high,
  lowName: 'low',
  highName: 'high',
})
const less = (from: SolidRecipe, ...minus: SolidRecipe[]): SolidRecipe => ({
  kind: 'difference',
  from,
  minus,
})
const disc: SolidRecipe = {
  kind: 'turned',
  at: [50, 50],
  profile: [
    { radius: 0, z: 0, name: 'a' },
    { radius: 30, z: 0, name: 'b' },
    { radius: 30, z: 50, name: 'c' },
    { radius: 0, z: 50, name: 'd' },
  ],
}

it.each<[string, SolidRecipe, number, number, number]>([
  ['a box has six faces of four corners', box(0, 0, 300, 200, 0, 100), 6, 24, 220_000],
  [
    'two boxes with their tops level are one face there',
    { kind: 'union', of: [box(0, 0, 100, 100, 0, 50), box(50, 0, 100, 100, 0, 50)] },
    6,
    24,
    2 * 150 * 100 + 2 * 50 * 250,
  ],
  [
    'a step: two faces more, and six corners on the sides',
    less(box(0, 0, 100, 100, 0, 100), box(50, -1, 51, 102, 50, 101)),
    8,
    36,
    55_000,
  ],
  [
    'a hollow: a ring at the rim',
    less(box(0, 0, 100, 100, 0, 100), box(20, 20, 60, 60, 30, 101)),
    11,
    48,
    60_000 + 4 * 60 * 70,
  ],
])('%s', (_, recipe, count, corners, area) => {
  const faces = facesOf(recipe)!
  expect(faces).toHaveLength(count)
  expect(faces.flatMap((f) => f.loops).reduce((sum, l) => sum + l.length, 0)).toBe(corners)
  expect(faces.reduce((sum, f) => sum + f.area, 0)).toBeCloseTo(area, 0)
  for (const [i, f] of faces.entries()) {
    expect(planeArea(f)).toBeCloseTo(f.area, 1)
    // What one face meets along an edge meets it there.
    for (const c of f.loops.flat())
      expect(faces[c.beside]!.loops.flat().some((back) => back.beside === i)).toBe(true)
  }
})

it('a curve in chords has more faces than are asked for: null', () => {
  expect(facesOf(disc, 20)).toBeNull()
})

/** Area of a face by its loops alone: holes count against it. */
function planeArea({ loops, normal }: FlatRegion): number {
  const sum = [0, 0, 0]
  for (const loop of loops)
    loop.forEach(({ at: a }, i) => {
      const b = loop[(i + 1) % loop.length]!.at
      sum[0]! += (a[1] * b[2] - a[2] * b[1]) / 2
      sum[1]! += (a[2] * b[0] - a[0] * b[2]) / 2
      sum[2]! += (a[0] * b[1] - a[1] * b[0]) / 2
    })
  return sum[0]! * normal[0] + sum[1]! * normal[1] + sum[2]! * normal[2]
}
