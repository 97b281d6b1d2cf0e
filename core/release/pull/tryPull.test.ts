import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, meshSolid, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import { block, less, turnedBody } from '../../testing/bodies.ts'
import { testKernel } from '../../testing/testKernel.ts'
import { pullTrial } from './tryPull.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
/** The triangles of a solid, three corners each. */
const pieces = (recipe: SolidRecipe): Float32Array => {
  const { positions, triangles } = kernel.withSolids((s) => meshSolid(s.solid(recipe)))
  return Float32Array.from([...triangles].flatMap((v) => [...positions.subarray(3 * v, 3 * v + 3)]))
}
const lockedCm2 = (of: SolidRecipe, way: Vector): number => {
  const trial = pullTrial(pieces(of))
  const marked = new Uint8Array(trial.count)
  // In two goes, as a page does it.
  trial.locked(way, 0, Math.floor(trial.count / 2), marked)
  trial.locked(way, Math.floor(trial.count / 2), trial.count + 5, marked)
  return trial.areaOf(marked) / 100
}
const cube = block(0, 0, 200, 200, 0, 200)
const UP: Vector = [0, 0, 1]
const RIGHT: Vector = [1, 0, 0]
const ASKEW: Vector = [Math.SQRT1_2, 0, Math.SQRT1_2]
/** A round hole into the top, 60 deep and 40 across. */
const holed = less(cube, {
  kind: 'moved',
  by: { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1], origin: [100, 100, 140] },
  solid: turnedBody([
    [0, 0],
    [20, 0],
    [20, 61],
    [0, 61],
  ]),
})
/** A groove 60 wide above and 80 below along all of it, its walls leaning in over it. */
const dovetail = less(cube, block(70, -1, 60, 202, 150, 201), block(60, -1, 80, 202, 140, 160))

describe('a pull that is tried', () => {
  it.each<[string, SolidRecipe, Vector, number]>([
    ['a cube, up', cube, UP, 0],
    ['a cube, askew', cube, ASKEW, 0],
    ['a hole along its axis', holed, UP, 0],
    // Its wall and floor look at nothing but itself.
    ['a hole across its axis', holed, RIGHT, (2 * Math.PI * 20 * 60) / 100],
    // The two ledges that lean over the groove, and the walls under them, along 200; its floor is judged by its middle.
    ['a dovetail drawn up', dovetail, UP, (2 * (10 + 20) * 200) / 100],
  ])('%s', (_, of, way, cm2) => {
    if (cm2 === 0) expect(lockedCm2(of, way)).toBe(0)
    else expect(lockedCm2(of, way) / cm2).toBeCloseTo(1, 0)
  })
  it('draft is the angle between face and way, of what is covered', () => {
    const trial = pullTrial(pieces(cube), (i) => i > 0)
    const at = [...trial.degrees([Math.sin(0.1), 0, Math.cos(0.1)])]
    expect(at[0]).toBeNaN()
    const told = [...new Set(at.slice(1).map((d) => Math.round(d * 100) / 100))].sort((a, b) => a - b)
    expect(told).toEqual([0, 5.73, 84.27])
  })
})
