import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, meshSolid, queryMesh, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import { block, less, turnedBody as turned } from '../../testing/bodies.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { bestPulls, judge, spread } from './bestPulls.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const ball = turned(
  Array.from({ length: 73 }, (_, i) => {
    const a = ((i - 36) * Math.PI) / 72
    return [Math.max(0, 80 * Math.cos(a)), 80 * Math.sin(a)] as const
  }),
)
/** A round hole of radius 20, 60 deep, into the right side of a cube of 200, upright in its own frame. */
const holeIn = (deep: number): SolidRecipe =>
  less(block(0, 0, 200, 200, 0, 200), {
    kind: 'moved',
    by: { x: [0, 0, -1], y: [0, 1, 0], z: [1, 0, 0], origin: [200 - deep, 100, 100] },
    solid: turned([
      [0, 0],
      [20, 0],
      [20, deep + 1],
      [0, deep + 1],
    ]),
  })
/** A groove along y, 100 deep and 60 wide above, whose walls lean in over it by 10 either side. */
const dovetail = less(block(0, 0, 300, 200, 0, 150), {
  kind: 'stack',
  name: 'groove',
  lowName: 'foot',
  highName: 'top',
  levels: [
    {
      z: 50,
      points: [
        [110, -1],
        [190, -1],
        [190, 201],
        [110, 201],
      ],
    },
    {
      z: 151,
      points: [
        [120, -1],
        [180, -1],
        [180, 201],
        [120, 201],
      ],
    },
  ],
})
const meshOf = (recipe: SolidRecipe) => kernel.withSolids((scope) => meshSolid(scope.solid(recipe)))
const undercut = (recipe: SolidRecipe, way: Vector): number => {
  const mesh = meshOf(recipe)
  return judge(queryMesh(mesh), spread(mesh, 20_000), way, 0.01).undercutMm2
}

describe('the area that a rigid mould of two halves does not leave', () => {
  it.each<[string, SolidRecipe, Vector, number]>([
    ['a ball, whichever way', ball, [0.48, 0.6, 0.64], 0],
    ['a block along its height', block(0, 0, 200, 100, 0, 50), [0, 0, 1], 0],
    [
      'a hole in its side, drawn upward: its wall and its end',
      holeIn(60),
      [0, 0, 1],
      2 * Math.PI * 20 * 60 + Math.PI * 400,
    ],
    ['the same along the hole', holeIn(60), [1, 0, 0], 0],
    [
      'a dovetail upward: its two walls, and the strips of its floor under them',
      dovetail,
      [0, 0, 1],
      2 * Math.hypot(100, (10 * 100) / 101) * 200 + 2 * ((10 * 100) / 101) * 200,
    ],
    ['a dovetail along itself', dovetail, [0, 1, 0], 0],
  ])('%s', (_, recipe, way, area) => {
    const found = undercut(recipe, way)
    if (area === 0) expect(found).toBeLessThan(1)
    else expect(Math.abs(found / area - 1)).toBeLessThan(0.02)
  })
})

describe('ways found over the sphere', () => {
  it.each<[string, SolidRecipe, Vector | null, number]>([
    // the way that is best but for its sign, and how many parts are needed
    ['a ball parts anywhere, in two', ball, null, 2],
    ['a hole in its side is drawn along it', holeIn(60), [1, 0, 0], 2],
    ['a dovetail is drawn along itself', dovetail, [0, 1, 0], 2],
  ])('%s', (_, recipe, way, parts) => {
    const { pulls, parts: needed } = bestPulls(meshOf(recipe), { places: 3000 })
    expect(pulls[0]!.undercutMm2).toBeLessThan(1)
    if (way) {
      const [x, y, z] = pulls[0]!.way
      expect(Math.abs(x * way[0] + y * way[1] + z * way[2])).toBeGreaterThan(0.99)
    }
    expect(needed).toBe(parts)
  })
  it.each([
    // A hole in the right side, the back and above: an angle of two parts leaves two of them.
    [['right', 'back'], 2],
    [['right', 'back', 'top'], 3],
  ] as const)('holes in %j need %d parts, each drawn its own way', (sides, needed) => {
    const bore = turned([
      [0, 0],
      [20, 0],
      [20, 61],
      [0, 61],
    ])
    const holes = {
      right: { x: [0, 0, -1], y: [0, 1, 0], z: [1, 0, 0], origin: [140, 50, 60] },
      back: { x: [1, 0, 0], y: [0, 0, -1], z: [0, 1, 0], origin: [60, 140, 60] },
      top: { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [60, 60, 140] },
    } as const
    const cube = less(
      block(0, 0, 200, 200, 0, 200),
      ...sides.map((side): SolidRecipe => ({ kind: 'moved', by: holes[side], solid: bore })),
    )
    const { pulls, parts } = bestPulls(meshOf(cube), { places: 3000 })
    expect(pulls[0]!.undercutMm2).toBeGreaterThan(5000)
    expect(parts).toBe(needed)
  })
  it('places share out the whole surface, of fine meshes and of coarse ones', () => {
    for (const recipe of [ball, block(0, 0, 200, 100, 0, 50)]) {
      const mesh = meshOf(recipe)
      const area = kernel.withSolids((scope) => scope.solid(recipe).body.surfaceArea())
      for (const count of [100, 5000])
        expect(spread(mesh, count).reduce((sum, s) => sum + s.area, 0) / area).toBeCloseTo(1, 3)
    }
  })
  it('tells how far it is, and stops when asked', () => {
    const seen: number[] = []
    bestPulls(meshOf(holeIn(60)), { places: 200, onProgress: (share) => seen.push(share) })
    expect(seen[0]).toBe(0)
    expect(seen.every((s, i) => i === 0 || s > seen[i - 1]!)).toBe(true)
    expect(bestPulls(meshOf(holeIn(60)), { places: 200, shouldStop: () => true }).pulls).toEqual([])
  })
})
