import { beforeAll, describe, expect, it } from 'vitest'
import { block } from '../testing/bodies.ts'
import { testKernel } from '../testing/testKernel.ts'
import {
  eyeFrom,
  type Kernel,
  lineDrawing,
  meshSolid,
  type SeenLine,
  type SolidRecipe,
  turnedEye,
  type Vector,
} from './index.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const body = (recipe: SolidRecipe, by: Vector = [0, 0, 0]) => ({
  mesh: kernel.withSolids((scope) => meshSolid(scope.solid(recipe))),
  by,
})
const length = (lines: readonly SeenLine[]): number =>
  lines.reduce((sum, { from, to }) => sum + Math.hypot(to[0] - from[0], to[1] - from[1]), 0)
const CORNER = 100 * Math.sqrt(2 / 3)

describe('bodies drawn in line', () => {
  it.each<[string, Vector, number]>([
    // A cube of 100 seen on its corner shows nine edges, all as long; square on, the four round its face.
    ['a cube from its corner', [-1, -1, 1], 9 * CORNER],
    ['a cube from above', [0, -1e-9, 1], 400],
    ['a cube from the front, as good as level', [0, -1, 1e-9], 400],
  ])('%s', (_, way, expected) => {
    const lines = lineDrawing([body(block(0, 0, 100, 100, 0, 100))], eyeFrom(way))
    expect(length(lines) / expected).toBeCloseTo(1, 2)
  })
  it('what stands behind is not drawn, what stands before is drawn whole', () => {
    const eye = eyeFrom([0, -1, 1e-6])
    const [near, far] = [body(block(0, 0, 100, 10, 0, 100)), body(block(20, 200, 20, 10, 20, 40))]
    const hidden = lineDrawing([near, far], eye)
    expect(hidden.some((l) => l.body === 1)).toBe(false)
    expect(length(hidden.filter((l) => l.body === 0)) / 400).toBeCloseTo(1, 2)
    // Half of it comes out beside the near one: three of its sides, two of them cut in half.
    const half = lineDrawing([near, body(block(20, 200, 20, 10, 20, 40), [70, 0, 0])], eye)
    expect(length(half.filter((l) => l.body === 1)) / 40).toBeCloseTo(1, 0)
  })
  it('a round is drawn by its rims and its outline', () => {
    const drum: SolidRecipe = {
      kind: 'turned',
      at: [0, 0],
      profile: [
        { radius: 0, z: 0, name: 'foot' },
        { radius: 50, z: 0, name: 'wall' },
        { radius: 50, z: 120, name: 'top' },
        { radius: 0, z: 120, name: 'axis' },
      ],
    }
    // From the front: its top and foot edge on, its two sides.
    const lines = lineDrawing([body(drum)], eyeFrom([0, -1, 1e-3]))
    const upright = lines.filter(({ from, to }) => Math.abs(to[0] - from[0]) < 1e-6)
    expect(length(upright) / 240).toBeCloseTo(1, 2)
  })
  it('what lies turned over is seen by the eye turned instead: its top is below', () => {
    const eye = eyeFrom([-0.4, -0.8, 0.6])
    const over = turnedEye(eye, [1, 0, 0])
    expect(over.toward[2]).toBeCloseTo(-eye.toward[2])
    expect(over.up[2]).toBeLessThan(0)
    expect(
      over.toward[0] * over.right[0] + over.toward[1] * over.right[1] + over.toward[2] * over.right[2],
    ).toBeCloseTo(0)
  })
  it('of nothing there is nothing to draw', () => expect(lineDrawing([], eyeFrom([0, -1, 1]))).toEqual([]))
})
