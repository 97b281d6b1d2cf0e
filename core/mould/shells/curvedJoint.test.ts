import { beforeAll, describe, expect, it } from 'vitest'
import { type Kernel, measureSolid, movedBy, type SolidRecipe, type Vector } from '../../geometry/index.ts'
import { saddle, turnedBody } from '../../testing/bodies.ts'
import { testKernel } from '../../testing/testKernel.ts'
import type { CastBody } from '../castBody.ts'
import {
  type CurvedJoint,
  curvedFlange,
  curvedFlangePoints,
  curvedJoint,
  halvesOf,
  jointThatOpens,
  pushApart,
} from './curvedJoint.ts'

let kernel: Kernel
beforeAll(async () => {
  kernel = await testKernel()
})
const boxed = (recipe: SolidRecipe): CastBody => {
  const { min, max } = kernel.withSolids((s) => measureSolid(s.solid(recipe).body))
  const [length, width, height] = [0, 1, 2].map((k) => max[k]! - min[k]!) as [number, number, number]
  const own: SolidRecipe = {
    kind: 'moved',
    solid: recipe,
    by: movedBy([-min[0], -min[1], -min[2]]),
  }
  return { recipe: own, length, width, height, relief: false, volume: 0, area: 0 }
}
const volume = (of: SolidRecipe): number => kernel.withSolids((s) => s.solid(of).body.volume())

const leaning = (of: SolidRecipe, deg: number): SolidRecipe => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)]
  return { kind: 'moved', solid: of, by: { x: [c, 0, -s], y: [0, 1, 0], z: [s, 0, c], origin: [0, 0, 0] } }
}
/** Overlap of two bodies as one is moved along a way, the most of some steps, mm3. */
const struck = (moving: SolidRecipe, still: SolidRecipe, way: Vector): number =>
  kernel.withSolids((s) => {
    const [a, b] = [s.solid(moving).body, s.solid(still).body]
    return Math.max(
      ...[0.1, 1, 5, 20, 60, 150].map((by) =>
        s.keep(s.keep(a.translate([way[0] * by, way[1] * by, way[2] * by])).intersect(b)).volume(),
      ),
    )
  })
const shellOf = (body: CastBody, joint: CurvedJoint): SolidRecipe => ({
  kind: 'difference',
  from: {
    kind: 'union',
    of: [{ kind: 'grown', solid: body.recipe, by: 8, name: 'shell' }, curvedFlange(joint, 30, 8, 'flange')],
  },
  minus: [body.recipe],
})

describe('a joint along a curve', () => {
  it.each([
    ['a saddle as it lies', saddle(20, 30), 0],
    ['one that leans by 40 degrees', leaning(saddle(20, 30), 40), 40],
    ['one that leans by 75', leaning(saddle(20, 20), 75), 75],
  ])('%s: both halves leave it, and each other, along their way', (_, recipe, lean) => {
    const body = boxed(recipe)
    const joint = jointThatOpens(kernel, body)!
    expect((Math.acos(joint.way[2]) * 180) / Math.PI).toBeCloseTo(lean, -1)
    expect(joint.lockedMm2).toBe(0)
    const shell = shellOf(body, joint)
    const [behind, before] = halvesOf(shell, joint)
    expect((volume(behind) + volume(before)) / volume(shell)).toBeCloseTo(1, 4)
    const back = joint.way.map((n) => -n) as unknown as Vector
    const of = volume(body.recipe)
    // Overlap as its chords and the surface's rings leave it.
    expect(struck(before, body.recipe, joint.way) / of).toBeLessThan(2e-3)
    expect(struck(behind, body.recipe, back) / of).toBeLessThan(2e-3)
    expect(struck(before, behind, joint.way)).toBeLessThan(1)
    // Each flange place has both halves to bolt.
    const points = curvedFlangePoints(kernel, joint, 8 + 11, 100)
    expect(points.length).toBeGreaterThanOrEqual(5)
  })
  it('rises and falls with the saddle', () => {
    const joint = curvedJoint(kernel, boxed(saddle(20, 30)), [0, 0, 1])!
    expect(joint.to - joint.from).toBeGreaterThan(20)
    expect(joint.to - joint.from).toBeLessThan(65)
  })
  it('pushes two halves of a ball apart as its closed form says, level and upright', () => {
    const ball = boxed(
      turnedBody(
        Array.from({ length: 61 }, (_, i) => {
          const a = (Math.PI * (i - 30)) / 60
          return [Math.max(0, 100 * Math.cos(a)), 100 * Math.sin(a)] as const
        }),
      ),
    )
    const half = (2 / 3) * Math.PI * 1e6
    const rho = 2400 * 9.81e-9
    const up = curvedJoint(kernel, ball, [0, 0, 1])!
    expect(pushApart(up, 300, half, 2400) / (rho * (Math.PI * 1e4 * 200 - half))).toBeCloseTo(1, 1.5)
    const side = curvedJoint(kernel, ball, [1, 0, 0])!
    expect(pushApart(side, 300, half, 2400) / (rho * Math.PI * 1e4 * 200)).toBeCloseTo(1, 1.5)
  })
  it('a ring parts along its axis, its hole shut off; a foot under a neck from the side', () => {
    const ring = boxed(
      turnedBody([
        [40, 0],
        [80, 0],
        [80, 30],
        [40, 30],
      ]),
    )
    expect(curvedJoint(kernel, ring, [0, 0, 1])!.lockedMm2).toBe(0)
    const egg = boxed(
      turnedBody([
        [0, 0],
        [60, 0],
        [60, 20],
        [20, 40],
        [20, 60],
        [80, 140],
        [0, 220],
      ]),
    )
    expect(curvedJoint(kernel, egg, [1, 0, 0])!.lockedMm2).toBe(0)
    expect(curvedJoint(kernel, egg, [0, 0, 1])!.lockedMm2).toBeGreaterThan(1000)
  })
})
